"""A second factor at sign-in: a code from an app (TOTP, RFC 6238) or one of eight codes on paper, by django-otp."""

from base64 import b32encode
from dataclasses import dataclass
from secrets import token_hex

from django.contrib.auth.models import User
from django_otp.plugins.otp_static.models import StaticDevice, StaticToken
from django_otp.plugins.otp_totp.models import TOTPDevice

from clinic.actions import Done, acting
from clinic.models import Member
from clinic.problems import ProblemError

PAPER_CODES = 8


@dataclass(frozen=True)
class NewFactor:
    """What an app is told: the secret as text (base 32), and the address its QR code holds."""

    secret: str
    address: str


def is_on(user: User) -> bool:
    """Whether this person signs in with a second factor."""
    return bool(TOTPDevice.objects.filter(user=user, confirmed=True).exists())


def codes_left(user: User) -> int:
    """How many codes on paper are not used yet."""
    return int(StaticToken.objects.filter(device__user=user).count())


def check(user: User, code: str) -> None:
    """Let pass a code that is good now, a code on paper once. Raises ProblemError 401 at `code` for any other, and
    after several wrong ones for a while for every one.
    """
    written = code.replace(" ", "").lower()
    if not written:
        raise ProblemError(401, "One more step", "code", "", "Your second factor is asked for.", "Open your app.")
    devices = [*TOTPDevice.objects.filter(user=user, confirmed=True), *StaticDevice.objects.filter(user=user)]
    for device in devices:
        if device.verify_is_allowed()[0] and device.verify_token(written):
            return
    raise ProblemError(
        401, "Not signed in", "code", "", "That code is not good now.", "Wait for the next one, or use one on paper."
    )


@acting("me.edit")
def begin(member: Member) -> Done[NewFactor]:
    """Make a secret for an app. Nothing is asked at sign-in before a code of it was shown. Raises ProblemError where
    a second factor is on.
    """
    if is_on(member.user):
        raise ProblemError(409, "On already", "", "", "A second factor is on.", "Switch it off first.")
    TOTPDevice.objects.filter(user=member.user).delete()
    device = TOTPDevice.objects.create(user=member.user, name=member.user.get_username(), confirmed=False)
    begun = NewFactor(b32encode(device.bin_key).decode(), device.config_url)
    return Done(begun, member, None, {"second_factor": "begun"})


@acting("me.edit")
def confirm(member: Member, code: str) -> Done[list[str]]:
    """Switch it on with a code from the app; return the codes to keep on paper, shown this once. Raises ProblemError
    at `code`.
    """
    device = TOTPDevice.objects.select_for_update().filter(user=member.user, confirmed=False).first()
    if device is None or not (device.verify_is_allowed()[0] and device.verify_token(code.replace(" ", ""))):
        raise ProblemError(422, "Not saved", "code", "", "That code is not good now.", "Wait for the next one.")
    device.confirmed = True
    device.save(update_fields=["confirmed"])
    StaticDevice.objects.filter(user=member.user).delete()
    paper = StaticDevice.objects.create(user=member.user, name="paper")
    codes = [token_hex(5) for _ in range(PAPER_CODES)]
    StaticToken.objects.bulk_create(StaticToken(device=paper, token=c) for c in codes)
    return Done(codes, member, None, {"second_factor": "on"})


@acting("me.edit")
def switch_off(member: Member, password: str) -> Done[None]:
    """Ask for no second factor any more. Raises ProblemError at `password` for a wrong one."""
    if not member.user.check_password(password):
        raise ProblemError(422, "Not saved", "password", "", "That is not your password.", "Type it once more.")
    take_away(member.user)
    return Done(None, member, None, {"second_factor": "off"})


def take_away(user: User) -> None:
    """Take a person's second factor away. Part of an action."""
    TOTPDevice.objects.filter(user=user).delete()
    StaticDevice.objects.filter(user=user).delete()
