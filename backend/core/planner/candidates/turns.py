"""Whose turn it is: which of the wishes that can be practised here a session has to hold. Project definition.

The family's first wish is in every session; of the others at least half, those that waited longest first: so every wish
that can be practised comes up in any two sessions.
"""

from collections.abc import Iterable, Mapping, Sequence
from math import ceil

from core.library import practises
from core.library.activity import Activity
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.suitability import DOABLE
from core.planner.request import SessionRequest
from core.skills import find_task

LONG_AGO = 2  # sessions ago from which a wish has waited as long as one that was never practised


def doable_wishes(candidates: Iterable[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """Return the wanted tasks that something here practises, near enough to the child, in the family's order."""
    there = {c.task for c in candidates if c.task and c.expected >= DOABLE}
    return tuple(task for task in request.tasks if task in there)


def wishes_practised(part: str, activity: Activity, wanted: Iterable[str]) -> frozenset[str]:
    """Return the wanted tasks a block of an activity in a part practised: the tasks themselves or their ladders, in the
    daily part and as main work.
    """
    tasks = (find_task(t) for t in wanted if part in ("daily", "main"))
    return frozenset(t.id for t in tasks if any(practises(activity, s, t) for s in activity.trains))


def due_wishes(candidates: Iterable[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """Return the wishes a session has to hold, whose turn it is first: who waited longest, then who the family named
    first.
    """
    wishes = doable_wishes(candidates, request)
    waiting = longest_waiting(wishes, request.practised)
    others = [t for t in waiting if t != wishes[0]]
    due = {*wishes[:1], *others[: ceil(len(others) / 2)]}
    return tuple(t for t in waiting if t in due)


def longest_waiting(wishes: Sequence[str], practised: Mapping[str, int]) -> tuple[str, ...]:
    """Return wishes by turn: who waited longest first, then who the family named first.

    practised -- wish to how many sessions ago it was practised (0: the last one)
    """
    return tuple(sorted(wishes, key=lambda t: (-min(practised.get(t, LONG_AGO), LONG_AGO), wishes.index(t))))


def waited_words(ago: int | None) -> str:
    """How long a wish has waited, in words. ago -- sessions, None where it was not practised yet"""
    if ago is None:
        return "not practised yet"
    return "practised last time" if ago == 0 else f"practised {ago + 1} sessions ago"
