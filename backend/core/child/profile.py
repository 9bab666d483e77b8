"""What the rules need to know of a child and of the place a session happens in."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

Mouthing = Literal["never", "sometimes", "often"]
Hand = Literal["right", "left", "not_settled"]
Supervision = Literal["arms_reach", "room", "box"]
Place = Literal["clinic", "home", "school"]
PromptPolicy = Literal["least_first", "most_first"]
GripPolicy = Literal["by_age", "coach", "function"]
LaceMethod = Literal["undecided", "two_loops", "one_loop"]
CorrectPolicy = Literal["stop_and_fix", "let_run"]
SpeedPolicy = Literal["off", "own_record", "race"]

SUPERVISION_RANK = MappingProxyType({"box": 0, "room": 1, "arms_reach": 2})

ALLERGENS = MappingProxyType(
    {
        "wheat": "wheat",
        "nut": "nuts",
        "egg": "egg",
        "milk": "milk",
        "soy": "soy",
        "latex": "latex",
    }
)

PRECAUTIONS = MappingProxyType(
    {
        "joint_laxity": "loose joints",
        "wrist_weight": "no weight on the hands or wrists",
        "fracture": "recent fracture or surgery",
        "splint": "wears a splint",
        "pain": "pain in the hand",
        "seizures": "seizures",
        "skin": "sensitive or broken skin",
        "swallowing": "trouble swallowing",
    }
)


SETTING_UP_MINUTES = 5  # minutes of a usual session on top of a child's attention; project definition
LONGEST_USUAL_MINUTES = 45  # minutes; clinic sessions last 30 to 45, common practice
SHORT_ATTENTION = 12  # minutes: under this a set has fewer tries; from memory


@dataclass(frozen=True)
class Child:
    """One child, as the rules see them. age_months is a float; forces are in newton."""

    age_months: float
    hand: Hand = "not_settled"
    mouthing: Mouthing = "never"
    allergies: frozenset[str] = frozenset()
    precautions: frozenset[str] = frozenset()
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
    food_as_material: bool = True
    overrides: frozenset[str] = frozenset()

    @property
    def mouths(self) -> bool:
        """Whether anything at all is said to go in the mouth."""
        return self.mouthing != "never"

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
    """Where a session happens and how close an adult is."""

    place: Place = "clinic"
    supervision: Supervision = "arms_reach"

    def offers(self, wanted: Supervision) -> bool:
        """Whether the supervision here is at least what is wanted."""
        return SUPERVISION_RANK[self.supervision] >= SUPERVISION_RANK[wanted]
