"""How a child stands at a glance, for the list: new, to check again, set back, stuck, ready to move, or on the way,
or with an override that comes up for review; and why.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from core.child import Override
from core.days import day_words
from core.progress.next_step import StepKind
from core.progress.step_basis import STALE_DAYS
from core.safety import RULES
from core.skills import STRANDS

StatusId = Literal["new", "recheck", "setback", "stuck", "ready", "review", "steady"]

ORDER: tuple[StatusId, ...] = ("setback", "stuck", "ready", "recheck", "new", "review", "steady")  # gravest first
GROUPS: tuple[tuple[StatusId, tuple[StepKind, ...]], ...] = (
    ("setback", ("down",)),
    ("stuck", ("lower", "change")),
    ("ready", ("fade", "swap", "up")),
)
NAMED_BESIDE = 2  # strands named beside the first
NEW = "Not seen yet. Take a first look, or set starting rungs."
STEADY = "Stay on the same grades; more tries before anything changes."


@dataclass(frozen=True)
class Latest:
    """The newest step in one strand, as it was answered: its kind, in words, and the number it rests on."""

    strand: str
    on: date
    kind: StepKind
    words: str
    evidence: str


@dataclass(frozen=True)
class CaseloadStatus:
    """id: new, recheck, setback, stuck, ready, review or steady; words: why."""

    id: StatusId
    words: str


def gravity(status: StatusId) -> int:
    """Return the place on the list of a child of whom this is said first: the gravest is 0."""
    return ORDER.index(status)


def statuses(
    last_on: date | None, latest: Sequence[Latest], today: date, overrides: Sequence[Override] = ()
) -> tuple[CaseloadStatus, ...]:
    """Return what to say of a child: the gravest first; set back, stuck and ready can stand side by side.

    last_on -- the last session, None before any
    latest  -- the newest step in each strand; one older than six weeks says nothing any more (from memory)
    overrides -- of hazard rules; those that end within two weeks, or have ended, are said
    """
    review = _review(overrides, today)
    if last_on is None:
        return (CaseloadStatus("new", NEW), *review)
    gap = (today - last_on).days
    if gap > STALE_DAYS:
        return (CaseloadStatus("recheck", f"Last seen {gap // 7} weeks ago: re-assess first."), *review)
    fresh = [s for s in latest if (today - s.on).days <= STALE_DAYS]
    words = [CaseloadStatus(name, text) for name, kinds in GROUPS if (text := _words_for(fresh, kinds))]
    return (*words, *review) or (CaseloadStatus("steady", STEADY),)


def _review(overrides: Sequence[Override], today: date) -> tuple[CaseloadStatus, ...]:
    """The override that is to be reviewed first, and how many more there are."""
    due = sorted((o for o in overrides if o.due(today)), key=lambda o: o.review_on)
    if not due:
        return ()
    first, more = due[0], f", and {len(due) - 1} more" if len(due) > 1 else ""
    ends = "ends" if first.holds(today) else "ended"
    words = f"Override {ends} on {day_words(first.review_on)}: {RULES[first.rule].topic}{more}."
    return (CaseloadStatus("review", words),)


def _words_for(latest: Sequence[Latest], kinds: tuple[str, ...]) -> str:
    """The newest step of these kinds with what it rests on, and what else stands so."""
    mine = sorted(
        (s for s in latest if s.kind in kinds), key=lambda s: (-s.on.toordinal(), kinds.index(s.kind), s.strand)
    )
    if not mine:
        return ""
    first, others = mine[0], [STRANDS[s.strand].name.lower() for s in mine[1 : 1 + NAMED_BESIDE]]
    also = f" Also {' and '.join(others)}." if others else ""
    words = f"{first.words[:1].lower()}{first.words[1:]}"
    evidence = f"{first.evidence[:1].upper()}{first.evidence[1:]}".rstrip(".")
    return f"{STRANDS[first.strand].name}: {words}. {evidence}.{also}"
