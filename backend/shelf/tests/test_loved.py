"""Favourites of a child and of a therapist, and a family's own words for a cue."""

from django.test import TestCase

from caseload.facts import facts_of
from caseload.models import Child
from core.library import ACTIVITIES
from core.offers import Variant
from core.planner import PlannedBlock
from core.planner.candidates.worth import liking
from planning.workbench import Wish, workbench
from testing.builders import TODAY, Api, make_child, make_member
from testing.tags import slow


class LovedTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def row(self, activity: str = "peg_fence") -> dict[str, object]:
        rows = self.api("get", f"/children/{self.child.pk}/library?home_id={self.child.home_id}")[1]
        return next(r for r in rows if r["activity_id"] == activity)

    def love(
        self, whose: str, is_favourite: bool = True, activity: str = "peg_fence"
    ) -> tuple[int, dict[str, list[str]]]:
        body = {"activity_id": activity, "whose": whose, "is_favourite": is_favourite}
        return self.api("put", f"/children/{self.child.pk}/favourites", body)

    @slow
    def test_a_childs_and_ones_own_are_apart(self) -> None:
        self.assertEqual(self.love("child"), (200, {"child": ["peg_fence"], "me": []}))
        self.assertEqual((self.row()["loved"], self.row()["liked"]), (True, False))
        self.love("me")
        colleague = Api(make_member("assistant", self.lead.clinic))
        rows = colleague("get", f"/children/{self.child.pk}/library?home_id={self.child.home_id}")[1]
        theirs = next(r for r in rows if r["activity_id"] == "peg_fence")
        self.assertEqual((theirs["loved"], theirs["liked"]), (True, False))
        self.assertEqual(self.love("child", False)[1], {"child": [], "me": ["peg_fence"]})

    def test_what_a_child_loves_counts_as_much_as_a_theme_it_likes(self) -> None:
        plain = next(a for a in ACTIVITIES.values() if not {"boats"} & set(a.themes))
        before = liking(plain, facts_of(self.child, TODAY))
        self.love("child", activity=plain.id)
        after = liking(plain, facts_of(Child.objects.get(pk=self.child.pk), TODAY))
        self.assertLess(before.factor, after.factor)
        self.assertIn("favourite", after.words)

    def test_there_is_no_end_of_favourites_only_up_to_a_number(self) -> None:
        self.child.favourites = [f"x{i}" for i in range(200)]
        self.child.save()
        status, problem = self.love("child")
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "is_favourite"))

    def test_a_family_says_it_its_own_way(self) -> None:
        body = {"activity_id": "peg_fence", "words": "  Crocodile   bites! "}
        self.assertEqual(self.api("put", f"/children/{self.child.pk}/cue", body), (200, {"words": "Crocodile bites!"}))
        child = Child.objects.get(pk=self.child.pk)
        bench = workbench(child, child.home, Wish(30, ("grasp",), "home"), TODAY)
        block = bench.stand(PlannedBlock("main", Variant("peg_fence", (2, 1, 0)), 1))
        self.assertEqual(next(c.words for c in block.cues if c.support == "spoken"), "“Crocodile bites!”")
        self.api("put", f"/children/{self.child.pk}/cue", {**body, "words": ""})
        self.assertEqual(Child.objects.get(pk=self.child.pk).own_cues, {})

    def test_a_cue_is_short(self) -> None:
        body = {"activity_id": "peg_fence", "words": "x" * 121}
        status, problem = self.api("put", f"/children/{self.child.pk}/cue", body)
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "words"))

    def test_pictures_come_by_the_handful(self) -> None:
        url = f"/children/{self.child.pk}/pictures?home_id={self.child.home_id}&activity_ids="
        status, answer = self.api("get", url + "peg_fence,cargo_sort,nothing")
        self.assertEqual((status, sorted(answer["pictures"])), (200, ["cargo_sort", "peg_fence"]))
        self.assertTrue(all(p.startswith("<svg") for p in answer["pictures"].values()))
        self.assertEqual(self.api("get", url + ",".join(["peg_fence"] * 25))[0], 422)

    @slow
    def test_a_row_says_what_it_is_found_by(self) -> None:
        row = self.row()
        words = self.api("get", "/activity-words")[1]["peg_fence"]
        self.assertIn("Squeeze it wide open", words["said"])
        self.assertEqual((row["where"], row["company"]), ("table", "adult"))
        self.assertIn("buttons", words["tasks"])
        self.assertEqual(
            (self.row("bear_walk")["where"], self.row("crossing_ferries")["company"]), ("floor", "partner")
        )
