"""When a session can't be: the smallest set of limits to give up, found by the solver."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any

from core.planner.request import LONGEST_SESSION
from core.planner.solver.limits import Limit, Limits, cost, is_content
from core.planner.solver.model import Built, build
from core.planner.solver.options import STEP, Of, Option, undominated
from core.planner.solver.search import run

ONE_MORE = 1000  # weight of one more limit, against the order's 1 to 13


@dataclass(frozen=True)
class Relaxed:
    """The limits given up, and the minutes the session then takes."""

    given_up: tuple[Limit, ...]
    minutes: int


def smallest(
    options: Sequence[Option[Of]],
    locked: Sequence[Option[Of]],
    limits: Limits,
    content_only: bool = False,
    also: Callable[[Built[Of]], None] | None = None,
    dear: frozenset[Limit] = frozenset(),
) -> Relaxed | None:
    """Return the fewest limits to give up so that a session can be, or None where none of those helps.

    content_only -- give up only what a session holds, not its time, the hands or the locks
    also -- adds what has to hold besides, whatever is given up; then every option is looked at
    dear -- limits that are given up only where three others would not do
    Among equally few, the cheapest; among those, the shortest session. Nothing is asked of worth, so
    that of each kind of option the quickest will do.
    """
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    literals: dict[Limit, Any] = {}
    costs: dict[Limit, int] = {}

    def hold(limit: Limit) -> Any:
        place = cost(limit)
        if place is None or (content_only and not is_content(limit)):
            return True
        if limit not in literals:
            literals[limit] = model.new_bool_var(f"keep {limit}")
            costs[limit] = ONE_MORE * (3 if limit in dear else 1) + place
        return literals[limit]

    held = frozenset(thing for o in locked for thing in o.kit)
    listed = options if also else undominated(options, limits.blocks, by_worth=False, out=held)
    built = build([*locked, *listed], len(locked), limits, hold, model)
    if also:
        also(built)
    built.model.add(built.time <= LONGEST_SESSION * STEP)
    given = sum(costs[limit] * (1 - literal) for limit, literal in literals.items())
    built.model.minimize(given * (LONGEST_SESSION * STEP + 1) + built.time)
    solver, status = run(built.model)
    if status == "infeasible":
        return None
    given_up = tuple(limit for limit, literal in literals.items() if not solver.value(literal))
    return Relaxed(given_up, ceil(solver.value(built.time) / STEP))
