"""The clinic's time: set where a member is let in, taken off again when the answer is made."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from django.utils import timezone


def clinic_time(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: a thread that answered one clinic doesn't answer the next in its time zone."""

    def middleware(request: HttpRequest) -> HttpResponse:
        before = timezone.get_current_timezone_name()
        try:
            return get_response(request)
        finally:
            if timezone.get_current_timezone_name() != before:
                timezone.deactivate()

    return middleware
