"""What to say while a set is running: a small table made before it starts, so that a tablet needs no rule.

Harder or easier is said by what is believed of the child after these tries, at the grade they were made at: after two,
after five and after a full set. Where nothing is believed (a sure win at the start, tidying), common practice speaks:
two misses at the start, or under 5 of 10, step down. End on a success.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from core.ability import Estimate, SetEvidence
from core.running.grade_advice import ASKED_AFTER, fits_today

DOWN = "Two misses at the start: make it easier, steady it."
STRUGGLE = "Under 5 of 10: make it easier, end on a success."
HELP_WORKS = "Good with help: next try with less."
STEP = "{won} of {tries} alone: {steps} {way} suits better."
END_ON_WIN = "Set done: end it on a success."
STEPS = {1: "one step", 2: "two steps"}


PromptKind = Literal["down", "up", "fade", "stop"]


@dataclass(frozen=True)
class Suggestion:
    """One row: after so many tries and from `successes` to `most` successes, say this. kind: down, up, fade or stop.

    helped -- half of the tries or more had help, and all successes count; else only those alone do
    at, to -- places in the block's ladder of grades: the grade the tries were made at, and the one to go to; None where
              the row holds for every grade
    """

    tries: int
    successes: int
    helped: bool
    kind: PromptKind
    words: str
    most: int
    at: int | None = None
    to: int | None = None


@dataclass(frozen=True)
class Ladder:
    """The grades around a block's own, easiest first, and what is believed of the child who does them.

    rungs -- what each asks in the strand; evidence_name -- as core.offers.evidence_name says
    """

    estimate: Estimate
    on: date
    evidence_name: str
    rungs: Sequence[float]


@dataclass(frozen=True)
class TabletRules:
    """What a tablet without a network needs beside the tables: when a set counts as helped, and when a pace is shown.

    helped_share   -- share of the tries of a set with help from which the set is one with help
    pace_tries     -- fewest tries of a set before its pace is shown
    pace_seconds   -- fewest seconds they took
    asked_after    -- tries of a set after which it is asked what suits better, beside its end
    """

    helped_share: float = 0.5
    pace_tries: int = 3
    pace_seconds: float = 5.0
    asked_after: tuple[int, ...] = ASKED_AFTER


TABLET_RULES = TabletRules()


@dataclass(frozen=True)
class Rest:
    """When a slowing hand calls for a rest: the last `window` tries took this much longer than the first `window`."""

    window: int = 3
    slower_by: float = 1 / 3
    words: str = "Slower by a third: rest, shake out the hands."


REST = Rest()


def table(count: int, ladder: Ladder | None = None) -> tuple[Suggestion, ...]:
    """Return the rows for one set of `count` tries; no row where there is nothing to say.

    ladder -- where given, harder and easier are said by the belief, else by common practice
    """
    rows = [*_by_belief(count, ladder)] if ladder else [*_by_practice(count)]
    for tries in range(4, count + 1):
        rows.append(Suggestion(tries, -(-4 * tries // 5), True, "fade", HELP_WORKS, tries))
    rows += [Suggestion(count, 0, helped, "stop", END_ON_WIN, count) for helped in (False, True)]
    return tuple(rows)


def _by_belief(count: int, ladder: Ladder) -> Iterator[Suggestion]:
    """For every grade: after how many successes another one suits clearly better; equal answers in one row."""
    for at, rung in enumerate(ladder.rungs):
        for tries in sorted({*(n for n in ASKED_AFTER if n < count), count}):
            steps = [_step(ladder, at, rung, tries, won) for won in range(tries + 1)]
            first = 0
            for won in range(1, tries + 2):
                if won > tries or steps[won] != steps[first]:
                    if steps[first]:
                        yield _row(at, tries, first, won - 1, steps[first])
                    first = won


def _step(ladder: Ladder, at: int, rung: float, tries: int, won: int) -> int:
    done = [SetEvidence(ladder.evidence_name, rung, tries, won)]
    return fits_today(ladder.estimate, done, ladder.on, ladder.evidence_name, ladder.rungs).step(at)


def _row(at: int, tries: int, least: int, most: int, step: int) -> Suggestion:
    won = str(least) if least == most else f"{least} to {most}"
    words = STEP.format(won=won, tries=tries, steps=STEPS[abs(step)], way="harder" if step > 0 else "easier")
    return Suggestion(tries, least, False, "up" if step > 0 else "down", words, most, at, at + step)


def _by_practice(count: int) -> Iterator[Suggestion]:
    for helped in (False, True):
        yield Suggestion(2, 0, helped, "down", DOWN, 0)
        for tries in range(4, count + 1):
            yield Suggestion(tries, 0, helped, "down", STRUGGLE, (tries - 1) // 2)
