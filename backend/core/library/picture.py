"""How an activity is drawn: frames, each an act out of a small language, with what it takes by name or by grade."""

from collections.abc import Mapping
from dataclasses import dataclass

Value = str | float | bool


@dataclass(frozen=True)
class ByStep:
    """A value that changes with the grade: one for each step of an axis."""

    axis: str
    of: tuple[Value, ...]


@dataclass(frozen=True)
class Frame:
    """One frame: the act and what it takes. A role is named by its id, everything else is the act's own word."""

    act: str
    values: Mapping[str, Value | ByStep]
