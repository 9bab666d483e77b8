"""Runs: begin, tap, read back."""

from datetime import date, datetime
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router
from pydantic import GetJsonSchemaHandler
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

from caseload.facts import facts_of
from caseload.queries import child_for
from clinic.auth import member
from clinic.models import Member, Thumb
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, SAYS_UNITS, marked
from clinic.schema import OwnWords, Schema, own_words
from core.child import alerts
from core.planner import LOOK
from core.recording import SUPPORTS, SupportLevel
from core.running import EVENT, TABLET_RULES, Event, PromptKind
from planning.queries import group_for, plan_for
from planning.schemas import BlockOut
from running import actions, queries
from running.frozen import FrozenBlock
from running.group_actions import start_together as start_runs
from running.models import Run
from running.today import AdviceKind, advice

router = Router(tags=["running"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


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


@router.post("/plans/{plan_id}/runs", response={200: RunOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def start_run(request: HttpRequest, plan_id: UUID, body: RunIn) -> RunOut:
    """Begin a run; every block is checked again for hazards and stock."""
    who = member(request)
    plan = plan_for(who, plan_id)
    return run_out(actions.start_run(who, plan, body.id, timezone.localdate()), who)


@router.post("/groups/{group_id}/runs", response={200: list[RunOut], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def start_together(request: HttpRequest, group_id: UUID, body: TogetherIn) -> list[RunOut]:
    """Begin a run for every child of a group; every block is checked again for everybody within reach."""
    who = member(request)
    group = group_for(who, group_id)
    children = [child_for(who, pk) for pk in group.child_ids]
    return [run_out(r, who) for r in start_runs(who, group, children, body.ids, timezone.localdate())]


@router.get("/runs/{run_id}", response={200: RunOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_run(request: HttpRequest, run_id: UUID) -> RunOut:
    """A run with everything tapped so far."""
    who = member(request)
    return run_out(queries.run_for(who, run_id), who)


@router.post("/runs/{run_id}/events", response={200: KeptOut, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def keep_events(request: HttpRequest, run_id: UUID, body: list[EventIn]) -> KeptOut:
    """Keep a batch of taps, in any order, however often it is sent."""
    who = member(request)
    run = queries.run_to_tap(who, run_id)
    result = actions.keep_events(who, run, [e.model_dump(exclude_none=True) for e in body])
    gone = {r.id for r in result.refused}
    return KeptOut(
        kept=[e.id for e in body if str(e.id) not in gone],
        apart=result.apart,
        refused=[RefusedOut(id=r.id, field=r.field, reason=r.reason) for r in result.refused],
        total=run.events.filter(after_signing=False).count(),
    )


@router.get("/runs/{run_id}/today", response={200: list[AdviceOut], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_today(request: HttpRequest, run_id: UUID) -> list[AdviceOut]:
    """The blocks that would suit better one step easier or harder, by today's sets so far."""
    run = queries.run_for(member(request), run_id)
    return [AdviceOut(block=a.block, kind=a.kind, grade=list(a.grade), words=a.words) for a in advice(run)]


def run_out(run: Run, who: Member) -> RunOut:
    """A run as the API shows it to whoever runs it."""
    return RunOut(
        id=run.pk,
        plan_id=run.plan_id,
        group_id=run.group_id,
        speed=run.child.speed_policy,
        child_id=run.child_id,
        child_name=run.child.first_name,
        hand=run.child.hand,
        on=run.on,
        ended_at=run.ended_at,
        blocks=[_block_out(b, picture) for b, picture in queries.pictured_blocks(run)],
        events=[_to_the_letter(e) for e in queries.events_of(run)],
        alerts=list(alerts(facts_of(run.child, timezone.localdate()))),
        supports=[SupportOut(id=s.id, name=s.words) for s in SUPPORTS.values()],
        thumb=who.run_hand,
        step_by_step=who.role == "assistant",
        is_look=run.plan.format_id == LOOK,
        help_first=run.child.prompt_policy == "most_first",
        rules=TabletRulesOut.model_validate(TABLET_RULES),
    )


def _to_the_letter(event: Event) -> Event:
    """A tap, with what somebody typed at the table marked as theirs."""
    if event.kind != "note":
        return event
    return event.model_copy(update={"value": event.value.model_copy(update={"text": own_words(event.value.text)})})


def _block_out(frozen: FrozenBlock, picture: str) -> RunBlockOut:
    shown = dict(BlockOut.model_validate(frozen.block))
    return RunBlockOut.model_construct(
        **shown,
        id=frozen.id,
        says=[SuggestionOut.model_validate(s) for s in frozen.says],
        grades=[GradeOut.model_validate(g) for g in frozen.grades],
        if_mouthed=list(frozen.if_mouthed),
        rest=RestOut.model_validate(frozen.rest) if frozen.rest else None,
        measures=[AskedOut.model_validate(m) for m in frozen.measures],
        hand=frozen.hand,
        record=frozen.record,
        picture=picture,
    )
