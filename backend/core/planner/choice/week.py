"""A home week as a model for the solver: which activity on which day for how many sets, at home and at school."""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from core.planner.candidates import Candidate
from core.planner.request import DAYS, LEAST_AT_HOME, Elsewhere, PlanStatus, SessionRequest
from core.planner.solver import STEP, TENTHS, WEEK_EFFORT, WORTH_A_MINUTE, Option, lasting, run, undominated

MOST_DAY = 20  # minutes of one activity at home; common practice
MOST_ACTIVITIES = 5  # different activities in a week: variety without new kit every day; project definition
MOST_TIMES = 2  # days one activity comes up in a week; project definition
FULL_A_DAY = 8  # minutes of one strand on one day that count in full; project definition
NOT_RESTED = 0.6  # what a further minute counts, or a minute of a strand practised the day before; project definition
TIRING_A_DAY = 15  # minutes of tiring work on one day, every place together; from memory


@dataclass(frozen=True)
class Site:
    """One place a week is practised in: what it can offer, its minutes day by day, and what stands there already."""

    request: SessionRequest
    options: tuple[Option[Candidate], ...]
    minutes: tuple[int, ...]
    a_day: int
    kept: tuple[tuple[int, Option[Candidate]], ...] = ()


def week_options(candidates: Iterable[Candidate]) -> list[Option[Candidate]]:
    """The options of a week: mostly a success, and none that MOST_ACTIVITIES other activities beat in everything. No
    optimum is lost.
    """
    every = [o for c in candidates if c.expected >= LEAST_AT_HOME for o in c.options() if o.steps <= MOST_DAY * STEP]
    return undominated(every, MOST_ACTIVITIES, alike=False)


Rows = list[list[Option[Candidate]]]  # what is done on each of seven days


def solve_week(sites: Sequence[Site], elsewhere: Sequence[Elsewhere]) -> tuple[PlanStatus, list[Rows], float, float]:
    """Return status, for each site the options of each day, well-spent minutes and their bound.

    Every wish that can be practised at home has two days, where the week has room for that; fewer where it has not.
    """
    for asks in _wishes(sites[0]):
        answer = _solve(sites, elsewhere, asks)
        if answer[0] != "infeasible":
            return answer
    return _solve(sites, elsewhere, {})


def _wishes(site: Site) -> Iterator[dict[str, int]]:
    """How many days each wish is to have, the most first: two each, two for the first and one for the others, one
    each, one for the first.
    """
    longest = max(site.minutes) * STEP
    there = {o.of.task for o in site.options if o.of.task and o.time <= longest}
    tasks = [t for t in site.request.tasks if t in there]
    room = sum(site.a_day for minutes in site.minutes if minutes)
    for asks in ([2] * len(tasks), [2, *[1] * (len(tasks) - 1)], [1] * len(tasks), [1]):
        if tasks and sum(asks) <= room:
            yield dict(zip(tasks, asks, strict=False))


def _solve(
    sites: Sequence[Site], elsewhere: Sequence[Elsewhere], asks: Mapping[str, int]
) -> tuple[PlanStatus, list[Rows], float, float]:
    """The best week in which each wish has at least so many days."""
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    days = range(len(DAYS))
    taken: list[tuple[Option[Candidate], list[Any]]] = []
    ends = []
    for at, site in enumerate(sites):
        mine = [(o, [model.new_bool_var(f"take{at} {i} {d}") for d in days]) for i, o in enumerate(site.options)]
        for i, (day, o) in enumerate(site.kept):
            stands = [model.new_bool_var(f"kept{at} {i} {d}") for d in days]
            for d in days:
                model.add(stands[d] == (1 if d == day else 0))
            mine.append((o, stands))
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
    for task, times in asks.items():
        model.add(sum(t[d] for o, t in taken[: ends[0]] if o.of.task == task for d in days) >= times)
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
    """Few activities in a week, none on two days running, none twice on a day, none more than twice."""
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
