"""Movement in words, and what it is read from: each day's sets alone, and changes of grade."""

from datetime import date, timedelta
from unittest import TestCase

from core.progress import Point, Smoothed, beside, carried_on, day_levels, grade_changes, moved
from core.progress.movement import Level
from core.skills import STRANDS
from testing.core_builders import set_of

DAY = date(2026, 3, 2)


class MovementTest(TestCase):
    def line(self, *means: float):
        points = tuple(Point(DAY + timedelta(7 * i), m, 0.4) for i, m in enumerate(means))
        path = Smoothed(points, means[-1] - means[0], 0.5)
        return moved(STRANDS["cutting"], path, [Level(p.on, p.mean) for p in points])

    def test_three_sessions_are_too_few_to_say(self) -> None:
        self.assertEqual(self.line(3, 4, 5).kind, "too_few")

    def test_a_clear_rise_is_said_with_the_rung_reached(self) -> None:
        moved = self.line(3, 3.6, 4.1, 4.5, 5.1)
        self.assertEqual(moved.kind, "up")
        self.assertIn("2.1 rungs, give or take 0.5, in 4 weeks", moved.words)
        self.assertIn("straight line within 12 mm", moved.words)

    def test_a_change_inside_the_doubt_is_no_move(self) -> None:
        self.assertEqual(self.line(3, 3.2, 2.9, 3.1, 3.2).kind, "steady")

    def test_a_change_that_the_days_themselves_do_not_bear_out_is_no_move(self) -> None:
        """One late leap: far enough, but the trend test can't tell it from chance."""
        self.assertEqual(self.line(3, 3.1, 3, 3.1, 3.0, 4.4).kind, "steady")

    def test_a_change_beyond_its_doubt_is_never_said_to_be_standing_still(self) -> None:
        """Not borne out by the days: it may have been, and is not sure yet; inside the doubt it stayed."""
        for last in (4.4, 1.6):
            words = self.line(3, 3.1, 3, 3.1, 3.0, last).words
            self.assertNotIn("stayed", words)
            self.assertIn("not sure yet", words)
        self.assertIn("stayed about where it was", self.line(3, 3.2, 2.9, 3.1, 3.2).words)

    def test_what_is_expected_goes_on_from_the_last_day_that_was_seen(self) -> None:
        path = Smoothed((Point(DAY, 3.0, 0.4), Point(DAY + timedelta(7), 3.4, 0.5)), 0.4, 0.5)
        later = [Point(DAY + timedelta(7 * w), 4.9 + 0.1 * w, 0.3 + 0.1 * w) for w in (1, 4)]
        line = carried_on(path, later)
        self.assertAlmostEqual(line[0].mean, 3.4)
        self.assertAlmostEqual(line[1].mean - line[0].mean, later[1].mean - later[0].mean)
        self.assertEqual([p.sd for p in line], [0.5, 0.7])
        self.assertEqual(carried_on(path, []), [])

    def test_a_step_up_beside_a_fall_is_explained(self) -> None:
        self.assertIn("due all the same", beside(-1.0, "up"))
        self.assertIn("too hard at its grade", beside(0.8, "down"))
        self.assertEqual((beside(1.0, "up"), beside(-1.0, "down"), beside(0.2, "hold")), ("", "", ""))

    def test_going_back_is_said(self) -> None:
        self.assertEqual(self.line(5, 4.6, 4.2, 3.9, 3.5).kind, "down")

    def test_what_a_day_says_is_read_back_from_its_sets_alone(self) -> None:
        difficulty = set_of(DAY, 1, 1).difficulty["hold_and_act"]
        many = set_of(DAY, 10_000, 8_000)  # 8 in 10 alone is, by definition, standing at the rung asked
        self.assertAlmostEqual(day_levels("hold_and_act", [many])[0].rung, difficulty, places=3)
        half = set_of(DAY, 10_000, 5_000)  # 5 in 10: one rung below it
        self.assertAlmostEqual(day_levels("hold_and_act", [half])[0].rung, difficulty - 1, places=3)
        helped = set_of(DAY, 10_000, 8_000, "spoken", help_first=True)
        self.assertAlmostEqual(day_levels("hold_and_act", [helped])[0].rung, difficulty - 0.5, places=3)
        came_after = [set_of(DAY, 5_000, 5_000), set_of(DAY, 5_000, 5_000, "spoken")]  # half of them only with help
        self.assertAlmostEqual(day_levels("hold_and_act", came_after)[0].rung, difficulty - 1, places=3)
        self.assertEqual(day_levels("hold_and_act", [set_of(DAY, 5, 5, "hand_over_hand")]), ())

    def test_non_overlap_counts_every_pair_of_an_early_and_a_later_day(self) -> None:
        rungs = [3.0, 3.4, 3.1, 3.2, 3.6, 3.3]
        pairs = [(a < b) + (a == b) / 2 for a in rungs[:3] for b in rungs[3:]]
        self.assertAlmostEqual(self.line(*rungs).nonoverlap or 0, sum(pairs) / len(pairs))
        self.assertIsNone(self.line(*rungs[:5]).nonoverlap)

    def test_a_change_of_grade_is_marked_on_its_day(self) -> None:
        sets = [
            set_of(DAY, 8, 7),
            set_of(DAY + timedelta(7), 8, 7, grade=(4, 1, 0)),
            set_of(DAY + timedelta(14), 8, 7, grade=(4, 1, 0)),
        ]
        result = grade_changes("hold_and_act", sets)
        self.assertEqual([c.on for c in result], [DAY + timedelta(7)])
        self.assertAlmostEqual(result[0].by, sets[1].difficulty["hold_and_act"] - sets[0].difficulty["hold_and_act"])
