"""Stepping up or down within a session: which grade suits today, after the tries already made.

A plan is made before anybody knows whether the day is good or bad. After two tries, five tries and a set the tries say
so.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from core.ability import Estimate, Floats, SetEvidence, chance_between, gap_at, level_today
from core.child import Zone

WELL_PLACED = Zone(
    0.65, 0.90
)  # a set's true chance: hard enough to need concentration, easy enough to finish; from memory
WORTH_A_CHANGE = 0.03  # how much likelier a grade has to be well placed before changing; project definition
MOST_AT_ONCE = 2  # grades; project definition
ASKED_AFTER = (2, 5)  # tries of a set, beside its end; project definition


@dataclass(frozen=True)
class Fits:
    """How well each grade suits today: the chance that a set at it is well placed, from 0 to 1; and today's level."""

    rungs: tuple[float, ...]
    well_placed: tuple[float, ...]
    level: float

    def best(self, at: int) -> int:
        """The place of the grade that suits best, the nearest to `at` of equals; where none is likely to suit, the one
        nearest to the child.
        """
        places = range(len(self.rungs))
        best = max(places, key=lambda i: (self.well_placed[i], -abs(i - at)))
        if self.well_placed[best] > WORTH_A_CHANGE:
            return best
        return min(places, key=lambda i: (abs(self.rungs[i] - self.level), abs(i - at)))

    def step(self, at: int) -> int:
        """How many grades to go, up (more than 0) or down, from the one in use; 0 where another is not clearly
        likelier.
        """
        best = self.best(at)
        clearly = self.well_placed[best] > self.well_placed[at] + WORTH_A_CHANGE
        if self.well_placed[best] > WORTH_A_CHANGE and not clearly:
            return 0
        return max(-MOST_AT_ONCE, min(MOST_AT_ONCE, best - at))


def fits_today(
    estimate: Estimate, done: Iterable[SetEvidence], on: date, activity_id: str, rungs: Sequence[float]
) -> Fits:
    """Return how well grades of one activity suit today.

    done  -- today's sets in this strand so far, of any activity
    rungs -- what each grade asks in the strand, in rungs
    activity_id -- as evidence names it: for the other hand with the hand
    """
    level = level_today(estimate, done, on, activity_id)
    placed = well_placed([level], [[rung] for rung in rungs])
    return Fits(tuple(rungs), tuple(placed.tolist()), level[0])


def well_placed(levels: Sequence[tuple[float, float]], rungs: Sequence[Sequence[float]]) -> Floats:
    """Return the chance that a set at each grade is well placed, (n,). levels -- (mean, sd) by strand, in rungs."""
    return chance_between(levels, rungs, gap_at(WELL_PLACED.low), gap_at(WELL_PLACED.high))


def step_today(
    estimate: Estimate, done: Iterable[SetEvidence], on: date, activity_id: str, rungs: Sequence[float], at: int
) -> int:
    """Return how many grades up (more than 0) or down to go, two at the most; 0 to stay.

    rungs -- what the grades of one activity ask, easiest first; at -- the place of the one in use
    """
    return fits_today(estimate, done, on, activity_id, rungs).step(at)
