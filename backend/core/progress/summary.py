"""The end of a child's care in words: a draft from the record, for a therapist to check and change."""

from collections.abc import Sequence
from datetime import date


def closing_summary(
    name: str,
    reason: str,
    sessions: Sequence[date],
    moved: Sequence[str],
    tasks: Sequence[tuple[str, str]],
    goals: Sequence[tuple[str, int | None]],
) -> str:
    """Return the draft of a discharge summary.

    sessions -- the days of the sessions that were held, in any order
    moved    -- what to say of each strand that clearly moved, the most moved first
    tasks    -- each wanted task by name, and where it stands in words
    goals    -- each goal in its words, and its latest score from -2 to 2, 0 as expected; None where never scored
    """
    lines = [f"Reason: {reason}"] if reason else []
    if sessions:
        first, last = min(sessions), max(sessions)
        often = f"{len(sessions)} sessions" if len(sessions) > 1 else "one session"
        span = f"from {first:%-d %B %Y} to {last:%-d %B %Y}" if first != last else f"on {first:%-d %B %Y}"
        lines.append(f"{name} had {often} {span}.")
    else:
        lines.append(f"{name} had no session here.")
    lines += ["What moved:", *(f"- {words}" for words in moved)] if moved else ["No strand has clearly moved."]
    if tasks:
        lines += ["What the family wants:", *(f"- {task}: {words}." for task, words in tasks)]
    if goals:
        lines += ["Goals:", *(f"- {words}: {_scored(score)}." for words, score in goals)]
    lines.append("Agreed with the family: ")
    return "\n".join(lines)


def _scored(score: int | None) -> str:
    if score is None:
        return "not scored"
    against = {-2: "much less than expected", -1: "less than expected", 0: "as expected", 1: "more than expected"}
    return f"{against.get(score, 'much more than expected')} ({score:+d})" if score else against[0]
