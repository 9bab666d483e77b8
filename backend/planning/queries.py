"""Reads of plans."""

from datetime import date
from uuid import UUID

from django.db.models import QuerySet
from django.http import Http404

from caseload.facts import estimates_of, standings
from caseload.models import Child
from clinic.actions import log
from clinic.models import Member
from clinic.permissions import require
from core.ability import Aim, suggested_aims, task_aims
from core.library import ACTIVITIES, has_work_for
from core.planner import LOOK
from core.skills import WantedTask
from planning.models import GroupSession, HomeWeek, Plan


def plan_for(member: Member, plan_id: UUID) -> Plan:
    """Return one plan with its child, home and blocks, and note the read. Raises Http404."""
    require(member, "plan.read")
    plans = Plan.objects.visible_to(member).select_related("child__home", "home")
    result = plans.prefetch_related("blocks", "child__estimates").filter(pk=plan_id).first()
    if result is None:
        raise Http404(f"No plan {plan_id} in your clinic.")
    log(member, "plan.read", result, result.child_id)
    return result


def plans_of(member: Member, child: Child) -> QuerySet[Plan]:
    """A child's plans, newest first; first looks are not planned ahead and left out."""
    require(member, "plan.read")
    plans = Plan.objects.visible_to(member).filter(child=child).exclude(format_id=LOOK)
    return plans.prefetch_related("blocks").order_by("-made_at")


def last_run_before(plan: Plan) -> Plan | None:
    """The last session of the same child that was run, other than this one."""
    run = Plan.objects.filter(child=plan.child, used_on__isnull=False).exclude(pk=plan.pk)
    return run.prefetch_related("blocks").order_by("-used_on", "-made_at").first()


def _worked(task: WantedTask, strand: str) -> bool:
    """Whether the library has work for what a task asks of a strand."""
    return has_work_for(task, strand, ACTIVITIES.values())


def aims_of(child: Child, today: date) -> tuple[tuple[Aim, ...], dict[str, list[Aim]]]:
    """The targets to work on next, each with why; and what every wanted task not managed yet asks to work on."""
    last = (
        Plan.objects.filter(child=child, used_on__isnull=False).order_by("-used_on", "-made_at").only("targets").first()
    )
    estimates = estimates_of(child, today)
    tasks = [s.task for s in standings(child) if not s.managed]
    suggested = suggested_aims(tasks, estimates, last.targets if last else (), _worked)
    return suggested, {task: [aim for aim, _ in task_aims(task, estimates, _worked)] for task in tasks}


def latest_plan(child: Child) -> Plan | None:
    """A child's newest plan that was not run yet, else the newest of all; no first look."""
    plans = (
        Plan.objects.filter(child=child)
        .exclude(format_id=LOOK)
        .prefetch_related("blocks", "child__estimates")
        .select_related("child__home", "home")
    )
    return plans.filter(used_on__isnull=True).order_by("-made_at").first() or plans.order_by("-made_at").first()


def group_for(member: Member, group_id: UUID) -> GroupSession:
    """Return one session for children together, and note the read. Raises Http404."""
    require(member, "plan.read")
    result = GroupSession.objects.visible_to(member).select_related("home").filter(pk=group_id).first()
    if result is None:
        raise Http404(f"No group session {group_id} in your clinic.")
    log(member, "plan.read", result, None)
    return result


def week_for(member: Member, week_id: UUID) -> HomeWeek:
    """Return one week with its child and home, and note the read. Raises Http404."""
    require(member, "plan.read")
    weeks = (
        HomeWeek.objects.visible_to(member)
        .select_related("child__home", "school", "clinic_plan__home", "clinic_plan__child__home")
        .prefetch_related("child__estimates", "clinic_plan__blocks")
    )
    result = weeks.filter(pk=week_id).first()
    if result is None:
        raise Http404(f"No week {week_id} in your clinic.")
    log(member, "plan.read", result, result.child_id)
    return result


def weeks_of(member: Member, child: Child) -> QuerySet[HomeWeek]:
    """A child's home weeks, newest first."""
    require(member, "plan.read")
    return HomeWeek.objects.visible_to(member).filter(child=child).order_by("-starts_on", "-made_at")
