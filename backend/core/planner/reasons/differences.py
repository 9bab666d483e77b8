"""How a plan differs from the one before."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from core.library import find_activity
from core.offers import difficulty
from core.planner.request import PlannedBlock

SAME_RUNGS = 0.05  # rungs less than which two grades count as equally hard
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
