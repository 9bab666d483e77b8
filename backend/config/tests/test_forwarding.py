"""Long work is handed on as it was asked and answered as it was said; without anybody there, it is said to be busy."""

from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from socket import socket, socketpair
from threading import Event, Thread
from typing import ClassVar

from django.http import HttpRequest, HttpResponse
from django.test import RequestFactory, SimpleTestCase, override_settings
from ortools.sat.python import cp_model

from clinic.routes import KEEPS_NO_KEY, LONG_WORK, SAYS_UNITS, operations, with_mark
from config.api import api
from config.forwarding import forwarding
from core.planner import Abandoned
from core.planner.solver import run
from testing.tags import slow


class Planner(BaseHTTPRequestHandler):
    """Says back what it was asked."""

    asked: ClassVar[list[tuple[str, str, str, bytes]]] = []

    def do_POST(self) -> None:
        body = self.rfile.read(int(self.headers.get("Content-Length", 0)))
        self.asked.append((self.command, self.path, self.headers.get("Cookie", ""), body))
        self.send_response(422)
        self.send_header("Content-Type", "application/problem+json")
        self.send_header("Set-Cookie", "csrftoken=new; Path=/; SameSite=Lax")
        self.send_header("Connection", "close")
        self.end_headers()
        self.wfile.write(b'{"status": 422}')

    do_GET = do_POST

    def log_message(self, format: str, *args: object) -> None:
        """Say nothing."""


class Slow(BaseHTTPRequestHandler):
    """Never answers; says when it was asked and when whoever asked hung up."""

    asked, left = Event(), Event()

    def do_GET(self) -> None:
        self.asked.set()
        self.rfile.read(1)
        self.left.set()

    def log_message(self, format: str, *args: object) -> None:
        """Say nothing."""


def here(request: HttpRequest) -> HttpResponse:
    return HttpResponse("done here")


class ForwardingTest(SimpleTestCase):
    def setUp(self) -> None:
        self.port = self.serving(Planner)
        Planner.asked.clear()
        self.ask = RequestFactory(headers={"Cookie": "sessionid=abc"})

    def serving(self, handler: type[BaseHTTPRequestHandler]) -> int:
        server = ThreadingHTTPServer(("127.0.0.1", 0), handler)
        Thread(target=server.serve_forever, daemon=True).start()
        self.addCleanup(server.server_close)
        self.addCleanup(server.shutdown)
        return server.server_port

    def asker(self) -> tuple[socket, socket]:
        """Both ends of a connection: of whoever asks, and of the server."""
        ends = socketpair()
        for end in ends:
            self.addCleanup(end.close)
        return ends

    def test_what_is_long_goes_and_what_is_quick_stays(self) -> None:
        long_work = with_mark(api, LONG_WORK)
        for asked in (
            "POST /api/children/4/plans",
            "POST /api/plans/8-4/forecast",
            "GET /api/children/4/library",
            "GET /api/plans/8-4/sheet.pdf",
        ):
            self.assertTrue(long_work.fullmatch(asked), asked)
        for asked in (
            "POST /api/runs/8-4/events",
            "POST /api/session",
            "GET /api/children/4/plans",
            "GET /api/caseload",
            "PUT /api/plans/8-4",
            "GET /children/4/library",
        ):
            self.assertFalse(long_work.fullmatch(asked), asked)

    def test_a_route_says_of_itself_what_is_special_about_it(self) -> None:
        """Every sheet is long work; whatever gives out a code or a link is never kept; of plans, units are said."""
        for path, operation in operations(api):
            marks, first = operation.openapi_extra or {}, path.split("/")[2]
            self.assertLessEqual(set(marks), {LONG_WORK, SAYS_UNITS, KEEPS_NO_KEY}, path)
            if path.endswith(".pdf"):
                self.assertTrue(marks.get(LONG_WORK), path)
            if "POST" in operation.methods and first in ("session", "setup", "me", "links", "join", "people"):
                self.assertTrue(marks.get(KEEPS_NO_KEY), path)
            if first in ("plans", "weeks", "groups") and "sheet" not in path and "strip" not in path:
                self.assertTrue(marks.get(SAYS_UNITS), path)

    def test_it_is_asked_and_answered_as_it_was(self) -> None:
        with override_settings(PLANNER_PORT=self.port):
            answer = forwarding(here)(
                self.ask.post("/api/children/4/forecast?home_id=2", b'{"a": 1}', content_type="application/json")
            )
        asked = [("POST", "/api/children/4/forecast?home_id=2", "sessionid=abc", b'{"a": 1}')]
        self.assertEqual(Planner.asked, asked)
        self.assertEqual((answer.status_code, answer.content), (422, b'{"status": 422}'))
        self.assertEqual(answer["Content-Type"], "application/problem+json")
        self.assertEqual((answer.cookies["csrftoken"].value, answer.cookies["csrftoken"]["samesite"]), ("new", "Lax"))
        self.assertNotIn("Connection", answer.headers)

    def test_it_is_done_here_where_nothing_is_named_and_where_it_is_quick(self) -> None:
        long = self.ask.post("/api/children/4/plans", b"{}", content_type="application/json")
        with override_settings(PLANNER_PORT=0):
            self.assertEqual(forwarding(here)(long).content, b"done here")
        with override_settings(PLANNER_PORT=self.port):
            self.assertEqual(forwarding(here)(self.ask.get("/api/me")).content, b"done here")
        self.assertEqual(Planner.asked, [])

    def test_nobody_there_is_said_to_be_busy_with_when_to_come_again(self) -> None:
        with override_settings(PLANNER_PORT=1):  # nothing listens there
            answer = forwarding(here)(self.ask.get("/api/children/4/library?home_id=2"))
        self.assertEqual((answer.status_code, answer["Retry-After"]), (503, "5"))
        self.assertEqual(answer["Content-Type"], "application/problem+json")

    @override_settings(DATA_UPLOAD_MAX_MEMORY_SIZE=10)
    def test_more_than_the_server_takes_is_not_even_handed_on(self) -> None:
        with override_settings(PLANNER_PORT=self.port):
            asked = self.ask.post("/api/children/4/plans", b"x" * 11, content_type="application/json")
            self.assertEqual(forwarding(here)(asked).status_code, 413)
        self.assertEqual(Planner.asked, [])

    @slow
    def test_whoever_hangs_up_is_noticed_and_the_planner_is_told(self) -> None:
        theirs, ours = self.asker()
        asked = self.ask.get("/api/children/4/library", **{"gunicorn.socket": ours})
        said: list[int] = []
        with override_settings(PLANNER_PORT=self.serving(Slow)):
            forward = forwarding(here)
            waiting = Thread(target=lambda: said.append(forward(asked).status_code))
            waiting.start()
            self.assertTrue(Slow.asked.wait(30))
            self.assertFalse(Slow.left.is_set())
            theirs.close()
            self.assertTrue(Slow.left.wait(30), "the planner was not told")
            waiting.join(30)
        self.assertEqual(said, [499])

    def test_whoever_sends_more_is_still_there(self) -> None:
        theirs, ours = self.asker()
        theirs.sendall(b"GET /api/me")  # on the same connection, before the first answer
        asked = self.ask.post("/api/plans/8-4/forecast", b"{}", "application/json", **{"gunicorn.socket": ours})
        with override_settings(PLANNER_PORT=self.port):
            self.assertEqual(forwarding(here)(asked).status_code, 422)

    def test_nothing_is_begun_for_somebody_who_hung_up_while_it_waited(self) -> None:
        theirs, ours = self.asker()
        asked = self.ask.post("/api/children/4/plans", b"{}", "application/json", **{"gunicorn.socket": ours})
        with override_settings(PLANNER_PORT=0):
            self.assertEqual(forwarding(here)(asked).content, b"done here")
            theirs.close()
            self.assertEqual(forwarding(here)(asked).status_code, 499)

    def test_a_search_is_given_up_once_whoever_asked_has_hung_up(self) -> None:
        theirs, ours = self.asker()
        asked = self.ask.post("/api/children/4/plans", b"{}", "application/json", **{"gunicorn.socket": ours})

        def planning(request: HttpRequest) -> HttpResponse:
            theirs.close()
            model = cp_model.CpModel()
            model.add_bool_or([model.new_bool_var("")])
            run(model)
            return HttpResponse("planned")

        with override_settings(PLANNER_PORT=0), self.assertRaises(Abandoned):
            forwarding(planning)(asked)
