"""The solver, set up so that a model gets the same answer on every machine, fast or slow, idle or busy. Whoever asked
for an answer may have gone: the search for it ends then.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from threading import Event, Thread
from typing import Any

from core.planner.request import PlanStatus

Model = Any  # ortools ships no types that a strict reader accepts
LOOKS_EVERY = 0.25  # seconds between two looks whether somebody still waits


class Abandoned(Exception):
    """Nobody waits for the answer any more."""


_has_gone: ContextVar[Callable[[], bool] | None] = ContextVar("has_gone", default=None)


@contextmanager
def asked_by(has_gone: Callable[[], bool]) -> Iterator[None]:
    """Within this, every search raises Abandoned soon after has_gone() became true. has_gone is called from a second
    thread, too.
    """
    token = _has_gone.set(has_gone)
    try:
        yield
    finally:
        _has_gone.reset(token)


@dataclass(frozen=True)
class Effort:
    """How hard to look for the best.

    work     -- the solver's own count of work, about seconds: it does not depend on the machine
    patience -- times that work, one after the other, where the search ended before it found anything:
                not found is not impossible
    seconds  -- by the clock, for each time: a fuse far beyond what the work takes, never reached in practice
    """

    work: float
    patience: tuple[float, ...] = (1, 5, 25)
    seconds: float = 120.0


SESSION_EFFORT = Effort(0.4)
WEEK_EFFORT = Effort(0.35)
GROUP_EFFORT = Effort(0.3)


def run(model: Model, effort: Effort = SESSION_EFFORT) -> tuple[Any, PlanStatus]:
    """Solve a model and return the solver, and optimal, feasible or infeasible. Raises Abandoned (see asked_by)."""
    from ortools.sat.python import cp_model

    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    solver.parameters.linearization_level = 2  # bounds from the linear relaxation: ten times faster here
    solver.parameters.add_lp_constraints_lazily = False
    solver.parameters.cp_model_probing_level = 0
    solver.parameters.cut_level = 0  # the relaxation is tight without cuts; looking for them doubled the time
    solver.parameters.max_cut_rounds_at_level_zero = 0
    solver.parameters.cp_model_presolve = False  # took longer than it saved
    status = cp_model.UNKNOWN
    for patience in effort.patience:
        solver.parameters.max_deterministic_time = patience * effort.work
        solver.parameters.max_time_in_seconds = effort.seconds
        status = _searched(solver, model)
        if status != cp_model.UNKNOWN:
            break
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return solver, "infeasible"
    return solver, "optimal" if status == cp_model.OPTIMAL else "feasible"


def _searched(solver: Any, model: Model) -> Any:
    has_gone = _has_gone.get()
    if has_gone is None:
        return solver.solve(model)
    if has_gone():
        raise Abandoned
    done, left = Event(), Event()

    def watch() -> None:
        while not done.wait(LOOKS_EVERY):
            if has_gone():
                left.set()
                solver.stop_search()  # again each time: one that has only just begun doesn't hear it

    watcher = Thread(target=watch, daemon=True)
    watcher.start()
    try:
        status = solver.solve(model)
    finally:
        done.set()
        watcher.join()
    if left.is_set():
        raise Abandoned
    return status
