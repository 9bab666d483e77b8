"""The session as an integer programme: which candidates, for how many minutes.

One objective, in well-spent minutes. Hard limits stay hard: time, one go per activity, the parts wanted,
tiring minutes, no two tiring blocks side by side. Time is counted in
half minutes, rounded up.

The order inside the main part is not in the model: t tiring blocks among n can be kept apart, with a
tiring block before (a) or after (b) the main part, exactly when 2t <= n - a - b + 1.
"""

from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from math import ceil
from typing import Any, Protocol

from core.child import PARTS, Part
from core.library import Activity
from core.planner.candidates import QUALITY, Candidate
from core.planner.objective import STRAND_STEPS
from core.planner.request import PlanStatus
from core.planner.solver import SESSION_EFFORT, Effort, Model, run
from core.skills import STRANDS

STEP = 2  # solver steps in a minute
SET_OUT = 0.5  # minutes to bring one thing to the table, once a session; from memory
MOST_MAIN = 4
Listed = list[Candidate]


class Played(Protocol):
    """An activity in a part of the session, for one child or for several."""

    @property
    def activity(self) -> Activity: ...
    @property
    def part(self) -> Part: ...


@dataclass(frozen=True)
class Limits:
    """The hard limits of one session. must lists parts that have to be there, targets those
    that get a main block; least_main is how many main blocks there are at the least.
    equal: all main blocks have the same minutes; one_kit: one thing is in every block."""

    minutes: int
    tiring_minutes: int
    must: tuple[str, ...]
    least_main: int
    targets: tuple[str, ...] = ()
    most_main: int = MOST_MAIN
    equal: bool = False
    one_kit: bool = False


@dataclass(frozen=True)
class Choice:
    """What the solver chose: (candidate, minutes) pairs, the objective and its bound in well-spent minutes."""

    status: PlanStatus
    chosen: tuple[tuple[Candidate, int], ...]
    well_spent: float
    bound: float


@dataclass(frozen=True)
class Built:
    """A session as a model: what is taken, its minutes, the time it takes and what it is worth (in objective units)."""

    model: Model
    listed: Listed
    take: list[Any]
    spend: list[Any]
    time: Any
    worth: Any

    def chosen(self, solver: Any) -> tuple[tuple[Candidate, int], ...]:
        """The candidates taken, each with its minutes."""
        return tuple(
            (c, solver.value(m)) for c, t, m in zip(self.listed, self.take, self.spend, strict=True) if solver.value(t)
        )


Hold = Callable[[str], Any]  # a limit's name to the literal that makes it hold; True: it always does


def always(_: str) -> bool:
    """Every limit holds."""
    return True


def solve(
    candidates: Iterable[Candidate], fixed: Mapping[int, int], limits: Limits, effort: Effort = SESSION_EFFORT
) -> Choice:
    """Return the best choice of candidates.

    fixed  -- place in candidates to minutes, for blocks that are locked
    effort -- how hard to look
    """
    built = build(candidates, fixed, limits)
    built.model.maximize(built.worth)
    solver, status = run(built.model, effort)
    if status == "infeasible":
        return Choice("infeasible", (), 0.0, 0.0)
    scale = QUALITY * 10
    return Choice(status, built.chosen(solver), solver.objective_value / scale, solver.best_objective_bound / scale)


def build(
    candidates: Iterable[Candidate], fixed: Mapping[int, int], limits: Limits, hold: Hold = always, model: Model = None
) -> Built:
    """Return the session as a model without an objective.

    hold -- gives, for a limit's name, the literal it hangs on, so that limits can be given up:
            minutes, tiring, apart, kit, part:ID, target:ID, main, lock:PLACE
    model -- the model to build in, where the literals belong to one; else a new one
    """
    from ortools.sat.python import cp_model

    listed = list(candidates)
    model = cp_model.CpModel() if model is None else model
    take = [model.new_bool_var(f"take{i}") for i in range(len(listed))]
    spend = [_minutes(model, i, c, take[i], fixed, hold) for i, c in enumerate(listed)]
    set_up = _set_up(model, listed, take)
    time = sum(spend) * STEP + set_up
    _hang(model.add(time <= limits.minutes * STEP), hold("minutes"))
    if hold is always:
        whole_minutes(model, sum(spend), set_up, limits.minutes * STEP, _amounts(listed, fixed, limits), "set up")
    tiring = sum(m for m, c in zip(spend, listed, strict=True) if c.activity.tiring)
    _hang(model.add(tiring <= limits.tiring_minutes), hold("tiring"))
    lasting(model, zip(listed, take, strict=True))
    _parts(model, listed, take, limits, hold)
    _cover(model, listed, take, limits, hold)
    _apart(model, listed, take, hold("apart"))
    if limits.equal:
        _equal(model, listed, take, spend)
    if limits.one_kit:
        _one_kit(model, listed, take, hold("kit"))
    return Built(model, listed, take, spend, time, _worth(model, listed, spend))


def _hang(constraint: Any, literal: Any) -> None:
    if literal is not True:
        constraint.only_enforce_if(literal)


def _minutes(model: Model, i: int, candidate: Candidate, take: Any, fixed: Mapping[int, int], hold: Hold) -> Any:
    if i in fixed:
        literal = hold(f"lock:{i}")
        _hang(model.add(take == 1), literal)
        if literal is True:
            return model.new_constant(fixed[i])
        spend = model.new_int_var(0, fixed[i], f"minutes{i}")
        model.add(spend == fixed[i] * take)
        return spend
    spend = model.new_int_var(0, candidate.most, f"minutes{i}")
    model.add(spend >= candidate.least * take)
    model.add(spend <= candidate.most * take)
    return spend


def _set_up(model: Model, listed: Listed, take: list[Any]) -> Any:
    """Setting up, tidying, and bringing each thing to the table once, in solver steps.

    Only things that more than one activity could use get a variable; the rest is part of an activity's
    fixed time, which leaves the solver a much smaller problem with the same answer.
    """
    users: defaultdict[str, set[str]] = defaultdict(set)
    for c in listed:
        for thing in c.kit:
            users[thing].add(c.activity.id)
    shared = [thing for thing in sorted(users) if len(users[thing]) > 1]
    out = {thing: model.new_bool_var(f"kit {thing}") for thing in shared}
    for takes, thing in _never_together(listed, take, out):
        model.add(sum(takes) <= out[thing])
    set_out = round(SET_OUT * STEP)
    fixed = [_own_steps(c) + set_out * sum(thing not in out for thing in c.kit) for c in listed]
    return sum(s * t for s, t in zip(fixed, take, strict=True)) + set_out * sum(out.values())


def _never_together(listed: Listed, take: list[Any], out: Mapping[str, Any]) -> list[tuple[list[Any], str]]:
    """Candidates that want one thing and of which at most one is taken: those of an activity, those of a part but the
    main one.

    Said for all of them at once, that the thing is then on the table binds much tighter than one by one.
    """
    groups: defaultdict[tuple[str, str], list[Any]] = defaultdict(list)
    for c, t in zip(listed, take, strict=True):
        for thing in c.kit & out.keys():
            groups[thing, c.activity.id].append(t)
            if c.part != "main":
                groups[thing, f"part {c.part}"].append(t)
    return [
        (takes, thing)
        for (thing, group), takes in sorted(groups.items())
        if len(takes) > 1 or not group.startswith("part ")
    ]


def _own_steps(c: Candidate) -> int:
    return ceil((c.activity.setup_minutes + c.activity.tidy_minutes) * STEP - 1e-9)


def whole_minutes(model: Model, work: Any, set_up: Any, total: int, amounts: Iterable[int], name: str) -> None:
    """Work is in whole minutes: what is left beside the setting up is rounded down to them.

    work    -- minutes; set_up and total -- solver steps; amounts -- every amount set_up can have
    Nothing new, but said for each amount of setting up it closes most of the gap between the linear relaxation and
    the best plan, and gives the solver the question to begin with: how much of the time goes to setting up?
    """
    takes_up = {a: model.new_bool_var(f"{name} {a}") for a in sorted(set(amounts))}
    model.add_exactly_one(takes_up.values())
    model.add(set_up == sum(a * t for a, t in takes_up.items()))
    model.add(work <= sum(max(0, total - a) // STEP * t for a, t in takes_up.items()))


def _amounts(listed: Listed, fixed: Mapping[int, int], limits: Limits) -> range:
    """The steps that setting up can take in a session with every part that has to be there."""
    least, work = _least(listed, fixed, limits)
    return range(least, max(least, (limits.minutes - work) * STEP) + 1)


def _least(listed: Listed, fixed: Mapping[int, int], limits: Limits) -> tuple[int, int]:
    """The least steps of setting up and the least minutes of work of any session with every part that
    has to be there.
    """
    wanted = dict.fromkeys(limits.must, 1) | {"main": limits.least_main}
    set_up = work = 0
    for part, count in wanted.items():
        there = [
            (c, fixed.get(i, c.least)) for i, c in enumerate(listed) if c.part == part
        ]  # a therapist may lock a block shorter
        count = min(count, len(there))
        set_up += count * min((_own_steps(c) for c, _ in there), default=0)
        work += count * min((minutes for _, minutes in there), default=0)
    return set_up, work


def lasting(model: Model, used: Iterable[tuple[Candidate, Any]]) -> None:
    """What is used up is there for one set of every block that uses it.

    used -- each candidate with whether it is taken
    """
    uses: defaultdict[str, list[Any]] = defaultdict(list)
    have: dict[str, int] = {}
    for c, taken in used:
        for stock_id, wanted in c.used_up.items():
            uses[stock_id].append(wanted * taken)
            have[stock_id] = next(q.have for q in c.offer.quantities if q.stock_id == stock_id)
    for stock_id in sorted(uses):
        model.add(sum(uses[stock_id]) <= have[stock_id])


def once_each(model: Model, choices: Iterable[tuple[Played, Any]]) -> defaultdict[str, list[Any]]:
    """No activity comes twice. Returns by part whether each choice is taken."""
    by_activity: defaultdict[str, list[Any]] = defaultdict(list)
    by_part: defaultdict[str, list[Any]] = defaultdict(list)
    for played, taken in choices:
        by_activity[played.activity.id].append(taken)
        by_part[played.part].append(taken)
    for activity in sorted(by_activity):
        model.add_at_most_one(by_activity[activity])
    return by_part


def _parts(model: Model, listed: Listed, take: list[Any], limits: Limits, hold: Hold) -> None:
    by_part = once_each(model, zip(listed, take, strict=True))
    for part, takes in sorted(by_part.items()):
        if part == "main":
            count = _how_many(model, takes, limits.most_main)
            if limits.least_main > 1:
                _hang(model.add(count >= min(limits.least_main, len(takes))), hold("main"))
        else:
            there = model.new_bool_var(f"there {part}")
            model.add(sum(takes) == there)
            if part in limits.must:
                _hang(model.add(there == 1), hold(f"part:{part}"))


def _how_many(model: Model, takes: list[Any], most: int) -> Any:
    """How many are taken, one at the least, as a choice among numbers the solver can decide first."""
    numbers = range(min(1, len(takes)), most + 1)
    chosen = [model.new_bool_var(f"main {n}") for n in numbers]
    model.add_exactly_one(chosen)
    count = sum(n * c for n, c in zip(numbers, chosen, strict=True))
    model.add(sum(takes) == count)
    return count


def _cover(model: Model, listed: Listed, take: list[Any], limits: Limits, hold: Hold) -> None:
    """Each chosen target gets at least one main block."""
    for target in limits.targets:
        mains = [
            t for c, t in zip(listed, take, strict=True) if c.part == "main" and STRANDS[c.strand].target == target
        ]
        _hang(model.add(sum(mains) >= 1), hold(f"target:{target}"))


def _apart(model: Model, listed: Listed, take: list[Any], literal: Any) -> None:
    """No two tiring blocks side by side, whatever parts are empty between them."""
    count: defaultdict[str, list[Any]] = defaultdict(list)
    tiring: defaultdict[str, list[Any]] = defaultdict(list)
    for c, t in zip(listed, take, strict=True):
        count[c.part].append(t)
        if c.activity.tiring:
            tiring[c.part].append(t)
    there = {p: sum(count[p]) for p in PARTS}
    tired = {p: sum(tiring[p]) for p in PARTS}
    before, after = model.new_bool_var("tired before"), model.new_bool_var("tired after")
    for apart in (
        before >= tired["warm-up"],
        before >= tired["opener"] - there["warm-up"],
        after >= tired["stretch"],
        after >= tired["daily"] - there["stretch"],
        after >= tired["tidy"] - there["stretch"] - there["daily"],
        2 * tired["main"] + before + after <= there["main"] + 1,
        tired["opener"] + tired["warm-up"] <= 1,
        tired["stretch"] + tired["daily"] <= 1,
        tired["daily"] + tired["tidy"] <= 1,
        tired["stretch"] + tired["tidy"] <= 1 + there["daily"],
    ):
        if apart is not True:
            _hang(model.add(apart), literal)


def _equal(model: Model, listed: Listed, take: list[Any], spend: list[Any]) -> None:
    """Every main block taken has the same minutes."""
    each = model.new_int_var(1, max((c.most for c in listed), default=1), "each station")
    for c, t, m in zip(listed, take, spend, strict=True):
        if c.part == "main":
            model.add(m == each).only_enforce_if(t)


def _one_kit(model: Model, listed: Listed, take: list[Any], literal: Any) -> None:
    """One thing is in the kit of every block taken."""
    things = sorted({thing for c in listed for thing in c.kit})
    base = {thing: model.new_bool_var(f"base {thing}") for thing in things}
    model.add_exactly_one(base.values())
    for c, t in zip(listed, take, strict=True):
        _hang(model.add(sum(base[thing] for thing in sorted(c.kit)) >= t), literal)


def _worth(model: Model, listed: Listed, spend: list[Any]) -> Any:
    """Minutes times quality, strand by strand, each further minute of one strand counting less."""
    by_strand: defaultdict[str, list[Any]] = defaultdict(list)
    for c, m in zip(listed, spend, strict=True):
        by_strand[c.strand].append(c.quality * m)
    total = []
    for strand in sorted(by_strand):
        steps = [model.new_int_var(0, wide * QUALITY, f"{strand} {wide}") for wide, _ in STRAND_STEPS]
        model.add(sum(steps) <= sum(by_strand[strand]))
        total += [round(share * 10) * s for (_, share), s in zip(STRAND_STEPS, steps, strict=True)]
    return sum(total)
