"""Filling a cupboard in a minute: everything by where it is kept, many counts at once, lists and another home's."""

from functools import cache

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from caseload.queries import home_for
from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import SAYS_UNITS, marked
from clinic.schema import Schema
from core.drawing import draw_thing
from core.library import THINGS
from core.materials import KEPT, Kept, Thing
from cupboard import queries, stocking
from shelf.queries import things_in_use

router = Router(tags=["cupboard"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class ShelfThing(Schema):
    """A thing to say yes to: the usual count is what a yes begins with; common: most homes have it."""

    id: str
    name: str
    usual_count: int
    common: bool
    picture: str


class Shelf(Schema):
    """What a home keeps in one place."""

    id: Kept
    name: str
    things: list[ShelfThing]


class Counts(Schema):
    """How many of each thing, by the thing's id."""

    counts: dict[str, int] = Field(max_length=1000)


class ListIn(Schema):
    """A list as text, one line a thing: name, count."""

    text: str


@router.get("/shelves", response=list[Shelf], openapi_extra=marked(SAYS_UNITS))
def list_shelves(request: HttpRequest) -> list[Shelf]:
    """Every thing there is, by where a home keeps it; the common ones first, the clinic's own before them."""
    own = things_in_use(member(request).clinic_id)
    return [
        shelf.model_copy(update={"things": [_tile(t, i) for i, t in own.items() if t.kept == shelf.id] + shelf.things})
        for shelf in _shelves()
    ]


@router.get("/homes/{home_id}/counts", response={200: Counts, **REFUSED})
def read_counts(request: HttpRequest, home_id: int) -> Counts:
    """How many of each thing a home has."""
    home = home_for(member(request), home_id)
    return Counts(counts={i.thing_id: i.count for i in queries.items(home) if i.count})


@router.put("/homes/{home_id}/counts", response={200: Counts, **REFUSED})
def set_counts(request: HttpRequest, home_id: int, body: Counts) -> Counts:
    """Say how many there are of several things; the others stay as they are."""
    stocking.set_counts(member(request), home_for(member(request), home_id), body.counts)
    return read_counts(request, home_id)


@router.post("/homes/{home_id}/list", response={200: Counts, **REFUSED})
def take_list(request: HttpRequest, home_id: int, body: ListIn) -> Counts:
    """Take in a list; with one line that can't be read, none of it is kept and each such line is said."""
    who = member(request)
    stocking.set_counts(who, home_for(who, home_id), stocking.counts_in(body.text, who.clinic_id))
    return read_counts(request, home_id)


def _tile(t: Thing, thing_id: str) -> ShelfThing:
    return ShelfThing(id=thing_id, name=t.name, usual_count=t.typical_count, common=t.common, picture=draw_thing(t))


@cache
def _shelves() -> list[Shelf]:
    things = sorted(
        (t for t in THINGS.values() if "kept_away" not in t.forms), key=lambda t: (not t.common, t.name.lower())
    )
    return [
        Shelf(
            id=kept,
            name=name,
            things=[_tile(t, t.id) for t in things if t.kept == kept],
        )
        for kept, name in KEPT.items()
    ]
