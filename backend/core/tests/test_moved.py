"""“Has it moved?” on children of known truth.

Wanted: 5 in 100 or fewer said to have moved up, or gone back, of children who stood still; 60 in 100 found of those who
gained a rung in ten weeks. Ten sessions of three sets of eight can hardly give both: the best test there is of a
straight line, the day's swing and the luck of the tries known, finds 64 in 100 at 5 in 100 to one side.
`./pollicor bench movement` has it on more children.
"""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

import numpy as np

from benchmarks.movement import shares
from core.ability import Estimate, FitDay, Gain, JointFit, TaskSeen, sighting, update
from core.progress import day_levels, smoothed
from core.recording import AS_SHIPPED, Learned
from core.running import SetResult
from testing.core_builders import set_of
from testing.tags import slow

DAY = date(2026, 3, 2)
STRAND = "hold_and_act"
RUNG = set_of(DAY, 1, 1).difficulty[STRAND]


class MovedTest(TestCase):
    @slow
    def test_hardly_anybody_who_stood_still_is_said_to_have_moved(self) -> None:
        """400 children; a share of 0.05 has a standard error of 0.011."""
        still = shares(0.0, 400)
        for way in ("up", "down"):
            self.assertLessEqual(still[way], 0.05 + 0.011, way)

    @slow
    def test_half_of_those_who_gained_a_rung_are_found_and_none_is_said_to_have_gone_back(self) -> None:
        gained = shares(1.0, 200)
        self.assertGreaterEqual(gained["up"], 0.5)
        self.assertLessEqual(gained["down"], 0.01)


class SmoothedTest(TestCase):
    def sets(self, *won: int) -> list[SetResult]:
        return [set_of(DAY + timedelta(weeks=w), 10, n) for w, n in enumerate(won)]

    def test_what_came_later_tells_of_the_first_day_too(self) -> None:
        """A lucky first day is seen for what it was once the next ones are known."""
        start = Estimate(RUNG, 1.2)
        lucky = self.sets(10, 5, 5, 4, 5, 5)
        first = smoothed({STRAND: start}, lucky)[STRAND].points[0]
        alone = smoothed({STRAND: start}, lucky[:1])[STRAND].points[0]
        self.assertLess(first.mean, alone.mean - 0.3)
        self.assertLess(first.sd, alone.sd)

    def test_a_child_who_stands_still_is_not_given_the_usual_gain(self) -> None:
        """The estimate takes practice to bring a little; the picture of what was seen does not."""
        still = [set_of(DAY + timedelta(weeks=w), 10, 8) for w in range(20)]
        change = smoothed({STRAND: Estimate(RUNG, 0.6)}, still)[STRAND].change
        self.assertLess(abs(change), 0.25)

    def test_a_path_and_the_estimate_meet_on_the_last_day(self) -> None:
        """Same sets, same assumptions: a filter and a smoother agree where nothing comes after (Harvey 1989)."""
        sets = self.sets(7, 8, 6, 8)
        start = Estimate(RUNG, 0.9)
        fit, estimate = JointFit(), start
        days = [(s.on, replace(s.evidence(STRAND), rungs={STRAND: RUNG})) for s in sets]
        fit.add_child("", {STRAND: start}, [FitDay(on, [e]) for on, e in days], Gain(0.025, 0.025))
        for on, e in days:
            estimate = update(estimate, [e], on)
        name = ("rung", "", STRAND, sets[-1].on)
        self.assertAlmostEqual(fit.solve().value(name), estimate.mean, delta=0.1)

    def test_a_sighting_by_the_family_counts_for_less_than_a_set_and_never_as_a_day_of_its_own(self) -> None:
        zipped = TaskSeen("zip", DAY + timedelta(weeks=2), 5, "home", "family")
        told = sighting(zipped)
        assert told is not None
        self.assertEqual((told.tries, told.successes, dict(told.rungs)), (2, 2, {"zip": 5.0}))
        self.assertIsNone(sighting(TaskSeen("zip", DAY, 5, "clinic", "therapist")))
        self.assertIsNone(sighting(TaskSeen("pour", DAY, 3, "home", "family")))
        start = {"zip": Estimate(3.0, 1.0)}
        path = smoothed(start, [], sightings=[zipped])["zip"]
        self.assertTrue(3.1 < path.points[0].mean < 5)
        self.assertEqual(day_levels("zip", []), ())

    def test_help_counts_in_the_path_by_what_the_clinics_children_taught(self) -> None:
        """The same successes with touch say less where touch is known to help more."""
        helped = [set_of(DAY + timedelta(weeks=w), 10, 8, "touch", help_first=True) for w in range(4)]
        taught = Learned("1", lifts={"touch": 1.8})
        usual, less = (
            smoothed({STRAND: Estimate(RUNG, 0.8, learned=how)}, helped)[STRAND] for how in (AS_SHIPPED, taught)
        )
        self.assertLess(less.points[-1].mean, usual.points[-1].mean - 0.2)

    def test_nothing_seen_is_no_path(self) -> None:
        self.assertEqual(smoothed({STRAND: Estimate(3, 1)}, []), {})

    def test_what_was_seen_before_a_rung_was_set_says_nothing_any_more(self) -> None:
        sets = self.sets(0, 0, 0, 8)
        start = Estimate(RUNG, 0.6, as_of=DAY + timedelta(weeks=3))
        path = smoothed({STRAND: start}, sets)[STRAND]
        self.assertEqual(len(path.points), 1)
        self.assertGreater(path.points[0].mean, RUNG - 0.6)


class SparseTest(TestCase):
    def test_doubt_about_the_change_counts_what_the_days_share(self) -> None:
        """Sampled from the found belief itself the change is as doubtful as is said: less than two independent days."""
        sets = [set_of(DAY + timedelta(weeks=w), 10, 7) for w in range(6)]
        path = smoothed({STRAND: Estimate(RUNG, 0.6)}, sets)[STRAND]
        apart = float(np.hypot(path.points[0].sd, path.points[-1].sd))
        self.assertLess(path.change_sd, apart)
