"""What a therapist allowed one child although a hazard rule bars it: why, since when, and until when it holds."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

Nearby = Literal["arms_reach", "room"]
OVERRIDE_DAYS = 91  # days, a quarter of a year, until an override is usually reviewed; common practice, no source
LONGEST_OVERRIDE = 366  # days: none holds for longer without a review; common practice, no source
OVERRIDE_NOTICE = 14  # days before its last day from which it comes up for review; project definition


@dataclass(frozen=True)
class Override:
    """A hazard rule a therapist overrides for one child. Its last day is review_on; from the next on the rule bars.

    supervision -- how close an adult is whenever it is used
    by          -- who allowed it, in words
    """

    rule: str
    reason: str
    on: date
    review_on: date
    supervision: Nearby = "arms_reach"
    by: str = ""

    def holds(self, on: date) -> bool:
        """Whether it holds on a day."""
        return on <= self.review_on

    def due(self, on: date) -> bool:
        """Whether it comes up for review on a day: it ends within two weeks, or has ended."""
        return on >= self.review_on - timedelta(days=OVERRIDE_NOTICE)


def holding(overrides: Iterable[Override], on: date, supervision: Nearby) -> frozenset[str]:
    """Return the rules overridden on a day, with an adult this close."""
    return frozenset(o.rule for o in overrides if o.supervision == supervision and o.holds(on))
