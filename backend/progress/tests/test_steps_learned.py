"""A step of a wanted task is done alone once it came off 8 times in 10 on three days. Common practice."""

from datetime import timedelta
from unittest import TestCase as PlainTestCase

from django.test import TestCase

from caseload.models import TaskRecord
from core.ability import StepDay, alone_with, is_learned
from core.skills import find_task
from progress.actions import finish_run
from running.actions import keep_events
from running.models import Run
from testing.builders import TODAY, Api, make_child, make_member, run_for_child, tries

GOOD, POOR = "1111011110", "1110011110"  # 8 and 7 of 10


class RuleTest(PlainTestCase):
    def days(self, *successes: int, tries: int = 10) -> list[StepDay]:
        return [StepDay(TODAY + timedelta(days=at), tries, n) for at, n in enumerate(successes)]

    def test_the_last_three_days_decide(self) -> None:
        self.assertTrue(is_learned(self.days(2, 8, 9, 8)))
        self.assertFalse(is_learned(self.days(9, 9)))
        self.assertFalse(is_learned(self.days(9, 9, 9, 7)))
        self.assertFalse(is_learned(self.days(3, 3, 3, tries=3)), "three tries say little")

    def test_what_is_done_alone_then_by_the_way_it_is_taught(self) -> None:
        steps = len(find_task("buttons").steps)
        self.assertEqual(alone_with("buttons", steps - 1, 0, "backward"), 1)
        self.assertEqual(alone_with("buttons", 2, 2, "backward"), steps - 2)
        self.assertEqual(alone_with("buttons", 2, 2, "forward"), 3)
        self.assertEqual(alone_with("buttons", 2, 1, "whole"), 1)


class LearnedTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.child.wanted = ["buttons"]
        self.child.save()

    def done(self, day: int, outcomes: str, support: str = "alone") -> Run:
        """A run whose first block teaches the last step of buttons, tapped and ended."""
        run = run_for_child(self.lead, self.child, TODAY + timedelta(days=day))
        words = [s.words for s in find_task("buttons").steps]
        chain = [{"words": w, "who": "taught" if w == words[-1] else "adult"} for w in words]
        run.blocks[0]["block"] |= {"task": "buttons", "chain": chain}
        run.save()
        keep_events(self.lead, run, tries(run, 0, outcomes, support))
        finish_run(self.lead, run)
        return run

    def test_it_is_kept_and_said_after_the_third_day(self) -> None:
        self.done(0, GOOD)
        self.assertFalse(TaskRecord.objects.exists())
        self.done(2, GOOD)
        last = self.done(4, GOOD)
        record = TaskRecord.objects.get()
        self.assertEqual((record.task, record.steps_alone, record.on), ("buttons", 1, last.on))
        status, results = Api(self.lead)("get", f"/runs/{last.pk}/results")
        self.assertEqual(status, 200, results)
        self.assertEqual(len(results["learned"]), 1)
        self.assertIn(find_task("buttons").steps[-1].words, results["learned"][0])

    def test_not_after_a_poor_day_nor_with_help(self) -> None:
        for day, outcomes, support in ((0, GOOD, "alone"), (1, GOOD, "alone"), (2, POOR, "alone"), (3, GOOD, "shown")):
            self.done(day, outcomes, support)
        self.assertFalse(TaskRecord.objects.exists())
