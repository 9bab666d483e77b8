"""Home weeks through the API."""

from datetime import date, datetime
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.problems import Problem, ProblemError
from clinic.routes import LONG_WORK, SAYS_UNITS, marked
from clinic.schema import OwnWords, Schema
from core.child import Supervision
from core.library import find_activity, find_thing
from core.planner import DAYS, Block, PlanStatus, Refusal, left_out
from planning import queries
from planning.actions import Infeasible
from planning.models import HomeWeek
from planning.schemas import BlockOut, LeftOutOut
from planning.stored import from_json
from planning.weeks_actions import WeekWish, make_week
from planning.workbench import Workbench, choices_of, home_workbench, school_workbench, workbench_of

router = Router(tags=["weeks"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
LISTED = 12  # weeks in a list


class WeekIn(Schema):
    """What is asked of a home week. minutes_by_day: minutes the family has on each of seven days, Monday first;
    clinic_day: the day of the clinic's session, 0 for Monday; school_id, school_minutes: the school's part in it.
    """

    starts_on: date
    minutes_by_day: list[int]
    a_day: int = 1
    targets: list[str]
    clinic_day: int | None = None
    school_id: int | None = None
    school_minutes: list[int] = [0] * 7


class DayOut(Schema):
    """One day of a week. available: minutes the family has; minutes: those that are planned, setting up counted;
    school: what is done at school; clinic: whether the clinic's session is that day.
    """

    name: str
    available: int
    minutes: float
    blocks: list[BlockOut]
    school: list[BlockOut] = []
    clinic: bool = False
    gone: list[str]


class LoadOut(Schema):
    """What one place asks of the hands in a week: tries, minutes at work, and those that tire."""

    place: str
    tries: int
    minutes: float
    tiring_minutes: float


class WeekOut(Schema):
    """A home week, worked out against the child and the cupboard as they are today."""

    id: UUID
    child_id: int
    child_name: OwnWords
    home_name: OwnWords
    starts_on: date
    a_day: int
    targets: list[str]
    supervision: Supervision
    status: PlanStatus
    well_spent: float
    bound: float
    days: list[DayOut]
    used_up: list[str]
    load: list[LoadOut]
    school_name: str = ""
    left_out: list[LeftOutOut]
    made_at: datetime


class WeekLine(Schema):
    """A week in a list."""

    id: UUID
    starts_on: date
    activities: list[str]


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
        raise ProblemError(
            422, "No week", "minutes_by_day", "", f"No week, because {error.reason}.", error.fix
        ) from error
    return week_out(queries.week_for(who, made.pk))


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


def week_out(week: HomeWeek) -> WeekOut:
    """A stored week, every block checked for today."""
    today = timezone.localdate()
    bench = home_workbench(week.child, week.targets, today)
    school = school_workbench(week.child, week.school, week.targets, today) if week.school else bench
    days, at_home, at_school = [], [], []
    rows = zip(DAYS, week.minutes_by_day, week.days, week.school_days or [[]] * len(DAYS), strict=True)
    for at, (name, available, row, school_row) in enumerate(rows):
        home, gone = _standing(bench, row)
        there, gone_there = _standing(school, school_row)
        days.append(
            DayOut(
                name=name,
                available=available,
                minutes=sum(b.minutes + b.setup_minutes for b in home),
                blocks=[BlockOut.model_validate(b) for b in home],
                school=[BlockOut.model_validate(b) for b in there],
                clinic=week.clinic_day == at,
                gone=gone + gone_there,
            )
        )
        at_home += home
        at_school += there
    chosen = frozenset(b.activity_id for b in at_home)
    return WeekOut(
        id=week.pk,
        child_id=week.child_id,
        child_name=week.child.first_name,
        home_name=week.child.home.name,
        starts_on=week.starts_on,
        a_day=week.a_day,
        targets=week.targets,
        supervision=week.supervision,
        status=week.status,
        well_spent=week.well_spent,
        bound=week.bound,
        days=days,
        used_up=_used_up(at_home),
        load=_load(week, at_home, at_school, today),
        school_name=week.school.name if week.school else "",
        left_out=[LeftOutOut.model_validate(item) for item in left_out(bench.request, chosen)],
        made_at=week.made_at,
    )


def _standing(bench: Workbench, row: list[dict[str, Any]]) -> tuple[list[Block], list[str]]:
    """The blocks of a stored row that stand today, and why the others don't."""
    result = [bench.stand(from_json(plain)) for plain in row]
    gone = [f"{r.name}: {r.reason}" for r in result if isinstance(r, Refusal)]
    return [b for b in result if isinstance(b, Block)], gone


def _load(week: HomeWeek, at_home: list[Block], at_school: list[Block], today: date) -> list[LoadOut]:
    """What each place asks of the hands that week."""
    places = [("at home", at_home)] + ([("at school", at_school)] if at_school else [])
    if week.clinic_plan:
        _, blocks = workbench_of(week.clinic_plan, today).stand_all(choices_of(week.clinic_plan))
        places.append(("in the clinic", list(blocks)))
    return [
        LoadOut(
            place=place,
            tries=sum(b.tries for b in blocks),
            minutes=sum(b.work_minutes for b in blocks),
            tiring_minutes=sum(b.minutes for b in blocks if b.tiring),
        )
        for place, blocks in places
    ]


def _used_up(blocks: list[Block]) -> list[str]:
    used: dict[str, int] = {}
    for q in (q for b in blocks for q in b.quantities if q.single_use):
        used[q.thing_id] = used.get(q.thing_id, 0) + q.wanted
    return [f"{n} {find_thing(thing_id).named(n)}" for thing_id, n in sorted(used.items())]
