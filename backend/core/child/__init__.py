"""What the rules know of a child and of where a session happens; the approaches chosen for a child; words for this child."""

from core.child.approaches import CHOICES, DEFAULTS, cue_for
from core.child.profile import (
    ALLERGENS,
    PRECAUTIONS,
    SUPERVISION_RANK,
    Child,
    Hand,
    Mouthing,
    Place,
    PromptPolicy,
    Setting,
    Supervision,
)
from core.child.wording import for_child
from core.child.zones import PARTS, Part, Zone, Zones

__all__ = [
    "ALLERGENS",
    "CHOICES",
    "DEFAULTS",
    "PARTS",
    "PRECAUTIONS",
    "SUPERVISION_RANK",
    "Child",
    "Hand",
    "Mouthing",
    "Part",
    "Place",
    "PromptPolicy",
    "Setting",
    "Supervision",
    "Zone",
    "Zones",
    "cue_for",
    "for_child",
]
