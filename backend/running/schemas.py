"""What the API of runs takes and gives."""

from datetime import date, datetime
from typing import Any
from uuid import UUID

from pydantic import GetJsonSchemaHandler
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

from clinic.base_schema import OwnWords, Schema
from clinic.models import Thumb
from core.recording import SupportLevel
from core.running import EVENT, Event, PromptKind
from planning.schemas import BlockOut
from running.today import AdviceKind


class RunIn(Schema):
    """A run's id, made on the tablet, so that asking twice begins one run."""

    id: UUID


class TogetherIn(Schema):
    """A run id for each child, made on the tablet, so that asking twice begins one run each."""

    ids: dict[int, UUID]


class SuggestionOut(Schema):
    """After so many tries and from `successes` to `most` successes, say this. at, to: places in the ladder of grades,
    the one the tries were made at and the one to go to; null where it holds for every grade.
    """

    tries: int
    successes: int
    most: int
    at: int | None
    to: int | None
    helped: bool
    kind: PromptKind
    words: str


class GradeOut(Schema):
    """One rung of a block's ladder of one-step changes."""

    grade: list[int]
    words: list[str]
    change: str
    here: bool


class RestOut(Schema):
    """When a slowing hand calls for a rest: the last `window` gaps between tries against the first."""

    window: int
    slower_by: float
    words: str


class AskedOut(Schema):
    """A measure this activity has read off by hand. usual: what it most likely is; choices: words in
    place of numbers.
    """

    id: str
    name: str
    unit: str
    lowest: float
    highest: float
    step: float
    usual: float | None
    choices: list[str]


class RunBlockOut(BlockOut):
    """A block at the table: its id, what to say, the grades around it, and what is barred once something was mouthed.

    hand: whose turn it is; record: own best pace in items a minute, where this child plays with speed; picture: as SVG.
    """

    id: str
    says: list[SuggestionOut]
    grades: list[GradeOut]
    if_mouthed: list[str]
    rest: RestOut | None
    measures: list[AskedOut]
    hand: str
    record: float | None
    picture: str


class EventIn(Schema):
    """One tap as it comes in: read one by one, so that one that can't be counted keeps no other from being kept."""

    id: UUID
    kind: str = ""
    block: Any = None
    at: Any = None
    value: Any = None

    @classmethod
    def __get_pydantic_json_schema__(cls, core_schema: CoreSchema, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        """Documented as what it has to be: one of the events of the core."""
        return handler(EVENT.core_schema)


class TabletRulesOut(Schema):
    """When a set counts as helped (share of its tries), when its pace is shown (fewest tries and seconds), and after
    how many tries of a set, beside its end, it is asked what suits better.
    """

    asked_after: list[int]
    helped_share: float
    pace_tries: int
    pace_seconds: float


class SupportOut(Schema):
    """A kind of help that may be recorded, least first."""

    id: SupportLevel
    name: str


class RunOut(Schema):
    """A run with its blocks and everything tapped so far; with all a tablet needs when the network has gone.

    alerts: what to keep in sight of the child; supports: the kinds of help; thumb, step_by_step: how whoever runs it
    likes the screen.
    """

    id: UUID
    plan_id: UUID
    group_id: UUID | None
    child_id: int
    child_name: OwnWords
    hand: str
    speed: str
    help_first: bool
    is_look: bool
    alerts: list[str]
    supports: list[SupportOut]
    thumb: Thumb
    step_by_step: bool
    rules: TabletRulesOut
    on: date
    ended_at: datetime | None
    blocks: list[RunBlockOut]
    events: list[Event]


class AdviceOut(Schema):
    """A block that would suit better at another grade today. kind: up or down."""

    block: str
    kind: AdviceKind
    grade: list[int]
    words: str


class RefusedOut(Schema):
    """An event that was not kept, and why."""

    id: str
    field: str
    reason: str


class KeptOut(Schema):
    """What became of a batch. kept: on the server; apart: of these, the ones kept apart because the note is signed;
    total: taps of this run that count or will, whoever sent them.
    """

    kept: list[UUID]
    apart: list[UUID]
    refused: list[RefusedOut]
    total: int
