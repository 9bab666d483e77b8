"""Reads of runs and of the sets they folded into."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import fields
from datetime import date
from typing import Any
from uuid import UUID

from django.http import Http404

from caseload.facts import facts_of, learned_of, standings
from caseload.models import Child
from clinic.actions import log
from clinic.models import Member
from clinic.permissions import require
from core.ability import StepDay, TaskSeen, alone_with, is_learned
from core.drawing import draw
from core.recording import Learned
from core.running import Event, EventError, SetResult, fold, read_event
from cupboard.queries import stock_of
from running.frozen import FrozenBlock
from running.models import Run, SetRecord

WORKING_PARTS = ("main", "stretch", "daily")  # a sure win at the start says nothing about readiness


def run_for(member: Member, run_id: UUID, why: str = "run.read") -> Run:
    """Return one run, and note the read. Raises Http404."""
    require(member, why)
    result = Run.objects.visible_to(member).select_related("child__home", "plan__home").filter(pk=run_id).first()
    if result is None:
        raise Http404(f"No run {run_id} in your clinic.")
    log(member, why, result, result.child_id)
    return result


def run_to_tap(member: Member, run_id: UUID) -> Run:
    """Return one run with no more than counting needs; what is then tapped is noted by the write. Raises Http404."""
    require(member, "run.tap")
    result = Run.objects.visible_to(member).only("id", "child_id", "blocks").filter(pk=run_id).first()
    if result is None:
        raise Http404(f"No run {run_id} in your clinic.")
    return result


def blocks_of(run: Run) -> tuple[FrozenBlock, ...]:
    """The plan's blocks as they stood when the run began."""
    return tuple(FrozenBlock.model_validate(plain) for plain in run.blocks)


def pictured_blocks(run: Run) -> list[tuple[FrozenBlock, str]]:
    """The same, each with its picture: this child's hands, and the things of the home the plan is for."""
    child = facts_of(run.child, run.on)
    things = {s.id: s.thing for s in stock_of(run.plan.home)}
    return [(b, draw(b.block.variant, b.block, child, things)) for b in blocks_of(run)]


def names_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to name."""
    return {b["id"]: b["block"]["name"] for b in run.blocks}


def activities_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to activity id."""
    return {b["id"]: b["block"]["variant"]["activity_id"] for b in run.blocks}


def parts_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to the part of the session each is."""
    return {b["id"]: b["block"]["part"] for b in run.blocks}


def strands_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to the strand each aims at."""
    return {b["id"]: b["block"]["strand"] for b in run.blocks}


def folded(run: Run) -> tuple[SetResult, ...]:
    """The run's log as sets."""
    return fold(events_of(run), activities_of(run), run.on, run.child.prompt_policy, asked_of(run))


def asked_of(run: Run) -> dict[tuple[str, tuple[int, ...]], dict[str, float]]:
    """By block and grade, the rungs that the force of the very thing in use asks."""
    grades = ((b["id"], g) for b in run.blocks for g in b["grades"])
    return {(block, tuple(g["grade"])): g["rungs"] for block, g in grades if g.get("rungs")}


def events_of(run: Run) -> list[Event]:
    """The run's log as the rules read it, in the order it was tapped; a row no rule can read any more
    is passed over, and so is what arrived after signing.
    """
    return _read(run, after_signing=False)


def after_signing(run: Run) -> list[Event]:
    """What arrived when the run's note was signed already, in the order it was tapped. One query."""
    return _read(run, after_signing=True)


def _read(run: Run, after_signing: bool) -> list[Event]:
    blocks, events = activities_of(run), []
    for e in run.events.filter(after_signing=after_signing).order_by("at", "pk"):
        try:
            events.append(
                read_event({"id": str(e.pk), "block": e.block, "kind": e.kind, "at": e.at, "value": e.value}, blocks)
            )
        except EventError:
            continue
    return events


def tasks_seen(run: Run) -> list[TaskSeen]:
    """The wanted tasks of a run whose steps alone were noted, or whose taught step is learned by its tries. A few
    queries.
    """
    noted = run.sets.filter(measures__has_key="steps_alone").values_list("block", "measures")
    best: dict[str, int] = {}
    tasks = {b["id"]: b["block"].get("task", "") for b in run.blocks if b["block"].get("chain")}
    for block, measures in noted:
        task = tasks.get(block, "")
        if task in run.child.wanted:
            best[task] = max(best.get(task, 0), int(measures["steps_alone"]))
    alone = {s.task: s.steps_alone or 0 for s in standings(run.child)}
    for task, step in steps_learned(run).items():
        now = alone_with(task, step, alone.get(task, 0), run.child.chaining_policy)
        if now > max(alone.get(task, 0), best.get(task, -1)):
            best[task] = now
    return [TaskSeen(task, run.on, steps, run.plan.place) for task, steps in best.items()]


RUNS_BACK = 30  # runs in which the tries at a step are looked for


def steps_learned(run: Run) -> dict[str, int]:
    """The wanted tasks whose taught step is learned by the tries of this run and those before, each with the place of
    that step. Two queries.
    """
    taught = {(t, step) for t, step in _taught(run).values() if t in run.child.wanted}
    if not taught:
        return {}
    earlier = Run.objects.filter(child=run.child, on__lte=run.on).order_by("-on", "-started_at")
    days: dict[tuple[str, int], dict[date, StepDay]] = {key: {} for key in taught}
    for r in earlier.prefetch_related("sets")[:RUNS_BACK]:
        of = _taught(r)
        for s in r.sets.all():
            key = of.get(s.block)
            if key in days and s.support == "alone":
                day = days[key].get(r.on, StepDay(r.on, 0, 0))
                days[key][r.on] = StepDay(r.on, day.tries + s.tries, day.successes + s.successes)
    return {task: step for (task, step), tried in days.items() if is_learned(tried.values())}


def _taught(run: Run) -> dict[str, tuple[str, int]]:
    """The blocks of a run in which one step of a wanted task was taught, each with the task and the step's place."""
    result = {}
    for b in run.blocks:
        places = [at for at, step in enumerate(b["block"].get("chain") or ()) if step["who"] == "taught"]
        if len(places) == 1:
            result[b["id"]] = b["block"].get("task", ""), places[0]
    return result


SET_FIELDS = tuple(f.name for f in fields(SetResult))


def history(child: Child, strand: str, working: bool = False) -> list[SetResult]:
    """Every set of a child in one strand, oldest first; with `working`, only those of the working parts. Two
    queries.
    """
    sets = SetRecord.objects.filter(child=child, strand=strand).order_by("on", "pk")
    chosen = sets.filter(part__in=WORKING_PARTS) if working else sets
    learned = learned_of(child)
    return [set_from(row).as_taught(learned) for row in chosen.values_list(*SET_FIELDS)]


def sets_by_strand(child: Child, working: bool = False) -> dict[str, list[SetResult]]:
    """Every set of a child, oldest first, by strand; with `working`, only those of the working parts. Two queries."""
    result: dict[str, list[SetResult]] = defaultdict(list)
    sets = SetRecord.objects.filter(child=child).order_by("on", "pk")
    chosen = sets.filter(part__in=WORKING_PARTS) if working else sets
    learned = learned_of(child)
    for strand, *row in chosen.values_list("strand", *SET_FIELDS):
        result[strand].append(set_from(row).as_taught(learned))
    return result


def all_sets(child: Child, learned: Learned) -> list[SetResult]:
    """Every set of a child, oldest first, at the rungs that were learned. One query."""
    rows = SetRecord.objects.filter(child=child).order_by("on", "pk").values_list(*SET_FIELDS)
    return [set_from(row).as_taught(learned) for row in rows]


def sets_with_runs(child: Child, learned: Learned) -> list[tuple[UUID, SetResult]]:
    """The same, each with the run it was done in. One query."""
    rows = SetRecord.objects.filter(child=child).order_by("on", "pk").values_list("run_id", *SET_FIELDS)
    return [(run, set_from(row).as_taught(learned)) for run, *row in rows]


def set_from(row: Iterable[Any]) -> SetResult:
    """A stored set, its fields in the order of SET_FIELDS, as the rules see one."""
    plain = dict(zip(SET_FIELDS, row, strict=True))
    plain["grade"] = tuple(plain["grade"])
    return SetResult(**plain)
