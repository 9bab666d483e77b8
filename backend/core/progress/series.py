"""Measures kept beside the rung, each with its unit: pace, holds, drops, help, and what each hand did."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from functools import partial
from types import MappingProxyType

from core.library import find_activity
from core.recording import AUTOMATIC, LEVELS, MEASURED, SupportLevel, folded
from core.running import TABLET_RULES, SetResult, WorkingHand


@dataclass(frozen=True)
class Series:
    """One measure over sessions: (day, value) pairs, oldest first. unit as in units.UCUM."""

    id: str
    name: str
    unit: str
    points: tuple[tuple[date, float], ...]


@dataclass(frozen=True)
class ByHand:
    """What one hand did in all: successes of tries."""

    hand: WorkingHand
    successes: int
    tries: int


def measures(sets: Sequence[SetResult]) -> tuple[Series, ...]:
    """Return each measure that the sets of one strand say anything of, session by session."""
    days = _days(sets)
    read = {m for s in sets for m in s.measures}
    made = (
        Series("pace", AUTOMATIC["pace"], "items/min", _by_day(days, _pace)),
        Series("hold", AUTOMATIC["hold"], "s", _by_day(days, _hold)),
        Series("tension", AUTOMATIC["tension"], "s", _by_day(days, _tension)),
        Series("alone", AUTOMATIC["alone"], "%", _by_day(days, _alone)),
        Series("drops", AUTOMATIC["drops"], "%", _by_day(days, _drops)),
        Series("row", AUTOMATIC["row"], "in a row", _by_day(days, _row)),
        *(
            Series(m.id, m.name, m.unit, _by_day(days, partial(_day_value, m.id)))
            for m in MEASURED.values()
            if m.id in read
        ),
    )
    return tuple(s for s in made if s.points and (s.id != "drops" or any(v for _, v in s.points)))


@dataclass(frozen=True)
class Help:
    """How a day's tries went: how many tries at each level of help, least first; only levels that were used."""

    on: date
    tries: Mapping[SupportLevel, int]


def help_by_day(sets: Sequence[SetResult]) -> tuple[Help, ...]:
    """Return, day by day, how many tries were made at each level of help: what fading looks like."""
    result = []
    for day, mine in _days(sets).items():
        tries = {level: sum(s.tries for s in mine if s.support == level) for level in LEVELS}
        result.append(Help(day, MappingProxyType({level: n for level, n in tries.items() if n})))
    return tuple(result)


def by_hand(sets: Sequence[SetResult]) -> tuple[ByHand, ...]:
    """Return successes of tries for each hand that was used, right first; nothing where only one hand was noted."""
    both: tuple[WorkingHand, ...] = ("right", "left")
    hands = [h for h in both if any(s.hand == h for s in sets)]
    if len(hands) < 2:
        return ()
    mine = {h: [s for s in sets if s.hand == h] for h in hands}
    return tuple(ByHand(h, sum(s.successes for s in mine[h]), sum(s.tries for s in mine[h])) for h in hands)


def _days(sets: Sequence[SetResult]) -> dict[date, list[SetResult]]:
    days: dict[date, list[SetResult]] = {}
    for s in sorted(sets, key=lambda s: s.on):
        days.setdefault(s.on, []).append(s)
    return days


def _by_day(
    days: Mapping[date, list[SetResult]], value: Callable[[list[SetResult]], float | None]
) -> tuple[tuple[date, float], ...]:
    result = ((day, value(mine)) for day, mine in days.items())
    return tuple((day, v) for day, v in result if v is not None)


def _pace(sets: list[SetResult]) -> float | None:
    timed = [s for s in sets if s.seconds >= TABLET_RULES.pace_seconds]
    seconds = sum(s.seconds for s in timed)
    return sum(s.tries for s in timed) * 60 / seconds if seconds else None


def _hold(sets: list[SetResult]) -> float | None:
    longest = max((s.best_hold_seconds for s in sets), default=0.0)
    return longest or None


def _tension(sets: list[SetResult]) -> float | None:
    return sum(s.hold_seconds for s in sets) or None


def _row(sets: list[SetResult]) -> float | None:
    rows = [s.longest_row for s in sets if "row" in find_activity(s.activity_id).measures]
    return float(max(rows)) if rows else None


def _day_value(measure: str, sets: list[SetResult]) -> float | None:
    read = [s.measures[measure] for s in sets if measure in s.measures]
    return folded(measure, read) if read else None


def _alone(sets: list[SetResult]) -> float | None:
    won = sum(s.successes for s in sets)
    return 100 * sum(s.alone_successes for s in sets) / won if won else None


def _drops(sets: list[SetResult]) -> float | None:
    tries = sum(s.tries for s in sets)
    return 100 * sum(s.drops for s in sets) / tries if tries else None
