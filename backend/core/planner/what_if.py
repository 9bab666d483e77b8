"""What bringing one activity into a plan would cost."""

from dataclasses import dataclass, replace

from core.library import find_activity
from core.planner.candidates import Candidate, all_candidates
from core.planner.choice import limits_of, options_of
from core.planner.reasons import left_out, limit_words
from core.planner.request import PlannedBlock, SessionRequest
from core.planner.solver import TENTHS, WORTH_A_MINUTE, Built, Option, build, run, smallest, undominated


@dataclass(frozen=True)
class BroughtIn:
    """What one activity would take to be in the plan. cost: well-spent minutes lost, None where it can't be in; block:
    what it would be there.
    """

    activity_id: str
    name: str
    cost: float | None
    words: str
    change: str
    block: PlannedBlock | None = None


def bring_in(request: SessionRequest, activity_id: str) -> BroughtIn:
    """Return what it would cost to have this activity in the session, or the smallest change that would let it in.

    Raises NotThere for an activity that is not in the library.
    """
    activity = find_activity(activity_id)
    candidates = all_candidates(request)
    if not any(c.activity.id == activity_id for c in candidates):  # nothing for a wish, maybe: asked for all the same
        rest = frozenset(request.activities) - {activity_id}
        candidates += all_candidates(replace(request, excluded=request.excluded | rest))
    if not any(c.activity.id == activity_id for c in candidates):
        lack = next((o for o in left_out(request, frozenset()) if o.activity_id == activity_id), None)
        words = lack.reason if lack else "It plays no part in a session of this format."
        return BroughtIn(
            activity_id, activity.name, None, words, lack.remedy if lack else "Choose another format or target."
        )

    def there(built: Built[Candidate]) -> None:
        built.model.add(
            sum(t for o, t in zip(built.listed, built.take, strict=True) if o.activity.id == activity_id) >= 1
        )

    limits = limits_of(candidates, request)
    every = options_of(candidates, limits)
    mine = [o for o in every if o.activity.id == activity_id]
    brought = frozenset(thing for o in mine for thing in o.kit)
    others = undominated([o for o in every if o.activity.id != activity_id], limits.blocks, out=brought)
    best, best_status, _ = _worth(build([*mine, *others], 0, limits))
    forced = build([*mine, *others], 0, limits)
    there(forced)
    worth, status, chosen = _worth(forced)
    if best_status != "infeasible" and status != "infeasible":
        cost = max(0.0, best - worth)
        words = (
            "As good as what is there."
            if cost < 0.05
            else f"It would cost about {cost:.1f} minutes of more useful work."
        )
        block = next(o.of.planned(o.sets) for o in chosen if o.activity.id == activity_id)
        return BroughtIn(activity_id, activity.name, cost, words, "", block)
    less = smallest([*mine, *others], [], limits, also=there)
    if less is None:
        return BroughtIn(
            activity_id, activity.name, None, "It fits no session of this format.", "Choose another format."
        )
    reasons, fixes = zip(*(limit_words(g, less.minutes, request) for g in less.given_up), strict=True)
    return BroughtIn(activity_id, activity.name, None, f"With it, {' and '.join(reasons)}.", " ".join(fixes))


def _worth(built: Built[Candidate]) -> tuple[float, str, list[Option[Candidate]]]:
    built.model.maximize(built.worth)
    solver, status = run(built.model)
    if status == "infeasible":
        return 0.0, status, []
    chosen = [o for o, t in zip(built.listed, built.take, strict=True) if solver.value(t)]
    return solver.objective_value / (WORTH_A_MINUTE * TENTHS), status, chosen
