"""A caseload planned in the background: asked for, worked off child by child, reviewed one by one."""

from collections.abc import Sequence
from datetime import date

from django.db import transaction
from django.utils import timezone
from procrastinate.contrib.django import app
from procrastinate.types import JSONValue

from caseload.facts import facts_of
from caseload.models import Child
from clinic.actions import Done, acting
from clinic.models import Member
from core.planner import RequestError
from planning.actions import Infeasible, make_plan
from planning.models import Batch, BatchLine
from planning.queries import aims_of
from planning.workbench import Wish


@acting("plan.make")
def start_batch(member: Member, children: Sequence[Child], minutes: int | None) -> Done[Batch]:
    """Ask for a plan for each of these children; workers make them. minutes: for all, or by each child's attention."""
    batch = Batch.objects.create(clinic=member.clinic, asked_by=member, minutes=minutes)
    lines = BatchLine.objects.bulk_create(BatchLine(batch=batch, child=c) for c in children)
    transaction.on_commit(lambda: _hand_out([line.pk for line in lines]))
    return Done(batch, batch, None, {"children": [c.pk for c in children]})


def _hand_out(lines: Sequence[int]) -> None:
    jobs: list[dict[str, JSONValue]] = [{"line_id": pk} for pk in lines]
    app.configure_task("plan_child").batch_defer(*jobs)


@transaction.atomic
def plan_line(line_id: int, on: date | None = None) -> BatchLine:
    """Make the plan of one line, for whoever asked for the batch; a refusal is kept in words.

    Plan and line are kept together or not at all, so a line worked off twice, or by two workers at once, makes one
    plan.
    """
    lines = BatchLine.objects.select_for_update(of=("self",))
    line = lines.select_related("batch__asked_by__clinic", "batch__asked_by__user", "child__home").get(pk=line_id)
    if line.status != "waiting":
        return line
    child, today = line.child, on or timezone.localdate()
    minutes = line.batch.minutes or facts_of(child, today).usual_minutes
    targets = tuple(a.target for a in aims_of(child, today)[0])
    wish = Wish(minutes, targets, child.home.kind, child.home.supervision)
    try:
        line.plan = make_plan(line.batch.asked_by, child, child.home, wish, today)
        line.status, line.words = "planned", ""
    except Infeasible as error:
        line.status, line.words = "refused", f"{error.reason[:1].upper()}{error.reason[1:]}. {error.fix}"[:500]
    except RequestError as error:
        line.status, line.words = "refused", str(error)[:500]
    line.save(update_fields=["plan", "status", "words"])
    return line


@acting("plan.edit")
def mark_seen(member: Member, line: BatchLine) -> Done[BatchLine]:
    """Note that a therapist has looked at a line's plan."""
    line.seen = True
    line.save(update_fields=["seen"])
    return Done(line, line, line.child_id)
