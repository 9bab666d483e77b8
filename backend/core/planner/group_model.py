"""Children together as a model for the solver: which activities, for how many minutes, for all or by turns."""

from collections import Counter, defaultdict
from collections.abc import Hashable, Iterator, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any

from core.child import Part
from core.library.activity import Activity
from core.planner.candidates import Candidate
from core.planner.model import MOST_MAIN, SET_OUT, TENTHS, lasting, once_each, one_window, worth_of
from core.planner.options import STEP, WORTH_A_MINUTE, Option, own_steps, undominated
from core.planner.request import PlanStatus, SessionRequest
from core.planner.session import LONG_ENOUGH_FOR_TWO
from core.planner.solver import GROUP_EFFORT, run


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

    def sets(self, minutes: int) -> tuple[int, ...]:
        """How many sets each child does in so many minutes: whole ones, one at the least."""
        return tuple(max(1, min(c.dose.most, c.dose.sets_within(minutes * STEP))) for c in self.each)

    def options(self) -> Iterator[Option["Together"]]:
        """The activity for every number of minutes that suits all."""
        one = ceil(max(c.dose.steps(1) for c in self.each) / STEP)
        most = max(one, ceil(min(c.dose.steps(c.dose.most) for c in self.each) / STEP))
        least = min(most, max(one, *(ceil(c.dose.steps(c.dose.least) / STEP) for c in self.each)))
        kit = frozenset(thing for c in self.each for thing in c.kit)
        have = {stock_id: n for c in self.each for stock_id, n in c.offer.have.items()}
        before: tuple[int, ...] = ()
        for minutes in range(least, most + 1):
            sets = self.sets(minutes)
            if self.for_all and sets == before:
                continue  # nobody does a set more in it
            before = sets
            uses: Counter[str] = Counter()
            for c, n in zip(self.each, sets, strict=True):
                uses.update({stock_id: n * used for stock_id, used in c.offer.used_up.items()})
            worth: dict[Hashable, int] = {
                (at, c.strand): c.worth(n) for at, (c, n) in enumerate(zip(self.each, sets, strict=True))
            }
            window = 0 if self.for_all else minutes * STEP
            yield Option(self, self.activity, self.part, 0, minutes * STEP, worth, kit, uses, have, window=window)


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
    by_part: defaultdict[str, list[Any]] = once_each(model, taken)
    activities = {o.activity.id for o, _ in taken if o.part == "main"}
    for part, from_minutes in (("opener", 12), ("tidy", 25)):
        model.add_linear_constraint(sum(by_part[part]), int(bool(by_part[part]) and minutes >= from_minutes), 1)
    least = 1 if minutes < LONG_ENOUGH_FOR_TWO else 2
    model.add_linear_constraint(sum(by_part["main"]), min(least, len(activities)), MOST_MAIN)


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
