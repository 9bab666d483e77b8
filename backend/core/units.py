"""Conversions between the units a therapist meets. Inside the core everything is mm, N, g, minutes."""

import re
from collections.abc import Sequence
from math import gcd
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


def in_inches(text: str) -> str:
    """Return a text with every length in mm or cm said in inches, the metric one behind it in brackets, so that
    nothing a rule rests on is rounded away: "20 mm" becomes "3/4 in (20 mm)", "10 to 20 cm" "4 to 8 in (10 to 20 cm)".

    Below a quarter inch as a decimal, below three inches to an eighth, beyond to a half. Labels inside a drawing, which
    end where their element does, are left as they are.
    """
    return _LENGTH.sub(_said_in_inches, text)


_LENGTH = re.compile(r"(?<![\d.,])(\d+(?:\.\d+)?)((?:(?: to | × |–)\d+(?:\.\d+)?)*) (mm|cm)\b(?!²|³|\)|</text>)")


def _said_in_inches(found: re.Match[str]) -> str:
    factor = 10.0 if found[3] == "cm" else 1.0
    said = re.sub(r"\d+(?:\.\d+)?", lambda n: _inch_words(float(n[0]) * factor), found[1] + found[2])
    return f"{said} in ({found[0]})"


def _inch_words(length_mm: float) -> str:
    length = inches(length_mm)
    if length < 0.25:
        return f"{length:.2f}"
    parts = 8 if length < 3 else 2
    whole, rest = divmod(round(length * parts), parts)
    if not rest:
        return str(whole)
    shared = gcd(rest, parts)
    fraction = f"{rest // shared}/{parts // shared}"
    return f"{whole} {fraction}" if whole else fraction


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
