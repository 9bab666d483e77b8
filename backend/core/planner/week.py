"""A home week: which days, which one or two activities, how many sets, so that practice is spaced and nothing runs out.
School may have a part in it; the clinic's own session counts as done.

One objective, in well-spent minutes. Hard limits: the days and minutes of each place, one or two activities a day,
no activity on two days running, few different activities in a week, a day for the wanted task itself, consumables that
last, hands that rest, the supervision of each place.
"""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from math import ceil
from types import MappingProxyType
from typing import Any

from core.child import Zone
from core.library import find_activity
from core.offers import Quantity
from core.planner.blocks import as_block
from core.planner.candidates import Candidate, all_candidates
from core.planner.model import TENTHS, lasting
from core.planner.options import STEP, WORTH_A_MINUTE, Option, undominated
from core.planner.request import Block, LeftOut, PlannedBlock, PlanStatus, SessionRequest
from core.planner.session import RequestError, check_request
from core.planner.solver import WEEK_EFFORT, run
from core.planner.why_left_out import left_out

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
LEAST_DAY, MOST_DAY = 5, 20  # minutes of one activity at home; common practice
MOST_ACTIVITIES = 4  # different activities in a week: variety without new kit every day; project definition
MOST_TIMES = 3  # days one activity comes up in a week; project definition
FULL_A_DAY = 8  # minutes of one strand on one day that count in full; project definition
NOT_RESTED = 0.6  # what a further minute counts, or a minute of a strand practised the day before; project definition
TIRING_A_DAY = 15  # minutes of tiring work on one day, every place together; from memory
HOME_BAND = Zone(0.75, 0.95)  # a parent's quarter of an hour: mostly success; from memory


@dataclass(frozen=True)
class Elsewhere:
    """What is done that week outside the plan: the clinic's session, on its day (0: Monday)."""

    day: int
    strands: frozenset[str]
    tiring_minutes: float = 0.0


@dataclass(frozen=True)
class WeekRequest:
    """What a home week is planned from.

    session  -- the child, the home's cupboard and setting, estimates, targets, what was done lately
    minutes_by_day -- minutes the family has on each of seven days, Monday first; 0 where there is no time
    a_day    -- most activities on one day: 1 or 2
    elsewhere -- what is done that week outside the plan
    school, school_minutes -- the part the school has in it: its cupboard and setting, and its minutes day by day
    """

    session: SessionRequest
    minutes_by_day: tuple[int, ...]
    a_day: int = 1
    elsewhere: tuple[Elsewhere, ...] = ()
    school: SessionRequest | None = None
    school_minutes: tuple[int, ...] = (0,) * 7


@dataclass(frozen=True)
class Day:
    """One day of the week: its name, the family's minutes, and the activities at home and at school, none where there
    is no time.
    """

    name: str
    available: int
    blocks: tuple[Block, ...] = ()
    school: tuple[Block, ...] = ()

    @property
    def minutes(self) -> float:
        """Minutes at home with setting up."""
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


@dataclass(frozen=True)
class Site:
    """One place a week is practised in: what it can offer, and its minutes day by day."""

    request: SessionRequest
    options: tuple[Option[Candidate], ...]
    minutes: tuple[int, ...]
    a_day: int


def plan_week(request: WeekRequest) -> WeekPlan:
    """Return the best week for one child at home. The same request always gives the same week.

    Raises RequestError when the days are not seven, minutes are not 0 to 90, or a_day is not 1 or 2.
    """
    _check(request)
    session = _as_home(request.session)
    candidates = all_candidates(session)
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
    sites = [Site(session, tuple(week_options(candidates)), request.minutes_by_day, request.a_day)]
    if request.school is not None:
        school = _as_home(request.school)
        sites.append(Site(school, tuple(week_options(all_candidates(school))), request.school_minutes, 1))
    status, rows, well_spent, bound = solve_week(sites, request.elsewhere)
    if status == "infeasible":
        least = min(o.time for o in sites[0].options)
        return WeekPlan(
            "infeasible",
            reason="no day is long enough for setting up and one activity",
            fix=f"Find one day with {ceil(least / STEP)} minutes.",
        )
    made = [_blocks(site, row) for site, row in zip(sites, rows, strict=True)]
    at_school = made[1] if len(made) > 1 else [()] * len(DAYS)
    days = tuple(
        Day(name, available, blocks, more)
        for name, available, blocks, more in zip(DAYS, request.minutes_by_day, made[0], at_school, strict=True)
    )
    chosen = frozenset(b.variant.activity_id for d in days for b in d.blocks)
    return WeekPlan(status, days, _used_up(days), left_out(session, chosen), well_spent, bound)


def _blocks(site: Site, rows: Sequence[Sequence[Option[Candidate]]]) -> list[tuple[Block, ...]]:
    return [
        tuple(as_block(o.of, o.sets, site.request, day + place) for place, o in enumerate(row))
        for day, row in enumerate(rows)
    ]


def done_elsewhere(day: int, planned: Iterable[PlannedBlock | Block], minutes: float = 0.0) -> Elsewhere:
    """Return what a session of these blocks means for the week around it. minutes -- of tiring work in it"""
    strands = {s for b in planned for s in find_activity(b.variant.activity_id).trains}
    return Elsewhere(day, frozenset(strands), minutes)


def _check(request: WeekRequest) -> None:
    check_request(replace(request.session, minutes=30))
    for field, minutes in (("minutes_by_day", request.minutes_by_day), ("school_minutes", request.school_minutes)):
        if len(minutes) != len(DAYS):
            raise RequestError(
                field, f"{len(minutes)} days: a week has 7. Give minutes for each, 0 where there is no time."
            )
        if any(not 0 <= m <= 90 for m in minutes):
            raise RequestError(field, "Minutes of a day are 0 to 90. Give 0 where there is no time.")
    if request.a_day not in (1, 2):
        raise RequestError("a_day", f"{request.a_day} activities a day: families do one or two. Choose 1 or 2.")


def _as_home(session: SessionRequest) -> SessionRequest:
    zones = replace(session.zones, bands=MappingProxyType({**session.zones.bands, "main": HOME_BAND}))
    return replace(session, format_id="home", zones=zones, minutes=MOST_DAY * 2, locked=())


def week_options(candidates: Iterable[Candidate]) -> list[Option[Candidate]]:
    """The options of a week: those no MOST_ACTIVITIES other activities beat in everything. No optimum is lost."""
    every = [o for c in candidates for o in c.options() if o.steps <= MOST_DAY * STEP]
    return undominated(every, MOST_ACTIVITIES, alike=False)


Rows = list[list[Option[Candidate]]]  # what is done on each of seven days


def solve_week(sites: Sequence[Site], elsewhere: Sequence[Elsewhere]) -> tuple[PlanStatus, list[Rows], float, float]:
    """Return status, for each site the options of each day, well-spent minutes and their bound."""
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    days = range(len(DAYS))
    taken: list[tuple[Option[Candidate], list[Any]]] = []
    ends = []
    for at, site in enumerate(sites):
        mine = [(o, [model.new_bool_var(f"take{at} {i} {d}") for d in days]) for i, o in enumerate(site.options)]
        for d in days:
            model.add(sum(o.time * t[d] for o, t in mine) <= site.minutes[d] * STEP)
            model.add(sum(t[d] for _, t in mine) <= site.a_day)
        lasting(model, ((o, sum(t)) for o, t in mine))
        taken += mine
        ends.append(len(taken))
    for d in days:
        room = round((TIRING_A_DAY - sum(e.tiring_minutes for e in elsewhere if e.day == d)) * STEP)
        model.add(sum(o.steps * t[d] for o, t in taken if o.tiring) <= max(0, room))
    _variety(model, taken)
    model.add(sum(t[d] for _, t in taken[: ends[0]] for d in days) >= 1)
    task = [t[d] for o, t in taken[: ends[0]] if o.of.task for d in days if o.time <= sites[0].minutes[d] * STEP]
    if task:
        model.add(sum(task) >= 1)  # the wanted task itself has its day
    model.maximize(_worth(model, taken, elsewhere))
    solver, status = run(model, WEEK_EFFORT)
    if status == "infeasible":
        return status, [], 0.0, 0.0
    rows = [
        [[o for o, t in taken[start:end] if solver.value(t[d])] for d in days]
        for start, end in zip([0, *ends], ends, strict=False)
    ]
    scale = WORTH_A_MINUTE * TENTHS
    return status, rows, solver.objective_value / scale, solver.best_objective_bound / scale


def _variety(model: Any, taken: Sequence[tuple[Option[Candidate], list[Any]]]) -> None:
    """Few activities in a week, none on two days running, none twice on a day, none more than three times."""
    by_activity: defaultdict[str, list[list[Any]]] = defaultdict(list)
    for o, t in taken:
        by_activity[o.activity.id].append(t)
    used = []
    for activity in sorted(by_activity):
        chosen = model.new_bool_var(f"used {activity}")
        used.append(chosen)
        takes = by_activity[activity]
        model.add(sum(sum(t) for t in takes) <= MOST_TIMES * chosen)
        for d in range(len(DAYS)):
            next_day = [t[d + 1] for t in takes] if d + 1 < len(DAYS) else []
            model.add(sum([t[d] for t in takes] + next_day) <= chosen)
    model.add(sum(used) <= MOST_ACTIVITIES)


def _worth(model: Any, taken: Sequence[tuple[Option[Candidate], list[Any]]], elsewhere: Sequence[Elsewhere]) -> Any:
    """Minutes at work times quality; in full for the first minutes of a strand that rested the day before, less for
    the others, and for what was practised elsewhere that day.
    """
    by_strand: defaultdict[str, list[tuple[Option[Candidate], list[Any]]]] = defaultdict(list)
    for o, t in taken:
        by_strand[o.of.strand].append((o, t))
    total: list[Any] = []
    for strand in sorted(by_strand):
        mine = by_strand[strand]
        before = None
        for d in range(len(DAYS)):
            today = model.new_bool_var(f"{strand} {d}")
            done = any(e.day == d and strand in e.strands for e in elsewhere)
            if done:
                model.add(today == 1)
            for takes in _by_activity(mine, d):  # one go a day at most: all of an activity's options at once
                model.add(sum(takes) <= today)
            full = model.new_int_var(0, 0 if done else FULL_A_DAY * WORTH_A_MINUTE, f"{strand} {d} full")
            model.add(full <= FULL_A_DAY * WORTH_A_MINUTE * today)
            less = model.new_int_var(0, MOST_DAY * 3 * WORTH_A_MINUTE, f"{strand} {d} less")
            model.add(full + less <= sum(o.value * t[d] for o, t in mine))
            if before is not None:
                model.add(full <= FULL_A_DAY * WORTH_A_MINUTE * (1 - before))
            total += [TENTHS * full, round(NOT_RESTED * TENTHS) * less]
            before = today
    return sum(total)


def _by_activity(mine: Iterable[tuple[Option[Candidate], list[Any]]], day: int) -> Iterable[list[Any]]:
    groups: defaultdict[str, list[Any]] = defaultdict(list)
    for o, t in mine:
        groups[o.activity.id].append(t[day])
    return groups.values()


def _used_up(days: Iterable[Day]) -> tuple[Quantity, ...]:
    """What the week uses up at home, summed."""
    result: dict[str, Quantity] = {}
    for q in (q for d in days for b in d.blocks for q in b.quantities if q.single_use):
        result[q.stock_id] = replace(q, wanted=q.wanted + result[q.stock_id].wanted) if q.stock_id in result else q
    return tuple(result[k] for k in sorted(result))
