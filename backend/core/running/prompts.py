"""What to say while a set is running: a small table made before it starts, so that a tablet needs no rule.

Common practice: two misses at the start step down at once; a full set alone with at most one miss is
ready for more; end on a success.
"""

from dataclasses import dataclass
from typing import Literal

DOWN = "Two misses at the start: make it easier, steady it."
STRUGGLE = "Under 5 of 10: make it easier, end on a success."
HELP_WORKS = "Good with help: next try with less."
UP = "{won} of {tries} alone: next time harder."
END_ON_WIN = "Set done: end it on a success."


PromptKind = Literal["down", "up", "fade", "stop"]


@dataclass(frozen=True)
class Suggestion:
    """One row: after this many tries and successes, say this. kind: down, up, fade or stop.

    helped -- half of the tries or more had help, and all successes count; else only those alone do
    """

    tries: int
    successes: int
    helped: bool
    kind: PromptKind
    words: str


@dataclass(frozen=True)
class TabletRules:
    """What a tablet without a network needs beside the tables: when a set counts as helped, and when a pace is shown.

    helped_share   -- share of the tries of a set with help from which the set is one with help
    pace_tries     -- fewest tries of a set before its pace is shown
    pace_seconds   -- fewest seconds they took
    """

    helped_share: float = 0.5
    pace_tries: int = 3
    pace_seconds: float = 5.0


TABLET_RULES = TabletRules()


@dataclass(frozen=True)
class Rest:
    """When a slowing hand calls for a rest: the last `window` tries took this much longer than the first `window`."""

    window: int = 3
    slower_by: float = 1 / 3
    words: str = "Slower by a third: rest, shake out the hands."


REST = Rest()


def table(count: int) -> tuple[Suggestion, ...]:
    """Return the rows for one set of `count` tries; no row where there is nothing to say."""
    rows = []
    for tries in range(2, count + 1):
        for won in range(tries + 1):
            rows += [s for helped in (False, True) if (s := _row(tries, won, helped, count))]
    return tuple(rows)


def _row(tries: int, won: int, helped: bool, count: int) -> Suggestion | None:
    share = won / tries
    if tries == 2 and won == 0:
        return Suggestion(tries, won, helped, "down", DOWN)
    if tries >= 4 and share < 0.5:
        return Suggestion(tries, won, helped, "down", STRUGGLE)
    if helped and tries >= 4 and share >= 0.8:
        return Suggestion(tries, won, helped, "fade", HELP_WORKS)
    if not helped and tries >= count and share >= 0.9:
        return Suggestion(tries, won, helped, "up", UP.format(won=won, tries=tries))
    if tries >= count:
        return Suggestion(tries, won, helped, "stop", END_ON_WIN)
    return None
