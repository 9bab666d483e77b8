"""How far a home reaches: which grades of each activity it can offer, what would open more, what to start with."""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from core import safety
from core.ability import Estimate, chance_in_words
from core.child import Child, Setting
from core.library import ACTIVITIES
from core.library.activity import Activity
from core.materials import Thing
from core.offers.forecast import chances_alone
from core.offers.usable_cupboard import UsableCupboard, fillers
from core.offers.variants import Variant, difficulty, roles_of, tags_of, variants_of

AIMED_AT = 0.8  # the chance alone that a grade is chosen for: standing at its rung, by definition
CAN_ADD = ("missing", "short")


@dataclass(frozen=True)
class Reach:
    """One activity in one home. low to high: the rungs on offer; least to most: all there are, in its first strand.

    nearest    -- the grade on offer nearest to 8 of 10 for this child, None where none is
    expected   -- its chance of success alone
    to_add     -- the one change that opens most more grades, and how many
    why_not    -- where nothing is on offer: the first reason
    """

    activity: Activity
    grades: int
    offered: int
    least: float
    most: float
    low: float | None
    high: float | None
    nearest: Variant | None
    expected: float | None
    to_add: str
    opens: int
    why_not: str
    things: tuple[str, ...]

    @property
    def expected_words(self) -> str:
        """The chance at the nearest grade as tries of ten; empty where nothing is on offer."""
        return "" if self.expected is None else chance_in_words(self.expected)


def most_useful_first(reaches: Iterable[Reach]) -> list[Reach]:
    """Return activities in the order of use here: nearest to 8 of 10 first, then what lacks least; what can't be done
    last.
    """

    def rank(r: Reach) -> tuple[bool, float, float, str]:
        off = 0.0 if r.expected is None else abs(r.expected - AIMED_AT)
        return r.expected is None, off, -r.offered / r.grades, r.activity.name

    return sorted(reaches, key=rank)


def reach(activity: Activity, cupboard: UsableCupboard, estimates: Mapping[str, Estimate]) -> Reach:
    """Return how far a home reaches in one activity, for a child with these estimates of the strands it trains."""
    variants = list(variants_of(activity))
    rungs = {v: difficulty(v)[activity.strand] for v in variants}
    on_offer = [o for v in variants if (o := cupboard.offer(v))]
    offers = [o.variant for o in on_offer]
    lacks = [lack for v in variants if (lack := cupboard.lack(v))]
    adds = Counter(lack.remedy for lack in lacks if lack.kind in CAN_ADD and cupboard.roles_missing(lack.variant) == 1)
    to_add, opens = max(adds.items(), key=lambda a: (a[1], a[0]), default=("", 0))
    trained = {s: estimates[s] for s in activity.trains}
    chances = dict(zip(offers, chances_alone(on_offer, trained, cupboard.child.turn_hand).tolist(), strict=True))
    nearest = min(offers, key=lambda v: (abs(chances[v] - AIMED_AT), v.grade), default=None)
    reached = [rungs[v] for v in offers]
    things = sorted({q.name for o in on_offer for q in o.quantities})
    return Reach(
        activity,
        len(variants),
        len(offers),
        min(rungs.values()),
        max(rungs.values()),
        min(reached, default=None),
        max(reached, default=None),
        nearest,
        chances[nearest] if nearest else None,
        to_add,
        opens,
        "" if offers else lacks[0].reason,
        tuple(things),
    )


def starter_list(
    child: Child,
    setting: Setting,
    have: Iterable[str] = (),
    most: int = 10,
    activities: Mapping[str, Activity] = ACTIVITIES,
) -> list[tuple[Thing, int]]:
    """Return the things that open most activities for this child, best first, each with how many it then makes whole.

    have -- ids of things that are there already
    A step takes the thing that brings most activities nearest to whole (an activity counts by the square of
    the share of its roles that are filled); safe things only. Worked out anew for each child.
    """
    fills = _safe_fillers(child, setting, activities)
    chosen = set(have)
    picked: list[tuple[Thing, int]] = []
    candidates = {m.id: m for roles in fills.values() for role in roles for m in role}
    for _ in range(most):
        left = [m for m in candidates.values() if m.id not in chosen]
        if not left:
            break
        best = max(left, key=lambda m: (_score(fills, chosen | {m.id}), m.id))
        chosen.add(best.id)
        picked.append((best, sum(_whole(roles, chosen) for roles in fills.values())))
    return picked


def reach_of_thing(thing: Thing, activities: Iterable[Activity] = ACTIVITIES.values()) -> list[Activity]:
    """Return the activities in which a thing can fill a role at some grade."""
    return [a for a in activities if any(role.filled_by(thing, ()) for role in a.roles)]


def _safe_fillers(
    child: Child, setting: Setting, activities: Mapping[str, Activity]
) -> Mapping[str, list[list[Thing]]]:
    """For every activity this child may do: the safe things for each role."""
    cupboard = UsableCupboard((), child, setting)
    safe: dict[str, bool] = {}

    def usable(m: Thing) -> bool:
        if m.id not in safe:
            safe[m.id] = safety.assess(m, child, setting).status != "barred" and m.handed in (None, child.skill_hand)
        return safe[m.id]

    result = {}
    for activity in activities.values():
        easiest = (0,) * len(activity.axes)
        if cupboard.verdict_on_steps(tags_of(activity, easiest)).status != "barred":
            result[activity.id] = [[m for m in fillers(role) if usable(m)] for role in roles_of(activity, easiest)]
    return result


def _score(fills: Mapping[str, list[list[Thing]]], chosen: set[str]) -> float:
    return sum((sum(any(m.id in chosen for m in role) for role in roles) / len(roles)) ** 2 for roles in fills.values())


def _whole(roles: list[list[Thing]], chosen: set[str]) -> bool:
    return all(any(m.id in chosen for m in role) for role in roles)
