"""What comes back: blocks with why, what was left out, and where no plan can be, the reason and the fix."""

from dataclasses import dataclass, field
from typing import Literal

from core.ability import Who, chance_in_words
from core.child import Part
from core.library import Cue
from core.offers import LackKind, Quantity, Told, Variant
from core.recording import MARKS
from core.safety import Verdict
from core.skills import STRANDS

PlanStatus = Literal["optimal", "feasible", "infeasible", "given"]
WORKED_OUT = 3  # counted up when plans come to be worked out another way; an earlier plan is marked stale


@dataclass(frozen=True)
class Reason:
    """One term of why a block is worth its minutes: its factor (0 to 1) and its words."""

    term: str
    factor: float
    words: str


@dataclass(frozen=True)
class Watched:
    """A mark to watch for, and what to do when it is seen."""

    id: str
    cue: str

    @property
    def words(self) -> str:
        """The mark in words."""
        return MARKS[self.id].words

    @property
    def may_mean(self) -> str:
        """What it may mean."""
        return MARKS[self.id].may_mean


@dataclass(frozen=True)
class ChainStep:
    """One step of a wanted task, and who does it now: the adult, the child as it is taught, the child alone."""

    words: str
    who: Who


@dataclass(frozen=True)
class Block:
    """One activity in a plan: whole sets of count tries.

    minutes -- at work, rests included; setting up comes on top (setup_minutes); work_minutes -- without the rests
    seconds_a_try, rest_seconds -- what one try takes this child, and the rest after a set
    task    -- the wanted task it is itself, or the one it serves; serves -- what it is for there, in words
    stage   -- what it is in the kit, box or project that is played
    chain   -- the steps of the wanted task it is itself, and who does each now
    overlay -- what is learned on the side, in words; never scored
    told    -- what a family reads of it
    """

    part: Part
    variant: Variant
    name: str
    strand: str
    rung: float
    grade_words: tuple[str, ...]
    minutes: float
    sets: int
    count: int
    unit: str
    seconds_a_try: float
    rest_seconds: float
    work_minutes: float
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
    cues: tuple[Cue, ...]
    watch: tuple[Watched, ...]
    tidy: str
    task: str = ""
    serves: str = ""
    chain: tuple[ChainStep, ...] = ()
    stage: str = ""
    overlay: str = ""
    told: Told = field(default_factory=Told)
    locked: bool = False

    @property
    def tries(self) -> int:
        """All its tries, every set together."""
        return self.sets * self.count

    @property
    def expected_words(self) -> str:
        """The forecast as tries of ten."""
        return chance_in_words(self.expected)

    @property
    def say(self) -> str:
        """The spoken cue, whatever order the cues are in."""
        return next((c.words for c in self.cues if c.support == "spoken"), "")

    @property
    def do_first(self) -> str:
        """What to do before anything is said, where most help comes first; else nothing."""
        return "" if not self.cues or self.cues[0].support == "spoken" else self.cues[0].words

    @property
    def activity_id(self) -> str:
        """The activity."""
        return self.variant.activity_id

    @property
    def grade(self) -> tuple[int, ...]:
        """The chosen step of each axis."""
        return self.variant.grade

    @property
    def strand_name(self) -> str:
        """The strand it aims at, in words."""
        return STRANDS[self.strand].name

    @property
    def target(self) -> str:
        """The target it aims at."""
        return STRANDS[self.strand].target


@dataclass(frozen=True)
class Refusal:
    """Why a chosen block can't stand today, and what would let it."""

    activity_id: str
    name: str
    reason: str
    remedy: str


LeftOutKind = Literal[LackKind, "too_hard", "too_easy", "not_chosen", "excluded"]


@dataclass(frozen=True)
class LeftOut:
    """An activity a therapist may have expected, and why it is not in the plan.

    override -- the rule that bars it, where a therapist may override it for this child
    """

    activity_id: str
    name: str
    kind: LeftOutKind
    reason: str
    remedy: str
    strand: str
    override: str = ""


@dataclass(frozen=True)
class SessionPlan:
    """Blocks in order. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    blocks: tuple[Block, ...] = ()
    left_out: tuple[LeftOut, ...] = ()
    minutes: float = 0.0
    well_spent: float = 0.0
    bound: float = 0.0
    tiring_minutes: float = 0.0
    work_minutes: float = 0.0
    kit: str = ""
    reason: str = ""
    fix: str = ""
    notes: tuple[str, ...] = ()
