"""Children together as a model for the solver: which activities, for how many minutes, for all or by turns."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any

from core.child import Part
from core.library.activity import Activity
from core.planner.candidates import QUALITY, Candidate
from core.planner.model import MOST_MAIN, SET_OUT, STEP, lasting, once_each, whole_minutes
from core.planner.objective import STRAND_STEPS
from core.planner.request import PlanStatus, SessionRequest
from core.planner.session import LONG_ENOUGH_FOR_TWO
from core.planner.solver import GROUP_EFFORT, run

TENTHS = 10


@dataclass(frozen=True)
class Together:
    """One activity in one part for all children: a candidate each, and whether there is enough for all or for half.

    watched -- how many at once want an adult of their own within reach, by turns
    """

    activity: Activity
    part: Part
    each: tuple[Candidate, ...]
    for_all: bool
    watched: int = 0

    @property
    def least(self) -> int:
        """Fewest minutes that suit every child."""
        return max(c.least for c in self.each)

    @property
    def most(self) -> int:
        """Most minutes that suit every child."""
        return max(self.least, min(c.most for c in self.each))


Chosen = list[tuple[Together, int, bool]]


def solve_group(shared: list[Together], sessions: Sequence[SessionRequest]) -> tuple[PlanStatus, Chosen, float, float]:
    """Return status, what is chosen with its minutes and whether by turns, well-spent minutes a child, and their
    bound.
    """
    from ortools.sat.python import cp_model

    model, minutes = cp_model.CpModel(), sessions[0].minutes
    take = [model.new_bool_var(f"take{i}") for i in range(len(shared))]
    spend = [model.new_int_var(0, t.most, f"minutes{i}") for i, t in enumerate(shared)]
    for t, taken, m in zip(shared, take, spend, strict=True):
        model.add(m >= t.least * taken)
        model.add(m <= t.most * taken)
    _turns(model, shared, take, spend, sessions[0].setting.adults)
    _group_parts(model, shared, take, minutes)
    lasting(model, ((c, taken) for t, taken in zip(shared, take, strict=True) for c in t.each))
    set_up = sum(_set_up(t) * taken for t, taken in zip(shared, take, strict=True))
    model.add(sum(spend) * STEP + set_up <= minutes * STEP)
    whole_minutes(model, sum(spend), set_up, minutes * STEP, range(minutes * STEP + 1), "set up")
    tiring = sum(m for t, m in zip(shared, spend, strict=True) if t.activity.tiring)
    model.add(tiring <= round(minutes * min(s.tiring_share for s in sessions)))
    model.add(2 * sum(x for t, x in zip(shared, take, strict=True) if t.activity.tiring) <= sum(take) + 1)
    model.maximize(_worth(model, shared, spend, sessions))
    solver, status = run(model, GROUP_EFFORT)
    if status == "infeasible":
        return status, [], 0.0, 0.0
    chosen = [
        (t, solver.value(m), not t.for_all) for t, x, m in zip(shared, take, spend, strict=True) if solver.value(x)
    ]
    scale = QUALITY * TENTHS * len(sessions)
    return status, chosen, solver.objective_value / scale, solver.best_objective_bound / scale


def _set_up(t: Together) -> int:
    return set_up_steps(t.activity, len({thing for c in t.each for thing in c.kit}))


def set_up_steps(activity: Activity, things: int) -> int:
    return ceil((activity.setup_minutes + activity.tidy_minutes) * STEP - 1e-9) + round(SET_OUT * STEP) * things


def _turns(model: Any, shared: list[Together], take: list[Any], spend: list[Any], adults: int) -> None:
    """Activities by turns come two at a time, for the same minutes, and no more of them to watch than adults."""
    by_turns = [i for i, t in enumerate(shared) if not t.for_all]
    if not by_turns:
        return
    pair = model.new_bool_var("one pair by turns")
    each = model.new_int_var(0, max(shared[i].most for i in by_turns), "minutes of a turn")
    model.add(sum(take[i] for i in by_turns) == 2 * pair)
    model.add(sum(shared[i].watched * take[i] for i in by_turns) <= adults)
    for i in by_turns:
        model.add(spend[i] == each).only_enforce_if(take[i])


def _group_parts(model: Any, shared: list[Together], take: list[Any], minutes: int) -> None:
    by_part = once_each(model, zip(shared, take, strict=True))
    for part, from_minutes in (("opener", 12), ("tidy", 25)):
        model.add_linear_constraint(sum(by_part[part]), int(bool(by_part[part]) and minutes >= from_minutes), 1)
    least = 1 if minutes < LONG_ENOUGH_FOR_TWO else 2
    model.add_linear_constraint(sum(by_part["main"]), min(least, len(by_part["main"])), MOST_MAIN)


def _worth(model: Any, shared: list[Together], spend: list[Any], sessions: Sequence[SessionRequest]) -> Any:
    """The sum over children of minutes times quality, each further minute of one strand counting less
    for that child.
    """
    total: list[Any] = []
    for at in range(len(sessions)):
        by_strand: defaultdict[str, list[Any]] = defaultdict(list)
        for t, m in zip(shared, spend, strict=True):
            by_strand[t.each[at].strand].append(t.each[at].quality * m)
        for strand in sorted(by_strand):
            steps = [model.new_int_var(0, wide * QUALITY, f"{at} {strand} {wide}") for wide, _ in STRAND_STEPS]
            model.add(sum(steps) <= sum(by_strand[strand]))
            total += [round(share * TENTHS) * s for (_, share), s in zip(STRAND_STEPS, steps, strict=True)]
    return sum(total)


def in_order(chosen: Chosen) -> Chosen:
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
