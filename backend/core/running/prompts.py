"""What to say while a set is running: a small table made before it starts, so that a tablet needs no rule.

Common practice: two misses at the start step down at once; a full set alone with at most one miss is
ready for more; end on a success.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

Words = dict[str, str]

DOWN = "Two misses at the start: make it easier, steady it."
STRUGGLE = "Under 5 of 10: make it easier, end on a success."
HELP_WORKS = "Good with help: next try with less."
UP = "{won} of {tries} alone: next time harder."
END_ON_WIN = "Stop here: end on a success."


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
class Rest:
    """When a slowing hand calls for a rest: the last `window` tries took this much longer than the first `window`."""

    window: int = 3
    slower_by: float = 1 / 3
    words: str = "Slower by a third: rest, shake out the hands."

    def is_due(self, seconds: Sequence[float]) -> bool:
        """Whether a set slows. seconds -- when each try was tapped, from any start, rising, pauses taken out.

        Common practice ("slower by a third"); the window is a project definition. Never before two windows of gaps.
        """
        gaps = [later - earlier for earlier, later in pairwise(seconds)]
        if len(gaps) < 2 * self.window:
            return False
        first, last = sum(gaps[: self.window]), sum(gaps[-self.window :])
        return first > 0 and last >= first * (1 + self.slower_by) - 1e-9


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
