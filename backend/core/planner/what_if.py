"""Questions about a plan: what bringing one activity in would cost, and how a plan differs from the one before."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from core.library import find_activity
from core.offers import difficulty
from core.planner.candidates import Candidate, all_candidates
from core.planner.infeasible import LIMITS_ORDER, smallest
from core.planner.model import TENTHS, Built, build
from core.planner.options import WORTH_A_MINUTE, Option, undominated
from core.planner.request import PlannedBlock, SessionRequest
from core.planner.session import limit_words, limits_of, options_of
from core.planner.solver import run
from core.planner.why_left_out import left_out

SAME_RUNGS = 0.05  # rungs less than which two grades count as equally hard


@dataclass(frozen=True)
class BroughtIn:
    """What one activity would take to be in the plan. cost: well-spent minutes lost, None where it can't be in; block:
    what it would be there.
    """

    activity_id: str
    name: str
    cost: float | None
    words: str
    change: str
    block: PlannedBlock | None = None


def bring_in(request: SessionRequest, activity_id: str) -> BroughtIn:
    """Return what it would cost to have this activity in the session, or the smallest change that would let it in.

    Raises KeyError for an activity that is not in the library.
    """
    activity = find_activity(activity_id)
    candidates = all_candidates(request)
    if not any(c.activity.id == activity_id for c in candidates):
        lack = next((o for o in left_out(request, frozenset()) if o.activity_id == activity_id), None)
        words = lack.reason if lack else "It plays no part in a session of this format."
        return BroughtIn(
            activity_id, activity.name, None, words, lack.remedy if lack else "Choose another format or target."
        )

    def there(built: Built[Candidate]) -> None:
        built.model.add(
            sum(t for o, t in zip(built.listed, built.take, strict=True) if o.activity.id == activity_id) >= 1
        )

    limits = limits_of(candidates, request)
    every = options_of(candidates, limits)
    mine = [o for o in every if o.activity.id == activity_id]
    brought = frozenset(thing for o in mine for thing in o.kit)
    others = undominated([o for o in every if o.activity.id != activity_id], limits.blocks, out=brought)
    best, best_status, _ = _worth(build([*mine, *others], 0, limits))
    forced = build([*mine, *others], 0, limits)
    there(forced)
    worth, status, chosen = _worth(forced)
    if best_status != "infeasible" and status != "infeasible":
        cost = max(0.0, best - worth)
        words = "As good as what is there." if cost < 0.05 else f"It would cost {cost:.1f} well-spent minutes."
        block = next(o.of.planned(o.sets) for o in chosen if o.activity.id == activity_id)
        return BroughtIn(activity_id, activity.name, cost, words, "", block)
    less = smallest([*mine, *others], [], limits, LIMITS_ORDER, there)
    if less is None:
        return BroughtIn(
            activity_id, activity.name, None, "It fits no session of this format.", "Choose another format."
        )
    reasons, fixes = zip(*(limit_words(g, less.minutes, request) for g in less.given_up), strict=True)
    return BroughtIn(activity_id, activity.name, None, f"With it, {' and '.join(reasons)}.", " ".join(fixes))


def _worth(built: Built[Candidate]) -> tuple[float, str, list[Option[Candidate]]]:
    built.model.maximize(built.worth)
    solver, status = run(built.model)
    if status == "infeasible":
        return 0.0, status, []
    chosen = [o for o, t in zip(built.listed, built.take, strict=True) if solver.value(t)]
    return solver.objective_value / (WORTH_A_MINUTE * TENTHS), status, chosen


DifferenceKind = Literal["new", "gone", "harder", "easier", "other", "same"]


@dataclass(frozen=True)
class Difference:
    """One line of a comparison. kind: new, gone, harder, easier, other or same."""

    activity_id: str
    name: str
    kind: DifferenceKind
    words: str


def differences(now: Sequence[PlannedBlock], before: Sequence[PlannedBlock]) -> tuple[Difference, ...]:
    """Return how a plan differs from an earlier one: what stayed, in the order of now; then what is gone."""
    old = {p.variant.activity_id: p for p in before}
    stayed = [_difference(p, old.get(p.variant.activity_id)) for p in now]
    kept = {p.variant.activity_id for p in now}
    gone = [
        Difference(p.variant.activity_id, find_activity(p.variant.activity_id).name, "gone", "not this time")
        for p in before
        if p.variant.activity_id not in kept
    ]
    return (*stayed, *gone)


def _difference(now: PlannedBlock, before: PlannedBlock | None) -> Difference:
    activity = find_activity(now.variant.activity_id)
    if before is None:
        return Difference(activity.id, activity.name, "new", "not last time")
    rungs = difficulty(now.variant)[activity.strand] - difficulty(before.variant)[activity.strand]
    more = now.sets - before.sets
    words = [f"{abs(rungs):.1f} rungs {'harder' if rungs > 0 else 'easier'}"] if abs(rungs) > SAME_RUNGS else []
    words += ["another grade, as hard"] if not words and now.variant != before.variant else []
    words += [f"{abs(more)} {'set' if abs(more) == 1 else 'sets'} {'more' if more > 0 else 'fewer'}"] if more else []
    kind: DifferenceKind = (
        "harder" if rungs > SAME_RUNGS else "easier" if rungs < -SAME_RUNGS else "other" if words else "same"
    )
    return Difference(activity.id, activity.name, kind, ", ".join(words) or "as last time")
