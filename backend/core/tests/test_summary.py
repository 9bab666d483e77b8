"""A discharge summary drafted from the record: nothing that is not there is said. Common practice, no source."""

from datetime import date
from unittest import TestCase

from core.progress import closing_summary


class SummaryTest(TestCase):
    def test_everything_that_is_known_is_said_in_order(self) -> None:
        words = closing_summary(
            "Wyn",
            "holds everything in a fist",
            [date(2026, 3, 9), date(2026, 1, 5)],
            ["Pinch: from about 2 to about 4 of 8."],
            [("Do up buttons", "all steps alone, at home")],
            [("Shirt in the morning", 1), ("Zip", None), ("Shoes", 0), ("Spoon", 2)],
        )
        lines = words.split("\n")
        self.assertEqual(lines[0], "Reason: holds everything in a fist")
        self.assertEqual(lines[1], "Wyn had 2 sessions from 5 January 2026 to 9 March 2026.")
        self.assertIn("- Pinch: from about 2 to about 4 of 8.", lines)
        self.assertIn("- Do up buttons: all steps alone, at home.", lines)
        self.assertIn("- Shirt in the morning: more than expected (+1).", lines)
        self.assertIn("- Zip: not scored.", lines)
        self.assertIn("- Shoes: as expected.", lines)
        self.assertIn("- Spoon: much more than expected (+2).", lines)

    def test_nothing_seen_is_said_so(self) -> None:
        words = closing_summary("Wyn", "", [], [], [], [])
        self.assertIn("Wyn had no session here.\nNo strand has clearly moved.", words)
        self.assertNotIn("Goals", words)

    def test_one_day_is_one_session_on_it(self) -> None:
        self.assertIn("had one session on 5 January 2026.", closing_summary("Wyn", "", [date(2026, 1, 5)], [], [], []))
