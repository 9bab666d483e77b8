"""The support ladder, least help to most, and how far each level lifts the chance of success.

Lifts are in rungs, from common practice with no source; kept here alone so that data can refit them.
"""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

from core.errors import NotThere

SupportLevel = Literal["alone", "spoken", "mark", "shown", "touch", "steadied", "hand_over_hand"]


@dataclass(frozen=True)
class Support:
    """One level of help. lift is in rungs; a level that tells nothing about the child is not informative."""

    id: SupportLevel
    words: str
    lift: float
    informative: bool = True


_LADDER = (
    Support("alone", "on their own", 0.0),
    Support("spoken", "spoken cue", 0.5),
    Support("mark", "mark to look at", 0.5),
    Support("shown", "shown once", 0.75),
    Support("touch", "touch cue", 1.0),
    Support("steadied", "item or forearm steadied", 1.5),
    Support("hand_over_hand", "hand over hand", 0.0, informative=False),
)

SUPPORTS = MappingProxyType({s.id: s for s in _LADDER})
LEVELS = tuple(SUPPORTS)  # least help first


def lift(level: SupportLevel) -> float:
    """Return how many rungs a support level lifts the chance. Raises NotThere for an unknown level."""
    if level not in SUPPORTS:
        raise NotThere(f"support {level!r} is not on the ladder. Use one of {', '.join(LEVELS)}.")
    return SUPPORTS[level].lift


def less_help(level: SupportLevel) -> SupportLevel | None:
    """Return the next level with less help, or None when the child already works alone."""
    place = LEVELS.index(level)
    return LEVELS[place - 1] if place else None
