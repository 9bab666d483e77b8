"""What a process works out once, before anybody waits for it."""

import gc
from collections.abc import Mapping
from types import MappingProxyType

from core import ability
from core.child import Child, Mouthing, Setting
from core.library import THINGS
from core.offers import stock_of
from core.planner.request import SessionRequest
from core.planner.session import plan_session
from core.skills import STRANDS

AGES: Mapping[int, Mouthing] = MappingProxyType({26: "often", 50: "never", 108: "never"})
"""Months and mouthing of three children who together meet most of the library."""


def warm_up() -> None:
    """Plan for three children in houses that have everything, so that what grades ask and what things are is at hand;
    then take all of it out of the garbage collector's rounds, which would look through it in the midst of a plan.
    """
    stock = stock_of({thing.id: thing.typical_count for thing in THINGS.values()})
    for months, mouthing in AGES.items():
        child = Child(months, hand="right", mouthing=mouthing)
        estimates = {s: ability.start(child, s) for s in STRANDS}
        request = SessionRequest(child, Setting(), stock, estimates, 45, ("grasp", "bilateral"))
        plan_session(request)
    gc.collect()
    gc.freeze()
