"""Signing in and out, and who is signed in."""

from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router

from clinic.auth import member
from clinic.models import Member
from clinic.permissions import POLICY, may
from clinic.problems import Problem, ProblemError
from clinic.queries import member_of
from clinic.schema import Schema

router = Router(tags=["clinic"])


class SignIn(Schema):
    """A name and a password."""

    username: str
    password: str


class Me(Schema):
    """Who is signed in. may: every action open to this member's role."""

    name: str
    role: str
    clinic: str
    run_hand: str
    may: list[str]


@router.post("/session", auth=None, response={200: Me, 401: Problem, 429: Problem})
def sign_in(request: HttpRequest, body: SignIn) -> Me:
    """Sign in with a name and a password."""
    user = authenticate(request, username=body.username, password=body.password)
    member = member_of(user) if user else None
    if user is None or member is None:
        raise ProblemError(
            401,
            "Not signed in",
            "username",
            body.username,
            "Wrong name or password.",
            "Try again, or ask the clinic's lead for a new password.",
        )
    login(request, user)
    return _me(member)


@router.delete("/session", auth=None, response={204: None})
def sign_out(request: HttpRequest) -> tuple[int, None]:
    """Sign out."""
    logout(request)
    return 204, None


@router.get("/me", response=Me)
def me(request: HttpRequest) -> Me:
    """Who is signed in; also sets the CSRF cookie."""
    get_token(request)
    return _me(member(request))


def _me(member: Member) -> Me:
    name = member.name
    return Me(
        name=name,
        role=member.role,
        clinic=member.clinic.name,
        run_hand=member.run_hand,
        may=[action for action in POLICY if may(member, action)],
    )
