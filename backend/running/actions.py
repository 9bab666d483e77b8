"""Starting a run, keeping what is tapped, folding it into sets."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import Any
from uuid import UUID

from caseload.checks import FieldError
from clinic.actions import Done, acting
from clinic.models import Member
from core import hazards
from core.planner import Block, block_of
from core.scoring import Event, EventError, checked_event
from core.suggestions import table
from planning.models import Plan
from planning.shown import block_out
from planning.workbench import Workbench, variant_of, workbench_of
from running.models import Run, RunEvent, SetRecord
from running.queries import families_of, folded, parts_of, strands_of


@dataclass(frozen=True)
class Refused:
    """An event that was not kept, and why."""

    id: str
    field: str
    reason: str


@acting("run.start")
def start_run(member: Member, plan: Plan, run_id: UUID, on: date) -> Done[Run]:
    """Begin a run, or return the one this tablet began with the same id.

    Every block is checked again against the child and the cupboard as they are today. Raises FieldError
    when one may no longer be done.
    """
    begun = Run.objects.filter(pk=run_id, plan=plan).first()
    if begun is not None:
        return Done(begun, begun, plan.child_id, {"again": True})
    run = Run.objects.create(pk=run_id, plan=plan, child=plan.child, by=member, on=on, blocks=_frozen(plan, on))
    return Done(run, run, plan.child_id, {"plan": str(plan.pk)})


def _frozen(plan: Plan, on: date) -> list[dict[str, Any]]:
    """The plan's blocks in full, as they are run, each with the table of what to say."""
    bench = workbench_of(plan, on)
    frozen = []
    for at, stored in enumerate(plan.blocks.all()):
        block = block_of(bench.request, bench.house, stored.part, variant_of(stored), stored.minutes)
        if block is None:
            lack = bench.house.lack(variant_of(stored))
            reason = lack.reason if lack else "It is no longer on offer."
            raise FieldError(
                f"blocks.{at}",
                stored.family,
                f"Block {at + 1} can't be run today: {reason}",
                "Plan again, or take the block out.",
            )
        shown = block_out(block).model_dump()
        says = [
            {"tries": s.tries, "successes": s.successes, "helped": s.helped, "kind": s.kind, "words": s.words}
            for s in table(block.count)
        ]
        frozen.append(
            {"id": f"b{at}", **shown, "says": says, "grades": _grades(bench, stored), "if_mouthed": if_mouthed(bench, block)}
        )
    if not frozen:
        raise FieldError("blocks", "", "This plan has no blocks.", "Plan again before running it.")
    return frozen


def if_mouthed(bench: Workbench, block: Block) -> list[str]:
    """What of a block is barred once the child is seen to mouth things: each thing with the rule's reason.

    Worked out before the run begins, so that a tablet without a network can stop the block at once.
    """
    child = replace(bench.house.child, mouthing="sometimes")
    things = {s.id: s.thing for s in bench.house.stock}
    found = []
    for q in block.quantities:
        verdict = hazards.assess(things[q.stock_id], child, bench.house.setting)
        if verdict.status == "barred":
            found.append(f"{q.name}: {verdict.hits[0].reason} {verdict.hits[0].remedy}")
    return found


def _grades(bench, stored) -> list[dict[str, Any]]:  # type: ignore[no-untyped-def]
    """The ladder of one-step changes a tablet may make while offline: easiest to hardest through this grade."""
    from core.grading import grade_words, neighbours

    here = variant_of(stored)
    down, up, at = [], [], here
    while (found := neighbours(at, bench.house)[0]) and len(down) < 4:
        down.append((found.variant, found.words))
        at = found.variant
    at = here
    while (found := neighbours(at, bench.house)[1]) and len(up) < 4:
        up.append((found.variant, found.words))
        at = found.variant
    ladder = [*reversed(down), (here, ""), *up]
    return [{"grade": list(v.grade), "words": list(grade_words(v)), "change": words, "here": v == here} for v, words in ladder]


@acting("run.tap")
def keep_events(member: Member, run: Run, events: Sequence[Event]) -> Done[list[Refused]]:
    """Keep what was tapped, each event once however often it comes. Hands back those that were refused."""
    if Run.objects.filter(pk=run.pk, frozen=True).exists():
        raise FieldError(
            "run", str(run.pk), "The note of this run is signed; nothing more is counted.", "Add an amendment to the note."
        )
    blocks, good, refused = families_of(run), [], []
    for event in events:
        try:
            good.append(checked_event(event, blocks))
        except EventError as no:
            refused.append(Refused(event.id, no.field, str(no)))
    rows = [RunEvent(pk=e.id, run=run, block=e.block, kind=e.kind, at=e.at, value=dict(e.value)) for e in good]
    RunEvent.objects.bulk_create(rows, ignore_conflicts=True)
    return Done(refused, run, run.child_id, {"sent": len(events), "refused": len(refused)})


def fold_run(run: Run) -> list[SetRecord]:
    """Fold the run's log into its sets, in place of any folded before; part of the action that ends a run."""
    run.sets.all().delete()
    strands, parts = strands_of(run), parts_of(run)
    return SetRecord.objects.bulk_create(
        SetRecord(run=run, child_id=run.child_id, on=run.on, block=s.block, part=parts[s.block], family=s.family, grade=list(s.grade),
                  strand=strands[s.block], difficulty=s.difficulty[strands[s.block]], support=s.support, hand=s.hand,
                  tries=s.tries, successes=s.successes, drops=s.drops, seconds=s.seconds, best_hold_seconds=s.best_hold_seconds,
                  marks=dict(s.marks), first_two_missed=s.first_two_missed, longest_row=s.longest_row)
        for s in folded(run)
    )  # fmt: skip
