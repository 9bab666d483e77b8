"""How long sets take: tries, seconds a try, rests. A block is whole sets; its minutes follow from them.

Seconds a try are the library's for that grade, times this child's pace: the median gap between tries seen so far,
drawn towards the library's while there are few. Starting values: common practice and memory, no source.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from math import ceil, exp, log

from core.library.activity import Activity
from core.offers import Offer, loads_hands, try_seconds

STEP_SECONDS = 30  # time is planned in half minutes, rounded up
PACE_TRIES = 20  # tries at which a child's own clock counts as much as the library's; project definition
PACE_LIMITS = (0.4, 3.0)  # a pace beyond these is a clock left running; project definition
BACK_SECONDS = 1.0  # seconds a try after which pieces are back where they were, and the next set begins; from memory
WHOLE_REST = 6  # tries against a load after which the whole rest is due; from memory
SHORTEST_REST = 15.0  # seconds of rest after any set against a load; from memory
SPARING_REST = 30.0  # seconds of rest after a set, at the least, where hands have to be spared; from memory
TENTH = 6  # seconds in a tenth of a minute, the unit work is counted in


@dataclass(frozen=True)
class Pace:
    """What a child's own clock says of one activity: the median gap between tries over what the library expects, and
    the tries it rests on. usual -- by how much a try takes longer for other children of the clinic, where that is known
    """

    ratio: float
    tries: int
    usual: float = 1.0

    @property
    def factor(self) -> float:
        """By how much a try takes longer than the library says, drawn towards the usual while there are few."""
        weight = self.tries / (self.tries + PACE_TRIES)
        return exp(weight * self.log_ratio + (1 - weight) * log(self.usual))

    @property
    def log_ratio(self) -> float:
        """The logarithm of the ratio, a clock left running set aside."""
        low, high = PACE_LIMITS
        return log(min(max(self.ratio, low), high))


@dataclass(frozen=True)
class Dose:
    """One set: how many tries, seconds a try, seconds of rest after it; and how many sets a block may have.

    fits -- whether one set alone is not already longer than a block of its part
    """

    count: int
    seconds: float
    rest: float
    least: int
    most: int
    fits: bool = True

    @property
    def set_seconds(self) -> float:
        """One set with its rest."""
        return self.count * self.seconds + self.rest

    def steps(self, sets: int) -> int:
        """The time of so many sets, in half minutes, rounded up."""
        return ceil(sets * self.set_seconds / STEP_SECONDS - 1e-9)

    def work_tenths(self, sets: int) -> int:
        """The time at work of so many sets, without the rests, in tenths of a minute."""
        return max(1, round(sets * self.count * self.seconds / TENTH))

    def sets_within(self, steps: int) -> int:
        """How many sets fit into so many half minutes."""
        return int(steps * STEP_SECONDS / self.set_seconds + 1e-9)


def seconds_a_try(activity: Activity, grade: tuple[int, ...], pace: Mapping[str, Pace]) -> float:
    """What one try takes this child at this grade, in seconds."""
    own = pace.get(activity.line)
    return try_seconds(activity, grade) * (own.factor if own else 1.0)


def dose_of(
    activity: Activity, offer: Offer, pace: Mapping[str, Pace], minutes: tuple[float, float], sparing: bool = False
) -> Dose:
    """Return one set of an offer, and the fewest and most sets of a block that has these fewest and most minutes.

    sparing -- half the sets and longer rests, for joints or hands that have to be spared
    One set always may be; more never than the kind of work bears, and what is used up lasts for.
    """
    seconds = seconds_a_try(activity, offer.variant.grade, pace)
    usual = activity.dose
    rest = _rest(offer.count, usual.rest, loads_hands(activity, offer.variant.grade), sparing)
    bears = ceil(usual.sets / 2) if sparing else usual.sets
    one = offer.count * seconds + rest
    fewest, longest = minutes
    lasts = min((q.have // q.wanted for q in offer.quantities if q.single_use and q.wanted), default=bears)
    most = max(1, min(bears, usual.tries // offer.count, int(longest * 60 / one), lasts))
    fits = offer.count * seconds <= longest * 60
    return Dose(offer.count, seconds, rest, min(most, max(1, ceil(fewest * 60 / one - 1e-9))), most, fits)


def _rest(count: int, usual: float, loads: bool, sparing: bool) -> float:
    """Seconds between sets. After what loads the hands they rest, less after few tries than after many; of anything
    else the pieces only go back.
    """
    if not loads:
        return min(usual, count * BACK_SECONDS)
    rest = max(min(usual, SHORTEST_REST), usual * min(1.0, count / WHOLE_REST))
    return max(rest, SPARING_REST) if sparing else rest
