"""A chosen row as a plan: its blocks with why, what was left out, what to know besides."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from core.library import Kit
from core.planner.candidates import Candidate
from core.planner.choice import Chosen, keeps_tidying
from core.planner.reasons.blocks import as_block, totals
from core.planner.reasons.infeasible import given_up_words
from core.planner.reasons.left_out import left_out
from core.planner.reasons.wishes import wish_notes
from core.planner.request import SessionPlan, SessionRequest
from core.planner.solver import QUALITY, STEP, Option, TaskLimit
from core.skills import STRANDS, TARGETS

ROOM_MINUTES = 8  # minutes left over from which it is not the room that lacks; project definition
TIDY_TOGETHER = "Tidy up together: everything back in its box, the child carries."


def as_plan(chosen: Chosen, row: Sequence[Option[Candidate]], request: SessionRequest) -> SessionPlan:
    """Return the plan of a chosen row, in its order."""
    kit = chosen.way.kit
    in_plan = frozenset(o.activity.id for o in row)
    locked = {b.variant.activity_id for b in request.locked}
    asked = request if kit is None else replace(request, kit=kit.id)
    pool = chosen.way.pool if kit is None else ()
    made = (as_block(o.of, o.sets, asked, place, _beaten(o.of, pool, in_plan)) for place, o in enumerate(row))
    blocks = tuple(
        replace(b, locked=o.activity.id in locked, minutes=o.steps / STEP) for b, o in zip(made, row, strict=True)
    )
    return replace(
        totals(blocks),
        status=chosen.choice.status,
        left_out=left_out(request, in_plan) if kit is None else (),
        bound=chosen.choice.bound,
        kit=kit.id if kit else "",
        notes=tuple(_of_kit(kit) if kit else _notes(chosen, row, request)),
    )


def _of_kit(kit: Kit) -> Iterable[str]:
    return (kit.about, *kit.beforehand, *([kit.ending] if kit.ending else []))


def _notes(chosen: Chosen, row: Sequence[Option[Candidate]], request: SessionRequest) -> Iterator[str]:
    """What becomes of each wish; what is not there and why; how it ends; what had no room."""
    pool, parts = chosen.way.pool, {o.part for o in row}
    if request.format.has_task:
        yield from wish_notes(pool, row, request)
    there = {c.part for c in pool}
    for part in ("opener", "warm-up"):
        if part in request.parts and part in request.format.must and part not in there:
            yield f"Nothing here fits the {part}."
    for target in request.targets:
        if not any(c.on_target and STRANDS[c.strand].target == target for c in pool):
            name = TARGETS[target].name.lower()
            needed = ", in what a wish needs," if request.tasks else ""
            yield f"No work on {name}: nothing here trains it{needed} safely at this child's rung."
    if keeps_tidying(chosen) and "tidy" not in parts:
        yield TIDY_TOGETHER
    if request.format.ending:
        yield request.format.ending
    spare = request.minutes - sum(o.time for o in row) / STEP
    for limit in chosen.given_up:
        if not isinstance(limit, TaskLimit):  # said of the wish already
            words = given_up_words(limit)
            yield (
                f"Nothing here is left for {words}."
                if spare >= ROOM_MINUTES
                else f"No room for {words} in {request.minutes} minutes."
            )


def _beaten(c: Candidate, pool: Sequence[Candidate], chosen: frozenset[str]) -> str:
    others = [o for o in pool if o.part == c.part and o.activity.id not in chosen and o.quality <= c.quality]
    best = max(others, key=lambda o: (o.quality, o.activity.id), default=None)
    return (
        f"{best.activity.name} ({best.quality / QUALITY:.2f} a minute against {c.quality / QUALITY:.2f})"
        if best
        else ""
    )
