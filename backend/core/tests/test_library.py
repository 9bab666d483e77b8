"""The declarations: complete, consistent, and refused with a remedy where they are not. Common practice, no source."""

from importlib.resources import files
from typing import Any
from unittest import TestCase

import yaml

from core.child import Child
from core.library import ACTIVITIES, THINGS, LibraryError, check
from core.library.files import read_yaml
from core.library.source import read
from core.library.thing_source import RecipeSource
from core.materials import Stock
from core.offers import (
    UsableCupboard,
    Variant,
    checked_variant,
    dials,
    difficulty,
    equals,
    grade_words,
    neighbours,
    variants_of,
)
from core.offers.usable_cupboard import fillers, stock_of
from core.skills import STRANDS, TARGETS, WANTED_TASKS
from testing.core_builders import CLINIC, everything, full_house


class LibraryTest(TestCase):
    def test_every_strand_of_every_target_is_trained(self) -> None:
        trained = {s for activity in ACTIVITIES.values() for s in activity.trains}
        self.assertEqual(set(STRANDS) - trained, set())

    def test_all_targets_have_main_work(self) -> None:
        main = {activity.target for activity in ACTIVITIES.values() if "main" in activity.parts}
        self.assertEqual(set(TARGETS) - main, set())

    def test_every_role_can_be_filled(self) -> None:
        for activity in ACTIVITIES.values():
            for role in activity.roles:
                self.assertTrue(fillers(role), (activity.id, role.id))

    def test_a_thing_only_one_step_wants_is_counted_and_judged_at_that_grade_alone(self) -> None:
        """A pom-pom tucked under the last two fingers is a small part like any other."""
        free, tucked = Variant("fan_and_tuck", (0, 0)), Variant("fan_and_tuck", (0, 1))
        cards_alone = stock_of({"playing_cards": 52})
        with_pompoms = stock_of({"playing_cards": 52, "pompom_small": 20})
        older, mouths = Child(84, hand="right"), Child(84, hand="right", mouthing="often")
        self.assertEqual({q.role for q in UsableCupboard(with_pompoms, older, CLINIC).offer(free).quantities}, {"card"})
        self.assertEqual(
            {q.role for q in UsableCupboard(with_pompoms, older, CLINIC).offer(tucked).quantities}, {"card", "tuck"}
        )
        self.assertIn(
            "small_part", {h.rule for h in UsableCupboard(with_pompoms, older, CLINIC).offer(tucked).verdict.hits}
        )
        self.assertIsNone(UsableCupboard(cards_alone, older, CLINIC).offer(tucked))
        self.assertEqual(UsableCupboard(cards_alone, older, CLINIC).lack(tucked).kind, "missing")
        self.assertIsNotNone(UsableCupboard(with_pompoms, mouths, CLINIC).offer(free))
        self.assertEqual(UsableCupboard(with_pompoms, mouths, CLINIC).lack(tucked).rule, "small_part")

    def test_a_bare_number_says_of_what(self) -> None:
        self.assertEqual(grade_words(Variant("harbour_wall", (0, 1)))[1], "in a row: 6")
        self.assertEqual(grade_words(Variant("fan_and_tuck", (0, 0)))[1], "free")

    def test_a_step_that_speaks_of_a_thing_brings_it(self) -> None:
        for activity in ACTIVITIES.values():
            for s in (s for a in activity.axes for s in a.steps):
                if "pom-pom" in s.words or "small thing kept" in s.words:
                    self.assertTrue(s.uses, (activity.id, s.words))

    def test_every_rung_of_every_strand_is_trained_by_two_activities(self) -> None:
        """A grade trains a rung when it asks for it to within half a rung; project definition."""
        asked: dict[tuple[str, int], set[str]] = {}
        for activity in ACTIVITIES.values():
            for v in variants_of(activity):
                for strand, rung in difficulty(v).items():
                    if strand in activity.trains:
                        for near in {int(rung), int(rung) + 1}:
                            if abs(near - rung) <= 0.5 + 1e-9:
                                asked.setdefault((strand, near), set()).add(activity.id)
        for strand in STRANDS.values():
            for rung in strand.rungs:
                self.assertGreaterEqual(
                    len(asked.get((strand.id, rung.number), ())), 2, f"{strand.name}, rung {rung.number}"
                )

    def test_every_activity_can_be_done_somewhere(self) -> None:
        cupboard = full_house()
        for activity in ACTIVITIES.values():
            self.assertTrue(any(cupboard.offer(v) for v in variants_of(activity)), activity.id)

    def test_harder_steps_are_easier_in_no_strand(self) -> None:
        for activity in ACTIVITIES.values():
            for place, a in enumerate(activity.axes):
                low = Variant(activity.id, (0,) * len(activity.axes))
                rungs = [difficulty(low.moved(place, at)) for at in range(len(a.steps))]
                for strand in activity.trains:
                    self.assertEqual(sorted(r[strand] for r in rungs), [r[strand] for r in rungs], (activity.id, a.id))

    def test_no_two_activities_are_alike(self) -> None:
        seen = {}
        for activity in ACTIVITIES.values():
            shape = (
                tuple(activity.trains.items()),
                tuple((a.words, tuple(s.words for s in a.steps)) for a in activity.axes),
            )
            self.assertNotIn(shape, seen, f"{activity.id} ~ {seen.get(shape)}")
            seen[shape] = activity.id

    def test_wanted_tasks_require_rungs_that_exist(self) -> None:
        for task in WANTED_TASKS.values():
            for strand, rung in task.demands.items():
                self.assertTrue(1 <= rung <= STRANDS[strand].top, (task.id, strand))

    def test_icf_codes_are_well_formed(self) -> None:
        """b or d, then three or four digits: WHO 2001, structure of the classification."""
        for strand in STRANDS.values():
            for code in strand.icf:
                self.assertRegex(code, r"^[bd]\d{3,4}$")


class CheckTest(TestCase):
    """Values that break a rule are refused with where, field, value, reason and remedy."""

    @staticmethod
    def values(folder: str, name: str) -> dict[str, Any]:
        return yaml.safe_load(files("core.library").joinpath(folder, f"{name}.yaml").read_text("utf-8"))

    def test_an_activity_that_breaks_a_rule_is_refused_at_its_field(self) -> None:
        good = self.values("activities", "peg_fence")
        self.assertEqual(check(good).id, "peg_fence")
        flat = {
            "id": "force",
            "words": "Spring",
            "steps": [{"words": "weak", "tell": "Use a weak one."}, {"words": "weaker", "tell": "Weaker.", "adds": 0}],
        }
        a, b = ({"words": w, "tell": "Do it."} for w in "ab")
        for changed, field, phrase in (
            ({"axes": [flat]}, "axes.0.steps.1.adds", "is not harder than step"),
            ({"axes": [{**flat, "steps": [a, {**b, "adds": 9}]}]}, "axes.0.steps.1.adds", "ladder ends at"),
            (
                {"axes": [{**flat, "steps": [a, {**b, "adds": {"hold": 1}}]}]},
                "axes.0.steps.1.adds",
                "trains",
            ),
            ({"seconds": 0}, "seconds", "more than 0"),
            ({"axes": [{**flat, "steps": flat["steps"][:1]}]}, "axes.0.steps", "fewer than 2"),
            ({"trains": {"grip": 1}}, "trains.grip.[key]", "strand is unknown"),
            ({"trains": {"pinch": 40}}, "trains.pinch", "off its ladder"),
            ({"watch": ["nothing"]}, "watch.0", "mark is unknown"),
            ({"tags": ["lava"]}, "tags.0", "hazard tag is unknown"),
            ({"demands": {"pinch": 1}}, "demands.pinch", "both trained and demanded"),
            ({"tries": {"young": 9, "middle": 8, "older": 7}}, "tries", "fall with age"),
            ({"cues": {"mark": "A dot"}}, "cues.shown", "Nothing is shown"),
            ({"cues": {"shown": "One", "spoken": "Pinch"}}, "cues.spoken", "given twice"),
            ({"steps": ["Pinch it."]}, "steps", "fewer than 2"),
            ({"does": "Your child squeezes with 8 N."}, "does", "Families read"),
            ({"why": "It trains finger isolation."}, "why", "Families read"),
            ({"roles": []}, "axes.0.steps.0", "is not declared"),
            ({"colour": "red"}, "colour", "no such field"),
        ):
            with self.subTest(changed=changed), self.assertRaisesRegex(LibraryError, phrase) as refused:
                check({**good, **changed}, "peg_fence.yaml")
            self.assertEqual((refused.exception.where, refused.exception.field), ("peg_fence.yaml", field))
            self.assertTrue(refused.exception.remedy)

    def test_a_field_that_stands_twice_is_refused(self) -> None:
        with self.assertRaisesRegex(LibraryError, "why stands here twice"):
            read_yaml("id: a\nwhy: one\nname: b\nwhy: two\n", "a.yaml")
        self.assertEqual(read_yaml("id: a\n", "a.yaml"), {"id": "a"})

    def test_a_thing_that_breaks_a_rule_is_refused_at_its_field(self) -> None:
        good = next(t for t in self.values("things", "threading") if t["id"] == "wooden_bead_25")
        self.assertEqual(check(good), THINGS["wooden_bead_25"])
        for changed, field, phrase in (
            ({"shape": {}}, "shape", "one of ball, rod"),
            ({"shape": {"ball": {"diameter_mm": -3}}}, "shape", "more than 0 mm"),
            ({"shape": {"box": {"length_mm": 3}}}, "shape", "all its sizes"),
            ({"forms": ["dream"]}, "forms.0", "form is unknown"),
            ({"many": ""}, "many", "empty"),
            ({"hole_mm": -1}, "hole_mm", "more than 0"),
        ):
            with self.subTest(changed=changed), self.assertRaisesRegex(LibraryError, phrase) as refused:
                check({**good, **changed})
            self.assertEqual((refused.exception.where, refused.exception.field), ("wooden_bead_25", field))

    def test_a_recipe_of_a_thing_that_is_not_there_is_refused(self) -> None:
        values = self.values("recipes", "plastic_pot")
        source = read(
            RecipeSource, {**values, "parts": [{"words": "moon", "any_of": ["moon_rock"]}]}, "plastic_pot.yaml"
        )
        with self.assertRaisesRegex(LibraryError, "no such thing"):
            source.build(THINGS)

    def test_a_file_is_named_by_its_activity(self) -> None:
        names = {
            activity.name.removesuffix(".yaml") for activity in files("core.library").joinpath("activities").iterdir()
        }
        self.assertEqual(names, set(ACTIVITIES))


class GradingTest(TestCase):
    def test_difficulty_is_base_plus_steps(self) -> None:
        activity = ACTIVITIES["load_the_barge"]
        v = Variant(activity.id, (2, 1, 1))
        for strand, base in activity.trains.items():
            added = sum(a.steps[at].rungs.get(strand, 0) for a, at in zip(activity.axes, v.grade, strict=True))
            self.assertAlmostEqual(difficulty(v)[strand], base + added)

    def test_a_step_leaves_the_strands_it_does_not_name_where_they_are(self) -> None:
        """Smaller food makes the frog harder to feed, not harder to squeeze."""
        big, small = Variant("feed_the_frog", (0, 0, 0)), Variant("feed_the_frog", (0, 2, 0))
        self.assertEqual(difficulty(big)["squeeze"], difficulty(small)["squeeze"])
        self.assertLess(difficulty(big)["hold_and_act"], difficulty(small)["hold_and_act"])

    def test_a_strength_rung_is_the_force_measured_in_this_home(self) -> None:
        ladder = STRANDS["pinch"]
        for newton, rung in ((3, 1), (6, 2), (10, 3), (15, 4), (22, 5), (30, 6)):  # the ladder's own words
            self.assertAlmostEqual(ladder.rung_of(newton), rung)
        pegs = Stock(THINGS["common_peg"], 12, "p", {"force_newton": 12.0})
        edge = Stock(THINGS["tub_rim"], 1, "e")
        offer = UsableCupboard((pegs, edge), Child(72, hand="right"), CLINIC).offer(Variant("peg_fence", (2, 0, 0)))
        self.assertAlmostEqual(offer.rungs["pinch"], ladder.rung_of(12))

    def test_no_grade_passes_the_top_of_a_ladder_by_more_than_half_a_rung(self) -> None:
        for activity in ACTIVITIES.values():
            for v in variants_of(activity):
                for strand, rung in difficulty(v).items():
                    self.assertLessEqual(rung, STRANDS[strand].top + 0.5, (v, strand))

    def test_neighbours_change_one_axis_by_one_step(self) -> None:
        cupboard = full_house()
        for offer in list(cupboard.offers())[::7]:
            for side, near in zip((-1, 1), neighbours(offer.variant, cupboard), strict=True):
                if near is not None:
                    moved = [b - a for a, b in zip(offer.variant.grade, near.variant.grade, strict=True)]
                    self.assertEqual(sorted(map(abs, moved))[-2:], [0, 1] if len(moved) > 1 else [1])
                    self.assertEqual(sum(moved), side)
                    self.assertIsNotNone(cupboard.offer(near.variant))

    def test_dials_say_what_a_home_lacks(self) -> None:
        stock = {k: v for k, v in everything().items() if k in ("wooden_bead_25", "taped_lace", "chenille_stem")}
        cupboard = UsableCupboard(stock_of(stock), Child(72, hand="right"), CLINIC)
        line = dials(Variant("load_the_barge", (4, 1, 1)), cupboard)[0]
        missing = [s for s in line.steps if not s.available]
        self.assertTrue(missing)
        self.assertTrue(all(s.why_not and s.remedy for s in missing))

    def test_equals_train_the_same_strand_at_the_same_rung(self) -> None:
        cupboard, v = full_house(), Variant("peg_fence", (1, 1, 0))
        result = equals(v, cupboard)
        self.assertTrue(result)
        for offer in result:
            self.assertNotEqual(offer.variant.activity_id, "peg_fence")
            self.assertLessEqual(abs(difficulty(offer.variant)["pinch"] - difficulty(v)["pinch"]), 0.35)

    def test_a_grade_that_does_not_exist_is_refused(self) -> None:
        for bad in (Variant("peg_fence", (9, 0, 0)), Variant("peg_fence", (0,)), Variant("nothing", ())):
            with self.assertRaises(ValueError):
                checked_variant(bad)


class HouseTest(TestCase):
    def test_barred_things_fill_no_role(self) -> None:
        child = Child(30, hand="right", mouthing="often")
        cupboard = full_house(child)
        barred = {j.thing.id for j in cupboard.judged if j.verdict.status == "barred"}
        self.assertIn("pony_bead", barred)
        for offer in cupboard.offers():
            self.assertFalse({q.thing_id for q in offer.quantities} & barred, offer)

    def test_a_child_of_short_attention_gets_fewer_tries(self) -> None:
        counts = [
            UsableCupboard(stock_of(everything()), Child(months, attention_minutes=minutes), CLINIC)
            .offer(Variant("squirrel_store", (0, 0, 0)))
            .count
            for months, minutes in ((90, 30), (90, 8), (60, 30), (60, 8), (40, 8))
        ]
        self.assertEqual(counts, [10, 8, 8, 6, 6])

    def test_nine_posts_of_four_rings_want_36(self) -> None:
        """The arithmetic of quantities; common practice, no source."""
        role = next(r for r in ACTIVITIES["ring_tower"].roles if r.id == "ring")
        self.assertEqual(role.quantity(9 * 4), 36)

    def test_too_few_things_are_said_with_the_number_missing(self) -> None:
        cupboard = UsableCupboard(stock_of({"common_peg": 1, "tub_rim": 1}), Child(72, hand="right"), CLINIC)
        lack = cupboard.lack(Variant("peg_fence", (2, 1, 0)))
        self.assertEqual(lack.kind, "short")
        self.assertRegex(lack.reason, r"Needs 4 common spring pegs, 1 here")

    def test_fewer_things_than_tries_are_used_in_rounds(self) -> None:
        cupboard = UsableCupboard(stock_of({"common_peg": 6, "tub_rim": 1}), Child(90, hand="right"), CLINIC)
        pegs = cupboard.offer(Variant("peg_fence", (2, 1, 0))).quantities[0]
        self.assertEqual((pegs.wanted, pegs.have, pegs.rounds), (6, 6, 2))

    def test_right_handed_scissors_do_not_serve_a_left_hander(self) -> None:
        stock = stock_of({"child_scissors": 1, "heavy_paper": 20, "pencil": 1})
        cut = Variant("cut_the_lane", (0, 0, 0))
        self.assertIsNotNone(UsableCupboard(stock, Child(72, hand="right"), CLINIC).offer(cut))
        lack = UsableCupboard(stock, Child(72, hand="left"), CLINIC).lack(cut)
        self.assertEqual(lack.kind, "hand")

    def test_a_bead_goes_only_on_a_line_that_passes_its_hole(self) -> None:
        cupboard = UsableCupboard(stock_of({"wooden_bead_15": 20, "handled_stick": 1}), Child(72, hand="right"), CLINIC)
        self.assertIsNone(cupboard.offer(Variant("load_the_barge", (0, 2, 0))))

    def test_an_unknown_thing_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "not a known thing"):
            stock_of({"moon_rock": 1})

    def test_all_things_have_measures_that_hold_together(self) -> None:
        self.assertGreaterEqual(len(THINGS), 160)
        for m in THINGS.values():
            if "bead" in m.forms:
                self.assertLess(m.hole_mm or 0, m.size_mm, m.id)
            if "clip" in m.forms or "squeezer" in m.forms:
                self.assertIsNotNone(m.force_newton, m.id)
            if m.balloon or m.round_hard_food:
                self.assertTrue(m.food or m.balloon, m.id)
