"""Stepping up or down within a session: which grade suits today, after the sets already done.

A plan is made before anybody knows whether the day is good or bad. After a set or two the sets say so.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from math import log

from scipy.special import ndtr

from core.ability import AT_RUNG, LOG_ODDS_PER_RUNG, Estimate, SetEvidence, level_today
from core.child import Zone
from core.offers import Variant, difficulty

WELL_PLACED = Zone(
    0.65, 0.90
)  # a set's true chance: hard enough to need concentration, easy enough to finish; from memory
WORTH_A_CHANGE = (
    0.08  # how much likelier a grade has to be well placed before changing in the middle; project definition
)


@dataclass(frozen=True)
class Fit:
    """How well a grade suits today: the chance that a set at it is well placed, from 0 to 1."""

    variant: Variant
    rung: float
    well_placed: float


def fits_today(
    estimate: Estimate, done: Iterable[SetEvidence], on: date, activity_id: str, offers: Sequence[tuple[Variant, float]]
) -> tuple[Fit, ...]:
    """Return the fit of each grade on offer, in the order given.

    done   -- today's sets in this strand so far, of any activity
    offers -- (variant, rung) pairs of one activity
    """
    mean, sd = level_today(estimate, done, on, activity_id)
    easiest, hardest = _gap(WELL_PLACED.high), _gap(WELL_PLACED.low)
    return tuple(
        Fit(v, rung, float(ndtr((easiest + rung - mean) / sd) - ndtr((hardest + rung - mean) / sd)))
        for v, rung in offers
    )


def _gap(chance: float) -> float:
    """How many rungs above the work a child is whose chance is this."""
    return (log(chance / (1 - chance)) - AT_RUNG) / LOG_ODDS_PER_RUNG


def step_today(
    estimate: Estimate, done: Iterable[SetEvidence], on: date, ladder: Sequence[Variant], at: int, strand: str
) -> int:
    """Return -1, 0 or 1: one step down the ladder, stay, or one step up, where today clearly asks for it.

    ladder -- grades of one activity, easiest first; at -- the place of the one in use
    Looks for the grade that suits today best anywhere on the ladder, and goes one step towards it: change little at a
    time.
    Where the one in use is all but surely wrong and none is likely to suit, it goes towards the one nearest to the
    child.
    """
    informative = tuple(done)
    offers = [(v, difficulty(v)[strand]) for v in ladder]
    fits = fits_today(estimate, informative, on, ladder[at].activity_id, offers)
    best = max(range(len(fits)), key=lambda i: (fits[i].well_placed, -abs(i - at)))
    if fits[best].well_placed <= WORTH_A_CHANGE:
        level, _ = level_today(estimate, informative, on, ladder[at].activity_id)
        best = min(range(len(fits)), key=lambda i: (abs(fits[i].rung - level), abs(i - at)))
    elif fits[best].well_placed <= fits[at].well_placed + WORTH_A_CHANGE:
        return 0
    return (best > at) - (best < at)
