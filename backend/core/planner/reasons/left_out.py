"""What a therapist may have expected in a plan and does not find there, and why."""

from collections.abc import Iterable
from functools import lru_cache

import numpy as np

from core.ability import Floats
from core.library.activity import Activity
from core.offers import Ask, Variant, ask_of, difficulty, variants_of
from core.planner.candidates import of_its_age, too_demanding
from core.planner.request import LeftOut, LeftOutKind, SessionRequest
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
NEAREST_TO_MENDING: tuple[LeftOutKind, ...] = (
    *("too_hard", "barred", "short", "missing", "hand", "too_easy", "excluded", "not_chosen"),
)
"""Of several activities of which none can be done, which reason is told: the one most easily put right first."""


def left_out(request: SessionRequest, chosen: frozenset[str]) -> tuple[LeftOut, ...]:
    """What a therapist may miss: activities that train a target strand and are not in the plan, with why."""
    result = []
    for activity in request.activities.values():
        strands = [s for s in activity.trains if STRANDS[s].target in request.targets and s in request.estimates]
        if strands and activity.id not in chosen:
            result.append(why_left_out(activity, strands[0], request))
    return gravest_first(result)


def gravest_first(result: Iterable[LeftOut]) -> tuple[LeftOut, ...]:
    """What was left out in the order it is shown: barred first, what merely was not chosen last."""
    return tuple(sorted(result, key=lambda item: (GRAVEST.index(item.kind), item.name)))


def why_left_out(activity: Activity, strand: str, request: SessionRequest) -> LeftOut:
    """Return why an activity is not in a plan, looked at for one of the strands it trains."""
    kind, reason, remedy, override = _why(activity, strand, request)
    return LeftOut(activity.id, activity.name, kind, reason, remedy, strand, override)


def _why(activity: Activity, strand: str, request: SessionRequest) -> tuple[LeftOutKind, str, str, str]:
    """Kind, reason, remedy and what may be overridden, looking at the grade nearest to the child first."""
    mean = request.estimates[strand].mean
    if activity.id in request.excluded:
        return "excluded", "Taken out by you.", "Put it back in the plan.", ""
    cupboard = request.cupboard
    asks, variants, rungs = _grades(activity, strand)
    ranked = np.argsort(np.abs(rungs - mean - 0.1), kind="stable").tolist()
    offered = next((cupboard.offer(variants[i]) for i in ranked if cupboard.filling(asks[i])), None)
    if offered is None:
        lack = cupboard.lack(variants[ranked[0]])
        assert lack is not None
        return lack.kind, lack.reason, lack.remedy, lack.rule if lack.overridable else ""
    if not any(of_its_age(activity, v.grade, request.child) for v in variants):
        older = all(activity.ages(v.grade)[0] > request.child.age_months for v in variants)
        reason = f"It is meant for {'older' if older else 'younger'} children."
        return "too_hard" if older else "too_easy", reason, "Choose it by hand if this child enjoys it.", ""
    demand = too_demanding(offered, request)
    if demand:
        name = STRANDS[demand[0]].name.lower()
        return "too_hard", f"Too hard by {demand[1]:.1f} rungs in {name}.", f"Work on {name} first.", ""
    gap = offered.rungs[strand] - mean
    if gap > 1.0 or gap < -1.5:
        lack = cupboard.lack(variants[ranked[0]])
        remedy = lack.remedy if lack else "Choose another activity for this strand."
        if gap > 1.0:
            return "too_hard", f"Its easiest grade here is {gap:.1f} rungs too hard.", remedy, ""
        return "too_easy", f"Its hardest grade here is {-gap:.1f} rungs too easy.", remedy, ""
    return (
        "not_chosen",
        "Fits, but others made better use of the minutes.",
        "Swap it in, or give the session more minutes.",
        "",
    )


@lru_cache(4096)
def _grades(activity: Activity, strand: str) -> tuple[list[Ask], tuple[Variant, ...], Floats]:
    """Every grade in order: what it asks of a cupboard, and its rung in a strand."""
    variants = variants_of(activity)
    rungs = np.array([difficulty(v)[strand] for v in variants])
    return [ask_of(activity, v.grade) for v in variants], variants, rungs
