"""Long work is handed on as it was asked and answered as it was said; without anybody there, it is said to be busy."""

from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from threading import Thread
from typing import ClassVar

from django.http import HttpRequest, HttpResponse
from django.test import RequestFactory, SimpleTestCase, override_settings

from config.forwarding import LONG_WORK, forwarding


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


def here(request: HttpRequest) -> HttpResponse:
    return HttpResponse("done here")


class ForwardingTest(SimpleTestCase):
    def setUp(self) -> None:
        server = ThreadingHTTPServer(("127.0.0.1", 0), Planner)
        Thread(target=server.serve_forever, daemon=True).start()
        self.addCleanup(server.server_close)
        self.addCleanup(server.shutdown)
        self.port = server.server_port
        Planner.asked.clear()
        self.ask = RequestFactory(headers={"Cookie": "sessionid=abc"})

    def test_what_is_long_goes_and_what_is_quick_stays(self) -> None:
        for asked in (
            "POST /api/children/4/plans",
            "POST /api/plans/8-4/forecast",
            "GET /api/children/4/library",
            "GET /api/plans/8-4/sheet.pdf",
        ):
            self.assertTrue(LONG_WORK.match(asked), asked)
        for asked in (
            "POST /api/runs/8-4/events",
            "POST /api/session",
            "GET /api/children/4/plans",
            "GET /api/caseload",
            "PUT /api/plans/8-4",
            "GET /children/4/library",
        ):
            self.assertFalse(LONG_WORK.match(asked), asked)

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
