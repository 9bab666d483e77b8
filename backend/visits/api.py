"""The calendar, the day, and the feed for another calendar."""

from datetime import date, time
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload.queries import child_for, home_for, therapist_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.models import Member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, marked
from visits import actions, queries
from visits.feed import as_calendar
from visits.models import Feed, VisitStatus

router = Router(tags=["visits"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class WhenIn(Schema):
    """Where, by whom and when; at: none for some time that day. Times are the clinic's own."""

    home_id: int
    therapist_id: int
    on: date
    at: time | None = None
    minutes: int = 45


class NewVisit(WhenIn):
    """A visit, or a series of them."""

    child_id: int
    every_weeks: int = 1
    times: int = 1


class VisitEdit(WhenIn):
    """A changed visit; later: the rest of its series, too. version: that was changed."""

    later: bool = False
    version: int


class Outcome(Schema):
    """How a visit went, and why it did not take place; later: cancel the rest of its series, too."""

    status: VisitStatus
    reason: str = Field("", max_length=200)
    later: bool = False
    version: int


class VisitOut(Schema):
    """A visit. ran: a session of the child ended that day; plan_id: of a plan that is ready for it; overlaps: whom the
    same therapist sees elsewhere at that time.
    """

    id: int
    child_id: int
    child_name: str
    home_id: int
    home_name: str
    therapist_id: int
    therapist_name: str
    on: date
    at: time | None
    minutes: int
    in_series: bool
    status: VisitStatus
    reason: str
    ran: bool
    plan_id: UUID | None
    overlaps: list[str]
    version: int


class FeedOut(Schema):
    """Whether a secret link to one's calendar is open; its address, shown once when it is made."""

    open: bool
    address: str = ""


@router.get("/visits", response={200: list[VisitOut], 403: Problem, 422: Problem})
def list_visits(request: HttpRequest, first: date, last: date, mine: bool = False) -> list[VisitOut]:
    """The visits of some days (62 at most), in the order of travel."""
    return [visit_out(s) for s in queries.visits_between(member(request), first, last, mine)]


@router.post("/visits", response={201: list[VisitOut], **REFUSED})
def add_visits(request: HttpRequest, body: NewVisit) -> tuple[int, list[VisitOut]]:
    """Put a visit or a series of them into the calendar."""
    who = member(request)
    child = child_for(who, body.child_id)
    made = actions.add_visits(who, child, _when(who, body), body.every_weeks, body.times, timezone.localdate())
    return 201, [visit_out(s) for s in queries.as_they_stand(made)]


@router.put("/visits/{visit_id}", response={200: VisitOut, **REFUSED})
def move_visit(request: HttpRequest, visit_id: int, body: VisitEdit) -> VisitOut:
    """Change a visit; 409 where somebody else did so meanwhile."""
    who = member(request)
    visit = queries.visit_for(who, visit_id)
    actions.move(who, visit, _when(who, body), body.later, body.version, timezone.localdate())
    return _one(who, visit_id)


@router.post("/visits/{visit_id}/outcome", response={200: VisitOut, **REFUSED})
def close_visit(request: HttpRequest, visit_id: int, body: Outcome) -> VisitOut:
    """Say how a visit went."""
    who = member(request)
    actions.close(who, queries.visit_for(who, visit_id), body.status, body.reason, body.later, body.version)
    return _one(who, visit_id)


@router.get("/me/calendar", response=FeedOut)
def read_feed(request: HttpRequest) -> FeedOut:
    """Whether a secret link to one's calendar is open."""
    return FeedOut(open=Feed.objects.filter(member=member(request)).exists())


@router.post("/me/calendar", response={201: FeedOut, 403: Problem}, openapi_extra=marked(KEEPS_NO_KEY))
def make_feed(request: HttpRequest) -> tuple[int, FeedOut]:
    """Make the secret link to one's calendar; the one before stops working."""
    token = actions.make_feed(member(request))
    return 201, FeedOut(open=True, address=request.build_absolute_uri(f"/api/calendar/{token}.ics"))


@router.delete("/me/calendar", response={204: None, 403: Problem})
def withdraw_feed(request: HttpRequest) -> tuple[int, None]:
    """Make the secret link useless."""
    actions.withdraw_feed(member(request))
    return 204, None


@router.get("/calendar/{token}.ics", auth=None, include_in_schema=False)
def calendar(request: HttpRequest, token: str) -> HttpResponse:
    """A therapist's visits for another calendar, to whoever holds the secret link."""
    who, visits = queries.feed_of(token)
    return HttpResponse(as_calendar(who, visits), content_type="text/calendar; charset=utf-8")


def visit_out(seen: queries.VisitSeen) -> VisitOut:
    """A visit as the API shows it."""
    v = seen.visit
    return VisitOut(
        id=v.pk,
        child_id=v.child_id,
        child_name=v.child.first_name,
        home_id=v.home_id,
        home_name=v.home.name,
        therapist_id=v.therapist_id,
        therapist_name=v.therapist.name,
        on=v.on,
        at=v.at,
        minutes=v.minutes,
        in_series=v.series is not None,
        status=seen.status,
        ran=seen.ran,
        reason=v.reason,
        plan_id=seen.plan.pk if seen.plan else None,
        overlaps=list(seen.overlaps),
        version=v.version,
    )


def _when(who: Member, body: WhenIn) -> actions.When:
    home, therapist = home_for(who, body.home_id), therapist_for(who, body.therapist_id)
    return actions.When(home, therapist, body.on, body.at, body.minutes)


def _one(who: Member, visit_id: int) -> VisitOut:
    visit = queries.visit_for(who, visit_id)
    return next(visit_out(s) for s in queries.visits_between(who, visit.on, visit.on, False) if s.visit.pk == visit_id)
