"""What weeks, groups and whole caseloads cost; what a bigger library costs; and what an independent reader finds in
the plans.
"""

from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from functools import partial
from statistics import median
from time import perf_counter
from typing import TypeVar
from unittest.mock import patch

from core.child import Setting
from core.library import ACTIVITIES, Activity
from core.offers.usable_cupboard import stock_of
from core.planner import GroupRequest, SessionRequest, WeekRequest, plan_group, plan_session, plan_week
from testing.checker import broken_limits
from testing.core_builders import CLINIC, everything, made_up_request

Say = Callable[[str], object]
FREE = (15, 0, 20, 15, 0, 30, 30)


T = TypeVar("T")


def _took(call: Callable[[], T]) -> tuple[float, T]:
    start = perf_counter()
    answer = call()
    return perf_counter() - start, answer


def weeks(say: Say) -> None:
    """Home weeks for made-up children with one or two activities a day."""
    times, proven = [], 0
    for seed in range(300, 320):
        request = replace(made_up_request(seed), setting=Setting("home", "arms_reach"))
        took, answer = _took(partial(plan_week, WeekRequest(request, FREE, 1 + seed % 2)))
        if answer.status != "infeasible":
            times.append(took)
            proven += answer.status == "optimal"
    say(
        f"home week: median {median(times) * 1e3:.0f} ms, worst {max(times) * 1e3:.0f} ms over {len(times)} "
        f"children; {proven} proven best"
    )


def groups(say: Say) -> None:
    """Four made-up children at one table with everything."""
    times, proven = [], 0
    for seed in range(20):
        rows = [
            replace(
                made_up_request(seed + 40 * k),
                minutes=35,
                setting=CLINIC,
                stock=stock_of(everything()),
                targets=("grasp", "bilateral"),
            )
            for k in range(4)
        ]
        took, answer = _took(partial(plan_group, GroupRequest(tuple("ABCD"), tuple(rows))))
        if answer.status != "infeasible":
            times.append(took)
            proven += answer.status == "optimal"
    say(
        f"group of four: median {median(times) * 1e3:.0f} ms, worst {max(times) * 1e3:.0f} ms over {len(times)} "
        f"groups; {proven} proven best"
    )


def _plan_of(seed: int) -> str:
    return plan_session(made_up_request(seed)).status


def caseload(say: Say) -> None:
    """Sixty children on two processes, as two workers share them."""
    with ProcessPoolExecutor(2) as workers:
        list(workers.map(_plan_of, [1, 2]))  # both workers have loaded what they need
        took, result = _took(lambda: list(workers.map(_plan_of, range(600, 660), chunksize=3)))
    say(f"caseload of 60 on two processes: {took:.1f} s, {sum(s != 'impossible' for s in result)} planned")


def library_size(say: Say) -> None:
    """The same sessions with the library once, twice and four times over (copies under other names)."""
    base = dict(ACTIVITIES)
    _sessions_with(base)  # once for what is worked out the first time
    first = 0.0
    for times in (1, 2, 4):
        bigger = dict(base)
        for copy in range(1, times):
            bigger |= {f"{k}_{copy}": replace(f, id=f"{k}_{copy}") for k, f in base.items()}
        total = _sessions_with(bigger)
        first = first or total
        say(
            f"library {times}x ({len(bigger)} activities): {total / 8 * 1e3:.0f} ms a session, "
            f"{total / first:.2f} times the cost"
        )


def _sessions_with(activities: dict[str, Activity]) -> float:
    with patch("core.library.ACTIVITIES", activities):
        requests = (replace(made_up_request(seed), activities=activities) for seed in range(200, 208))
        return sum(_took(partial(_solved, request))[0] for request in requests)


def _solved(request: SessionRequest) -> object:
    return plan_session(replace(request, usable=None))


def checked(say: Say) -> None:
    """Three hundred made-up children and homes: how many plans an independent reader finds anything wrong with."""
    made = broken = proven = 0
    for seed in range(1000, 1300):
        request = made_up_request(seed)
        plan = plan_session(request)
        if plan.status != "infeasible":
            made += 1
            proven += plan.status == "optimal"
            broken += bool(broken_limits(request, plan))
    say(f"independent reader: {made} plans of 300 made-up children, {broken} break a limit, {proven} proven best")
