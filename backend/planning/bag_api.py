"""The visit bag for a day's children."""

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.models import Member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, LONG_WORK, SAYS_UNITS, marked
from clinic.schema import Schema
from core.library import find_activity, find_thing
from core.planner import Block, PlanStatus, Visit, pack_bag
from cupboard.queries import stock_of
from planning.queries import latest_plan
from planning.workbench import choices_of, workbench_of

router = Router(tags=["bag"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class BagIn(Schema):
    """The children seen that day, and the store the bag is packed from."""

    children: list[int]
    store_id: int


class BagLineOut(Schema):
    """One thing to carry."""

    name: str
    count: int
    children: list[str]
    between: str


class BagUseOut(Schema):
    """What plays a role at a visit, and whether the home has it."""

    child: str
    activity: str
    name: str
    count: int
    from_home: bool


class BagOut(Schema):
    """The bag: things to carry, what each home has itself, what nothing fills, and children without a plan."""

    status: PlanStatus
    lines: list[BagLineOut]
    uses: list[BagUseOut]
    missing: list[str]
    unplanned: list[str]


@router.post("/bags", response={200: BagOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS, KEEPS_NO_KEY))
def pack(request: HttpRequest, body: BagIn) -> BagOut:
    """Pack the fewest things for the newest plan of each child; nothing is kept."""
    who = member(request)
    store = stock_of(home_for(who, body.store_id))
    visits, unplanned = _visits(who, list(dict.fromkeys(body.children)))
    bag = pack_bag(visits, store)
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
