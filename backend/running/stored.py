"""A block as runs store it: its own fields, so that no change of the core's makes an old run unreadable.

Each stored value says which value of the core it stands for. A field the core adds gets a default here; one it takes
away is left out where the core's value is made. `tests/fixtures/runs` holds one stored block of every version.
"""

from typing import Any, ClassVar

from pydantic import BaseModel, ConfigDict

from core.ability import Who
from core.child import Part, Supervision
from core.library import Cue
from core.offers import Quantity, Told, Variant
from core.planner import Block, ChainStep, Reason, Watched
from core.recording import SupportLevel
from core.running import PromptKind, Rest, Suggestion
from core.safety import Hit, Status, Verdict


class Stored(BaseModel):
    """A stored value: made from the core's by its attributes, and made into it again."""

    model_config = ConfigDict(frozen=True, from_attributes=True)
    of: ClassVar[type]

    def core(self) -> Any:
        """Return the core's value."""
        return type(self).of(**{name: _core(getattr(self, name)) for name in type(self).model_fields})


def _core(value: Any) -> Any:
    if isinstance(value, Stored):
        return value.core()
    return tuple(_core(v) for v in value) if isinstance(value, tuple) else value


class StoredVariant(Stored):
    """An activity at a grade."""

    of: ClassVar[type] = Variant
    activity_id: str
    grade: tuple[int, ...]


class StoredQuantity(Stored):
    """What fills a role, and how many."""

    of: ClassVar[type] = Quantity
    role: str
    words: str
    stock_id: str
    thing_id: str
    name: str
    wanted: int
    have: int
    rounds: int
    single_use: bool
    pieces: int = 1


class StoredHit(Stored):
    """A hazard rule that spoke."""

    of: ClassVar[type] = Hit
    rule: str
    status: Status
    reason: str
    source: str
    remedy: str
    wants: Supervision | None = None
    overridable: bool = False
    plain: str = ""
    overridden: bool = False


class StoredVerdict(Stored):
    """What the hazard rules said."""

    of: ClassVar[type] = Verdict
    status: Status
    hits: tuple[StoredHit, ...] = ()


class StoredReason(Stored):
    """A term of what its minutes were worth."""

    of: ClassVar[type] = Reason
    term: str
    factor: float
    words: str


class StoredCue(Stored):
    """What to say or do."""

    of: ClassVar[type] = Cue
    support: SupportLevel
    words: str


class StoredWatched(Stored):
    """What to watch for."""

    of: ClassVar[type] = Watched
    id: str
    cue: str


class StoredChainStep(Stored):
    """A step of the wanted task."""

    of: ClassVar[type] = ChainStep
    words: str
    who: Who


class StoredTold(Stored):
    """What a family reads."""

    of: ClassVar[type] = Told
    does: str = ""
    grade: tuple[str, ...] = ()
    steps: tuple[str, ...] = ()
    counts_when: str = ""
    grip: str = ""
    why: str = ""
    stop: str = ""


class StoredSuggestion(Stored):
    """A row of the table of what to say."""

    of: ClassVar[type] = Suggestion
    tries: int
    successes: int
    helped: bool
    kind: PromptKind
    words: str
    most: int
    at: int | None = None
    to: int | None = None


class StoredRest(Stored):
    """When to rest."""

    of: ClassVar[type] = Rest
    window: int
    slower_by: float
    words: str


class StoredBlock(Stored):
    """One activity of a plan, as it stood when the run began."""

    of: ClassVar[type] = Block
    part: Part
    variant: StoredVariant
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
    quantities: tuple[StoredQuantity, ...]
    expected: float
    tiring: bool
    setup_minutes: float
    well_spent: float
    verdict: StoredVerdict
    why: tuple[StoredReason, ...]
    beat: str
    setup: str
    posture: str
    cues: tuple[StoredCue, ...]
    watch: tuple[StoredWatched, ...]
    tidy: str
    task: str = ""
    serves: str = ""
    chain: tuple[StoredChainStep, ...] = ()
    stage: str = ""
    overlay: str = ""
    told: StoredTold = StoredTold()
    locked: bool = False
