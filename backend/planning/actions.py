"""Making a plan, changing it by hand, planning again around what is locked."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date

from caseload.checks import FieldError
from caseload.models import Child, Home
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core.planner import (
    WORKED_OUT,
    Block,
    GroupPlan,
    LeftOut,
    PlannedBlock,
    Refusal,
    SessionPlan,
    SessionRequest,
    WeekPlan,
    bring_in,
    format_of,
    plan_session,
    totals,
)
from planning.models import MOST_SETS, Plan, PlanBlock
from planning.stored import as_json
from planning.workbench import Wish, Workbench, choices_of, stock_stamp, wish_of, workbench, workbench_of

LONGEST_NAME = 60


class Infeasible(Exception):
    """No session, no week, no session together: carries the planner's answer with its reason and shortest fix."""

    def __init__(self, answer: SessionPlan | WeekPlan | GroupPlan) -> None:
        super().__init__(f"No plan, because {answer.reason}. The shortest fix: {answer.fix}")
        self.reason, self.fix = answer.reason, answer.fix
        self.left_out: tuple[LeftOut, ...] = () if isinstance(answer, GroupPlan) else answer.left_out


@acting("plan.make")
def make_plan(member: Member, child: Child, home: Home, wish: Wish, on: date) -> Done[Plan]:
    """Plan a session and keep it. Raises Infeasible, with nothing kept, when there is none."""
    if child.care != "open":
        raise FieldError("child", child.pk, f"{child.first_name}'s care has ended.", "Bring the child back first.")
    if not format_of(wish.format_id).planned:
        raise FieldError("format_id", wish.format_id, "A first look is not planned ahead.", "Begin it.")
    bench = workbench(child, home, wish, on)
    answer = plan_session(bench.request)
    if answer.status == "infeasible":
        raise Infeasible(answer)
    plan = Plan.objects.create(
        child=child,
        home=home,
        made_by=member,
        place=wish.place,
        supervision=wish.supervision,
        minutes=wish.minutes,
        targets=list(wish.targets),
        task=wish.task,
        kit=answer.kit,
        format_id=wish.format_id,
        order=wish.order,
        excluded=list(wish.excluded),
        status=answer.status,
        bound=answer.bound,
        notes=list(answer.notes),
        child_version=child.version,
        stock_stamp=stock_stamp(home),
        learned=bench.request.child.learned.version,
    )
    _keep(plan, answer.blocks)
    return Done(plan, plan, child.pk, {"minutes": wish.minutes, "targets": list(wish.targets)})


@acting("plan.edit")
def plan_again(
    member: Member, plan: Plan, version: int, excluded: Sequence[str], on: date, wanted: str = ""
) -> Done[Plan]:
    """Plan again around the locked blocks. Raises Infeasible, the plan left as it was, when there is none.

    wanted -- an activity that is to be in it, locked from then on. Raises FieldError where it can't be
    """
    now = _unchanged(plan, version)
    wish = replace(wish_of(now), excluded=tuple(excluded))
    bench = workbench_of(now, on)
    request = replace(bench.request, excluded=frozenset(wish.excluded) - {wanted})
    if wanted and wanted not in {b.variant.activity_id for b in request.locked}:
        request = replace(request, locked=(*request.locked, _brought_in(request, wanted)))
    answer = plan_session(request)
    if answer.status == "infeasible":
        raise Infeasible(answer)
    now.excluded, now.status, now.bound, now.notes = (
        list(wish.excluded),
        answer.status,
        answer.bound,
        list(answer.notes),
    )
    now.child_version, now.stock_stamp, now.worked_out = now.child.version, stock_stamp(now.home), WORKED_OUT
    now.learned = request.child.learned.version
    _keep(now, answer.blocks)
    return Done(
        now, now, now.child_id, {"excluded": list(excluded), "locked": [b.variant.activity_id for b in request.locked]}
    )


def _brought_in(request: SessionRequest, activity_id: str) -> PlannedBlock:
    """What an activity would be in the session. Raises FieldError where it can't be in it."""
    answer = bring_in(replace(request, locked=()), activity_id)
    if answer.block is None:
        raise FieldError("bring_in", activity_id, answer.words, answer.change)
    return answer.block


@acting("plan.edit")
def set_blocks(member: Member, plan: Plan, version: int, choices: Sequence[PlannedBlock], on: date) -> Done[Plan]:
    """Set the row of blocks as a therapist arranged it. Raises FieldError where a block can't stand."""
    now = _unchanged(plan, version)
    bench = workbench_of(now, on)
    blocks = tuple(_block_there(bench, choice, at) for at, choice in enumerate(choices))
    _once_each(choices)
    now.status, now.bound = "given", 0.0
    now.notes = list(totals(blocks).notes)
    _keep(now, blocks)
    return Done(now, now, now.child_id, {"blocks": [c.variant.activity_id for c in choices]})


@acting("plan.edit")
def name_plan(member: Member, plan: Plan, version: int, name: str) -> Done[Plan]:
    """Keep a plan as this child's favourite under a name, or let go of it with an empty one."""
    now = _unchanged(plan, version)
    if len(name.strip()) > LONGEST_NAME:
        raise FieldError(
            "name", name, f"A name of {len(name.strip())} letters does not fit a list.", f"Use {LONGEST_NAME} or fewer."
        )
    now.name = name.strip()
    now.version += 1
    now.save(update_fields=["name", "version"])
    return Done(now, now, now.child_id, {"name": now.name})


@acting("plan.make")
def start_from(member: Member, plan: Plan, on: date) -> Done[Plan]:
    """Make a new plan with the blocks of an earlier one, each checked for today; what can't stand is left out and
    said.
    """
    bench = workbench_of(plan, on)
    result = [bench.stand(p) for p in choices_of(plan)]
    blocks = [b for b in result if isinstance(b, Block)]
    notes = [f"Left out {r.name}: {r.reason}" for r in result if isinstance(r, Refusal)]
    made = Plan.objects.create(
        child=plan.child,
        home=plan.home,
        made_by=member,
        place=plan.place,
        supervision=plan.supervision,
        minutes=plan.minutes,
        targets=plan.targets,
        task=plan.task,
        kit=plan.kit,
        format_id=plan.format_id,
        order=plan.order,
        status="given",
        notes=[*totals(tuple(blocks)).notes, *notes],
        child_version=plan.child.version,
        stock_stamp=stock_stamp(plan.home),
        learned=bench.request.child.learned.version,
    )
    _keep(made, blocks)
    return Done(made, made, plan.child_id, {"from": str(plan.pk)})


def mark_used(plan: Plan, on: date) -> None:
    """Note the day a plan was run; part of the action that ends a run."""
    plan.used_on = on
    plan.save(update_fields=["used_on"])


def _block_there(bench: Workbench, choice: PlannedBlock, at: int) -> Block:
    """Return the block a choice makes. Raises FieldError, naming the block, when it can't stand here."""
    if not 1 <= choice.sets <= MOST_SETS:
        reason = f"{choice.sets} sets are not possible in one block."
        raise FieldError(f"blocks.{at}.sets", choice.sets, reason, f"Choose 1 to {MOST_SETS}.")
    result = bench.stand(choice)
    if isinstance(result, Refusal):
        raise FieldError(f"blocks.{at}.grade", list(choice.variant.grade), result.reason, result.remedy)
    return result


def _once_each(choices: Sequence[PlannedBlock]) -> None:
    seen = set()
    for at, choice in enumerate(choices):
        activity_id = choice.variant.activity_id
        if activity_id in seen:
            reason, remedy = "This activity is in the plan already.", "Give the first one more sets instead."
            raise FieldError(f"blocks.{at}.activity_id", activity_id, reason, remedy)
        seen.add(activity_id)


def _unchanged(plan: Plan, version: int) -> Plan:
    now = (
        Plan.objects.select_for_update(of=("self",))
        .select_related("child__home", "home")
        .prefetch_related("blocks", "child__estimates")
        .get(pk=plan.pk)
    )
    if now.version != version:
        raise StaleEdit({"version": now.version, "blocks": [as_json(p) for p in choices_of(now)]}, {"version": version})
    return now


def _keep(plan: Plan, blocks: Sequence[Block]) -> None:
    if not plan._state.adding:
        plan.version += 1
        plan.save()
    plan.blocks.all().delete()
    PlanBlock.objects.bulk_create(PlanBlock.of(plan, at, b) for at, b in enumerate(blocks))
