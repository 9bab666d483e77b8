"""The chain over the audit log against every way of changing it afterwards. SHA-256: NIST FIPS 180-4."""

from collections.abc import Callable
from pathlib import Path
from tempfile import TemporaryDirectory

from django.core.management import CommandError, call_command
from django.db import transaction
from django.test import TestCase, override_settings

from clinic.models import AuditEntry, AuditHead
from privacy.actions import delete_record
from testing.builders import Api, make_child, make_member
from upkeep.audit_chain import START, extend, extend_all, faults, link


class UndoneError(Exception):
    """Ends a try, so that nothing of it stays."""


class AuditChainTest(TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.file = Path(folder.name) / "heads.jsonl"
        here = override_settings(AUDIT_HEADS=self.file, ERASED_LIST=Path(folder.name) / "erased.jsonl")
        here.enable()
        self.addCleanup(here.disable)
        self.lead = make_member()
        self.child = make_child(self.lead)
        Api(self.lead)("get", f"/children/{self.child.pk}")
        extend_all()

    def test_a_link_is_the_digest_of_the_one_before_and_the_line(self) -> None:
        self.assertEqual(link(START, (1, "a")), link(START, ("1", "a")))
        self.assertNotEqual(link(START, (1, "a")), link(link(START, (1, "a")), (1, "a")))
        self.assertEqual(len(link(START, ())), 64)

    def test_the_log_is_as_it_was_written_and_grows(self) -> None:
        self.assertEqual(faults(self.lead.clinic), [])
        self.assertIsNone(extend(self.lead.clinic), "nothing new")
        Api(self.lead)("get", f"/children/{self.child.pk}")
        self.assertIsNotNone(extend(self.lead.clinic))
        self.assertEqual(len(self.file.read_text().splitlines()), AuditHead.objects.count())
        call_command("check_audit", verbosity=0)

    def test_contents_that_go_with_a_childs_record_leave_it_whole(self) -> None:
        delete_record(self.lead, self.child, "Asked for by the mother on 2 March.", self.child.first_name)
        self.assertEqual(faults(self.lead.clinic), [])

    def test_a_line_changed_removed_or_slipped_in_shows(self) -> None:
        mine = AuditEntry.objects.filter(clinic=self.lead.clinic)
        first = mine.order_by("pk")[0]
        other = make_member("lead", self.lead.clinic)
        changes: list[Callable[[], object]] = [
            lambda: mine.filter(pk=first.pk).update(action="nothing"),
            lambda: mine.filter(pk=first.pk).update(member=other),
            lambda: mine.filter(pk=first.pk).delete(),
            lambda: AuditEntry.objects.create(pk=first.pk - 1, clinic=self.lead.clinic, action="x", subject="y"),
        ]
        for at, change in enumerate(changes):
            with self.subTest(at), self.assertRaises(UndoneError), transaction.atomic():
                change()
                self.assertTrue(faults(self.lead.clinic))
                with self.assertRaises(CommandError):
                    call_command("check_audit", verbosity=0)
                raise UndoneError
        self.assertEqual(faults(self.lead.clinic), [])

    def test_a_chain_worked_out_again_is_not_the_one_that_was_written_down(self) -> None:
        """Whoever owns the database may write new heads into it, and not into the file outside."""
        AuditEntry.objects.filter(clinic=self.lead.clinic).order_by("pk")[0].delete()
        AuditHead.objects.all().delete()
        kept = self.file.read_text()
        extend_all()
        self.file.write_text(kept)
        self.assertTrue(faults(self.lead.clinic))
