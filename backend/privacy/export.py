"""Everything that is stored about one child, in an open form."""

from collections.abc import Iterator
from typing import Any

from django.core import serializers
from django.db.models import QuerySet

from caseload.models import (
    ActivityPace,
    Child,
    EstimatePoint,
    MeetingRecord,
    StrandEstimate,
    TaskRecord,
)
from clinic.models import AuditEntry
from planning.models import HomeWeek, Plan, PlanBlock
from progress.models import Amendment, DecisionRecord, Goal, GoalScore, Note
from running.models import Run, RunEvent, SetRecord
from visits.models import Visit

FORMAT = "pollicor-child-1"


def everything(child: Child) -> dict[str, Any]:
    """Return every row about a child, by table, as plain values: what JSON can hold."""
    tables: dict[str, list[dict[str, Any]]] = {}
    for rows in _rows(child):
        name = rows.model._meta.model_name or ""
        plain = serializers.serialize("python", rows)
        tables[name] = [{"id": row["pk"], **row["fields"]} for row in plain]
    return {"format": FORMAT, "child": child.first_name, "home": child.home.name, "tables": tables}


def _rows(child: Child) -> Iterator[QuerySet[Any]]:
    yield Child.objects.filter(pk=child.pk)
    for model in (StrandEstimate, EstimatePoint, TaskRecord, ActivityPace, MeetingRecord, Plan, HomeWeek):
        yield model.objects.filter(child=child).order_by("pk")
    yield PlanBlock.objects.filter(plan__child=child).order_by("pk")
    for kept in (Run, SetRecord, DecisionRecord, Goal, Visit):
        yield kept.objects.filter(child=child).order_by("pk")
    yield RunEvent.objects.filter(run__child=child).order_by("at", "pk")
    yield Note.objects.filter(child=child).order_by("pk")
    yield Amendment.objects.filter(note__child=child).order_by("pk")
    yield GoalScore.objects.filter(goal__child=child).order_by("pk")
    yield AuditEntry.objects.filter(child=child.pk).order_by("pk")
