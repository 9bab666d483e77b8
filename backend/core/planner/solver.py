"""The solver, set up so that a model gets the same answer on every machine, fast or slow, idle or busy."""

from dataclasses import dataclass
from typing import Any

from core.planner.request import PlanStatus

Model = Any  # ortools ships no types that a strict reader accepts


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
    """Solve a model and return the solver, and optimal, feasible or infeasible."""
    from ortools.sat.python import cp_model

    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    solver.parameters.linearization_level = 2  # bounds from the linear relaxation: ten times faster here
    solver.parameters.add_lp_constraints_lazily = False
    solver.parameters.cp_model_probing_level = 0
    solver.parameters.cut_level = 0  # the relaxation is tight without cuts; looking for them doubled the time
    solver.parameters.max_cut_rounds_at_level_zero = 0
    solver.parameters.max_presolve_iterations = 1
    solver.parameters.cp_model_use_sat_presolve = False  # took longer than it saved
    status = cp_model.UNKNOWN
    for patience in effort.patience:
        solver.parameters.max_deterministic_time = patience * effort.work
        solver.parameters.max_time_in_seconds = effort.seconds
        status = solver.solve(model)
        if status != cp_model.UNKNOWN:
            break
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return solver, "infeasible"
    return solver, "optimal" if status == cp_model.OPTIMAL else "feasible"
