"""The library for one child and one cupboard: how far each activity reaches there; and what to start an empty cupboard
with.
"""

from dataclasses import dataclass

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.facts import facts_of, setting_of
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.models import Member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, LONG_WORK, SAYS_UNITS, marked
from core.child import Child as Facts
from core.child import Part, for_family
from core.drawing import draw_thing
from core.errors import NotThere
from core.library import Activity, Company, Where, company_of, practises, said_of, where_of
from core.offers import Reach, Variant, grade_words, most_useful_first, reach, starter_list, swaps
from core.skills import STRANDS, WANTED_TASKS, is_own
from cupboard.queries import items
from planning.schemas import BlockIn, ForecastOut, SwapOut
from planning.shown import forecast_out
from planning.workbench import Wish, Workbench, asked_variant, workbench
from shelf.queries import require_reader, shelf_of

router = Router(tags=["library"])
MOST_PICTURES = 24  # at a time
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
    does: str
    work: str
    where: Where
    company: Company
    loved: bool
    liked: bool
    own: bool


class ActivityWords(Schema):
    """What an activity is found by beside its name: all it says of what is done, and the wanted tasks it serves."""

    said: str
    tasks: list[str]


class PicturesOut(Schema):
    """Pictures as SVG, by activity."""

    pictures: dict[str, str]


class PictureOut(Schema):
    """A picture as SVG, with words of its own."""

    picture: str


class StarterOut(Schema):
    """A thing to start with, and how many activities the list makes whole up to it."""

    thing_id: str
    name: str
    typical_count: int
    opens: int


@router.get(
    "/children/{child_id}/library",
    response={200: list[ReachOut], **REFUSED},
    openapi_extra=marked(LONG_WORK, SAYS_UNITS),
)
def read_library(request: HttpRequest, child_id: int, home_id: int) -> list[ReachOut]:
    """Every activity with the grades this home can offer this child, the most useful first."""
    who = member(request)
    bench = _bench(who, child_id, home_id)
    estimates = bench.request.estimates
    activities = bench.request.activities.values()
    reaches = most_useful_first(reach(a, bench.cupboard, estimates) for a in activities)
    seen = LibraryAsk(bench.cupboard.child, frozenset(who.favourites))
    return [_reach_out(r, estimates[r.activity.strand].mean, seen) for r in reaches]


@router.get("/activity-words", response={200: dict[str, ActivityWords], 403: Problem}, openapi_extra=marked(SAYS_UNITS))
def read_activity_words(request: HttpRequest) -> dict[str, ActivityWords]:
    """The words each activity of the clinic's is found by, by its id: fetched once, when something is looked for."""
    who = member(request)
    require_reader(who)
    shelf = shelf_of(who.clinic_id)
    return {i: ActivityWords(said=for_family(said_of(a)), tasks=_tasks_of(a)) for i, a in shelf.items()}


@router.get("/children/{child_id}/pictures", response={200: PicturesOut, **REFUSED})
def read_pictures(request: HttpRequest, child_id: int, home_id: int, activity_ids: str) -> PicturesOut:
    """Each activity drawn at the grade nearest to the child, without the table; ids with commas."""
    ids = activity_ids.split(",")
    if len(ids) > MOST_PICTURES:
        reason = f"{len(ids)} pictures are asked for; {MOST_PICTURES} is the most."
        raise FieldError("activity_ids", len(ids), reason, "Ask for them in several parts.")
    bench = _bench(member(request), child_id, home_id)
    shelf, estimates = bench.request.activities, bench.request.estimates
    asked = [shelf[i] for i in ids if i in shelf]
    reaches = [reach(a, bench.cupboard, estimates) for a in asked]
    grades = {r.activity.id: r.nearest or Variant(r.activity.id, (0,) * len(r.activity.axes)) for r in reaches}
    return PicturesOut(pictures={i: bench.picture(v, table=False) for i, v in grades.items()})


@router.get(
    "/children/{child_id}/starter",
    response={200: list[StarterOut], **REFUSED},
    openapi_extra=marked(LONG_WORK, SAYS_UNITS),
)
def read_starter(request: HttpRequest, child_id: int, home_id: int) -> list[StarterOut]:
    """The ten things that open most for this child in this home, beside what is there."""
    who = member(request)
    child, home = child_for(who, child_id), home_for(who, home_id)
    have = [i.thing_id for i in items(home) if i.count]
    setting = setting_of(home)
    picked = starter_list(facts_of(child, timezone.localdate()), setting, have, activities=shelf_of(child.clinic_id))
    return [StarterOut(thing_id=m.id, name=m.name, typical_count=m.typical_count, opens=n) for m, n in picked]


@router.post(
    "/children/{child_id}/forecast",
    response={200: ForecastOut, **REFUSED},
    openapi_extra=marked(LONG_WORK, SAYS_UNITS, KEEPS_NO_KEY),
)
def forecast_here(request: HttpRequest, child_id: int, home_id: int, body: BlockIn) -> ForecastOut:
    """What a grade of an activity would be for this child in this home, nothing kept."""
    who = member(request)
    return forecast_out(_bench(who, child_id, home_id), body.planned(who))


@router.get(
    "/children/{child_id}/swaps", response={200: list[SwapOut], **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
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


@router.get("/children/{child_id}/picture", response={200: PictureOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
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
    child, home = child_for(who, child_id, beside=()), home_for(who, home_id)
    return workbench(child, home, Wish(30, (), home.kind, home.supervision), timezone.localdate())


@dataclass(frozen=True)
class LibraryAsk:
    """Who looks for whom: the child, and the lines of one's own favourites."""

    child: Facts
    liked: frozenset[str]


def _tasks_of(activity: Activity) -> list[str]:
    """The wanted tasks an activity practises, or helps in the same job of the hands."""
    return [
        t.id
        for t in WANTED_TASKS.values()
        if any(practises(activity, s, t) or t.helped_by(s, activity.jobs.get(s, "")) for s in activity.trains)
    ]


def _reach_out(r: Reach, mean: float, seen: LibraryAsk) -> ReachOut:
    f, child = r.activity, seen.child
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
        does=for_family(f.does, child),
        work=f.work,
        where=where_of(f),
        company=company_of(f),
        loved=f.line in child.favourites,
        liked=f.line in seen.liked,
        own=is_own(f.id),
    )
