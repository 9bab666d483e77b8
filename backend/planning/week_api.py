"""Home weeks and sessions for children together through the API."""

from datetime import date, datetime
from uuid import UUID

from django.http import Http404, HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.models import Child
from caseload.queries import child_for, home_for
from clinic.actions import log
from clinic.auth import member
from clinic.models import Member
from clinic.permissions import require
from clinic.problems import Problem, ProblemError
from clinic.schema import Schema
from core.ability import chance_in_words
from core.library import ACTIVITIES, THINGS
from core.offers import Variant
from core.planner import DAYS, GroupBlock, GroupPlan, block_of, left_out
from core.skills import STRANDS
from planning.models import HomeWeek
from planning.queries import group_for
from planning.schemas import BlockOut, LeftOutOut
from planning.shown import block_out, fields_of
from planning.week_actions import GroupWish, NoWeek, WeekWish, group_answer, home_bench, keep_group, make_week

router = Router(tags=["weeks"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class WeekIn(Schema):
    """What is asked of a home week. free: minutes on each of seven days, Monday first."""

    starts_on: date
    free: list[int]
    a_day: int = 1
    targets: list[str]


class DayOut(Schema):
    """One day of a week."""

    name: str
    free: int
    minutes: float
    blocks: list[BlockOut]
    gone: list[str]


class WeekOut(Schema):
    """A home week, worked out against the child and the cupboard as they are today."""

    id: UUID
    child_id: int
    child_name: str
    home_name: str
    starts_on: date
    a_day: int
    targets: list[str]
    supervision: str
    status: str
    well_spent: float
    bound: float
    days: list[DayOut]
    used_up: list[str]
    left_out: list[LeftOutOut]
    made_at: datetime


class WeekLine(Schema):
    """A week in a list."""

    id: UUID
    starts_on: date
    activities: list[str]


class GroupIn(Schema):
    """Children at one table with things from one place."""

    children: list[int]
    home_id: int
    minutes: int
    targets: list[str]
    supervision: str = "arms_reach"


class SharedOut(Schema):
    """How many of one thing the group wants at once, and how many there are."""

    name: str
    wanted: int
    have: int
    own_pot: bool


class GroupChildOut(Schema):
    """One child's own grade of a shared activity."""

    child: str
    grade: list[int] = []
    grade_words: list[str]
    rung: float
    strand: str = ""
    strand_name: str
    expected: float
    expected_words: str = ""
    count: int
    unit: str


class GroupBlockOut(Schema):
    """One shared activity. turns: half of the children at a time, beside the other one by turns."""

    part: str
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
    """A session for children together."""

    id: UUID
    home_name: str
    supervision: str = "arms_reach"
    child_ids: list[int] = []
    children: list[str]
    status: str
    minutes: float
    minutes_asked: int
    well_spent: float
    bound: float
    kept_away: list[str]
    blocks: list[GroupBlockOut]
    left_out: list[LeftOutOut] = []


@router.post("/children/{child_id}/weeks", response={200: WeekOut, **REFUSED})
def plan_home_week(request: HttpRequest, child_id: int, body: WeekIn) -> WeekOut:
    """Plan a home week. Where none is possible: 422 with the reason and the shortest fix."""
    who = member(request)
    child = child_for(who, child_id)
    wish = WeekWish(body.starts_on, tuple(body.free), body.a_day, tuple(body.targets))
    try:
        made = make_week(who, child, wish, timezone.localdate())
    except NoWeek as no:
        raise ProblemError(422, "No week", "free", "", f"No week, because {no.reason}.", no.fix) from no
    return week_out(week_for(who, made.pk))


@router.get("/children/{child_id}/weeks", response={200: list[WeekLine], **REFUSED})
def list_weeks(request: HttpRequest, child_id: int) -> list[WeekLine]:
    """A child's home weeks, newest first."""
    who = member(request)
    child = child_for(who, child_id, "plan.read")
    weeks = HomeWeek.objects.visible_to(who).filter(child=child).order_by("-starts_on", "-made_at")[:12]
    return [WeekLine(id=w.pk, starts_on=w.starts_on, activities=_names(w)) for w in weeks]


def _names(week: HomeWeek) -> list[str]:
    return list(dict.fromkeys(ACTIVITIES[b["activity_id"]].name for day in week.days for b in day))


@router.get("/weeks/{week_id}", response={200: WeekOut, **REFUSED})
def read_week(request: HttpRequest, week_id: UUID) -> WeekOut:
    """One home week."""
    return week_out(week_for(member(request), week_id))


def week_for(who: Member, week_id: UUID) -> HomeWeek:
    """Return one week with its child and home, and note the read. Raises Http404."""
    require(who, "plan.read")
    weeks = HomeWeek.objects.visible_to(who).select_related("child__home").prefetch_related("child__estimates")
    found = weeks.filter(pk=week_id).first()
    if found is None:
        raise Http404(f"No week {week_id} in your clinic.")
    log(who, "plan.read", found, found.child_id)
    return found


def week_out(week: HomeWeek) -> WeekOut:
    """A stored week, every block checked for today."""
    request, cupboard = home_bench(week.child, week.targets, timezone.localdate())
    days, used = [], {}
    for name, free, row in zip(DAYS, week.free, week.days, strict=True):
        blocks, gone = [], []
        for stored in row:
            variant = Variant(stored["activity_id"], tuple(stored["grade"]))
            block = block_of(request, cupboard, "main", variant, stored["minutes"])
            lack = cupboard.lack(variant)
            if block is None:
                gone.append(f"{ACTIVITIES[stored['activity_id']].name}: {lack.reason if lack else 'no longer on offer'}")
                continue
            blocks.append(block)
            for q in block.quantities:
                if q.single_use:
                    used[q.thing_id] = used.get(q.thing_id, 0) + q.wanted
        days.append(DayOut(name=name, free=free, minutes=sum(b.minutes + b.setup_minutes for b in blocks),
                           blocks=[block_out(b) for b in blocks], gone=gone))  # fmt: skip
    return WeekOut(
        id=week.pk, child_id=week.child_id, child_name=week.child.first_name, home_name=week.child.home.name,
        starts_on=week.starts_on, a_day=week.a_day, targets=week.targets, supervision=week.supervision, status=week.status,
        well_spent=week.well_spent, bound=week.bound, days=days, used_up=[f"{n} {THINGS[m].named(n)}" for m, n in sorted(used.items())],
        left_out=[LeftOutOut(**fields_of(o)) for o in left_out(cupboard, request, frozenset(b.activity_id for d in days for b in d.blocks))],
        made_at=week.made_at,
    )  # fmt: skip


@router.post("/groups", response={200: GroupOut, **REFUSED})
def plan_together(request: HttpRequest, body: GroupIn) -> GroupOut:
    """Plan a session for children together. Where none is possible: 422 with the reason and the shortest fix."""
    who = member(request)
    home = home_for(who, body.home_id)
    children = [child_for(who, pk) for pk in dict.fromkeys(body.children)]
    _names_differ(children)
    wish = GroupWish(body.minutes, tuple(body.targets), body.supervision)
    try:
        answer, missed = group_answer(children, home, wish, timezone.localdate())
    except NoWeek as no:
        raise ProblemError(422, "No session", "children", "", f"No session, because {no.reason}.", no.fix) from no
    shown = _group_shown(
        answer, [c.pk for c in children], [c.first_name for c in children], home.name, body.minutes, body.supervision
    )
    shown["left_out"] = [fields_of(item) for item in missed]
    kept = keep_group(who, children, home, wish, shown)
    return GroupOut(id=kept.pk, **shown)


def _names_differ(children: list[Child]) -> None:
    names = [c.first_name for c in children]
    twice = next((n for n in names if names.count(n) > 1), None)
    if twice:
        raise FieldError("children", twice, f"Two children are called {twice}.", "Give one a second initial in the profile.")


@router.get("/groups/{group_id}", response={200: GroupOut, **REFUSED})
def read_group(request: HttpRequest, group_id: UUID) -> GroupOut:
    """One session for children together, as it was planned."""
    found = group_for(member(request), group_id)
    return GroupOut(id=found.pk, **found.answer)


def _group_shown(
    answer: GroupPlan, ids: list[int], names: list[str], home: str, asked: int, supervision: str
) -> dict[str, object]:
    blocks = [_group_block(b).model_dump() for b in answer.blocks]
    return {
        "home_name": home, "supervision": supervision, "child_ids": ids, "children": names, "status": answer.status, "minutes": answer.minutes, "minutes_asked": asked,
        "well_spent": answer.well_spent, "bound": answer.bound, "kept_away": list(answer.kept_away), "blocks": blocks,
    }  # fmt: skip


def _group_block(b: GroupBlock) -> GroupBlockOut:
    first = next(iter(b.children.values()))
    cautions = {f"{h.reason} {h.remedy}": None for c in b.children.values() for h in c.verdict.hits}
    return GroupBlockOut(
        part=b.part, activity_id=b.activity.id, name=b.activity.name, target=b.activity.target, minutes=b.minutes, turns=b.turns,
        setup=first.setup if len({c.setup for c in b.children.values()}) == 1 else "Each child's things on the side of the hand they use.",
        tidy=b.activity.tidy, things=[SharedOut(name=THINGS[t.thing_id].named(t.wanted), wanted=t.wanted, have=t.have, own_pot=t.own_pot) for t in b.things],
        children=[
            GroupChildOut(child=n, grade=list(c.variant.grade), grade_words=list(c.grade_words), rung=c.rung, strand=c.strand, strand_name=STRANDS[c.strand].name,
                          expected=c.expected, expected_words=chance_in_words(c.expected), count=c.count, unit=c.unit)
            for n, c in b.children.items()
        ],
        cautions=list(cautions),
    )  # fmt: skip
