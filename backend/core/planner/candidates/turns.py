"""Whose turn it is: which of the wishes that can be practised here a session has to hold. Project definition.

The family's first wish is in every session; of the others at least half, those that waited longest first: so every wish
that can be practised comes up in any two sessions.
"""

from collections.abc import Iterable
from math import ceil

from core.library import is_the_task
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.suitability import DOABLE
from core.planner.request import SessionRequest
from core.skills import find_task

LONG_AGO = 99  # sessions since a wish was practised, where it never was


def doable_wishes(candidates: Iterable[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """Return the wanted tasks that something here is itself, near enough to the child, in the family's order."""
    there = {c.task for c in candidates if c.task and c.expected >= DOABLE}
    return tuple(task for task in request.tasks if task in there)


def sessions_since(task: str, request: SessionRequest) -> int:
    """How many sessions ago a wanted task was last practised itself: 0 the last one, LONG_AGO never."""
    wanted = find_task(task)
    itself = (a for a in request.activities.values() if any(is_the_task(a, s, wanted) for s in a.trains))
    return min((request.recent[a.line] for a in itself if a.line in request.recent), default=LONG_AGO)


def due_wishes(candidates: Iterable[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """Return the wishes a session has to hold, whose turn it is first: who waited longest, then who the family named
    first.
    """
    wishes = doable_wishes(candidates, request)
    waiting = sorted(wishes, key=lambda t: (-min(sessions_since(t, request), 2), wishes.index(t)))
    others = [t for t in waiting if t != wishes[0]]
    due = {*wishes[:1], *others[: ceil(len(others) / 2)]}
    return tuple(t for t in waiting if t in due)
