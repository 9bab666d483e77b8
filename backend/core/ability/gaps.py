"""What holds a wanted daily task back, and which targets to work on first. Project definitions."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass

from core.ability.estimate import Estimate
from core.skills import STRANDS, WantedTask, find_task

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
        for strand, rung in find_task(task).demands.items()
        if strand in estimates
    ]
    return sorted(result, key=lambda s: (-s.rungs, s.task, s.strand))


def wanted_rungs(wanted: Iterable[str]) -> dict[str, int]:
    """Return the highest rung of each strand that any of the wanted tasks requires."""
    rungs: dict[str, int] = {}
    for task in wanted:
        for strand, rung in find_task(task).demands.items():
            rungs[strand] = max(rungs.get(strand, 0), rung)
    return rungs


def held_back(task: str, estimates: Mapping[str, Estimate]) -> list[Short]:
    """Return the strands that hold one task back, most first; none when nothing it requires is missing."""
    return [s for s in shortfalls((task,), estimates) if s.rungs > WORTH_NAMING]


@dataclass(frozen=True)
class Helped:
    """A step of a wanted task that work in a strand helps, and how many rungs it is short there (below 0: enough)."""

    task: str
    step: str
    rungs: float


def most_helped(strand: str, job: str, wanted: Iterable[str], estimates: Mapping[str, Estimate]) -> Helped | None:
    """Return the step of a wanted task that work in a strand helps most: the one that is furthest short of it, of those
    where the hands do the same job. None where it helps none.
    """
    if strand not in estimates:
        return None
    steps = [(task, step) for task in wanted if (step := find_task(task).helped_by(strand, job))]
    helped = [Helped(task, step.words, step.demands[strand] - estimates[strand].mean) for task, step in steps]
    return max(helped, key=lambda h: h.rungs, default=None)


@dataclass(frozen=True)
class Aim:
    """A target to work on next, and why. task: the wanted task it is for; empty where it is none."""

    target: str
    words: str
    task: str = ""


Worked = Callable[[WantedTask, str], bool]  # whether there is work for what a task asks of a strand


def always_worked(_: WantedTask, __: str) -> bool:
    """There is work for everything."""
    return True


def suggested_aims(
    wanted: Iterable[str],
    estimates: Mapping[str, Estimate],
    begun: Iterable[str] = (),
    worked: Worked = always_worked,
) -> tuple[Aim, ...]:
    """Return the one or two targets to work on next; only a first tick in the boxes.

    wanted -- the tasks there is still something to do for, the most wanted first
    begun  -- the targets of the last session: what has begun goes on
    worked -- whether there is work for what a task asks of a strand: only that is suggested
    First what the tasks lack, most first; then what was begun; then those tasks themselves that lack nothing, or
    nothing but their own ladder: what each needs first before what it needs besides.
    """
    aims = [a for task in wanted for a in task_aims(task, estimates, worked)]
    lacking = sorted((a for a in aims if a[1] > WORTH_NAMING), key=lambda a: -a[1])
    rest = [a for a in aims if a[1] <= WORTH_NAMING]
    short = {a.task for a, _ in lacking if not _is_own(a)}
    firsts = {a.task: a for a, _ in reversed(rest)}
    ordered = [a for a, _ in lacking] + [Aim(t, "Worked on last time.") for t in begun]
    ordered += sorted((a for a, _ in rest if a.task not in short), key=lambda a: a != firsts.get(a.task))
    first: dict[str, Aim] = {}
    for aim in ordered:
        first.setdefault(aim.target, aim)
    return tuple(first.values())[:MOST_TARGETS]


def _is_own(aim: Aim) -> bool:
    """Whether an aim is the target of its task's own ladder."""
    own = find_task(aim.task).strand
    return bool(own) and STRANDS[own].target == aim.target


def task_aims(task: str, estimates: Mapping[str, Estimate], worked: Worked = always_worked) -> list[tuple[Aim, float]]:
    """Return the targets a wanted task asks to work on, each with why and the rungs short, what it lacks most first.

    Where none of the skills it needs is short, the task itself is what to practise. Its own ladder is a target too, but
    for those of daily life, which every session ends on.
    """
    wanted = find_task(task)
    own = STRANDS[wanted.strand].target if wanted.strand else ""
    every = [s for s in shortfalls((task,), estimates) if s.strand != wanted.strand or own != "daily"]
    needs = [s for s in every if worked(wanted, s.strand)] or every
    short = [s for s in needs if s.rungs > WORTH_NAMING]
    if short:
        by_target: dict[str, list[Short]] = {}
        for s in short:
            by_target.setdefault(STRANDS[s.strand].target, []).append(s)
        aims = [(Aim(target, _lacks(wanted, those), task), those[0].rungs) for target, those in by_target.items()]
        if {*by_target} == {own}:  # where the tools for it are not there, there is still something to do
            others = dict.fromkeys(STRANDS[s.strand].target for s in needs if s.strand != wanted.strand)
            aims += [(Aim(target, f"“{wanted.name}” needs it too.", task), 0.0) for target in others if target != own]
        return aims
    strands = ([wanted.strand] if wanted.strand else []) + [s.strand for s in needs]
    targets = list(dict.fromkeys(STRANDS[s].target for s in strands))[:MOST_TARGETS]
    words = f"“{wanted.name}”: the skills it needs are there; practise the task itself."
    return [(Aim(target, words, task), 0.0) for target in targets]


def _lacks(task: WantedTask, short: list[Short]) -> str:
    """What a task lacks in one target, in words: how much, and the step it is for."""
    first, *more = short
    name = STRANDS[first.strand].name.lower()
    step = task.step_for(first.strand)
    words = f"“{task.name}”: {name} is {first.rungs:.1f} rungs short" + (f", to {step}" if step else "")
    then = ", ".join(f"{STRANDS[s.strand].name.lower()} {s.rungs:.1f}" for s in more)
    return f"{words}; then {then}." if then else f"{words}."
