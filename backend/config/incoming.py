"""What may come in at all, in one place: text that no database, sheet or screen can hold is refused before any route
reads it, with the field named; and whatever says no under /api/ says so as a problem (RFC 9457).
"""

import json
import re
from collections.abc import Callable, Iterator
from math import isfinite
from typing import Any

from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja.parser import Parser
from ninja.types import DictStrAny

from caseload.checks import FieldError
from clinic.problems import FieldProblem, Problem

LONGEST_TEXT = 20_000  # letters of one text: a long note has 5,000
LONGEST_LIST = 5_000  # entries of one list
BIGGEST_NUMBER = 2**53  # what JSON's readers agree on (RFC 8259, section 6)
DEEPEST = 40  # lists and objects within each other
NO_TEXT = re.compile(
    "[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff]"
)  # control characters but tab and new line; half pairs
READ_ONE_BY_ONE = re.compile(r"^/api/runs/[^/]+/events$")  # there, one that can't be kept keeps no other from it
TITLES = {
    400: "Not understood",
    403: "Not allowed",
    404: "Not found",
    405: "Not possible",
    413: "Too large",
    422: "Not saved",
    503: "Busy",
}
WORDS = {
    400: "The request could not be understood.",
    403: "The request was not let in. Reload the page, then try again.",
    404: "There is nothing here.",
    405: "This address can't be asked in this way.",
    503: "The server is busy just now. Try again in a moment; nothing was lost.",
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


def wrong(values: Any, at: str = "", depth: int = 0) -> Iterator[FieldError]:
    """Everything in plain values that can't be kept, each at its path."""
    if isinstance(values, str):
        yield from _wrong_text(values, at)
    elif isinstance(values, bool) or values is None:
        return
    elif isinstance(values, int | float):
        if not isfinite(values) or abs(values) > BIGGEST_NUMBER:
            yield FieldError(at, str(values)[:40], "This number is too large.", "Use a smaller one.")
    elif depth >= DEEPEST:
        yield FieldError(at, "", f"It is nested more than {DEEPEST} deep.", "Send it flatter.")
    elif isinstance(values, list):
        if len(values) > LONGEST_LIST:
            reason = f"It has {len(values):,} entries; {LONGEST_LIST:,} is the most."
            yield FieldError(at, len(values), reason, "Send it in several parts.")
        for i, value in enumerate(values):
            yield from wrong(value, f"{at}.{i}" if at else str(i), depth + 1)
    else:
        for key, value in values.items():
            inside = f"{at}.{key}" if at else key
            yield from _wrong_text(key, at)
            yield from wrong(value, inside, depth + 1)


def _wrong_text(text: str, at: str) -> Iterator[FieldError]:
    if NO_TEXT.search(text):
        shown = NO_TEXT.sub("�", text)[:80]
        yield FieldError(at, shown, "It holds a character that no text has.", "Write it again by hand.")
    if len(text) > LONGEST_TEXT:
        reason = f"It has {len(text):,} letters; {LONGEST_TEXT:,} is the most."
        yield FieldError(at, text[:80], reason, "Shorten it.")


def _no_number(name: str) -> float:
    raise ValueError(f"{name} is not a number that JSON has")


def incoming(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """The middleware: asks no route with a query that can't be, keeps answers out of caches, and says every no of the
    framework's own as a problem.
    """

    def answer(request: HttpRequest) -> HttpResponse:
        if not request.path.startswith("/api/"):
            return get_response(request)
        errors = [e for name, values in request.GET.lists() for v in (name, *values) for e in _wrong_text(v, name)]
        if errors:
            return refusal(422, NO_TEXT.sub("�", errors[0].field), errors[0].reason, errors[0].remedy)
        response = get_response(request)
        if response.status_code >= 400 and "json" not in response.get("Content-Type", ""):
            response = refusal(response.status_code)
        response.headers.setdefault("Cache-Control", "no-store")
        return response

    return answer


def refusal(status: int, field: str = "", reason: str = "", remedy: str = "") -> HttpResponse:
    """A problem said outside any route: about a field, or in the words of its status."""
    reason = reason or WORDS.get(status, "The server could not answer. Try again; tell the clinic's lead if it stays.")
    problem = Problem(title=TITLES.get(status, "Not answered"), status=status, detail=reason)
    if field:
        problem.fields = [FieldProblem(field=field, reason=reason, remedy=remedy)]
    return JsonResponse(problem.model_dump(exclude_none=True), status=status, content_type="application/problem+json")
