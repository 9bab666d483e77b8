"""Home weeks through the API."""

from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.problems import Problem, ProblemError
from clinic.routes import LONG_WORK, SAYS_UNITS, marked
from core.library import find_activity
from core.planner import DAYS
from planning import queries
from planning.actions import Infeasible
from planning.models import HomeWeek
from planning.weeks_actions import WeekWish, change_week, make_week
from planning.weeks_schemas import WeekEdit, WeekIn, WeekLine, WeekOut
from planning.weeks_shown import week_out

router = Router(tags=["weeks"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
LISTED = 12  # weeks in a list


@router.post(
    "/children/{child_id}/weeks", response={200: WeekOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def plan_home_week(request: HttpRequest, child_id: int, body: WeekIn) -> WeekOut:
    """Plan a home week. Where none is possible: 422 with the reason and the shortest fix."""
    who = member(request)
    child = child_for(who, child_id)
    if body.clinic_day is not None and not 0 <= body.clinic_day < len(DAYS):
        reason = f"Day {body.clinic_day}: a week has days 0, Monday, to 6, Sunday."
        raise FieldError("clinic_day", body.clinic_day, reason, "Choose one of these, or none.")
    wish = WeekWish(
        body.starts_on,
        tuple(body.minutes_by_day),
        body.a_day,
        tuple(body.targets),
        body.clinic_day,
        home_for(who, body.school_id) if body.school_id else None,
        tuple(body.school_minutes),
    )
    try:
        made = make_week(who, child, wish, timezone.localdate())
    except Infeasible as error:
        raise _no_week(error) from error
    return week_out(queries.week_for(who, made.pk))


def _no_week(error: Infeasible) -> ProblemError:
    return ProblemError(422, "No week", "minutes_by_day", "", f"No week, because {error.reason}.", error.fix)


@router.put("/weeks/{week_id}", response={200: WeekOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS))
def change_home_week(request: HttpRequest, week_id: UUID, body: WeekEdit) -> WeekOut:
    """Plan a week again around what is kept. Where none is possible: 422 with the reason, and it stays as it was."""
    who = member(request)
    week = queries.week_for(who, week_id)
    kept = [(k.day, k.planned(who)) for k in body.kept]
    try:
        change_week(who, week, body.version, kept, body.excluded, body.minutes_by_day, timezone.localdate())
    except Infeasible as error:
        raise _no_week(error) from error
    return week_out(queries.week_for(who, week_id))


@router.get("/children/{child_id}/weeks", response={200: list[WeekLine], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def list_weeks(request: HttpRequest, child_id: int) -> list[WeekLine]:
    """A child's home weeks, newest first."""
    who = member(request)
    weeks = queries.weeks_of(who, child_for(who, child_id, "plan.read"))[:LISTED]
    return [WeekLine(id=w.pk, starts_on=w.starts_on, activities=_names(w)) for w in weeks]


def _names(week: HomeWeek) -> list[str]:
    return list(dict.fromkeys(find_activity(b["activity_id"]).name for day in week.days for b in day))


@router.get("/weeks/{week_id}", response={200: WeekOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_week(request: HttpRequest, week_id: UUID) -> WeekOut:
    """One home week."""
    return week_out(queries.week_for(member(request), week_id))
