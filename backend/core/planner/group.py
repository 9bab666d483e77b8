"""Children together: one shared activity per block, each child on its own rung with its own count and its own pot.

Hazards are judged by the child most at risk within reach. Tools that do not go round are shared by turns without
waiting: two activities run side by side for the same minutes, half of the children at each, then they change over.
"""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from math import ceil
from typing import Any

from core.child import Part
from core.library import ACTIVITIES, THINGS
from core.library.activity import Activity
from core.materials import Stock
from core.offers import Offer, Variant
from core.planner.blocks import block_from, candidate_of
from core.planner.candidates import QUALITY, Candidate, all_candidates
from core.planner.model import SET_OUT, STEP, whole_minutes
from core.planner.objective import STRAND_STEPS
from core.planner.request import Block, PlannedBlock, PlanStatus, Refusal, SessionRequest
from core.planner.session import LONG_ENOUGH_FOR_TWO, RequestError, check_request
from core.planner.solver import GROUP_EFFORT, run
from core.safety import assess

MOST_CHILDREN = 6
PARTS: tuple[Part, ...] = ("opener", "main", "tidy")
MOST_MAIN = 4
STANDING = frozenset({"wall", "floor", "water", "tube", "edge"})  # forms several children use at once
IN_REACH = frozenset({"small_part", "small_ball", "balloon", "never", "hard_food", "sharp", "raw", "allergy"})
TENTHS = 10


@dataclass(frozen=True)
class GroupRequest:
    """Children at one table: a session request each, all with the same cupboard, setting and minutes.

    names -- what each is called in reasons; two may be called the same
    """

    names: tuple[str, ...]
    sessions: tuple[SessionRequest, ...]


@dataclass(frozen=True)
class Shared:
    """How many of one thing the group wants at once, and how many there are."""

    thing_id: str
    wanted: int
    have: int
    own_pot: bool

    @property
    def named(self) -> str:
        """The name for as many as are wanted, in lower case."""
        return THINGS[self.thing_id].named(self.wanted)


@dataclass(frozen=True)
class GroupBlock:
    """One shared activity: each child's own block, in the order of the request; turns: beside another, half of the
    children at each.
    """

    part: Part
    activity: Activity
    minutes: int
    turns: bool
    children: tuple[Block, ...]
    things: tuple[Shared, ...]


@dataclass(frozen=True)
class GroupPlan:
    """Blocks in order. status: optimal, feasible (with the bound) or infeasible (with the shortest fix)."""

    status: PlanStatus
    blocks: tuple[GroupBlock, ...] = ()
    minutes: float = 0.0
    well_spent: float = 0.0
    bound: float = 0.0
    kept_away: tuple[str, ...] = ()
    reason: str = ""
    fix: str = ""


@dataclass(frozen=True)
class Together:
    """One activity in one part for all children: a candidate each, and whether there is enough for all or for half."""

    activity: Activity
    part: Part
    each: tuple[Candidate, ...]
    for_all: bool

    @property
    def least(self) -> int:
        """Fewest minutes that suit every child."""
        return max(c.least for c in self.each)

    @property
    def most(self) -> int:
        """Most minutes that suit every child."""
        return max(self.least, min(c.most for c in self.each))


def plan_group(request: GroupRequest) -> GroupPlan:
    """Return the best session for children together. The same request always gives the same plan.

    Raises RequestError for fewer than two or more than six children, or where cupboards, settings or minutes differ.
    """
    _check(request)
    _, kept_away = safe_for_all(request)
    sessions = table_for_all(request)
    shared = shared_candidates(sessions)
    if not any(t.part == "main" for t in shared):
        return GroupPlan(
            "infeasible",
            kept_away=kept_away,
            reason="no activity here suits every child and has enough materials",
            fix="Take fewer children, widen the targets, or add a second set of things.",
        )
    status, chosen, well_spent, bound = solve_group(shared, sessions)
    if status == "infeasible":
        return GroupPlan(
            "infeasible",
            kept_away=kept_away,
            reason=f"{sessions[0].minutes} minutes are too few for one shared activity",
            fix="Give it ten minutes more.",
        )
    blocks = tuple(group_block(t, m, turns, sessions) for t, m, turns in _in_order(chosen))
    return GroupPlan(status, blocks, group_minutes(blocks), well_spent, bound, kept_away)


def _check(request: GroupRequest) -> None:
    if not 2 <= len(request.sessions) <= MOST_CHILDREN:
        raise RequestError(
            "children", f"{len(request.sessions)} children: a group has 2 to {MOST_CHILDREN}. Choose these."
        )
    first = request.sessions[0]
    if any((s.stock, s.setting, s.minutes) != (first.stock, first.setting, first.minutes) for s in request.sessions):
        raise RequestError(
            "children",
            "Children together have one cupboard, one setting and the same minutes. Plan them from one place.",
        )
    for session in request.sessions:
        check_request(session)


def safe_for_all(request: GroupRequest) -> tuple[tuple[Stock, ...], tuple[str, ...]]:
    """Return the cupboard without what is barred for any child in reach, and what was taken away, with why."""
    kept, away = [], []
    for line in request.sessions[0].stock:
        why = _barred_for(line, request)
        if why:
            away.append(f"{line.thing.name}: {why}")
        else:
            kept.append(line)
    return tuple(kept), tuple(away)


def _barred_for(line: Stock, request: GroupRequest) -> str:
    for name, session in zip(request.names, request.sessions, strict=True):
        for hit in assess(line.thing, session.child, session.setting).hits:
            if hit.status == "barred" and hit.rule in IN_REACH:
                return f"{name} is within reach. {hit.reason}"
    return ""


def shared_candidates(sessions: Sequence[SessionRequest]) -> list[Together]:
    """Every activity and part in which each child has its own grade, with enough for all or for half of them."""
    best = [best_each(s) for s in sessions]
    result = []
    for key in sorted(best[0]):
        if all(key in b for b in best):
            each = tuple(b[key] for b in best)
            half = ceil(len(each) / 2)
            if enough(each, len(each)):
                result.append(Together(each[0].activity, key[1], each, True))
            elif key[1] == "main" and all(enough(each[i : i + half], half) for i in (0, len(each) - half)):
                result.append(Together(each[0].activity, key[1], each, False))
    return result


def best_each(session: SessionRequest) -> dict[tuple[str, Part], Candidate]:
    """A child's best grade of each activity in each part, by (activity, part)."""
    best: dict[tuple[str, Part], Candidate] = {}
    for c in all_candidates(session):
        key = (c.activity.id, c.part)
        if key not in best or (-c.quality, c.offer.variant.grade) < (-best[key].quality, best[key].offer.variant.grade):
            best[key] = c
    return best


def wanted_by(each: Sequence[Candidate]) -> dict[str, Shared]:
    """What children at one activity want at once: their own count of everything, but one wall, floor or tub for all."""
    result: dict[str, Shared] = {}
    for c in each:
        roles = {r.id: r for r in c.activity.roles}
        for q in c.offer.quantities:
            role, before = roles[q.role], result.get(q.stock_id)
            least = q.wanted if q.single_use else role.least(c.offer.count)
            standing = role.form in STANDING
            total = max(least, before.wanted if before else 0) if standing else least + (before.wanted if before else 0)
            own = _own_pot(c.offer) and not standing
            result[q.stock_id] = Shared(q.thing_id, total, q.have, own)
    return result


def _own_pot(offer: Offer) -> bool:
    return any(h.rule == "shared" for h in offer.verdict.hits)


def enough(each: Sequence[Candidate], children: int) -> bool:
    """Whether there is enough of everything for these children at once."""
    return children > 0 and all(s.wanted <= s.have or (s.own_pot and s.have >= 1) for s in wanted_by(each).values())


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
    _turns(model, shared, take, spend)
    _group_parts(model, shared, take, minutes)
    _group_lasting(model, shared, take)
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
    return _set_up_steps(t.activity, len({thing for c in t.each for thing in c.kit}))


def _set_up_steps(activity: Activity, things: int) -> int:
    return ceil((activity.setup_minutes + activity.tidy_minutes) * STEP - 1e-9) + round(SET_OUT * STEP) * things


def _turns(model: Any, shared: list[Together], take: list[Any], spend: list[Any]) -> None:
    """Activities by turns come two at a time, for the same minutes."""
    by_turns = [i for i, t in enumerate(shared) if not t.for_all]
    if not by_turns:
        return
    pair = model.new_bool_var("one pair by turns")
    each = model.new_int_var(0, max(shared[i].most for i in by_turns), "minutes of a turn")
    model.add(sum(take[i] for i in by_turns) == 2 * pair)
    for i in by_turns:
        model.add(spend[i] == each).only_enforce_if(take[i])


def _group_parts(model: Any, shared: list[Together], take: list[Any], minutes: int) -> None:
    by_family: defaultdict[str, list[Any]] = defaultdict(list)
    by_part: defaultdict[str, list[Any]] = defaultdict(list)
    for t, taken in zip(shared, take, strict=True):
        by_family[t.activity.id].append(taken)
        by_part[t.part].append(taken)
    for activity in sorted(by_family):
        model.add_at_most_one(by_family[activity])
    for part, from_minutes in (("opener", 12), ("tidy", 25)):
        model.add_linear_constraint(sum(by_part[part]), int(bool(by_part[part]) and minutes >= from_minutes), 1)
    least = 1 if minutes < LONG_ENOUGH_FOR_TWO else 2
    model.add_linear_constraint(sum(by_part["main"]), min(least, len(by_part["main"])), MOST_MAIN)


def _group_lasting(model: Any, shared: list[Together], take: list[Any]) -> None:
    """What is used up is there for one set of every child in every block that uses it."""
    uses: defaultdict[str, list[Any]] = defaultdict(list)
    have: dict[str, int] = {}
    for t, taken in zip(shared, take, strict=True):
        for c in t.each:
            for stock_id, wanted in c.used_up.items():
                uses[stock_id].append(wanted * taken)
                have[stock_id] = next(q.have for q in c.offer.quantities if q.stock_id == stock_id)
    for stock_id in sorted(uses):
        model.add(sum(uses[stock_id]) <= have[stock_id])


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


def _in_order(chosen: Chosen) -> Chosen:
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


def group_block(t: Together, minutes: int, turns: bool, sessions: Sequence[SessionRequest]) -> GroupBlock:
    """Return an activity that suits all as a block: each child's own, and how many things they want at once."""
    children = tuple(block_from(c, minutes, s) for c, s in zip(t.each, sessions, strict=True))
    at_once = t.each[: ceil(len(t.each) / 2)] if turns else t.each
    things = tuple(sorted(wanted_by(at_once).values(), key=lambda s: s.thing_id))
    return GroupBlock(t.part, t.activity, minutes, turns, children, things)


@dataclass(frozen=True)
class PlannedGroupBlock:
    """A shared block as it was chosen: each child's own grade, in the order of the request."""

    part: Part
    minutes: int
    turns: bool
    variants: tuple[Variant, ...]


def stand_together(request: GroupRequest, planned: PlannedGroupBlock) -> GroupBlock | Refusal:
    """Return a shared block as it stands today, things that are barred for one off the table for all; or why it can't
    stand.
    """
    sessions = table_for_all(request)
    each = []
    for name, session, variant in zip(request.names, sessions, planned.variants, strict=True):
        result = candidate_of(PlannedBlock(planned.part, variant, planned.minutes), session)
        if isinstance(result, Refusal):
            return replace(result, reason=f"For {name}: {result.reason}")
        each.append(result)
    activity = ACTIVITIES[planned.variants[0].activity_id]
    return group_block(
        Together(activity, planned.part, tuple(each), not planned.turns), planned.minutes, planned.turns, sessions
    )


def table_for_all(request: GroupRequest) -> tuple[SessionRequest, ...]:
    """Each child's session with the one cupboard that is safe for all of them."""
    stock, _ = safe_for_all(request)
    return tuple(replace(s, stock=stock, format_id="parts", parts=PARTS, locked=()) for s in request.sessions)


def group_minutes(blocks: Sequence[GroupBlock]) -> float:
    """The minutes of a group session, setting up counted block by block."""
    things = [{q.stock_id for c in b.children for q in c.quantities} for b in blocks]
    set_up = (_set_up_steps(b.activity, len(t)) for b, t in zip(blocks, things, strict=True))
    return sum(b.minutes for b in blocks) + sum(set_up) / STEP
