"""Where things stand on the table: where the set-up says, else from the helper side to the skill side; mirrored for a
left-handed child.
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from core.child import Hand
from core.library import find_activity
from core.materials import FORMS, Role
from core.offers import Quantity

Zone = Literal["start", "goal", "tool", "middle", "paper", "under"]

# Where a role's form stands when the set-up does not say: helper side to skill side, near to far.
# Left to right gives a start and an end; the goal on the far skill side brings a reach across. Common practice.
_HELPER = frozenset(
    {
        "item",
        "bead",
        "ring",
        "clip",
        "sticker",
        "card",
        "block",
        "brick",
        "cloth",
        "wipe",
        "pour",
        "filler",
        "water",
        "cup",
    }
)
_SKILL_HAND = frozenset(
    {
        "tongs",
        "gripper",
        "squeezer",
        "squirter",
        "roll",
        "mouth",
        "blade",
        "pen",
        "spoon",
        "fork",
        "knife",
        "glue",
        "cord",
        "stamp",
        "puppet",
        "hammer",
        "driver",
        "brush",
    }
)
_GOAL = frozenset({"container", "slot_lid", "post", "edge", "tube", "sorter", "plate"})
_UNDER = frozenset({"mat", "grip", "tray"})
_PAPER = frozenset({"sheet", "lined", "mesh"})
NO_TABLE = frozenset({"wall", "floor"})
_SIDE = re.compile(
    r"(?P<what>[^,.;:]*?)\b(?:on the \{(?P<side>helper|skill)\} side|in front of the \{(?P<hand>helper|skill)\} hand)"
)
_FRONT = re.compile(r"(?P<what>[^,.;:]*?)\bin (?:front|the middle)\b(?! of)")
_IN = re.compile(r"\bin (?:a|an|its|their|the)\b")
_LITTLE = frozenset({"thing", "things", "to", "the", "a", "an", "of", "for", "that", "and", "or", "on", "in", "into"})


@dataclass(frozen=True)
class Stands:
    """One thing on the table. across: 0 the left edge, 1 the right edge as the child sits; away: 0 near, 1 far."""

    name: str
    count: int
    across: float
    away: float
    zone: Zone


def lay_out(activity_id: str, quantities: Iterable[Quantity], hand: Hand) -> tuple[Stands, ...]:
    """Return where each thing of a set stands. Unsettled hands get the right-handed table, tools in the middle.

    hand -- the one that works: of a child with an assisting hand, the other
    What lies under the others has the zone "under", and need not be drawn. Nothing for work at a wall or on the floor,
    or with one thing alone: the words say enough.
    """
    roles = {r.id: r for r in find_activity(activity_id).roles}
    listed = list(quantities)
    if len(listed) < 2 or any(roles[q.role].form in NO_TABLE for q in listed):
        return ()
    said = sides_said(activity_id)
    zones = [said.get(q.role) or _zone(roles[q.role].form, len(listed)) for q in listed]
    if len(zones) - zones.count("under") < 2:
        return ()
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


@lru_cache(maxsize=4096)
def sides_said(activity_id: str) -> dict[str, Zone]:
    """The roles of which the set-up says where: helper side is the start, skill side the goal, in front the middle."""
    return sides_in(find_activity(activity_id).setup, find_activity(activity_id).roles)


def sides_in(text: str, roles: tuple[Role, ...]) -> dict[str, Zone]:
    """The roles of which a text says a side; what lies in a pot stands where the pot stands."""
    result: dict[str, Zone] = {}
    for found in _SIDE.finditer(text):
        zone: Zone = "start" if (found["side"] or found["hand"]) == "helper" else "goal"
        for what in _IN.split(found["what"]):
            meant = _meant(roles, _stems(what))
            if not meant and re.search(r"\b(things|pieces)\b", what, re.IGNORECASE):
                meant = [r.id for r in roles if r.form in _HELPER][:1]
            for role in meant:
                result[role] = zone if result.get(role, zone) == zone else "middle"  # one of a pair on either side
    for found in _FRONT.finditer(text):
        for role in _meant(roles, _stems(found["what"])):
            result.setdefault(role, "middle")
    return result


def _meant(roles: tuple[Role, ...], words: frozenset[str]) -> list[str]:
    """The roles these words are about: by their own words, else by what may fill them."""
    for said in ({r.id: f"{r.words} {r.id}" for r in roles}, {r.id: FORMS[r.form] for r in roles}):
        shared = {role: len(words & _stems(text)) for role, text in said.items()}
        if most := max(shared.values()):
            return [role for role, n in shared.items() if n == most]
    return []


def _stems(words: str) -> frozenset[str]:
    return frozenset(w.removesuffix("s") for w in re.findall(r"[a-z]+", words.lower()) if w not in _LITTLE)


def _zone(form: str, things: int) -> Zone:
    if form in _SKILL_HAND:
        return "tool"
    if form in _GOAL:
        return "goal"
    if form in _PAPER:
        return "paper"
    if form in _UNDER:
        return "under"
    return "start" if form in _HELPER and things > 1 else "middle"


def _place(zone: Zone, nth: int, of: int) -> tuple[float, float]:
    """Paper lies near, a hand's width from the edge; what is taken and where it goes stand on either side."""
    step = nth - (of - 1) / 2
    places: dict[Zone, tuple[float, float]] = {
        "start": (0.22, 0.5 + 0.34 * step),
        "goal": (0.78, 0.6 + 0.34 * step),
        "tool": (0.72 - 0.3 * nth, 0.16),
        "middle": (0.5 + 0.3 * step, 0.62),
        "paper": (0.46 + 0.2 * step, 0.34),
        "under": (0.5, 0.5),
    }
    return places[zone]
