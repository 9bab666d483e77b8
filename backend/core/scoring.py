"""From what was tapped to what was done: run events folded into sets.

Every try carries its own grade, support and hand, so the order in which events arrive does not matter.
An undo is an event that names another event; the same event sent twice counts once.
"""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import date, datetime
from types import MappingProxyType

from core.ability import SetEvidence
from core.grading import difficulty
from core.library import family
from core.marks import MARKS
from core.measured import MEASURED, folded
from core.support import SUPPORTS
from core.variants import Variant

KINDS = (
    "try",
    "drop",
    "hold",
    "mark",
    "support",
    "grade",
    "pause",
    "resume",
    "note",
    "undo",
    "begin",
    "end",
    "skip",
    "hand",
    "measure",
)
HANDS = ("right", "left")
PLAUSIBLE_HOLD_SECONDS = 600.0  # s: longer is a forgotten timer


class EventError(ValueError):
    """An event that can't be counted: says which field, what is wrong and what to send instead."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


@dataclass(frozen=True)
class Event:
    """One thing tapped at the table. id is made on the tablet; at is the tablet's clock."""

    id: str
    block: str
    kind: str
    at: datetime
    value: Mapping[str, object] = field(default_factory=lambda: MappingProxyType({}))


@dataclass(frozen=True)
class SetResult:
    """What one child did in one block at one grade with one kind of help and one hand, on one day.

    hold_seconds -- seconds under tension: all holds together; best_hold_seconds -- the longest of them
    measures     -- what was read off by hand, by id of core.measured, in its unit
    """

    on: date
    block: str
    family: str
    grade: tuple[int, ...]
    support: str
    hand: str
    tries: int
    successes: int
    drops: int = 0
    seconds: float = 0.0
    best_hold_seconds: float = 0.0
    hold_seconds: float = 0.0
    measures: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))
    marks: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    first_two_missed: bool = False
    longest_row: int = 0

    @property
    def difficulty(self) -> Mapping[str, float]:
        """The rung asked, by strand."""
        return difficulty(Variant(self.family, self.grade))

    def evidence(self, strand: str, preferred: str = "") -> SetEvidence:
        """The set as evidence for one strand it trains.

        preferred -- the child's settled hand: work with the other one counts with an offset of its own, as another activity would
        """
        other = preferred in HANDS and self.hand in HANDS and self.hand != preferred
        return SetEvidence(
            f"{self.family}/{self.hand}" if other else self.family,
            self.difficulty[strand],
            self.tries,
            self.successes,
            self.support,
        )


def checked_event(event: Event, blocks: Mapping[str, str]) -> Event:
    """Return the event unchanged. Raises EventError when it can't be counted.

    blocks -- the run's blocks: block id to family id
    """
    if event.kind not in KINDS:
        raise EventError("kind", f"{event.kind!r} is not an event. Use one of {', '.join(KINDS)}.")
    if event.block not in blocks:
        raise EventError("block", f"block {event.block!r} is not part of this run. Reload the run.")
    value = event.value
    if event.kind == "try":
        if value.get("outcome") not in ("success", "miss"):
            raise EventError("outcome", f"outcome {value.get('outcome')!r} is neither success nor miss. Send one of these.")
        if value.get("support") not in SUPPORTS:
            raise EventError(
                "support", f"support {value.get('support')!r} is not on the ladder. Use one of {', '.join(SUPPORTS)}."
            )
        _check_grade(value.get("grade"), blocks[event.block])
        _check_hand(value.get("hand"), ("", None, *HANDS))
    if event.kind == "hand":
        _check_hand(value.get("hand"), HANDS)
    if event.kind == "measure":
        _check_measure(value)
    if event.kind == "grade":
        _check_grade(value.get("grade"), blocks[event.block])
    if event.kind == "mark" and value.get("mark") not in MARKS:
        raise EventError("mark", f"mark {value.get('mark')!r} is not known. Use one of {', '.join(MARKS)}.")
    if event.kind == "hold" and not 0 < _number(value.get("seconds")) <= PLAUSIBLE_HOLD_SECONDS:
        raise EventError("seconds", f"a hold of {value.get('seconds')!r} s is not possible. Send more than 0 and up to 600.")
    if event.kind == "undo" and not isinstance(value.get("event"), str):
        raise EventError("event", "an undo names the event it takes back. Send its id.")
    return event


def _number(value: object) -> float:
    return float(value) if isinstance(value, int | float) and not isinstance(value, bool) else -1.0


def _check_hand(hand: object, known: tuple[str | None, ...]) -> None:
    if hand not in known:
        raise EventError("hand", f"hand {hand!r} is neither right nor left. Send one of these.")


def _check_measure(value: Mapping[str, object]) -> None:
    measured = MEASURED.get(str(value.get("measure")))
    if measured is None:
        raise EventError("measure", f"measure {value.get('measure')!r} is not known. Use one of {', '.join(MEASURED)}.")
    try:
        measured.checked(value.get("value"))
    except ValueError as no:
        raise EventError("value", str(no)) from no


def _check_grade(grade: object, family_id: str) -> None:
    axes = family(family_id).axes
    steps = list(grade) if isinstance(grade, list | tuple) else []
    if len(steps) != len(axes) or not all(isinstance(g, int) and 0 <= g < len(a.steps) for g, a in zip(steps, axes, strict=True)):  # type: ignore[arg-type]
        raise EventError(
            "grade", f"grade {grade!r} does not exist for this activity. Send one step for each of its {len(axes)} axes."
        )


def fold(events: Iterable[Event], blocks: Mapping[str, str], on: date) -> tuple[SetResult, ...]:
    """Return the sets of a run, in the order their first try was made.

    events -- in any order, repeats allowed
    blocks -- block id to family id
    on     -- the day the run is kept under (the server's, not the tablet's)
    """
    kept = _kept(events)
    groups: dict[tuple[str, tuple[int, ...], str, str], list[Event]] = {}
    for event in kept:
        if event.kind == "try":
            groups.setdefault(_set_key(event), []).append(event)
    extras = _Extras(kept)
    return tuple(_set(key, tries, blocks, on, extras) for key, tries in groups.items())


def _kept(events: Iterable[Event]) -> list[Event]:
    once = {e.id: e for e in sorted(events, key=lambda e: (e.at, e.id))}
    taken_back = {e.value["event"] for e in once.values() if e.kind == "undo"}
    return [e for e in once.values() if e.id not in taken_back and e.kind != "undo"]


def _set_key(event: Event) -> tuple[str, tuple[int, ...], str, str]:
    v = event.value
    return event.block, tuple(v["grade"]), str(v["support"]), str(v.get("hand", ""))  # type: ignore[arg-type]


class _Extras:
    """Drops, holds, marks and measures of each block; they belong to the set being tried when they were tapped."""

    def __init__(self, kept: list[Event]) -> None:
        self.by_set: dict[tuple[str, tuple[int, ...], str, str], list[Event]] = {}
        last: dict[str, tuple[str, tuple[int, ...], str, str]] = {}
        first: dict[str, tuple[str, tuple[int, ...], str, str]] = {}
        for e in kept:
            if e.kind == "try":
                first.setdefault(e.block, _set_key(e))
        for e in kept:
            if e.kind == "try":
                last[e.block] = _set_key(e)
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


def _set(
    key: tuple[str, tuple[int, ...], str, str], tries: list[Event], blocks: Mapping[str, str], on: date, extras: _Extras
) -> SetResult:
    block, grade, support, hand = key
    won = [e.value["outcome"] == "success" for e in tries]
    others = extras.by_set.get(key, [])
    holds = [_number(e.value["seconds"]) for e in others if e.kind == "hold"]
    start, end = tries[0].at, tries[-1].at
    seconds = max(0.0, (end - start).total_seconds() - extras.paused_seconds(block, start, end))
    return SetResult(
        on, block, blocks[block], grade, support, hand, len(won), sum(won),
        drops=sum(e.kind == "drop" for e in others), seconds=seconds,
        best_hold_seconds=max(holds, default=0.0), hold_seconds=sum(holds), measures=_measures(others),
        marks=MappingProxyType(dict(Counter(str(e.value["mark"]) for e in others if e.kind == "mark"))),
        first_two_missed=len(won) >= 2 and not any(won[:2]), longest_row=_longest_row(won),
    )  # fmt: skip


def _measures(others: list[Event]) -> Mapping[str, float]:
    read: dict[str, list[float]] = {}
    for e in others:
        if e.kind == "measure":
            read.setdefault(str(e.value["measure"]), []).append(_number(e.value["value"]))
    return MappingProxyType({m: folded(m, values) for m, values in read.items()})


def _longest_row(won: list[bool]) -> int:
    best = row = 0
    for success in won:
        row = row + 1 if success else 0
        best = max(best, row)
    return best
