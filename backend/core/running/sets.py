"""From what was tapped to what was done: run events folded into sets.

Every try carries its own grade, support and hand, so the order in which events arrive does not matter.
An undo is an event that names another event; the same event sent twice counts once.
"""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from datetime import date, datetime
from itertools import pairwise
from statistics import median
from types import MappingProxyType
from typing import Literal

from core.ability import SetEvidence
from core.child import PromptPolicy
from core.library import find_activity
from core.offers import Variant, by_hand, difficulty, taught_rungs
from core.recording import OTHER_GRIP, SUPPORTS, Learned, SupportLevel, folded
from core.running.events import Event, HoldEvent, MarkEvent, MeasureEvent, PlainEvent, TryEvent, UndoEvent

WorkingHand = Literal["right", "left", ""]  # empty where nobody noted it


@dataclass(frozen=True)
class SetResult:
    """What one child did in one block at one grade with one kind of help and one hand, on one day.

    gap_seconds  -- the median gap between one try and the next, pauses left out; None for a single try
    hold_seconds -- seconds under tension: all holds together; best_hold_seconds -- the longest of them
    help_first   -- help was on from the start; otherwise it came after the child had failed alone
    measures     -- what was read off by hand, by id of core.measured, in its unit
    """

    on: date
    block: str
    activity_id: str
    grade: tuple[int, ...]
    support: SupportLevel
    hand: WorkingHand
    tries: int
    successes: int
    drops: int = 0
    seconds: float = 0.0
    gap_seconds: float | None = None
    best_hold_seconds: float = 0.0
    hold_seconds: float = 0.0
    measures: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))
    marks: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    longest_row: int = 0
    help_first: bool = False
    asked: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))

    @property
    def difficulty(self) -> Mapping[str, float]:
        """The rung asked, by strand; a strength strand's by the force of the thing that was worked."""
        return {**difficulty(Variant(self.activity_id, self.grade)), **self.asked}

    def as_taught(self, learned: Learned) -> "SetResult":
        """The same set, at the rungs a clinic's own children taught; once only."""
        if not learned.version:
            return self
        variant = Variant(self.activity_id, self.grade)
        return replace(self, asked=dict(taught_rungs(variant, self.difficulty, learned, self.asked)))

    @property
    def trained(self) -> Mapping[str, float]:
        """The rung asked in every strand the activity trains."""
        return {strand: self.difficulty[strand] for strand in find_activity(self.activity_id).trains}

    @property
    def failed_alone(self) -> bool:
        """Whether every try of the set was first failed alone: help came after, and a success with it is not one
        alone.
        """
        return self.support != "alone" and not self.help_first and SUPPORTS[self.support].informative

    @property
    def alone_tries(self) -> int:
        """How many tries tell what the child does alone."""
        return self.tries if self.support == "alone" or self.failed_alone else 0

    @property
    def alone_successes(self) -> int:
        """How many of them succeeded."""
        return self.successes if self.support == "alone" else 0

    def evidence(self, strand: str = "", preferred: str = "") -> SetEvidence:
        """The set as evidence for the strands it trains, and for one of them alone where it is named.

        preferred -- the child's settled hand: work with the other one counts with an offset of its own,
                     as another activity would
        Help that came after a failed try leaves a failure alone; help from the start lifts the chance.
        """
        name = by_hand(self.activity_id, self.hand, preferred)
        rung = self.difficulty[strand] if strand else 0.0
        if self.failed_alone:
            return SetEvidence(name, rung, self.tries, 0, "alone", self.trained)
        return SetEvidence(name, rung, self.tries, self.successes, self.support, self.trained)


@dataclass(frozen=True)
class _Key:
    """What the tries of one set share."""

    block: str
    grade: tuple[int, ...]
    support: SupportLevel
    hand: WorkingHand
    help_first: bool


def fold(
    events: Iterable[Event],
    blocks: Mapping[str, str],
    on: date,
    prompting: PromptPolicy = "least_first",
    asked: Mapping[tuple[str, tuple[int, ...]], Mapping[str, float]] = MappingProxyType({}),
) -> tuple[SetResult, ...]:
    """Return the sets of a run, in the order their first try was made.

    events    -- in any order, repeats allowed
    blocks    -- block id to activity id
    on        -- the day the run is kept under (the server's, not the tablet's)
    prompting -- the child's prompt policy, by which tries from before events said when help came are read
    asked     -- by block and grade, the rungs that the very things in use ask
    """
    kept = without_undone(events)
    keys = _keys(kept, prompting)
    groups: dict[_Key, list[TryEvent]] = {}
    for event in kept:
        if isinstance(event, TryEvent):
            groups.setdefault(keys[event.id], []).append(event)
    extras = _Extras(kept, keys)
    return tuple(
        replace(_set(key, tries, blocks, on, extras), asked=asked.get((key.block, key.grade), MappingProxyType({})))
        for key, tries in groups.items()
    )


def without_undone(events: Iterable[Event]) -> list[Event]:
    """The events that still stand, in the order they were tapped, each once."""
    once = {e.id: e for e in sorted(events, key=lambda e: (e.at, e.id))}
    taken_back = {e.value.event for e in once.values() if isinstance(e, UndoEvent)}
    return [e for e in once.values() if e.id not in taken_back and not isinstance(e, UndoEvent)]


def _keys(kept: list[Event], prompting: PromptPolicy) -> dict[str, _Key]:
    """The set each try belongs to, by event id.

    Tries from before `help_first` was kept were all sent as missed alone: under most help first, a miss in a block
    that is worked with help is a miss with the help last used there.
    """
    help_in: dict[str, SupportLevel] = {}
    keys = {}
    for e in kept:
        if not isinstance(e, TryEvent):
            continue
        v, support = e.value, e.value.support
        help_first = v.help_first if v.help_first is not None else prompting == "most_first"
        if v.help_first is None and help_first:
            if v.outcome == "miss":
                support = help_in.get(e.block, support)
            else:
                help_in[e.block] = support
        keys[e.id] = _Key(e.block, v.grade, support, v.hand or "", help_first)
    return keys


class _Extras:
    """Drops, holds, marks and measures of each block; they belong to the set being tried when they were tapped."""

    def __init__(self, kept: list[Event], keys: Mapping[str, _Key]) -> None:
        self.by_set: dict[_Key, list[Event]] = {}
        last: dict[str, _Key] = {}
        first: dict[str, _Key] = {}
        for e in kept:
            if isinstance(e, TryEvent):
                first.setdefault(e.block, keys[e.id])
        for e in kept:
            if isinstance(e, TryEvent):
                last[e.block] = keys[e.id]
            elif e.kind in ("drop", "hold", "mark", "measure") and e.block in first:
                self.by_set.setdefault(last.get(e.block) or first[e.block], []).append(e)
        self.pauses = [e for e in kept if e.kind in ("pause", "resume")]

    def paused_seconds(self, block: str, start: datetime, end: datetime) -> float:
        total = 0.0
        since: datetime | None = None
        for e in self.pauses:
            if e.block == block and start <= e.at <= end:
                if e.kind == "pause":
                    since = since or e.at
                elif since is not None:
                    total, since = total + (e.at - since).total_seconds(), None
        return total


def _set(key: _Key, tries: list[TryEvent], blocks: Mapping[str, str], on: date, extras: _Extras) -> SetResult:
    won = [e.value.outcome == "success" for e in tries]
    others = extras.by_set.get(key, [])
    holds = [e.value.seconds for e in others if isinstance(e, HoldEvent)]
    start, end = tries[0].at, tries[-1].at
    seconds = max(0.0, (end - start).total_seconds() - extras.paused_seconds(key.block, start, end))
    return SetResult(
        on=on,
        block=key.block,
        activity_id=blocks[key.block],
        grade=key.grade,
        support=key.support,
        hand=key.hand,
        tries=len(won),
        successes=sum(won),
        drops=sum(isinstance(e, PlainEvent) and e.kind == "drop" for e in others),
        seconds=seconds,
        gap_seconds=_median_gap(key.block, tries, extras),
        best_hold_seconds=max(holds, default=0.0),
        hold_seconds=sum(holds),
        measures=_measures(others),
        marks=_marks(tries, others),
        longest_row=_longest_row(won),
        help_first=key.help_first,
    )


def _median_gap(block: str, tries: list[TryEvent], extras: _Extras) -> float | None:
    gaps = [(b.at - a.at).total_seconds() - extras.paused_seconds(block, a.at, b.at) for a, b in pairwise(tries)]
    return median(gaps) if gaps else None


def _measures(others: list[Event]) -> Mapping[str, float]:
    readings: dict[str, list[float]] = {}
    for e in others:
        if isinstance(e, MeasureEvent):
            readings.setdefault(e.value.measure, []).append(e.value.value)
    return MappingProxyType({m: folded(m, values) for m, values in readings.items()})


def _marks(tries: list[TryEvent], others: list[Event]) -> Mapping[str, int]:
    """How often each mark was seen; a try that was done with another grip is one of them."""
    marks = Counter(e.value.mark for e in others if isinstance(e, MarkEvent))
    marks += Counter(OTHER_GRIP for e in tries if e.value.outcome == "miss" and e.value.other_grip)
    return MappingProxyType(dict(marks))


def _longest_row(won: list[bool]) -> int:
    best = row = 0
    for success in won:
        row = row + 1 if success else 0
        best = max(best, row)
    return best
