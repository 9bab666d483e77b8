"""What may come in at all, in one place. Text that no database, sheet or screen can hold is refused before any route
reads it, with the field named; and every refusal under /api/ is a problem (RFC 9457), the framework's own too.
"""

import json
import re
import sys
from collections.abc import Callable

from django.db import InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja.parser import Parser
from ninja.types import DictStrAny

from caseload.plain_values import NO_TEXT, wrong, wrong_text
from clinic.problems import FieldProblem, Problem

# There, one that can't be kept keeps no other from being kept.
READ_ONE_BY_ONE = re.compile(r"^/api/(runs/[^/]+/events|own-file)$")
GONE = 499  # whoever asked hung up: read by nobody, and told apart from a fault in logs and counts (after nginx)
TITLES = {
    400: "Not understood",
    403: "Not allowed",
    404: "Not found",
    405: "Not possible",
    413: "Too large",
    GONE: "Given up",
    422: "Not saved",
    503: "Busy",
}
WORDS = {
    400: "The request could not be understood.",
    403: "The request was not let in. Reload the page, then try again.",
    404: "There is nothing here.",
    405: "This address can't be asked in this way.",
    503: "The server is busy just now. Try again in a moment; nothing was lost.",
    GONE: "The request was cancelled; nothing was saved.",
    413: "This is more than the server takes at once. Send less, or in several parts.",
}


class CarefulParser(Parser):
    """Reads JSON, and refuses what is none or holds what can't be kept. Raises FieldError with the field's path."""

    def parse_body(self, request: HttpRequest) -> DictStrAny:
        """Return the body's values."""
        values: DictStrAny = json.loads(request.body, parse_constant=_no_number)
        if not READ_ONE_BY_ONE.match(request.path):
            for error in wrong(values):
                raise error
        return values


def _no_number(name: str) -> float:
    raise ValueError(f"{name} is not a number that JSON has")


def incoming(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """The middleware: refuses an address that can't be, keeps answers out of caches, and turns the framework's own
    refusals into problems.
    """

    def answer(request: HttpRequest) -> HttpResponse:
        if not request.path.startswith("/api/"):
            return get_response(request)
        asked = [(name, v) for name, values in request.GET.lists() for v in (name, *values)]
        errors = [e for name, text in (("path", request.path), *asked) for e in wrong_text(text, name)]
        if errors:
            return refusal(422, NO_TEXT.sub("�", errors[0].field), errors[0].reason, errors[0].remedy)
        response = get_response(request)
        if response.status_code >= 400 and "json" not in response.get("Content-Type", ""):
            response = refusal(response.status_code)
        response.headers.setdefault("Cache-Control", "no-store")
        return response

    return answer


def failed(request: HttpRequest) -> HttpResponse:
    """Answer for what went wrong anywhere (Django calls this while the error is at hand). A database that is away, or
    whose disk is full, is no fault of the program: whoever asks comes again later.
    """
    if not isinstance(sys.exc_info()[1], OperationalError | InterfaceError):
        return refusal(500)
    response = refusal(503, reason="The database can't be reached or written to just now. Nothing was saved.")
    response["Retry-After"] = "5"
    return response


def refusal(status: int, field: str = "", reason: str = "", remedy: str = "") -> HttpResponse:
    """A problem said outside any route: about a field, or in the words of its status."""
    reason = reason or WORDS.get(status, "The server could not answer. Try again; tell the clinic's lead if it stays.")
    problem = Problem(title=TITLES.get(status, "Not answered"), status=status, detail=reason)
    if field:
        problem.fields = [FieldProblem(field=field, reason=reason, remedy=remedy)]
    return JsonResponse(problem.model_dump(exclude_none=True), status=status, content_type="application/problem+json")
