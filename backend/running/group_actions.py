"""Running children together: a run for each child, from the one plan, checked again for everybody within reach."""

from collections.abc import Mapping, Sequence
from datetime import date
from uuid import UUID

from caseload.checks import FieldError
from caseload.models import Child
from clinic.actions import Done, acting, log
from clinic.models import Member
from core.offers import UsableCupboard
from core.planner import safe_for_all
from planning.models import GroupSession, Plan, PlanBlock
from planning.week_actions import GroupWish, group_request
from planning.workbench import Workbench, stock_stamp
from running.actions import frozen_blocks
from running.models import Run


@acting("run.start")
def start_together(
    member: Member, group: GroupSession, children: Sequence[Child], ids: Mapping[int, UUID], on: date
) -> Done[list[Run]]:
    """Begin a run for every child of a group, or return those this tablet began with the same ids.

    ids -- child to the run id made on the tablet
    What is barred for one child is off the table for all, as the children are today. Raises FieldError where a
    block can't be run any more.
    """
    begun = {r.child_id: r for r in Run.objects.filter(pk__in=ids.values(), group=group)}
    if len(begun) == len(children):
        return Done([begun[c.pk] for c in children], group, None, {"again": True})
    _everybody(children, ids)
    wish = GroupWish(group.minutes, (), str(group.answer.get("supervision", "arms_reach")))
    request = group_request(children, group.home, wish, on)
    stock, _ = safe_for_all(request)
    runs = []
    for child, session in zip(children, request.sessions, strict=True):
        plan = _plan(member, group, child, wish)
        bench = Workbench(session, UsableCupboard(stock, session.child, session.setting))
        blocks = frozen_blocks(plan, on, bench)
        run = Run.objects.create(pk=ids[child.pk], plan=plan, child=child, by=member, on=on, blocks=blocks, group=group)
        log(member, "run.start", run, child.pk, {"group": str(group.pk), "plan": str(plan.pk)})
        runs.append(run)
    return Done(runs, group, None, {"children": [c.pk for c in children], "runs": [str(r.pk) for r in runs]})


def _everybody(children: Sequence[Child], ids: Mapping[int, UUID]) -> None:
    missing = [c.first_name for c in children if c.pk not in ids]
    if missing:
        raise FieldError("ids", missing, f"No run id for {', '.join(missing)}.", "Send one for each child.")


def _plan(member: Member, group: GroupSession, child: Child, wish: GroupWish) -> Plan:
    """The group's plan written out as this child's own."""
    plan = Plan.objects.create(
        child=child, home=group.home, made_by=member, place=group.home.kind, supervision=wish.supervision, minutes=group.minutes,
        targets=[], status="given", child_version=child.version, stock_stamp=stock_stamp(group.home),
    )  # fmt: skip
    mine = [(b, c) for b in group.answer["blocks"] for c in b["children"] if c["child"] == child.first_name]
    if not mine or not all(c.get("grade") for _, c in mine):
        raise FieldError("group", str(group.pk), f"{child.first_name} is not in this plan any more.", "Plan the group again.")
    PlanBlock.objects.bulk_create(
        PlanBlock(plan=plan, position=at, part=b["part"], activity_id=b["activity_id"], grade=c["grade"], minutes=b["minutes"],
                  strand=c["strand"], expected=c["expected"])
        for at, (b, c) in enumerate(mine)
    )  # fmt: skip
    return plan
