"""Meeting what a child is wary of, step by step: foods, and things that feel wrong to the hand.

Recorded as the highest step and how long it was borne; never a hit or a miss, and never praised for eating. Common
practice, no source.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date
from types import MappingProxyType
from typing import Literal

ApproachKind = Literal["food", "texture"]

STEPS = MappingProxyType[ApproachKind, tuple[str, ...]](
    {
        "food": (
            "in the same room",
            "on the table",
            "moved with a tool",
            "stirred or poured",
            "touched with one finger",
            "lifted",
            "smelled",
            "held to the cheek",
            "held to the lips",
            "licked and wiped off",
            "bitten and let go",
            "eaten",
        ),
        "texture": (
            "in a closed box",
            "touched with a tool",
            "touched in a glove",
            "touched with a fingertip",
            "held in the hand",
        ),
    }
)
"""The steps of each kind, the furthest away first."""

RULES = MappingProxyType[ApproachKind, str](
    {
        "food": "A liked food beside it, no praise for eating, and the child says stop.",
        "texture": "A towel ready, a liked toy beside it, and the child says stop.",
    }
)


@dataclass(frozen=True)
class Met:
    """One meeting: how far it went (a step from 1, 0: not at all) and how many seconds that was borne."""

    what: str
    kind: ApproachKind
    on: date
    step: int
    seconds: float = 0.0


@dataclass(frozen=True)
class ApproachStanding:
    """Where one approach stands: the highest step ever borne, the last meeting, and what comes next."""

    what: str
    kind: ApproachKind
    highest: int
    seconds: float
    last: Met | None
    next_words: str

    @property
    def words(self) -> str:
        """The highest step and its seconds, in words."""
        if self.last is None:
            return "not met yet"
        if not self.highest:
            return "met, no step borne yet"
        return f"{STEPS[self.kind][self.highest - 1]}, {self.seconds:.0f} s at the longest"


def approach_standing(what: str, kind: ApproachKind, met: Iterable[Met]) -> ApproachStanding:
    """Return where the approach to one food or texture stands, its meetings in any order.

    The next step is the one after the last meeting's: after a bad day it starts where that day ended.
    """
    mine = sorted((m for m in met if (m.what, m.kind) == (what, kind)), key=lambda m: m.on)
    highest = max((m.step for m in mine), default=0)
    longest = max((m.seconds for m in mine if m.step == highest), default=0.0)
    steps = STEPS[kind]
    at = mine[-1].step if mine else 0
    return ApproachStanding(what, kind, highest, longest, mine[-1] if mine else None, steps[min(at, len(steps) - 1)])
