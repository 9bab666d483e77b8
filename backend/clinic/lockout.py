"""Sign-in locks: by account and address after a few failed attempts, by address alone after many, whatever names were
tried, but for a device on which that person has signed in before. Counted by django-axes; what is said of it is this
clinic's.
"""

from datetime import timedelta
from ipaddress import ip_address
from typing import Any

from axes.models import AccessAttempt
from django.conf import settings
from django.contrib.auth.models import User
from django.db.models import Sum
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone

from clinic.problems import ProblemError

DEVICE = "pollicor-device"  # the cookie by which a device is known again
DEVICE_SECONDS = 365 * 24 * 3600
MOST_FROM_AN_ADDRESS = 30  # failed attempts within the time of a lock: a whole clinic behind one address makes fewer


def locked() -> ProblemError:
    """What is said where sign-in is locked."""
    minutes = round(60 * settings.AXES_COOLOFF_TIME)
    return ProblemError(
        429,
        "Not signed in",
        "username",
        "",
        "Too many failed attempts.",
        f"Try again in {minutes} minutes, or ask the clinic's lead for a new password.",
    )


def address_of(request: HttpRequest) -> str:
    """Return a visitor's address: what our own front says, where there is one and the request comes from it.

    The front writes the header anew, so that its last entry is what it saw itself; from anywhere but this machine or a
    private network the header is anybody's word, and does not count.
    """
    direct = str(request.META.get("REMOTE_ADDR", ""))
    said = request.META.get("HTTP_X_FORWARDED_FOR", "").split(",")[-1].strip()
    return said if settings.BEHIND_FRONT and _is_address(said) and _is_near(direct) else direct


def _is_address(words: str) -> bool:
    try:
        ip_address(words)
    except ValueError:
        return False
    return True


def _is_near(address: str) -> bool:
    return not address or (_is_address(address) and ip_address(address).is_private)  # a socket has none


def know_device(response: HttpResponse, user_id: int) -> None:
    """Let a device be known again as one on which this person has signed in: a signed cookie, of use for nothing
    else.
    """
    response.set_signed_cookie(
        DEVICE,
        str(user_id),
        salt=DEVICE,
        max_age=DEVICE_SECONDS,
        secure=settings.SESSION_COOKIE_SECURE,
        httponly=True,
        samesite="Lax",
    )


def _is_known_device(request: HttpRequest, username: str) -> bool:
    known = request.get_signed_cookie(DEVICE, default="", salt=DEVICE, max_age=DEVICE_SECONDS)
    return bool(known) and User.objects.filter(pk=str(known), username=username).exists()


def check_address(request: HttpRequest, username: str) -> None:
    """Raise ProblemError 429 where many tries from this address have missed, by whatever names; never for somebody on
    a device of theirs.
    """
    if not settings.AXES_ENABLED or _is_known_device(request, username):
        return
    since = timezone.now() - timedelta(hours=settings.AXES_COOLOFF_TIME)
    misses = AccessAttempt.objects.filter(ip_address=address_of(request), attempt_time__gte=since)
    if (misses.aggregate(n=Sum("failures_since_start"))["n"] or 0) >= MOST_FROM_AN_ADDRESS:
        raise locked()


def answer(request: HttpRequest, response: HttpResponse | None, credentials: dict[str, Any] | None) -> HttpResponse:
    """What axes answers where it locks an account at an address: a problem like any other."""
    problem = locked().problem
    return JsonResponse(
        problem.model_dump(exclude_none=True), status=problem.status, content_type="application/problem+json"
    )
