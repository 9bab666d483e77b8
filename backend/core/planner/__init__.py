"""Plans: what to do, at which grade, in what order, for how long, and why."""

from core.planner.blocks import stand, totals
from core.planner.day_order import Stop, clashes, travel_order
from core.planner.dose import Pace, seconds_a_try
from core.planner.format_source import blank_format, format_issues, own_format
from core.planner.formats import FORMATS, LOOK, ORDERS, PART_NAMES, Format, format_of, look_up_formats_with
from core.planner.group import (
    GroupBlock,
    GroupPlan,
    GroupRequest,
    PlannedGroupBlock,
    group_minutes,
    plan_group,
    safe_for_all,
    stand_together,
    table_for_all,
)
from core.planner.group_left_out import left_out_together
from core.planner.request import (
    LONGEST_SESSION,
    SHORTEST_SESSION,
    WORKED_OUT,
    Block,
    ChainStep,
    LeftOut,
    LeftOutKind,
    PlannedBlock,
    PlanStatus,
    Reason,
    Refusal,
    SessionPlan,
    SessionRequest,
    Watched,
)
from core.planner.session import RequestError, plan_session
from core.planner.solver import Abandoned, asked_by
from core.planner.suitability import parts_of, plain_first, too_demanding, too_young
from core.planner.visit_bag import Bag, Visit, pack_bag
from core.planner.week import DAYS, Elsewhere, WeekPlan, WeekRequest, done_elsewhere, plan_week
from core.planner.what_if import DifferenceKind, bring_in, differences
from core.planner.why_left_out import left_out

__all__ = [
    "DAYS",
    "FORMATS",
    "LONGEST_SESSION",
    "LOOK",
    "ORDERS",
    "PART_NAMES",
    "SHORTEST_SESSION",
    "WORKED_OUT",
    "Abandoned",
    "Bag",
    "Block",
    "ChainStep",
    "DifferenceKind",
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
    "Stop",
    "Visit",
    "Watched",
    "WeekPlan",
    "WeekRequest",
    "asked_by",
    "blank_format",
    "bring_in",
    "clashes",
    "differences",
    "done_elsewhere",
    "format_issues",
    "format_of",
    "group_minutes",
    "left_out",
    "left_out_together",
    "look_up_formats_with",
    "own_format",
    "pack_bag",
    "parts_of",
    "plain_first",
    "plan_group",
    "plan_session",
    "plan_week",
    "safe_for_all",
    "seconds_a_try",
    "stand",
    "stand_together",
    "table_for_all",
    "too_demanding",
    "too_young",
    "totals",
    "travel_order",
]
