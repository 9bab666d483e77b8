"""A session as an integer programme: which options, one for each activity at the most.

One objective, in well-spent minutes. Hard limits stay hard: time, one go per activity, the parts wanted, tiring
minutes, no two tiring blocks side by side, at least so many blocks of a kind. Time is counted in half minutes.

The order inside the main part is not in the model: t tiring blocks among n can be kept apart, with a
tiring block before (a) or after (b) the main part, exactly when 2t <= n - a - b + 1.
"""

from collections import defaultdict
from collections.abc import Callable, Hashable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Generic

from core.child import PARTS, Part
from core.planner.request import PlanStatus
from core.planner.solver.limits import (
    APART,
    MAIN,
    MINUTES,
    MOVES,
    TIRING,
    Limit,
    Limits,
    LockLimit,
    PartLimit,
    StageLimit,
    TaskLimit,
)
from core.planner.solver.options import STEP, WORTH_A_MINUTE, Of, Option
from core.planner.solver.search import SESSION_EFFORT, Effort, Model, run

SET_OUT = 0.5  # minutes to bring one thing to the table, once a session; from memory
MOST_ALIKE = {"group": 2, "main": 1, "kind": 3, "begun": 1}
"""How many blocks of a session are of one group, and in its main part, beside the wanted tasks (each with those of its
group there); how many of one kind of work, and to begin with. Project definition.
"""
TIDY = 3  # minutes kept for tidying up as exercise; from memory
STRAND_STEPS = ((6, 1.0), (6, 0.6), (60, 0.3))  # minutes at work on one strand, and what each counts for
TENTHS = 10  # the shares of STRAND_STEPS in whole numbers


@dataclass(frozen=True)
class Choice(Generic[Of]):
    """What the solver chose; the objective and its bound in well-spent minutes."""

    status: PlanStatus
    chosen: tuple[Option[Of], ...]
    well_spent: float
    bound: float


@dataclass(frozen=True)
class Built(Generic[Of]):
    """A session as a model: what is taken, the time it takes and what it is worth (of WORTH_A_MINUTE * TENTHS)."""

    model: Model
    listed: Sequence[Option[Of]]
    take: list[Any]
    time: Any
    worth: Any

    def chosen(self, solver: Any) -> tuple[Option[Of], ...]:
        """The options taken."""
        return tuple(o for o, t in zip(self.listed, self.take, strict=True) if solver.value(t))


Hold = Callable[[Limit], Any]  # a limit to the literal that makes it hold; True: it always does


def always(_: Limit) -> bool:
    """Every limit holds."""
    return True


def solve(
    options: Sequence[Option[Of]], locked: Sequence[Option[Of]], limits: Limits, effort: Effort = SESSION_EFFORT
) -> Choice[Of]:
    """Return the best choice of options. locked -- those that are in it whatever they are worth"""
    built = build([*locked, *options], len(locked), limits)
    built.model.maximize(built.worth)
    solver, status = run(built.model, effort)
    if status == "infeasible":
        return Choice("infeasible", (), 0.0, 0.0)
    scale = WORTH_A_MINUTE * TENTHS
    return Choice(status, built.chosen(solver), solver.objective_value / scale, solver.best_objective_bound / scale)


def build(
    listed: Sequence[Option[Of]], locked: int, limits: Limits, hold: Hold = always, model: Model = None
) -> Built[Of]:
    """Return the session as a model without an objective.

    locked -- how many of the first listed have to be in it
    hold   -- gives for a limit the literal it hangs on, so that it can be given up
    model  -- the model to build in, where the literals belong to one; else a new one
    """
    from ortools.sat.python import cp_model

    model = cp_model.CpModel() if model is None else model
    take = [model.new_bool_var(f"take{i}") for i in range(len(listed))]
    taken = list(zip(listed, take, strict=True))
    for at in range(locked):
        _hang(model.add(take[at] == 1), hold(LockLimit(at)))
    time = sum(o.time * t for o, t in taken) + _bringing(model, taken)
    if "tidy" in limits.must:
        time += round(TIDY * STEP) * hold(PartLimit("tidy"))
    _hang(model.add(time <= limits.minutes * STEP), hold(MINUTES))
    tiring = sum(o.steps * t for o, t in taken if o.tiring)
    _hang(model.add(tiring <= limits.tiring_minutes * STEP), hold(TIRING))
    lasting(model, taken)
    _unlike(model, taken, locked, limits)
    _parts(model, taken, limits, hold)
    for must, count in limits.least:
        _hang(model.add(sum(t for o, t in taken if must in o.musts) >= count), hold(must))
    _apart(model, taken, hold(APART))
    if limits.equal:
        one_window(model, taken)
    return Built(model, listed, take, time, worth_of(model, taken))


Taken = Sequence[tuple[Option[Of], Any]]  # options with whether they are in it


def _hang(constraint: Any, literal: Any) -> None:
    if constraint is not True and literal is not True:
        constraint.only_enforce_if(literal)


def _bringing(model: Model, taken: Taken[Of]) -> Any:
    """Bringing each thing to the table once, in steps.

    Only things that more than one activity could use get a variable; the rest is part of an activity's
    fixed time, which leaves the solver a much smaller problem with the same answer.
    """
    users: defaultdict[str, set[str]] = defaultdict(set)
    for o, _ in taken:
        for thing in o.kit:
            users[thing].add(o.activity.id)
    out = {thing: model.new_bool_var(f"out {thing}") for thing in sorted(users) if len(users[thing]) > 1}
    for takes, thing in _never_together(taken, out):
        model.add(sum(takes) <= out[thing])
    set_out = round(SET_OUT * STEP)
    alone = sum(set_out * sum(thing not in out for thing in o.kit) * t for o, t in taken)
    return alone + set_out * sum(out.values())


def _never_together(taken: Taken[Of], out: Mapping[str, Any]) -> list[tuple[list[Any], str]]:
    """Options that want one thing and of which at most one is taken: those of an activity, those of a part but the
    main one.

    Said for all of them at once, that the thing is then on the table binds much tighter than one by one.
    """
    groups: defaultdict[tuple[str, str], list[Any]] = defaultdict(list)
    for o, t in taken:
        for thing in o.kit & out.keys():
            groups[thing, o.activity.id].append(t)
            if o.part != "main":
                groups[thing, f"part {o.part}"].append(t)
    return [
        (takes, thing)
        for (thing, group), takes in sorted(groups.items())
        if len(takes) > 1 or not group.startswith("part ")
    ]


def lasting(model: Model, taken: Iterable[tuple[Any, Any]]) -> None:
    """What is used up lasts for all the sets that use it."""
    uses: defaultdict[str, list[Any]] = defaultdict(list)
    have: dict[str, int] = {}
    for o, t in taken:
        for stock_id, wanted in o.uses.items():
            uses[stock_id].append(wanted * t)
            have[stock_id] = o.have[stock_id]
    for stock_id in sorted(uses):
        model.add(sum(uses[stock_id]) <= have[stock_id])


def once_each(model: Model, taken: Taken[Of]) -> defaultdict[Part, list[Any]]:
    """No activity comes twice. Returns by part whether each option is taken."""
    by_activity: defaultdict[str, list[Any]] = defaultdict(list)
    by_part: defaultdict[Part, list[Any]] = defaultdict(list)
    for o, t in taken:
        by_activity[o.activity.id].append(t)
        by_part[o.part].append(t)
    for activity in sorted(by_activity):
        model.add_at_most_one(by_activity[activity])
    return by_part


def _unlike(model: Model, taken: Taken[Of], locked: int, limits: Limits) -> None:
    """Activities alike are dull: few of a group in a session and one in its main part, beside the wanted tasks; few
    blocks of one kind of work, and no two of a kind to begin with; no more on the feet in the main part than is asked
    for. The stages of a kit are what they are, and so is what is locked.
    """
    most = {**MOST_ALIKE, "feet": max(1, dict(limits.least).get(MOVES, 0))}
    alike: defaultdict[tuple[str, ...], list[Any]] = defaultdict(list)
    stand: defaultdict[tuple[str, ...], int] = defaultdict(int)
    wishes: set[tuple[str, str]] = set()
    for at, (o, t) in enumerate(taken):
        if any(isinstance(m, StageLimit) for m in o.musts):
            continue
        main, group, kind = o.part in ("main", "stretch"), o.activity.group, o.activity.kind
        task = next((m.task for m in o.musts if isinstance(m, TaskLimit)), "")
        sorts: set[tuple[str, ...]] = {("kind", kind)}
        sorts |= {("begun", kind)} if o.part in ("opener", "warm-up") else set()
        sorts |= set() if task else {("group", group)}
        sorts |= {("main", group, task)} if main else set()
        sorts |= {("feet",)} if main and not task and o.activity.moves else set()
        wishes |= {(group, task)} if main and task else set()
        for sort in sorts:
            alike[sort].append(t)
            stand[sort] += at < locked
    for group, task in sorted(wishes):
        alike["main", group, task] += alike["main", group, ""]
        stand["main", group, task] += stand["main", group, ""]
    for sort in sorted(alike):
        model.add(sum(alike[sort]) <= max(most[sort[0]], stand[sort]))


def _parts(model: Model, taken: Taken[Of], limits: Limits, hold: Hold) -> None:
    for part, takes in sorted(once_each(model, taken).items()):
        if part == "main":
            count = _how_many(model, takes, limits.most_main)
            if limits.least_main > 1:
                there = len({o.activity.id for o, _ in taken if o.part == "main"})
                _hang(model.add(count >= min(limits.least_main, there)), hold(MAIN))
        else:
            there = model.new_bool_var(f"there {part}")
            model.add(sum(takes) == there)
            if part in limits.must:
                _hang(model.add(there == 1), hold(PartLimit(part)))


def _how_many(model: Model, takes: list[Any], most: int) -> Any:
    """How many are taken, one at the least, as a choice among numbers the solver can decide first."""
    numbers = range(min(1, len(takes)), most + 1)
    chosen = [model.new_bool_var(f"main {n}") for n in numbers]
    model.add_exactly_one(chosen)
    count = sum(n * c for n, c in zip(numbers, chosen, strict=True))
    model.add(sum(takes) == count)
    return count


def _apart(model: Model, taken: Taken[Of], literal: Any) -> None:
    """No two tiring blocks side by side, whatever parts are empty between them."""
    there = {p: sum(t for o, t in taken if o.part == p) for p in PARTS}
    tired = {p: sum(t for o, t in taken if o.part == p and o.tiring) for p in PARTS}
    before, after = model.new_bool_var("tired before"), model.new_bool_var("tired after")
    for apart in (
        before >= tired["warm-up"],
        before >= tired["opener"] - there["warm-up"],
        after >= tired["stretch"],
        after >= tired["daily"] - there["stretch"],
        2 * tired["main"] + before + after <= there["main"] + 1,
        tired["opener"] + tired["warm-up"] <= 1,
        tired["stretch"] + tired["daily"] <= 1,
    ):
        _hang(model.add(apart) if apart is not True else True, literal)


def one_window(model: Model, taken: Taken[Of]) -> None:
    """Every main block taken has the same window of time."""
    windows = sorted({o.window for o, _ in taken if o.window})
    chosen = {w: model.new_bool_var(f"window {w}") for w in windows}
    model.add_at_most_one(chosen.values())
    for window in windows:
        for o, t in taken:
            if o.window == window:
                model.add_implication(t, chosen[window])


def worth_of(model: Model, taken: Taken[Of]) -> Any:
    """The worth of what is taken, each further minute of one strand counting less."""
    by_key: defaultdict[Hashable, list[Any]] = defaultdict(list)
    for o, t in taken:
        for key, value in o.worth.items():
            by_key[key].append(value * t)
    total = []
    for key in sorted(by_key, key=str):
        steps = [model.new_int_var(0, wide * WORTH_A_MINUTE, f"{key} {wide}") for wide, _ in STRAND_STEPS]
        model.add(sum(steps) <= sum(by_key[key]))
        total += [round(share * TENTHS) * s for (_, share), s in zip(STRAND_STEPS, steps, strict=True)]
    return sum(total)
