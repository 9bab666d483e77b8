"""Why a session can't be as asked, and the shortest fix."""

from collections.abc import Sequence

from core.library import find_activity
from core.planner.choice import Way
from core.planner.reasons.left_out import left_out
from core.planner.request import Refusal, SessionPlan, SessionRequest
from core.planner.solver import (
    Limit,
    LockLimit,
    PartLimit,
    StageLimit,
    TargetLimit,
    TaskLimit,
    WholeLimit,
    is_content,
    smallest,
)
from core.skills import TARGETS, find_task

PARTS_IN_WORDS = {
    "warm-up": "a warm-up",
    "daily": "a daily-life task",
    "tidy": "tidying as exercise",
    "opener": "a sure win to open with",
}
HELD_IN_WORDS = {
    "main": "a second main block",
    "moves": "a block on the feet",
    "many": "a block of many repetitions",
    "assists": "a job for the hand that assists",
}


def lock_refused(refusal: Refusal) -> SessionPlan:
    """Return the plan that can't be because a locked block can't stand today."""
    reason = f"“{refusal.name}” is locked, but {refusal.reason[0].lower()}{refusal.reason[1:]}"
    return SessionPlan("infeasible", reason=reason, fix=refusal.remedy)


def impossible(ways: Sequence[Way], request: SessionRequest) -> SessionPlan:
    """Return why none of these ways can be gone, and the shortest fix."""
    if request.format.kit_kind:
        return _no_kit(ways)
    (way,) = ways
    return _no_room(way, request) if way.trains else _nothing_to_train(request)


def _no_kit(ways: Sequence[Way]) -> SessionPlan:
    lacking = [w for w in ways if w.lacks is not None]
    if len(lacking) < len(ways) or not ways:
        reason = "the minutes are too few for all its stages"
        return SessionPlan("infeasible", reason=reason, fix="Give it ten minutes more.")
    first = lacking[0]
    assert first.lacks is not None and first.kit is not None
    reason, fix = first.lacks
    return SessionPlan("infeasible", reason=f"“{first.kit.name}” can't be played here: {reason}", fix=fix)


def _nothing_to_train(request: SessionRequest) -> SessionPlan:
    """Say what stops most of the target's activities, and the one thing that would open one."""
    out = left_out(request, frozenset())
    names = " and ".join(TARGETS[t].name.lower() for t in request.targets)
    first = next((o for o in out if o.kind in ("missing", "short", "hand")), out[0] if out else None)
    reason = f"nothing in this home trains {names} safely at this child's rung"
    fix = f"{first.remedy} (for “{first.name}”: {first.reason})" if first else "Choose another target."
    return SessionPlan("infeasible", left_out=out, reason=reason, fix=fix)


def _no_room(way: Way, request: SessionRequest) -> SessionPlan:
    """Find by the solver the fewest limits to give up, and say what that means."""
    out = left_out(request, frozenset())
    less = smallest(way.options, way.locked, way.limits)
    if less is None:
        reason, fix = "no session satisfies these requirements", "Choose another target or format."
        return SessionPlan("infeasible", left_out=out, reason=reason, fix=fix)
    if not less.given_up:
        reason, fix = "no session was found in time", "Ask again with a few minutes more."
        return SessionPlan("infeasible", left_out=out, reason=reason, fix=fix)
    hard = [limit for limit in less.given_up if not is_content(limit)]
    reasons, fixes = zip(*(limit_words(g, less.minutes, request) for g in hard or less.given_up), strict=True)
    return SessionPlan("infeasible", left_out=out, reason=" and ".join(reasons), fix=" ".join(fixes))


def limit_words(limit: Limit, minutes: int, request: SessionRequest) -> tuple[str, str]:
    """Why a limit stands in the way, and the fix that gives it up. minutes: those the session then takes."""
    match limit:
        case LockLimit(place):
            block = request.locked[place]
            name = find_activity(block.variant.activity_id).name
            sets = "1 set" if block.sets == 1 else f"{block.sets} sets"
            return f"“{name}” is locked at {sets} and conflicts with the other blocks", f"Unlock “{name}”."
        case WholeLimit("minutes"):
            return f"{request.minutes} minutes are too few", f"Give it {minutes} minutes."
        case WholeLimit("tiring"):
            tiring = round(request.minutes * request.tiring_share)
            return f"the tiring blocks take more than {tiring} minutes", "Shorten or unlock a tiring block."
        case WholeLimit("apart"):
            reason = "two tiring blocks would stand side by side"
            return reason, "Unlock one of them, or put something light between."
        case _:
            return f"there is no room for {given_up_words(limit)}", "Give the session more minutes."


def given_up_words(limit: Limit) -> str:
    """What a session goes without where a limit on what it holds is given up."""
    match limit:
        case TargetLimit(target):
            return f"work on {TARGETS[target].name.lower()}"
        case TaskLimit(task):
            return f"“{find_task(task).name}”"
        case PartLimit(part):
            return PARTS_IN_WORDS[part]
        case StageLimit() | LockLimit():
            return "one of its blocks"
        case _:
            return HELD_IN_WORDS[limit.kind]
