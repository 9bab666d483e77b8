"""What the rules know of a child and of where a session happens; the approaches chosen for a child; words for this
child.
"""

from core.child.approaches import CHOICES, DEFAULTS, QUESTIONS, cue_for
from core.child.in_sight import alerts
from core.child.overlays import OVERLAYS, Overlay, overlay_for
from core.child.overrides import (
    LONGEST_OVERRIDE,
    OVERRIDE_DAYS,
    OVERRIDE_NOTICE,
    Nearby,
    Override,
    holding,
)
from core.child.precautions import PRECAUTIONS, Precaution, PrecautionId, known_precautions
from core.child.profile import (
    ALLERGENS,
    MOUTHING_MONTHS,
    SUPERVISION_RANK,
    TEXTURES,
    Chaining,
    Child,
    CorrectPolicy,
    GripPolicy,
    Hand,
    LaceMethod,
    Mouthing,
    Place,
    PromptPolicy,
    SamenessPolicy,
    Setting,
    Side,
    SpeedPolicy,
    Supervision,
)
from core.child.wording import for_child, for_family
from core.child.zones import PARTS, Part, Zone, Zones

__all__ = [
    "ALLERGENS",
    "CHOICES",
    "DEFAULTS",
    "LONGEST_OVERRIDE",
    "MOUTHING_MONTHS",
    "OVERLAYS",
    "OVERRIDE_DAYS",
    "OVERRIDE_NOTICE",
    "PARTS",
    "PRECAUTIONS",
    "QUESTIONS",
    "SUPERVISION_RANK",
    "TEXTURES",
    "Chaining",
    "Child",
    "CorrectPolicy",
    "GripPolicy",
    "Hand",
    "LaceMethod",
    "Mouthing",
    "Nearby",
    "Overlay",
    "Override",
    "Part",
    "Place",
    "Precaution",
    "PrecautionId",
    "PromptPolicy",
    "SamenessPolicy",
    "Setting",
    "Side",
    "SpeedPolicy",
    "Supervision",
    "Zone",
    "Zones",
    "alerts",
    "cue_for",
    "for_child",
    "for_family",
    "holding",
    "known_precautions",
    "overlay_for",
]
