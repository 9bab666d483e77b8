"""Children together: one shared activity per block, each child on its own rung with its own count and its own pot.

Hazards are judged by the child most at risk within reach. Tools that do not go round are shared by turns without
waiting: two activities run side by side for the same minutes, half of the children at each, then they change over.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from math import ceil

from core.child import Part
from core.library import find_activity, find_thing
from core.library.activity import Activity
from core.materials import Stock
from core.offers import Offer, Variant
from core.planner.blocks import as_block, candidate_of
from core.planner.candidates import Candidate, all_candidates, tidying
from core.planner.group_model import Solved, Together, in_order, set_up_steps, solve_group
from core.planner.options import STEP
from core.planner.request import LONGEST_SESSION, Block, PlannedBlock, PlanStatus, Refusal, SessionRequest
from core.planner.session import RequestError, check_request
from core.safety import RULES, assess_within_reach

MOST_CHILDREN = 6
PARTS: tuple[Part, ...] = ("opener", "main", "tidy")
STANDING = frozenset({"wall", "floor", "water", "tube", "edge"})  # forms several children use at once
WATCHED_MONTHS = 72  # months: under this one adult watches one child with a blade or small parts; common practice


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
        return find_thing(self.thing_id).named(self.wanted)


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


def plan_group(request: GroupRequest) -> GroupPlan:
    """Return the best session for children together. The same request always gives the same plan.

    Raises RequestError for fewer than two or more than six children, or where cupboards, settings or minutes differ.
    """
    _check(request)
    _, kept_away = safe_for_all(request)
    sessions = table_for_all(request)
    shared = shared_candidates(sessions)
    status, chosen, well_spent, bound = _best(shared, sessions)
    if status == "infeasible":
        reason, fix = _stands_in_the_way(sessions)
        return GroupPlan("infeasible", kept_away=kept_away, reason=reason, fix=fix)
    blocks = tuple(group_block(t, m, turns, sessions) for t, m, turns in in_order(chosen))
    return GroupPlan(status, blocks, group_minutes(blocks), well_spent, bound, kept_away)


def _best(shared: list[Together], sessions: Sequence[SessionRequest]) -> Solved:
    if not any(t.part == "main" for t in shared):
        return "infeasible", [], 0.0, 0.0
    return solve_group(shared, sessions)


def _stands_in_the_way(sessions: Sequence[SessionRequest]) -> tuple[str, str]:
    """Return why children can't be planned together, and the smallest fix that was found to help: things, then adults,
    then minutes.
    """

    def would_do(adults: int, minutes: int) -> bool:
        changed = [replace(s, setting=replace(s.setting, adults=adults), minutes=minutes) for s in sessions]
        return _best(shared_candidates(changed), changed)[0] != "infeasible"

    adults, minutes = sessions[0].setting.adults, sessions[0].minutes
    helped = replace(sessions[0].setting, adults=len(sessions))
    if not any(t.part == "main" for t in shared_candidates([replace(s, setting=helped) for s in sessions])):
        return (
            "no activity here suits every child and has enough materials",
            "Take fewer children, widen the targets, or add a second set of things.",
        )
    more = next((n for n in range(adults + 1, len(sessions) + 1) if would_do(n, minutes)), None)
    if more is not None:
        watching = "one adult watches" if adults == 1 else f"{adults} adults watch"
        at_the_table = "1 more adult" if more - adults == 1 else f"{more - adults} more adults"
        return (
            f"{watching} one child each with a blade or small parts under 6 years, and what suits all of them needs "
            f"{more}",
            f"Have {at_the_table} at the table, or choose targets that need neither blades nor small parts.",
        )
    longer = next((m for m in range(minutes + 5, LONGEST_SESSION + 1, 5) if would_do(adults, m)), None)
    if longer is not None:
        return f"{minutes} minutes are too few for these children together", f"Give it {longer} minutes."
    return (
        "the activities that suit all of these children do not fit together in one session",
        "Take fewer children, or widen the targets.",
    )


def watched(each: Sequence[Candidate], sessions: Sequence[SessionRequest]) -> int:
    """How many children of an activity want an adult of their own within reach: under six, a blade or small parts."""
    return sum(
        s.child.age_months < WATCHED_MONTHS
        and any(RULES[h.rule].watched and h.wants for h in c.offer.verdict.hits if h.status == "caution")
        for c, s in zip(each, sessions, strict=True)
    )


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
        verdict = assess_within_reach(line.thing, session.child, session.setting)
        if verdict.status == "barred":
            return f"{name} is within reach. {verdict.hits[0].reason}"
    return ""


def shared_candidates(sessions: Sequence[SessionRequest]) -> list[Together]:
    """Every activity and part in which each child has its own grade, with enough for all or for half of them."""
    best, adults = [best_each(s) for s in sessions], sessions[0].setting.adults
    result = []
    for key in sorted(best[0]):
        if all(key in b for b in best):
            each = tuple(b[key] for b in best)
            half = ceil(len(each) / 2)
            halves = [slice(i, i + half) for i in (0, len(each) - half)]
            most = max(watched(each[h], sessions[h]) for h in halves)
            if enough(each, len(each)) and watched(each, sessions) <= adults:
                result.append(Together(each[0].activity, key[1], each, True))
            elif key[1] == "main" and all(enough(each[h], half) for h in halves) and most <= adults:
                result.append(Together(each[0].activity, key[1], each, False, most))
    return result


def best_each(session: SessionRequest) -> dict[tuple[str, Part], Candidate]:
    """A child's best grade of each activity in each part, by (activity, part)."""
    best: dict[tuple[str, Part], Candidate] = {}
    for c in [*all_candidates(session), *tidying(session)]:
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


def group_block(t: Together, minutes: int, turns: bool, sessions: Sequence[SessionRequest]) -> GroupBlock:
    """Return an activity that suits all as a block: each child's own, and how many things they want at once."""
    sets = t.sets(minutes)
    children = tuple(
        replace(as_block(c, n, s), minutes=minutes) for c, n, s in zip(t.each, sets, sessions, strict=True)
    )
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
        result = candidate_of(PlannedBlock(planned.part, variant, 1), session)
        if isinstance(result, Refusal):
            return replace(result, reason=f"For {name}: {result.reason}")
        each.append(result)
    activity = find_activity(planned.variants[0].activity_id)
    adults = sessions[0].setting.adults
    if not planned.turns and watched(each, sessions) > adults:
        words = "one adult watches" if adults == 1 else f"{adults} adults watch"
        reason = f"{activity.name}: {words} one child each with a blade or small parts under 6 years."
        return Refusal(activity.id, activity.name, reason, "Take turns, or have one more adult at the table.")
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
    set_up = (set_up_steps(b.activity, len(t)) for b, t in zip(blocks, things, strict=True))
    return sum(b.minutes for b in blocks) + sum(set_up) / STEP
