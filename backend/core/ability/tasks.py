"""Wanted tasks: which steps a child does alone, where it holds, and when a task is managed.

Project definition, after common practice: a task is managed when the child does all of it alone in two places, and
still does two weeks after it first did.
"""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from math import inf
from types import MappingProxyType
from typing import Literal

from core.ability.estimate import Estimate, SetEvidence
from core.child import Chaining, Place
from core.skills import find_task

KEPT_DAYS = 14  # days after the first time alone at which it has to hold without teaching
MANAGED_PLACES = 2
LEARNED_DAYS, LEARNED_SHARE = 3, 0.8  # days a step has to come off, and of how many tries; common practice
LEARNED_TRIES = 4  # tries alone from which a day says something of a step; project definition

WithWhom = Literal["therapist", "family", "school", "other"]
WITH_WHOM: dict[WithWhom, str] = {
    "therapist": "with the therapist",
    "family": "with the family",
    "school": "with school staff",
    "other": "with somebody else",
}
PLACES: dict[Place, str] = {"home": "at home", "clinic": "in the clinic", "school": "at school"}
Who = Literal["adult", "taught", "alone"]


@dataclass(frozen=True)
class TaskSeen:
    """A wanted task as it was seen once: how many of its steps were done alone, where, with whom, unasked or not."""

    task: str
    on: date
    steps_alone: int
    place: Place
    with_whom: WithWhom = "therapist"
    unasked: bool = False

    @property
    def is_whole(self) -> bool:
        """Whether every step was done alone."""
        return self.steps_alone >= len(find_task(self.task).steps)


SIGHTING_TRIES: Mapping[WithWhom, int] = MappingProxyType({"family": 2, "school": 3, "other": 1})
"""How many tries of a therapist's count a sighting by others weighs; a therapist's own comes from the session's tries.
Project definition: another eye and other help make it weaker, several people at school a little less so.
"""


def sighting(seen: TaskSeen) -> SetEvidence | None:
    """Return what somebody else's sighting of a wanted task says of the task's own ladder: as many successes as steps
    were done alone, of a few tries, at the rung at which the task is done. None where it has no ladder of its own, or
    the therapist saw it.

    It counts under a name of its own, so that what one family calls alone has an offset of its own.
    """
    task, tries = find_task(seen.task), SIGHTING_TRIES.get(seen.with_whom, 0)
    if not task.strand or not tries:
        return None
    won = int(tries * seen.steps_alone / len(task.steps))
    return SetEvidence(
        f"{seen.task} seen by {seen.with_whom}", task.level, tries, won, rungs={task.strand: float(task.level)}
    )


@dataclass(frozen=True)
class TaskStanding:
    """Where a wanted task stands. steps_alone is None where nobody has seen it yet; places are those it holds in."""

    task: str
    steps_alone: int | None
    steps: int
    places: tuple[Place, ...]
    managed: bool
    words: str


def standing(task: str, seen: Iterable[TaskSeen]) -> TaskStanding:
    """Return where one task stands after all that was seen of it, in any order."""
    mine = sorted((s for s in seen if s.task == task), key=lambda s: s.on)
    steps = len(find_task(task).steps)
    if not mine:
        return TaskStanding(task, None, steps, (), False, "not seen yet")
    whole = [s for s in mine if s.is_whole]
    places = tuple(dict.fromkeys(s.place for s in whole))
    kept = bool(whole) and (whole[-1].on - whole[0].on).days >= KEPT_DAYS
    managed = kept and len(places) >= MANAGED_PLACES and mine[-1].is_whole
    return TaskStanding(task, mine[-1].steps_alone, steps, places, managed, _words(mine, whole, places, kept, managed))


def _words(mine: list[TaskSeen], whole: list[TaskSeen], places: tuple[Place, ...], kept: bool, managed: bool) -> str:
    last = mine[-1]
    where = f"{PLACES[last.place]}, {WITH_WHOM[last.with_whom]}{', unasked' if last.unasked else ''}"
    alone = f"step {last.steps_alone} of {len(find_task(last.task).steps)} alone {where}, {last.on:%d %b}"
    if managed:
        return f"managed: {' and '.join(PLACES[p] for p in places)}, two weeks apart"
    if not whole or not last.is_whole:
        return alone if last.steps_alone else f"no step alone yet {where}, {last.on:%d %b}"
    missing = [] if len(places) >= MANAGED_PLACES else ["a second place"]
    missing += [] if kept else ["two weeks without teaching"]
    return f"all of it alone {where}; still wanted: {' and '.join(missing)}"


def chain(
    task: str, alone: int, chaining: Chaining, proven: Collection[int] = (), done: Collection[int] = ()
) -> tuple[tuple[str, Who], ...]:
    """Return each step of a task with who does it now: the adult, the child as it is taught, the child alone.

    alone  -- steps done alone so far: the last ones in backward chaining, the first ones in forward
    proven -- places of the steps that what the child can do proves, wherever they stand: never taught again
    done   -- places of the steps the child does in a block, where it is part of the task: the adult does the others
    """
    taught = taught_steps(task, alone, chaining, proven)
    mastered = _mastered(task, alone, chaining, proven)
    result: list[tuple[str, Who]] = []
    for at, step in enumerate(find_task(task).steps):
        theirs = at in done if done else at in taught or at in mastered
        who: Who = "adult" if not theirs else "alone" if at in mastered else "taught"
        result.append((step.words, who))
    return tuple(result)


def taught_steps(task: str, alone: int, chaining: Chaining, proven: Collection[int] = ()) -> frozenset[int]:
    """Return the places of the steps that are taught next: the last one not yet done alone, or the first; where the
    whole task is taught at once, every one of them.
    """
    mastered = _mastered(task, alone, chaining, proven)
    still = [at for at in range(len(find_task(task).steps)) if at not in mastered]
    return frozenset(still if chaining == "whole" else still[-1:] if chaining == "backward" else still[:1])


@dataclass(frozen=True)
class StepDay:
    """The tries alone at one step of a task on one day."""

    on: date
    tries: int
    successes: int


def is_learned(days: Iterable[StepDay]) -> bool:
    """Whether a step came off 8 times in 10 on each of the last three days it was tried alone. Common practice."""
    last = sorted((d for d in days if d.tries >= LEARNED_TRIES), key=lambda d: d.on)[-LEARNED_DAYS:]
    return len(last) == LEARNED_DAYS and all(d.successes >= LEARNED_SHARE * d.tries for d in last)


def alone_with(task: str, step: int, alone: int, chaining: Chaining) -> int:
    """Return how many steps are done alone once a step, by its place, is done alone too; as many as before where the
    whole task is taught at once.
    """
    if chaining == "whole":
        return alone
    return max(alone, len(find_task(task).steps) - step if chaining == "backward" else step + 1)


def extra_steps(task: str, alone: int, chaining: Chaining, proven: Collection[int], done: Collection[int]) -> float:
    """Return how many steps a block asks for beside the one that is taught and those done alone; infinite where it does
    not contain the step that is taught.
    """
    taught = taught_steps(task, alone, chaining, proven)
    if taught and not taught & {*done}:
        return inf
    return len({*done} - taught - _mastered(task, alone, chaining, proven))


def _mastered(task: str, alone: int, chaining: Chaining, proven: Collection[int]) -> frozenset[int]:
    """The places of the steps the child does alone."""
    count = len(find_task(task).steps)
    alone = min(max(alone, 0), count)
    seen = range(count - alone, count) if chaining == "backward" else range(alone)
    return frozenset(seen) | frozenset(proven)


def proven_steps(task: str, estimates: Mapping[str, Estimate]) -> frozenset[int]:
    """Return the places of the steps of a task that what was seen of a child proves: who cuts a spiral opens and closes
    the blades. Surely, so that a standard deviation is taken off, and only where something was seen at all.
    """
    sure = {s: e.mean - e.sd for s, e in estimates.items() if e.tries or e.as_of}
    return frozenset(
        at
        for at, step in enumerate(find_task(task).steps)
        if step.proven_by and all(sure.get(strand, 0.0) >= rung for strand, rung in step.proven_by.items())
    )
