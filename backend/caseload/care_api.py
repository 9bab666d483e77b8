"""A child's care: who looks after it, how it ends and begins again."""

from datetime import date
from typing import Literal

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload import care_actions as actions
from caseload import queries
from caseload.models import Care
from caseload.schemas import ChildOut
from caseload.shown import child_out
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.queries import colleague
from clinic.routes import KEEPS_NO_KEY, marked

router = Router(tags=["caseload"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class ClosedChild(Schema):
    """A child whose care has ended."""

    id: int
    first_name: str
    care: Care
    closed_on: date
    version: int


class Therapist(Schema):
    """Who may look after a child."""

    id: int
    name: str


class Assignment(Schema):
    """Who looks after a child from now on, nobody for none; and the child's version that was changed."""

    therapist_id: int | None
    version: int


class HandOver(Schema):
    """To whom a caseload goes."""

    to: int


class HandedOver(Schema):
    """How many children went."""

    children: int


class Ending(Schema):
    """How a child's care ends, the summary, and the child's version that was changed."""

    care: Literal["discharged", "archived"]
    words: str = Field("", max_length=4000)
    version: int


class Return(Schema):
    """The version of the child that is brought back."""

    version: int


@router.get("/closed-children", response={200: list[ClosedChild], 403: Problem})
def list_closed(request: HttpRequest) -> list[ClosedChild]:
    """The children whose care has ended, the latest first; up to a hundred."""
    return [
        ClosedChild(id=c.pk, first_name=c.first_name, care=c.care, closed_on=c.closed_on, version=c.version)
        for c in queries.closed(member(request))[:100]
        if c.closed_on
    ]


@router.get("/therapists", response={200: list[Therapist], 403: Problem})
def list_therapists(request: HttpRequest) -> list[Therapist]:
    """Who may look after a child."""
    return [Therapist(id=m.pk, name=m.name) for m in queries.therapists(member(request))]


@router.put("/children/{child_id}/therapist", response={200: ChildOut, **REFUSED})
def assign(request: HttpRequest, child_id: int, body: Assignment) -> ChildOut:
    """Say who looks after a child."""
    who = member(request)
    child = queries.child_for(who, child_id)
    therapist = queries.therapist_for(who, body.therapist_id) if body.therapist_id is not None else None
    actions.assign(who, child, therapist, body.version)
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/close", response={200: ChildOut, **REFUSED})
def close(request: HttpRequest, child_id: int, body: Ending) -> ChildOut:
    """Discharge a child with a summary, or archive it; the record stays."""
    who = member(request)
    child = queries.child_for(who, child_id)
    actions.close(who, child, body.care, body.words, body.version, timezone.localdate())
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/reopen", response={200: ChildOut, **REFUSED})
def reopen(request: HttpRequest, child_id: int, body: Return) -> ChildOut:
    """Bring a child back."""
    who = member(request)
    actions.reopen(who, queries.child_for(who, child_id), body.version)
    return child_out(queries.child_for(who, child_id))


@router.post("/people/{member_id}/hand-over", response={200: HandedOver, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def hand_over(request: HttpRequest, member_id: int, body: HandOver) -> HandedOver:
    """Give every child a colleague looks after to another."""
    who = member(request)
    from_whom, to = colleague(who, member_id), colleague(who, body.to)
    return HandedOver(children=actions.hand_over(who, from_whom, to))
