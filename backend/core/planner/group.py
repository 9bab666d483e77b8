"""Children together: one shared activity per block, each child on its own rung with its own count and its own pot."""

from collections.abc import Sequence
from dataclasses import replace

from core.library import find_activity
from core.planner.candidates import (
    Together,
    candidate_of,
    safe_for_all,
    shared_candidates,
    table_for_all,
    watched,
)
from core.planner.choice import Solved, group_in_order, solve_group
from core.planner.reasons import group_block, group_minutes
from core.planner.request import (
    LONGEST_SESSION,
    GroupBlock,
    GroupPlan,
    GroupRequest,
    PlannedBlock,
    PlannedGroupBlock,
    Refusal,
    RequestError,
    SessionRequest,
    check_request,
)

MOST_CHILDREN = 6


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
    blocks = tuple(group_block(t, m, turns, sessions) for t, m, turns in group_in_order(chosen))
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
