"""When a session can't be: the smallest set of limits to give up, found by the solver."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any

from core.planner.model import Built, Limits, build
from core.planner.options import STEP, Of, Option, undominated
from core.planner.request import LONGEST_SESSION
from core.planner.solver import run

# Limits of the same number are given up in this order, cheapest first; the number of them weighs more.
PARTS_ORDER = ("many", "moves", "assists", "part:warm-up", "part:tidy", "part:daily", "part:opener", "main", "target")
LIMITS_ORDER = (*PARTS_ORDER, "minutes", "tiring", "apart", "lock")
ONE_MORE = 1000  # weight of one more limit, against the order's 1 to 12


@dataclass(frozen=True)
class Relaxed:
    """The limits given up, by name, and the minutes the session then takes."""

    given_up: tuple[str, ...]
    minutes: int


def smallest(
    options: Sequence[Option[Of]],
    locked: Sequence[Option[Of]],
    limits: Limits,
    may_give: tuple[str, ...],
    also: Callable[[Built[Of]], None] | None = None,
    dear: frozenset[str] = frozenset(),
) -> Relaxed | None:
    """Return the fewest limits to give up so that a session can be, or None where none of those helps.

    may_give -- kinds of limit that may be given up, of LIMITS_ORDER
    dear     -- limits that are given up only where three others would not do
    also     -- adds what has to hold besides, whatever is given up; then every option is looked at
    Among equally few, the cheapest by LIMITS_ORDER; among those, the shortest session. Nothing is asked of worth, so
    that of each kind of option the quickest will do.
    """
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    literals: dict[str, Any] = {}

    def hold(name: str) -> Any:
        if _kind(name) not in may_give:
            return True
        if name not in literals:
            literals[name] = model.new_bool_var(f"keep {name}")
        return literals[name]

    held = frozenset(thing for o in locked for thing in o.kit)
    listed = options if also else undominated(options, limits.blocks, by_worth=False, out=held)
    built = build([*locked, *listed], len(locked), limits, hold, model)
    if also:
        also(built)
    built.model.add(built.time <= LONGEST_SESSION * STEP)
    cost = {name: ONE_MORE * (3 if name in dear else 1) + LIMITS_ORDER.index(_kind(name)) for name in literals}
    given = sum(cost[name] * (1 - literal) for name, literal in literals.items())
    built.model.minimize(given * (LONGEST_SESSION * STEP + 1) + built.time)
    solver, status = run(built.model)
    if status == "infeasible":
        return None
    kept = {name: bool(solver.value(literal)) for name, literal in literals.items()}
    return Relaxed(tuple(n for n, k in kept.items() if not k), ceil(solver.value(built.time) / STEP))


def _kind(name: str) -> str:
    """A limit's kind: a part keeps its name, a lock or a target loses its own."""
    return name if name in LIMITS_ORDER else name.split(":", maxsplit=1)[0]
