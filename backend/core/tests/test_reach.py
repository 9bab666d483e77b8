"""How far a home reaches, and what to start with."""

from unittest import TestCase

from core.ability import Estimate
from core.child import Child
from core.library import ACTIVITIES
from core.offers import UsableCupboard, difficulty, reach, starter_list, variants_of
from core.offers.usable_cupboard import stock_of
from core.safety import assess
from testing.core_builders import CLINIC, everything, full_house
from testing.tags import slow

SIX = Child(72, hand="right")


class ReachTest(TestCase):
    def test_a_full_house_reaches_from_end_to_end(self) -> None:
        result = reach(ACTIVITIES["peg_fence"], full_house(), {"pinch": Estimate(3, 0.4)})
        self.assertEqual((result.offered, result.low, result.high), (result.grades, result.least, result.most))
        self.assertEqual((result.to_add, result.why_not), ("", ""))

    def test_the_nearest_grade_is_about_eight_of_ten(self) -> None:
        result = reach(ACTIVITIES["peg_fence"], full_house(), {"pinch": Estimate(3, 0.2)})
        self.assertAlmostEqual(result.expected, 0.8, delta=0.06)
        others = [abs(difficulty(v)["pinch"] - 3) for v in variants_of(ACTIVITIES["peg_fence"])]
        self.assertAlmostEqual(abs(difficulty(result.nearest)["pinch"] - 3), min(others), delta=0.35)

    def test_the_one_thing_to_add_opens_what_it_says(self) -> None:
        stock = {"common_peg": 12, "tub_rim": 1}
        cupboard = UsableCupboard(stock_of(stock), SIX, CLINIC)
        result = reach(ACTIVITIES["peg_fence"], cupboard, {"pinch": Estimate(3, 0.4)})
        self.assertGreater(result.opens, 0)
        name = result.to_add.removeprefix("Add ").rstrip(".").split(" or ")[0]
        added = next(j.thing for j in full_house().judged if j.thing.name.lower() == name)
        more = UsableCupboard(stock_of({**stock, added.id: 12}), SIX, CLINIC)
        self.assertGreaterEqual(
            reach(ACTIVITIES["peg_fence"], more, {"pinch": Estimate(3, 0.4)}).offered, result.offered + result.opens
        )

    def test_where_nothing_is_on_offer_the_reason_is_said(self) -> None:
        result = reach(
            ACTIVITIES["peg_fence"], UsableCupboard(stock_of({"tub_rim": 1}), SIX, CLINIC), {"pinch": Estimate(3, 0.4)}
        )
        self.assertEqual((result.offered, result.nearest), (0, None))
        self.assertTrue(result.why_not and result.to_add)


class StarterTest(TestCase):
    @slow
    def test_ten_things_open_many_activities(self) -> None:
        picked = starter_list(SIX, CLINIC)
        self.assertEqual(len(picked), 10)
        self.assertGreaterEqual(picked[-1][1], 20)
        self.assertEqual([n for _, n in picked], sorted(n for _, n in picked))

    @slow
    def test_what_it_says_opens_really_does(self) -> None:
        picked = starter_list(SIX, CLINIC)
        cupboard = UsableCupboard(stock_of({m.id: max(m.typical_count, 20) for m, _ in picked}), SIX, CLINIC)
        offered = {o.variant.activity_id for o in cupboard.offers()}
        self.assertGreaterEqual(len(offered), picked[-1][1] * 0.75)

    @slow
    def test_nothing_unsafe_is_ever_on_it(self) -> None:
        toddler = Child(28, mouthing="often", allergies=frozenset({"latex", "wheat"}), hand="left")
        for thing, _ in starter_list(toddler, CLINIC, most=30):
            self.assertNotEqual(assess(thing, toddler, CLINIC).status, "barred", thing.id)
            self.assertIn(thing.handed, (None, "left"))

    @slow
    def test_what_is_there_is_not_listed_again(self) -> None:
        first = [m.id for m, _ in starter_list(SIX, CLINIC, most=3)]
        second = [m.id for m, _ in starter_list(SIX, CLINIC, have=first, most=3)]
        self.assertEqual(set(first) & set(second), set())

    @slow
    def test_it_differs_from_child_to_child(self) -> None:
        self.assertNotEqual(starter_list(SIX, CLINIC), starter_list(Child(26, mouthing="often"), CLINIC))

    def test_an_everything_house_needs_nothing(self) -> None:
        self.assertEqual(starter_list(SIX, CLINIC, have=everything()), [])
