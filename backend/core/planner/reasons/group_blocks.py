"""A shared block: each child's own, and how many things they want at once; and the minutes of a row of them."""

from collections.abc import Sequence
from dataclasses import replace
from math import ceil

from core.planner.candidates import Together, wanted_by
from core.planner.choice import set_up_steps
from core.planner.reasons.blocks import as_block
from core.planner.request import GroupBlock, SessionRequest
from core.planner.solver import STEP


def group_block(t: Together, minutes: int, turns: bool, sessions: Sequence[SessionRequest]) -> GroupBlock:
    """Return an activity that suits all as a block: each child's own, and how many things they want at once."""
    sets = t.sets(minutes)
    children = tuple(
        replace(as_block(c, n, s), minutes=minutes) for c, n, s in zip(t.each, sets, sessions, strict=True)
    )
    at_once = t.each[: ceil(len(t.each) / 2)] if turns else t.each
    things = tuple(sorted(wanted_by(at_once).values(), key=lambda s: s.thing_id))
    return GroupBlock(t.part, t.activity, minutes, turns, children, things)


def group_minutes(blocks: Sequence[GroupBlock]) -> float:
    """The minutes of a group session, setting up counted block by block."""
    things = [{q.stock_id for c in b.children for q in c.quantities} for b in blocks]
    set_up = (set_up_steps(b.activity, len(t)) for b, t in zip(blocks, things, strict=True))
    return sum(b.minutes for b in blocks) + sum(set_up) / STEP
