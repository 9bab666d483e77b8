"""Making and keeping sessions for children together."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from caseload.models import Child, Home
from clinic.actions import Done, acting
from clinic.models import Member
from core.child import Supervision
from core.planner import GroupRequest, PlannedGroupBlock, plan_group
from planning.actions import Infeasible
from planning.models import GroupSession
from planning.stored import group_as_json
from planning.workbench import Wish, workbench


@dataclass(frozen=True)
class GroupWish:
    """What is asked of a session for children together."""

    minutes: int
    targets: tuple[str, ...]
    supervision: Supervision
    adults: int = 1


def group_request(children: Sequence[Child], home: Home, wish: GroupWish, on: date) -> GroupRequest:
    """A request for children at one table, in this order."""
    asked = Wish(wish.minutes, wish.targets, home.kind, wish.supervision, adults=wish.adults)
    requests = [workbench(c, home, asked, on).request for c in children]
    return GroupRequest(tuple(c.first_name for c in children), tuple(requests))


def wish_of_group(group: GroupSession) -> GroupWish:
    """What was asked of a stored session together."""
    return GroupWish(group.minutes, tuple(group.targets), group.supervision, group.adults)


@acting("plan.make")
def make_group(member: Member, children: Sequence[Child], home: Home, wish: GroupWish, on: date) -> Done[GroupSession]:
    """Plan a session for children at one table and keep it. Raises Infeasible, with nothing kept, when
    there is none.
    """
    answer = plan_group(group_request(children, home, wish, on))
    if answer.status == "infeasible":
        raise Infeasible(answer)
    ids = [c.pk for c in children]
    planned = [
        PlannedGroupBlock(b.part, b.minutes, b.turns, tuple(c.variant for c in b.children)) for b in answer.blocks
    ]
    group = GroupSession.objects.create(
        home=home,
        made_by=member,
        minutes=wish.minutes,
        supervision=wish.supervision,
        adults=wish.adults,
        targets=list(wish.targets),
        child_ids=ids,
        status=answer.status,
        well_spent=answer.well_spent,
        bound=answer.bound,
        blocks=[group_as_json(p, ids) for p in planned],
    )
    group.children.set(children)
    return Done(group, group, None, {"children": ids})
