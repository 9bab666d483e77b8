"""Whether a strand has moved, in one plain line."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from math import hypot

from core.skills import Strand
from core.trends import mann_kendall, rungs_per_week

FEWEST_SESSIONS = 4  # sessions before anything is said of a trend; project definition
CLEAR_SPREADS = 1.0  # spreads of the difference before it is called a move; project definition


@dataclass(frozen=True)
class Point:
    """Where the estimate stood after a day, in rungs."""

    on: date
    mean: float
    sd: float


@dataclass(frozen=True)
class Movement:
    """kind: up, down, steady or too_few; change in rungs; slope in rungs a week."""

    kind: str
    words: str
    change: float
    per_week: float | None
    p: float | None
    sessions: int


def movement(ladder: Strand, points: Sequence[Point]) -> Movement:
    """Return whether a strand moved from its first day to its last.

    points -- in order of day, one a day
    Limits: estimates lean on the ones before, so the trend test is a rough guide, never the reason.
    """
    n = len(points)
    if n < FEWEST_SESSIONS:
        return Movement("too_few", f"{ladder.name}: too few sessions to say ({n} of {FEWEST_SESSIONS}).", 0.0, None, None, n)
    first, last = points[0], points[-1]
    days = [(p.on - first.on).days for p in points]
    slope, test = rungs_per_week(days, [p.mean for p in points]), mann_kendall([p.mean for p in points])
    change = last.mean - first.mean
    weeks = max(1, round(days[-1] / 7))
    clear = abs(change) >= CLEAR_SPREADS * hypot(first.sd, last.sd) and change * slope > 0
    kind = "steady" if not clear else "up" if change > 0 else "down"
    said = {
        "up": f"{ladder.name} moved up {change:.1f} rungs in {weeks} weeks: now “{ladder.nearest(last.mean).words}”.",
        "down": f"{ladder.name} went back {-change:.1f} rungs in {weeks} weeks: now “{ladder.nearest(last.mean).words}”.",
        "steady": f"{ladder.name} stayed about where it was over {weeks} weeks ({change:+.1f} rungs, inside the doubt).",
    }[kind]
    return Movement(kind, said, change, slope, test.p, n)
