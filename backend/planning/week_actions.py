"""Making and keeping home weeks and sessions for children together."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from caseload.checks import FieldError
from caseload.models import Child, Home
from clinic.actions import Done, acting
from clinic.models import Member
from core.offers import UsableCupboard, Variant
from core.planner import (
    GroupPlan,
    GroupRequest,
    LeftOut,
    SessionRequest,
    WeekPlan,
    WeekRequest,
    left_out_together,
    plan_group,
    plan_week,
)
from planning.models import GroupSession, HomeWeek
from planning.workbench import Wish, workbench


class NoWeek(Exception):
    """No week, or no session together: the reason and the shortest fix."""

    def __init__(self, answer: WeekPlan | GroupPlan) -> None:
        super().__init__(f"No plan, because {answer.reason}. The shortest fix: {answer.fix}")
        self.reason, self.fix = answer.reason, answer.fix


@dataclass(frozen=True)
class WeekWish:
    """What is asked of a home week. free: minutes on each of seven days, Monday first."""

    starts_on: date
    free: tuple[int, ...]
    a_day: int
    targets: tuple[str, ...]


@acting("plan.make")
def make_week(member: Member, child: Child, wish: WeekWish, on: date) -> Done[HomeWeek]:
    """Plan a week in the child's own home and keep it. Raises NoWeek, with nothing kept, when there is none."""
    if wish.starts_on.weekday() != 0:
        raise FieldError("starts_on", wish.starts_on.isoformat(), "A home week starts on a Monday.", "Choose a Monday.")
    request, cupboard = home_bench(child, wish.targets, on)
    answer = plan_week(WeekRequest(request, wish.free, wish.a_day), cupboard)
    if answer.status == "infeasible":
        raise NoWeek(answer)
    week = HomeWeek.objects.create(
        child=child, made_by=member, starts_on=wish.starts_on, supervision=child.home.supervision, targets=list(wish.targets),
        free=list(wish.free), a_day=wish.a_day, status=answer.status, well_spent=answer.well_spent, bound=answer.bound,
        days=[[_plain(b.variant, b.minutes) for b in d.blocks] for d in answer.days],
    )  # fmt: skip
    return Done(week, week, child.pk, {"starts_on": wish.starts_on.isoformat(), "free": list(wish.free)})


def home_bench(child: Child, targets: Sequence[str], on: date) -> tuple[SessionRequest, UsableCupboard]:
    """A request and the house for work in the child's own home, with the supervision it has."""
    bench = workbench(child, child.home, Wish(30, tuple(targets), "home", child.home.supervision, format_id="home"), on)
    return bench.request, bench.cupboard


def _plain(variant: Variant, minutes: int) -> dict[str, Any]:
    return {"activity_id": variant.activity_id, "grade": list(variant.grade), "minutes": minutes}


@dataclass(frozen=True)
class GroupWish:
    """What is asked of a session for children together."""

    minutes: int
    targets: tuple[str, ...]
    supervision: str


def group_request(children: Sequence[Child], home: Home, wish: GroupWish, on: date) -> GroupRequest:
    """A request for children at one table."""
    asked = Wish(wish.minutes, wish.targets, home.kind, wish.supervision)
    return GroupRequest(tuple(c.first_name for c in children), tuple(workbench(c, home, asked, on).request for c in children))


def group_answer(children: Sequence[Child], home: Home, wish: GroupWish, on: date) -> tuple[GroupPlan, tuple[LeftOut, ...]]:
    """Return the core's answer for children at one table, and what was left out. Raises NoWeek when there is none."""
    request = group_request(children, home, wish, on)
    answer = plan_group(request)
    if answer.status == "infeasible":
        raise NoWeek(answer)
    return answer, left_out_together(request, answer)


@acting("plan.make")
def keep_group(
    member: Member, children: Sequence[Child], home: Home, wish: GroupWish, answer: dict[str, Any]
) -> Done[GroupSession]:
    """Keep a session for children together, frozen as it was shown."""
    kept = GroupSession.objects.create(home=home, made_by=member, minutes=wish.minutes, answer=answer)
    kept.children.set(children)
    return Done(kept, kept, None, {"children": [c.pk for c in children]})
