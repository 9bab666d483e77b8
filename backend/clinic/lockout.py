"""Sign-in locks: by account and address after a few failed attempts, by address alone after many, whatever names were
tried. Counted by django-axes; what is said of it is this clinic's.
"""

from datetime import timedelta
from typing import Any

from axes.helpers import get_client_ip_address
from axes.models import AccessAttempt
from django.conf import settings
from django.db.models import Sum
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone

from clinic.problems import ProblemError

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


def check_address(request: HttpRequest) -> None:
    """Raise ProblemError 429 where many tries from this address have missed, by whatever names."""
    if not settings.AXES_ENABLED:
        return
    since = timezone.now() - timedelta(hours=settings.AXES_COOLOFF_TIME)
    misses = AccessAttempt.objects.filter(ip_address=get_client_ip_address(request), attempt_time__gte=since)
    if (misses.aggregate(n=Sum("failures_since_start"))["n"] or 0) >= MOST_FROM_AN_ADDRESS:
        raise locked()


def answer(request: HttpRequest, response: HttpResponse | None, credentials: dict[str, Any] | None) -> HttpResponse:
    """What axes answers where it locks an account at an address: a problem like any other."""
    problem = locked().problem
    return JsonResponse(
        problem.model_dump(exclude_none=True), status=problem.status, content_type="application/problem+json"
    )
