"""What is erased stays erased, and the audit log can't be emptied by renaming what it is about.

Each child has a key that is its own in every copy of the database; what was erased is on a list that may only be added
to, and nothing with its number comes back. What the audit functions trust (a number, a key, whether a clinic is the
demo) may be changed by the log's owner alone. A line's number, moment and digest are set by the database.
"""

import uuid
from typing import ClassVar

from django.db import migrations, models

FORWARD = """
create function is_owner_of(relation oid) returns boolean language sql stable as $$
    select pg_has_role(current_user, (select relowner from pg_class where oid = relation), 'member');
$$;
create function erased_stays_erased() returns trigger language plpgsql as $$
begin
    if exists (select from caseload_erased where kind = TG_ARGV[0] and row = NEW.id) then
        raise exception 'permission denied: % % was erased', TG_ARGV[0], NEW.id using errcode = 'insufficient_privilege';
    end if;
    return NEW;
end $$;
create function stays_as_it_is() returns trigger language plpgsql as $$
declare before jsonb := to_jsonb(OLD); after jsonb := to_jsonb(NEW); name text;
begin
    foreach name in array TG_ARGV loop
        if before -> name is distinct from after -> name and not is_owner_of(TG_RELID) then
            raise exception 'permission denied: % of % stays as it is', name, TG_TABLE_NAME
                using errcode = 'insufficient_privilege';
        end if;
    end loop;
    return NEW;
end $$;
create trigger erased_child before insert on caseload_child
    for each row execute function erased_stays_erased('child');
create trigger erased_home before insert on caseload_home
    for each row execute function erased_stays_erased('home');
create trigger child_stays before update on caseload_child
    for each row execute function stays_as_it_is('id', 'key');
create trigger home_stays before update on caseload_home for each row execute function stays_as_it_is('id');
create trigger clinic_stays before update on clinic_clinic
    for each row execute function stays_as_it_is('id', 'is_demo');
create function audit_line() returns trigger language plpgsql as $$
begin
    if not is_owner_of(TG_RELID) then
        NEW.at := clock_timestamp();
        NEW.id := nextval(pg_get_serial_sequence('clinic_auditentry', 'id'));
    end if;
    NEW.digest := encode(sha256(convert_to(NEW.detail::text, 'UTF8')), 'hex');
    return NEW;
end $$;
create trigger audit_line before insert on clinic_auditentry for each row execute function audit_line();
update clinic_auditentry set digest = encode(sha256(convert_to(detail::text, 'UTF8')), 'hex');
create or replace function audit_forget_child(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with the child''s record"}'
    where child = gone and not exists (select from caseload_child where id = gone)
        and exists (select from caseload_erased where kind = 'child' and row = gone);
$$;
create or replace function audit_forget_home(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with a child''s record"}'
    where subject = 'home:' || gone and not exists (select from caseload_home where id = gone)
        and exists (select from caseload_erased where kind = 'home' and row = gone);
$$;
create or replace function audit_forget_demo(demo bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    delete from clinic_audithead
    where clinic_id = demo and exists (select from clinic_clinic where id = demo and is_demo);
    delete from clinic_auditentry
    where clinic_id = demo and exists (select from clinic_clinic where id = demo and is_demo);
$$;
"""
BACK = """
drop trigger erased_child on caseload_child;
drop trigger erased_home on caseload_home;
drop trigger child_stays on caseload_child;
drop trigger home_stays on caseload_home;
drop trigger clinic_stays on clinic_clinic;
drop trigger audit_line on clinic_auditentry;
drop function audit_line();
drop function stays_as_it_is();
drop function erased_stays_erased();
drop function is_owner_of(oid);
create or replace function audit_forget_child(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with the child''s record"}'
    where child = gone and not exists (select from caseload_child where id = gone);
$$;
create or replace function audit_forget_home(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with a child''s record"}'
    where subject = 'home:' || gone and not exists (select from caseload_home where id = gone);
$$;
create or replace function audit_forget_demo(demo bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    delete from clinic_auditentry
    where clinic_id = demo and exists (select from clinic_clinic where id = demo and is_demo);
$$;
"""


class Migration(migrations.Migration):
    dependencies: ClassVar = [("clinic", "0011_audit_digest"), ("caseload", "0017_no_races")]
    operations: ClassVar = [
        migrations.AddField("child", "key", models.UUIDField(null=True, editable=False)),
        migrations.RunSQL("update caseload_child set key = gen_random_uuid()", migrations.RunSQL.noop),
        migrations.RunSQL("set constraints all immediate", migrations.RunSQL.noop),
        migrations.AlterField("child", "key", models.UUIDField(default=uuid.uuid4, editable=False, unique=True)),
        migrations.CreateModel(
            name="Erased",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("kind", models.CharField(choices=[("child", "Child"), ("home", "Home")], max_length=5)),
                ("row", models.BigIntegerField()),
                ("key", models.UUIDField(null=True)),
                ("at", models.DateTimeField(auto_now_add=True)),
            ],
            options={
                "constraints": [models.UniqueConstraint(fields=["kind", "row"], name="erased_once")],
            },
        ),
        migrations.RunSQL(FORWARD, BACK),
    ]
