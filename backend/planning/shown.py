"""From the core's dataclasses to the API's schemas."""

from dataclasses import asdict, fields
from typing import Any

from core.library import ACTIVITIES
from core.offers import Neighbour, Variant, checked_variant, dials, equals, neighbours
from core.planner import Block, block_of
from core.recording import MARKS, SUPPORTS
from core.skills import STRANDS
from cupboard.api import verdict_out
from planning.models import PlanBlock
from planning.schemas import (
    AlternativeOut,
    BlockIn,
    BlockOut,
    CueOut,
    DialOut,
    ForecastOut,
    MarkOut,
    NeighbourOut,
    QuantityOut,
    ReasonOut,
)
from planning.workbench import Workbench


def fields_of(value: Any) -> dict[str, Any]:
    """A dataclass as a dictionary, what is inside it too."""
    return asdict(value)


def block_out(block: Block) -> BlockOut:
    """A block as the API shows it."""
    same = {f.name: getattr(block, f.name) for f in fields(block) if f.name in BlockOut.model_fields and f.name not in _MADE}
    strand = STRANDS[block.strand]
    return BlockOut(
        **same, expected_words=block.expected_words, say=block.say, do_first=block.do_first, activity_id=block.variant.activity_id, grade=list(block.variant.grade), grade_words=list(block.grade_words),
        strand_name=strand.name, target=strand.target, verdict=verdict_out(block.verdict),
        quantities=[QuantityOut(**{k: getattr(q, k) for k in QuantityOut.model_fields if k != "name"}, name=q.named) for q in block.quantities],
        why=[ReasonOut(term=r.term, factor=r.factor, words=r.words) for r in block.why],
        cues=[CueOut(support=s, support_words=SUPPORTS[s].words, words=w) for s, w in block.cues],
        watch=[MarkOut(id=m, words=MARKS[m].words, may_mean=MARKS[m].may_mean, cue=cue) for m, cue in block.watch],
    )  # fmt: skip


_MADE = {"verdict", "quantities", "why", "cues", "watch", "grade_words"}


def gone_out(stored: PlanBlock, problem: str) -> BlockOut:
    """A stored block that can no longer stand: its name, and why."""
    activity, strand = ACTIVITIES[stored.activity_id], STRANDS[stored.strand]
    return BlockOut(
        part=stored.part, activity_id=stored.activity_id, name=activity.name, grade=stored.grade, grade_words=[], strand=stored.strand,
        strand_name=strand.name, target=strand.target, rung=0, minutes=stored.minutes, sets=0, count=0, unit=activity.unit,
        quantities=[], expected=0, tiring=activity.tiring, setup_minutes=0, well_spent=0,
        verdict={"status": "barred", "hits": []}, why=[], beat="", setup="", posture="", cues=[], watch=[], tidy="",
        locked=stored.locked, problem=problem,
    )  # fmt: skip


def forecast_out(bench: Workbench, body: BlockIn) -> ForecastOut:
    """What a grade would be for one child and one house: the block, its dials, neighbours and equals."""
    variant = Variant(body.activity_id, tuple(body.grade))
    checked_variant(variant)
    block = block_of(bench.request, bench.cupboard, body.part, variant, body.minutes, body.locked)
    lack = bench.cupboard.lack(variant)
    easier, harder = neighbours(variant, bench.cupboard)
    return ForecastOut(
        block=block_out(block) if block else None,
        why_not=lack.reason if lack else "", remedy=lack.remedy if lack else "",
        dials=[DialOut(**fields_of(d)) for d in dials(variant, bench.cupboard)],
        easier=_neighbour(easier), harder=_neighbour(harder), equals=_alternatives(bench, body, variant),
    )  # fmt: skip


def _neighbour(found: Neighbour | None) -> NeighbourOut | None:
    return NeighbourOut(grade=list(found.variant.grade), words=found.words, rungs=found.rungs) if found else None


def _alternatives(bench: Workbench, body: BlockIn, variant: Variant) -> list[AlternativeOut]:
    found = []
    for offer in equals(variant, bench.cupboard, within=0.6):
        block = block_of(bench.request, bench.cupboard, body.part, offer.variant, body.minutes)
        if block:
            found.append(AlternativeOut(activity_id=offer.variant.activity_id, name=block.name, grade=list(offer.variant.grade),
                                        grade_words=list(block.grade_words), expected=block.expected))  # fmt: skip
    return found
