"""What the API of children takes and gives."""

from datetime import date
from uuid import UUID

from pydantic import Field

from caseload.everyday import ApproachOut, TaskOut
from caseload.models import Care
from clinic.base_schema import Schema
from core.child import (
    Chaining,
    CorrectPolicy,
    GripPolicy,
    Hand,
    LaceMethod,
    Mouthing,
    Nearby,
    Place,
    PromptPolicy,
    SamenessPolicy,
    Side,
    SpeedPolicy,
    Supervision,
)
from core.materials import Texture
from core.skills import SaidKind


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
    behind: list[str] = []
    told: dict[str, int] = {}
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


class SaidIn(Schema):
    """What a referral or a family says, in their words."""

    words: str = Field(max_length=1000)


class SaidOut(Schema):
    """What was read in a clause: a wish, a strand that is behind, or a rung that others say is done; name: the task,
    the strand, or what is done at the rung, and then strand_name; words: the clause.
    """

    kind: SaidKind
    id: str
    name: str
    strand_name: str
    words: str
    rung: int | None


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


class OverrideOut(Schema):
    """A hazard rule a therapist overrides for a child: what it is about, why, since when, by whom; its last day, and
    whether it comes up for review.
    """

    rule: str
    about: str
    reason: str
    on: date
    review_on: date
    supervision: Nearby
    by: str
    due: bool
    holds: bool


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
    overrides: list[OverrideOut]
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


class OverrideIn(Schema):
    """A hazard rule a therapist overrides: why, how close an adult is, and the last day it holds; a quarter of a year
    from today where none is said.
    """

    rule: str
    reason: str = Field(max_length=300)
    supervision: Nearby = "arms_reach"
    review_on: date | None = None


class FoundChild(Schema):
    """A child by name, and what tells one from another of that name."""

    id: int
    first_name: str
    age_months: float
    home_name: str
    care: Care
