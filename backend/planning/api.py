"""Plans: make, read, change by hand, plan again, and ask what a grade would be."""

from dataclasses import replace
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.everyday import approach_out
from caseload.facts import approaches_of
from caseload.models import Child, Home
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, LONG_WORK, SAYS_UNITS, marked
from core.library import find_activity
from core.paper import kit_of
from core.planner import Refusal, bring_in, differences, left_out, longest_waiting, totals, waited_words
from core.skills import find_task
from planning import actions, queries
from planning.actions import Infeasible
from planning.models import Plan
from planning.schemas import (
    AgainIn,
    AgainstOut,
    AimOut,
    AimsOut,
    BlockIn,
    BlockOut,
    BlocksIn,
    BroughtInOut,
    DifferenceOut,
    ForecastOut,
    KitLineOut,
    LeftOutOut,
    NameIn,
    PlanLine,
    PlanOut,
    TaskAims,
    WishIn,
)
from planning.shown import forecast_out, gone_out
from planning.workbench import Wish, choices_of, recent_sessions, what_changed, workbench_of
from shelf.queries import checked_activity, checked_format

router = Router(tags=["planning"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


@router.post(
    "/children/{child_id}/plans", response={200: PlanOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def make_plan(request: HttpRequest, child_id: int, body: WishIn) -> PlanOut:
    """Plan a session. Where none is possible: status infeasible, the reason and the shortest fix."""
    who = member(request)
    child, home = child_for(who, child_id), home_for(who, body.home_id)
    checked_format(who, body.format_id)
    wish = Wish(
        body.minutes,
        tuple(body.targets),
        body.place,
        body.supervision,
        format_id=body.format_id,
        order=body.order,
        task=body.task,
        kit=body.kit,
    )
    try:
        plan = actions.make_plan(who, child, home, wish, timezone.localdate())
    except Infeasible as error:
        return infeasible_out(error, child, home, wish)
    return plan_out(queries.plan_for(who, plan.pk))


@router.get(
    "/children/{child_id}/aims", response={200: AimsOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def read_aims(request: HttpRequest, child_id: int) -> AimsOut:
    """The one or two targets to work on next, each with why; and what each wanted task asks for."""
    child = child_for(member(request), child_id)
    suggested, tasks = queries.aims_of(child, timezone.localdate())
    practised = recent_sessions(child).wishes
    first = longest_waiting(tuple(tasks), practised)[:1]
    return AimsOut(
        suggested=[AimOut.model_validate(a) for a in suggested],
        tasks=[
            TaskAims(
                task=task,
                name=find_task(task).name,
                aims=[AimOut.model_validate(a) for a in aims],
                waited=waited_words(practised.get(task)),
                next=task in first,
            )
            for task, aims in tasks.items()
        ],
    )


@router.get("/children/{child_id}/plans", response={200: list[PlanLine], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def list_plans(request: HttpRequest, child_id: int, limit: int = 20) -> list[PlanLine]:
    """A child's plans, newest first."""
    who = member(request)
    plans = queries.plans_of(who, child_for(who, child_id))[: min(max(limit, 1), 100)]
    return [
        PlanLine(
            id=p.pk,
            made_at=p.made_at,
            used_on=p.used_on,
            minutes=p.minutes,
            targets=p.targets,
            blocks=[find_activity(b.activity_id).name for b in p.blocks.all()],
            name=p.name,
        )
        for p in plans
    ]


@router.get("/plans/{plan_id}", response={200: PlanOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_plan(request: HttpRequest, plan_id: UUID) -> PlanOut:
    """One plan, worked out against the child and the cupboard as they are today."""
    return plan_out(queries.plan_for(member(request), plan_id))


@router.put("/plans/{plan_id}/blocks", response={200: PlanOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def set_blocks(request: HttpRequest, plan_id: UUID, body: BlocksIn) -> PlanOut:
    """Set the row of blocks as arranged by hand."""
    who = member(request)
    plan = queries.plan_for(who, plan_id)
    actions.set_blocks(who, plan, body.version, [b.planned(who) for b in body.blocks], timezone.localdate())
    return plan_out(queries.plan_for(who, plan_id))


@router.post("/plans/{plan_id}/again", response={200: PlanOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS))
def plan_again(request: HttpRequest, plan_id: UUID, body: AgainIn) -> PlanOut:
    """Plan again around the locked blocks; an infeasible wish leaves the plan as it was."""
    who = member(request)
    plan = queries.plan_for(who, plan_id)
    try:
        if body.bring_in:
            checked_activity(who, body.bring_in)
        actions.plan_again(who, plan, body.version, body.excluded, timezone.localdate(), body.bring_in)
    except Infeasible as error:
        return plan_out(plan, error)
    return plan_out(queries.plan_for(who, plan_id))


@router.put("/plans/{plan_id}/name", response={200: PlanOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def name_plan(request: HttpRequest, plan_id: UUID, body: NameIn) -> PlanOut:
    """Keep a plan as this child's favourite, or let go of it."""
    who = member(request)
    actions.name_plan(who, queries.plan_for(who, plan_id), body.version, body.name)
    return plan_out(queries.plan_for(who, plan_id))


@router.post("/plans/{plan_id}/copy", response={200: PlanOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS))
def copy_plan(request: HttpRequest, plan_id: UUID) -> PlanOut:
    """Start a new plan from this one, every block checked for today."""
    who = member(request)
    made = actions.start_from(who, queries.plan_for(who, plan_id), timezone.localdate())
    return plan_out(queries.plan_for(who, made.pk))


@router.get("/plans/{plan_id}/against-last", response={200: AgainstOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def against_last(request: HttpRequest, plan_id: UUID) -> AgainstOut:
    """How a plan differs from the last session that was run."""
    who = member(request)
    plan = queries.plan_for(who, plan_id)
    last = queries.last_run_before(plan)
    lines = differences(choices_of(plan), choices_of(last)) if last else ()
    return AgainstOut(on=last.used_on if last else None, lines=[DifferenceOut.model_validate(d) for d in lines])


@router.get(
    "/plans/{plan_id}/bring-in", response={200: BroughtInOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def ask_to_bring_in(request: HttpRequest, plan_id: UUID, activity_id: str) -> BroughtInOut:
    """What it would cost to have this activity in, or the smallest change that lets it in. Nothing is kept."""
    who = member(request)
    plan = queries.plan_for(who, plan_id)
    bench = workbench_of(plan, timezone.localdate())
    checked_activity(who, activity_id)
    request_now = replace(bench.request, locked=(), excluded=bench.request.excluded - {activity_id})
    return BroughtInOut.model_validate(bring_in(request_now, activity_id))


@router.post(
    "/plans/{plan_id}/forecast",
    response={200: ForecastOut, **REFUSED},
    openapi_extra=marked(LONG_WORK, SAYS_UNITS, KEEPS_NO_KEY),
)
def forecast(request: HttpRequest, plan_id: UUID, body: BlockIn) -> ForecastOut:
    """What a grade would be, nothing kept: forecast, quantities, hazards, dials, neighbours, equals."""
    who = member(request)
    plan = queries.plan_for(who, plan_id)
    return forecast_out(workbench_of(plan, timezone.localdate()), body.planned(who))


def plan_out(plan: Plan, refused: Infeasible | None = None) -> PlanOut:
    """A stored plan, worked out afresh. A block that can no longer stand says why in `problem`."""
    bench = workbench_of(plan, timezone.localdate())
    rows = list(plan.blocks.all())
    result, blocks = bench.stand_all(choices_of(plan))
    shown = [
        gone_out(row, b) if isinstance(b, Refusal) else BlockOut.model_validate(b)
        for row, b in zip(rows, result, strict=True)
    ]
    sums = totals(blocks)
    chosen = frozenset(row.activity_id for row in rows)
    return PlanOut(
        id=plan.pk,
        child_id=plan.child_id,
        child_name=plan.child.first_name,
        home_id=plan.home_id,
        home_name=plan.home.name,
        place=plan.place,
        supervision=plan.supervision,
        minutes_asked=plan.minutes,
        targets=plan.targets,
        task=plan.task,
        kit_id=plan.kit,
        format_id=plan.format_id,
        part_names=dict(bench.request.format.names),
        name=plan.name,
        excluded=plan.excluded,
        status=plan.status,
        reason=refused.reason if refused else "",
        fix=refused.fix if refused else "",
        minutes=sums.minutes,
        well_spent=sums.well_spent,
        bound=plan.bound,
        tiring_minutes=sums.tiring_minutes,
        work_minutes=sums.work_minutes,
        blocks=shown,
        kit=[KitLineOut.model_validate(k) for k in kit_of(blocks)],
        left_out=[LeftOutOut.model_validate(item) for item in left_out(bench.request, chosen)],
        general_cautions=[f"{h.reason} {h.remedy}" for h in bench.cupboard.general_cautions],
        approaches=[approach_out(a) for a in approaches_of(plan.child)],
        notes=[*plan.notes, *sums.notes] if plan.status != "given" else list(sums.notes),
        learned=plan.learned,
        changed=what_changed(plan),
        version=plan.version,
        made_at=plan.made_at,
        used_on=plan.used_on,
    )


def infeasible_out(refused: Infeasible, child: Child, home: Home, wish: Wish) -> PlanOut:
    """No plan: why, and the shortest fix."""
    return PlanOut(
        id=None,
        child_id=child.pk,
        child_name=child.first_name,
        home_id=home.pk,
        home_name=home.name,
        place=wish.place,
        supervision=wish.supervision,
        minutes_asked=wish.minutes,
        targets=list(wish.targets),
        excluded=list(wish.excluded),
        status="infeasible",
        reason=refused.reason,
        fix=refused.fix,
        left_out=[LeftOutOut.model_validate(item) for item in refused.left_out],
    )
