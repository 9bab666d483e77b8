"""The library and the starter list through the API."""

from django.test import TestCase

from core.library import ACTIVITIES
from testing.builders import Api, make_child, make_home, make_member
from testing.tags import slow


class LibraryTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def test_every_activity_is_there_with_its_reach_or_the_reason(self) -> None:
        status, rows = self.api("get", f"/children/{self.child.pk}/library?home_id={self.child.home_id}")
        self.assertEqual((status, len(rows)), (200, len(ACTIVITIES)))
        for row in rows:
            if row["offered"]:
                self.assertLessEqual(row["least"], row["low"])
                self.assertLessEqual(row["high"], row["most"])
                self.assertTrue(0 < row["expected"] < 1 and row["nearest_words"] is not None)
            else:
                self.assertTrue(row["why_not"], row)

    @slow
    def test_an_empty_cupboard_gets_ten_things_worked_out_for_this_child(self) -> None:
        empty = make_home(self.lead, {})
        status, rows = self.api("get", f"/children/{self.child.pk}/starter?home_id={empty.pk}")
        self.assertEqual((status, len(rows)), (200, 10))
        self.assertGreater(rows[-1]["opens"], 10)

    def test_another_clinic_sees_neither(self) -> None:
        stranger = Api(make_member())
        for page in ("library", "starter"):
            self.assertEqual(stranger("get", f"/children/{self.child.pk}/{page}?home_id={self.child.home_id}")[0], 404)


class DialsAndSwapsTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        self.here = f"/children/{self.child.pk}"

    def test_a_dial_is_turned_without_a_plan(self) -> None:
        body = {"part": "main", "activity_id": "squirrel_store", "grade": [0, 0, 0], "sets": 1}
        _, easy = self.api("post", f"{self.here}/forecast?home_id={self.child.home_id}", body)
        _, hard = self.api("post", f"{self.here}/forecast?home_id={self.child.home_id}", {**body, "grade": [0, 2, 2]})
        self.assertGreater(easy["block"]["expected"], hard["block"]["expected"])
        self.assertEqual(len(easy["dials"]), 3)

    def test_a_swap_says_its_effect(self) -> None:
        query = f"home_id={self.child.home_id}&activity_id=squirrel_store&grade=0,0,0&role=item"
        _, out = self.api("get", f"{self.here}/swaps?{query}")
        self.assertTrue(out)
        self.assertTrue(all("difficulty" in s["words"] or "rungs" in s["words"] or s["barred"] for s in out))

    def test_a_grade_comes_with_picture_words_and_what_it_asks(self) -> None:
        body = {"part": "main", "activity_id": "squirrel_store", "grade": [0, 0, 0], "sets": 1}
        _, easy = self.api("post", f"{self.here}/forecast?home_id={self.child.home_id}", body)
        _, hard = self.api("post", f"{self.here}/forecast?home_id={self.child.home_id}", {**body, "grade": [0, 2, 2]})
        self.assertNotEqual(easy["picture"], hard["picture"])
        self.assertNotEqual(easy["told"]["grade"], hard["told"]["grade"])
        self.assertEqual(easy["told"]["does"], ACTIVITIES["squirrel_store"].does)
        self.assertTrue(easy["asks"][0]["trained"])
        self.assertLessEqual(easy["mark_pictures"].keys(), set(ACTIVITIES["squirrel_store"].watch))
        self.assertTrue(easy["harder"]["tell"].endswith("."))

    def test_a_swap_shows_its_thing_and_the_picture_with_it(self) -> None:
        query = f"home_id={self.child.home_id}&activity_id=squirrel_store&grade=0,0,0&role=item"
        _, out = self.api("get", f"{self.here}/swaps?{query}")
        usable = next(s for s in out if not s["barred"])
        self.assertIn(usable["name"], usable["thing_picture"])
        body = {"part": "main", "activity_id": "squirrel_store", "grade": [0, 0, 0], "sets": 1}
        _, now = self.api("post", f"{self.here}/forecast?home_id={self.child.home_id}", body)
        _, then = self.api("get", f"{self.here}/picture?{query}&stock_id={usable['stock_id']}")
        self.assertNotEqual(then["picture"], now["picture"])
        status, problem = self.api("get", f"{self.here}/picture?{query}&stock_id=0")
        self.assertEqual(status, 422)
        self.assertIn("Choose one of the things", problem["detail"])
        status, _ = Api(make_member())("get", f"{self.here}/picture?{query}&stock_id={usable['stock_id']}")
        self.assertEqual(status, 404)

    def test_a_role_that_is_not_there_is_refused(self) -> None:
        query = f"home_id={self.child.home_id}&activity_id=squirrel_store&grade=0,0,0&role=anchor"
        status, problem = self.api("get", f"{self.here}/swaps?{query}")
        self.assertEqual(status, 422)
        self.assertIn("no role", problem["detail"])

    def test_another_clinic_can_turn_no_dial(self) -> None:
        body = {"part": "main", "activity_id": "squirrel_store", "grade": [0, 0, 0], "sets": 1}
        status, _ = Api(make_member())("post", f"{self.here}/forecast?home_id={self.child.home_id}", body)
        self.assertEqual(status, 404)
