"""Which wish of the family a session serves, which one waits and until when, and which can't be practised here, why."""

from collections.abc import Iterator, Sequence

from core.library import is_the_task
from core.planner.candidates import Candidate, doable_wishes
from core.planner.reasons.left_out import why_left_out
from core.planner.request import SessionRequest
from core.planner.solver import Option
from core.skills import STRANDS, find_task

NEAREST = ("too_hard", "barred", "short", "missing", "hand", "too_easy", "excluded", "not_chosen")
"""Of several activities that are a wish itself, and of which none can be done: which reason is told first."""


def wish_notes(pool: Sequence[Candidate], row: Sequence[Option[Candidate]], request: SessionRequest) -> Iterator[str]:
    """What to say of each wish, in the family's order; nothing of a session without any."""
    served = {o.of.task for o in row if o.of.task}
    doable = doable_wishes(pool, request)
    here = [find_task(t).name for t in request.tasks if t in served]
    later = [find_task(t).name for t in request.tasks if t in doable and t not in served]
    if later:
        today = f"Today {_and(here)}; " if here else ""
        yield f"{today}{_and(later)} next session."
    for task in request.tasks:
        if task not in served and task not in doable:
            why = _why_not(task, request) + _meanwhile(task, row)
            yield f"“{find_task(task).name}” can't be practised here today: {why}"


def _why_not(task: str, request: SessionRequest) -> str:
    """The reason that is nearest to being mended, with what would help."""
    wanted = find_task(task)
    reasons = [
        why_left_out(activity, strand, request)
        for activity in request.activities.values()
        for strand in activity.trains
        if strand in request.estimates and is_the_task(activity, strand, wanted)
    ]
    if not reasons:
        return "no activity is the task itself; bring its own things and teach it by its steps."
    best = min(reasons, key=lambda why: NEAREST.index(why.kind))
    return f"{best.reason} {best.remedy}"


def _meanwhile(task: str, row: Sequence[Option[Candidate]]) -> str:
    """What the session does for it, where it does anything."""
    needed = find_task(task).demands
    helps = next((o for o in row if o.of.strand in needed and o.part in ("main", "stretch", "daily")), None)
    return f" Meanwhile {helps.activity.name}, for {STRANDS[helps.of.strand].name.lower()}." if helps else ""


def _and(names: Sequence[str]) -> str:
    quoted = [f"“{name}”" for name in names]
    return " and ".join((", ".join(quoted[:-1]), quoted[-1])) if len(quoted) > 1 else quoted[0]
