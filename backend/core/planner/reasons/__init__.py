"""What is said of a choice: its blocks with why, what was left out, why there is none, how it differs from before."""

from core.planner.reasons.blocks import as_block, stand, totals
from core.planner.reasons.differences import DifferenceKind, differences
from core.planner.reasons.group_blocks import group_block, group_minutes
from core.planner.reasons.group_left_out import left_out_together
from core.planner.reasons.infeasible import impossible, limit_words, lock_refused
from core.planner.reasons.left_out import left_out
from core.planner.reasons.session import TIDY_TOGETHER, as_plan

__all__ = [
    "TIDY_TOGETHER",
    "DifferenceKind",
    "as_block",
    "as_plan",
    "differences",
    "group_block",
    "group_minutes",
    "impossible",
    "left_out",
    "left_out_together",
    "limit_words",
    "lock_refused",
    "stand",
    "totals",
]
