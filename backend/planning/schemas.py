"""Plans as the API shows them."""

from datetime import date, datetime
from uuid import UUID

from pydantic import Field

from caseload.everyday import ApproachOut
from clinic.base_schema import OwnWords, Schema
from clinic.models import Member
from core.ability import Who
from core.child import Part, Place, Supervision
from core.offers import Variant
from core.planner import DifferenceKind, LeftOutKind, PlannedBlock, PlanStatus
from core.recording import SupportLevel
from cupboard.schemas import VerdictOut
from planning.models import MOST_SETS
from shelf.queries import checked_activity


class AimOut(Schema):
    """A target to work on next, and why; the wanted task it is for, where it is for one."""

    target: str
    words: str
    task: str


class TaskAims(Schema):
    """What one wanted task asks to work on, what it lacks most first; how long it has waited, and whether its turn is
    next.
    """

    task: str
    name: str
    aims: list[AimOut]
    waited: str
    next: bool


class AimsOut(Schema):
    """The one or two targets suggested, and what each wanted task asks for."""

    suggested: list[AimOut]
    tasks: list[TaskAims]


class WishIn(Schema):
    """What is asked of a session. task: the one wanted task it is for; kit: the one that is played, for the formats
    that play one; empty: all, or any.
    """

    minutes: int
    targets: list[str]
    task: str = ""
    kit: str = ""
    place: Place = "clinic"
    supervision: Supervision = "arms_reach"
    home_id: int
    format_id: str = "parts"
    order: str = "precision_first"


class BlockIn(Schema):
    """A block as a therapist sets it."""

    part: Part
    activity_id: str
    grade: list[int]
    sets: int
    locked: bool = False

    def planned(self, who: Member) -> PlannedBlock:
        """The choice as the core sees it. Raises Http404 for another clinic's own activity."""
        checked_activity(who, self.activity_id)
        return PlannedBlock(self.part, Variant(self.activity_id, tuple(self.grade)), self.sets, self.locked)


class BlocksIn(Schema):
    """The row of blocks, and the version of the plan it was arranged from."""

    version: int
    blocks: list[BlockIn]


class AgainIn(Schema):
    """Plan again around the locked blocks, without these activities; bring_in: with this one, locked."""

    version: int
    excluded: list[str] = []
    bring_in: str = ""


class ReasonOut(Schema):
    """One term of why."""

    term: str
    factor: float
    words: str


class QuantityOut(Schema):
    """How many of a thing."""

    role: str
    words: str
    thing_id: str
    name: str = Field(validation_alias="named")
    wanted: int
    have: int
    rounds: int
    single_use: bool
    cut: str = ""


class CueOut(Schema):
    """A cue: how much help it is, and what to say or do."""

    support: SupportLevel
    support_words: str
    words: str


class MarkOut(Schema):
    """A thing to watch, and the cue it calls for."""

    id: str
    words: str
    may_mean: str
    cue: str


class ChainStepOut(Schema):
    """One step of a wanted task, and who does it now: adult, taught or alone."""

    words: str
    who: Who


class ToldOut(Schema):
    """What a family reads of an activity at one grade; grip where a success may come in another grip."""

    does: str = ""
    grade: list[str] = []
    steps: list[str] = []
    counts_when: str = ""
    grip: str = ""
    why: str = ""
    stop: str = ""


class BlockOut(Schema):
    """One block of a plan, with everything needed to set it up and run it."""

    part: Part
    activity_id: str
    name: str
    grade: list[int]
    grade_words: list[str]
    strand: str
    strand_name: str
    target: str
    rung: float
    minutes: float
    sets: int
    count: int
    tries: int
    unit: str
    seconds_a_try: float
    rest_seconds: float
    work_minutes: float
    quantities: list[QuantityOut]
    expected: float
    expected_words: str
    tiring: bool
    setup_minutes: float
    well_spent: float
    verdict: VerdictOut
    why: list[ReasonOut]
    beat: str
    setup: str
    posture: str
    say: str
    do_first: str
    cues: list[CueOut]
    watch: list[MarkOut]
    tidy: str
    task: str
    serves: str
    chain: list[ChainStepOut]
    overlay: str
    stage: str
    told: ToldOut
    locked: bool
    problem: str = ""


class LeftOutOut(Schema):
    """An activity that is not in the plan, and why; override: the rule that bars it, where a therapist may allow it."""

    activity_id: str
    name: str
    kind: LeftOutKind
    reason: str
    remedy: str
    strand: str
    override: str = ""


class KitLineOut(Schema):
    """One thing to bring; short: how many are missing."""

    name: str = Field(validation_alias="named")
    wanted: int
    short: int


class PlanOut(Schema):
    """A plan with its totals. status infeasible: no id, a reason and the shortest fix. learned: the version of the
    library it was made with; empty: as it ships.
    """

    id: UUID | None
    child_id: int
    child_name: OwnWords
    home_id: int
    home_name: OwnWords
    place: Place
    supervision: Supervision
    minutes_asked: int
    targets: list[str]
    task: str = ""
    kit_id: str = ""
    format_id: str = "parts"
    part_names: dict[str, str] = {}
    name: OwnWords = ""
    excluded: list[str]
    status: PlanStatus
    reason: str = ""
    fix: str = ""
    minutes: float = 0
    well_spent: float = 0
    bound: float = 0
    tiring_minutes: float = 0
    work_minutes: float = 0
    most_sets: int = MOST_SETS
    blocks: list[BlockOut] = []
    kit: list[KitLineOut] = []
    left_out: list[LeftOutOut] = []
    general_cautions: list[str] = []
    approaches: list[ApproachOut] = []
    learned: str = ""
    notes: list[str] = []
    changed: list[str] = []
    version: int = 0
    made_at: datetime | None = None
    used_on: date | None = None


class DialStepOut(Schema):
    """One step of a dial."""

    words: str
    rungs: float
    chosen: bool
    available: bool
    why_not: str
    remedy: str


class DialOut(Schema):
    """One axis, easier to the left, harder to the right."""

    axis: str
    words: str
    steps: list[DialStepOut]


class NeighbourOut(Schema):
    """The smallest change one way."""

    grade: list[int]
    words: str
    tell: str
    rungs: float


class AlternativeOut(Schema):
    """Another activity at the same rung."""

    activity_id: str
    name: str
    grade: list[int]
    grade_words: list[str]
    expected: float


class SwapOut(Schema):
    """Another thing in a role: the grade it makes and what changes, in words. barred: why it may not be used."""

    stock_id: str
    name: str
    grade: list[int]
    rungs: float
    wanted: int
    have: int
    rounds: int
    words: str
    barred: str
    thing_picture: str = ""


class AskedRungOut(Schema):
    """A rung that a grade asks in one strand; trained, or only required."""

    strand_name: str
    target: str
    rung: float
    trained: bool


class ForecastOut(Schema):
    """What a grade would be: the block, its picture as SVG, its dials, what it asks, neighbours and equals. No block
    where this home offers none. mark_pictures: by mark to watch for, what it looks like.
    """

    block: BlockOut | None
    name: str
    told: ToldOut
    why_not: str = ""
    remedy: str = ""
    dials: list[DialOut]
    easier: NeighbourOut | None
    harder: NeighbourOut | None
    picture: str
    asks: list[AskedRungOut]
    mark_pictures: dict[str, str]
    equals: list[AlternativeOut]
    family_cue: OwnWords


class PlanLine(Schema):
    """A plan in a list."""

    id: UUID
    made_at: datetime
    used_on: date | None
    minutes: int
    targets: list[str]
    blocks: list[str]
    name: OwnWords


class NameIn(Schema):
    """The name a favourite is kept under; empty lets go of it."""

    name: str
    version: int


class DifferenceOut(Schema):
    """One line of a comparison with an earlier plan. kind: new, gone, harder, easier, other or same."""

    activity_id: str
    name: str
    kind: DifferenceKind
    words: str


class AgainstOut(Schema):
    """How a plan differs from the last session's, and when that was."""

    on: date | None
    lines: list[DifferenceOut]


class BroughtInOut(Schema):
    """What bringing an activity in would cost in well-spent minutes; no cost where it can't be: then why, and the
    change.
    """

    activity_id: str
    name: str
    cost: float | None
    words: str
    change: str


class BagIn(Schema):
    """The children seen that day, and the store the bag is packed from."""

    children: list[int]
    store_id: int


class BagLineOut(Schema):
    """One thing to carry."""

    name: str
    count: int
    children: list[str]
    between: str


class BagUseOut(Schema):
    """What plays a role at a visit, and whether the home has it."""

    child: str
    activity: str
    name: str
    count: int
    from_home: bool


class BagOut(Schema):
    """The bag: things to carry, what each home has itself, what nothing fills, and children without a plan."""

    status: PlanStatus
    lines: list[BagLineOut]
    uses: list[BagUseOut]
    missing: list[str]
    unplanned: list[str]
