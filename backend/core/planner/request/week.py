"""A home week: what is asked for it, and what comes back."""

from collections.abc import Iterable
from dataclasses import dataclass

from core.library import find_activity
from core.offers import Quantity
from core.planner.request.plan import Block, LeftOut, PlanStatus
from core.planner.request.session import PlannedBlock, SessionRequest

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


@dataclass(frozen=True)
class Elsewhere:
    """What is done that week outside the plan: the clinic's session, on its day (0: Monday)."""

    day: int
    strands: frozenset[str]
    tiring_minutes: float = 0.0


@dataclass(frozen=True)
class WeekRequest:
    """What a home week is planned from.

    session  -- the child, the home's cupboard and setting, estimates, targets, what was done lately
    minutes_by_day -- minutes the family has on each of seven days, Monday first; 0 where there is no time
    a_day    -- most activities on one day: 1 or 2
    elsewhere -- what is done that week outside the plan
    school, school_minutes -- the part the school has in it: its cupboard and setting, and its minutes day by day
    kept -- what stands already at home, each with its day (0: Monday): the rest is planned around it; locked ones are
            shown as kept
    """

    session: SessionRequest
    minutes_by_day: tuple[int, ...]
    a_day: int = 1
    elsewhere: tuple[Elsewhere, ...] = ()
    school: SessionRequest | None = None
    school_minutes: tuple[int, ...] = (0,) * 7
    kept: tuple[tuple[int, PlannedBlock], ...] = ()


@dataclass(frozen=True)
class Day:
    """One day of the week: its name, the family's minutes, and the activities at home and at school, none where there
    is no time.
    """

    name: str
    available: int
    blocks: tuple[Block, ...] = ()
    school: tuple[Block, ...] = ()

    @property
    def minutes(self) -> float:
        """Minutes at home with setting up."""
        return sum(b.minutes + b.setup_minutes for b in self.blocks)


@dataclass(frozen=True)
class WeekPlan:
    """Seven days. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    days: tuple[Day, ...] = ()
    used_up: tuple[Quantity, ...] = ()
    left_out: tuple[LeftOut, ...] = ()
    well_spent: float = 0.0
    bound: float = 0.0
    reason: str = ""
    fix: str = ""


def done_elsewhere(day: int, planned: Iterable[PlannedBlock | Block], minutes: float = 0.0) -> Elsewhere:
    """Return what a session of these blocks means for the week around it. minutes -- of tiring work in it"""
    strands = {s for b in planned for s in find_activity(b.variant.activity_id).trains}
    return Elsewhere(day, frozenset(strands), minutes)
