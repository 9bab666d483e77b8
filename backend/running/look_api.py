"""A first look: begun, and asked for its next set."""

from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.routes import LONG_WORK, SAYS_UNITS, marked
from core.child import Supervision
from running import look_actions as actions
from running.queries import run_for
from running.schemas import RunOut
from running.shown import run_out

router = Router(tags=["running"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class LookIn(Schema):
    """Where, with whom, and the run's id, made on the tablet, so that asking twice begins one look."""

    id: UUID
    home_id: int
    supervision: Supervision = "arms_reach"


class LookOut(Schema):
    """A look with its next set; or why it is over."""

    run: RunOut
    ended: str


@router.post(
    "/children/{child_id}/looks", response={200: RunOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def start_look(request: HttpRequest, child_id: int, body: LookIn) -> RunOut:
    """Begin a first look at what a child can do, in what this home has."""
    who = member(request)
    child, home = child_for(who, child_id), home_for(who, body.home_id)
    run = actions.start_look(who, child, home, body.supervision, body.id, timezone.localdate())
    return run_out(run_for(who, run.pk), who)


@router.post("/runs/{run_id}/next", response={200: LookOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS))
def next_step(request: HttpRequest, run_id: UUID) -> LookOut:
    """The next set of a look, by how those so far went."""
    who = member(request)
    step = actions.next_step(who, run_for(who, run_id, "run.tap"), timezone.localdate())
    return LookOut(run=run_out(run_for(who, run_id), who), ended=step.ended)
