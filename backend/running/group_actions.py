"""Running children together: a run for each child, from the one plan, checked again for everybody within reach."""

from collections.abc import Mapping, Sequence
from datetime import date
from uuid import UUID

from caseload.checks import FieldError
from caseload.models import Child
from clinic.actions import Done, acting, log
from clinic.models import Member
from core.planner import Block, GroupBlock, Refusal, stand_together, table_for_all
from planning.groups_actions import group_request, wish_of_group
from planning.models import GroupSession, Plan, PlanBlock
from planning.stored import group_from_json
from planning.workbench import Workbench, stock_stamp
from running.actions import frozen_blocks
from running.models import Run


@acting("run.start")
def start_together(
    member: Member, group: GroupSession, children: Sequence[Child], ids: Mapping[int, UUID], on: date
) -> Done[list[Run]]:
    """Begin a run for every child of a group, or return those that are begun: by this tablet with the same ids, or by
    another one today.

    ids -- child to the run id made on the tablet
    What is barred for one child is off the table for all, as the children are today. Raises FieldError where a
    block can't be run any more.
    """
    GroupSession.objects.select_for_update().get(pk=group.pk)  # of two tablets at once, the second joins the first
    of_group = Run.objects.filter(group=group)
    begun = {r.child_id: r for r in of_group.filter(pk__in=ids.values())}
    if len(begun) == len(children):
        return Done([begun[c.pk] for c in children], group, None, {"again": True})
    _everybody(children, ids)
    request = group_request(children, group.home, wish_of_group(group), on)
    result = [stand_together(request, group_from_json(plain, [c.pk for c in children])) for plain in group.blocks]
    blocks = [_block_there(b, at) for at, b in enumerate(result)]
    under_way = {r.child_id: r for r in of_group.filter(on=on, ended_at__isnull=True)}
    if len(under_way) == len(children):
        return Done([under_way[c.pk] for c in children], group, None, {"joined": True})
    runs = []
    for place, (child, session) in enumerate(zip(children, table_for_all(request), strict=True)):
        plan = _plan(member, group, child, [b.children[place] for b in blocks])
        frozen = frozen_blocks(plan, on, Workbench(session))
        run = Run.objects.create(
            pk=ids[child.pk], plan=plan, child=child, by=member, on=on, blocks=[b.plain() for b in frozen], group=group
        )
        log(member, "run.start", run, child.pk, {"group": str(group.pk), "plan": str(plan.pk)})
        runs.append(run)
    return Done(runs, group, None, {"children": [c.pk for c in children], "runs": [str(r.pk) for r in runs]})


def _everybody(children: Sequence[Child], ids: Mapping[int, UUID]) -> None:
    missing = [c.first_name for c in children if c.pk not in ids]
    if missing:
        raise FieldError("ids", missing, f"No run id for {', '.join(missing)}.", "Send one for each child.")


def _block_there(result: GroupBlock | Refusal, at: int) -> GroupBlock:
    if isinstance(result, Refusal):
        reason = f"{result.name} can't be run today: {result.reason}"
        raise FieldError(f"blocks.{at}", result.activity_id, reason, "Plan the group again.")
    return result


def _plan(member: Member, group: GroupSession, child: Child, blocks: Sequence[Block]) -> Plan:
    """The group's plan written out as this child's own."""
    plan = Plan.objects.create(
        child=child,
        home=group.home,
        made_by=member,
        place=group.home.kind,
        supervision=group.supervision,
        minutes=group.minutes,
        targets=[],
        status="given",
        child_version=child.version,
        stock_stamp=stock_stamp(group.home),
    )
    PlanBlock.objects.bulk_create(PlanBlock.of(plan, at, b) for at, b in enumerate(blocks))
    return plan
