"""A child's own clock: how long tries take, against what the library expects."""

from collections import defaultdict
from collections.abc import Iterable
from statistics import median

from core.library import activity_or_none
from core.offers import try_seconds
from core.planner import Pace
from core.running.sets import SetResult

FEWEST_TRIES = 3  # tries of a set before its gaps say anything; project definition
FASTEST = 0.25  # of the usual seconds a try: under this the taps were not made while the child worked; from memory
LATEST_SETS = 12  # sets of an activity that count: a pace changes; project definition


def paces(sets: Iterable[SetResult]) -> dict[str, Pace]:
    """Return what the clock says of each activity in these sets, oldest first: the median over the latest of them of
    the gap between tries over the seconds expected at that grade.

    Help and hand make no difference to it; sets without times say nothing, and neither do those whose taps came faster
    than a hand works: they were counted first and tapped in afterwards.
    """
    timed: defaultdict[str, list[tuple[float, int]]] = defaultdict(list)
    for s in sets:
        if s.gap_seconds and s.tries >= FEWEST_TRIES and (activity := activity_or_none(s.activity_id)):
            ratio = s.gap_seconds / try_seconds(activity, s.grade)
            if ratio >= FASTEST:
                timed[activity.line].append((ratio, s.tries))
    return {a: _pace(rows[-LATEST_SETS:]) for a, rows in timed.items()}


def _pace(rows: list[tuple[float, int]]) -> Pace:
    return Pace(median(ratio for ratio, _ in rows), sum(tries for _, tries in rows))
