"""Each precaution by what it bars, what it only watches and what it leaves alone. Common practice, no source."""

from dataclasses import replace
from typing import Any
from unittest import TestCase

from core.child import PRECAUTIONS, Child, Hand, Setting, Side, for_child
from core.library import ACTIVITIES, THINGS
from core.offers import asks_other_hand, variants_of
from core.recording import MEASURED, read_off
from core.safety import RULES, STEP_TAGS, Hit, assess, assess_step, general_cautions
from testing.core_builders import full_house
from testing.tags import slow

NEAR, ROOM = Setting("home", "arms_reach"), Setting("home", "room")

# Precaution: things barred, things still allowed, steps barred, steps still allowed
BARS: dict[str, tuple[set[str], set[str], set[str], set[str]]] = {
    "joint_laxity": (
        {"firm_putty"},
        {"soft_putty", "wooden_bead_25"},
        {"firm_wringing"},
        {"lying", "walking", "weight_on_hands"},
    ),
    "wrist_weight": (set(), {"firm_putty"}, {"weight_on_hands", "firm_wringing"}, {"lying", "impact"}),
    "fracture": (set(), {"wooden_bead_25"}, {"weight_on_hands", "resistance", "impact"}, {"lying", "walking"}),
    "splint": (
        {"water_bowl", "soft_putty", "dry_rice"},
        {"wooden_bead_25", "pencil"},
        {"weight_on_hands"},
        {"walking", "lying"},
    ),
    "pain": (set(), {"wooden_bead_25"}, {"weight_on_hands", "resistance", "impact", "long_hold"}, {"walking"}),
    "skin": ({"dry_sand", "dry_lentils", "strong_glue"}, {"wooden_bead_25", "playing_cards"}, set(), {"walking"}),
    "swallowing": (
        {"banana_piece", "grape", "wheat_dough", "pony_bead", "dry_rice"},
        {"big_brick", "playing_cards"},
        set(),
        {"walking"},
    ),
    "tube": (set(), {"pony_bead", "water_bowl"}, {"lying"}, {"walking", "weight_on_hands"}),
    "pica": ({"soft_putty", "pony_bead", "dry_rice"}, {"big_brick"}, set(), {"walking"}),
    "dust": ({"pavement_chalk"}, {"wooden_bead_25", "soft_putty"}, set(), {"walking"}),
}


def spoken(child: Child) -> dict[tuple[str, str], Hit]:
    """What every rule says of every thing and every kind of work, by rule and what it is about."""
    rules = RULES.values()
    found = {
        (h.rule, t.id): h for t in THINGS.values() for r in rules if r.scope == "thing" for h in r.hits(t, child, NEAR)
    }
    found |= {(h.rule, tag): h for tag, r in STEP_TAGS.items() for h in r.hits(child)}
    return found | {(h.rule, ""): h for r in rules if r.scope == "step" and r.always for h in r.hits(child)}


class BarTest(TestCase):
    def child(self, precaution: str, months: float = 84) -> Child:
        return Child(months, hand="right", precautions=frozenset({precaution}), splint_hand="left")

    def test_what_a_precaution_bars_and_what_it_leaves(self) -> None:
        for precaution, (bad, fine, bad_steps, fine_steps) in BARS.items():
            child, plain = self.child(precaution), Child(84, hand="right")
            for thing in bad:
                self.assertEqual(assess(THINGS[thing], child, NEAR).status, "barred", (precaution, thing))
            for thing in fine:
                self.assertNotEqual(assess(THINGS[thing], child, NEAR).status, "barred", (precaution, thing))
            for tag in bad_steps:
                self.assertEqual(assess_step([tag], child, NEAR).status, "barred", (precaution, tag))
                self.assertNotEqual(assess_step([tag], plain, NEAR).status, "barred", tag)
            for tag in fine_steps:
                self.assertNotEqual(assess_step([tag], child, NEAR).status, "barred", (precaution, tag))

    def test_every_bar_names_a_way_out(self) -> None:
        for precaution, (bad, _, _, _) in BARS.items():
            for thing in bad:
                for hit in assess(THINGS[thing], self.child(precaution), NEAR).hits:
                    self.assertTrue(hit.reason and hit.remedy and hit.source, (precaution, thing, hit.rule))

    def test_a_bar_is_said_in_words_that_name_what_is_wrong(self) -> None:
        for precaution, thing, word in (
            ("swallowing", "banana_piece", "swallow"),
            ("splint", "water_bowl", "splint"),
            ("skin", "dry_sand", "skin"),
            ("dust", "pavement_chalk", "dust"),
        ):
            reasons = " ".join(h.reason for h in assess(THINGS[thing], self.child(precaution), NEAR).hits)
            self.assertIn(word, reasons.lower(), (precaution, thing))

    @slow
    def test_what_is_said_of_a_precaution_is_what_the_rules_do(self) -> None:
        """Every thing and every kind of work, at three ages, with the precaution and without: the rules that bar
        something for it, and those that ask for more care, are those its record names, and no others.
        """
        for id, precaution in PRECAUTIONS.items():
            bars, cares = set(), set()
            for months in (40, 75, 130):
                plain = Child(months, hand="right")
                hand: dict[str, Any] = {precaution.hand: "left"} if precaution.hand else {}
                child = replace(plain, precautions=frozenset({id}), **hand)
                before, now = spoken(plain), spoken(child)
                for key, hit in now.items():
                    was = before.get(key)
                    if hit.status == "barred" and (was is None or was.status != "barred"):
                        bars.add(hit.rule)
                    elif was is None or (was.status, was.wants) != (hit.status, hit.wants):
                        cares.add(hit.rule)
            self.assertEqual((set(precaution.bars), set(precaution.cares)), (bars, cares), id)

    def test_what_it_changes_is_said_in_whole_sentences(self) -> None:
        for id, precaution in PRECAUTIONS.items():
            self.assertRegex(precaution.changes, r"^[A-Z].*\.$", id)
        self.assertEqual(PRECAUTIONS["tube"].changes, "Bars lying on the front. Long cords only within arm's reach.")

    def test_a_family_without_food_is_offered_none(self) -> None:
        child = Child(60, hand="right", food_as_material=False)
        for thing in ("banana_piece", "dry_rice", "wheat_dough"):
            self.assertEqual(assess(THINGS[thing], child, NEAR).status, "barred", thing)
        self.assertNotEqual(assess(THINGS["soft_putty"], child, NEAR).status, "barred")


class StandingTest(TestCase):
    def test_what_holds_whatever_is_done_is_said_once(self) -> None:
        for precaution, rule in (("pain", "pain"), ("seizures", "seizures"), ("vision", "vision")):
            child = Child(84, hand="right", precautions=frozenset({precaution}))
            self.assertEqual([h.rule for h in general_cautions(child, NEAR)], [rule])
            self.assertNotIn(rule, {h.rule for h in assess_step(["walking", "impact"], child, NEAR).hits}, precaution)

    def test_a_child_without_precautions_has_none(self) -> None:
        self.assertEqual(general_cautions(Child(84, hand="right"), ROOM), ())


class HandTest(TestCase):
    def test_the_skilled_hand_is_the_one_that_does_not_assist(self) -> None:
        """Whatever is noted of preference."""
        expected: dict[tuple[Hand, Side], Hand] = {
            ("right", "none"): "right",
            ("left", "none"): "left",
            ("not_settled", "none"): "not_settled",
            ("not_settled", "left"): "right",
            ("not_settled", "right"): "left",
            ("right", "left"): "right",
        }
        for (hand, assists), skilled in expected.items():
            child = Child(84, hand=hand, assisting_hand=assists)
            self.assertEqual(child.skill_hand, skilled, (hand, assists))
            self.assertEqual(child.turn_hand, hand if assists == "none" else "not_settled", (hand, assists))

    def test_a_precaution_brings_what_is_read_off_with_it(self) -> None:
        """Pain is asked with loose joints and pain; with an assisting hand, how often it came unasked."""
        expected = {"pain": {"pain"}, "joint_laxity": {"pain"}, "one_hand_assists": {"unasked"}, "vision": set()}
        for precaution, own in expected.items():
            read = [
                m.id for m in read_off(("drops", "pain", *Child(84, precautions=frozenset({precaution})).read_always))
            ]
            self.assertEqual(set(read), {"drops", "pain"} & set(MEASURED) | own, precaution)
            self.assertEqual(len(read), len(set(read)), precaution)

    def test_an_assisting_or_splinted_hand_is_not_asked_for_the_other_hands_grades(self) -> None:
        for detail in ("assisting_hand", "splint_hand"):
            name = {"assisting_hand": "one_hand_assists", "splint_hand": "splint"}[detail]
            child = Child(84, hand="right", precautions=frozenset({name}), **{detail: "left"})  # type: ignore[arg-type]
            offers = list(full_house(child).offers())
            self.assertTrue(offers)
            self.assertFalse([o.variant for o in offers if asks_other_hand(o.variant)], detail)
        asked = [v for activity in ACTIVITIES.values() for v in variants_of(activity) if asks_other_hand(v)]
        self.assertTrue(asked)

    def test_sides_are_said_for_this_child(self) -> None:
        words = "the {skill} hand lifts, the {helper} hand holds"
        left = Child(84, hand="not_settled", assisting_hand="right")
        self.assertEqual(for_child(words, left), "the left hand lifts, the right hand holds")
        self.assertEqual(for_child(words, Child(84)), "the skill hand lifts, the helper hand holds")


class ForceTest(TestCase):
    """Worked by hand from the table of usual forces: 25 N at 60 months, 35 N at 84."""

    def test_the_usual_force_lies_between_two_ages_in_proportion(self) -> None:
        self.assertEqual(Child(60).usual_force_newton, 25)
        self.assertEqual(Child(72).usual_force_newton, 30)
        self.assertEqual(Child(12).usual_force_newton, 8)
        self.assertEqual(Child(200).usual_force_newton, 60)

    def test_loose_joints_work_at_six_tenths_and_the_lower_limit_wins(self) -> None:
        lax = frozenset({"joint_laxity"})
        self.assertIsNone(Child(72).force_cap_newton)
        self.assertAlmostEqual(Child(72, precautions=lax).force_cap_newton or 0, 18)
        self.assertEqual(Child(72, precautions=lax, force_limit_newton=10).force_cap_newton, 10)
        self.assertAlmostEqual(Child(72, precautions=lax, force_limit_newton=40).force_cap_newton or 0, 18)

    def test_nothing_over_the_cap_is_offered(self) -> None:
        child = Child(72, hand="right", precautions=frozenset({"joint_laxity"}))
        forces = [
            force
            for offer in full_house(child).offers()
            for q in offer.quantities
            if (force := THINGS[q.thing_id].force_newton) is not None
        ]
        self.assertTrue(forces)
        self.assertLessEqual(max(forces), 18)
