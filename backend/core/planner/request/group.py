"""Children at one table: what is asked for them together, and what comes back."""

from dataclasses import dataclass

from core.child import Part
from core.library import find_thing
from core.library.activity import Activity
from core.offers import Variant
from core.planner.request.plan import Block, PlanStatus
from core.planner.request.session import SessionRequest


@dataclass(frozen=True)
class GroupRequest:
    """Children at one table: a session request each, all with the same cupboard, setting and minutes.

    names -- what each is called in reasons; two may be called the same
    """

    names: tuple[str, ...]
    sessions: tuple[SessionRequest, ...]


@dataclass(frozen=True)
class Shared:
    """How many of one thing the group wants at once, and how many there are."""

    thing_id: str
    wanted: int
    have: int
    own_pot: bool

    @property
    def named(self) -> str:
        """The name for as many as are wanted, in lower case."""
        return find_thing(self.thing_id).named(self.wanted)


@dataclass(frozen=True)
class GroupBlock:
    """One shared activity: each child's own block, in the order of the request; turns: beside another, half of the
    children at each.
    """

    part: Part
    activity: Activity
    minutes: int
    turns: bool
    children: tuple[Block, ...]
    things: tuple[Shared, ...]


@dataclass(frozen=True)
class GroupPlan:
    """Blocks in order. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    blocks: tuple[GroupBlock, ...] = ()
    minutes: float = 0.0
    well_spent: float = 0.0
    bound: float = 0.0
    kept_away: tuple[str, ...] = ()
    reason: str = ""
    fix: str = ""


@dataclass(frozen=True)
class PlannedGroupBlock:
    """A shared block as it was chosen: each child's own grade, in the order of the request."""

    part: Part
    minutes: int
    turns: bool
    variants: tuple[Variant, ...]
