"""Sessions for children together through the API."""

from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload.models import Child
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.base_schema import OwnWords, Schema
from clinic.problems import Problem, ProblemError
from clinic.routes import LONG_WORK, SAYS_UNITS, marked
from core.child import Part, Supervision
from core.planner import GroupBlock, PlanStatus, Refusal, group_minutes, left_out_together, safe_for_all, stand_together
from planning import queries
from planning.actions import Infeasible
from planning.groups_actions import GroupWish, group_request, make_group, wish_of_group
from planning.models import GroupSession
from planning.schemas import LeftOutOut
from planning.stored import group_from_json

router = Router(tags=["groups"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
EACH_ON_OWN_SIDE = "Each child's things on the side of the hand they use."


class GroupIn(Schema):
    """Children at one table with things from one place."""

    children: list[int]
    home_id: int
    minutes: int
    targets: list[str]
    supervision: Supervision = "arms_reach"
    adults: int = Field(1, ge=1, le=6)


class SharedOut(Schema):
    """How many of one thing the group wants at once, and how many there are."""

    name: str = Field(validation_alias="named")
    wanted: int
    have: int
    own_pot: bool


class GroupChildOut(Schema):
    """One child's own grade of a shared activity."""

    child_id: int
    child: str
    grade: list[int]
    grade_words: list[str]
    rung: float
    strand: str
    strand_name: str
    expected: float
    expected_words: str
    count: int
    unit: str


class GroupBlockOut(Schema):
    """One shared activity. turns: half of the children at a time, beside the other one by turns."""

    part: Part
    activity_id: str
    name: str
    target: str
    minutes: int
    turns: bool
    setup: str
    tidy: str
    children: list[GroupChildOut]
    things: list[SharedOut]
    cautions: list[str]


class GroupOut(Schema):
    """A session for children together, worked out against the children and the cupboard as they are today."""

    id: UUID
    home_name: OwnWords
    supervision: Supervision
    adults: int
    child_ids: list[int]
    children: list[OwnWords]
    status: PlanStatus
    minutes: float
    minutes_asked: int
    well_spent: float
    bound: float
    kept_away: list[str]
    general_cautions: list[str]
    blocks: list[GroupBlockOut]
    gone: list[str]
    left_out: list[LeftOutOut]


@router.post("/groups", response={200: GroupOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS))
def plan_together(request: HttpRequest, body: GroupIn) -> GroupOut:
    """Plan a session for children together. Where none is possible: 422 with the reason and the shortest fix."""
    who = member(request)
    home = home_for(who, body.home_id)
    children = [child_for(who, pk) for pk in dict.fromkeys(body.children)]
    wish = GroupWish(body.minutes, tuple(body.targets), body.supervision, body.adults)
    try:
        group = make_group(who, children, home, wish, timezone.localdate())
    except Infeasible as error:
        raise ProblemError(
            422, "No session", "children", "", f"No session, because {error.reason}.", error.fix
        ) from error
    return group_out(group, children)


@router.get("/groups/{group_id}", response={200: GroupOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_group(request: HttpRequest, group_id: UUID) -> GroupOut:
    """One session for children together, every block checked for today."""
    who = member(request)
    group = queries.group_for(who, group_id)
    return group_out(group, [child_for(who, pk, "plan.read") for pk in group.child_ids])


def group_out(group: GroupSession, children: list[Child]) -> GroupOut:
    """A stored session together, every block checked for today. children -- in the order of the session"""
    request = group_request(children, group.home, wish_of_group(group), timezone.localdate())
    ids = [c.pk for c in children]
    result = [stand_together(request, group_from_json(plain, ids)) for plain in group.blocks]
    blocks = [b for b in result if isinstance(b, GroupBlock)]
    _, kept_away = safe_for_all(request)
    chosen = frozenset(b.activity.id for b in blocks)
    return GroupOut(
        id=group.pk,
        home_name=group.home.name,
        supervision=group.supervision,
        adults=group.adults,
        child_ids=ids,
        children=[c.first_name for c in children],
        status=group.status,
        minutes=group_minutes(blocks),
        minutes_asked=group.minutes,
        well_spent=group.well_spent,
        bound=group.bound,
        kept_away=list(kept_away),
        general_cautions=[
            f"{name}: {h.reason} {h.remedy}"
            for name, s in zip(request.names, request.sessions, strict=True)
            for h in s.cupboard.general_cautions
        ],
        blocks=[_block_out(b, children) for b in blocks],
        gone=[f"{r.name}: {r.reason}" for r in result if isinstance(r, Refusal)],
        left_out=[LeftOutOut.model_validate(item) for item in left_out_together(request, chosen)],
    )


def _block_out(b: GroupBlock, children: list[Child]) -> GroupBlockOut:
    cautions = {f"{h.reason} {h.remedy}": None for c in b.children for h in c.verdict.hits}
    setups = {c.setup for c in b.children}
    return GroupBlockOut(
        part=b.part,
        activity_id=b.activity.id,
        name=b.activity.name,
        target=b.activity.target,
        minutes=b.minutes,
        turns=b.turns,
        setup=b.children[0].setup if len(setups) == 1 else EACH_ON_OWN_SIDE,
        tidy=b.activity.tidy,
        things=[SharedOut.model_validate(t) for t in b.things],
        children=[
            GroupChildOut(
                child_id=child.pk,
                child=child.first_name,
                grade=list(c.grade),
                grade_words=list(c.grade_words),
                rung=c.rung,
                strand=c.strand,
                strand_name=c.strand_name,
                expected=c.expected,
                expected_words=c.expected_words,
                count=c.count,
                unit=c.unit,
            )
            for child, c in zip(children, b.children, strict=True)
        ],
        cautions=list(cautions),
    )
