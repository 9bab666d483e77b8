"""Plans: what to do, at which grade, in what order, for how long, and why."""

from core.planner.candidates import left_out
from core.planner.consumables import shared_out
from core.planner.formats import FORMATS, ORDERS, format_of
from core.planner.group import GroupBlock, GroupPlan, GroupRequest, plan_group, safe_for_all
from core.planner.group_left_out import left_out_together
from core.planner.request import (
    Block,
    LeftOut,
    LockedBlock,
    Reason,
    SessionPlan,
    SessionRequest,
)
from core.planner.session import RequestError, block_of, plan_session, totals
from core.planner.visit_bag import Bag, Visit, pack_bag
from core.planner.week import DAYS, WeekPlan, WeekRequest, plan_week
from core.planner.what_if import Placed, bring_in, differences

__all__ = [
    "DAYS",
    "FORMATS",
    "ORDERS",
    "Bag",
    "Block",
    "GroupBlock",
    "GroupPlan",
    "GroupRequest",
    "LeftOut",
    "LockedBlock",
    "Placed",
    "Reason",
    "RequestError",
    "SessionPlan",
    "SessionRequest",
    "Visit",
    "WeekPlan",
    "WeekRequest",
    "block_of",
    "bring_in",
    "differences",
    "format_of",
    "left_out",
    "left_out_together",
    "pack_bag",
    "plan_group",
    "plan_session",
    "plan_week",
    "safe_for_all",
    "shared_out",
    "totals",
]
