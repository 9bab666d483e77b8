"""The places children have sessions in: homes, clinic rooms, schools; and where a child is."""

from django.http import HttpRequest
from ninja import Router

from caseload import actions, queries
from caseload.schemas import ChildOut, NewHome
from caseload.shown import child_out
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem

router = Router(tags=["caseload"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class HomeEdit(NewHome):
    """A changed place, and the version it was changed from."""

    is_archived: bool = False
    version: int


class HomeOut(NewHome):
    """A place with a cupboard."""

    id: int
    is_archived: bool
    version: int


class Places(Schema):
    """Where a child lives, where else it has sessions, and the child's version that was changed."""

    home_id: int
    also_at: list[int]
    version: int


@router.get("/homes", response={200: list[HomeOut], 403: Problem})
def list_homes(request: HttpRequest) -> list[HomeOut]:
    """The places with a cupboard, by kind and name."""
    return [HomeOut.model_validate(h) for h in queries.homes(member(request))]


@router.post("/homes", response={201: HomeOut, **REFUSED})
def add_home(request: HttpRequest, body: NewHome) -> tuple[int, HomeOut]:
    """Add a place with an empty cupboard."""
    home = actions.add_home(member(request), **body.model_dump())
    return 201, HomeOut.model_validate(home)


@router.put("/homes/{home_id}", response={200: HomeOut, **REFUSED})
def edit_home(request: HttpRequest, home_id: int, body: HomeEdit) -> HomeOut:
    """Change a place, or archive it; 409 where somebody else changed it meanwhile."""
    who = member(request)
    return HomeOut.model_validate(actions.edit_home(who, queries.home_for(who, home_id), **body.model_dump()))


@router.put("/children/{child_id}/places", response={200: ChildOut, **REFUSED})
def set_places(request: HttpRequest, child_id: int, body: Places) -> ChildOut:
    """Say where a child lives, and where else it has sessions."""
    who = member(request)
    child = queries.child_for(who, child_id, "child.move")
    also = [queries.home_for(who, pk) for pk in body.also_at]
    actions.set_places(who, child, queries.home_for(who, body.home_id), also, body.version)
    return child_out(queries.child_for(who, child_id))
