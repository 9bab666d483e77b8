"""What was worked out is used again under the same revision alone, and a revision is another one after every write."""

from django.db import transaction
from django.test import TestCase

from clinic.kept import Kept, MadeFrom
from clinic.models import Clinic

CLINICS = MadeFrom(clinic_clinic="name like 'Quay%%' and id >= %(first)s")


class KeptTest(TestCase):
    def test_it_is_worked_out_once_while_the_revision_is_the_same(self) -> None:
        kept: Kept[str] = Kept(2)
        self.assertEqual(kept.get("a", ("1",), lambda: "first"), "first")
        self.assertEqual(kept.get("a", ("1",), lambda: "again"), "first")
        self.assertEqual(kept.get("a", ("2",), lambda: "second"), "second")
        self.assertEqual(kept.get("a", ("1",), lambda: "third"), "third")

    def test_what_was_not_asked_for_longest_goes_first(self) -> None:
        kept: Kept[str] = Kept(2)
        for asked in ("a", "b", "a", "c"):
            kept.get(asked, (), lambda asked=asked: asked)  # type: ignore[misc]
        self.assertEqual(kept.get("a", (), lambda: "new"), "a")
        self.assertEqual(kept.get("b", (), lambda: "new"), "new")

    def test_what_fails_is_not_kept(self) -> None:
        kept: Kept[str] = Kept(2)
        with self.assertRaises(ZeroDivisionError):
            kept.get("a", (), lambda: str(1 / 0))
        self.assertEqual(kept.get("a", (), lambda: "now"), "now")


class RevisionTest(TestCase):
    def setUp(self) -> None:
        self.one = Clinic.objects.create(name="Quay one")

    def revision(self) -> object:
        return CLINICS.revision(first=self.one.pk)

    def test_it_is_the_same_while_nothing_is_written(self) -> None:
        self.assertEqual(self.revision(), self.revision())

    def test_each_write_makes_another_one(self) -> None:
        seen = [self.revision()]
        self.one.save()  # the very same values
        seen.append(self.revision())
        two = Clinic.objects.create(name="Quay two")
        seen.append(self.revision())
        two.delete()
        three = Clinic.objects.create(name="Quay three")  # as many rows as before
        seen.append(self.revision())
        self.one.delete()
        three.delete()
        seen.append(self.revision())
        self.assertEqual(len(set(seen)), len(seen))

    def test_what_is_taken_back_leaves_the_old_one(self) -> None:
        before = self.revision()
        with transaction.atomic():
            self.one.save()
            self.assertNotEqual(self.revision(), before)
            transaction.set_rollback(True)
        self.assertEqual(self.revision(), before)

    def test_rows_that_do_not_belong_to_it_change_nothing(self) -> None:
        before = self.revision()
        Clinic.objects.create(name="Harbour")
        self.assertEqual(self.revision(), before)
