"""The library and the starter list through the API."""

from django.test import TestCase

from core.library import FAMILIES
from testing.builders import Api, make_child, make_home, make_member


class LibraryTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def test_every_activity_is_there_with_its_reach_or_the_reason(self) -> None:
        status, rows = self.api("get", f"/children/{self.child.pk}/library?home_id={self.child.home_id}")
        self.assertEqual((status, len(rows)), (200, len(FAMILIES)))
        for row in rows:
            if row["offered"]:
                self.assertLessEqual(row["least"], row["low"])
                self.assertLessEqual(row["high"], row["most"])
                self.assertTrue(0 < row["expected"] < 1 and row["nearest_words"] is not None)
            else:
                self.assertTrue(row["why_not"], row)

    def test_an_empty_cupboard_gets_ten_things_worked_out_for_this_child(self) -> None:
        empty = make_home(self.lead, {})
        status, rows = self.api("get", f"/children/{self.child.pk}/starter?home_id={empty.pk}")
        self.assertEqual((status, len(rows)), (200, 10))
        self.assertGreater(rows[-1]["opens"], 10)

    def test_another_clinic_sees_neither(self) -> None:
        stranger = Api(make_member())
        for page in ("library", "starter"):
            self.assertEqual(stranger("get", f"/children/{self.child.pk}/{page}?home_id={self.child.home_id}")[0], 404)
