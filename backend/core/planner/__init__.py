"""Plans: what to do, at which grade, in what order, for how long, and why."""

from core.planner.request import (
    Block,
    LeftOut,
    LockedBlock,
    Reason,
    SessionPlan,
    SessionRequest,
)
from core.planner.session import RequestError, block_of, plan_session, totals

__all__ = [
    "Block", "LeftOut", "LockedBlock", "Reason", "RequestError", "SessionPlan", "SessionRequest", "block_of",
    "plan_session", "totals",
]  # fmt: skip
