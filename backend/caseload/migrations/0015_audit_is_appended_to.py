"""What may be taken from the audit log, and by nobody in another way: the contents of lines about what was deleted for
good, and the log of a demo clinic that is removed. The functions run as the log's owner; the application's own role may
only read the log and add to it (see the command let_in).
"""

from typing import ClassVar

from django.db import migrations

FORWARD = """
create function audit_forget_child(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with the child''s record"}'
    where child = gone and not exists (select from caseload_child where id = gone);
$$;
create function audit_forget_home(gone bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    update clinic_auditentry set detail = '{"deleted": "with a child''s record"}'
    where subject = 'home:' || gone and not exists (select from caseload_home where id = gone);
$$;
create function audit_forget_demo(demo bigint) returns void
    language sql security definer set search_path = public, pg_temp as $$
    delete from clinic_auditentry
    where clinic_id = demo and exists (select from clinic_clinic where id = demo and is_demo);
$$;
"""
BACK = """
drop function audit_forget_child(bigint);
drop function audit_forget_home(bigint);
drop function audit_forget_demo(bigint);
"""


class Migration(migrations.Migration):
    dependencies: ClassVar = [("clinic", "0008_answered"), ("caseload", "0014_favourites")]
    operations: ClassVar = [migrations.RunSQL(FORWARD, BACK)]
