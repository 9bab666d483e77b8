"""A first look at the table: a run whose sets are chosen one after the other, each by what it would tell."""

from dataclasses import dataclass, replace
from datetime import date
from uuid import UUID

from django.utils import timezone

from caseload.checks import FieldError
from caseload.facts import estimates_of, learned_of
from caseload.models import Child, Home
from clinic.actions import Done, acting
from clinic.models import Member
from core.ability import SetEvidence, suggested_aims
from core.child import Supervision
from core.first_look import LOOK_MINUTES, Ended, Probe, next_probe
from core.planner import LOOK, Block, PlannedBlock, Reason, Refusal
from core.running import without_undone
from planning.models import Plan, PlanBlock
from planning.workbench import Wish, Workbench, stock_stamp, workbench
from running.actions import Before, frozen
from running.models import Run
from running.queries import blocks_of, events_of, folded


@dataclass(frozen=True)
class LookStep:
    """Where a look stands: why it is over, or nothing where there is one more set to play."""

    run: Run
    ended: str


@acting("run.start")
def start_look(member: Member, child: Child, home: Home, supervision: Supervision, run_id: UUID, on: date) -> Done[Run]:
    """Begin a first look, or return the one this tablet began with the same id. Raises FieldError where this home has
    nothing to begin with.
    """
    begun = Run.objects.filter(pk=run_id, child=child).first()
    if begun is not None:
        return Done(begun, begun, child.pk, {"again": True})
    if child.care != "open":
        raise FieldError("child", child.pk, f"{child.first_name}'s care has ended.", "Bring the child back first.")
    targets = [a.target for a in suggested_aims(child.wanted, estimates_of(child, on))] or ["grasp"]
    plan = Plan(
        child=child,
        home=home,
        made_by=member,
        place=home.kind,
        supervision=supervision,
        minutes=LOOK_MINUTES,
        targets=targets,
        format_id=LOOK,
        status="given",
        child_version=child.version,
        stock_stamp=stock_stamp(home),
        learned=learned_of(child).version,
    )
    bench = _bench(plan, on, ())
    first = next_probe(bench.request, (), on, LOOK_MINUTES)
    if isinstance(first, Ended):
        raise FieldError("home_id", home.pk, first.why, "Say what is in the cupboard, or plan a usual session.")
    plan.save()
    run = Run.objects.create(pk=run_id, plan=plan, child=child, by=member, on=on, blocks=[])
    _add(run, bench, first, on)
    return Done(run, run, child.pk, {"look": str(plan.pk)})


@acting("run.tap")
def next_step(member: Member, run: Run, on: date) -> Done[LookStep]:
    """Choose the next set of a look by how the sets so far went; a block without a try yet is the next one already.

    Raises FieldError for a run that is no look, or is over.
    """
    now = Run.objects.select_for_update(of=("self",)).select_related("plan__home", "child__home").get(pk=run.pk)
    if now.plan.format_id != LOOK or now.ended_at is not None:
        raise FieldError("run", str(run.pk), "This run chooses no more sets.", "Open its results.")
    sets = folded(now)
    played, skipped = {s.block for s in sets}, _skipped(now)
    waiting = [b["id"] for b in now.blocks if b["id"] not in played | skipped]
    if waiting:
        return Done(LookStep(now, ""), now, now.child_id, {"waiting": waiting[0]})
    blocks = blocks_of(now)
    excluded = [b.block.activity_id for b in blocks if b.id in skipped]
    bench = _bench(now.plan, on, excluded)
    done: list[SetEvidence] = [s.evidence(preferred=now.child.hand) for s in sets]
    left = _minutes_left(now, sum(b.block.minutes for b in blocks if b.id in played))
    probe = next_probe(bench.request, done, on, left)
    if isinstance(probe, Ended):
        return Done(LookStep(now, probe.why), now, now.child_id, {"ended": probe.why})
    _add(now, bench, probe, on)
    return Done(LookStep(now, ""), now, now.child_id, {"block": now.blocks[-1]["id"]})


def _bench(plan: Plan, on: date, excluded: list[str] | tuple[str, ...]) -> Workbench:
    wish = Wish(
        plan.minutes, tuple(plan.targets), plan.place, plan.supervision, tuple(excluded), plan.format_id, plan.order
    )
    return workbench(plan.child, plan.home, wish, on)


def _skipped(run: Run) -> set[str]:
    return {e.block for e in without_undone(events_of(run)) if e.kind == "skip"}


def _minutes_left(run: Run, played: float) -> float:
    """What is left of a look's minutes: by the clock, or by what was planned for the sets played, whichever is less."""
    gone = (timezone.now() - run.started_at).total_seconds() / 60
    return run.plan.minutes - max(played, gone)


def _add(run: Run, bench: Workbench, probe: Probe, on: date) -> None:
    """Append a set to the run and to its plan. Part of an action."""
    at = len(run.blocks)
    standing = bench.stand(PlannedBlock("main", probe.offer.variant, 1))
    if isinstance(standing, Refusal):
        raise FieldError("run", str(run.pk), standing.reason, standing.remedy)
    block = _as_asked(standing, probe)
    PlanBlock.of(run.plan, at, block).save()
    run.blocks = [*run.blocks, frozen(bench, block, at, Before(run.child, on)).plain()]
    run.save(update_fields=["blocks"])


def _as_asked(block: Block, probe: Probe) -> Block:
    """The block as one short set that is asked for what it tells."""
    return replace(
        block,
        strand=probe.strand,
        rung=probe.offer.rungs[probe.strand],
        count=probe.tries,
        sets=1,
        minutes=probe.minutes,
        expected=probe.expected,
        serves=probe.words,
        why=(Reason("tells", 1.0, probe.words), *block.why),
    )
