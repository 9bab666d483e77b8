"""The library for one child and one cupboard: how far each activity reaches there; and what to start an empty cupboard
with.
"""

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.facts import facts_of, setting_of
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.models import Member
from clinic.problems import Problem
from clinic.schema import Schema
from core.child import Child as Facts
from core.child import Part
from core.drawing import draw_thing
from core.errors import NotThere
from core.offers import Reach, grade_words, most_useful_first, reach, starter_list, swaps
from core.skills import STRANDS
from cupboard.queries import items
from planning.schemas import BlockIn, ForecastOut, SwapOut
from planning.shown import forecast_out
from planning.workbench import Wish, Workbench, asked_variant, workbench
from shelf.queries import shelf_of

router = Router(tags=["library"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class ReachOut(Schema):
    """One activity in one home. Rungs are of its first strand; expected is the chance alone at the nearest grade."""

    activity_id: str
    name: str
    group: str
    target: str
    strand: str
    strand_name: str
    also: list[str]
    parts: list[Part]
    minutes: list[float]
    grades: int
    offered: int
    least: float
    most: float
    low: float | None
    high: float | None
    mean: float
    nearest_words: list[str]
    nearest: list[int]
    easiest: list[int]
    reaches: dict[str, list[float]]
    expected: float | None
    expected_words: str
    to_add: str
    opens: int
    why_not: str
    things: list[str]
    themes: list[str]


class PictureOut(Schema):
    """A picture as SVG, with words of its own."""

    picture: str


class StarterOut(Schema):
    """A thing to start with, and how many activities the list makes whole up to it."""

    thing_id: str
    name: str
    typical_count: int
    opens: int


@router.get("/children/{child_id}/library", response={200: list[ReachOut], **REFUSED})
def read_library(request: HttpRequest, child_id: int, home_id: int) -> list[ReachOut]:
    """Every activity with the grades this home can offer this child, the most useful first."""
    bench = _bench(member(request), child_id, home_id)
    estimates = bench.request.estimates
    activities = bench.request.activities.values()
    reaches = most_useful_first(reach(a, bench.cupboard, estimates[a.strand]) for a in activities)
    return [_reach_out(r, estimates[r.activity.strand].mean, bench.cupboard.child) for r in reaches]


@router.get("/children/{child_id}/starter", response={200: list[StarterOut], **REFUSED})
def read_starter(request: HttpRequest, child_id: int, home_id: int) -> list[StarterOut]:
    """The ten things that open most for this child in this home, beside what is there."""
    who = member(request)
    child, home = child_for(who, child_id), home_for(who, home_id)
    have = [i.thing_id for i in items(home) if i.count]
    setting = setting_of(home)
    picked = starter_list(facts_of(child, timezone.localdate()), setting, have, activities=shelf_of(child.clinic_id))
    return [StarterOut(thing_id=m.id, name=m.name, typical_count=m.typical_count, opens=n) for m, n in picked]


@router.post("/children/{child_id}/forecast", response={200: ForecastOut, **REFUSED})
def forecast_here(request: HttpRequest, child_id: int, home_id: int, body: BlockIn) -> ForecastOut:
    """What a grade of an activity would be for this child in this home, nothing kept."""
    who = member(request)
    return forecast_out(_bench(who, child_id, home_id), body.planned(who))


@router.get("/children/{child_id}/swaps", response={200: list[SwapOut], **REFUSED})
def read_swaps(
    request: HttpRequest, child_id: int, home_id: int, activity_id: str, grade: str, role: str
) -> list[SwapOut]:
    """Every other thing in this home for one role, with what the swap does. grade: step places with
    commas, as 0,2,1.
    """
    who = member(request)
    bench = _bench(who, child_id, home_id)
    try:
        result = swaps(asked_variant(who, activity_id, grade), role, bench.cupboard)
    except NotThere as error:
        raise FieldError("role", role, str(error), "") from error
    things = bench.things
    return [
        SwapOut.model_validate(s).model_copy(update={"thing_picture": draw_thing(things[s.stock_id])}) for s in result
    ]


@router.get("/children/{child_id}/picture", response={200: PictureOut, **REFUSED})
def read_picture(
    request: HttpRequest, child_id: int, home_id: int, activity_id: str, grade: str, role: str, stock_id: str
) -> PictureOut:
    """A grade as a picture with another thing of this home in one role. grade: step places with commas, as 0,2,1."""
    who = member(request)
    bench = _bench(who, child_id, home_id)
    try:
        return PictureOut(picture=bench.picture_with(asked_variant(who, activity_id, grade), role, stock_id))
    except NotThere as error:
        raise FieldError("stock_id", stock_id, str(error), "") from error


def _bench(who: Member, child_id: int, home_id: int) -> Workbench:
    child, home = child_for(who, child_id), home_for(who, home_id)
    return workbench(child, home, Wish(30, (), home.kind, home.supervision), timezone.localdate())


def _reach_out(r: Reach, mean: float, child: Facts) -> ReachOut:
    f = r.activity
    strand = STRANDS[f.strand]
    return ReachOut(
        activity_id=f.id,
        name=f.name,
        group=f.group,
        target=strand.target,
        strand=strand.id,
        strand_name=strand.name,
        also=[STRANDS[s].name for s in list(f.trains)[1:]],
        parts=list(f.parts),
        minutes=list(f.minutes),
        grades=r.grades,
        offered=r.offered,
        least=r.least,
        most=r.most,
        low=r.low,
        high=r.high,
        mean=mean,
        nearest_words=list(grade_words(r.nearest, child)) if r.nearest else [],
        nearest=list(r.nearest.grade) if r.nearest else [],
        easiest=[0] * len(f.axes),
        reaches={s: [base, base + r.most - r.least] for s, base in f.trains.items()},
        expected=r.expected,
        expected_words=r.expected_words,
        to_add=r.to_add,
        opens=r.opens,
        why_not=r.why_not,
        things=list(r.things),
        themes=list(f.themes),
    )
