"""One's own second factor: switched on with an app, off with the password."""

import segno
from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from clinic import second_factor as actions
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, marked

router = Router(tags=["clinic"])
REFUSED = {403: Problem, 409: Problem, 422: Problem}


class FactorOut(Schema):
    """Whether a second factor is asked for, and how many codes on paper are left."""

    on: bool
    codes_left: int


class SecretOut(Schema):
    """What an app is told: a secret as text, and as a QR code (SVG)."""

    secret: str
    qr: str


class CodeIn(Schema):
    """A code from the app."""

    code: str = Field(max_length=20)


class CodesOut(Schema):
    """Codes to keep on paper, each good once; shown this once."""

    codes: list[str]


class PasswordIn(Schema):
    """One's password."""

    password: str


@router.get("/me/second-factor", response=FactorOut)
def read_factor(request: HttpRequest) -> FactorOut:
    """Whether a second factor is asked for."""
    user = member(request).user
    return FactorOut(on=actions.is_on(user), codes_left=actions.codes_left(user))


@router.post("/me/second-factor", response={201: SecretOut, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def begin(request: HttpRequest) -> tuple[int, SecretOut]:
    """Make a secret for an app."""
    begun = actions.begin(member(request))
    qr = segno.make(begun.address, error="m").svg_inline(scale=4, omitsize=True)
    return 201, SecretOut(secret=begun.secret, qr=qr)


@router.post("/me/second-factor/confirm", response={200: CodesOut, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def confirm(request: HttpRequest, body: CodeIn) -> CodesOut:
    """Switch it on with a code from the app."""
    return CodesOut(codes=actions.confirm(member(request), body.code))


@router.post("/me/second-factor/off", response={200: FactorOut, **REFUSED}, openapi_extra=marked(KEEPS_NO_KEY))
def switch_off(request: HttpRequest, body: PasswordIn) -> FactorOut:
    """Ask for no second factor any more."""
    actions.switch_off(member(request), body.password)
    return read_factor(request)
