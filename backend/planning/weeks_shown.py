"""Home weeks as they are shown."""

from datetime import date
from typing import Any

from django.utils import timezone

from core.library import find_thing
from core.planner import DAYS, Block, Refusal, left_out
from planning.models import HomeWeek
from planning.schemas import BlockOut, LeftOutOut
from planning.stored import from_json
from planning.weeks_schemas import DayOut, LoadOut, WeekOut
from planning.workbench import Workbench, choices_of, home_workbench, school_workbench, workbench_of


def week_out(week: HomeWeek) -> WeekOut:
    """A stored week, every block checked for today."""
    today = timezone.localdate()
    bench = home_workbench(week.child, week.targets, today)
    school = school_workbench(week.child, week.school, week.targets, today) if week.school else bench
    days, at_home, at_school = [], [], []
    rows = zip(DAYS, week.minutes_by_day, week.days, week.school_days or [[]] * len(DAYS), strict=True)
    for at, (name, available, row, school_row) in enumerate(rows):
        home, gone = _blocks_there(bench, row)
        there, gone_there = _blocks_there(school, school_row)
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
        version=week.version,
    )


def _blocks_there(bench: Workbench, row: list[dict[str, Any]]) -> tuple[list[Block], list[str]]:
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
