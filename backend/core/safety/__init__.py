"""The hard filter: hazard rules for things, steps and combinations."""

from core.safety.combinations import assess_together
from core.safety.named_hazards import UNANSWERED
from core.safety.rules import (
    STEP_TAGS,
    assess,
    assess_step,
    assess_stock,
    assess_within_reach,
    fits_small_parts_cylinder,
    general_cautions,
    lifted_bars,
)
from core.safety.small_parts_cylinder import DEEP_MM, SMALL_BALL_MM, fits
from core.safety.verdicts import CLOSE, RANK, RULES, Hit, Status, Verdict, worst

__all__ = [
    "CLOSE",
    "DEEP_MM",
    "RANK",
    "RULES",
    "SMALL_BALL_MM",
    "STEP_TAGS",
    "UNANSWERED",
    "Hit",
    "Status",
    "Verdict",
    "assess",
    "assess_step",
    "assess_stock",
    "assess_together",
    "assess_within_reach",
    "fits",
    "fits_small_parts_cylinder",
    "general_cautions",
    "lifted_bars",
    "worst",
]
