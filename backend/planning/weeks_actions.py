"""Making and keeping home weeks."""

from dataclasses import dataclass
from datetime import date

from caseload.checks import FieldError
from caseload.models import Child, Home
from clinic.actions import Done, acting
from clinic.models import Member
from core.planner import Elsewhere, WeekRequest, done_elsewhere, plan_week, totals
from planning.actions import Infeasible
from planning.models import HomeWeek, Plan
from planning.queries import latest_plan
from planning.stored import as_json, as_planned
from planning.workbench import choices_of, home_workbench, school_workbench, workbench_of

NO_SCHOOL = (0,) * 7


@dataclass(frozen=True)
class WeekWish:
    """What is asked of a home week. minutes_by_day: minutes the family has on each of seven days, Monday first;
    clinic_day: the day of the clinic's session; school, school_minutes: the school's part in it.
    """

    starts_on: date
    minutes_by_day: tuple[int, ...]
    a_day: int
    targets: tuple[str, ...]
    clinic_day: int | None = None
    school: Home | None = None
    school_minutes: tuple[int, ...] = NO_SCHOOL


@acting("plan.make")
def make_week(member: Member, child: Child, wish: WeekWish, on: date) -> Done[HomeWeek]:
    """Plan a week in the child's own home and keep it. Raises Infeasible, with nothing kept, when there is none."""
    if wish.starts_on.weekday() != 0:
        raise FieldError("starts_on", wish.starts_on.isoformat(), "A home week starts on a Monday.", "Choose a Monday.")
    if wish.school is not None and wish.school.kind != "school":
        reason = f"{wish.school.name} is no school."
        raise FieldError("school_id", wish.school.pk, reason, "Choose a school, or leave it out.")
    bench = home_workbench(child, wish.targets, on)
    session = latest_plan(child) if wish.clinic_day is not None else None
    school = school_workbench(child, wish.school, wish.targets, on).request if wish.school else None
    answer = plan_week(
        WeekRequest(
            bench.request,
            wish.minutes_by_day,
            wish.a_day,
            elsewhere=(_session_on(wish.clinic_day, session, on),) if session and wish.clinic_day is not None else (),
            school=school,
            school_minutes=wish.school_minutes,
        )
    )
    if answer.status == "infeasible":
        raise Infeasible(answer)
    week = HomeWeek.objects.create(
        child=child,
        made_by=member,
        starts_on=wish.starts_on,
        supervision=child.home.supervision,
        targets=list(wish.targets),
        minutes_by_day=list(wish.minutes_by_day),
        a_day=wish.a_day,
        status=answer.status,
        well_spent=answer.well_spent,
        bound=answer.bound,
        days=[[as_json(as_planned(b)) for b in d.blocks] for d in answer.days],
        clinic_day=wish.clinic_day,
        clinic_plan=session,
        school=wish.school,
        school_minutes=list(wish.school_minutes),
        school_days=[[as_json(as_planned(b)) for b in d.school] for d in answer.days],
    )
    return Done(week, week, child.pk, {"starts_on": wish.starts_on.isoformat(), "minutes": list(wish.minutes_by_day)})


def _session_on(day: int, plan: Plan, on: date) -> Elsewhere:
    """What the clinic's session means for the week around it."""
    _, blocks = workbench_of(plan, on).stand_all(choices_of(plan))
    return done_elsewhere(day, blocks, totals(blocks).tiring_minutes)
