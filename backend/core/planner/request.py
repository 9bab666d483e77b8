"""What a plan is asked for, and what comes back."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Literal

from core.ability import Estimate, chance_in_words
from core.child import PARTS, Child, Part, Setting, Zone, Zones
from core.materials import Stock
from core.offers import LackKind, Quantity, Variant
from core.planner.formats import Format, format_of
from core.recording import SupportLevel
from core.safety import Verdict

PlanStatus = Literal["optimal", "feasible", "infeasible", "given"]
SHORTEST_SESSION = 5  # minutes, project definition
LONGEST_SESSION = 90  # minutes, project definition


@dataclass(frozen=True)
class LockedBlock:
    """A block the therapist keeps: its part, its grade and its minutes."""

    part: Part
    variant: Variant
    minutes: int


@dataclass(frozen=True)
class SessionRequest:
    """All a session is planned from.

    targets   -- ids of the targets worked on, one or two of skills.TARGETS
    estimates -- strand id to estimate; a strand without one can't be aimed at
    recent    -- family id to how many sessions ago it was last done (0: the last one)
    parts     -- the parts wanted; a part nothing fits is left out and said so
    format_id -- one of formats.FORMATS; order -- one of formats.ORDERS
    """

    child: Child
    setting: Setting
    stock: tuple[Stock, ...]
    estimates: Mapping[str, Estimate]
    minutes: int
    targets: tuple[str, ...]
    recent: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    locked: tuple[LockedBlock, ...] = ()
    excluded: frozenset[str] = frozenset()
    parts: tuple[str, ...] = PARTS
    zones: Zones = field(default_factory=Zones)
    tiring_share: float = 0.45
    format_id: str = "parts"
    order: str = "precision_first"

    @property
    def format(self) -> Format:
        """The format of the session. Raises NotThere for an unknown one."""
        return format_of(self.format_id)

    def band(self, part: Part) -> Zone:
        """The band of expected success of a part, in this format."""
        return self.format.zones.get(part) or self.zones.of(part)


@dataclass(frozen=True)
class Reason:
    """One term of why a block is worth its minutes: its factor (0 to 1) and its words."""

    term: str
    factor: float
    words: str


@dataclass(frozen=True)
class Block:
    """One activity in a plan. minutes are at work; setting up comes on top (setup_minutes)."""

    part: Part
    variant: Variant
    name: str
    strand: str
    rung: float
    grade_words: tuple[str, ...]
    minutes: int
    sets: int
    count: int
    unit: str
    quantities: tuple[Quantity, ...]
    expected: float
    tiring: bool
    setup_minutes: float
    well_spent: float
    verdict: Verdict
    why: tuple[Reason, ...]
    beat: str
    setup: str
    posture: str
    cues: tuple[tuple[SupportLevel, str], ...]
    watch: tuple[tuple[str, str], ...]
    tidy: str
    locked: bool = False

    @property
    def expected_words(self) -> str:
        """The forecast as tries of ten."""
        return chance_in_words(self.expected)

    @property
    def say(self) -> str:
        """The spoken cue, whatever order the cues are in."""
        return next((words for support, words in self.cues if support == "spoken"), "")

    @property
    def do_first(self) -> str:
        """What to do before anything is said, where most help comes first; else nothing."""
        support, words = self.cues[0] if self.cues else ("spoken", "")
        return "" if support == "spoken" else words


LeftOutKind = Literal[LackKind, "too_hard", "too_easy", "not_chosen", "excluded"]


@dataclass(frozen=True)
class LeftOut:
    """An activity a therapist may have expected, and why it is not in the plan."""

    activity_id: str
    name: str
    kind: LeftOutKind
    reason: str
    remedy: str
    strand: str


@dataclass(frozen=True)
class SessionPlan:
    """Blocks in order. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    blocks: tuple[Block, ...] = ()
    left_out: tuple[LeftOut, ...] = ()
    minutes: float = 0.0
    well_spent: float = 0.0
    bound: float = 0.0
    tiring_minutes: int = 0
    reason: str = ""
    fix: str = ""
    notes: tuple[str, ...] = ()
