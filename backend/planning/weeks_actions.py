"""Making and keeping home weeks."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from caseload.checks import FieldError
from caseload.models import Child, Home
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core.planner import Elsewhere, PlannedBlock, WeekRequest, done_elsewhere, plan_week, totals
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
    session = latest_plan(child) if wish.clinic_day is not None else None
    week = HomeWeek(
        child=child,
        made_by=member,
        starts_on=wish.starts_on,
        targets=list(wish.targets),
        minutes_by_day=list(wish.minutes_by_day),
        a_day=wish.a_day,
        clinic_day=wish.clinic_day,
        clinic_plan=session,
        school=wish.school,
        school_minutes=list(wish.school_minutes),
    )
    _planned(week, on)
    week.save(force_insert=True)
    return Done(week, week, child.pk, {"starts_on": wish.starts_on.isoformat(), "minutes": list(wish.minutes_by_day)})


@acting("plan.make")
def change_week(
    member: Member,
    week: HomeWeek,
    version: int,
    kept: Sequence[tuple[int, PlannedBlock]],
    excluded: Sequence[str],
    minutes_by_day: Sequence[int] | None,
    on: date,
) -> Done[HomeWeek]:
    """Plan a week again around what is kept, without what is left out. Raises StaleEdit when somebody else did so since
    `version`; Infeasible, with nothing changed, when there is none.
    """
    now = HomeWeek.objects.select_for_update(of=("self",)).get(pk=week.pk)
    if now.version != version:
        raise StaleEdit({"version": now.version, "days": now.days}, {"version": version})
    before = {"days": now.days, "minutes": now.minutes_by_day}
    if minutes_by_day is not None:
        now.minutes_by_day = list(minutes_by_day)
    _planned(now, on, kept, excluded)
    now.version += 1
    now.save()
    return Done(now, now, now.child_id, {"before": before, "excluded": list(excluded)})


def _planned(
    week: HomeWeek, on: date, kept: Sequence[tuple[int, PlannedBlock]] = (), excluded: Sequence[str] = ()
) -> None:
    """Fill a week's days by what is asked of it. Raises Infeasible, with the week as it was, when there is none."""
    bench = home_workbench(week.child, week.targets, on, excluded)
    school = school_workbench(week.child, week.school, week.targets, on).request if week.school else None
    clinic = (
        (_session_on(week.clinic_day, week.clinic_plan, on),)
        if week.clinic_plan is not None and week.clinic_day is not None
        else ()
    )
    answer = plan_week(
        WeekRequest(
            bench.request,
            tuple(week.minutes_by_day),
            week.a_day,
            elsewhere=clinic,
            school=school,
            school_minutes=tuple(week.school_minutes),
            kept=tuple(kept),
        )
    )
    if answer.status == "infeasible":
        raise Infeasible(answer)
    week.supervision = week.child.home.supervision
    week.status, week.well_spent, week.bound = answer.status, answer.well_spent, answer.bound
    week.days = [[as_json(as_planned(b)) for b in d.blocks] for d in answer.days]
    week.school_days = [[as_json(as_planned(b)) for b in d.school] for d in answer.days]


def _session_on(day: int, plan: Plan, on: date) -> Elsewhere:
    """What the clinic's session means for the week around it."""
    _, blocks = workbench_of(plan, on).stand_all(choices_of(plan))
    return done_elsewhere(day, blocks, totals(blocks).tiring_minutes)
