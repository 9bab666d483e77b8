"""Plans: what to do, at which grade, in what order, for how long, and why."""

from core.planner.bag import Bag, Visit, pack_bag
from core.planner.group import GroupPlan, GroupRequest, plan_group
from core.planner.lasting import shared_out
from core.planner.request import (
    Block,
    LeftOut,
    LockedBlock,
    Reason,
    SessionPlan,
    SessionRequest,
)
from core.planner.session import RequestError, block_of, plan_session, totals
from core.planner.week import WeekPlan, WeekRequest, plan_week

__all__ = [
    "Bag", "Block", "GroupPlan", "GroupRequest", "LeftOut", "LockedBlock", "Reason", "RequestError", "SessionPlan",
    "SessionRequest", "Visit", "WeekPlan", "WeekRequest", "block_of", "pack_bag", "plan_group", "plan_session", "plan_week", "shared_out", "totals",
]  # fmt: skip
