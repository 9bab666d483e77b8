"""What a clinic made, and a check made stricter later no longer lets through: gone, and everything with it readable."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any
from unittest.mock import patch
from uuid import uuid4

from core.library import LibraryError
from core.offers import Variant
from core.own import SHELF
from core.planner import PlannedBlock
from core.planner.request.format_source import blank_format
from planning.actions import make_plan, set_blocks
from planning.workbench import Wish
from progress.actions import finish_run
from running.actions import start_run
from shelf import queries
from testing.builders import TODAY, make_child, make_home, tap_all
from testing.own import OwnTest, pot_drop
from testing.tags import slow

STOCK = {"wide_bowl": 3, "wooden_bead_25": 30, "plastic_pot": 3, "counter": 30, "table_tray": 1, "big_brick": 20}


@contextmanager
def stricter() -> Iterator[None]:
    """A process that starts with checks that refuse everything clinics made so far."""

    def refused(*args: Any) -> None:
        raise LibraryError("the activity", "does", "", "It has to say which hand works.", "Say it.")

    SHELF.clear()
    with patch.object(queries, "made_of", refused):
        yield
    SHELF.clear()


class GoneTest(OwnTest):
    def setUp(self) -> None:
        super().setUp()
        self.child = make_child(self.lead, make_home(self.lead, STOCK))
        self.entry = self.shared(pot_drop())
        self.plan = make_plan(self.lead, self.child, self.child.home, Wish(20, ("grasp",), "home"), TODAY)
        block = PlannedBlock("main", Variant(self.entry["ref"], (1,)), 1)
        self.plan = set_blocks(self.lead, self.plan, self.plan.version, [block], TODAY)
        self.run_ = start_run(self.lead, self.plan, uuid4(), TODAY)
        tap_all(self.lead, self.run_)
        finish_run(self.lead, self.run_)

    @slow
    def test_everything_of_a_child_who_used_it_stays_readable(self) -> None:
        child, run, plan = self.child.pk, self.run_.pk, self.plan.pk
        with stricter():
            for path in (
                f"/children/{child}",
                f"/children/{child}/progress",
                f"/children/{child}/seen",
                f"/children/{child}/plans",
                f"/children/{child}/library?home_id={self.child.home_id}",
                f"/plans/{plan}",
                f"/runs/{run}",
                f"/runs/{run}/results",
                f"/runs/{run}/note",
                "/caseload",
                "/own",
            ):
                status, out = self.api("get", path)
                self.assertEqual(status, 200, (path, out))
            self.assertIn("Pot drop", self.api("get", f"/runs/{run}/note")[1]["text"])
            self.assertEqual(self.api("get", f"/runs/{run}/results")[1]["sets"][0]["name"], "Pot drop")
            self.assertEqual(self.api("post", f"/runs/{run}/finish")[0], 200)

    @slow
    def test_it_is_planned_and_run_no_more_and_the_reason_is_said(self) -> None:
        with stricter():
            body = {"home_id": self.child.home_id, "minutes": 20, "targets": ["grasp"]}
            status, made = self.api("post", f"/children/{self.child.pk}/plans", body)
            self.assertEqual(status, 200, made)
            self.assertNotIn("Pot drop", [b["name"] for b in made["blocks"]])
            shown = self.api("get", f"/plans/{self.plan.pk}")[1]
            self.assertIn("Pot drop is gone: It has to say which hand works.", str(shown))
            status, problem = self.api("post", f"/plans/{self.plan.pk}/runs", {"id": uuid4()})
            self.assertEqual(status, 422)
            self.assertIn("Pot drop is gone", problem["detail"])

    @slow
    def test_a_wanted_task_and_a_format_that_are_gone_stop_no_page(self) -> None:
        steps = [{"words": "open the bag", "demands": {"pinch": 2}}, {"words": "scatter it", "demands": {}}]
        task = self.shared({"name": "Feed the hens", "steps": steps}, "task")
        shape = self.shared({**blank_format(), "name": "Our Tuesday"}, "format")
        values = {**self.api("get", f"/children/{self.child.pk}")[1], "wanted": [task["ref"]]}
        self.assertEqual(self.api("put", f"/children/{self.child.pk}", values)[0], 200)
        body = {"home_id": self.child.home_id, "minutes": 20, "targets": ["grasp"], "format_id": shape["ref"]}
        plan = self.api("post", f"/children/{self.child.pk}/plans", body)[1]
        with stricter():
            for path in (f"/children/{self.child.pk}", f"/plans/{plan['id']}", "/words", "/caseload"):
                self.assertEqual(self.api("get", path)[0], 200, path)
            self.assertIn("Feed the hens", str(self.api("get", f"/children/{self.child.pk}")[1]["tasks"]))
