"""What today's sets say of the grades still to come, while a run is under way."""

from dataclasses import dataclass
from typing import Any, Literal

from caseload.facts import learned_of
from caseload.models import StrandEstimate
from core.ability import from_plain
from core.offers import by_hand
from core.recording import Learned
from core.running import STEPS, SetResult, step_today
from running.frozen import FrozenBlock
from running.models import Run
from running.queries import WORKING_PARTS, blocks_of, folded, strands_of

AdviceKind = Literal["up", "down"]


@dataclass(frozen=True)
class Advice:
    """One block that would suit better at another grade today. kind: up or down."""

    block: str
    kind: AdviceKind
    grade: tuple[int, ...]
    words: str


def advice(run: Run) -> list[Advice]:
    """Return, for each working block whose strand was practised today, the grade a step nearer to what suits today.

    A sure win stays one: openers, warm-ups and tidying are left as planned. Nothing once the run has ended: the
    estimate holds today's sets then.
    """
    if run.ended_at is not None:
        return []
    strands, done, learned = strands_of(run), folded(run), learned_of(run.child)
    states = dict(
        StrandEstimate.objects.filter(child_id=run.child_id, strand__in=set(strands.values())).values_list(
            "strand", "state"
        )
    )
    result = []
    for block in (b for b in blocks_of(run) if b.block.part in WORKING_PARTS):
        strand = strands[block.id]
        sets = [s.as_taught(learned) for s in done if strands[s.block] == strand]
        if sets and strand in states:
            result += _for_block(run, block, strand, sets, states[strand], learned)
    return result


def _for_block(
    run: Run, block: FrozenBlock, strand: str, sets: list[SetResult], state: dict[str, Any], learned: Learned
) -> list[Advice]:
    ladder = [g.grade for g in block.grades]
    here = _grade_now(block, sets)
    if here not in ladder:
        return []
    at = ladder.index(here)
    rungs = block.rungs(strand, learned)
    name = by_hand(block.block.activity_id, _hand_now(block, sets), run.child.hand)
    step = step_today(from_plain(state), [s.evidence(strand, run.child.hand) for s in sets], run.on, name, rungs, at)
    if not step:
        return []
    words = ", ".join(block.grades[at + step].words)
    result = f"Today suits {STEPS[abs(step)]} {'harder' if step > 0 else 'easier'}: {words}"
    return [Advice(block.id, "up" if step > 0 else "down", ladder[at + step], result)]


def _hand_now(block: FrozenBlock, sets: list[SetResult]) -> str:
    """The hand a block was last done with; nobody's where it was not noted."""
    mine = [s for s in sets if s.block == block.id]
    return mine[-1].hand if mine else ""


def _grade_now(block: FrozenBlock, sets: list[SetResult]) -> tuple[int, ...]:
    """The grade a block was last done at, else the planned one."""
    mine = [s for s in sets if s.block == block.id]
    return mine[-1].grade if mine else block.block.grade
