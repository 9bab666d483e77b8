"""The limits of one session, from what is asked for it and what there is to choose among."""

from collections.abc import Iterable, Iterator
from dataclasses import replace

from core.planner.candidates import Candidate, due_wishes
from core.planner.request import SessionRequest
from core.planner.solver import ASSISTS, MANY, MOVES, STEP, Limit, Limits, Option, TargetLimit, TaskLimit

LONG_ENOUGH_FOR_TWO = 28  # minutes from which a session has two main blocks; project definition
BODY_FIRST_MINUTES = 15  # minutes from which the whole body warms up first, where it has to; project definition
LONG_ENOUGH_TO_MOVE = 20  # minutes from which somebody who needs to move has a block on the feet; project definition
LONG_ENOUGH_TO_MOVE_TWICE = 35
LONG_ENOUGH_FOR_BOTH = 20  # minutes from which each of two targets has a block of its own; project definition
STATION_MINUTES = (3, 11)  # the windows of a station, the last one excluded; common practice


def limits_of(candidates: list[Candidate], request: SessionRequest) -> Limits:
    """Which parts and which kinds of block have to be there: in a short session only a win to open with and the main
    work.
    """
    session_format = request.format
    there = {c.part for c in candidates} - {"tidy"}
    if "tidy" in request.parts and not any(b.part == "tidy" for b in request.locked):
        there.add("tidy")  # kept for it; a locked one takes its own time
    must = dict(session_format.must)
    if request.child.body_first and "warm-up" in must:
        must["warm-up"] = BODY_FIRST_MINUTES
    wanted = [p for p, from_minutes in must.items() if request.minutes >= from_minutes and p in there]
    if session_format.task_only and not request.tasks:
        wanted = [p for p in wanted if p != "daily"]
    short = request.minutes < LONG_ENOUGH_FOR_TWO and not session_format.least_always
    least = 1 if short else session_format.main[0]
    return Limits(
        request.minutes,
        round(request.minutes * request.tiring_share),
        tuple(wanted),
        least,
        tuple(_at_least(candidates, request)),
        session_format.main[1],
        session_format.equal,
    )


def _at_least(candidates: list[Candidate], request: SessionRequest) -> Iterator[tuple[Limit, int]]:
    """The kinds of block a session has at least some of: the wishes whose turn it is; work on each target; something on
    the feet for who needs to move; a job for the hand that assists.
    """
    musts: dict[Limit, set[str]] = {}
    for c in candidates:
        for must in c.musts:
            musts.setdefault(must, set()).add(c.activity.id)
    session_format, long_enough = request.format, request.minutes >= LONG_ENOUGH_TO_MOVE
    if session_format.has_task:
        held = {limit for limit in musts if isinstance(limit, TaskLimit)}
        yield from ((t, 1) for t in map(TaskLimit, due_wishes(candidates, request)) if t in held)
    targets = [t for t in map(TargetLimit, request.targets) if t in musts]
    yield from ((t, 1) for t in (targets if request.minutes >= LONG_ENOUGH_FOR_BOTH else targets[:1]))
    if session_format.wants_many and long_enough and any(_has_many(c) for c in candidates):
        yield MANY, 1
    if session_format.wants_movement and request.child.needs_to_move and long_enough:
        wanted = 2 if request.child.body_first and request.minutes >= LONG_ENOUGH_TO_MOVE_TWICE else 1
        yield MOVES, min(wanted, len(musts.get(MOVES, ())))
    if session_format.wants_assisting and request.child.assisting_hand != "none" and ASSISTS in musts:
        yield ASSISTS, 1


def _has_many(c: Candidate) -> bool:
    return any(MANY in o.musts for o in c.options(c.dose.most))


def options_of(candidates: Iterable[Candidate], limits: Limits) -> list[Option[Candidate]]:
    """What the solver chooses among. Where all stations have the same time, each takes every window of it."""
    if not limits.equal:
        return [o for c in candidates for o in c.options()]
    return [o for c in candidates for o in (stations(c) if c.part == "main" else c.options())]


def stations(c: Candidate) -> Iterator[Option[Candidate]]:
    """A candidate as a station: as many sets as fit into each whole minute there may be."""
    for minutes in range(*STATION_MINUTES):
        sets = min(c.dose.most, c.dose.sets_within(minutes * STEP))
        if sets:
            yield replace(c.option(sets), steps=minutes * STEP, window=minutes * STEP)
