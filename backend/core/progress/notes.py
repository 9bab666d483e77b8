"""A session note drafted in plain sentences from what was recorded. Nothing in it that the data does not say."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from difflib import SequenceMatcher

from merge3 import Merge3

from core.days import day_words
from core.library import find_activity
from core.recording import MARKS, MEASURED, SUPPORTS, Measured, SupportLevel, folded
from core.running import SetResult
from core.skills import STRANDS

OWN_WORDS = 0.5  # of a draft's words in a text: with fewer it is the therapist's own; project definition


@dataclass(frozen=True)
class Step:
    """One proposed next step and the therapist's answer to it: accepted, changed (to what, in words), declined or none
    yet.
    """

    strand: str
    words: str
    evidence: str
    answer: str = ""
    changed_to: str = ""


@dataclass(frozen=True)
class RunRecord:
    """What a run's record says: its day, sets, what was left out, rungs before and after, next steps."""

    child: str
    on: date
    sets: Sequence[SetResult]
    skipped: Sequence[str]
    rungs: Mapping[str, tuple[float, float]]
    steps: Sequence[Step]
    last_on: date | None = None


def draft(record: RunRecord) -> str:
    """Return the note: what was done and how it went, what was seen, against last time, what next. One
    paragraph each.
    """
    paragraphs = [_done_words(record), _seen_words(record), _last_time_words(record), _next_words(record)]
    return "\n\n".join(p for p in paragraphs if p)


def redraft(before: str, text: str, now: str) -> str:
    """Return a note's text brought up to date: what the record says now, in the therapist's own words where they wrote.

    before -- the draft the text was written from; now: the draft as the record stands now
    Where the therapist and the record both changed the same words, the therapist's stay; so does a text that has less
    than half of the draft left in it.
    Source: three-way merge, by the package merge3: clause by clause, since clauses repeat each other's words, and word
    by word only where both changed the same clauses.
    """
    if SequenceMatcher(None, _words(before), _words(text), autojunk=False).ratio() < OWN_WORDS:
        return text
    groups = Merge3(_clauses(before), _clauses(text), _clauses(now)).merge_groups()
    return "".join(_by_word(*group[1:]) if len(group) > 2 else "".join(group[1]) for group in groups)


def _by_word(base: Sequence[str], own: Sequence[str], record: Sequence[str]) -> str:
    base, own, record = (_words("".join(part)) for part in (base, own, record))
    groups = Merge3(base, own, record).merge_groups()
    return "".join(word for group in groups for word in (_settled(*group[1:]) if len(group) > 2 else group[1]))


def _settled(base: Sequence[str], own: Sequence[str], record: Sequence[str]) -> Sequence[str]:
    """What stands where both changed the same place: where words were only added before or after, both."""
    if own[: len(base)] == base:
        return [*record, *own[len(base) :]]
    if base and own[-len(base) :] == base:
        return [*own[: -len(base)], *record]
    return own


def _words(text: str) -> list[str]:
    return re.findall(r"\s*\S+", text)


def _clauses(text: str) -> list[str]:
    return re.split(r"(?<=[.;])(?=\s)", text)


def _done_words(record: RunRecord) -> str:
    if not record.sets:
        return f"{record.child}, {day_words(record.on)}. Nothing was counted in this session."
    by_family: dict[str, list[SetResult]] = {}
    for s in record.sets:
        by_family.setdefault(s.activity_id, []).append(s)
    lines = [f"{find_activity(f).name}: {_how(sets)}." for f, sets in by_family.items()]
    out = f" Left out: {', '.join(record.skipped)}." if record.skipped else ""
    return f"{record.child}, {day_words(record.on)}. {' '.join(lines)}{out}"


def _how(sets: Sequence[SetResult]) -> str:
    """'7 of 8 alone, 3 of 4 with spoken cue, 2 dropped, longest hold 6 s'."""
    parts = []
    for support in SUPPORTS:
        mine = [s for s in sets if s.support == support]
        if mine:
            parts.append(_counted(support, mine, sets))
    drops, hold = sum(s.drops for s in sets), max(s.best_hold_seconds for s in sets)
    parts += [f"{drops} dropped"] if drops else []
    parts += [f"longest hold {hold:.0f} s"] if hold else []
    read = {m for s in sets for m in s.measures}
    parts += [
        _measure_words(MEASURED[m], folded(m, [s.measures[m] for s in sets if m in s.measures]))
        for m in MEASURED
        if m in read
    ]
    return ", ".join(parts)


def _counted(support: SupportLevel, mine: Sequence[SetResult], sets: Sequence[SetResult]) -> str:
    won = sum(s.successes for s in mine)
    if support == "alone":
        return f"{won} of {sum(s.alone_tries for s in sets)} alone"
    words = f"with {SUPPORTS[support].words}"
    if all(s.failed_alone for s in mine):
        return f"{won} more {words}"
    return f"{won} of {sum(s.tries for s in mine)} {words}"


def _measure_words(measure: Measured, value: float) -> str:
    return f"{_low(measure.name)}{':' if measure.choices else ''} {measure.in_words(value)}"


def _seen_words(record: RunRecord) -> str:
    counts: dict[str, int] = {}
    for s in record.sets:
        for mark, n in s.marks.items():
            counts[mark] = counts.get(mark, 0) + n
    if not counts:
        return ""
    return (
        "Seen: " + ", ".join(f"{MARKS[m].words} ({n} ×)" for m, n in sorted(counts.items(), key=lambda c: -c[1])) + "."
    )


def _last_time_words(record: RunRecord) -> str:
    if not record.rungs:
        return ""
    since = f" since {day_words(record.last_on)}" if record.last_on else ""
    lines = [
        f"{STRANDS[s].name} {STRANDS[s].level_words(before)} to {STRANDS[s].level_words(after)}"
        for s, (before, after) in record.rungs.items()
    ]
    return f"Estimated rungs before and after{since}: {'; '.join(lines)}."


def _next_words(record: RunRecord) -> str:
    answers = {"accepted": " (agreed)", "declined": " (not followed)", "": " (proposed)"}
    lines = [
        f"{STRANDS[s.strand].name}: {_low(s.words)}, {s.evidence}"
        + (f" (changed: {_low(s.changed_to)})" if s.answer == "changed" else answers[s.answer])
        for s in record.steps
    ]
    return f"Next: {'; '.join(lines)}." if lines else ""


def _low(words: str) -> str:
    return f"{words[:1].lower()}{words[1:]}"
