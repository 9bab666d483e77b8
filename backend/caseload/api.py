"""Children: read, add, change, set a starting rung; and the homes they live in."""

from datetime import timedelta

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload import actions, queries
from caseload.checks import FieldError
from caseload.everyday import MeetingIn, TaskIn
from caseload.facts import age_months
from caseload.models import Home
from caseload.schemas import ChildOut, FoundChild, NewChild, OverrideIn, ProfileEdit, SaidIn, SaidOut, SeenRung
from caseload.shown import child_out
from clinic.actions import log
from clinic.auth import member
from clinic.models import Member
from clinic.problems import Problem
from core.ability import TaskSeen
from core.child import OVERRIDE_DAYS
from core.recording import Met
from core.skills import STRANDS

router = Router(tags=["caseload"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


@router.get("/children", response={200: list[FoundChild], 403: Problem})
def find_children(request: HttpRequest, letters: str = "") -> list[FoundChild]:
    """The first eight children whose name begins with these letters."""
    who, today = member(request), timezone.localdate()
    found = list(queries.found(who, letters))
    log(who, "caseload.read", who.clinic, None, {"children": [c.pk for c in found]})
    return [
        FoundChild(
            id=c.pk,
            first_name=c.first_name,
            age_months=age_months(c.birth_date, today),
            home_name=c.home.name,
            care=c.care,
        )
        for c in found
    ]


@router.post("/children/said", response={200: list[SaidOut], **REFUSED})
def read_words(request: HttpRequest, body: SaidIn) -> list[SaidOut]:
    """What a referral or a family says of a child, as wishes, ladders that are behind and rungs that are done: a
    proposal, of which nothing is kept.
    """
    return [
        SaidOut(
            kind=s.kind,
            id=s.id,
            name=s.name,
            strand_name=STRANDS[s.id].name if s.kind == "told" else "",
            words=s.words,
            rung=s.rung,
        )
        for s in queries.said(member(request), body.words)
    ]


@router.get("/children/{child_id}", response={200: ChildOut, **REFUSED})
def read_child(request: HttpRequest, child_id: int) -> ChildOut:
    """One child, with an estimate for every strand."""
    return child_out(queries.child_for(member(request), child_id))


@router.post("/children", response={201: ChildOut, **REFUSED})
def add_child(request: HttpRequest, body: NewChild) -> tuple[int, ChildOut]:
    """Add a child; where the schools differ and nothing is said, as the clinic works."""
    who = member(request)
    unasked = {q: c for q, c in who.clinic.approaches.items() if q not in body.model_fields_set}
    profile = {**body.model_dump(exclude={"home_id", "place", "request"}), **unasked}
    child = actions.add_child(who, _home_of(who, body), profile, timezone.localdate(), body.request)
    return 201, child_out(queries.child_for(who, child.pk))


def _home_of(who: Member, body: NewChild) -> Home | actions.NewPlace:
    if body.home_id is not None:
        return queries.home_for(who, body.home_id)
    if body.place is None:
        raise FieldError("home_id", "", "A child needs a place.", "Choose one, or name a new one.")
    return actions.NewPlace(body.place.name, body.place.kind, body.place.supervision)


@router.put("/children/{child_id}", response={200: ChildOut, **REFUSED})
def edit_child(request: HttpRequest, child_id: int, body: ProfileEdit) -> ChildOut:
    """Change a child; 409 with both versions when somebody else did so meanwhile."""
    who = member(request)
    child = queries.child_for(who, child_id)
    actions.edit_child(who, child, body.model_dump(exclude={"version"}), body.version, timezone.localdate())
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/rungs", response={200: ChildOut, **REFUSED})
def set_rung(request: HttpRequest, child_id: int, body: SeenRung) -> ChildOut:
    """Start a strand from what the child was seen to do."""
    who = member(request)
    child = queries.child_for(who, child_id)
    actions.set_rung(who, child, body.strand, body.rung, timezone.localdate())
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/mouthing", response={200: ChildOut, **REFUSED})
def note_mouthing(request: HttpRequest, child_id: int) -> ChildOut:
    """Keep that this child was seen to mouth a thing; every plan is checked by it from now on."""
    who = member(request)
    actions.note_mouthing(who, queries.child_for(who, child_id))
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/tasks", response={200: ChildOut, **REFUSED})
def note_task(request: HttpRequest, child_id: int, body: TaskIn) -> ChildOut:
    """Keep that a wanted task was seen today: steps alone, where, with whom, unasked or not."""
    who = member(request)
    child = queries.child_for(who, child_id)
    seen = TaskSeen(body.task, timezone.localdate(), body.steps_alone, body.place, body.with_whom, body.unasked)
    actions.note_task(who, child, seen)
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/meetings", response={200: ChildOut, **REFUSED})
def note_meeting(request: HttpRequest, child_id: int, body: MeetingIn) -> ChildOut:
    """Keep how far a child went today with a food or a texture; never a hit or a miss."""
    who = member(request)
    child = queries.child_for(who, child_id)
    actions.note_meeting(who, child, Met(body.what, body.kind, timezone.localdate(), body.step, body.seconds))
    return child_out(queries.child_for(who, child_id))


@router.post("/children/{child_id}/overrides", response={200: ChildOut, **REFUSED})
def override_hazard(request: HttpRequest, child_id: int, body: OverrideIn) -> ChildOut:
    """Allow this child what a rule bars, with the reason kept, until a day; again to renew it."""
    who, today = member(request), timezone.localdate()
    child = queries.child_for(who, child_id)
    until = body.review_on or today + timedelta(days=OVERRIDE_DAYS)
    actions.override_hazard(who, child, body.rule, body.reason, until, body.supervision, today)
    return child_out(queries.child_for(who, child_id))


@router.delete("/children/{child_id}/overrides/{rule}", response={200: ChildOut, **REFUSED})
def withdraw_override(request: HttpRequest, child_id: int, rule: str) -> ChildOut:
    """Let a rule bar again for this child."""
    who = member(request)
    actions.withdraw_override(who, queries.child_for(who, child_id), rule)
    return child_out(queries.child_for(who, child_id))
