"""What a clinic writes itself is read for hazards that no box was ticked for. The entries are made up to get through:
common practice in what is dangerous, no source.
"""

from typing import Any
from unittest import TestCase

from core.child import Child, Setting
from core.library import ACTIVITIES, THINGS, activity_as_written, blank, hazard_questions, issues, own_thing
from core.library.files import shipped_things
from core.library.own import own_activity
from core.library.work import WORK
from core.safety import assess, assess_step

BALL = {"ball": {"diameter_mm": 60}}
THING: dict[str, Any] = {"one": "piece", "many": "pieces", "kept": "toys", "forms": ["block"], "shape": BALL}


def thing(name: str, **more: Any) -> dict[str, Any]:
    return {**THING, "name": name, **more}


def activity(field: str, words: str, kind: str = "piece") -> dict[str, Any]:
    values = {**blank(kind), "name": "Harbour game"}
    return {**values, "steps": [*values["steps"][:2], words]} if field == "steps" else {**values, field: words}


THINGS_THAT_GET_THROUGH = (
    ("Magnetic marbles", "magnet"),
    ("Magnettic tiles", "magnet"),
    ("Button batteries", "cell"),
    ("Batery candle", "cell"),
    ("Old watch cells", "cell"),
    ("Water beads", "water_bead"),
    ("Waterbeads in a net", "water_bead"),
    ("Laundry detergent pods", "chemical"),
    ("Dishwasher tabs", "chemical"),
    ("Bleach bottle", "chemical"),
    ("Plastic shopping bag", "film"),
    ("Cling film roll", "film"),
    ("Party balloons", "balloon"),
    ("Skipping rope", "cord"),
    ("Cloth scarf", "cord"),
    ("Curtain strings", "cord"),
    ("Sewing needles", "sharp"),
    ("Craft knives", "sharp"),
    ("Razor blades", "sharp"),
    ("Drawing pins", "sharp"),
    ("Salted peanuts", "nut"),
    ("Popcorn", "hard_food"),
    ("Grapes on a stick", "hard_food"),
    ("Boiled sweets", "hard_food"),
    ("Glass jar", "glass"),
    ("Hot glue gun", "heat"),
    ("Kitchen stepladder", "height"),
    ("Bead necklace", "round_neck"),
)
ACTIVITIES_THAT_GET_THROUGH = (
    ("steps", "Squeeze the glue gun on each piece.", "heat"),
    ("steps", "Press it flat with the warm iron.", "heat"),
    ("does", "Your child climbs the ladder and posts a letter.", "height"),
    ("does", "Your child cuts with a sharp kitchen knife.", "sharp"),
    ("steps", "Tie it round the neck and wear it to bed.", "round_neck"),
    ("steps", "Run with the fork to the other bowl.", "running"),
    ("setup", "Done in the bath with ten cups.", "deep_water"),
    ("setup", "On the pavement beside the traffic.", "traffic"),
    ("steps", "Pull the bag over the head and guess.", "film"),
    ("steps", "Push one pea up the nose.", "in_body"),
    ("does", "Your child throws the bricks into the tub.", "thrown"),
    ("setup", "Plug the drill into the socket.", "power_tool"),
    ("does", "Your child hides in the toy chest.", "shut_in"),
    ("steps", "Let her keep the magnets in her mouth.", "magnet"),
)


class AskedTest(TestCase):
    def asked(self, kind: str, values: dict[str, Any]) -> set[str]:
        return {q.hazard for q in hazard_questions(kind, values)}

    def test_entries_made_to_get_through_are_asked_about(self) -> None:
        self.assertGreaterEqual(len(THINGS_THAT_GET_THROUGH) + len(ACTIVITIES_THAT_GET_THROUGH), 40)
        for name, hazard in THINGS_THAT_GET_THROUGH:
            self.assertIn(hazard, self.asked("thing", thing(name)), name)
        for field, words, hazard in ACTIVITIES_THAT_GET_THROUGH:
            self.assertIn(hazard, self.asked("activity", activity(field, words)), words)

    def test_the_question_stands_at_the_field_and_names_the_word(self) -> None:
        question = next(hazard_questions("activity", activity("steps", "Reach over the hot iron.")))
        self.assertEqual((question.at, question.word), ("steps.2", "hot"))

    def test_scissors_or_a_string_among_the_things_hide_no_other_hazard(self) -> None:
        for kind, words, hazard in (
            ("snip", "Push the needle through the paper.", "sharp"),
            ("snip", "Cut it with the sharp kitchen knife.", "sharp"),
            ("lace", "Make a noose with the end.", "round_neck"),
        ):
            self.assertIn(hazard, self.asked("activity", activity("steps", words, kind)), words)
        self.assertNotIn("blade", self.asked("activity", activity("steps", "Close the blades on it.", "snip")))
        made_first = activity("steps", "Press it flat with the warm iron.") | {"tags": ["hot"]}
        self.assertIn("heat", self.asked("activity", made_first), "what an adult cooks beforehand is another matter")

    def test_every_question_is_a_whole_sentence(self) -> None:
        for words in ("Eat a grape.", "Take the needle.", "Tie the rope.", "Hold the magnet."):
            (question,) = hazard_questions("activity", activity("steps", words))
            self.assertRegex(
                question.reason, r"^“\w+”: is there anything, not listed among its things, that is .{9,}\?$"
            )
        grape = next(hazard_questions("activity", activity("steps", "Eat a grape.")))
        self.assertTrue(grape.reason.endswith("that is round, hard or slippery food?"), grape.reason)

    def test_nothing_is_asked_of_what_the_library_says_itself(self) -> None:
        for activity_id in ACTIVITIES:
            self.assertEqual(self.asked("activity", activity_as_written(activity_id)), set(), activity_id)
        for kind in WORK:
            self.assertEqual(self.asked("activity", blank(kind)), set(), kind)

    def test_most_things_of_the_library_settle_by_their_own_figures(self) -> None:
        """A copy of a thing is asked about only where its name speaks of what its figures do not say."""
        asked = [values["id"] for values in shipped_things() if self.asked("thing", values)]
        self.assertLess(len(asked), len(THINGS) / 10, asked)

    def test_ordinary_words_are_left_alone(self) -> None:
        for name in ("Wooden blocks", "Felt shapes", "Paper boats", "Sponge cubes", "Cork rafts", "Plastic cups"):
            self.assertEqual(self.asked("thing", thing(name)), set(), name)
        for words in ("Put each block in the tub.", "Turn the lid until it stops.", "Slide it along the line."):
            self.assertEqual(self.asked("activity", activity("steps", words)), set(), words)


class AnsweredTest(TestCase):
    def test_while_a_question_is_open_it_is_barred_for_everybody(self) -> None:
        sure, near = Child(110, mouthing="never"), Setting("clinic", "arms_reach")
        marbles, race = thing("Magnetic marbles"), activity("steps", "Run with the fork to the other bowl.")
        self.assertEqual(assess(own_thing(marbles, "test"), sure, near).status, "barred")
        self.assertEqual(assess_step(own_activity(race, "test").tags, sure, near).status, "barred")

    def test_a_no_settles_it_and_a_yes_sets_what_the_rules_read(self) -> None:
        for answer in (True, False):
            values = thing("Magnetic marbles", answers={"magnet": {"yes": answer}})
            self.assertEqual([q.hazard for q in hazard_questions("thing", values)], [])
            self.assertEqual(own_thing(values, "test").strong_magnet, answer)

    def test_only_a_plain_yes_or_no_is_an_answer(self) -> None:
        for odd in ("no", 1, None, "perhaps"):
            values = thing("Magnetic marbles", answers={"magnet": {"yes": odd}})
            self.assertEqual([q.hazard for q in hazard_questions("thing", values)], ["magnet"], odd)
            self.assertTrue(issues({**values, "id": "own"}, False), odd)

    def test_what_is_answered_yes_is_barred(self) -> None:
        sure, near = Child(110, mouthing="never"), Setting("clinic", "arms_reach")
        for name, hazard in (("Detergent pods", "chemical"), ("Glue gun", "heat"), ("Stepladder", "height")):
            made = own_thing(thing(name, answers={hazard: {"yes": True}}), "test")
            self.assertEqual(assess(made, sure, near).status, "barred", name)
        for hazard in ("heat", "height", "round_neck", "running", "deep_water", "traffic", "in_body", "thrown"):
            values = activity("steps", "Put each block in the tub.") | {"answers": {hazard: {"yes": True}}}
            made = own_activity(values, "test")
            self.assertIn(hazard, made.tags)
            self.assertEqual(assess_step(made.tags, sure, near).status, "barred", hazard)

    def test_a_yes_to_what_only_a_thing_can_be_judged_by_asks_for_the_thing(self) -> None:
        values = activity("steps", "Blow up the balloon.") | {"answers": {"balloon": {"yes": True}}}
        question = next(hazard_questions("activity", values))
        self.assertIn("Add it to the things", question.remedy)
