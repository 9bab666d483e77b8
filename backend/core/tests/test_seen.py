"""What was seen is kept apart from what is expected. Thresholds: project definitions, from the scale's own 8 in 10."""

from datetime import date, timedelta
from unittest import TestCase

from core.progress import Point, Seen, Smoothed, day_levels, highest_seen, moved, stands_at
from core.skills import STRANDS
from testing.core_builders import set_of

DAY = date(2026, 3, 2)
LADDER = STRANDS["to_palm"]
STORE_TEN = {"activity_id": "squirrel_store", "grade": (1, 2, 4)}  # ten small things, asked at rung 5 and over
STORE_TWO = {"activity_id": "squirrel_store", "grade": (0, 1, 1)}  # two, asked at rung 2


class SeenTest(TestCase):
    def test_only_a_set_that_succeeded_alone_shows_a_rung(self) -> None:
        self.assertIsNone(highest_seen(LADDER, [set_of(DAY, 10, 7, **STORE_TEN)]))
        self.assertIsNone(highest_seen(LADDER, [set_of(DAY, 10, 10, "steadied", help_first=True, **STORE_TEN)]))
        self.assertIsNone(highest_seen(LADDER, [set_of(DAY, 3, 3, **STORE_TEN)]))
        seen = highest_seen(LADDER, [set_of(DAY, 10, 8, **STORE_TEN)])
        self.assertEqual((seen.rung, seen.on, seen.activity_id), (5, DAY, "squirrel_store"))

    def test_the_highest_counts_and_of_equals_the_latest(self) -> None:
        later = DAY + timedelta(7)
        sets = [set_of(DAY, 10, 9, **STORE_TWO), set_of(later, 10, 9, **STORE_TWO), set_of(DAY, 10, 2, **STORE_TEN)]
        self.assertEqual(highest_seen(LADDER, sets), Seen(2, later, "squirrel_store", 10, 9))

    def test_what_a_therapist_noted_counts_until_more_is_seen(self) -> None:
        noted = Seen(3, DAY)
        self.assertIs(highest_seen(LADDER, [set_of(DAY, 10, 9, **STORE_TWO)], noted), noted)

    def test_no_sentence_says_now_stores_ten_when_ten_were_never_stored(self) -> None:
        sets = [set_of(DAY + timedelta(7 * w), 10, 9, **STORE_TWO) for w in range(5)]
        points = tuple(Point(DAY + timedelta(7 * w), 2.0 + 0.7 * w, 0.2) for w in range(5))
        path = Smoothed(points, 2.8, 0.3)
        rising = [*day_levels("to_palm", sets)]
        levels = [type(rising[0])(level.on, 2.0 + 0.7 * w) for w, level in enumerate(rising)]
        words = moved(LADDER, path, levels, highest_seen(LADDER, sets)).words
        self.assertIn("probably “stores ten, small and flat”", words)
        self.assertIn("seen so far: “tucks one small thing away inside the hand”", words)
        self.assertNotIn("now", words)

    def test_what_was_seen_is_said_as_a_fact(self) -> None:
        self.assertEqual(stands_at(LADDER, 2.1, Seen(2, DAY)), "“tucks one small thing away inside the hand” was seen")
        self.assertIn("not seen yet", stands_at(LADDER, 2.1, None))
