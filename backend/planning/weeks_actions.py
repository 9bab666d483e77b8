"""Making and keeping home weeks."""

from dataclasses import dataclass
from datetime import date

from caseload.checks import FieldError
from caseload.models import Child
from clinic.actions import Done, acting
from clinic.models import Member
from core.planner import WeekRequest, plan_week
from planning.actions import Infeasible
from planning.models import HomeWeek
from planning.stored import as_json, as_planned
from planning.workbench import home_workbench


@dataclass(frozen=True)
class WeekWish:
    """What is asked of a home week. minutes_by_day: minutes the family has on each of seven days, Monday first."""

    starts_on: date
    minutes_by_day: tuple[int, ...]
    a_day: int
    targets: tuple[str, ...]


@acting("plan.make")
def make_week(member: Member, child: Child, wish: WeekWish, on: date) -> Done[HomeWeek]:
    """Plan a week in the child's own home and keep it. Raises Infeasible, with nothing kept, when there is none."""
    if wish.starts_on.weekday() != 0:
        raise FieldError("starts_on", wish.starts_on.isoformat(), "A home week starts on a Monday.", "Choose a Monday.")
    bench = home_workbench(child, wish.targets, on)
    answer = plan_week(WeekRequest(bench.request, wish.minutes_by_day, wish.a_day))
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
    )
    return Done(week, week, child.pk, {"starts_on": wish.starts_on.isoformat(), "minutes": list(wish.minutes_by_day)})
