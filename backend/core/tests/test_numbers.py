"""Units, trends and goals against outside values."""

from unittest import TestCase

import numpy as np
import pint
import pymannkendall
from scipy import stats

from core import units
from core.materials import MEASURES
from core.progress import attainment_t_score, mann_kendall, nonoverlap, rungs_per_week
from core.progress.trends import TooFewSessions
from core.units import UCUM
from testing.tags import slow


class UnitsTest(TestCase):
    @slow
    def test_against_pint(self) -> None:
        registry = pint.UnitRegistry()
        self.assertAlmostEqual(units.mm_from_inches(1), registry("1 inch").to("mm").magnitude, places=12)
        self.assertAlmostEqual(units.inches(100), registry("100 mm").to("inch").magnitude, places=12)
        self.assertAlmostEqual(units.newton_from_kgf(2.5), registry("2.5 kgf").to("N").magnitude, places=9)
        self.assertAlmostEqual(units.newton_from_lbf(2.5), registry("2.5 lbf").to("N").magnitude, places=9)


class TrendsTest(TestCase):
    def setUp(self) -> None:
        rng = np.random.default_rng(2)
        self.days = np.cumsum(rng.integers(1, 12, 14)).astype(float)
        self.rungs = 3 + 0.01 * self.days + rng.normal(0, 0.3, 14).round(1)

    def test_slope_against_scipy(self) -> None:
        theirs = stats.theilslopes(self.rungs, self.days).slope * 7
        self.assertAlmostEqual(rungs_per_week(self.days, self.rungs), theirs, places=10)

    def test_trend_test_against_pymannkendall_with_ties(self) -> None:
        theirs = pymannkendall.original_test(self.rungs)
        ours = mann_kendall(self.rungs)
        self.assertEqual(ours.s, theirs.s)
        self.assertAlmostEqual(ours.p, theirs.p, places=10)

    def test_nonoverlap_by_brute_force_pairs(self) -> None:
        before, after = [3.0, 3.2, 3.1, 3.4], [3.2, 3.6, 3.9, 3.3, 3.1]
        pairs = [(a, b) for a in before for b in after]
        by_hand = sum(1.0 if b > a else 0.5 if b == a else 0.0 for a, b in pairs) / len(pairs)
        self.assertAlmostEqual(nonoverlap(before, after), by_hand)

    def test_two_sessions_are_too_few_to_say(self) -> None:
        with self.assertRaises(TooFewSessions):
            rungs_per_week([0, 7], [3, 4])
        with self.assertRaises(TooFewSessions):
            mann_kendall([1, 2])


class GoalsTest(TestCase):
    def test_worked_values(self) -> None:
        """Kiresuk & Sherman 1968: one goal at 0, at +1; three equal goals at +1."""
        self.assertAlmostEqual(attainment_t_score([0]), 50)
        self.assertAlmostEqual(attainment_t_score([1]), 60)
        self.assertAlmostEqual(attainment_t_score([1, 1, 1]), 63.69, places=2)

    def test_weights_count(self) -> None:
        self.assertGreater(attainment_t_score([2, -1], [3, 1]), attainment_t_score([2, -1], [1, 3]))

    def test_refusals_say_what_to_do(self) -> None:
        for scores, weights in (([], None), ([3], None), ([1], [0]), ([1, 1], [1])):
            with self.assertRaises(ValueError):
                attainment_t_score(scores, weights)


class UnitCodeTest(TestCase):
    @slow
    def test_every_unit_has_a_valid_code_that_means_the_same(self) -> None:
        """Codes parsed by ucumvert, which follows the UCUM grammar; values in braces are annotations without
        dimension.
        """
        from ucumvert import PintUcumRegistry

        registry = PintUcumRegistry()
        same = {
            "mm": "millimeter",
            "N": "newton",
            "g/m²": "gram/meter**2",
            "min": "minute",
            "s": "second",
            "°": "degree",
            "%": "percent",
        }
        for unit, code in UCUM.items():
            result = registry.from_ucum(code)
            if unit in same:
                self.assertEqual(result, registry.Quantity(1, same[unit]), unit)

    def test_every_measured_property_has_a_unit_with_a_code(self) -> None:
        self.assertEqual(set(MEASURES.values()) - set(UCUM), set())
