"""What a session is planned from, and what makes no sense to ask."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from core.ability import Estimate
from core.child import PARTS, Child, Part, Setting, Zone, Zones
from core.library import ACTIVITIES, KITS, Activity
from core.materials import Stock
from core.offers import UsableCupboard, Variant, checked_variant
from core.planner.request.dose import Pace
from core.planner.request.formats import ORDERS, Format, format_of
from core.skills import TARGETS

SHORTEST_SESSION = 5  # minutes, project definition
LONGEST_SESSION = 90  # minutes, project definition


class RequestError(ValueError):
    """A request that makes no sense as asked. `field` names what to change."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


@dataclass(frozen=True)
class PlannedBlock:
    """A block as it was chosen: its part, its grade, its sets. Everything else is worked out from it.

    The one shape in which blocks of sessions, weeks and groups are stored. locked -- kept when planning again
    """

    part: Part
    variant: Variant
    sets: int
    locked: bool = False


@dataclass(frozen=True)
class SessionRequest:
    """All a session is planned from.

    targets   -- ids of the targets worked on, one or two of skills.TARGETS
    estimates -- strand id to estimate; a strand without one can't be aimed at
    activities -- those the clinic works with, by id: the library's, without what it hides and with its own
    recent    -- activity line to how many sessions ago it was last done (0: the last one), in the order of doing
    practised -- wanted task to how many sessions ago a block practised it (0: the last one)
    pace      -- activity id to what the child's own clock says of it
    managed   -- wanted tasks that are managed by now: nothing is planned for them
    steps_alone -- wanted task to how many of its steps are done alone, of those that were seen
    kit       -- the kit or project that is played, for the formats that play one; empty: the best there is
    task      -- the one wanted task the session is for; empty: all of them
    parts     -- the parts wanted; a part nothing fits is left out, with a note
    format_id -- one of formats.FORMATS; order -- one of formats.ORDERS
    """

    child: Child
    setting: Setting
    stock: tuple[Stock, ...]
    estimates: Mapping[str, Estimate]
    minutes: int
    targets: tuple[str, ...]
    activities: Mapping[str, Activity] = field(default_factory=lambda: ACTIVITIES, repr=False)
    recent: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    practised: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    pace: Mapping[str, Pace] = field(default_factory=lambda: MappingProxyType({}))
    managed: frozenset[str] = frozenset()
    steps_alone: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    locked: tuple[PlannedBlock, ...] = ()
    excluded: frozenset[str] = frozenset()
    kit: str = ""
    task: str = ""
    parts: tuple[str, ...] = PARTS
    zones: Zones = field(default_factory=Zones)
    tiring_share: float = 0.45
    format_id: str = "parts"
    order: str = "precision_first"
    usable: UsableCupboard | None = field(default=None, compare=False, repr=False)

    @property
    def cupboard(self) -> UsableCupboard:
        """The cupboard as this child may use it in this setting, judged once and kept."""
        made_of = self.stock, self.child, self.setting, self.activities
        if self.usable is None or not self.usable.is_of(*made_of):
            object.__setattr__(self, "usable", UsableCupboard(*made_of))
        assert self.usable is not None
        return self.usable

    @property
    def tasks(self) -> tuple[str, ...]:
        """The wanted tasks the session is for: the chosen one, else all there is still something to do for."""
        if self.task in self.child.wanted:
            return (self.task,)
        return tuple(t for t in self.child.wanted if t not in self.managed)

    @property
    def format(self) -> Format:
        """The format of the session. Raises NotThere for an unknown one."""
        return format_of(self.format_id)

    def band(self, part: Part) -> Zone:
        """The band of expected success of a part, in this format."""
        return self.format.zones.get(part) or self.zones.of(part)


def check_request(request: SessionRequest) -> None:
    """Raise RequestError where a request makes no sense."""
    if not SHORTEST_SESSION <= request.minutes <= LONGEST_SESSION:
        raise RequestError(
            "minutes",
            f"{request.minutes} minutes: a session has {SHORTEST_SESSION} to {LONGEST_SESSION}. Choose a number "
            "between these.",
        )
    if not request.targets:
        raise RequestError("targets", "No target chosen: a session aims at one or two. Choose at least one.")
    for target in request.targets:
        if target not in TARGETS:
            raise RequestError("targets", f"{target!r} is not a target. Use one of {', '.join(TARGETS)}.")
    if request.format.supervision not in (None, request.setting.supervision):
        raise RequestError(
            "format_id", "An independent box is for when no adult helps. Choose “independent box” as supervision too."
        )
    if request.order not in ORDERS:
        raise RequestError("order", f"{request.order!r} is not an order of work. Use one of {', '.join(ORDERS)}.")
    if request.kit and request.kit not in KITS:
        raise RequestError("kit", f"{request.kit!r} is not a kit of the library. Use one of {', '.join(KITS)}.")
    for block in request.locked:
        if block.part not in PARTS:
            raise RequestError("locked", f"{block.part!r} is not a part of a session. Use one of {', '.join(PARTS)}.")
        checked_variant(block.variant)
