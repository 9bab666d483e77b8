"""Children together as a model for the solver: which activities, for how many minutes, for all or by turns."""

from collections import defaultdict
from collections.abc import Sequence
from typing import Any

from core.child import Part
from core.library.activity import Activity
from core.planner.candidates import Together
from core.planner.choice.limits import LONG_ENOUGH_FOR_TWO
from core.planner.request import PlanStatus, SessionRequest
from core.planner.solver import (
    GROUP_EFFORT,
    MOST_MAIN,
    SET_OUT,
    STEP,
    TENTHS,
    WORTH_A_MINUTE,
    Option,
    lasting,
    once_each,
    one_window,
    own_steps,
    run,
    undominated,
    worth_of,
)

Chosen = list[tuple[Together, int, bool]]
Solved = tuple[PlanStatus, Chosen, float, float]


def solve_group(shared: list[Together], sessions: Sequence[SessionRequest]) -> Solved:
    """Return status, what is chosen with its minutes and whether by turns, well-spent minutes a child, and their
    bound.
    """
    from ortools.sat.python import cp_model

    model, minutes = cp_model.CpModel(), sessions[0].minutes
    every = (o for t in shared for o in t.options())
    listed = undominated(every, MOST_MAIN + 2, alike=False)
    taken = [(o, model.new_bool_var(f"take{i}")) for i, o in enumerate(listed)]
    _turns(model, taken, sessions[0].setting.adults)
    _group_parts(model, taken, minutes)
    lasting(model, taken)
    model.add(sum((o.steps + set_up_steps(o.activity, len(o.kit))) * t for o, t in taken) <= minutes * STEP)
    tiring = sum(o.steps * t for o, t in taken if o.tiring)
    model.add(tiring <= round(minutes * min(s.tiring_share for s in sessions)) * STEP)
    model.add(2 * sum(t for o, t in taken if o.tiring) <= sum(t for _, t in taken) + 1)
    model.maximize(worth_of(model, taken))
    solver, status = run(model, GROUP_EFFORT)
    if status == "infeasible":
        return status, [], 0.0, 0.0
    chosen = [(o.of, o.steps // STEP, not o.of.for_all) for o, t in taken if solver.value(t)]
    scale = WORTH_A_MINUTE * TENTHS * len(sessions)
    return status, chosen, solver.objective_value / scale, solver.best_objective_bound / scale


def set_up_steps(activity: Activity, things: int) -> int:
    """Half minutes of setting an activity up and tidying it, with so many things to bring."""
    return own_steps(activity) + round(SET_OUT * STEP) * things


def _turns(model: Any, taken: Sequence[tuple[Option[Together], Any]], adults: int) -> None:
    """Activities by turns come two at a time, for the same minutes, and no more of them to watch than adults."""
    by_turns = [(o, t) for o, t in taken if not o.of.for_all]
    if not by_turns:
        return
    pair = model.new_bool_var("one pair by turns")
    model.add(sum(t for _, t in by_turns) == 2 * pair)
    model.add(sum(o.of.watched * t for o, t in by_turns) <= adults)
    one_window(model, by_turns)


def _group_parts(model: Any, taken: Sequence[tuple[Option[Together], Any]], minutes: int) -> None:
    by_part: defaultdict[Part, list[Any]] = once_each(model, taken)
    activities = {o.activity.id for o, _ in taken if o.part == "main"}
    wanted: tuple[tuple[Part, int], ...] = ("opener", 12), ("tidy", 25)
    for part, from_minutes in wanted:
        model.add_linear_constraint(sum(by_part[part]), int(bool(by_part[part]) and minutes >= from_minutes), 1)
    least = 1 if minutes < LONG_ENOUGH_FOR_TWO else 2
    model.add_linear_constraint(sum(by_part["main"]), min(least, len(activities)), MOST_MAIN)


def group_in_order(chosen: Chosen) -> Chosen:
    """Opener, main (those by turns together, tiring ones apart), tidy."""
    opener = [x for x in chosen if x[0].part == "opener"]
    tidy = [x for x in chosen if x[0].part == "tidy"]
    main = sorted(
        (x for x in chosen if x[0].part == "main"), key=lambda x: (x[2], x[0].activity.tiring, x[0].activity.id)
    )
    calm, tiring = [x for x in main if not x[0].activity.tiring], [x for x in main if x[0].activity.tiring]
    mixed: Chosen = []
    while calm or tiring:
        mixed += (
            [tiring.pop(0)]
            if tiring and (not mixed or not mixed[-1][0].activity.tiring) and len(tiring) > len(calm) - 1
            else [calm.pop(0) if calm else tiring.pop(0)]
        )
    return [*opener, *mixed, *tidy]
