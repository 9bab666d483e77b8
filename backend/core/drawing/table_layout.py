"""Where things stand on the table, as their roles say; mirrored for a left-handed child."""

from collections.abc import Iterable
from dataclasses import dataclass

from core.child import Hand
from core.library import find_activity
from core.materials import NOT_BESIDE, Place
from core.offers import Quantity

NO_TABLE = frozenset({"wall", "floor"})


@dataclass(frozen=True)
class Stands:
    """One thing on the table. across: 0 the left edge, 1 the right edge as the child sits; away: 0 near, 1 far."""

    name: str
    count: int
    across: float
    away: float
    zone: Place


def lay_out(activity_id: str, quantities: Iterable[Quantity], hand: Hand) -> tuple[Stands, ...]:
    """Return where each thing of a set stands. Unsettled hands get the right-handed table, tools in the middle.

    hand -- the one that works: of a child with an assisting hand, the other
    What lies under the others has the zone "under", and need not be drawn; what only got the table ready, "before".
    Nothing for work at a wall or on the floor, or with one thing alone: the words say enough.
    """
    roles = {r.id: r for r in find_activity(activity_id).roles}
    listed = list(quantities)
    if len(listed) < 2 or any(roles[q.role].form in NO_TABLE for q in listed):
        return ()
    zones = [roles[q.role].stands for q in listed]
    if sum(zone not in NOT_BESIDE for zone in zones) < 2:
        return ()
    result = []
    for at, (q, zone) in enumerate(zip(listed, zones, strict=True)):
        same = [i for i, z in enumerate(zones) if z == zone]
        across, away = _across_and_away(zone, same.index(at), len(same))
        if hand == "left":
            across = 1 - across
        elif hand == "not_settled" and zone == "tool":
            across = 0.5
        result.append(Stands(q.named, q.wanted, across, away, zone))
    return tuple(result)


def _across_and_away(zone: Place, nth: int, of: int) -> tuple[float, float]:
    """Paper lies near, a hand's width from the edge; what is taken and where it goes stand on either side."""
    step = nth - (of - 1) / 2
    places: dict[Place, tuple[float, float]] = {
        "start": (0.22, 0.5 + 0.34 * step),
        "goal": (0.78, 0.6 + 0.34 * step),
        "tool": (0.72 - 0.3 * nth, 0.16),
        "middle": (0.5 + 0.3 * step, 0.62),
        "paper": (0.46 + 0.2 * step, 0.34),
        "under": (0.5, 0.5),
        "before": (0.5, 0.5),
    }
    return places[zone]
