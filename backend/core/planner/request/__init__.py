"""What is asked of the planner and what comes back: wishes, formats, doses, plans."""

from core.planner.request.dose import Dose, Pace, dose_of, seconds_a_try
from core.planner.request.format_source import blank_format, format_issues, own_format
from core.planner.request.formats import (
    BOXES,
    FORMATS,
    LOOK,
    ORDERS,
    PART_NAMES,
    Format,
    format_of,
)
from core.planner.request.group import GroupBlock, GroupPlan, GroupRequest, PlannedGroupBlock, Shared
from core.planner.request.plan import (
    WORKED_OUT,
    Block,
    ChainStep,
    LeftOut,
    LeftOutKind,
    PlanStatus,
    Reason,
    Refusal,
    SessionPlan,
    Watched,
)
from core.planner.request.session import (
    LONGEST_SESSION,
    SHORTEST_SESSION,
    PlannedBlock,
    RequestError,
    SessionRequest,
    check_request,
)
from core.planner.request.week import DAYS, Day, Elsewhere, WeekPlan, WeekRequest, done_elsewhere

__all__ = [
    "BOXES",
    "DAYS",
    "FORMATS",
    "LONGEST_SESSION",
    "LOOK",
    "ORDERS",
    "PART_NAMES",
    "SHORTEST_SESSION",
    "WORKED_OUT",
    "Block",
    "ChainStep",
    "Day",
    "Dose",
    "Elsewhere",
    "Format",
    "GroupBlock",
    "GroupPlan",
    "GroupRequest",
    "LeftOut",
    "LeftOutKind",
    "Pace",
    "PlanStatus",
    "PlannedBlock",
    "PlannedGroupBlock",
    "Reason",
    "Refusal",
    "RequestError",
    "SessionPlan",
    "SessionRequest",
    "Shared",
    "Watched",
    "WeekPlan",
    "WeekRequest",
    "blank_format",
    "check_request",
    "done_elsewhere",
    "dose_of",
    "format_issues",
    "format_of",
    "own_format",
    "seconds_a_try",
]
