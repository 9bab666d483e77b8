"""Where the trade's schools differ: the record's choice changes the words, and nothing else. Common practice, no
source.
"""

from dataclasses import replace
from unittest import TestCase

from core.child import CHOICES, DEFAULTS, Child, cue_for, for_child
from core.child.approaches import FUNCTION_FIRST, coaches_grip
from core.library import ACTIVITIES
from core.offers import Variant, grade_words, neighbours
from core.planner import PlannedBlock, stand
from core.recording import LEVELS, MARKS
from testing.core_builders import everything, full_house, request_for

SIX = Child(72, hand="left")


class GripTest(TestCase):
    def test_by_age_it_is_coached_below_seven_years_and_not_from_then_on(self) -> None:
        self.assertTrue(coaches_grip(Child(83.9)))
        self.assertFalse(coaches_grip(Child(84)))

    def test_a_childs_own_policy_goes_before_age(self) -> None:
        self.assertFalse(coaches_grip(Child(40, grip_policy="function")))
        self.assertTrue(coaches_grip(Child(120, grip_policy="coach")))

    def test_function_first_notes_the_grip_on_tools_only(self) -> None:
        nine = Child(108)
        self.assertEqual(cue_for("hold_high", nine, on_tool=True), FUNCTION_FIRST)
        self.assertEqual(cue_for("hold_high", nine, on_tool=False), MARKS["hold_high"].cue)
        self.assertEqual(cue_for("helper_idle", nine, on_tool=True), MARKS["helper_idle"].cue)


class CorrectTest(TestCase):
    def test_let_it_run_keeps_the_cue_for_the_next_set_but_never_waits_with_safety_or_tiredness(self) -> None:
        calm = replace(SIX, correct_policy="let_run")
        self.assertTrue(cue_for("helper_idle", calm, False).startswith("Let it run. For the next set: "))
        for at_once in ("mouths", "tires", "frustrated", "feet_hang"):
            self.assertEqual(cue_for(at_once, calm, False), MARKS[at_once].cue)


class PromptTest(TestCase):
    def test_cues_come_in_the_order_of_the_policy(self) -> None:
        for policy, order in (("least_first", 1), ("most_first", -1)):
            child = replace(SIX, prompt_policy=policy)
            block = stand(request_for(child, everything()), PlannedBlock("main", Variant("peg_fence", (1, 1, 0)), 6))
            assert block
            levels = [LEVELS.index(c.support) for c in block.cues]
            self.assertEqual(levels, sorted(levels)[::order])


class LacesTest(TestCase):
    def test_one_way_is_said_and_the_other_never(self) -> None:
        activities = [activity for activity in ACTIVITIES.values() if activity.group == "laces"]
        for method, mine, other in (("two_loops", "second loop", "wrap"), ("one_loop", "wrap", "second loop")):
            child = replace(SIX, lace_method=method)
            words = " ".join(
                for_child(w, child)
                for activity in activities
                for w in (activity.setup, *(s.words for a in activity.axes for s in a.steps))
            )
            self.assertIn(mine, words)
            self.assertNotIn(other, words)

    def test_nothing_is_left_unsaid_in_any_family_for_anybody(self) -> None:
        for activity in ACTIVITIES.values():
            words = [
                activity.setup,
                *(c.words for c in activity.cues),
                *(s.words for a in activity.axes for s in a.steps),
            ]
            for child in (None, SIX, Child(30)):
                self.assertFalse([w for w in words if "{" in for_child(w, child)], activity.id)

    def test_a_hand_not_settled_yet_is_the_skill_or_the_helper_hand(self) -> None:
        words = "Paper in the {helper} hand, pegs on the {skill} side"
        self.assertEqual(for_child(words, Child(60)), "Paper in the helper hand, pegs on the skill side")
        self.assertEqual(for_child(words, Child(60, hand="left")), "Paper in the right hand, pegs on the left side")

    def test_neighbours_say_sides_for_the_child(self) -> None:
        cupboard = full_house(SIX)
        for activity in ACTIVITIES.values():
            for result in neighbours(Variant(activity.id, (0,) * len(activity.axes)), cupboard):
                self.assertNotIn("{", result.words if result else "")
            self.assertNotIn(
                "{", "".join(grade_words(Variant(activity.id, tuple(len(a.steps) - 1 for a in activity.axes)), SIX))
            )


class ChoicesTest(TestCase):
    def test_the_defaults_are_the_first_choices_and_those_of_a_child_nobody_asked_about(self) -> None:
        self.assertEqual({p: getattr(Child(60), p) for p in CHOICES}, dict(DEFAULTS))
