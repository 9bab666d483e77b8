"""Whether a skill is moving: slope, trend test and non-overlap."""

from dataclasses import dataclass
from itertools import combinations
from math import erf, sqrt

import numpy as np
from numpy.typing import ArrayLike

DAYS_PER_WEEK = 7


class TooFewSessions(ValueError):
    """Fewer sessions than the method can speak about."""


@dataclass(frozen=True)
class TrendTest:
    """Mann-Kendall: s counts rises less falls; p is two-sided."""

    s: int
    p: float


def rungs_per_week(days: ArrayLike, rungs: ArrayLike) -> float:
    """Return the median slope of skill over time, in rungs per week.

    days    -- (n,) floats, days since the first session, increasing, n >= 3
    rungs   -- (n,) floats, estimated rung on each day
    Returns -- float, rungs per week, unrounded

    Raises TooFewSessions when n < 3.
    Limits: says nothing about cause; needs sessions at least a day apart.
    Source: Sen 1968. Checked against scipy.stats.theilslopes.
    """
    x, y = _paired(days, rungs)
    first, second = np.triu_indices(len(x), k=1)
    apart = x[second] != x[first]
    slopes = (y[second] - y[first])[apart] / (x[second] - x[first])[apart]
    return float(np.median(slopes)) * DAYS_PER_WEEK


def mann_kendall(values: ArrayLike) -> TrendTest:
    """Return the trend test of values in time order, ties allowed for.

    Raises TooFewSessions when n < 3.
    Source: Mann 1945; Kendall 1975. Normal approximation with continuity correction: rough under 10.
    """
    y = np.asarray(values, dtype=float)
    if len(y) < 3:
        raise TooFewSessions(f"{len(y)} sessions: a trend needs at least 3. Come back after the next ones.")
    s = int(sum(np.sign(b - a) for a, b in combinations(y, 2)))
    n = len(y)
    ties = np.unique(y, return_counts=True)[1]
    variance = (n * (n - 1) * (2 * n + 5) - sum(t * (t - 1) * (2 * t + 5) for t in ties)) / 18
    z = 0.0 if s == 0 or variance == 0 else (s - np.sign(s)) / sqrt(variance)
    return TrendTest(s, 1 - erf(abs(z) / sqrt(2)))


def nonoverlap(before: ArrayLike, after: ArrayLike) -> float:
    """Return the share of (before, after) pairs in which after is higher, ties counting half.

    Source: Parker & Vannest 2009 (non-overlap of all pairs). 0.5 says no difference.
    Raises TooFewSessions when either side is empty.
    """
    a, b = np.asarray(before, dtype=float), np.asarray(after, dtype=float)
    if not len(a) or not len(b):
        raise TooFewSessions("Both phases need at least one session.")
    gaps = b[None, :] - a[:, None]
    return float((gaps > 0).mean() + (gaps == 0).mean() / 2)


def _paired(days: ArrayLike, rungs: ArrayLike) -> tuple[np.ndarray, np.ndarray]:
    x, y = np.asarray(days, dtype=float), np.asarray(rungs, dtype=float)
    if len(x) != len(y):
        raise ValueError(f"{len(x)} days but {len(y)} rungs. Give one rung for each day.")
    if len(x) < 3:
        raise TooFewSessions(f"{len(x)} sessions: a slope needs at least 3. Come back after the next ones.")
    return x, y
