"""What a run leads to: the next step, the caseload status, movement, goals, series over time, notes."""

from core.progress.caseload_status import CaseloadStatus, Latest, StatusId, gravity, statuses
from core.progress.goals import attainment_t_score
from core.progress.movement import (
    MovementKind,
    Point,
    Smoothed,
    beside,
    carried_on,
    day_levels,
    grade_changes,
    moved,
    smoothed,
)
from core.progress.next_step import WORDS, StepKind, decide, next_hand, priority
from core.progress.notes import RunRecord, Step, draft, redraft
from core.progress.seen import Seen, highest_seen, stands_at
from core.progress.series import by_hand, help_by_day, measures
from core.progress.step_basis import policy_for
from core.progress.summary import closing_summary
from core.progress.trends import mann_kendall, nonoverlap, rungs_per_week

__all__ = [
    "WORDS",
    "CaseloadStatus",
    "Latest",
    "MovementKind",
    "Point",
    "RunRecord",
    "Seen",
    "Smoothed",
    "StatusId",
    "Step",
    "StepKind",
    "attainment_t_score",
    "beside",
    "by_hand",
    "carried_on",
    "closing_summary",
    "day_levels",
    "decide",
    "draft",
    "grade_changes",
    "gravity",
    "help_by_day",
    "highest_seen",
    "mann_kendall",
    "measures",
    "moved",
    "next_hand",
    "nonoverlap",
    "policy_for",
    "priority",
    "redraft",
    "rungs_per_week",
    "smoothed",
    "stands_at",
    "statuses",
]
