"""What planning costs, against the straightforward model of the same problem."""

from collections import Counter
from collections.abc import Callable
from contextlib import AbstractContextManager
from statistics import median, quantiles
from time import perf_counter
from typing import Any
from unittest.mock import patch

from core.offers import UsableCupboard
from core.planner import SessionRequest, plan_session, warm_up
from core.planner.candidates import all_candidates
from core.planner.choice import limits_of, options_of
from core.planner.solver import Effort, solve, undominated
from testing.cases import cases
from testing.core_builders import made_up_request

CHILDREN = tuple(range(200, 214))


def children() -> list[SessionRequest]:
    """Made-up children a session can be planned for."""
    made = (made_up_request(seed) for seed in CHILDREN)
    return [request for request in made if plan_session(request).status != "infeasible"]


def against_straightforward(say: Callable[[str], None]) -> None:
    """Every option of every candidate, default solver parameters, against what plan_session does; the optima must
    agree.
    """
    ours, plain, worse = [], [], 0
    for request in children():
        candidates = all_candidates(request)
        limits = limits_of(candidates, request)
        start = perf_counter()
        quick = solve(undominated(options_of(candidates, limits), limits.blocks, out=frozenset()), [], limits)
        ours.append(perf_counter() - start)
        with _default_parameters():
            start = perf_counter()
            slow = solve(options_of(candidates, limits), [], limits, Effort(100.0, seconds=20.0))
            plain.append(perf_counter() - start)
        worse += abs(quick.well_spent - slow.well_spent) > 1e-6 and slow.status == quick.status == "optimal"
    say(
        f"plan: {sum(plain) / sum(ours):.1f} times faster in sum than the straightforward model, "
        f"{median(p / o for p, o in zip(plain, ours, strict=True)):.1f} in the median; optima that differ: {worse}"
    )


def whole(say: Callable[[str], None]) -> None:
    """The whole of plan_session for the cases and 300 made-up children, those whose parts don't all fit included."""
    took, given_up, status = [], 0, Counter[str]()
    warm_up()  # as the server does before it serves
    for request in (*(c.request for c in cases()), *map(made_up_request, range(1000, 1300))):
        start = perf_counter()
        plan = plan_session(request)
        took.append(perf_counter() - start)
        status[plan.status] += 1
        given_up += any(note.startswith("No room") for note in plan.notes)
    cuts = quantiles(took, n=100)
    say(
        f"plan_session, {len(took)} children: median {cuts[49] * 1e3:.0f} ms, p95 {cuts[94] * 1e3:.0f}, "
        f"p99 {cuts[98] * 1e3:.0f}, worst {max(took) * 1e3:.0f}; {status['optimal']} proven, {status['feasible']} not, "
        f"{status['infeasible']} impossible, {given_up} give parts up"
    )


def _default_parameters() -> AbstractContextManager[object]:
    """The solver as it comes: no choice of relaxation, cuts or probing."""
    from ortools.sat.python import cp_model

    solve_as_set = cp_model.CpSolver.solve

    def plainly(self: Any, model: Any, callback: Any = None) -> Any:
        seconds = self.parameters.max_time_in_seconds
        self.parameters = (
            cp_model.sat_parameters_pb2.SatParameters()
            if hasattr(cp_model, "sat_parameters_pb2")
            else type(self.parameters)()
        )
        self.parameters.num_workers = 1
        self.parameters.max_time_in_seconds = seconds
        return solve_as_set(self, model, callback)

    return patch.object(cp_model.CpSolver, "solve", plainly)


def expansion(say: Callable[[str], None]) -> None:
    """The whole library for one child and one home, in ms and against a plain loop over the same variants."""
    from core.library import ACTIVITIES
    from core.offers import ask_of, asked_of, roles_of, tries_for, variants_of
    from testing.core_builders import full_house

    cupboard = full_house()
    list(full_house().offers())  # what grades ask is worked out once for the library, not for a home
    start = perf_counter()
    fresh = UsableCupboard(cupboard.stock, cupboard.child, cupboard.setting)
    offers = sum(1 for _ in fresh.offers())
    ours = perf_counter() - start
    start = perf_counter()
    for activity in ACTIVITIES.values():
        for v in variants_of(activity):
            count = tries_for(ask_of(activity, v.grade), cupboard.child)
            for role in roles_of(activity, v.grade):
                extra = asked_of(activity, v.grade, role.id)
                [j for j in cupboard.judged if role.filled_by(j.thing, extra) and j.stock.count >= role.least(count)]
    plain = perf_counter() - start
    say(f"library: {offers} safe variants in {ours * 1e3:.0f} ms, {plain / ours:.1f} times faster than a plain loop")
