"""What a referral tells before anything was seen: a child comes because something lags.

One to two years behind age in what was named, less in what that needs, little elsewhere; and nobody names what the
child can do already. Common practice; the figures are project definitions.
"""

from math import inf

from core.child import Child
from core.skills import find_task

NAMED_LAG, NAMED_SHARE = 18.0, 0.25  # months behind in what was named, and as a share of the age where that is more
NEEDED_LAG, NEEDED_SHARE = 12.0, 0.17  # in what the named tasks need
OTHER_LAG = 3.0  # months behind in everything else
REFERRED_SPREAD = 0.6  # rungs by which referred children differ more than others, in what was named or is needed
NOT_YET = 1.5  # rungs under the one at which a wanted task is done that its own ladder stays, until it is seen
MOST_LAG = 0.35  # of the age


def referred(child: Child, strand: str) -> tuple[float, float]:
    """Return how many months behind its age a child is expected to be in a strand, and how many rungs wider the guess
    is; nothing where nothing was asked for and nothing named.
    """
    if not child.wanted and not child.behind:
        return 0.0, 0.0
    wanted = [find_task(t) for t in child.wanted]
    lag, spread = OTHER_LAG, 0.0
    if strand in child.behind or any(t.strand == strand for t in wanted):
        lag, spread = max(NAMED_LAG, NAMED_SHARE * child.age_months), REFERRED_SPREAD
    elif any(strand in t.demands for t in wanted):
        lag, spread = max(NEEDED_LAG, NEEDED_SHARE * child.age_months), REFERRED_SPREAD
    return min(lag, MOST_LAG * child.age_months), spread


def never_assumed(child: Child, strand: str) -> float:
    """Return the highest rung of a strand to start from: a wanted task is not taken for done."""
    levels = [t.level for t in map(find_task, child.wanted) if t.strand == strand]
    return max(0.5, min(levels) - NOT_YET) if levels else inf
