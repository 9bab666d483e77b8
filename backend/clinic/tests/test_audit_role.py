"""The application's own database role may read the audit log and add to it, and nothing else; privileges as PostgreSQL
grants them (manual, 5.8).
"""

from collections.abc import Callable
from hashlib import sha256

from django.core.management import call_command
from django.db import ProgrammingError, connection, transaction
from django.test import TestCase

from caseload.models import Child, Erased, Home
from clinic.models import AuditEntry, Clinic
from privacy.actions import delete_record, remove_demo
from testing.builders import Api, make_child, make_home, make_member, run_for_child
from testing.tags import slow

ROLE = "audit_role_of_the_tests"


def run_sql(words: str) -> None:
    with connection.cursor() as cursor:
        cursor.execute(words)


class AuditRoleTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        run_for_child(self.lead, self.child)
        Api(self.lead)("get", f"/children/{self.child.pk}")
        run_sql(f"create role {ROLE} nologin")
        call_command("let_in", ROLE)
        run_sql(f"set local role {ROLE}")
        self.addCleanup(run_sql, "reset role")

    def assert_denied(self, work: Callable[[], object]) -> None:
        with self.assertRaisesRegex(ProgrammingError, "permission denied|must be owner"), transaction.atomic():
            work()

    def test_it_is_nobody_who_may_do_everything(self) -> None:
        with connection.cursor() as cursor:
            cursor.execute("select rolsuper, rolcreatedb, rolcreaterole from pg_roles where rolname = current_user")
            self.assertEqual(cursor.fetchone(), (False, False, False))

    def test_a_line_can_be_read_and_added_and_neither_changed_nor_removed(self) -> None:
        before = AuditEntry.objects.count()
        Api(self.lead)("get", f"/children/{self.child.pk}")
        self.assertGreater(AuditEntry.objects.count(), before)
        self.assert_denied(lambda: AuditEntry.objects.update(action="nothing"))
        self.assert_denied(lambda: AuditEntry.objects.all().delete())
        for words in (
            "truncate clinic_auditentry",
            "alter table clinic_auditentry drop column detail",
            "drop table clinic_auditentry",
            "create or replace function audit_forget_child(gone bigint) returns void language sql as 'select 1'",
        ):
            with self.subTest(words):
                self.assert_denied(lambda words=words: run_sql(words))  # type: ignore[misc]

    def test_the_functions_take_nothing_of_what_is_still_there(self) -> None:
        told = list(AuditEntry.objects.order_by("pk").values_list("pk", "detail"))
        for function, of in (
            ("audit_forget_child", self.child.pk),
            ("audit_forget_home", self.child.home_id),
            ("audit_forget_demo", self.lead.clinic_id),
        ):
            run_sql(f"select {function}({of})")  # names of this test
        self.assertEqual(list(AuditEntry.objects.order_by("pk").values_list("pk", "detail")), told)

    def test_a_clinic_does_not_become_the_demo_for_a_moment(self) -> None:
        """The trick: make the own clinic a demo, have its log deleted, make it one's own again."""
        before = AuditEntry.objects.count()
        self.assert_denied(lambda: Clinic.objects.filter(pk=self.lead.clinic_id).update(is_demo=True))
        self.assert_denied(lambda: run_sql("update clinic_clinic set is_demo = true"))
        run_sql(f"select audit_forget_demo({self.lead.clinic_id})")
        self.assertEqual(AuditEntry.objects.count(), before)

    def test_a_child_does_not_change_its_number_for_a_moment(self) -> None:
        """The trick: renumber a child, have what its number had forgotten, give the number back."""
        pk = self.child.pk
        told = list(AuditEntry.objects.order_by("pk").values_list("pk", "detail"))
        self.assert_denied(lambda: run_sql(f"update caseload_child set id = id + 1000 where id = {pk}"))
        self.assert_denied(lambda: run_sql(f"update caseload_child set key = gen_random_uuid() where id = {pk}"))
        run_sql(f"select audit_forget_child({pk + 5})")
        self.assertEqual(list(AuditEntry.objects.order_by("pk").values_list("pk", "detail")), told)

    def test_what_was_erased_does_not_come_back_under_its_number(self) -> None:
        pk, plain = self.child.pk, dict(Child.objects.filter(pk=self.child.pk).values()[0])
        delete_record(self.lead, self.child, "Asked for by the mother on 2 March.", self.child.first_name)
        home = make_home(self.lead)
        self.assert_denied(lambda: Child.objects.create(**{**plain, "home_id": home.pk}))
        self.assert_denied(lambda: Erased.objects.all().delete())
        self.assert_denied(lambda: Erased.objects.update(row=pk + 1))

    @slow
    def test_a_line_has_the_databases_own_moment_and_number(self) -> None:
        """Backdated or out of turn: the database sets both."""
        run_sql(
            "insert into clinic_auditentry (id, clinic_id, at, action, subject, detail, digest)"
            f" values (1000000, {self.lead.clinic_id}, '2001-01-01', 'x', 'y', '{{}}', '')"
        )
        line = AuditEntry.objects.latest("pk")
        self.assertEqual((line.action, line.at.year > 2020, line.pk < 1000000), ("x", True, True))
        self.assertEqual(line.digest, sha256(b"{}").hexdigest())

    def test_a_record_is_deleted_by_that_role_and_its_lines_keep_who_and_when(self) -> None:
        pk = self.child.pk
        lines = AuditEntry.objects.filter(child=pk).count()
        delete_record(self.lead, self.child, "Asked for by the mother on 2 March.", self.child.first_name)
        self.assertEqual((Child.objects.count(), Home.objects.count()), (0, 0))
        kept = AuditEntry.objects.filter(child=pk).exclude(action="record.delete")
        self.assertEqual(kept.count(), lines)
        self.assertEqual({str(e.detail) for e in kept}, {"{'deleted': \"with the child's record\"}"})

    def test_a_demo_clinic_goes_with_its_log(self) -> None:
        demo = Clinic.objects.create(name="Demo", is_demo=True)
        theirs = make_member(clinic=demo, username="demo")
        make_child(theirs, make_home(theirs))
        Api(theirs)("get", "/children")
        remove_demo(self.lead, demo)
        self.assertFalse(Clinic.objects.filter(pk=demo.pk).exists())
