"""Where each piece of a capital lies, so that a letter can be drawn as it is built.

A long straight is 100 long, a short one 50; a large arc is half a circle 100 across, a small one 50 across. Letters
stand on 100, x to the right, y down. Project definition, from common practice.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from types import MappingProxyType

from core.letters.pieces import LARGE, Placement

UPPER, LOWER = ", upper half", ", lower half"


@dataclass(frozen=True)
class Stroke:
    """A piece from one end to the other. radius 0: straight; else half a circle, clockwise or not."""

    x1: float
    y1: float
    x2: float
    y2: float
    radius: float = 0.0
    clockwise: bool = False


_LEFT, _BAR_TOP, _BAR_MIDDLE, _BAR_BOTTOM = (0, 0, 0, 100), (0, 0, 50, 0), (0, 50, 50, 50), (0, 100, 50, 100)
_UPPER_BOW, _LOWER_BOW = (0, 0, 0, 50, True), (0, 50, 0, 100, True)

# Letter to where a piece lies to its ends; an arc says besides whether it runs clockwise.
_LIES: Mapping[str, Mapping[str, tuple[float, ...]]] = MappingProxyType(
    {
        "A": {"left slant": (50, 0, 15, 94), "right slant": (50, 0, 85, 94), "across the middle": (25, 67, 75, 67)},
        "B": {"upright, left": _LEFT, "upper bow, right": _UPPER_BOW, "lower bow, right": _LOWER_BOW},
        "C": {"open to the right": (50, 0, 50, 100, False)},
        "D": {"upright, left": _LEFT, "bow, right": (0, 0, 0, 100, True)},
        "E": {
            "upright, left": _LEFT,
            "across the top": _BAR_TOP,
            "across the middle": _BAR_MIDDLE,
            "across the bottom": _BAR_BOTTOM,
        },
        "F": {"upright, left": _LEFT, "across the top": _BAR_TOP, "across the middle": _BAR_MIDDLE},
        "G": {"open to the right": (50, 0, 50, 100, False), "up from the lower end": (50, 100, 50, 50)},
        "H": {"upright, left": _LEFT, "upright, right": (50, 0, 50, 100), "across the middle": _BAR_MIDDLE},
        "I": {"upright": (10, 0, 10, 100)},
        "J": {"upright, right": (50, -25, 50, 75), "hook, bottom left": (50, 75, 0, 75, True)},
        "K": {"upright, left": _LEFT, "slant up, right": (0, 50, 37, 16), "slant down, right": (0, 50, 37, 84)},
        "L": {"upright, left": _LEFT, "across the bottom": _BAR_BOTTOM},
        "M": {
            "upright, left": _LEFT,
            "slant down": (0, 0, 35, 94),
            "slant up": (35, 94, 70, 0),
            "upright, right": (70, 0, 70, 100),
            "short slant down": (0, 0, 35, 36),
            "short slant up": (35, 36, 70, 0),
        },
        "N": {"upright, left": _LEFT, "slant down": (0, 0, 45, 100), "upright, right": (45, 0, 45, 100)},
        "O": {"left half": (50, 0, 50, 100, False), "right half": (50, 0, 50, 100, True)},
        "P": {"upright, left": _LEFT, "upper bow, right": _UPPER_BOW},
        "Q": {
            "left half": (50, 0, 50, 100, False),
            "right half": (50, 0, 50, 100, True),
            "tail, bottom right": (68, 68, 103, 103),
        },
        "R": {"upright, left": _LEFT, "upper bow, right": _UPPER_BOW, "leg, bottom right": (5, 52, 33, 94)},
        "S": {
            "upper bow, open to the right": (25, 0, 25, 50, False),
            "lower bow, open to the left": (25, 50, 25, 100, True),
        },
        "T": {"upright": (25, 0, 25, 100), "across the top": _BAR_TOP},
        "U": {"upright, left": (0, 25, 0, 75), "bottom": (0, 75, 50, 75, False), "upright, right": (50, 25, 50, 75)},
        "V": {"slant down, left": (0, 0, 35, 94), "slant up, right": (35, 94, 70, 0)},
        "W": {
            "slant down": (0, 0, 25, 97),
            "slant up": (25, 97, 50, 0),
            "slant down again": (50, 0, 75, 97),
            "slant up again": (75, 97, 100, 0),
            "short slant up": (25, 97, 50, 54),
            "short slant down": (50, 54, 75, 97),
            "last slant up": (75, 97, 100, 0),
        },
        "X": {"slant down": (0, 0, 45, 100), "slant across": (45, 0, 0, 100)},
        "Y": {
            "slant down, left": (0, 0, 30, 40),
            "slant down, right": (60, 0, 30, 40),
            "upright, below": (30, 40, 30, 90),
        },
        "Z": {"across the top": _BAR_TOP, "slant down": (50, 0, 0, 100), "across the bottom": _BAR_BOTTOM},
    }
)


def stroke_of(placement: Placement) -> Stroke:
    """Return where a placed piece lies. A half that stands in for a long straight lies along its upper
    or lower half.
    """
    for half in (UPPER, LOWER):
        if placement.instead_of and placement.where.endswith(half):
            x1, y1, x2, y2 = _LIES[placement.letter][placement.where.removesuffix(half)]
            middle = ((x1 + x2) / 2, (y1 + y2) / 2)
            top, bottom = sorted(((x1, y1), (x2, y2)), key=lambda end: end[1])
            return Stroke(*top, *middle) if half == UPPER else Stroke(*middle, *bottom)
    x1, y1, x2, y2, *turn = _LIES[placement.letter][placement.where]
    return Stroke(x1, y1, x2, y2, (50.0 if placement.piece == LARGE else 25.0) if turn else 0.0, bool(turn and turn[0]))


def width_of(strokes: Iterable[Stroke]) -> float:
    """Return how wide a letter is, from 0 to its rightmost point."""
    return max(max(s.x1, s.x2) + (s.radius if s.radius and s.x1 == s.x2 and s.clockwise else 0.0) for s in strokes)
