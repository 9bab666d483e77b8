"""The hard filter. Rules and thresholds from the sources named in each rule; the rest common practice, no source."""

from dataclasses import replace
from unittest import TestCase

from core.child import PRECAUTIONS, Child, Setting
from core.library import THINGS
from core.materials import Ball, MeasureError, measured_thing
from core.safety import STEP_TAGS, assess, assess_step
from testing.tags import slow

NEAR, ROOM = Setting("home", "arms_reach"), Setting("home", "room")
TODDLER, SIX = Child(30), Child(72)


def rules(thing_id: str, child: Child, setting: Setting = NEAR) -> dict[str, str]:
    return {h.rule: h.status for h in assess(THINGS[thing_id], child, setting).hits}


class MaterialRulesTest(TestCase):
    def test_small_part_is_barred_under_three_and_a_caution_after(self) -> None:
        self.assertEqual(rules("counter", TODDLER)["small_part"], "barred")
        self.assertEqual(rules("counter", replace(TODDLER, age_months=36))["small_part"], "caution")

    def test_small_part_is_barred_at_any_age_when_the_child_mouths(self) -> None:
        self.assertEqual(rules("counter", replace(SIX, mouthing="sometimes"))["small_part"], "barred")

    def test_big_things_are_no_small_part(self) -> None:
        self.assertNotIn("small_part", rules("bracelet", TODDLER))

    def test_ball_that_passes_44_4_mm_is_barred_under_three(self) -> None:
        ball = replace(THINGS["tennis_ball"], shape=Ball(44.4))
        self.assertEqual(assess(ball, TODDLER, NEAR).hits[0].rule, "small_ball")
        self.assertEqual(assess(replace(ball, shape=Ball(44.5)), TODDLER, NEAR).status, "allowed")
        self.assertEqual(assess(ball, SIX, NEAR).status, "allowed")

    def test_balloon_is_barred_under_eight_unless_a_therapist_overrides(self) -> None:
        self.assertEqual(rules("balloon", Child(95.9))["balloon"], "barred")
        self.assertNotIn("balloon", rules("balloon", Child(96)))
        self.assertEqual(rules("balloon", Child(80, overrides=frozenset({"balloon"})))["balloon"], "caution")

    def test_an_overridden_balloon_still_wants_an_adult_within_reach(self) -> None:
        held = Child(80, overrides=frozenset({"balloon"}))
        self.assertEqual(assess(THINGS["foil_balloon"], held, NEAR).status, "caution")

    def test_latex_allergy_bars_a_balloon_at_any_age_and_no_override_lifts_it(self) -> None:
        allergic = Child(120, allergies=frozenset({"latex"}), overrides=frozenset({"balloon", "allergy"}))
        self.assertEqual(rules("balloon", allergic)["allergy"], "barred")

    def test_never_means_never(self) -> None:
        for thing in ("magnet_small", "coin_cell_light", "water_beads"):
            self.assertEqual(rules(thing, Child(140, overrides=frozenset({"never"})))["never"], "barred", thing)

    def test_hard_round_food_is_barred_under_five_and_when_mouthing(self) -> None:
        self.assertEqual(rules("raisin", Child(59))["hard_food"], "barred")
        self.assertEqual(rules("raisin", Child(60))["hard_food"], "caution")
        self.assertEqual(rules("raisin", Child(90, mouthing="often"))["hard_food"], "barred")

    def test_sharp_is_barred_only_when_mouthing_is_often(self) -> None:
        self.assertEqual(rules("toothpick", replace(SIX, mouthing="often"))["sharp"], "barred")
        self.assertEqual(rules("toothpick", SIX)["sharp"], "caution")

    def test_what_wants_an_adult_near_is_barred_where_none_is(self) -> None:
        five = replace(SIX, age_months=60)
        self.assertEqual(rules("taped_lace", five, NEAR)["cord"], "caution")
        self.assertEqual(rules("taped_lace", five, ROOM)["cord"], "barred")
        self.assertEqual(rules("taped_lace", SIX, ROOM)["cord"], "caution")

    def test_short_or_rigid_lines_are_no_neck_cord(self) -> None:
        self.assertNotIn("cord", rules("taped_dowel", SIX, ROOM))
        self.assertNotIn("cord", rules("counting_string", SIX, ROOM))

    def test_allergen_names_the_substitute(self) -> None:
        hit = assess(THINGS["wheat_dough"], replace(SIX, allergies=frozenset({"wheat"})), NEAR).hits[0]
        self.assertEqual((hit.rule, hit.status), ("allergy", "barred"))
        self.assertIn("corn flour", hit.remedy)

    def test_raw_dough_is_barred_when_mouthing(self) -> None:
        self.assertEqual(rules("wheat_dough", replace(SIX, mouthing="sometimes"))["raw"], "barred")

    def test_force_over_the_limit_is_barred_and_measured_force_counts(self) -> None:
        limited = replace(SIX, force_limit_newton=12)
        self.assertEqual(rules("stiff_peg", limited)["force"], "barred")
        weakened = measured_thing(THINGS["stiff_peg"], {"force_newton": 9})
        self.assertNotIn("force", {h.rule for h in assess(weakened, limited, NEAR).hits})

    def test_food_follows_the_family_and_swallowing(self) -> None:
        self.assertEqual(rules("puffed_rice", replace(SIX, food_as_material=False))["food_policy"], "barred")
        self.assertEqual(
            rules("puffed_rice", replace(SIX, precautions=frozenset({"swallowing"})))["swallowing"], "barred"
        )

    @slow
    def test_every_hit_of_every_thing_has_reason_source_and_remedy(self) -> None:
        careful = Child(
            30, mouthing="often", allergies=frozenset({"wheat", "latex", "egg", "milk", "nut"}), force_limit_newton=5
        )
        for child in (careful, SIX):
            for thing in THINGS.values():
                for hit in assess(thing, child, ROOM).hits:
                    self.assertTrue(hit.reason and hit.source and hit.remedy, (thing.id, hit))

    def test_the_worst_hit_comes_first_and_sets_the_status(self) -> None:
        verdict = assess(THINGS["toothpick"], replace(TODDLER, mouthing="often"), ROOM)
        self.assertEqual(verdict.status, "barred")
        self.assertEqual(
            [h.status for h in verdict.hits], sorted((h.status for h in verdict.hits), key=["barred", "caution"].index)
        )


class StepRulesTest(TestCase):
    def test_weight_on_hands_is_barred_with_a_wrist_precaution(self) -> None:
        self.assertEqual(
            assess_step(["weight_on_hands"], replace(SIX, precautions=frozenset({"wrist_weight"})), NEAR).status,
            "barred",
        )
        self.assertEqual(assess_step(["weight_on_hands"], SIX, NEAR).status, "allowed")

    def test_resistance_is_barred_with_pain(self) -> None:
        self.assertEqual(
            assess_step(["resistance"], replace(SIX, precautions=frozenset({"pain"})), NEAR).status, "barred"
        )

    def test_scissors_need_an_adult_within_reach(self) -> None:
        self.assertEqual(assess_step(["cutting_tool"], SIX, ROOM).status, "barred")

    def test_every_tag_has_a_rule_that_runs(self) -> None:
        """Each tag speaks for a child and a setting at the most risk, and says why and what to do."""
        frail = replace(
            SIX,
            age_months=20,
            mouthing="often",
            precautions=frozenset(PRECAUTIONS),
            hand="right",
            assisting_hand="left",
        )
        for tag in STEP_TAGS:
            hits = assess_step([tag], frail, Setting("home", "room")).hits
            self.assertTrue(hits, tag)
            self.assertTrue(all(h.reason and h.remedy for h in hits), tag)


class MeasuringTest(TestCase):
    def test_a_hole_wider_than_its_bead_is_refused_at_the_field(self) -> None:
        with self.assertRaises(MeasureError) as context:
            measured_thing(THINGS["wooden_bead_15"], {"hole_mm": 18})
        self.assertEqual(context.exception.field, "hole_mm")
        self.assertIn("Measure the hole", str(context.exception))

    def test_a_measured_size_scales_the_shape(self) -> None:
        bigger = measured_thing(THINGS["counter"], {"size_mm": 44})
        self.assertAlmostEqual(bigger.size_mm, 44)
        self.assertAlmostEqual(bigger.thin_mm, 4)

    def test_nonsense_measures_are_refused(self) -> None:
        for measured in ({"hole_mm": -1}, {"weight": 3}, {"force_newton": 0}):
            with self.assertRaises(MeasureError):
                measured_thing(THINGS["wooden_bead_15"], measured)
