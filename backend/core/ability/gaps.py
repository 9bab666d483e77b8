"""What holds a wanted daily task back, and which targets to work on first. Project definitions."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from core.ability.estimate import Estimate
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
    """Return every strand a wanted task requires, with how many rungs the child is short, most first."""
    result = [
        Short(strand, task, rung - estimates[strand].mean)
        for task in wanted
        for strand, rung in WANTED_TASKS[task].demands.items()
        if strand in estimates
    ]
    return sorted(result, key=lambda s: (-s.rungs, s.task, s.strand))


def wanted_rungs(wanted: Iterable[str]) -> dict[str, int]:
    """Return the highest rung of each strand that any of the wanted tasks requires."""
    rungs: dict[str, int] = {}
    for task in wanted:
        for strand, rung in WANTED_TASKS[task].demands.items():
            rungs[strand] = max(rungs.get(strand, 0), rung)
    return rungs


def held_back(task: str, estimates: Mapping[str, Estimate]) -> list[Short]:
    """Return the strands that hold one task back, most first; none when nothing it requires is missing."""
    return [s for s in shortfalls((task,), estimates) if s.rungs > WORTH_NAMING]


@dataclass(frozen=True)
class Aim:
    """A target to work on next, and why."""

    target: str
    words: str


def suggested_aims(
    wanted: Iterable[str], estimates: Mapping[str, Estimate], begun: Iterable[str] = ()
) -> tuple[Aim, ...]:
    """Return the one or two targets to work on next; only a first tick in the boxes.

    begun -- the targets of the last session: what has begun goes on
    First what a wanted task is held back by, most first; then what was begun; then what a wanted task requires.
    """
    leans = [s for s in shortfalls(wanted, estimates) if STRANDS[s.strand].target != "daily"]
    aims = [_leaned_on(s) for s in leans if s.rungs > WORTH_NAMING]
    aims += [Aim(t, "Worked on last time.") for t in begun]
    aims += [_leaned_on(s) for s in leans if s.rungs <= WORTH_NAMING]
    first: dict[str, Aim] = {}
    for aim in aims:
        first.setdefault(aim.target, aim)
    return tuple(first.values())[:MOST_TARGETS]


def _leaned_on(short: Short) -> Aim:
    strand, task = STRANDS[short.strand], WANTED_TASKS[short.task].name
    how = f"{short.rungs:.1f} rungs short" if short.rungs > WORTH_NAMING else "nothing missing"
    return Aim(strand.target, f"“{task}” requires {strand.name.lower()}: {how}.")
