"""The clinic's people, for its lead; and the links a new colleague or a forgotten password comes in by."""

from datetime import datetime

import segno
from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from clinic import people_actions as actions
from clinic.auth import let_in, member
from clinic.base_schema import Schema
from clinic.links import open_link
from clinic.mail import Mailed, mail_link
from clinic.models import Link, LinkKind, Member, Role
from clinic.problems import Problem
from clinic.queries import colleague, link_for, open_links, people
from clinic.routes import KEEPS_NO_KEY, marked
from clinic.schemas import Me
from clinic.shown import me_out

router = Router(tags=["people"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
CLOSED = {410: Problem, 422: Problem}


class PersonOut(Schema):
    """A colleague."""

    id: int
    name: str
    username: str
    role: Role
    active: bool
    last_seen: datetime | None
    version: int


class PersonEdit(Schema):
    """A colleague's role, whether they may sign in, and the version that was changed."""

    role: Role
    active: bool
    version: int


class LinkOut(Schema):
    """A link that works once. role: of an invitation."""

    id: int
    kind: LinkKind
    for_name: str
    role: Role | None
    expires_at: datetime


class FreshLink(LinkOut):
    """A link just made: its address and that address as a QR code (SVG), shown this once; where it was mailed to, and
    what became of that: sent, written to a folder for want of a mail server, or failed.
    """

    address: str
    qr: str
    email: str
    mailed: Mailed


class PeopleOut(Schema):
    """Everybody, and the links still open."""

    people: list[PersonOut]
    links: list[LinkOut]


class Invitation(Schema):
    """Whom to invite, and as what."""

    name: str = Field(max_length=80)
    role: Role
    email: str = Field("", max_length=254)


class OpenLink(Schema):
    """What a link is for, to whoever holds it."""

    kind: LinkKind
    clinic: str
    for_name: str
    role: Role | None
    from_name: str


class Joining(Schema):
    """A new colleague's name, sign-in and password."""

    name: str = Field(max_length=120)
    username: str
    password: str


class ChosenPassword(Schema):
    """A new password."""

    password: str


@router.get("/people", response={200: PeopleOut, 403: Problem})
def list_people(request: HttpRequest) -> PeopleOut:
    """Everybody in the clinic, those who left last; and the links still open."""
    who = member(request)
    return PeopleOut(
        people=[person_out(p) for p in people(who)], links=[LinkOut.model_validate(x) for x in open_links(who)]
    )


@router.put("/people/{member_id}", response={200: PersonOut, **REFUSED})
def edit_person(request: HttpRequest, member_id: int, body: PersonEdit) -> PersonOut:
    """Change a colleague's role, or whether they may sign in; 409 where another lead did so meanwhile."""
    who = member(request)
    return person_out(actions.edit_member(who, colleague(who, member_id), body.role, body.active, body.version))


@router.post("/people/{member_id}/reset", response={201: FreshLink, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def offer_reset(request: HttpRequest, member_id: int) -> tuple[int, FreshLink]:
    """Make a link with which a colleague chooses a new password."""
    who = member(request)
    return 201, _fresh(request, *actions.offer_reset(who, colleague(who, member_id)))


@router.post("/links", response={201: FreshLink, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def invite(request: HttpRequest, body: Invitation) -> tuple[int, FreshLink]:
    """Invite a colleague."""
    return 201, _fresh(request, *actions.invite(member(request), body.name, body.role, body.email))


@router.delete("/links/{link_id}", response={204: None, **REFUSED})
def withdraw(request: HttpRequest, link_id: int) -> tuple[int, None]:
    """Make a link useless."""
    who = member(request)
    actions.withdraw(who, link_for(who, link_id))
    return 204, None


@router.get("/join/{token}", auth=None, response={200: OpenLink, **CLOSED})
def read_link(request: HttpRequest, token: str) -> OpenLink:
    """What a link is for; 410 with the reason and whom to ask where it no longer works."""
    link = open_link(token)
    return OpenLink(
        kind=link.kind, clinic=link.clinic.name, for_name=link.for_name, role=link.role, from_name=link.made_by.name
    )


@router.post("/join/{token}", auth=None, response={201: Me, **CLOSED}, openapi_extra=marked(KEEPS_NO_KEY))
def join(request: HttpRequest, token: str, body: Joining) -> tuple[int, Me]:
    """Use an invitation: a sign-in of one's own, signed in at once."""
    made = actions.join(token, body.name, body.username, body.password)
    let_in(request, made)
    return 201, me_out(made)


@router.post("/join/{token}/password", auth=None, response={200: Me, **CLOSED}, openapi_extra=marked(KEEPS_NO_KEY))
def choose_password(request: HttpRequest, token: str, body: ChosenPassword) -> Me:
    """Use a reset link: a new password, signed in here and nowhere else."""
    who = actions.choose_password(token, body.password)
    let_in(request, who)
    return me_out(who)


def person_out(person: Member) -> PersonOut:
    """A colleague as the lead sees them."""
    return PersonOut(
        id=person.pk,
        name=person.name,
        username=person.user.get_username(),
        role=person.role,
        active=person.user.is_active,
        last_seen=person.user.last_login,
        version=person.version,
    )


def _fresh(request: HttpRequest, link: Link, token: str) -> FreshLink:
    address = request.build_absolute_uri(f"/join/{token}")
    qr = segno.make(address, error="m").svg_inline(scale=4, omitsize=True)
    shown = LinkOut.model_validate(link).model_dump()
    return FreshLink(**shown, address=address, qr=qr, email=link.email, mailed=mail_link(link, address))
