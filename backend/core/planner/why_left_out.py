"""What a therapist may have expected in a plan and does not find there, and why."""

from collections.abc import Iterable

from core.library.activity import Activity
from core.offers import difficulty, variants_of
from core.planner.request import LeftOut, LeftOutKind, SessionRequest
from core.planner.suitability import too_demanding, too_young
from core.skills import STRANDS

GRAVEST: tuple[LeftOutKind, ...] = (
    "barred",
    "hand",
    "short",
    "missing",
    "too_hard",
    "too_easy",
    "not_chosen",
    "excluded",
)


def left_out(request: SessionRequest, chosen: frozenset[str]) -> tuple[LeftOut, ...]:
    """What a therapist may miss: activities that train a target strand and are not in the plan, with why."""
    result = []
    for activity in request.activities.values():
        strands = [s for s in activity.trains if STRANDS[s].target in request.targets and s in request.estimates]
        if strands and activity.id not in chosen:
            result.append(_why_left_out(activity, strands[0], request))
    return gravest_first(result)


def gravest_first(result: Iterable[LeftOut]) -> tuple[LeftOut, ...]:
    """What was left out in the order it is shown: barred first, what merely was not chosen last."""
    return tuple(sorted(result, key=lambda item: (GRAVEST.index(item.kind), item.name)))


def _why_left_out(activity: Activity, strand: str, request: SessionRequest) -> LeftOut:
    kind, reason, remedy = _why(activity, strand, request)
    return LeftOut(activity.id, activity.name, kind, reason, remedy, strand)


def _why(activity: Activity, strand: str, request: SessionRequest) -> tuple[LeftOutKind, str, str]:
    """Kind, reason and remedy, looking at the grade nearest to the child first."""
    mean = request.estimates[strand].mean
    ranked = sorted(variants_of(activity), key=lambda v: (abs(difficulty(v)[strand] - mean - 0.1), v.grade))
    if activity.id in request.excluded:
        return "excluded", "Taken out by you.", "Put it back in the plan."
    offered = next((o for v in ranked if (o := request.cupboard.offer(v))), None)
    lack = request.cupboard.lack(ranked[0])
    if offered is None:
        assert lack is not None
        return lack.kind, lack.reason, lack.remedy
    if too_young(activity, request):
        return "too_easy", "Its guise is a younger child's.", "Choose it by hand if this child enjoys it."
    demand = too_demanding(offered, request)
    if demand:
        name = STRANDS[demand[0]].name.lower()
        return "too_hard", f"Too hard by {demand[1]:.1f} rungs in {name}.", f"Work on {name} first."
    remedy = lack.remedy if lack else "Choose another activity for this strand."
    gap = offered.rungs[strand] - mean
    if gap > 1.0:
        return "too_hard", f"Its easiest grade here is {gap:.1f} rungs too hard.", remedy
    if gap < -1.5:
        return "too_easy", f"Its hardest grade here is {-gap:.1f} rungs too easy.", remedy
    return (
        "not_chosen",
        "Fits, but others made better use of the minutes.",
        "Swap it in, or give the session more minutes.",
    )
