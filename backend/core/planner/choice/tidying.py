"""Tidying up as exercise: made of what is out by then, so that it brings nothing new to the table."""

from collections.abc import Sequence
from dataclasses import replace

from core.planner.candidates import Candidate, tidying
from core.planner.request import SessionRequest
from core.planner.solver import STEP, TIDY, Option, own_steps

MOST_TIDY = 3  # sets


def tidied(chosen: Sequence[Option[Candidate]], request: SessionRequest) -> Option[Candidate] | None:
    """Return the tidying whose forecast fits best among those that need only what is out; None where none does."""
    out = {thing for o in chosen for thing in o.kit} - {thing for o in chosen for thing in o.uses}
    busy = frozenset(o.activity.id for o in chosen)
    stock = tuple(s for s in request.stock if s.id in out)
    table = replace(request, stock=stock, usable=None, excluded=request.excluded | busy)
    room = round(TIDY * STEP)
    calm = [c for c in tidying(table) if not c.activity.tiring]  # it may follow on a tiring block
    fitting = [c for c in calm if c.dose.steps(1) + own_steps(c.activity) <= room]
    best = max(fitting, key=lambda c: (c.quality, c.activity.id), default=None)
    if best is None:
        return None
    sets = best.dose.sets_within(room - own_steps(best.activity))
    return best.option(max(1, min(MOST_TIDY, sets, best.dose.most)))
