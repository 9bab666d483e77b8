"""A home week: which days, which one or two activities, how long, so that practice is spaced and nothing runs out.

One objective, in well-spent minutes. Hard limits: the family's days and minutes, one or two activities a day,
no activity on two days running, few different activities in a week, consumables that last, the supervision of that
home.
"""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, replace
from math import ceil
from types import MappingProxyType
from typing import Any

from core.child import Zone
from core.offers import Quantity
from core.planner.blocks import block_from
from core.planner.candidates import QUALITY, Candidate, all_candidates, left_out
from core.planner.model import STEP, whole_minutes
from core.planner.request import Block, LeftOut, PlanStatus, SessionRequest
from core.planner.session import RequestError, check_request
from core.planner.solver import WEEK_EFFORT, run

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
LEAST_DAY, MOST_DAY = 5, 20  # minutes of one activity at home; common practice
MOST_ACTIVITIES = 4  # different activities in a week: variety without new kit every day; project definition
MOST_TIMES = 3  # days one activity comes up in a week; project definition
FULL_A_DAY = 8  # minutes of one strand on one day that count in full; project definition
NOT_RESTED = 0.6  # what a further minute counts, or a minute of a strand practised the day before; project definition
HOME_BAND = Zone(0.75, 0.95)  # a parent's quarter of an hour: mostly success; from memory
TENTHS = 10


@dataclass(frozen=True)
class WeekRequest:
    """What a home week is planned from.

    session  -- the child, the home's cupboard and setting, estimates, targets, what was done lately
    minutes_by_day -- minutes the family has on each of seven days, Monday first; 0 where there is no time
    a_day    -- most activities on one day: 1 or 2
    """

    session: SessionRequest
    minutes_by_day: tuple[int, ...]
    a_day: int = 1


@dataclass(frozen=True)
class Day:
    """One day of the week: its name, the family's minutes, and the activities, none where there is no time."""

    name: str
    available: int
    blocks: tuple[Block, ...] = ()

    @property
    def minutes(self) -> float:
        """Minutes with setting up."""
        return sum(b.minutes + b.setup_minutes for b in self.blocks)


@dataclass(frozen=True)
class WeekPlan:
    """Seven days. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    days: tuple[Day, ...] = ()
    used_up: tuple[Quantity, ...] = ()
    left_out: tuple[LeftOut, ...] = ()
    well_spent: float = 0.0
    bound: float = 0.0
    reason: str = ""
    fix: str = ""


def plan_week(request: WeekRequest) -> WeekPlan:
    """Return the best week for one child at home. The same request always gives the same week.

    Raises RequestError when the days are not seven, minutes are not 0 to 90, or a_day is not 1 or 2.
    """
    _check(request)
    session = _as_home(request)
    candidates = week_candidates(session)
    if not any(minutes >= LEAST_DAY for minutes in request.minutes_by_day):
        return WeekPlan(
            "infeasible", reason="the family has no day with 5 minutes", fix="Find one day with 5 minutes or more."
        )
    if not candidates:
        out = left_out(session, frozenset())
        first = next((o for o in out if o.kind in ("missing", "short")), out[0] if out else None)
        fix = f"{first.remedy} (for “{first.name}”: {first.reason})" if first else "Choose another target."
        return WeekPlan(
            "infeasible",
            left_out=out,
            reason="nothing in this home can be done safely with the supervision it has",
            fix=fix,
        )
    status, rows, well_spent, bound = solve_week(candidates, request)
    if status == "infeasible":
        least = min(_whole(c.least, c) for c in candidates)
        return WeekPlan(
            "infeasible",
            reason="no day is long enough for setting up and one activity",
            fix=f"Find one day with {ceil(least / STEP)} minutes.",
        )
    days = tuple(
        Day(name, available, tuple(block_from(c, m, session) for c, m in row))
        for name, available, row in zip(DAYS, request.minutes_by_day, rows, strict=True)
    )
    chosen = frozenset(b.variant.activity_id for d in days for b in d.blocks)
    return WeekPlan(status, days, _used_up(days), left_out(session, chosen), well_spent, bound)


def _check(request: WeekRequest) -> None:
    check_request(replace(request.session, minutes=30))
    if len(request.minutes_by_day) != len(DAYS):
        raise RequestError(
            "minutes_by_day",
            f"{len(request.minutes_by_day)} days: a week has 7. Give minutes for each, 0 where there is no time.",
        )
    if any(not 0 <= m <= 90 for m in request.minutes_by_day):
        raise RequestError("minutes_by_day", "Minutes of a day are 0 to 90. Give 0 where the family has no time.")
    if request.a_day not in (1, 2):
        raise RequestError("a_day", f"{request.a_day} activities a day: families do one or two. Choose 1 or 2.")


def _as_home(request: WeekRequest) -> SessionRequest:
    zones = replace(request.session.zones, bands=MappingProxyType({**request.session.zones.bands, "main": HOME_BAND}))
    return replace(request.session, format_id="home", zones=zones, minutes=MOST_DAY * 2, locked=())


def week_candidates(session: SessionRequest) -> list[Candidate]:
    """The candidates of a week. Dropped is only what MOST_ACTIVITIES others beat in everything: no optimum is lost."""
    groups: defaultdict[str, list[Candidate]] = defaultdict(list)
    for c in all_candidates(session):
        groups[c.strand].append(c)
    kept = []
    for strand in sorted(groups):
        for c in groups[strand]:
            better = {o.activity.id for o in groups[strand] if _beats(o, c)} - {c.activity.id}
            same = any(_beats(o, c) and o.activity is c.activity and o is not c for o in groups[strand])
            if len(better) < MOST_ACTIVITIES and not same:
                kept.append(c)
    return kept


def _beats(a: Candidate, b: Candidate) -> bool:
    """Whether a is never worse than b: worth, minutes, setting up, and nothing used up that b does not use."""
    uses_a, uses_b = a.used_up, b.used_up
    no_worse = a.quality >= b.quality and a.least <= b.least and a.most >= b.most and _set_up(a) <= _set_up(b)
    if not no_worse or any(uses_b.get(s, 0) < n for s, n in uses_a.items()):
        return False
    equal = (a.quality, a.least, a.most, _set_up(a), uses_a) == (b.quality, b.least, b.most, _set_up(b), uses_b)
    return not equal or (a.activity.id, a.offer.variant.grade) < (b.activity.id, b.offer.variant.grade)


def _set_up(c: Candidate) -> int:
    return ceil((c.activity.setup_minutes + c.activity.tidy_minutes) * STEP - 1e-9)


def _whole(minutes: int, c: Candidate) -> int:
    return max(minutes, LEAST_DAY) * STEP + _set_up(c)


Row = list[tuple[Candidate, int]]


def solve_week(candidates: list[Candidate], request: WeekRequest) -> tuple[PlanStatus, list[Row], float, float]:
    """Return status, the candidates and minutes of each day, well-spent minutes and their bound."""
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    days = range(len(DAYS))
    take = [[model.new_bool_var(f"take{i} {d}") for d in days] for i in range(len(candidates))]
    spend = [[model.new_int_var(0, MOST_DAY, f"minutes{i} {d}") for d in days] for i in range(len(candidates))]
    for i, c in enumerate(candidates):
        for d in days:
            model.add(spend[i][d] >= max(c.least, LEAST_DAY) * take[i][d])
            model.add(spend[i][d] <= min(max(c.most, LEAST_DAY), MOST_DAY) * take[i][d])
    amounts = _amounts(candidates, request.a_day)
    for d in days:
        work, total = sum(spend[i][d] for i in range(len(candidates))), request.minutes_by_day[d] * STEP
        set_up = sum(_set_up(c) * take[i][d] for i, c in enumerate(candidates))
        model.add(work * STEP + set_up <= total)
        whole_minutes(model, work, set_up, total, (a for a in amounts if a <= total), f"set up {d}")
        model.add(sum(take[i][d] for i in range(len(candidates))) <= request.a_day)
    _variety(model, candidates, take)
    _lasting(model, candidates, take)
    worth = _worth(model, candidates, take, spend)
    model.add(sum(take[i][d] for i in range(len(candidates)) for d in days) >= 1)
    model.maximize(worth)
    solver, status = run(model, WEEK_EFFORT)
    if status == "infeasible":
        return status, [], 0.0, 0.0
    rows = [
        [(c, solver.value(spend[i][d])) for i, c in enumerate(candidates) if solver.value(take[i][d])] for d in days
    ]
    scale = QUALITY * TENTHS
    return status, rows, solver.objective_value / scale, solver.best_objective_bound / scale


def _amounts(candidates: list[Candidate], a_day: int) -> set[int]:
    """The steps that setting up can take on one day."""
    one = {_set_up(c) for c in candidates}
    return {0} | one | ({a + b for a in one for b in one} if a_day > 1 else set())


def _variety(model: Any, candidates: list[Candidate], take: list[list[Any]]) -> None:
    """Few activities in a week, none on two days running, none twice on a day, none more than three times."""
    by_activity: defaultdict[str, list[int]] = defaultdict(list)
    for i, c in enumerate(candidates):
        by_activity[c.activity.id].append(i)
    used = []
    for activity in sorted(by_activity):
        chosen = model.new_bool_var(f"used {activity}")
        used.append(chosen)
        model.add(sum(take[i][d] for i in by_activity[activity] for d in range(len(DAYS))) <= MOST_TIMES * chosen)
        for d in range(len(DAYS)):
            next_day = [take[i][d + 1] for i in by_activity[activity]] if d + 1 < len(DAYS) else []
            model.add(sum([take[i][d] for i in by_activity[activity]] + next_day) <= chosen)
    model.add(sum(used) <= MOST_ACTIVITIES)


def _lasting(model: Any, candidates: list[Candidate], take: list[list[Any]]) -> None:
    """What is used up lasts the week: one set a time."""
    uses: defaultdict[str, list[Any]] = defaultdict(list)
    have: dict[str, int] = {}
    for i, c in enumerate(candidates):
        for q in c.offer.quantities:
            if q.single_use:
                uses[q.stock_id].append(q.wanted * sum(take[i]))
                have[q.stock_id] = q.have
    for stock_id in sorted(uses):
        model.add(sum(uses[stock_id]) <= have[stock_id])


def _worth(model: Any, candidates: list[Candidate], take: list[list[Any]], spend: list[list[Any]]) -> Any:
    """Minutes times quality; in full for the first minutes of a strand that rested the day before, less for the
    others.
    """
    by_strand: defaultdict[str, list[int]] = defaultdict(list)
    for i, c in enumerate(candidates):
        by_strand[c.strand].append(i)
    total: list[Any] = []
    for strand in sorted(by_strand):
        places = by_strand[strand]
        before = None
        for d in range(len(DAYS)):
            today = model.new_bool_var(f"{strand} {d}")
            for takes in _by_activity(
                candidates, places, take, d
            ):  # one go a day at most: all of an activity's grades at once
                model.add(sum(takes) <= today)
            full = model.new_int_var(0, FULL_A_DAY * QUALITY, f"{strand} {d} full")
            model.add(full <= FULL_A_DAY * QUALITY * today)
            less = model.new_int_var(0, MOST_DAY * 2 * QUALITY, f"{strand} {d} less")
            model.add(full + less <= sum(candidates[i].quality * spend[i][d] for i in places))
            if before is not None:
                model.add(full <= FULL_A_DAY * QUALITY * (1 - before))
            total += [TENTHS * full, round(NOT_RESTED * TENTHS) * less]
            before = today
    return sum(total)


def _by_activity(
    candidates: list[Candidate], places: list[int], take: list[list[Any]], day: int
) -> Iterable[list[Any]]:
    groups: defaultdict[str, list[Any]] = defaultdict(list)
    for i in places:
        groups[candidates[i].activity.id].append(take[i][day])
    return groups.values()


def _used_up(days: Iterable[Day]) -> tuple[Quantity, ...]:
    """What the week uses up, summed."""
    result: dict[str, Quantity] = {}
    for q in (q for d in days for b in d.blocks for q in b.quantities if q.single_use):
        result[q.stock_id] = replace(q, wanted=q.wanted + result[q.stock_id].wanted) if q.stock_id in result else q
    return tuple(result[k] for k in sorted(result))
