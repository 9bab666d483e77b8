"""What a child was seen to do, kept apart from what the estimate expects.

A rung counts as seen when a set at it or above succeeded alone; what the estimate says above that is only probable.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from core.running import SetResult
from core.skills import Strand

SEEN_SHARE = 0.8  # successes alone of tries alone: the child's own rung, by definition of the scale
SEEN_TRIES = 4  # tries alone a set needs to show anything; project definition
AT_THE_RUNG = 0.25  # rungs a set may lie below a rung and still be a set at it; project definition


@dataclass(frozen=True)
class Seen:
    """The highest rung a set succeeded at, and the latest day; without an activity where a therapist noted it."""

    rung: int
    on: date | None
    activity_id: str = ""
    tries: int = 0
    successes: int = 0


def highest_seen(ladder: Strand, sets: Iterable[SetResult], noted: Seen | None = None) -> Seen | None:
    """Return the highest rung seen in a strand and the latest day it was, or None where nothing was.

    sets  -- any that train the strand; noted -- what a therapist saw before any set
    """
    best = noted
    for s in sets:
        asked = s.trained.get(ladder.id)
        if asked is None or s.alone_tries < SEEN_TRIES or s.alone_successes < SEEN_SHARE * s.alone_tries:
            continue
        rung = min(int(asked + AT_THE_RUNG), ladder.top)
        if rung < 1:
            continue
        found = Seen(rung, s.on, s.activity_id, s.alone_tries, s.alone_successes)
        if best is None or (found.rung, found.on or date.min) >= (best.rung, best.on or date.min):
            best = found
    return best


def stands_at(ladder: Strand, level: float, seen: Seen | None) -> str:
    """Where a child stands, in words: what was seen as a fact, what is only expected as probable."""
    near = ladder.nearest(level)
    if seen and seen.rung >= near.number:
        return f"“{near.words}” was seen"
    probably = f"probably “{near.words}”"
    return f"{probably}; seen so far: “{ladder.rung(seen.rung).words}”" if seen else f"{probably}, not seen yet"
