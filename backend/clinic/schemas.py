"""What the API of members takes and gives."""

from datetime import datetime

from pydantic import Field

from clinic.base_schema import Schema
from clinic.models import Paper, Role, Theme, Thumb, Units


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
