"""Long work leaves the processes that take taps: what plans, prints or works a cupboard through is handed on to a
second group of processes, of the same application, that gives way to the first (see scripts/supervisord.conf). A tap
never waits behind a plan; whoever waits for a plan takes no processor meanwhile; and what nobody waits for any more is
not begun, or given up.

Where nothing is named to hand on to (work on the code, tests, those processes themselves) it is all done here.
"""

from collections.abc import Callable
from http.client import HTTPConnection, HTTPException
from multiprocessing.connection import wait
from socket import MSG_DONTWAIT, MSG_PEEK, socket
from time import monotonic

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.http import HttpRequest, HttpResponse

from clinic.routes import LONG_WORK, with_mark
from config.incoming import GONE, refusal
from core.planner import asked_by

PATIENCE = 55  # seconds until whoever asked is told to come again
OF_ONE_CONNECTION = frozenset({"connection", "keep-alive", "transfer-encoding", "te", "trailer", "upgrade"})

Handler = Callable[[HttpRequest], HttpResponse]


def forwarding(get_response: Handler) -> Handler:
    """The middleware, before any that asks the database."""
    from config.api import api  # the routes are there once the applications are

    port, long_work = settings.PLANNER_PORT, with_mark(api, LONG_WORK)

    def answer(request: HttpRequest) -> HttpResponse:
        if not long_work.fullmatch(f"{request.method} {request.path}"):
            return get_response(request)
        if port:
            return _handed_on(request, port)
        if has_gone(request):  # while this waited for its turn
            return refusal(GONE)
        with asked_by(lambda: has_gone(request)):
            return get_response(request)

    return answer


def has_gone(request: HttpRequest) -> bool:
    """Whether whoever asked has hung up. Only gunicorn tells; with another server nobody ever has."""
    asker = _asker(request)
    if asker is None:
        return False
    try:
        return asker.recv(1, MSG_PEEK | MSG_DONTWAIT) == b""
    except BlockingIOError:  # there, and silent
        return False
    except OSError:
        return True


def _asker(request: HttpRequest) -> socket | None:
    return request.META.get("gunicorn.socket")


def _handed_on(request: HttpRequest, port: int) -> HttpResponse:
    try:
        body = request.body
    except RequestDataTooBig:
        return refusal(413)
    headers = {k: v for k, v in request.headers.items() if v and k.lower() not in OF_ONE_CONNECTION}
    connection = HTTPConnection("127.0.0.1", port, timeout=PATIENCE)
    try:
        connection.request(request.method or "GET", request.get_full_path(), body, headers)
        if not _waited_for(request, connection.sock):
            return refusal(GONE)  # hanging up there tells the planner
        said = connection.getresponse()
        response = HttpResponse(said.read(), status=said.status)
    except (HTTPException, OSError):
        response = refusal(503)
        response["Retry-After"] = "5"
        return response
    finally:
        connection.close()
    response.handed_on = True  # type: ignore[attr-defined]  # upkeep.metrics reads it
    del response.headers["Content-Type"]
    for name, value in said.headers.items():
        if name.lower() == "set-cookie":
            response.cookies.load(value)
        elif name.lower() not in OF_ONE_CONNECTION:
            response.headers[name] = value
    return response


def _waited_for(request: HttpRequest, planner: socket) -> bool:
    """Wait until the planner answers; False where whoever asked hung up meanwhile. Raises TimeoutError."""
    asker = _asker(request)
    ends = monotonic() + PATIENCE
    while (left := ends - monotonic()) > 0:
        ready = wait([planner, asker] if asker else [planner], left)
        if planner in ready:
            return True
        if asker in ready and has_gone(request):
            return False
        asker = None if asker in ready else asker  # it has sent more already: it is there
    raise TimeoutError
