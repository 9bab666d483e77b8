"""What is measured beside counting: each measure's unit, what is possible, and how several in one set become one.

Automatic ones come from the taps themselves; the others are read off a ruler, a cup or the palm and typed in one tap.
Ranges: project definition, wide enough for anything a household can hold.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

from core.skills import STRANDS

AUTOMATIC = MappingProxyType(
    {
        "pace": "Pace",
        "hold": "Longest hold",
        "tension": "Seconds under tension",
        "alone": "Done alone",
        "drops": "Drops per try",
        "row": "Longest streak",
    }
)
"""Measures that the taps themselves say, by id."""


@dataclass(frozen=True)
class Measured:
    """One measure taken by hand.

    unit   -- as in units.UCUM
    step   -- how finely it is read
    fold   -- how several readings in one set become one: their mean, or the most reached
    choices -- words in place of numbers, from 1 on, where a number says nothing
    """

    id: str
    name: str
    unit: str
    lowest: float
    highest: float
    step: float
    fold: Literal["mean", "max"]
    choices: tuple[str, ...] = ()

    def in_words(self, value: float) -> str:
        """A reading with its unit, or in the words that stand for it."""
        return self.choices[round(value) - 1] if self.choices else f"{value:g} {self.unit}"

    def checked(self, value: object) -> float:
        """Return the value as a float. Raises ValueError, with what is possible, for anything else."""
        if isinstance(value, int | float) and not isinstance(value, bool) and self.lowest <= value <= self.highest:
            return float(value)
        raise ValueError(
            f"{self.name} of {value!r} {self.unit} is not possible. Send {self.lowest:g} to {self.highest:g}."
        )


_TAKEN = (
    Measured("newton", "Resistance used", "N", 0.5, 300, 0.5, "max"),
    Measured("tokens", "Kept in the palm", "tokens", 1, 30, 1, "max"),
    Measured("off_line", "Off the line", "mm", 0, 60, 1, "mean"),
    Measured("on_line", "Within the line", "%", 0, 100, 5, "mean"),
    Measured("overshoot", "Past the stop mark", "mm", 0, 100, 1, "mean"),
    Measured("filled", "Area filled", "%", 0, 100, 5, "mean"),
    Measured("over_edge", "Over the edge", "%", 0, 100, 5, "mean"),
    Measured("tower", "Tower height", "mm", 5, 1500, 5, "max"),
    Measured("spills", "Spills", "spills", 0, 60, 1, "mean"),
    Measured("grip_minutes", "Minutes until the grip changed", "min", 0, 60, 0.5, "mean"),
    Measured("task_seconds", "Seconds for the whole task", "s", 1, 1800, 1, "mean"),
    Measured("steps_alone", "Steps done alone", "steps", 0, 20, 1, "max"),
    Measured("legible", "Letters that can be read, of ten", "of 10", 0, 10, 1, "mean"),
    Measured("pain", "Pain, 0 to 10", "of 10", 0, 10, 1, "max"),
    Measured("effort", "Effort, 0 to 10", "of 10", 0, 10, 1, "mean"),
    Measured("own_rating", "How well it went, says the child, of ten", "of 10", 0, 10, 1, "mean"),
    Measured("unasked", "Helper hand used unasked, of ten", "of 10", 0, 10, 1, "mean"),
    Measured("gauge", "Strongest squeeze on a gauge", "N", 0.5, 600, 0.5, "max"),
    Measured("grip", "Grip seen", "rung", 1, 5, 1, "max", tuple(r.words for r in STRANDS["tool_grasp"].rungs)),
)

MEASURED = MappingProxyType({m.id: m for m in _TAKEN})
KNOWN = frozenset({*AUTOMATIC, *MEASURED})

READ_IN = MappingProxyType({"endurance": ("pain", "effort")})
"""What is read off in every block that aims at a strand: where a child tires of writing, that is the question."""


def read_off(measures: Iterable[str], strand: str = "") -> tuple[Measured, ...]:
    """Return what is read off by hand in a block: of these measures, its activity's and the child's own, then what the
    strand it aims at asks for.
    """
    asked = dict.fromkeys((*measures, *READ_IN.get(strand, ())))
    return tuple(MEASURED[m] for m in asked if m in MEASURED)


def folded(measure: str, values: Iterable[float]) -> float:
    """Return several readings of one set as one: their mean, or the most reached, as the measure says."""
    read = list(values)
    return max(read) if MEASURED[measure].fold == "max" else sum(read) / len(read)
