"""From what is stored to what the planner works on: a request and a house, for one child, today."""

import hashlib
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from types import MappingProxyType

from caseload.facts import estimates_of, facts_of
from caseload.models import Child, Home
from core.child import Setting
from core.offers import UsableCupboard, Variant
from core.planner import LockedBlock, SessionRequest
from cupboard.queries import items, stock_of
from planning.models import Plan, PlanBlock

SESSIONS_REMEMBERED = 4


@dataclass(frozen=True)
class Wish:
    """What a therapist asks of a session."""

    minutes: int
    targets: tuple[str, ...]
    place: str = "clinic"
    supervision: str = "arms_reach"
    excluded: tuple[str, ...] = ()
    format_id: str = "parts"
    order: str = "precision_first"


@dataclass(frozen=True)
class Workbench:
    """A request and the cupboard it may use."""

    request: SessionRequest
    cupboard: UsableCupboard


def workbench(child: Child, home: Home, wish: Wish, on: date, locked: Sequence[LockedBlock] = ()) -> Workbench:
    """Return the request for a child and the house to fill it from. A handful of queries."""
    facts = facts_of(child, on)
    setting = Setting(wish.place, wish.supervision)  # type: ignore[arg-type]
    stock = stock_of(home)
    request = SessionRequest(
        facts, setting, stock, MappingProxyType(estimates_of(child, on)), wish.minutes, tuple(wish.targets),
        recent=MappingProxyType(recent_activities(child)), locked=tuple(locked), excluded=frozenset(wish.excluded),
        format_id=wish.format_id, order=wish.order,
    )  # fmt: skip
    return Workbench(request, UsableCupboard(stock, facts, setting))


def workbench_of(plan: Plan, on: date) -> Workbench:
    """The workbench a stored plan stands on, as the child and the cupboard are today."""
    return workbench(plan.child, plan.home, wish_of(plan), on, locked_of(plan))


def wish_of(plan: Plan) -> Wish:
    """What was asked of a stored plan."""
    return Wish(plan.minutes, tuple(plan.targets), plan.place, plan.supervision, tuple(plan.excluded), plan.format_id, plan.order)


def locked_of(plan: Plan) -> tuple[LockedBlock, ...]:
    """The blocks of a stored plan that are kept."""
    return tuple(LockedBlock(b.part, variant_of(b), b.minutes) for b in plan.blocks.all() if b.locked)


def variant_of(block: PlanBlock) -> Variant:
    """The graded activity of a stored block."""
    return Variant(block.activity_id, tuple(block.grade))


def recent_activities(child: Child) -> dict[str, int]:
    """Which families the last sessions used, and how many sessions ago."""
    used = Plan.objects.filter(child=child, used_on__isnull=False).order_by("-used_on", "-made_at").prefetch_related("blocks")
    found: dict[str, int] = {}
    for ago, plan in enumerate(used[:SESSIONS_REMEMBERED]):
        for block in plan.blocks.all():
            found.setdefault(block.activity_id, ago)
    return found


def stock_stamp(home: Home) -> str:
    """A short text that changes whenever the cupboard does."""
    lines = "|".join(f"{i.thing_id}:{i.count}:{sorted(i.measured.items())}" for i in items(home))
    return hashlib.sha256(lines.encode()).hexdigest()


def what_changed(plan: Plan) -> list[str]:
    """What changed since the plan was made: the child, the cupboard, both or nothing."""
    changed = []
    if plan.child.version != plan.child_version:
        changed.append(f"what is known of {plan.child.first_name}")
    if stock_stamp(plan.home) != plan.stock_stamp:
        changed.append(f"the cupboard of {plan.home.name}")
    return changed
