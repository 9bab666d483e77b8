"""Where things stand on the table: from the helper side to the skill side, mirrored for a left-handed child."""

from collections.abc import Iterable
from dataclasses import dataclass

from core.child import Hand
from core.library import ACTIVITIES
from core.offers import Quantity

# Where a role's form stands for a right-handed child, as (across, away) from 0 to 1: helper side to skill side, near
# to far.
# Left to right gives a start and an end; the goal on the far skill side brings a reach across. Common practice.
_HELPER = frozenset(
    {"item", "bead", "ring", "clip", "sticker", "card", "block", "cloth", "pour", "filler", "water", "cup"}
)
_SKILL_HAND = frozenset(
    {"tongs", "squeezer", "blade", "pen", "spoon", "fork", "knife", "glue", "cord", "stamp", "puppet"}
)
_GOAL = frozenset({"container", "slot_lid", "post", "edge", "tube", "tray"})
NO_TABLE = frozenset({"wall", "floor"})


@dataclass(frozen=True)
class Stands:
    """One thing on the table. across: 0 the left edge, 1 the right edge as the child sits; away: 0 near, 1 far."""

    name: str
    count: int
    across: float
    away: float
    zone: str


def lay_out(activity_id: str, quantities: Iterable[Quantity], hand: Hand) -> tuple[Stands, ...]:
    """Return where each thing of a set stands. Unsettled hands get the right-handed table, tools in the middle.

    Nothing for work at a wall or on the floor, or with one thing alone: the words say enough.
    """
    roles = {r.id: r for r in ACTIVITIES[activity_id].roles}
    listed = list(quantities)
    if len(listed) < 2 or any(roles[q.role].form in NO_TABLE for q in listed):
        return ()
    zones = [_zone(roles[q.role].form, len(listed)) for q in listed]
    result = []
    for at, (q, zone) in enumerate(zip(listed, zones, strict=True)):
        same = [i for i, z in enumerate(zones) if z == zone]
        across, away = _place(zone, same.index(at), len(same))
        if hand == "left":
            across = 1 - across
        elif hand == "not_settled" and zone == "tool":
            across = 0.5
        result.append(Stands(q.named, q.wanted, across, away, zone))
    return tuple(result)


def _zone(form: str, things: int) -> str:
    if form in _SKILL_HAND:
        return "tool"
    if form in _GOAL:
        return "goal"
    return "start" if form in _HELPER and things > 1 else "middle"


def _place(zone: str, nth: int, of: int) -> tuple[float, float]:
    step = nth - (of - 1) / 2
    return {
        "start": (0.22, 0.5 + 0.34 * step),
        "goal": (0.78, 0.6 + 0.34 * step),
        "tool": (0.72 - 0.3 * nth, 0.16),
        "middle": (0.5 + 0.3 * step, 0.82),
    }[zone]
