"""What holds a wanted task back, and the targets that follow. Project definitions."""

from unittest import TestCase

from core.ability import Estimate
from core.progression import standings
from core.skills import WANTED_TASKS
from core.wanted import held_back, shortfalls, suggested_targets

AT = {s: Estimate(float(r), 0.4) for s, r in WANTED_TASKS["buttons"].demands.items()}


class WantedTest(TestCase):
    def test_nothing_missing_holds_nothing_back(self) -> None:
        self.assertEqual(held_back("buttons", AT), [])

    def test_the_shortest_strand_comes_first_in_rungs(self) -> None:
        short = held_back("buttons", {**AT, "pinch": Estimate(0.5, 0.4), "object_grasp": Estimate(3.0, 0.4)})
        self.assertEqual([(s.strand, s.rungs) for s in short], [("object_grasp", 3.0), ("pinch", 1.5)])

    def test_a_strand_without_an_estimate_says_nothing(self) -> None:
        self.assertEqual({s.strand for s in shortfalls(("buttons",), {"pinch": Estimate(1, 0.4)})}, {"pinch"})

    def test_targets_follow_the_gaps_and_are_never_the_daily_task_itself(self) -> None:
        low = {**AT, "fasteners": Estimate(0.0, 0.4), "pinch": Estimate(0.5, 0.4), "object_grasp": Estimate(3.0, 0.4)}
        self.assertEqual(suggested_targets(("buttons",), low), ("grasp", "strength"))
        self.assertEqual(suggested_targets((), low), ())


class StandingsTest(TestCase):
    def test_never_seen_and_long_unseen_come_before_everything(self) -> None:
        self.assertEqual(standings(None, {"up"}), ("new",))
        self.assertEqual(standings(43, {"up"}), ("recheck",))
        self.assertEqual(standings(42, {"up"}), ("ready",))

    def test_a_child_may_be_stuck_in_one_strand_and_ready_in_another(self) -> None:
        self.assertEqual(standings(7, {"up", "down"}), ("stuck", "ready"))
        self.assertEqual(standings(7, {"hold"}), ("steady",))
