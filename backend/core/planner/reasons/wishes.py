"""Which wish of the family a session serves, which one waits, and which can't be practised here and why."""

from collections.abc import Iterator, Sequence

from core.library import practises
from core.planner.candidates import DOABLE, Candidate, doable_wishes
from core.planner.reasons.left_out import NEAREST_TO_MENDING, why_left_out
from core.planner.request import SessionRequest
from core.planner.solver import Option
from core.skills import STRANDS, WantedTask, find_task


def wish_notes(pool: Sequence[Candidate], row: Sequence[Option[Candidate]], request: SessionRequest) -> Iterator[str]:
    """What to say of the wishes, in the family's order: where not all are served, which are today and which next
    session; and each that can't be practised here, with why, what would help and what is done meanwhile.
    """
    served = {o.of.task for o in row if o.of.task}
    doable = doable_wishes(pool, request)
    here = ", ".join(f"“{find_task(t).name}”" for t in request.tasks if t in served)
    later = ", ".join(f"“{find_task(t).name}”" for t in request.tasks if t in doable and t not in served)
    if later:
        yield f"Wishes today: {here or 'none'}; next session: {later}."
    for o in row:
        if o.of.task and o.of.expected < DOABLE:
            yield (
                f"“{find_task(o.of.task).name}”: about {10 * o.of.expected:.0f} of 10 tries come off without help. "
                "Help from behind with your hands on the child's, and let go for the last part."
            )
    for task in request.tasks:
        if task not in served and task not in doable:
            yield (
                f"“{find_task(task).name}” can't be practised here today: {_why_not(task, pool, request)}"
                + _meanwhile(task, row, request)
            )


def _why_not(task: str, pool: Sequence[Candidate], request: SessionRequest) -> str:
    """The reason that is most easily put right, with what would help."""
    hardest = max((c.expected for c in pool if c.task == task), default=None)
    if hardest is not None:
        return f"its easiest grade here would come off in about {10 * hardest:.0f} of 10 tries."
    wanted = find_task(task)
    reasons = [
        why_left_out(activity, strand, request)
        for activity in request.activities.values()
        for strand in activity.trains
        if strand in request.estimates and practises(activity, strand, wanted)
    ]
    if not reasons:
        return "no activity practises it yet; bring its own things and teach it by its steps."
    best = min(reasons, key=lambda why: NEAREST_TO_MENDING.index(why.kind))
    if best.kind == "not_chosen":
        return "there is no room for it in this session."
    return f"{best.reason} {best.remedy}"


def _meanwhile(task: str, row: Sequence[Option[Candidate]], request: SessionRequest) -> str:
    """What the session's main work does for it, on its ladder or in the same job of the hands; else nothing."""
    wanted, main = find_task(task), request.format.target_parts
    near = (o for o in row if o.of.nearest == task)
    helps = next(near, None) or next((o for o in row if o.part in main and _helps(o, wanted)), None)
    return f" Meanwhile {helps.activity.name}, for {STRANDS[helps.of.strand].name.lower()}." if helps else ""


def _helps(o: Option[Candidate], wanted: WantedTask) -> bool:
    strand = o.of.strand
    return strand == wanted.strand or wanted.helped_by(strand, o.activity.jobs.get(strand, "")) is not None
