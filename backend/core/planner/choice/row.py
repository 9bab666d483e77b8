"""The chosen blocks in the order they are done, tidying up last."""

from core.planner.candidates import Candidate
from core.planner.choice.order import in_order
from core.planner.choice.tidying import tidied
from core.planner.choice.ways import Chosen
from core.planner.request import SessionRequest
from core.planner.solver import Option, PartLimit


def row_of(chosen: Chosen, request: SessionRequest) -> list[Option[Candidate]]:
    """Return what was chosen in order: a kit by its stages; else by parts, with tidying where time is kept for it."""
    options, kit = chosen.choice.chosen, chosen.way.kit
    if kit is not None:
        return sorted(options, key=lambda o: kit.place(o.activity.id) or 0)
    last = tidied(options, request) if keeps_tidying(chosen) else None
    known = {a: place for place, a in enumerate(request.recent)} if request.child.sameness_policy == "own_order" else {}
    return in_order([*options, *([last] if last else [])], request.order, known)


def keeps_tidying(chosen: Chosen) -> bool:
    """Whether time is kept for tidying up as exercise."""
    return "tidy" in chosen.way.limits.must and PartLimit("tidy") not in chosen.given_up
