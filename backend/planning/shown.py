"""What the API shows of a block, and of a grade that is only asked about."""

from core.drawing import draw_mark
from core.library import find_activity, line_of
from core.offers import Variant, dials, difficulty, equals, neighbours, told
from core.planner import Block, PlannedBlock, Refusal
from core.skills import STRANDS
from cupboard.schemas import VerdictOut
from planning.models import PlanBlock
from planning.schemas import (
    AlternativeOut,
    AskedRungOut,
    BlockOut,
    DialOut,
    ForecastOut,
    NeighbourOut,
    ToldOut,
)
from planning.workbench import Workbench

NEAR_RUNGS = 0.6  # rungs within which another activity is shown as equally hard; project definition


def gone_out(row: PlanBlock, refusal: Refusal) -> BlockOut:
    """A stored block that can no longer stand: its name, and why."""
    activity, strand = find_activity(row.activity_id), STRANDS[row.strand]
    return BlockOut(
        part=row.part,
        activity_id=row.activity_id,
        name=activity.name,
        grade=row.grade,
        grade_words=[],
        strand=row.strand,
        strand_name=strand.name,
        target=strand.target,
        rung=0,
        minutes=0,
        sets=row.sets,
        count=0,
        tries=0,
        seconds_a_try=0,
        rest_seconds=0,
        work_minutes=0,
        unit=activity.unit.many,
        quantities=[],
        expected=0,
        expected_words="",
        tiring=activity.tiring,
        setup_minutes=0,
        well_spent=0,
        verdict=VerdictOut(status="barred", hits=[]),
        why=[],
        beat="",
        setup="",
        posture="",
        say="",
        do_first="",
        cues=[],
        watch=[],
        tidy="",
        task="",
        serves="",
        chain=[],
        overlay="",
        stage="",
        told=ToldOut(),
        locked=row.locked,
        problem=f"{refusal.reason} {refusal.remedy}",
    )


def forecast_out(bench: Workbench, planned: PlannedBlock) -> ForecastOut:
    """What a grade would be for one child and one home: the block, its dials, neighbours and equals."""
    result = bench.stand(planned)
    aim = result.strand if isinstance(result, Block) else ""
    easier, harder = neighbours(planned.variant, bench.cupboard, aim)
    refusal = result if isinstance(result, Refusal) else None
    return ForecastOut(
        block=BlockOut.model_validate(result) if isinstance(result, Block) else None,
        name=find_activity(planned.variant.activity_id).name,
        told=ToldOut.model_validate(told(planned.variant, bench.request.child)),
        why_not=refusal.reason if refusal else "",
        remedy=refusal.remedy if refusal else "",
        dials=[DialOut.model_validate(d) for d in dials(planned.variant, bench.cupboard)],
        easier=NeighbourOut.model_validate(easier) if easier else None,
        harder=NeighbourOut.model_validate(harder) if harder else None,
        picture=bench.picture(result if isinstance(result, Block) else planned.variant),
        asks=_asked(planned.variant),
        mark_pictures={m: drawn for m in find_activity(planned.variant.activity_id).watch if (drawn := draw_mark(m))},
        equals=_alternatives(bench, planned),
        family_cue=bench.request.child.own_cue(line_of(planned.variant.activity_id)),
    )


def _asked(variant: Variant) -> list[AskedRungOut]:
    """The rungs a grade asks: what it trains first, then what it requires."""
    trains = find_activity(variant.activity_id).trains
    asked = [
        AskedRungOut(strand_name=STRANDS[s].name, target=STRANDS[s].target, rung=rung, trained=s in trains)
        for s, rung in difficulty(variant).items()
    ]
    return sorted(asked, key=lambda a: not a.trained)


def _alternatives(bench: Workbench, planned: PlannedBlock) -> list[AlternativeOut]:
    offers = equals(planned.variant, bench.cupboard, within=NEAR_RUNGS)
    result = (bench.stand(PlannedBlock(planned.part, o.variant, planned.sets)) for o in offers)
    return [AlternativeOut.model_validate(b) for b in result if isinstance(b, Block)]
