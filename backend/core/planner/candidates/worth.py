"""What a minute is worth: four named terms, each from 0 to 1, multiplied. Project definitions.

Safety, stock, supervision, fatigue and order are limits elsewhere, never prices here.
"""

from functools import cache

import numpy as np
from numpy.typing import ArrayLike

from core.ability import DAY_SD, Floats, chance_between, chance_in_words, gap_at, most_helped, shortfalls
from core.child import Child, Part, Zone
from core.library.activity import Activity
from core.planner.request import Reason, SessionRequest
from core.skills import STRANDS, find_task

OFF_TARGET = 0.5  # a minute on a strand outside the chosen targets
NOT_HELD_BACK = 0.6  # a minute on a strand that no wanted task is short of
HELPS_NONE = 0.25  # a minute of work that no step of a wanted task needs
FULL_GAP_RUNGS = 3.0  # rungs short at which a strand holds back most
FRESHNESS = (0.5, 0.8, 0.95)  # done last time, the time before, the time before that
NEARER = 0.1  # of the fit that goes by the distance alone, whatever the doubt
IN_DOUBT = 0.6  # rungs of doubt above which fewer different activities place a child better; project definition
REPEATS = 0.5  # of what repeating costs while a rung is in doubt
UNTHEMED = 0.9  # nothing in it that the child likes
UNKNOWN = 0.5  # not done lately, for a child who keeps what is known


def zone_fit(levels: ArrayLike, rungs: ArrayLike, chances: ArrayLike, zone: Zone) -> Floats:
    """Return how sure it is that a set lies in the zone, as a share of how sure it could be: 1 where the child is known
    exactly and only the day's swing is left, falling with the doubt and with the distance.

    levels  -- (mean, sd) of the child's level in each strand the work asks of, in rungs: (strands, 2), or for each
               piece of work its own, (n, strands, 2)
    rungs   -- (n, strands), what each piece of work asks of them
    chances -- (n,) forecasts, by whose odds work that is all but surely outside is still told apart, for NEARER
    Returns -- (n,) fits from 0 to 1
    """
    sure = np.minimum(1.0, chance_between(levels, rungs, *_gaps(zone)) / _surest(zone))
    odds = _odds(chances)
    near = np.minimum(1.0, np.minimum(odds / _odds(zone.low), _odds(zone.high) / odds))
    return np.asarray((1 - NEARER) * sure + NEARER * near)


def _odds(chance: ArrayLike) -> Floats:
    within: Floats = np.clip(np.asarray(chance, dtype=float), 1e-6, 1 - 1e-6)
    return within / (1 - within)


def _gaps(zone: Zone) -> tuple[float, float]:
    """The zone in rungs above the work; a forecast's zone leaves slips out."""
    return gap_at(zone.low, slips=False), gap_at(zone.high, slips=False)


@cache
def _surest(zone: Zone) -> float:
    """How sure it can be that a set lies in the zone: the child known exactly, in its middle."""
    low, high = _gaps(zone)
    return float(chance_between([((low + high) / 2, DAY_SD)], [[0.0]], low, high)[0])


def nothing_missing(request: SessionRequest) -> bool:
    """Whether no wanted task is short of anything in the chosen targets: then what the tasks need counts in full."""
    short = shortfalls(request.tasks, request.estimates)
    return not any(s.rungs > 0 and STRANDS[s.strand].target in request.targets for s in short)


def strand_weight(strand: str, request: SessionRequest, job: str = "", own: bool = True) -> Reason:
    """How much the strand holds back what the family wants, and whether it is a chosen target.

    job -- what the hands do there: it helps a wanted task only where that does the same
    own -- whether work on a wanted task's ladder is done with its tool: letters laid from sticks are no writing

    The ladder of a wanted task itself counts in full, whatever the targets.
    """
    ladder = STRANDS[strand]
    for task in request.tasks:
        if own and find_task(task).strand == strand:
            return Reason("wanted", 1.0, f"It is the ladder of “{find_task(task).name}”")
    base = 1.0 if ladder.target in request.targets else OFF_TARGET
    helped = most_helped(strand, job, request.tasks, request.estimates)
    gap, task = (helped.rungs, find_task(helped.task).name) if helped else (0.0, "")
    managed = nothing_missing(request)
    needed = not request.tasks or helped is not None
    held = float(needed) if managed else min(max(gap / FULL_GAP_RUNGS, 0.0), 1.0)
    words = f"{ladder.name} is {gap:.1f} rungs short of “{task}”" if gap > 0 else f"Trains {ladder.name.lower()}"
    if managed and gap <= 0:
        words += ", which a wanted task needs" if request.tasks and needed else ""
        words += "; nothing in today's targets is missing for a wanted task"
    if base < 1:
        words += " (not one of today's targets)"
    if not needed:
        return Reason("wanted", base * HELPS_NONE, f"{words}; no wanted task needs it")
    return Reason("wanted", base * (NOT_HELD_BACK + (1 - NOT_HELD_BACK) * held), words)


def freshness(activity: Activity, request: SessionRequest) -> Reason:
    """The same skill in a new guise keeps interest: less for what was done in the last sessions, half as much less
    while a rung is in doubt. The other way round for a child who keeps what is known.
    """
    ago = request.recent.get(activity.line)
    when = "last time" if ago == 0 else f"{ago + 1} sessions ago" if ago is not None else ""
    if request.child.sameness_policy != "new_guises":
        return Reason("known", 1.0, f"Known: done {when}") if when else Reason("known", UNKNOWN, "Not done lately")
    if ago is None:
        return Reason("fresh", 1.0, "New for this child")
    factor = FRESHNESS[ago] if ago < len(FRESHNESS) else 1.0
    if factor < 1 and any(request.estimates[s].sd > IN_DOUBT for s in activity.trains if s in request.estimates):
        return Reason("fresh", 1 - (1 - factor) * REPEATS, f"Done {when}; repeated while its rung is in doubt")
    return Reason("fresh", factor, f"Done {when}")


def liking(activity: Activity, child: Child) -> Reason:
    """Whether the child loves it, or it can wear something the child likes."""
    if activity.line in child.favourites:
        return Reason("liking", 1.0, "A favourite of this child's")
    shared = sorted(child.likes & set(activity.themes))
    return (
        Reason("liking", 1.0, f"Works with the theme {shared[0]}")
        if shared
        else Reason("liking", UNTHEMED, "Doesn't match this child's interests")
    )


def zone_reason(chance: float, fit: float, zone: Zone, part: Part) -> Reason:
    """The forecast, and how sure it is that the set lies in the band, in words."""
    where = "inside" if zone.low <= chance <= zone.high else "easier than" if chance > zone.high else "harder than"
    return Reason(
        "zone",
        fit,
        f"Expect {chance_in_words(chance)}: {where} the band for {part} ({zone.low * 10:.1f} to {zone.high * 10:.1f}); "
        f"{fit * 100:.0f} % as certain as for a well-known child",
    )
