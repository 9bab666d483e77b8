"""A chosen block, today: what it comes to for this child in this home, or why it can't stand; and the
sums of a row.
"""

from dataclasses import replace
from itertools import pairwise
from math import ceil
from types import MappingProxyType

from core.child import cue_for, for_child
from core.library import Activity, Cue
from core.offers import Offer, Quantity, Variant, checked_variant, grade_words
from core.planner.candidates import QUALITY, Candidate, candidate
from core.planner.model import SET_OUT, STEP
from core.planner.objective import STRAND_STEPS
from core.planner.request import Block, PlannedBlock, Refusal, SessionPlan, SessionRequest, Watched
from core.recording import LEVELS

WATCHED_WITH = MappingProxyType(
    {"one_hand_assists": ("assists_unasked",), "pain": ("asks_pain",), "joint_laxity": ("joint_caves", "asks_pain")}
)
"""Marks that are watched in every block with a precaution; common practice."""
SET_MINUTES = 3  # minutes one set takes, with a breath after it; from memory


def stand(request: SessionRequest, planned: PlannedBlock) -> Block | Refusal:
    """Return a chosen block as it stands today, or why it can't: the one answer for plans, weeks, groups and runs.

    Raises NotThere when its activity or its grade does not exist.
    """
    result = candidate_of(planned, request)
    return result if isinstance(result, Refusal) else as_block(result, planned.minutes, request, planned.locked, "")


def candidate_of(planned: PlannedBlock, request: SessionRequest) -> Candidate | Refusal:
    """Return what a chosen block is for this child in its part; where its minutes are worth nothing there, as a sure
    win.
    """
    activity = checked_variant(planned.variant)
    offer = request.cupboard.offer(planned.variant)
    if offer is None:
        lack = request.cupboard.lack(planned.variant)
        assert lack is not None
        return Refusal(activity.id, activity.name, lack.reason, lack.remedy)
    result = candidate(offer, planned.part, request) or candidate(offer, "opener", request)
    if result is None:
        reason = f"{activity.name} trains nothing this child has an estimate for."
        return Refusal(activity.id, activity.name, reason, "Choose another activity.")
    return replace(result, part=planned.part)


def block_from(c: Candidate, minutes: int, request: SessionRequest, sets: int = 1) -> Block:
    """Return a candidate as a block with this many sets: the session_format of home, group and bag plans."""
    made = as_block(c, minutes, request, False, "")
    return replace(made, sets=sets, quantities=tuple(_for_sets(q, sets) for q in c.offer.quantities))


def as_block(c: Candidate, minutes: int, request: SessionRequest, locked: bool, beat: str) -> Block:
    """Return a candidate as a block. beat -- what it was preferred to, in words."""
    f, offer = c.activity, c.offer
    sets = _sets(offer, minutes)
    return Block(
        c.part,
        offer.variant,
        f.name,
        c.strand,
        c.rung,
        grade_words(offer.variant, request.child),
        minutes,
        sets,
        offer.count,
        f.unit,
        tuple(_for_sets(q, sets) for q in offer.quantities),
        c.expected,
        f.tiring,
        ceil((f.setup_minutes + f.tidy_minutes) * STEP - 1e-9) / STEP,
        minutes * c.quality / QUALITY,
        offer.verdict,
        c.why,
        beat,
        for_child(f.setup, request.child),
        f.posture,
        _cues(f, offer.variant, request),
        _watch(f, request),
        f.tidy,
        locked,
    )


def _sets(offer: Offer, minutes: int) -> int:
    """How many sets fit the minutes, and the consumables."""
    room = [q.have // max(q.wanted, 1) for q in offer.quantities if q.single_use]
    return max(1, min([minutes // SET_MINUTES, *room]))


def _for_sets(q: Quantity, sets: int) -> Quantity:
    return replace(q, wanted=q.wanted * sets) if q.single_use else q


def _cues(f: Activity, variant: Variant, request: SessionRequest) -> tuple[Cue, ...]:
    """Each cue for this child, a step's own before the activity's, in the order of the child's prompt policy: least
    help first, or most.
    """
    own = {
        level: words for a, at in zip(f.axes, variant.grade, strict=True) for level, words in a.steps[at].cues.items()
    }
    words = {c.support: c.words for c in f.cues} | own
    cues = tuple(Cue(level, for_child(words[level], request.child)) for level in LEVELS if level in words)
    return cues if request.child.prompt_policy == "least_first" else cues[::-1]


def _watch(f: Activity, request: SessionRequest) -> tuple[Watched, ...]:
    """Each mark to watch and what to do when it is seen, by this child's policies."""
    on_tool = "tool_grasp" in f.trains or "tool_grasp" in f.demands
    child = request.child
    own = [m for precaution, marks in WATCHED_WITH.items() if precaution in child.precautions for m in marks]
    return tuple(Watched(mark, cue_for(mark, child, on_tool)) for mark in dict.fromkeys((*f.watch, *own)))


def totals(blocks: tuple[Block, ...]) -> SessionPlan:
    """Return the sums of a row of blocks: minutes with setting up, well-spent and tiring minutes."""
    things = {q.stock_id for b in blocks for q in b.quantities}
    minutes = sum(b.minutes + b.setup_minutes for b in blocks) + SET_OUT * len(things)
    by_strand: dict[str, float] = {}
    for b in blocks:
        by_strand[b.strand] = by_strand.get(b.strand, 0.0) + b.well_spent
    return SessionPlan(
        "given",
        blocks,
        minutes=minutes,
        well_spent=sum(map(_counted, by_strand.values())),
        tiring_minutes=sum(b.minutes for b in blocks if b.tiring),
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
