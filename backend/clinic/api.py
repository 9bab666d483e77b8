"""Signing in and out, who is signed in, and one's own account."""

from datetime import datetime

from django.contrib.auth import authenticate
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from ninja import Router
from pydantic import Field

from clinic import people_actions as actions
from clinic.auth import from_our_page, let_in, let_out, member, note_missed
from clinic.lockout import check_address, know_device
from clinic.models import Member, Paper, Role, Theme, Thumb, Units
from clinic.passwords import stored_username
from clinic.permissions import POLICY, may
from clinic.problems import Problem, ProblemError
from clinic.queries import device_for, devices_of, member_of
from clinic.routes import KEEPS_NO_KEY, marked
from clinic.schema import Schema
from clinic.second_factor import check, is_on

router = Router(tags=["clinic"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class SignIn(Schema):
    """A name and a password; the second factor's code where that is asked for."""

    username: str = Field(max_length=150)
    password: str = Field(max_length=1000)
    code: str = Field("", max_length=20)


class Me(Schema):
    """Who is signed in. may: every action open to this member's role."""

    name: str
    username: str
    role: Role
    clinic: str
    is_demo: bool
    paper: Paper
    run_hand: Thumb
    theme: Theme
    units: Units
    may: list[str]


class MyAccount(Schema):
    """What one may change of oneself. run_hand: the side the thumb taps on."""

    name: str = Field(max_length=120)
    run_hand: Thumb
    theme: Theme = "auto"
    units: Units = "mm"


class NewPassword(Schema):
    """The password now, and the new one."""

    now: str
    password: str


class DeviceOut(Schema):
    """A device one is signed in on. seen: when it was last used, to within five minutes."""

    id: int
    device: str
    at: datetime
    seen: datetime
    here: bool


@router.post(
    "/session",
    auth=None,
    response={200: Me, 401: Problem, 403: Problem, 429: Problem},
    openapi_extra=marked(KEEPS_NO_KEY),
)
def sign_in(request: HttpRequest, response: HttpResponse, body: SignIn) -> Me:
    """Sign in with a name and a password."""
    from_our_page(request)
    username = stored_username(body.username)
    check_address(request, username)
    user = authenticate(request, username=username, password=body.password)
    member = member_of(user) if user else None
    if user is None or member is None:
        note_missed(request, username)
        raise ProblemError(
            401,
            "Not signed in",
            "username",
            body.username,
            "Wrong name or password.",
            "Try again, or ask the clinic's lead for a new password.",
        )
    if is_on(member.user):
        try:
            check(member.user, body.code)
        except ProblemError:
            if body.code:
                note_missed(request, username)
            raise
    let_in(request, member)
    know_device(response, member.user_id)
    return me_out(member)


@router.delete("/session", auth=None, response={204: None})
def sign_out(request: HttpRequest) -> tuple[int, None]:
    """Sign out."""
    from_our_page(request)
    let_out(request)
    return 204, None


@router.get("/me", response=Me)
def me(request: HttpRequest) -> Me:
    """Who is signed in; also sets the CSRF cookie."""
    get_token(request)
    return me_out(member(request))


@router.put("/me", response={200: Me, **REFUSED})
def edit_me(request: HttpRequest, body: MyAccount) -> Me:
    """Change one's own name and thumb side."""
    return me_out(actions.edit_me(member(request), body.name, body.run_hand, body.theme, body.units))


@router.post("/me/password", response={200: Me, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def change_password(request: HttpRequest, body: NewPassword) -> Me:
    """Change one's own password; this device stays signed in, every other is signed out."""
    who = actions.change_password(member(request), body.now, body.password)
    let_in(request, who)
    return me_out(who)


@router.get("/me/devices", response=list[DeviceOut])
def list_devices(request: HttpRequest) -> list[DeviceOut]:
    """Where one is signed in, newest first."""
    here = request.session.session_key
    mine = devices_of(member(request))
    return [DeviceOut(id=d.pk, device=d.device, at=d.at, seen=d.seen, here=d.key == here) for d in mine]


@router.delete("/me/devices/{device_id}", response={204: None, **REFUSED})
def sign_out_device(request: HttpRequest, device_id: int) -> tuple[int, None]:
    """Sign out on another device."""
    who = member(request)
    actions.sign_out_device(who, device_for(who, device_id))
    return 204, None


def me_out(member: Member) -> Me:
    """A member as the API shows them to themselves."""
    return Me(
        name=member.name,
        username=member.user.get_username(),
        role=member.role,
        clinic=member.clinic.name,
        is_demo=member.clinic.is_demo,
        paper=member.clinic.paper,
        run_hand=member.run_hand,
        theme=member.theme,
        units=member.units,
        may=[action for action in POLICY if may(member, action)],
    )
