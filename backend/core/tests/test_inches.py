"""Lengths said in inches: 1 in = 25.4 mm exactly (international yard and pound agreement, 1959), the metric kept behind
it, so that nothing a rule rests on is rounded away.
"""

import re
from fractions import Fraction
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.units import in_inches


class InchesTest(TestCase):
    def test_worked_examples(self) -> None:
        for metric, said in (
            ("25.4 mm", "1 in (25.4 mm)"),
            ("20 mm wide", "3/4 in (20 mm) wide"),
            ("a slot of 45 mm", "a slot of 1 3/4 in (45 mm)"),
            ("3 mm", "0.12 in (3 mm)"),
            ("30 cm", "12 in (30 cm)"),
            ("10 to 20 cm", "4 to 8 in (10 to 20 cm)"),
            ("148 × 105 mm", "6 × 4 in (148 × 105 mm)"),
            ("31.7 mm across and 6 mm deep", "1 1/4 in (31.7 mm) across and 0.24 in (6 mm) deep"),
        ):
            self.assertEqual(in_inches(metric), said)

    def test_what_is_no_length_stays(self) -> None:
        for text in ("3 minutes", "190 g/m²", "20 mm² of it", "12 N", "page 3 cmyk", "<text>20 mm</text>", "1,000 mm"):
            self.assertEqual(in_inches(text), text)

    @given(st.decimals(min_value="6.4", max_value=2000, places=1))
    def test_what_is_said_is_within_a_quarter_inch_and_the_metric_stays(self, length: object) -> None:
        text = f"{length} mm"
        said = in_inches(text)
        self.assertTrue(said.endswith(f"in ({text})"), said)
        number = said.split(" in (")[0]
        inches = sum(Fraction(part) for part in re.split(" ", number))
        self.assertLessEqual(abs(float(inches) - float(str(length)) / 25.4), 0.251)
