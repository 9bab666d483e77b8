"""Every text a family reads, one by one. Reading grade: Flesch–Kincaid (Kincaid and others 1975), by textstat."""

import re
from collections.abc import Iterator
from unittest import TestCase

import textstat

from core.child import Child, for_family
from core.library import ACTIVITIES, Activity
from core.offers import Variant, told, variants_of
from testing.tags import slow

GRADE = 6
RIGHT = Child(age_months=60, hand="right")
LEFT = Child(age_months=60, hand="left")
UNSETTLED = Child(age_months=60, hand="not_settled")
GRIP_STRANDS = {"object_grasp", "pinch", "key_pinch", "tool_grasp"}


def texts(activity: Activity) -> Iterator[tuple[str, str]]:
    """Every text of an activity that a family reads, with its field; the steps as one text, as they stand on paper."""
    yield "does", activity.does
    yield "steps", " ".join(activity.steps)
    yield "counts_when", activity.counts_when
    yield "why", activity.why
    yield "stop", activity.stop
    yield "say", next(c.words for c in activity.cues if c.support == "spoken")
    for axis in activity.axes:
        for step in axis.steps:
            yield f"{axis.id}: {step.words}", step.tell
            if "spoken" in step.cues:
                yield f"say at {axis.id}: {step.words}", step.cues["spoken"]
            if step.steps:
                yield f"steps of {axis.id}: {step.words}", " ".join(step.steps)


class PlainWordsTest(TestCase):
    @slow
    def test_every_text_is_at_reading_grade_six_or_below(self) -> None:
        read = 0
        for activity in ACTIVITIES.values():
            for field, words in texts(activity):
                read += 1
                grade = textstat.flesch_kincaid_grade(for_family(words, RIGHT))
                with self.subTest(activity=activity.id, field=field, words=words):
                    self.assertLessEqual(grade, GRADE)
        self.assertGreater(read, 2000)

    def test_the_measure_of_reading_is_the_published_one(self) -> None:
        # 0.39 × words a sentence + 11.8 × syllables a word - 15.59, Kincaid and others 1975: 6 words, 6 syllables.
        self.assertAlmostEqual(textstat.flesch_kincaid_grade("The cat sat on the mat."), 0.39 * 6 + 11.8 - 15.59)

    def test_every_text_is_whole_sentences(self) -> None:
        for activity in ACTIVITIES.values():
            for field, words in texts(activity):
                with self.subTest(activity=activity.id, field=field, words=words):
                    self.assertRegex(for_family(words, RIGHT), r"^[“A-Z].*[.!?]”?$")

    def test_sides_are_said_for_each_child_and_never_in_the_trades_words(self) -> None:
        for activity in ACTIVITIES.values():
            for child in (RIGHT, LEFT, UNSETTLED, None):
                for field, words in texts(activity):
                    with self.subTest(activity=activity.id, field=field, child=child):
                        self.assertNotRegex(for_family(words, child), r"[{}]|\b(skill|helper)\b")
        steps = {c.skill_hand: told(Variant("peg_fence", (0, 0, 0)), c).steps[0] for c in (RIGHT, LEFT, UNSETTLED)}
        self.assertEqual(
            steps,
            {
                "right": "You: put the pegs in a pot on the right side.",
                "left": "You: put the pegs in a pot on the left side.",
                "not_settled": "You: put the pegs in a pot on one side.",
            },
        )

    def test_every_grade_is_told_in_words_of_its_own(self) -> None:
        for activity in ACTIVITIES.values():
            for axis in activity.axes:
                with self.subTest(activity=activity.id, axis=axis.id):
                    self.assertEqual(len({s.tell for s in axis.steps}), len(axis.steps))
            grades = {told(v, RIGHT).grade for v in variants_of(activity)}
            self.assertEqual(len(grades), len(variants_of(activity)), activity.id)

    def test_a_step_that_is_another_act_says_its_own_steps(self) -> None:
        undo, do_up = (told(Variant("porthole_buttons", (way, 0, 0, 0)), RIGHT).steps for way in (0, 1))
        self.assertIn("Push it back through the hole.", undo)
        self.assertIn("Push the button in with the right hand.", do_up)

    def test_names_and_units_are_short_and_of_their_own(self) -> None:
        self.assertEqual(len({a.name for a in ACTIVITIES.values()}), len(ACTIVITIES))
        for activity in ACTIVITIES.values():
            with self.subTest(activity=activity.id):
                self.assertLessEqual(len(activity.name), 36)
                self.assertNotEqual(activity.unit.one, activity.unit.many)
                self.assertEqual((activity.unit.of(1), activity.unit.of(3)), (activity.unit.one, activity.unit.many))
                self.assertNotRegex(activity.unit.many, re.compile(r"\d"))

    def test_a_strand_of_grip_says_which_grip(self) -> None:
        for activity in ACTIVITIES.values():
            if activity.strand in GRIP_STRANDS:
                self.assertTrue(activity.grip, activity.id)

    def test_somebody_sets_it_out_and_the_child_acts(self) -> None:
        for activity in ACTIVITIES.values():
            with self.subTest(activity=activity.id):
                for steps in (activity.steps, *(s.steps for a in activity.axes for s in a.steps if s.steps)):
                    yours = [s.startswith("You: ") for s in steps]
                    self.assertTrue(any(yours))
                    self.assertFalse(all(yours))
