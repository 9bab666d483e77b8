"""A chosen block, today: what it comes to for this child in this home, or why it can't stand; and the
sums of a row.
"""

from dataclasses import replace
from itertools import pairwise

from core.ability import WORTH_NAMING, chain, most_helped, proven_steps
from core.child import cue_for, for_child, overlay_for
from core.library import KITS, Activity, Cue, practises
from core.offers import Quantity, Variant, grade_words, posture_of, told
from core.planner.candidates import Candidate, candidate_of
from core.planner.request import BOXES, Block, ChainStep, PlannedBlock, Refusal, SessionPlan, SessionRequest, Watched
from core.planner.solver import SET_OUT, STEP, STRAND_STEPS, WORTH_A_MINUTE, own_steps
from core.recording import LEVELS
from core.skills import STRANDS, find_task

ON_THE_FEET = "On the feet, between work at the table"
SURE_START = "A sure win to start with, not practice for a wish"


def stand(request: SessionRequest, planned: PlannedBlock, place: int = 0) -> Block | Refusal:
    """Return a chosen block as it stands today, or why it can't: the one answer for plans, weeks, groups and runs.

    place -- its place in the session
    Raises NotThere when its activity or its grade does not exist.
    """
    result = candidate_of(planned, request)
    if isinstance(result, Refusal):
        return result
    return replace(as_block(result, planned.sets, request, place), locked=planned.locked)


def as_block(c: Candidate, sets: int, request: SessionRequest, place: int = 0, beat: str = "") -> Block:
    """Return a candidate as a block of so many sets. beat -- what it was preferred to, in words."""
    activity, offer, dose = c.activity, c.offer, c.dose
    task, serves = served(c, request)
    return Block(
        part=c.part,
        variant=offer.variant,
        name=activity.name,
        strand=c.strand,
        rung=c.rung,
        grade_words=grade_words(offer.variant, request.child),
        minutes=dose.steps(sets) / STEP,
        sets=sets,
        count=offer.count,
        unit=activity.unit.of(offer.count),
        seconds_a_try=dose.seconds,
        rest_seconds=dose.rest,
        work_minutes=dose.work_tenths(sets) / 10,
        quantities=tuple(_for_sets(q, sets) for q in offer.quantities),
        expected=c.expected,
        tiring=activity.tiring,
        setup_minutes=own_steps(activity) / STEP,
        well_spent=c.worth(sets) / WORTH_A_MINUTE,
        verdict=offer.verdict,
        why=c.why,
        beat=beat,
        setup=for_child(activity.setup, request.child),
        posture=posture_of(activity, offer.variant.grade),
        cues=_cues(activity, offer.variant, request),
        watch=_watch(activity, request),
        tidy=activity.tidy,
        task=task,
        serves=serves,
        chain=_chain(c, request),
        stage=_stage(c, request),
        overlay=overlay_for(request.child.overlays, place),
        told=told(offer.variant, request.child),
    )


def served(c: Candidate, request: SessionRequest) -> tuple[str, str]:
    """The wanted task a candidate is, or the one it helps most where that is short; and what it is for there, in words:
    by its strand, and by what the hands do in it.
    """
    if c.itself:
        return c.task, f"“{find_task(c.task).name}” itself"
    if c.task and c.part == "daily":
        return c.task, f"Practises {STRANDS[c.strand].name.lower()} for “{find_task(c.task).name}”"
    if c.nearest:
        return c.nearest, f"Nearest to “{find_task(c.nearest).name}”, which can't be practised here"
    if c.part == "opener":
        return "", SURE_START
    wanted = (t for t in map(find_task, request.tasks) if t.strand == c.strand)
    task = next((t for t in wanted if practises(c.activity, c.strand, t)), None)
    if task:
        return task.id, f"{STRANDS[c.strand].name}, towards “{task.name}”"
    helped = most_helped(c.strand, c.activity.jobs.get(c.strand, ""), request.tasks, request.estimates)
    if helped is None or helped.rungs <= WORTH_NAMING:
        if helped is not None and c.part in request.format.target_parts:
            return "", f"{STRANDS[c.strand].name}, which “{find_task(helped.task).name}” needs too"
        return "", ON_THE_FEET if c.activity.moves and c.part == "main" else ""
    because = f"because “{find_task(helped.task).name}” needs more of it to {helped.step}"
    return helped.task, f"{STRANDS[c.strand].name}, {because}"


def _chain(c: Candidate, request: SessionRequest) -> tuple[ChainStep, ...]:
    if not c.itself:
        return ()
    proven = proven_steps(c.task, request.estimates)
    steps = chain(c.task, request.steps_alone.get(c.task, 0), request.child.chaining_policy, proven, c.steps)
    return tuple(ChainStep(words, who) for words, who in steps)


def _stage(c: Candidate, request: SessionRequest) -> str:
    """What a block is in the kit that is played, or in the box it makes."""
    if request.format.makes_boxes and c.activity.id in BOXES:
        return BOXES[c.activity.id].words_for(c.activity.id)
    return KITS[request.kit].words_for(c.activity.id) if request.kit in KITS else ""


def _for_sets(q: Quantity, sets: int) -> Quantity:
    return replace(q, wanted=q.wanted * sets) if q.single_use else q


def _cues(activity: Activity, variant: Variant, request: SessionRequest) -> tuple[Cue, ...]:
    """Each cue for this child, the family's own words before a step's and those before the activity's, in the order of
    the child's prompt policy: least help first, or most.
    """
    own = {
        level: words
        for a, at in zip(activity.axes, variant.grade, strict=True)
        for level, words in a.steps[at].cues.items()
    }
    words = {c.support: c.words for c in activity.cues} | own
    said = request.child.own_cue(activity.line)
    if said:
        words["spoken"] = f"“{said}”"
    cues = tuple(Cue(level, for_child(words[level], request.child)) for level in LEVELS if level in words)
    return cues if request.child.prompt_policy == "least_first" else cues[::-1]


def _watch(activity: Activity, request: SessionRequest) -> tuple[Watched, ...]:
    """Each mark to watch and what to do when it is seen, by this child's policies."""
    on_tool = "tool_grasp" in activity.trains or "tool_grasp" in activity.demands
    child = request.child
    marks = dict.fromkeys((*activity.watch, *child.watched_always))
    return tuple(Watched(mark, cue_for(mark, child, on_tool)) for mark in marks)


def totals(blocks: tuple[Block, ...]) -> SessionPlan:
    """Return the sums of a row of blocks: minutes with setting up, well-spent, working and tiring minutes."""
    things = {q.stock_id for b in blocks for q in b.quantities}
    by_strand: dict[str, float] = {}
    for b in blocks:
        if b.part != "tidy":
            by_strand[b.strand] = by_strand.get(b.strand, 0.0) + b.well_spent
    return SessionPlan(
        "given",
        blocks,
        minutes=sum(b.minutes + b.setup_minutes for b in blocks) + SET_OUT * len(things),
        well_spent=sum(map(_counted, by_strand.values())),
        tiring_minutes=sum(b.minutes for b in blocks if b.tiring),
        work_minutes=sum(b.work_minutes for b in blocks),
        notes=_order_notes(blocks),
    )


def _counted(minutes: float) -> float:
    """Minutes of one strand after each further one counts less."""
    total = 0.0
    for wide, share in STRAND_STEPS:
        total += min(minutes, wide) * share
        minutes = max(0.0, minutes - wide)
    return total


def _order_notes(blocks: tuple[Block, ...]) -> tuple[str, ...]:
    return tuple(
        f"Two tiring blocks together: {a.name}, then {b.name}. Put something light between them."
        for a, b in pairwise(blocks)
        if a.tiring and b.tiring
    )
