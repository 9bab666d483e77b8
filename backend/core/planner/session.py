"""A session: what is asked, what suits, what is chosen of it, as blocks with reasons."""

from core.planner.candidates import candidate_of
from core.planner.choice import best_of, row_of, ways_of
from core.planner.reasons import as_plan, impossible, lock_refused
from core.planner.request import Refusal, SessionPlan, SessionRequest, check_request
from core.planner.solver import SESSION_EFFORT, Effort


def plan_session(request: SessionRequest, effort: Effort = SESSION_EFFORT) -> SessionPlan:
    """Return the best session for a request: blocks in order, each with why, and what was left out.

    The same request always gives the same plan. A request nothing can satisfy gives status
    `infeasible`, with the reason and the shortest fix.
    Raises RequestError for minutes out of range or an unknown target.
    """
    check_request(request)
    locked = []
    for block in request.locked:
        stands = candidate_of(block, request)
        if isinstance(stands, Refusal):
            return lock_refused(stands)
        locked.append(stands.option(block.sets))
    ways = ways_of(request, locked)
    chosen = best_of(ways, effort)
    if chosen is None:
        return impossible(ways, request)
    return as_plan(chosen, row_of(chosen, request), request)
