"""Halving, counting, measuring, things made at home, and swaps."""

from unittest import TestCase

import pint
from hypothesis import given
from hypothesis import strategies as st

from core.ability import start
from core.child import Child, Setting
from core.library import ACTIVITIES, THINGS
from core.materials import NotMeasured, cutting, force_from_coins, force_from_water, hole_between, sheet_weight
from core.materials.paper import halved, iso_a, shared
from core.offers import UsableCupboard, Variant, makeable, room, swaps, variants_of, verdict
from core.offers.homemade import RECIPES
from core.offers.substitutes import Swap
from core.offers.usable_cupboard import stock_of
from core.offers.variants import ask_of, asked_of, roles_of
from core.paper import prep_sheet
from core.planner import PlannedBlock, SessionRequest, stand
from core.skills import STRANDS
from testing.core_builders import CLINIC, everything, full_house
from testing.tags import slow

# ISO 216:2007, table 1, A series, mm
ISO_216 = (
    (1189, 841),
    (841, 594),
    (594, 420),
    (420, 297),
    (297, 210),
    (210, 148),
    (148, 105),
    (105, 74),
    (74, 52),
    (52, 37),
    (37, 26),
)


class QuantitiesTest(TestCase):
    def test_sheet_sizes_are_those_of_the_standard(self) -> None:
        self.assertEqual(tuple(iso_a(n) for n in range(11)), ISO_216)

    def test_a_sheet_size_that_does_not_exist_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "A11 is not a sheet size"):
            iso_a(11)

    def test_folding_an_a4_sheet_once_gives_a5_to_the_millimetre(self) -> None:
        long, short = halved(iso_a(4), 1)
        self.assertEqual((long, int(short)), iso_a(5))

    def test_a_sheet_folded_in_half_twice_gives_four_strips(self) -> None:
        """Worked example of the trade; common practice."""
        result = cutting(10, 4)
        self.assertEqual((result.sheets, result.folds, result.spare), (3, 2, 2))
        self.assertEqual(result.words, "3 sheets, each folded in half twice and cut: 12 pieces, 2 to spare")

    @given(st.integers(1, 200), st.sampled_from([1, 2, 4, 8, 16]))
    @slow
    def test_cutting_gives_enough_and_never_a_whole_sheet_too_many(self, pieces: int, per_sheet: int) -> None:
        result = cutting(pieces, per_sheet)
        self.assertGreaterEqual(result.spare, 0)
        self.assertLess(result.spare, per_sheet)

    def test_three_pieces_a_sheet_cannot_be_halved(self) -> None:
        with self.assertRaisesRegex(ValueError, "1, 2, 4, 8 or 16"):
            cutting(5, 3)

    def test_two_children_double_what_is_used_up_and_not_the_tools(self) -> None:
        self.assertEqual((shared(8, 2, used_up=True), shared(1, 2, used_up=False)), (16, 1))


class MeasuringTest(TestCase):
    def test_a_litre_of_water_pulls_with_one_kilogram_force(self) -> None:
        """Against pint, which carries the CODATA value of standard gravity."""
        expected = pint.UnitRegistry().Quantity(1, "kilogram_force").to("newton").magnitude
        self.assertAlmostEqual(force_from_water(1000), expected, places=9)

    def test_coins_pull_by_their_weight(self) -> None:
        self.assertAlmostEqual(force_from_coins(100, 7.0), force_from_water(700))

    def test_an_impossible_bag_is_refused_with_what_to_do(self) -> None:
        with self.assertRaisesRegex(NotMeasured, "Measure again"):
            force_from_water(0)

    def test_a_ream_of_copy_paper_weighs_80_grams_a_square_metre(self) -> None:
        """500 sheets of A4 at 80 g/m² weigh 2.49 kg: ISO 216 area, arithmetic."""
        self.assertAlmostEqual(sheet_weight(2494.8, 500, iso_a(4)), 80, places=1)

    def test_a_pile_weighed_in_the_wrong_unit_is_refused(self) -> None:
        with self.assertRaisesRegex(NotMeasured, "no sheet"):
            sheet_weight(5, 500, (297, 210))

    def test_a_hole_lies_between_what_passes_and_what_does_not(self) -> None:
        self.assertEqual(hole_between([4, 6], [9, 12]), (6, 9))
        with self.assertRaisesRegex(NotMeasured, "Try them again"):
            hole_between([10], [9])


class MadeAtHomeTest(TestCase):
    def test_every_part_is_a_known_thing(self) -> None:
        for making in RECIPES.values():
            self.assertIn(making.thing_id, THINGS)
            for part in making.parts:
                self.assertLessEqual(set(part.any_of), set(THINGS), making.thing_id)

    def test_nothing_is_made_of_itself(self) -> None:
        for making in RECIPES.values():
            self.assertFalse(any(p.any_of == (making.thing_id,) for p in making.parts), making.thing_id)

    def test_blades_are_for_the_adult(self) -> None:
        """A sharp knife or pointed scissors among the tools: the step is an adult's and carries the caution."""
        for making in RECIPES.values():
            if any("(adult)" in t and "pan" not in t for t in making.tools):
                self.assertIn("adult_cuts", making.tags, making.thing_id)
                self.assertTrue(making.adult_steps, making.thing_id)

    def test_two_socks_make_a_roll_to_squeeze(self) -> None:
        self.assertIn("stuffed_roll", {m.thing_id for m in makeable({"sock_pair": 8})})
        self.assertNotIn("slit_ball", {m.thing_id for m in makeable({"sock_pair": 8})})

    def test_what_is_there_is_not_made_again(self) -> None:
        self.assertNotIn("stuffed_roll", {m.thing_id for m in makeable({"sock_pair": 8, "stuffed_roll": 1})})

    def test_a_made_piece_is_judged_as_what_it_becomes(self) -> None:
        """Bits of straw are small parts, whatever was harmless about the straw. 16 CFR 1501.4."""
        self.assertEqual(verdict(RECIPES["cut_straw"], Child(30), CLINIC).status, "barred")
        self.assertEqual(verdict(RECIPES["foam_ring"], Child(30), CLINIC).status, "caution")

    def test_a_lack_says_what_can_be_made(self) -> None:
        cupboard = UsableCupboard(stock_of({"sock_pair": 8}), Child(60), CLINIC)
        lack = cupboard.lack(Variant("wake_the_worm", (1, 0)))
        self.assertEqual(lack and lack.remedy, "Make stuffed roll, one layer from what is here (3 min).")


class NamesTest(TestCase):
    def test_one_and_many_are_declared_in_lower_case_and_differ_where_things_are_counted(self) -> None:
        """Names are written by hand: a plural head is no name for one ("1 forks")."""
        for thing in THINGS.values():
            self.assertTrue(thing.one[0].islower() and thing.many[0].islower(), thing.id)
            if thing.typical_count > 1 and thing.one == thing.many:
                self.assertNotRegex(thing.one.split(",")[0].split(" ")[-1], r"(?<!s)s$", thing.id)

    def test_several_keep_the_plural_and_a_single_thing_its_name(self) -> None:
        self.assertEqual(THINGS["pencil"].named(3), "pencils")
        self.assertEqual(THINGS["garlic_press"].named(1), "hand press for dough")


def fits_something(cupboard: UsableCupboard, swap: Swap, role_id: str) -> bool:
    """Whether a swapped thing goes with anything here in every role it has to fit, each pair looked at by itself."""
    activity = ACTIVITIES[swap.variant.activity_id]
    roles = {r.id: r for r in roles_of(activity, swap.grade)}
    ask = ask_of(activity, swap.grade)
    thing = next(j.thing for j in cupboard.judged if j.stock.id == swap.stock_id)
    for fit in activity.fits:
        if role_id not in (fit.inner, fit.outer) or not {fit.inner, fit.outer} <= roles.keys():
            continue
        other = roles[fit.outer if fit.inner == role_id else fit.inner]
        least = roles[fit.inner].least(cupboard.tries(ask))
        company = (
            j.thing for j in cupboard.judged if other.filled_by(j.thing, asked_of(activity, swap.grade, other.id))
        )
        if not any((room(fit, thing, t) if fit.outer == role_id else room(fit, t, thing)) >= least for t in company):
            return False
    return True


class SwapTest(TestCase):
    @slow
    def test_a_firmer_line_is_easier_and_says_so(self) -> None:
        cupboard = full_house()
        plain = next(v for v in reversed(list(variants_of(ACTIVITIES["load_the_barge"]))) if cupboard.offer(v))
        result = swaps(plain, "line", cupboard)
        self.assertTrue(any(s.rungs < 0 and "easier" in s.words for s in result))

    def test_a_swap_at_the_same_grade_changes_no_difficulty(self) -> None:
        variant = Variant("squirrel_store", (0, 0, 0))
        same = [s for s in swaps(variant, "item", full_house()) if s.variant == variant]
        self.assertTrue(same)
        self.assertEqual({s.rungs for s in same}, {0.0})

    def test_barred_things_are_shown_last_with_the_reason(self) -> None:
        child = Child(30, mouthing="often")
        result = swaps(Variant("nest_basket", (2, 0)), "item", UsableCupboard(stock_of(everything()), child, CLINIC))
        self.assertTrue(result[-1].barred)
        self.assertFalse(result[0].barred)

    def test_a_swap_says_which_care_it_brings(self) -> None:
        child = Child(72)
        result = swaps(
            Variant("nest_basket", (2, 0)),
            "item",
            UsableCupboard(stock_of(everything()), child, Setting("home", "arms_reach")),
        )
        small = [
            s for s in result if any(h.rule == "small_part" for h in s.hazards) or "Small part" in " ".join(s.gone)
        ]
        self.assertTrue(small)

    @slow
    def test_every_swap_shown_as_usable_can_be_done(self) -> None:
        """Over the whole library and a house that has everything: the right hand, and something here that it fits."""
        cupboard, usable, barred = full_house(Child(72, hand="right")), 0, ""
        by_id = {j.stock.id: j.thing for j in cupboard.judged}
        for activity in ACTIVITIES.values():
            variant = next((v for v in variants_of(activity) if cupboard.offer(v)), None)
            for role in roles_of(activity, variant.grade) if variant else ():
                for swap in swaps(variant, role.id, cupboard):
                    barred += swap.barred
                    if not swap.barred:
                        usable += 1
                        self.assertIn(by_id[swap.stock_id].handed, (None, "right"), (activity.id, swap.name))
                        self.assertTrue(fits_something(cupboard, swap, role.id), (activity.id, role.id, swap.name))
        self.assertGreater(usable, 2000)
        self.assertIn("this child uses the right hand", barred)
        self.assertIn("a fall drives it into mouth or eye", barred)  # a stick where the work is done lying

    def test_a_role_that_is_not_there_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "has no role"):
            swaps(Variant("nest_basket", (0, 0)), "spoon", full_house())


class LettersToCutTest(TestCase):
    def test_a_session_that_builds_letters_says_what_to_cut_for_the_childs_name(self) -> None:
        cupboard = UsableCupboard(stock_of({"letter_pieces": 20}), Child(72, hand="right"), CLINIC)
        request = SessionRequest(
            cupboard.child,
            cupboard.setting,
            cupboard.stock,
            {s: start(cupboard.child, s) for s in STRANDS},
            30,
            ("grasp",),
        )
        block = stand(request, PlannedBlock("daily", Variant("name_planks", (0, 0)), 5))
        assert block is not None
        self.assertEqual(
            prep_sheet([block], cupboard, {}, "Tim").cut[-1],
            f"{block.name}: for TIM, 6 long straights, 1 short straight",
        )
        self.assertEqual(prep_sheet([block], cupboard, {}, "Zoë").cut, prep_sheet([block], cupboard, {}).cut)
