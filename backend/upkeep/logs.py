"""What a process writes down: a line of JSON for each thing, which names nobody and holds nothing of a record."""

import logging
import time
import traceback
from collections.abc import Callable
from types import TracebackType
from typing import Any

from django.http import HttpRequest, HttpResponse
from pythonjsonlogger.json import JsonFormatter

requests = logging.getLogger("pollicor.requests")
Raised = tuple[type[BaseException], BaseException, TracebackType | None] | tuple[None, None, None]


class CarefulFormatter(JsonFormatter):
    """Writes where an error arose and of what kind it is, and not what it says: a database's errors quote the row."""

    def process_log_record(self, log_data: dict[str, Any]) -> dict[str, Any]:
        """Return what is written, without the request that Django hands on: of its address the pattern alone."""
        request = log_data.pop("request", None)
        if request is not None:
            match = getattr(request, "resolver_match", None)
            log_data["route"] = match.route if match else "none"
            log_data["message"] = str(log_data.get("message", "")).replace(request.path, log_data["route"])
        return log_data

    def formatException(self, ei: Raised) -> str:
        """Return the kinds and the places, from the cause to what came of it."""
        parts, error = [], ei[1]
        while error is not None:
            frames = traceback.extract_tb(error.__traceback__)
            places = "".join(f"\n  {f.filename}:{f.lineno} in {f.name}" for f in frames)
            parts.append(f"{type(error).__module__}.{type(error).__qualname__}{places}")
            error = error.__cause__ or error.__context__
        return "\n".join(reversed(parts))


def logged(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """The middleware: a line for each answer, with its address as a pattern and who asked as a number."""

    def answer(request: HttpRequest) -> HttpResponse:
        begun = time.perf_counter()
        response = get_response(request)
        match = request.resolver_match
        if match is not None and match.route != "health":
            who = getattr(request, "auth", None)
            line = {"method": request.method, "route": match.route, "status": response.status_code}
            taken = round(1000 * (time.perf_counter() - begun))
            requests.info("answered", extra={**line, "ms": taken, "member": getattr(who, "pk", None)})
        return response

    return answer
