"""Conversions between the units a therapist meets. Inside the core everything is mm, N, g, minutes."""

from collections.abc import Sequence
from types import MappingProxyType

import numpy as np

MM_PER_INCH = 25.4  # mm, exact (international inch, 1959)
NEWTON_PER_KGF = 9.80665  # N, exact (standard gravity)
NEWTON_PER_LBF = 4.4482216152605  # N, exact product of the pound and standard gravity


def inches(length_mm: float) -> float:
    """Return a length in inches from one in mm."""
    return length_mm / MM_PER_INCH


def mm_from_inches(length_inches: float) -> float:
    """Return a length in mm from one in inches."""
    return length_inches * MM_PER_INCH


def newton_from_kgf(force_kgf: float) -> float:
    """Return a force in newton from one in kilogram-force."""
    return force_kgf * NEWTON_PER_KGF


def newton_from_lbf(force_lbf: float) -> float:
    """Return a force in newton from one in pound-force."""
    return force_lbf * NEWTON_PER_LBF


UCUM = MappingProxyType(
    {
        "mm": "mm",
        "cm": "cm",
        "m": "m",
        "N": "N",
        "g/m²": "g/m2",
        "min": "min",
        "s": "s",
        "items/min": "{items}/min",
        "tokens": "{tokens}",
        "spills": "{spills}",
        "in a row": "{row}",
        "rung": "{rung}",
        "°": "deg",
        "%": "%",
        "steps": "{steps}",
        "of 10": "{score}",
    }
)
"""Every unit that is shown, and its code in the Unified Code for Units of Measure."""


def in_proportion(at: float, table: Sequence[tuple[float, float]]) -> float:
    """Return the value at a place of a table of (place, value), between two in proportion, beyond the ends the last."""
    return float(np.interp(at, [place for place, _ in table], [value for _, value in table]))
