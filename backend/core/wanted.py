"""What holds a wanted daily task back, and which targets to work on first. Project definitions."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from core.ability import Estimate
from core.skills import STRANDS, WANTED_TASKS

WORTH_NAMING = 0.2  # rungs short before a strand is said to hold a task back
MOST_TARGETS = 2  # a session works on one or two


@dataclass(frozen=True)
class Short:
    """A strand that is short of what a task demands, in rungs (below 0: more than enough)."""

    strand: str
    task: str
    rungs: float


def shortfalls(wanted: Iterable[str], estimates: Mapping[str, Estimate]) -> list[Short]:
    """Return every strand a wanted task leans on, with how many rungs the child is short, most first."""
    found = [
        Short(strand, task, rung - estimates[strand].mean)
        for task in wanted
        for strand, rung in WANTED_TASKS[task].demands.items()
        if strand in estimates
    ]
    return sorted(found, key=lambda s: (-s.rungs, s.task, s.strand))


def held_back(task: str, estimates: Mapping[str, Estimate]) -> list[Short]:
    """Return the strands that hold one task back, most first; none when nothing it leans on is missing."""
    return [s for s in shortfalls((task,), estimates) if s.rungs > WORTH_NAMING]


def suggested_targets(wanted: Iterable[str], estimates: Mapping[str, Estimate]) -> tuple[str, ...]:
    """Return the one or two targets the wanted tasks are held back by most; only a first tick in the boxes."""
    targets = (STRANDS[s.strand].target for s in shortfalls(wanted, estimates))
    return tuple(dict.fromkeys(t for t in targets if t != "daily"))[:MOST_TARGETS]
