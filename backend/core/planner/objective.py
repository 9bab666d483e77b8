"""What a minute is worth: four named terms, each from 0 to 1, multiplied. Project definitions.

Safety, stock, supervision, fatigue and order are limits elsewhere, never prices here.
"""

import numpy as np
from numpy.typing import ArrayLike

from core.ability import Floats, shortfalls
from core.child import Child, Part, Zone
from core.library.activity import Activity
from core.planner.request import Reason, SessionRequest
from core.skills import STRANDS, WANTED_TASKS

OFF_TARGET = 0.5  # a minute on a strand outside the chosen targets
NOT_HELD_BACK = 0.6  # a minute on a strand that no wanted task is short of
FULL_GAP_RUNGS = 3.0  # rungs short at which a strand holds back most
FRESHNESS = (0.7, 0.85, 0.95)  # done last time, the time before, the time before that
UNTHEMED = 0.9  # nothing in it that the child likes
UNKNOWN = 0.5  # not done lately, for a child who keeps what is known
STRAND_STEPS = ((6, 1.0), (6, 0.6), (60, 0.3))  # minutes at work on one strand, and what each counts for


def zone_fit(chance: ArrayLike, zone: Zone) -> Floats:
    """Return 1 inside the zone, falling with the odds outside: half at twice the odds off. For one chance or many."""
    odds = _odds(chance)
    fit: Floats = np.minimum(1.0, np.minimum(odds / _odds(zone.low), _odds(zone.high) / odds))
    return fit


def _odds(chance: ArrayLike) -> Floats:
    within: Floats = np.clip(np.asarray(chance, dtype=float), 1e-6, 1 - 1e-6)
    return within / (1 - within)


def rungs_short(strand: str, request: SessionRequest) -> tuple[float, str]:
    """Return how many rungs the child is short of what a wanted task demands, and which task."""
    result = [s for s in shortfalls(request.tasks, request.estimates) if s.strand == strand]
    return (result[0].rungs, WANTED_TASKS[result[0].task].name) if result else (0.0, "")


def nothing_missing(request: SessionRequest) -> bool:
    """Whether no wanted task is short of anything in the chosen targets: then what the tasks need counts in full."""
    short = shortfalls(request.tasks, request.estimates)
    return not any(s.rungs > 0 and STRANDS[s.strand].target in request.targets for s in short)


def strand_weight(strand: str, request: SessionRequest) -> Reason:
    """How much the strand holds back what the family wants, and whether it is a chosen target.

    The ladder of a wanted task itself counts in full, whatever the targets.
    """
    ladder = STRANDS[strand]
    for task in request.tasks:
        if WANTED_TASKS[task].strand == strand:
            return Reason("wanted", 1.0, f"It is “{WANTED_TASKS[task].name}” itself")
    base = 1.0 if ladder.target in request.targets else OFF_TARGET
    gap, task = rungs_short(strand, request)
    managed = nothing_missing(request)
    needed = not request.tasks or any(strand in WANTED_TASKS[t].demands for t in request.tasks)
    held = float(needed) if managed else min(max(gap / FULL_GAP_RUNGS, 0.0), 1.0)
    words = f"{ladder.name} is {gap:.1f} rungs short of “{task}”" if gap > 0 else f"Trains {ladder.name.lower()}"
    if managed and gap <= 0:
        words += ", which a wanted task needs" if request.tasks and needed else ""
        words += "; nothing in today's targets is missing for a wanted task"
    if base < 1:
        words += " (not one of today's targets)"
    return Reason("wanted", base * (NOT_HELD_BACK + (1 - NOT_HELD_BACK) * held), words)


def freshness(activity: Activity, request: SessionRequest) -> Reason:
    """The same skill in a new guise keeps interest: less for what was done in the last sessions. The other way round
    for a child who keeps what is known.
    """
    ago = request.recent.get(activity.id)
    when = "last time" if ago == 0 else f"{ago + 1} sessions ago" if ago is not None else ""
    if request.child.sameness_policy != "new_guises":
        return Reason("known", 1.0, f"Known: done {when}") if when else Reason("known", UNKNOWN, "Not done lately")
    if ago is None:
        return Reason("fresh", 1.0, "New for this child")
    return Reason("fresh", FRESHNESS[ago] if ago < len(FRESHNESS) else 1.0, f"Done {when}")


def liking(activity: Activity, child: Child) -> Reason:
    """Whether it can wear something the child likes."""
    shared = sorted(child.likes & set(activity.themes))
    return (
        Reason("liking", 1.0, f"Works with the theme {shared[0]}")
        if shared
        else Reason("liking", UNTHEMED, "Doesn't match this child's interests")
    )


def zone_reason(chance: float, zone: Zone, part: Part) -> Reason:
    """The fit of the forecast, in words."""
    fit = float(zone_fit(chance, zone))
    where = "inside" if fit == 1 else "easier than" if chance > zone.high else "harder than"
    return Reason(
        "zone",
        fit,
        f"Expect {chance * 10:.0f} of 10: {where} the band for {part} ({zone.low * 10:.1f} to {zone.high * 10:.1f})",
    )
