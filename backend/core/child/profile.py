"""What the rules need to know of a child and of the place a session happens in."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

from core.child.precautions import PRECAUTIONS, Precaution, PrecautionId
from core.recording import AS_SHIPPED, Learned
from core.units import in_proportion

Mouthing = Literal["never", "chews", "sometimes", "often"]
CHEWING_MONTHS = 60  # months: from this age chewing sleeve and pencil is no mouthing; common practice
Hand = Literal["right", "left", "not_settled"]
Side = Literal["none", "right", "left"]
Supervision = Literal["arms_reach", "room", "box"]
Place = Literal["clinic", "home", "school"]
PromptPolicy = Literal["least_first", "most_first"]
GripPolicy = Literal["by_age", "coach", "function"]
LaceMethod = Literal["undecided", "two_loops", "one_loop"]
CorrectPolicy = Literal["stop_and_fix", "let_run"]
SpeedPolicy = Literal["off", "own_record"]
SamenessPolicy = Literal["new_guises", "keep_same", "own_order"]
Chaining = Literal["backward", "forward", "whole"]

SUPERVISION_RANK = MappingProxyType({"box": 0, "room": 1, "arms_reach": 2})

ALLERGENS = MappingProxyType(
    {
        "wheat": "wheat",
        "nut": "nuts",
        "egg": "egg",
        "milk": "milk",
        "soy": "soy",
        "sesame": "sesame",
        "banana": "banana",
        "latex": "latex",
        "nickel": "nickel",
        "adhesive": "adhesive",
        "wool": "wool",
    }
)


TEXTURES = MappingProxyType(
    {
        "sticky": "sticky",
        "wet": "wet",
        "gritty": "gritty: sand, rice",
        "slimy": "slimy: banana, soft fruit",
        "fluffy": "fluffy: cotton, pom-poms",
        "scratchy": "scratchy: hook-and-loop, rough cloth",
        "dusty": "dusty: chalk, flour",
        "foamy": "foamy: sponge, foam",
        "noisy": "noisy: foil, bubble wrap",
        "smelly": "strong smell",
    }
)
"""Textures a child may refuse to touch, in words."""

MOUTHING_MONTHS = 36  # months: under this "never" counts as "sometimes"; common practice, no source
USUAL_FORCE = ((18, 8.0), (36, 15.0), (60, 25.0), (84, 35.0), (120, 50.0), (144, 60.0))
"""Usual working force of a whole hand by age: (months, N); from memory."""

SETTING_UP_MINUTES = 5  # minutes of a usual session on top of a child's attention; project definition
LONGEST_USUAL_MINUTES = 45  # minutes; clinic sessions last 30 to 45, common practice
MOVING_MONTHS = 66  # months: under this nobody sits through a session; common practice
SHORT_ATTENTION = 12  # minutes: under this a set has fewer tries; from memory


@dataclass(frozen=True)
class Child:
    """One child, as the rules see them. age_months is a float; forces are in newton.

    other_allergies -- in the family's words, beside those every thing is marked with
    assisting_hand  -- the hand that assists, where one does; splint_hand -- the hand that wears a splint
    young_guises    -- whether guises made for younger children are welcome
    overrides       -- hazard rules a therapist overrides, with an adult within arm's reach; overrides_in_room: with one
                       in the room
    overlays        -- what is learned on the side: ids of OVERLAYS
    cutting_rung    -- the rung of cutting that is sure by now, None where nobody has seen it
    behind          -- strands a referral or the family names as hard
    told            -- rungs of strands that others say the child does, by strand
    favourites      -- lines of the activities the child loves
    own_cues        -- what this family says in place of the spoken cue, by line of the activity
    learned         -- what the clinic's own children taught of the library
    """

    age_months: float
    hand: Hand = "not_settled"
    mouthing: Mouthing = "never"
    allergies: frozenset[str] = frozenset()
    other_allergies: tuple[str, ...] = ()
    assisting_hand: Side = "none"
    splint_hand: Side = "none"
    cutting_rung: float | None = None
    precautions: frozenset[PrecautionId] = frozenset()
    refuses: frozenset[str] = frozenset()
    likes: frozenset[str] = frozenset()
    wanted: tuple[str, ...] = ()
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
    overlays: frozenset[str] = frozenset()
    food_as_material: bool = True
    overrides: frozenset[str] = frozenset()
    overrides_in_room: frozenset[str] = frozenset()
    behind: frozenset[str] = frozenset()
    told: tuple[tuple[str, int], ...] = ()
    favourites: frozenset[str] = frozenset()
    own_cues: tuple[tuple[str, str], ...] = ()
    learned: Learned = AS_SHIPPED

    def own_cue(self, line: str) -> str:
        """What this family says at an activity; empty where it says what everybody does."""
        return next((words for known, words in self.own_cues if known == line), "")

    @property
    def looked_out_for(self) -> tuple[Precaution, ...]:
        """The child's precautions, in the order they are listed."""
        return tuple(p for id, p in PRECAUTIONS.items() if id in self.precautions)

    @property
    def mouths_often(self) -> bool:
        """Whether things often go in the mouth, or what is not food gets eaten."""
        return self.mouthing == "often" or any(p.counts_as_mouthing for p in self.looked_out_for)

    @property
    def mouths(self) -> bool:
        """Whether anything at all is said to go in the mouth."""
        return (
            self.mouthing in ("sometimes", "often")
            or (self.mouthing == "chews" and not self.chews)
            or self.mouths_often
        )

    @property
    def chews(self) -> bool:
        """Whether sleeve and pencil get chewed, and nothing else goes in the mouth: at school age no mouthing."""
        return self.mouthing == "chews" and self.age_months >= CHEWING_MONTHS

    @property
    def usual_force_newton(self) -> float:
        """The usual working force at this age, in N: between the ages of USUAL_FORCE in proportion."""
        return in_proportion(self.age_months, USUAL_FORCE)

    @property
    def force_cap_newton(self) -> float | None:
        """The most force anything may take, in N: the therapist's limit, or a precaution's share of the usual."""
        shares = (p.force_share for p in self.looked_out_for if p.force_share is not None)
        caps = [share * self.usual_force_newton for share in shares]
        return min([*caps, self.force_limit_newton] if self.force_limit_newton else caps, default=None)

    @property
    def body_first(self) -> bool:
        """Whether trunk and shoulders hold the hands back, so that the whole body warms up first."""
        return any(p.body_first for p in self.looked_out_for)

    @property
    def spares_hands(self) -> bool:
        """Whether sets are halved and rests longer."""
        return any(p.spares_hands for p in self.looked_out_for)

    @property
    def close_to_blades(self) -> bool:
        """Whether an adult is within reach of a blade at any age."""
        return any(p.close_to_blades for p in self.looked_out_for)

    @property
    def watched_always(self) -> tuple[str, ...]:
        """The marks that are watched in every block."""
        return tuple(dict.fromkeys(mark for p in self.looked_out_for for mark in p.watches))

    @property
    def read_always(self) -> tuple[str, ...]:
        """The measures that are read off in every block."""
        return tuple(dict.fromkeys(measure for p in self.looked_out_for for measure in p.reads))

    @property
    def needs_to_move(self) -> bool:
        """Whether seated blocks have one on the feet between them: the young, low tone, short attention."""
        return self.body_first or self.age_months < MOVING_MONTHS or self.attention_minutes < SHORT_ATTENTION

    @property
    def skill_hand(self) -> Hand:
        """The hand that does the skilled part: with an assisting hand, always the other one."""
        if self.assisting_hand == "none":
            return self.hand
        return "right" if self.assisting_hand == "left" else "left"

    @property
    def turn_hand(self) -> Hand:
        """The preferred hand where the other may have a turn; a hand that assists has a role instead of turns."""
        return self.hand if self.assisting_hand == "none" else "not_settled"

    @property
    def usual_minutes(self) -> int:
        """How long a session of this child usually is, in minutes: the attention there is, and the setting up."""
        return min(LONGEST_USUAL_MINUTES, self.attention_minutes + SETTING_UP_MINUTES)

    @property
    def counting_months(self) -> float:
        """The age counts go by, in months: a child of short attention gets the counts of the band below. Common
        practice.
        """
        if self.attention_minutes >= SHORT_ATTENTION:
            return self.age_months
        return 83.0 if self.age_months >= 84 else min(self.age_months, 47.0)


@dataclass(frozen=True)
class Setting:
    """Where a session happens, how close an adult is, and how many adults there are."""

    place: Place = "clinic"
    supervision: Supervision = "arms_reach"
    adults: int = 1

    def offers(self, wanted: Supervision) -> bool:
        """Whether the supervision here is at least what is wanted."""
        return SUPERVISION_RANK[self.supervision] >= SUPERVISION_RANK[wanted]
