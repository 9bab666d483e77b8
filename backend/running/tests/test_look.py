"""A first look as the application keeps it: a run that grows by what was tapped, and ends on the ladders."""

from datetime import timedelta
from typing import Any
from uuid import uuid4

from django.test import TestCase
from django.utils import timezone

from cupboard.models import StockItem
from running.models import Run
from testing.builders import Api, make_child, make_member, plan_for_child, tries
from testing.tags import slow


class LookTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(make_member("assistant", self.lead.clinic))
        self.begin = {"id": str(uuid4()), "home_id": self.child.home_id}

    def begun(self) -> dict[str, Any]:
        status, run = self.api("post", f"/children/{self.child.pk}/looks", self.begin)
        self.assertEqual(status, 200, run)
        return run

    def play(self, run_id: str, outcomes: str = "11101") -> None:
        run = Run.objects.get(pk=run_id)
        at = len(run.blocks) - 1
        self.api("post", f"/runs/{run_id}/events", tries(run, at, outcomes, second=60 * at))

    def next(self, run_id: str) -> dict[str, Any]:
        status, step = self.api("post", f"/runs/{run_id}/next")
        self.assertEqual(status, 200, step)
        return step

    @slow
    def test_it_begins_with_one_short_sure_set(self) -> None:
        run = self.begun()
        self.assertTrue(run["is_look"])
        (block,) = run["blocks"]
        self.assertLessEqual(block["count"], 5)
        self.assertGreaterEqual(block["expected"], 0.85)
        self.assertIn("Tells most about", block["serves"])
        self.assertIn("<svg", block["picture"])
        again = self.begun()
        self.assertEqual((again["id"], len(again["blocks"])), (run["id"], 1))

    @slow
    def test_it_grows_by_one_set_after_each(self) -> None:
        run_id = self.begun()["id"]
        self.assertEqual(len(self.next(run_id)["run"]["blocks"]), 1, "the first is not played yet")
        first = Run.objects.get(pk=run_id).blocks[0]
        for count in (2, 3, 4):
            self.play(run_id)
            step = self.next(run_id)
            self.assertEqual((len(step["run"]["blocks"]), step["ended"]), (count, ""))
            self.assertEqual(len({b["id"] for b in step["run"]["blocks"]}), count)
        self.assertEqual(Run.objects.get(pk=run_id).blocks[0], first, "what was begun never changes")

    @slow
    def test_a_skipped_activity_is_not_asked_again(self) -> None:
        run_id = self.begun()["id"]
        block = Run.objects.get(pk=run_id).blocks[0]
        skip = {"id": str(uuid4()), "block": block["id"], "kind": "skip", "at": "2026-03-02T09:00:00Z"}
        self.api("post", f"/runs/{run_id}/events", [skip])
        for _ in range(5):
            step = self.next(run_id)
            self.play(run_id)
        names = [b["activity_id"] for b in step["run"]["blocks"]]
        self.assertEqual(names.count(names[0]), 1)

    @slow
    def test_a_skip_that_is_taken_back_is_none(self) -> None:
        run_id = self.begun()["id"]
        block = Run.objects.get(pk=run_id).blocks[0]["id"]
        skip = {"id": str(uuid4()), "block": block, "kind": "skip", "at": "2026-03-02T09:00:00Z"}
        undo = {"id": str(uuid4()), "block": block, "kind": "undo", "at": "2026-03-02T09:00:05Z"}
        self.api("post", f"/runs/{run_id}/events", [skip, {**undo, "value": {"event": skip["id"]}}])
        self.assertEqual(len(self.next(run_id)["run"]["blocks"]), 1)

    @slow
    def test_twelve_minutes_are_twelve_by_the_clock(self) -> None:
        run_id = self.begun()["id"]
        self.play(run_id)
        Run.objects.update(started_at=timezone.now() - timedelta(minutes=13))
        self.assertEqual(self.next(run_id)["ended"], "The time is up.")

    @slow
    def test_a_look_is_no_plan_to_be_packed_for_or_planned_ahead(self) -> None:
        self.begun()
        lead = Api(self.lead)
        self.assertEqual(lead("get", f"/children/{self.child.pk}/plans")[1], [])
        wish = {"minutes": 20, "targets": ["grasp"], "home_id": self.child.home_id, "format_id": "look"}
        status, answer = lead("post", f"/children/{self.child.pk}/plans", wish)
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "format_id"))

    @slow
    def test_it_ends_by_itself_and_its_answers_stand_on_the_ladders(self) -> None:
        run_id = self.begun()["id"]
        for _ in range(40):
            self.play(run_id, "11111")
            if (step := self.next(run_id))["ended"]:
                break
        self.assertTrue(step["ended"])
        minutes = sum(b["minutes"] for b in step["run"]["blocks"])
        self.assertLessEqual(minutes, 12)
        before = {s.strand: s.sd for s in self.child.estimates.all()}
        self.assertEqual(self.api("post", f"/runs/{run_id}/finish")[0], 200)
        asked = {s for b in step["run"]["blocks"] for s in [b["strand"]]}
        for row in self.child.estimates.all():
            if row.strand in asked:
                self.assertLess(row.sd, before[row.strand], row.strand)
        status, answer = self.api("post", f"/runs/{run_id}/next")
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "run"))

    @slow
    def test_a_usual_run_chooses_nothing(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        run_id = str(uuid4())
        self.api("post", f"/plans/{plan.pk}/runs", {"id": run_id})
        self.assertEqual(self.api("post", f"/runs/{run_id}/next")[0], 422)

    def test_an_empty_cupboard_says_what_to_do_and_leaves_nothing_behind(self) -> None:
        StockItem.objects.all().delete()
        status, answer = self.api("post", f"/children/{self.child.pk}/looks", self.begin)
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "home_id"))
        self.assertIn("cupboard", answer["fields"][0]["remedy"])
        self.assertFalse(Run.objects.exists())
