"""Runs: begin, tap, read back."""

from datetime import date, datetime
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router
from pydantic import Field

from clinic.auth import member
from clinic.problems import Problem
from clinic.schema import Schema
from core.scoring import Event
from planning.queries import plan_for
from planning.schemas import BlockOut
from running import actions, queries
from running.models import Run
from running.today import advice

router = Router(tags=["running"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class RunIn(Schema):
    """A run's id, made on the tablet, so that asking twice begins one run."""

    id: UUID


class SuggestionOut(Schema):
    """After so many tries and successes, say this."""

    tries: int
    successes: int
    helped: bool
    kind: str
    words: str


class GradeOut(Schema):
    """One rung of a block's ladder of one-step changes."""

    grade: list[int]
    words: list[str]
    change: str
    here: bool


class RunBlockOut(BlockOut):
    """A block at the table: its id, what to say, the grades around it, and what is barred once something was mouthed."""

    id: str
    says: list[SuggestionOut]
    grades: list[GradeOut]
    if_mouthed: list[str] = []


class EventIn(Schema):
    """One tap."""

    id: UUID
    block: str = Field(max_length=8)
    kind: str = Field(max_length=10)
    at: datetime
    value: dict[str, Any] = {}


class EventOut(EventIn):
    """One tap, as kept."""


class RunOut(Schema):
    """A run with its blocks and everything tapped so far."""

    id: UUID
    plan_id: UUID
    child_id: int
    child_name: str
    hand: str
    on: date
    ended_at: datetime | None
    blocks: list[RunBlockOut]
    events: list[EventOut]


class AdviceOut(Schema):
    """A block that would suit better at another grade today. kind: up or down."""

    block: str
    kind: str
    grade: list[int]
    words: str


class RefusedOut(Schema):
    """An event that was not kept, and why."""

    id: str
    field: str
    reason: str


class KeptOut(Schema):
    """What became of a batch; total: taps of this run on the server, whoever sent them."""

    kept: list[UUID]
    refused: list[RefusedOut]
    total: int


@router.post("/plans/{plan_id}/runs", response={200: RunOut, **REFUSED})
def start_run(request: HttpRequest, plan_id: UUID, body: RunIn) -> RunOut:
    """Begin a run; every block is checked again for hazards and stock."""
    who = member(request)
    plan = plan_for(who, plan_id)
    return run_out(actions.start_run(who, plan, body.id, timezone.localdate()))


@router.get("/runs/{run_id}", response={200: RunOut, **REFUSED})
def read_run(request: HttpRequest, run_id: UUID) -> RunOut:
    """A run with everything tapped so far."""
    return run_out(queries.run_for(member(request), run_id))


@router.post("/runs/{run_id}/events", response={200: KeptOut, **REFUSED})
def keep_events(request: HttpRequest, run_id: UUID, body: list[EventIn]) -> KeptOut:
    """Keep a batch of taps, in any order, however often it is sent."""
    who = member(request)
    run = queries.run_for(who, run_id)
    events = [Event(str(e.id), e.block, e.kind, e.at, e.value) for e in body]
    refused = actions.keep_events(who, run, events)
    gone = {r.id for r in refused}
    return KeptOut(kept=[e.id for e in body if str(e.id) not in gone],
                   refused=[RefusedOut(id=r.id, field=r.field, reason=r.reason) for r in refused], total=run.events.count())  # fmt: skip


@router.get("/runs/{run_id}/today", response={200: list[AdviceOut], **REFUSED})
def read_today(request: HttpRequest, run_id: UUID) -> list[AdviceOut]:
    """The blocks that would suit better one step easier or harder, by today's sets so far."""
    run = queries.run_for(member(request), run_id)
    return [AdviceOut(block=a.block, kind=a.kind, grade=list(a.grade), words=a.words) for a in advice(run)]


def run_out(run: Run) -> RunOut:
    """A run as the API shows it."""
    events = [EventOut(id=e.pk, block=e.block, kind=e.kind, at=e.at, value=e.value) for e in run.events.order_by("at", "pk")]
    return RunOut(
        id=run.pk, plan_id=run.plan_id, child_id=run.child_id, child_name=run.child.first_name, hand=run.child.hand,
        on=run.on, ended_at=run.ended_at, blocks=[RunBlockOut(**b) for b in run.blocks], events=events,
    )  # fmt: skip
