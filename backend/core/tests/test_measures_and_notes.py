"""Measures beside the rung, and notes that say only what the data says. Common practice, no source."""

from dataclasses import replace
from datetime import date
from types import MappingProxyType
from typing import Any
from unittest import TestCase

from core.library import ACTIVITIES
from core.progress import RunRecord, Step, by_hand, draft, help_by_day, measures, redraft
from core.recording import MEASURED
from core.units import UCUM
from testing.core_builders import set_of

MONDAY, NEXT = date(2026, 3, 2), date(2026, 3, 9)


class MeasuresTest(TestCase):
    def series(self, *sets: Any) -> dict[str, list[float]]:
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
            self.series(set_of(MONDAY, 2, 2, best_hold_seconds=4.0), set_of(MONDAY, 2, 2, best_hold_seconds=9.0))[
                "hold"
            ],
            [9.0],
        )

    def test_every_unit_has_a_code(self) -> None:
        sets = [set_of(MONDAY, 10, 8, seconds=60.0, drops=1, best_hold_seconds=3.0)]
        self.assertEqual({s.unit for s in measures(sets)} - set(UCUM), set())

    def test_every_measure_taken_by_hand_has_a_code_and_a_line(self) -> None:
        for m in MEASURED.values():
            self.assertIn(m.unit, UCUM, m.id)
            self.assertEqual(self.series(set_of(MONDAY, 8, 7, measures={m.id: m.highest}))[m.id], [m.highest])

    def test_seconds_under_tension_are_summed_and_readings_of_a_day_become_one(self) -> None:
        day = [
            set_of(MONDAY, 2, 2, hold_seconds=6.0, measures={"off_line": 3.0}),
            set_of(MONDAY, 2, 2, hold_seconds=5.0, measures={"off_line": 6.0}),
        ]
        self.assertEqual((self.series(*day)["tension"], self.series(*day)["off_line"]), ([11.0], [4.5]))

    def test_the_longest_row_is_kept_where_the_activity_counts_it(self) -> None:
        catch = next(activity for activity in ACTIVITIES.values() if "row" in activity.measures)
        throw = set_of(MONDAY, 10, 9, activity_id=catch.id, grade=(0,) * len(catch.axes), longest_row=6)
        self.assertEqual(self.series(throw)["row"], [6.0])
        self.assertNotIn("row", self.series(set_of(MONDAY, 10, 9, longest_row=6)))

    def test_help_of_a_day_is_counted_by_level_least_first(self) -> None:
        result = help_by_day([set_of(NEXT, 8, 8), set_of(MONDAY, 4, 4, "steadied"), set_of(MONDAY, 3, 1)])
        self.assertEqual(
            [(h.on, list(h.tries.items())) for h in result],
            [(MONDAY, [("alone", 3), ("steadied", 4)]), (NEXT, [("alone", 8)])],
        )

    def test_hands_are_compared_only_where_both_were_used(self) -> None:
        right = set_of(MONDAY, 10, 8)
        self.assertEqual(by_hand([right]), ())
        left = replace(right, hand="left", successes=5)
        self.assertEqual(
            [(h.hand, h.successes, h.tries) for h in by_hand([right, left])], [("right", 8, 10), ("left", 5, 10)]
        )


class NoteTest(TestCase):
    def run_record(self, **changes: Any) -> RunRecord:
        sets = [
            set_of(MONDAY, 8, 7),
            set_of(MONDAY, 4, 3, "spoken", help_first=True, drops=2, marks=MappingProxyType({"helper_idle": 2})),
        ]
        step = Step("hold_and_act", "One step harder", "15 of 16 alone")
        return replace(
            RunRecord("Wyn", MONDAY, sets, ["Hang up the washing"], {"hold_and_act": (2.1, 2.4)}, [step]), **changes
        )

    def test_it_says_what_was_done_how_it_went_what_was_seen_and_what_next(self) -> None:
        text = draft(self.run_record())
        for words in (
            "Wyn, 2 March 2026. Thread beads: 7 of 8 alone, 3 of 4 with spoken cue, 2 dropped.",
            "Left out: Hang up the washing.",
            "Seen: helper hand idle (2 ×).",
            "Bilateral, stabilise and act 2.1 to 2.4",
            "one step harder, 15 of 16 alone (proposed)",
        ):
            self.assertIn(words, text)

    def test_help_that_came_after_counts_among_the_tries_alone(self) -> None:
        text = draft(self.run_record(sets=[set_of(MONDAY, 8, 7), set_of(MONDAY, 4, 4, "spoken")]))
        self.assertIn("7 of 12 alone, 4 more with spoken cue.", text)

    def test_an_answer_is_said_as_it_was_given(self) -> None:
        declined = Step("hold_and_act", "One step harder", "15 of 16 alone", "declined")
        self.assertIn("(not followed)", draft(self.run_record(steps=[declined])))

    def test_a_changed_step_says_to_what(self) -> None:
        step = Step("hold_and_act", "Ready for one step harder", "9 of 10", "changed", "Same grade, less help")
        self.assertIn("9 of 10 (changed: same grade, less help)", draft(self.run_record(steps=[step])))

    def test_what_was_measured_is_said_with_its_unit(self) -> None:
        words = draft(self.run_record(sets=[set_of(MONDAY, 8, 7, measures={"tokens": 5.0, "grip": 4.0})]))
        self.assertIn("kept in the palm 5 tokens", words)
        self.assertIn("grip seen: still tripod", words)

    def test_what_was_not_recorded_is_not_said(self) -> None:
        text = draft(self.run_record(sets=[set_of(MONDAY, 8, 7)], skipped=[], rungs={}, steps=[]))
        self.assertEqual(text, "Wyn, 2 March 2026. Thread beads: 7 of 8 alone.")

    def test_a_session_without_a_tap_says_so(self) -> None:
        self.assertIn("Nothing was counted", draft(self.run_record(sets=[], skipped=[], rungs={}, steps=[])))

    def test_a_text_follows_the_answers_clause_by_clause_where_clauses_are_alike(self) -> None:
        """Three steps in the same words: each answer reaches its own clause, and what was written between stays."""
        strands = ("hold_and_act", "finger_isolation", "buttons")
        before = draft(self.run_record(steps=[Step(s, "Stay", "7 of 8 alone") for s in strands]))
        after = draft(self.run_record(steps=[Step(s, "Stay", "7 of 8 alone", "accepted") for s in strands]))
        own = before.replace("Next: ", "Mother was there. Next: ") + " New shoes."
        expected = after.replace("Next: ", "Mother was there. Next: ") + " New shoes."
        self.assertEqual(redraft(before, own, after), expected)
        edited = before.replace("stay, 7 of 8", "stay as it is, 7 of 8", 1)
        self.assertEqual(redraft(before, edited, after), after.replace("stay, 7 of 8", "stay as it is, 7 of 8", 1))
