"""Runs: begin, tap, read back."""

from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.queries import child_for
from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, SAYS_UNITS, marked
from planning.queries import group_for, plan_for
from running import actions, queries
from running.group_actions import start_together as start_runs
from running.schemas import AdviceOut, EventIn, KeptOut, RefusedOut, RunIn, RunOut, TogetherIn
from running.shown import run_out
from running.today import advice

router = Router(tags=["running"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


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
