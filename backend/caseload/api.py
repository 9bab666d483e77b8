"""Children: read, add, change, set a starting rung; and the homes they live in."""

from datetime import date
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload import actions, queries
from caseload.checks import FieldError
from caseload.everyday import ApproachOut, MeetingIn, TaskIn, TaskOut, approach_out, task_out
from caseload.facts import age_months, approaches_of, estimates_of, facts_of, standings
from caseload.models import Care, Child, Home
from clinic.actions import log
from clinic.auth import member
from clinic.models import Member
from clinic.problems import Problem
from clinic.schema import Schema
from core.ability import TaskSeen, wanted_rungs
from core.child import (
    Chaining,
    CorrectPolicy,
    GripPolicy,
    Hand,
    LaceMethod,
    Mouthing,
    Place,
    PromptPolicy,
    SamenessPolicy,
    Side,
    SpeedPolicy,
    Supervision,
    alerts,
)
from core.materials import Texture
from core.recording import Met
from core.skills import STRANDS

router = Router(tags=["caseload"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class Profile(Schema):
    """A child's profile. mouthing has no default: a question of safety is answered, not assumed."""

    first_name: str = Field(min_length=1, max_length=60)
    birth_date: date
    mouthing: Mouthing
    hand: Hand = "not_settled"
    allergies: list[str] = []
    other_allergies: list[str] = []
    precautions: list[str] = []
    assisting_hand: Side = "none"
    splint_hand: Side = "none"
    refuses: list[Texture] = []
    likes: list[str] = []
    wanted: list[str] = []
    reason: str = Field("", max_length=200)
    family_words: str = Field("", max_length=200)
    wary_of: list[str] = []
    seating: str = Field("", max_length=200)
    attention_minutes: int = 30
    force_limit_newton: float | None = None
    prompt_policy: PromptPolicy = "least_first"
    grip_policy: GripPolicy = "by_age"
    lace_method: LaceMethod = "undecided"
    correct_policy: CorrectPolicy = "stop_and_fix"
    speed_policy: SpeedPolicy = "off"
    sameness_policy: SamenessPolicy = "new_guises"
    chaining_policy: Chaining = "backward"
    young_guises: bool = False
    overlays: list[str] = []
    food_as_material: bool = True
    every_days: int = 7
    referral: str = Field("", max_length=500)
    consent_on: date | None = None
    consent_words: str = Field("", max_length=300)


class StrandOut(Schema):
    """Where a child stands in one strand. mean and sd in rungs; learned: the version of the library it was worked out
    with, empty: as it ships.
    """

    strand: str
    mean: float
    sd: float
    tries: int
    as_of: date | None
    learned: str
    seen_rung: int | None


class ChildOut(Profile):
    """A child with everything the page shows. alerts: what to keep in sight; wanted_rungs: the highest rung of each
    strand that a wanted task requires.
    """

    id: int
    version: int
    age_months: float
    usual_minutes: int
    alerts: list[str]
    home_id: int
    home_name: str
    also_at: list[int]
    therapist_id: int | None
    therapist_name: str
    care: Care
    closed_on: date | None
    closing_words: str
    overrides: dict[str, str]
    strands: list[StrandOut]
    tasks: list[TaskOut]
    approaches: list[ApproachOut]
    wanted_rungs: dict[str, int]


class ProfileEdit(Profile):
    """A changed profile, and the version it was changed from."""

    version: int


class NewHome(Schema):
    """A new place: home, clinic or school, how close an adult is, how many adults; who: else is there, in words."""

    name: str = Field(max_length=80)
    kind: Place = "home"
    supervision: Supervision = "arms_reach"
    adults: int = 1
    who: str = Field("", max_length=120)


class NewChild(Profile):
    """A new child, and where it lives: a place that is there, or a new one. request: of the form that is sent, so that
    sending it twice makes one child.
    """

    home_id: int | None = None
    place: NewHome | None = None
    request: UUID | None = None


class SeenRung(Schema):
    """What a child was seen to do."""

    strand: str
    rung: int


class Override(Schema):
    """A hazard rule allowed by a therapist, with the reason."""

    rule: str
    reason: str = Field(max_length=300)


class FoundChild(Schema):
    """A child by name, and what tells one from another of that name."""

    id: int
    first_name: str
    age_months: float
    home_name: str
    care: Care


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
def override_hazard(request: HttpRequest, child_id: int, body: Override) -> ChildOut:
    """Allow what a rule calls overridable, with the reason kept."""
    who = member(request)
    child = queries.child_for(who, child_id)
    actions.override_hazard(who, child, body.rule, body.reason)
    return child_out(queries.child_for(who, child_id))


def child_out(child: Child) -> ChildOut:
    """A child as the API shows it, estimates widened to today."""
    today = timezone.localdate()
    now, facts = estimates_of(child, today), facts_of(child, today)
    rows = {e.strand: e for e in child.estimates.all()}
    strands = [
        StrandOut(
            strand=s,
            mean=now[s].mean,
            sd=now[s].sd,
            tries=rows[s].tries,
            as_of=rows[s].as_of,
            learned=now[s].learned.version,
            seen_rung=rows[s].seen_rung,
        )
        for s in STRANDS
        if s in rows
    ]
    return ChildOut(
        **actions.profile_of(child),
        id=child.pk,
        version=child.version,
        age_months=age_months(child.birth_date, today),
        usual_minutes=facts.usual_minutes,
        alerts=list(alerts(facts)),
        home_id=child.home_id,
        home_name=child.home.name,
        also_at=[h.pk for h in child.also_at.all()],
        therapist_id=child.therapist_id,
        therapist_name=child.therapist.name if child.therapist else "",
        care=child.care,
        closed_on=child.closed_on,
        closing_words=child.closing_words,
        overrides=child.overrides,
        strands=strands,
        approaches=[approach_out(a) for a in approaches_of(child)],
        tasks=[task_out(standing, child, now) for standing in standings(child)],
        wanted_rungs=wanted_rungs(child.wanted),
    )
