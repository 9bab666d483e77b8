"""A cupboard filled in one go: counts, lists, and what a list gets wrong."""

from django.test import TestCase

from clinic.models import AuditEntry
from core.library import THINGS
from core.materials import KEPT
from cupboard.models import StockItem
from testing.builders import Api, make_child, make_home, make_member
from testing.tags import slow


class CountsTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {"cork": 3, "common_peg": 8})
        self.api = Api(self.lead)
        self.url = f"/homes/{self.home.pk}/counts"

    def test_several_counts_at_once_and_the_others_stay(self) -> None:
        status, now = self.api("put", self.url, {"counts": {"cork": 5, "wide_bowl": 2}})
        self.assertEqual((status, now["counts"]), (200, {"cork": 5, "common_peg": 8, "wide_bowl": 2}))
        kept = AuditEntry.objects.get(action="cupboard.edit").detail["counts"]
        self.assertEqual(kept, {"cork": {"before": 3, "after": 5}, "wide_bowl": {"before": 0, "after": 2}})

    def test_none_left_takes_the_line_away_unless_something_was_measured(self) -> None:
        StockItem.objects.filter(thing_id="common_peg").update(measured={"force_newton": 9.0})
        self.api("put", self.url, {"counts": {"cork": 0, "common_peg": 0}})
        self.assertEqual(list(self.home.stock.values_list("thing_id", "count")), [("common_peg", 0)])
        self.assertEqual(self.api("get", self.url)[1]["counts"], {})

    def test_a_measured_line_keeps_its_measure_and_gets_a_new_version(self) -> None:
        StockItem.objects.filter(thing_id="common_peg").update(measured={"force_newton": 9.0})
        self.api("put", self.url, {"counts": {"common_peg": 20}})
        line = self.home.stock.get(thing_id="common_peg")
        self.assertEqual((line.count, line.measured, line.version), (20, {"force_newton": 9.0}, 2))

    def test_one_count_that_can_not_be_keeps_none(self) -> None:
        for counts, field in (
            ({"cork": 9, "moon": 1}, "thing_id"),
            ({"cork": 9, "wide_bowl": -1}, "count"),
            ({"cork": 9, "wide_bowl": 10_000}, "count"),
        ):
            status, answer = self.api("put", self.url, {"counts": counts})
            self.assertEqual((status, answer["fields"][0]["field"]), (422, field))
        self.assertEqual(self.home.stock.get(thing_id="cork").count, 3)

    def test_every_thing_that_may_be_handled_stands_on_one_shelf(self) -> None:
        shelves = self.api("get", "/shelves")[1]
        self.assertEqual([s["id"] for s in shelves], list(KEPT))
        ids = [t["id"] for s in shelves for t in s["things"]]
        self.assertEqual(sorted(ids), sorted(t.id for t in THINGS.values() if "kept_away" not in t.forms))
        for shelf in shelves:
            common = [t["common"] for t in shelf["things"]]
            self.assertEqual(common, sorted(common, reverse=True), shelf["id"])
            if shelf["id"] != "room":  # a wall or a floor is no thing to draw
                self.assertTrue(all("<svg" in t["picture"] for t in shelf["things"]), shelf["id"])

    @slow
    def test_what_would_open_most_is_worked_out_anew_with_what_is_there(self) -> None:
        child = make_child(self.lead, self.home)
        url = f"/children/{child.pk}/starter?home_id={self.home.pk}"
        first = self.api("get", url)[1]
        top = first[0]
        self.api("put", self.url, {"counts": {top["thing_id"]: 4}})
        then = self.api("get", url)[1]
        self.assertNotIn(top["thing_id"], [t["thing_id"] for t in then])
        self.assertGreaterEqual(then[0]["opens"], top["opens"])


class ListTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {"cork": 3})
        self.api = Api(self.lead)

    def take(self, text: str) -> tuple[int, dict[str, object]]:
        status, answer = self.api("post", f"/homes/{self.home.pk}/list", {"text": text})
        return status, answer

    def test_names_ids_and_usual_counts(self) -> None:
        text = 'Thing,Count\nCommon spring pegs,12\nwooden spoon\n\n  cork , 7\n"Grapes, quartered lengthwise",4\n'
        status, now = self.take(text)
        spoon = THINGS["wooden_spoon"].typical_count
        self.assertEqual(status, 200, now)
        self.assertEqual(now["counts"], {"common_peg": 12, "wooden_spoon": spoon, "cork": 7, "grape": 4})

    def test_a_thing_said_twice_is_added_up(self) -> None:
        self.assertEqual(self.take("cork,4\nBottle corks,5")[1]["counts"], {"cork": 9})

    def test_each_bad_line_is_said_and_none_is_kept(self) -> None:
        status, answer = self.take("cork,7\nwodden spon,2\nBottle corks,many\nSpoons,99999")
        self.assertEqual(status, 422)
        said = {f["field"]: f for f in answer["fields"]}  # type: ignore[attr-defined]
        self.assertEqual(list(said), ["line 2", "line 3", "line 4"])
        self.assertIn("Wooden spoon", said["line 2"]["remedy"])
        self.assertIn("not a number", said["line 3"]["reason"])
        self.assertEqual(self.home.stock.get().count, 3)

    def test_an_empty_list_and_one_too_long_are_refused(self) -> None:
        for text in ("", "thing,count\n", "cork\n" * 1001, "x" * 100_001):
            self.assertEqual(self.take(text)[0], 422, text[:20])
