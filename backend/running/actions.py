"""Starting a run, keeping what is tapped, folding it into sets."""

from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import date
from typing import Any
from uuid import UUID

from django.db import IntegrityError, transaction
from procrastinate.contrib.django import app
from procrastinate.exceptions import AlreadyEnqueued

from caseload.checks import FieldError
from caseload.facts import facts_of
from caseload.models import Child
from clinic.actions import Done, acting
from clinic.models import Member
from core import safety
from core.library import find_activity
from core.offers import Variant, by_hand, grade_words, neighbours
from core.planner import Block, Refusal
from core.progress import measures, next_hand
from core.recording import MEASURED, read_off
from core.running import REST, Event, EventError, Ladder, read_event, table
from planning.models import Plan
from planning.workbench import Workbench, choices_of, workbench_of
from running.frozen import FrozenBlock, FrozenGrade, FrozenMeasure
from running.models import Run, RunEvent, SetRecord
from running.queries import WORKING_PARTS, activities_of, folded, parts_of, sets_by_strand, strands_of
from running.stored import StoredBlock, StoredRest, StoredSuggestion

LADDER_STEPS = 4  # one-step changes each way that a tablet may make while offline


@dataclass(frozen=True)
class Refused:
    """An event that was not kept, and why."""

    id: str
    field: str
    reason: str


@dataclass(frozen=True)
class Kept:
    """What became of a batch of taps: those refused, and the ids of those kept apart because the note is signed."""

    refused: list[Refused]
    apart: list[UUID]


@acting("run.start")
def start_run(member: Member, plan: Plan, run_id: UUID, on: date) -> Done[Run]:
    """Begin a run, or return the one that is begun: by this tablet with the same id, or by another one today.

    Every block is checked again against the child and the cupboard as they are today. Raises FieldError
    when one may no longer be done.
    """
    Plan.objects.select_for_update().get(pk=plan.pk)  # of two tablets at once, the second joins the first
    begun = Run.objects.filter(pk=run_id, plan=plan).first()
    if begun is not None:
        return Done(begun, begun, plan.child_id, {"again": True})
    blocks = [b.plain() for b in frozen_blocks(plan, on)]
    under_way = Run.objects.filter(plan=plan, on=on, ended_at__isnull=True).first()
    if under_way is not None:
        return Done(under_way, under_way, plan.child_id, {"joined": True})
    try:
        with transaction.atomic():
            run = Run.objects.create(pk=run_id, plan=plan, child=plan.child, by=member, on=on, blocks=blocks)
    except IntegrityError:  # the same tablet asked twice at once, or another run has this id
        found = Run.objects.filter(pk=run_id, plan=plan).first()
        if found is None:
            reason = "Another run has this id."
            raise FieldError("id", str(run_id), reason, "Open the plan again, and start from there.") from None
        return Done(found, found, plan.child_id, {"again": True})
    return Done(run, run, plan.child_id, {"plan": str(plan.pk)})


def frozen_blocks(plan: Plan, on: date, bench: Workbench | None = None) -> list[FrozenBlock]:
    """The plan's blocks in full, as they are run, each with the table of what to say.

    bench -- where it is not the plan's own: a cupboard shared with other children
    """
    at_hand, choices = bench or workbench_of(plan, on), choices_of(plan)
    if not choices:
        raise FieldError("blocks", "", "This plan has no blocks.", "Plan again before running it.")
    result, blocks = at_hand.stand_all(choices)
    for at, refusal in enumerate(result):
        if isinstance(refusal, Refusal):
            reason = f"Block {at + 1} can't be run today: {refusal.reason}"
            raise FieldError(f"blocks.{at}", refusal.activity_id, reason, "Plan again, or take the block out.")
    before = Before(plan.child, on)
    return [frozen(at_hand, block, at, before) for at, block in enumerate(blocks)]


class Before:
    """What a child did before, as far as a new run asks: whose hand's turn it is, and the own record. Two queries at
    most.
    """

    def __init__(self, child: Child, on: date) -> None:
        self.facts, self.on = facts_of(child, on), on
        self.working = sets_by_strand(child, working=True)
        self.every = sets_by_strand(child) if child.speed_policy != "off" else {}

    def hand(self, block: Block) -> str:
        """The hand to begin with: by the same sets the next step is decided by."""
        turn = self.facts.turn_hand
        if turn == "not_settled":
            return self.facts.skill_hand
        return next_hand(self.working.get(block.strand, ()), block.strand, turn, self.on, block.variant)

    def record(self, block: Block) -> float | None:
        """The own best pace at an activity, in items a minute, where speed is played with and there is one."""
        mine = measures([s for s in self.every.get(block.strand, ()) if s.activity_id == block.variant.activity_id])
        return max((v for s in mine if s.id == "pace" for _, v in s.points), default=None)


def frozen(bench: Workbench, block: Block, at: int, before: Before) -> FrozenBlock:
    """A block as it is run: what to say, the grades around it, whose hand's turn it is."""
    hand = before.hand(block)
    result = FrozenBlock(
        id=f"b{at}",
        block=StoredBlock.model_validate(block),
        says=(),
        grades=_grades(bench, block),
        if_mouthed=tuple(if_mouthed(bench, block)),
        rest=StoredRest.model_validate(REST),
        measures=_measures(bench, block),
        hand=hand,
        record=before.record(block),
    )
    says = table(block.count, _ladder(bench, result, before))
    return result.model_copy(update={"says": tuple(StoredSuggestion.model_validate(s) for s in says)})


def _ladder(bench: Workbench, block: FrozenBlock, before: Before) -> Ladder | None:
    """The grades of a working block with what is believed of the child; None for a sure win at the start or tidying."""
    strand = block.block.strand
    estimate = bench.request.estimates.get(strand)
    if estimate is None or block.block.part not in WORKING_PARTS:
        return None
    name = by_hand(block.block.activity_id, block.hand, before.facts.turn_hand)
    return Ladder(estimate, before.on, name, block.rungs(strand, bench.request.child.learned))


def _measures(bench: Workbench, block: Block) -> tuple[FrozenMeasure, ...]:
    """What this activity has read off by hand; for resistance the force of the thing in use comes ready."""
    things = {s.id: s.thing for s in bench.cupboard.stock}
    forces = [f for q in block.quantities if (f := things[q.stock_id].force_newton)]
    asked = read_off((*find_activity(block.activity_id).measures, *bench.cupboard.child.read_always), block.strand)
    steps = len(block.chain)
    if steps:
        asked = (MEASURED["steps_alone"], *(m for m in asked if m.id != "steps_alone"))
    return tuple(
        FrozenMeasure(
            id=m.id,
            name=m.name,
            unit=m.unit,
            lowest=m.lowest,
            highest=steps if steps and m.id == "steps_alone" else m.highest,
            step=m.step,
            usual=max(forces) if m.id == "newton" and forces else None,
            choices=m.choices,
        )
        for m in asked
    )


def if_mouthed(bench: Workbench, block: Block) -> list[str]:
    """What of a block is barred once the child is seen to mouth things: each thing with the rule's reason.

    Worked out before the run begins, so that a tablet without a network can stop the block at once.
    """
    child = replace(bench.cupboard.child, mouthing="sometimes")
    things = {s.id: s.thing for s in bench.cupboard.stock}
    result = []
    for q in block.quantities:
        verdict = safety.assess(things[q.stock_id], child, bench.cupboard.setting)
        if verdict.status == "barred":
            result.append(f"{q.name}: {verdict.hits[0].reason} {verdict.hits[0].remedy}")
    return result


def _grades(bench: Workbench, block: Block) -> tuple[FrozenGrade, ...]:
    """The ladder of one-step changes a tablet may make while offline: easiest to hardest through this grade."""
    here = block.variant
    easier, harder = (_one_way(bench, here, block.strand, way) for way in (0, 1))
    ladder = [*reversed(easier), (here, ""), *harder]
    child = bench.cupboard.child
    return tuple(
        FrozenGrade(
            grade=v.grade, words=grade_words(v, child), change=change, here=v == here, rungs=_by_force(bench, v)
        )
        for v, change in ladder
    )


def _by_force(bench: Workbench, variant: Variant) -> dict[str, float]:
    """The rungs of a grade that the force of the very thing in use decides, by strand."""
    offer = bench.cupboard.offer(variant)
    return {strand: offer.rungs[strand] for strand in offer.forces} if offer else {}


def _one_way(bench: Workbench, here: Variant, strand: str, way: int) -> list[tuple[Variant, str]]:
    """The nearest grades one way, each with what to change to get there. way -- 0 easier, 1 harder"""
    result: list[tuple[Variant, str]] = []
    at = here
    while (step := neighbours(at, bench.cupboard, strand)[way]) and len(result) < LADDER_STEPS:
        result.append((step.variant, step.tell))
        at = step.variant
    return result


@acting("run.tap")
def keep_events(member: Member, run: Run, events: Sequence[Mapping[str, Any]]) -> Done[Kept]:
    """Keep what was tapped, each event once however often it comes.

    What comes to a run that has ended is counted in the background; to one whose note is signed, it is kept apart and
    changes nothing.
    """
    now = Run.objects.select_for_update().only("frozen", "ended_at").get(pk=run.pk)
    blocks = activities_of(run)
    good: list[Event] = []
    refused = []
    for plain in events:
        try:
            good.append(read_event({**plain, "id": str(plain["id"])}, blocks))
        except EventError as error:
            refused.append(Refused(str(plain["id"]), error.field, str(error)))
    owners = dict(RunEvent.objects.filter(pk__in=[e.id for e in good]).values_list("pk", "run_id"))
    taken = {pk for pk, owner in owners.items() if owner != run.pk}
    refused += [Refused(str(pk), "id", "another run has a tap of this id. Reload the run.") for pk in taken]
    fresh = [e for e in good if UUID(e.id) not in owners]
    RunEvent.objects.bulk_create(
        [
            RunEvent(
                pk=e.id,
                run=run,
                block=e.block,
                kind=e.kind,
                at=e.at,
                value=e.value.model_dump(mode="json"),
                after_signing=now.frozen,
            )
            for e in fresh
        ],
        ignore_conflicts=True,
    )
    if fresh and now.ended_at is not None and not now.frozen:
        transaction.on_commit(lambda: _count_soon(run.pk))
    apart = [UUID(e.id) for e in fresh] if now.frozen else []
    detail = {"sent": len(events), "refused": len(refused)} | ({"after_signing": len(apart)} if apart else {})
    return Done(Kept(refused, apart), run, run.child_id, detail)


def _count_soon(run_id: UUID) -> None:
    """Have late taps counted; one job waiting is enough for all of them."""
    with suppress(AlreadyEnqueued):
        app.configure_task("count_late_taps", queueing_lock=f"late taps of {run_id}").defer(run_id=str(run_id))


def fold_run(run: Run) -> list[SetRecord]:
    """Fold the run's log into its sets, in place of any folded before; part of the action that ends a run."""
    run.sets.all().delete()
    run.counted_taps = run.events.filter(after_signing=False).count()
    strands, parts = strands_of(run), parts_of(run)
    return SetRecord.objects.bulk_create(
        SetRecord(
            run=run,
            child_id=run.child_id,
            on=run.on,
            block=s.block,
            part=parts[s.block],
            activity_id=s.activity_id,
            grade=list(s.grade),
            strand=strands[s.block],
            difficulty=s.difficulty[strands[s.block]],
            support=s.support,
            hand=s.hand,
            tries=s.tries,
            successes=s.successes,
            drops=s.drops,
            seconds=s.seconds,
            gap_seconds=s.gap_seconds,
            best_hold_seconds=s.best_hold_seconds,
            hold_seconds=s.hold_seconds,
            measures=dict(s.measures),
            marks=dict(s.marks),
            longest_row=s.longest_row,
            help_first=s.help_first,
            asked=dict(s.asked),
        )
        for s in folded(run)
    )
