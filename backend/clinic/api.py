"""Signing in and out, who is signed in, and one's own account."""

from django.contrib.auth import authenticate
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from ninja import Router

from clinic import people_actions as actions
from clinic.auth import from_our_page, let_in, let_out, member, note_missed
from clinic.lockout import check_address, know_device
from clinic.passwords import stored_username
from clinic.problems import Problem, ProblemError
from clinic.queries import device_for, devices_of, member_of
from clinic.routes import KEEPS_NO_KEY, marked
from clinic.schemas import DeviceOut, Me, MyAccount, NewPassword, SignIn
from clinic.second_factor import check, is_on
from clinic.shown import me_out

router = Router(tags=["clinic"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


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
