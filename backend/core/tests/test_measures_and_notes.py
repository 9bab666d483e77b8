"""Measures beside the rung, and notes that say only what the data says. Common practice, no source."""

from dataclasses import replace
from datetime import date
from types import MappingProxyType
from unittest import TestCase

from core.measures import by_hand, measures
from core.notes import Step, Told, draft
from core.units import UCUM
from testing.core_builders import set_of

MONDAY, NEXT = date(2026, 3, 2), date(2026, 3, 9)


class MeasuresTest(TestCase):
    def series(self, *sets) -> dict[str, list[float]]:  # type: ignore[no-untyped-def]
        return {s.id: [v for _, v in s.points] for s in measures(sets)}

    def test_pace_is_tries_over_minutes(self) -> None:
        self.assertEqual(
            self.series(set_of(MONDAY, 10, 8, seconds=60.0), set_of(NEXT, 10, 8, seconds=30.0))["pace"], [10.0, 20.0]
        )

    def test_a_set_that_was_not_timed_has_no_pace(self) -> None:
        self.assertNotIn("pace", self.series(set_of(MONDAY, 10, 8)))

    def test_help_that_fades_shows_as_more_done_alone(self) -> None:
        first = (set_of(MONDAY, 4, 4, "steadied"), set_of(MONDAY, 4, 1))
        self.assertEqual(self.series(*first, set_of(NEXT, 8, 8))["alone"], [20.0, 100.0])

    def test_no_drops_no_line(self) -> None:
        self.assertNotIn("drops", self.series(set_of(MONDAY, 10, 8)))
        self.assertEqual(self.series(set_of(MONDAY, 10, 8, drops=2))["drops"], [20.0])

    def test_the_longest_hold_of_a_day_counts(self) -> None:
        self.assertEqual(
            self.series(set_of(MONDAY, 2, 2, best_hold_seconds=4.0), set_of(MONDAY, 2, 2, best_hold_seconds=9.0))["hold"], [9.0]
        )

    def test_every_unit_has_a_code(self) -> None:
        sets = [set_of(MONDAY, 10, 8, seconds=60.0, drops=1, best_hold_seconds=3.0)]
        self.assertEqual({s.unit for s in measures(sets)} - set(UCUM), set())

    def test_hands_are_compared_only_where_both_were_used(self) -> None:
        right = set_of(MONDAY, 10, 8)
        self.assertEqual(by_hand([right]), ())
        left = replace(right, hand="left", successes=5)
        self.assertEqual([(h.hand, h.successes, h.tries) for h in by_hand([right, left])], [("right", 8, 10), ("left", 5, 10)])


class NoteTest(TestCase):
    def told(self, **changes: object) -> Told:
        sets = [set_of(MONDAY, 8, 7), set_of(MONDAY, 4, 3, "spoken", drops=2, marks=MappingProxyType({"helper_idle": 2}))]
        step = Step("hold_and_act", "One step harder", "15 of 16 alone")
        return replace(Told("Wyn", MONDAY, sets, ["Wash day"], {"hold_and_act": (2.1, 2.4)}, [step]), **changes)  # type: ignore[arg-type]

    def test_it_says_what_was_done_how_it_went_what_was_seen_and_what_next(self) -> None:
        text = draft(self.told())
        for words in (
            "Wyn, 2 March 2026. Load the barge: 7 of 8 alone, 3 of 4 with spoken cue, 2 dropped.", "Left out: Wash day.",
            "Seen: helper hand idle (2 ×).", "One hand steadies, one works 2.1 to 2.4", "one step harder, 15 of 16 alone (proposed)",
        ):  # fmt: skip
            self.assertIn(words, text)

    def test_an_answer_is_said_as_it_was_given(self) -> None:
        declined = Step("hold_and_act", "One step harder", "15 of 16 alone", "declined")
        self.assertIn("(not followed)", draft(self.told(steps=[declined])))

    def test_what_was_not_recorded_is_not_said(self) -> None:
        text = draft(self.told(sets=[set_of(MONDAY, 8, 7)], skipped=[], rungs={}, steps=[]))
        self.assertEqual(text, "Wyn, 2 March 2026. Load the barge: 7 of 8 alone.")

    def test_a_session_without_a_tap_says_so(self) -> None:
        self.assertIn("Nothing was counted", draft(self.told(sets=[], skipped=[], rungs={}, steps=[])))
