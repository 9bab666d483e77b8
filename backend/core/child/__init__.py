"""What the rules know of a child and of where a session happens; the approaches chosen for a child; words for this
child.
"""

from core.child.approaches import CHOICES, DEFAULTS, QUESTIONS, cue_for
from core.child.in_sight import alerts
from core.child.overlays import OVERLAYS, Overlay, overlay_for
from core.child.overrides import LONGEST_DAYS, NOTICE_DAYS, REVIEW_DAYS, Override, Watched, holding
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
    "LONGEST_DAYS",
    "MOUTHING_MONTHS",
    "NOTICE_DAYS",
    "OVERLAYS",
    "PARTS",
    "PRECAUTIONS",
    "QUESTIONS",
    "REVIEW_DAYS",
    "SUPERVISION_RANK",
    "TEXTURES",
    "Chaining",
    "Child",
    "CorrectPolicy",
    "GripPolicy",
    "Hand",
    "LaceMethod",
    "Mouthing",
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
    "Watched",
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
