"""The visit bag for the newest plans of some children."""

from django.utils import timezone

from caseload.queries import child_for, home_for
from clinic.models import Member
from core.library import find_activity, find_thing
from core.planner import Block, Visit, pack_bag
from cupboard.queries import stock_of
from planning.queries import latest_plan
from planning.schemas import BagLineOut, BagOut, BagUseOut
from planning.workbench import choices_of, workbench_of


def packed(who: Member, children: list[int], store_id: int) -> BagOut:
    """Return the fewest things for the newest plan of each child, out of a store."""
    visits, unplanned = _visits(who, children)
    bag = pack_bag(visits, stock_of(home_for(who, store_id)))
    return BagOut(
        status=bag.status,
        missing=list(bag.missing),
        unplanned=unplanned,
        lines=[
            BagLineOut(
                name=find_thing(x.thing_id).named(x.count), count=x.count, children=list(x.visits), between=x.between
            )
            for x in bag.lines
        ],
        uses=[
            BagUseOut(
                child=u.visit,
                activity=find_activity(u.activity_id).name,
                name=u.name,
                count=u.count,
                from_home=u.from_home,
            )
            for u in bag.uses
        ],
    )


def _visits(who: Member, children: list[int]) -> tuple[list[Visit], list[str]]:
    visits, unplanned, today = [], [], timezone.localdate()
    for pk in children:
        child = child_for(who, pk, "plan.read")
        plan = latest_plan(child)
        if plan is None:
            unplanned.append(child.first_name)
            continue
        bench = workbench_of(plan, today)
        result = [(p.variant, bench.stand(p)) for p in choices_of(plan)]
        planned = tuple((variant, b.sets if isinstance(b, Block) else 1) for variant, b in result)
        request = bench.request
        visits.append(Visit(child.first_name, request.child, request.setting, planned, stock_of(child.home)))
    return visits, unplanned
