"""The hard filter: hazard rules for things, steps and combinations."""

from core.safety.combinations import assess_together
from core.safety.rules import (
    RANK,
    STEP_TAGS,
    Hit,
    Status,
    Verdict,
    assess,
    assess_step,
    fits_small_parts_cylinder,
    lifted_bars,
    worst,
)
from core.safety.small_parts_cylinder import DEEP_MM, SMALL_BALL_MM, fits

__all__ = [
    "DEEP_MM",
    "RANK",
    "SMALL_BALL_MM",
    "STEP_TAGS",
    "Hit",
    "Status",
    "Verdict",
    "assess",
    "assess_step",
    "assess_together",
    "fits",
    "fits_small_parts_cylinder",
    "lifted_bars",
    "worst",
]
