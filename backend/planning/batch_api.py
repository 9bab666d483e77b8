"""A caseload planned in the background, with progress, reviewed one by one."""

from datetime import datetime
from uuid import UUID

from django.db.models import QuerySet
from django.http import Http404, HttpRequest
from ninja import Router
from pydantic import Field

from caseload.queries import child_for
from clinic.actions import log
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.models import Member
from clinic.permissions import require
from clinic.problems import Problem
from core.library import find_activity
from core.planner import LONGEST_SESSION, SHORTEST_SESSION
from planning.batch_actions import mark_seen, start_batch
from planning.models import Batch, BatchLine

router = Router(tags=["batches"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class BatchIn(Schema):
    """The children to plan for; minutes for all of them, or by each child's attention."""

    children: list[int]
    minutes: int | None = Field(None, ge=SHORTEST_SESSION, le=LONGEST_SESSION)


class BatchLineOut(Schema):
    """One child: waiting, planned or refused with the reason."""

    id: int
    child_id: int
    child_name: str
    status: str
    words: str
    plan_id: UUID | None
    blocks: list[str]
    seen: bool


class BatchOut(Schema):
    """How far a batch is."""

    id: UUID
    asked_at: datetime
    done: int
    total: int
    lines: list[BatchLineOut]


@router.post("/batches", response={200: BatchOut, **REFUSED})
def ask(request: HttpRequest, body: BatchIn) -> BatchOut:
    """Ask for plans for these children; they are made in the background."""
    who = member(request)
    children = [child_for(who, pk) for pk in dict.fromkeys(body.children)]
    made = start_batch(who, children, body.minutes)
    return _batch_out(_batches(who).get(pk=made.pk))


@router.get("/batches/latest", response={200: BatchOut | None, **REFUSED})
def read_latest(request: HttpRequest) -> BatchOut | None:
    """The newest batch of this clinic, or nothing."""
    who = member(request)
    result = _batches(who).order_by("-asked_at").first()
    if result is None:
        return None
    log(who, "plan.read", result, None, {"children": [line.child_id for line in result.lines.all()]})
    return _batch_out(result)


@router.post("/batch-lines/{line_id}/seen", response={200: BatchLineOut, **REFUSED})
def look(request: HttpRequest, line_id: int) -> BatchLineOut:
    """Note that this child's plan was looked at."""
    who = member(request)
    line = (
        BatchLine.objects.filter(batch__in=Batch.objects.visible_to(who), pk=line_id)
        .select_related("child", "plan")
        .first()
    )
    if line is None:
        raise Http404(f"No line {line_id} in your clinic.")
    return _line(mark_seen(who, line))


def _batches(who: Member) -> QuerySet[Batch]:
    require(who, "plan.read")
    return Batch.objects.visible_to(who).prefetch_related("lines__child", "lines__plan__blocks")


def _batch_out(batch: Batch) -> BatchOut:
    lines = [_line(x) for x in batch.lines.all()]
    return BatchOut(
        id=batch.pk,
        asked_at=batch.asked_at,
        done=sum(x.status != "waiting" for x in lines),
        total=len(lines),
        lines=lines,
    )


def _line(line: BatchLine) -> BatchLineOut:
    blocks = [find_activity(b.activity_id).name for b in line.plan.blocks.all()] if line.plan else []
    return BatchLineOut(
        id=line.pk,
        child_id=line.child_id,
        child_name=line.child.first_name,
        status=line.status,
        words=line.words,
        plan_id=line.plan_id,
        blocks=blocks,
        seen=line.seen,
    )
