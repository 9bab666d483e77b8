"""Filling a cupboard in a minute: everything by where it is kept, many counts at once, lists and another home's."""

from django.http import HttpRequest
from ninja import Router

from caseload.queries import home_for
from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import SAYS_UNITS, marked
from cupboard import queries, stocking
from cupboard.schemas import Counts, ListIn, Shelf
from cupboard.shown import shelves_of

router = Router(tags=["cupboard"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


@router.get("/shelves", response=list[Shelf], openapi_extra=marked(SAYS_UNITS))
def list_shelves(request: HttpRequest) -> list[Shelf]:
    """Every thing there is, by where a home keeps it; the common ones first, the clinic's own before them."""
    return shelves_of(member(request))


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
