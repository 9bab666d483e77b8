"""What is said to whoever watches over a Pollicor: logs, metrics, and whether it is ready."""

import json
import logging
import sys
from pathlib import Path
from unittest.mock import patch

from django.conf import settings
from django.db import OperationalError, connection
from django.http import HttpResponse
from django.test import RequestFactory, SimpleTestCase, TestCase, override_settings
from django.urls import resolve
from prometheus_client.parser import text_string_to_metric_families

from testing.builders import Api, make_child, make_home, make_member, plan_for_child
from upkeep.logs import CarefulFormatter, logged
from upkeep.metrics import BUCKETS, kind_of
from upkeep.pages import check_version

TOKEN = {"Authorization": "Bearer a token"}


class LogTest(SimpleTestCase):
    formatter = CarefulFormatter(**{k: v for k, v in settings.LOGGING["formatters"]["json"].items() if k != "()"})

    def line(self, record: logging.LogRecord) -> dict[str, object]:
        found = json.loads(self.formatter.format(record))
        assert isinstance(found, dict)
        return found

    def test_an_error_is_written_down_without_the_row_it_quotes(self) -> None:
        try:
            try:
                raise ValueError("Key (first_name)=(Wyn) is there already")
            except ValueError as cause:
                raise OperationalError("Failing row contains (7, Wyn, 2019-05-01)") from cause
        except OperationalError:
            record = logging.LogRecord("x", logging.ERROR, __file__, 1, "went wrong", None, sys.exc_info())
        line = self.line(record)
        self.assertNotIn("Wyn", json.dumps(line))
        told = str(line["exc_info"])
        self.assertLess(told.index("builtins.ValueError"), told.index("django.db.utils.OperationalError"))
        self.assertIn("test_watching.py:", told)
        self.assertEqual((line["level"], line["message"]), ("ERROR", "went wrong"))

    def test_the_address_of_a_request_that_failed_is_its_pattern(self) -> None:
        request = RequestFactory().get("/api/children/4711?letters=Wyn")
        request.resolver_match = resolve(request.path)
        record = logging.LogRecord(
            "django.request", logging.ERROR, __file__, 1, "%s: %s", ("Error", request.path), None
        )
        record.request, record.status_code = request, 500
        line = self.line(record)
        self.assertEqual((line["message"], line["status_code"]), ("Error: api/children/<child_id>", 500))
        self.assertNotIn("4711", json.dumps(line))
        self.assertNotIn("Wyn", json.dumps(line))

    def test_an_answer_is_a_line_with_the_pattern_of_its_address(self) -> None:
        def get_response(request: object) -> HttpResponse:
            request.resolver_match = resolve(request.path)  # type: ignore[attr-defined]
            return HttpResponse(status=404)

        with self.assertLogs("pollicor.requests", "INFO") as seen:
            logged(get_response)(RequestFactory().get("/api/children/4711"))
        line = self.line(seen.records[0])
        self.assertEqual((line["route"], line["status"], line["member"]), ("api/children/<child_id>", 404, None))
        self.assertNotIn("4711", json.dumps(line))


class MetricsTest(TestCase):
    def told(self) -> dict[tuple[str, ...], float]:
        text = self.client.get("/metrics", headers=TOKEN).content.decode()
        families = text_string_to_metric_families(text)
        return {(s.name, *sorted(s.labels.values())): s.value for f in families for s in f.samples}

    def test_there_is_no_such_page_without_the_token(self) -> None:
        self.assertEqual(self.client.get("/metrics", headers={"Authorization": "Bearer "}).status_code, 404)
        with override_settings(METRICS_TOKEN="a token"):
            self.assertEqual(self.client.get("/metrics").status_code, 404)
            self.assertEqual(self.client.get("/metrics", headers=TOKEN).status_code, 200)

    @override_settings(METRICS_TOKEN="a token")
    def test_answers_plans_and_jobs_are_counted(self) -> None:
        lead = make_member()
        route = ("pollicor_requests_total", "200", "GET", "api/caseload")
        before = self.told()
        Api(lead)("get", "/caseload")
        Api(lead)("get", "/caseload")
        plan = plan_for_child(lead, make_child(lead, make_home(lead)))
        after = self.told()
        self.assertEqual(after[route] - before.get(route, 0), 2)
        made = ("pollicor_plans_total", plan.status)
        self.assertEqual(after[made] - before.get(made, 0), 1)
        self.assertIn(("pollicor_jobs", "todo"), after)
        slower = [after["pollicor_request_seconds_bucket", *sorted((str(float(b)), "read"))] for b in BUCKETS]
        self.assertEqual(slower, sorted(slower), "each bucket holds those before it")

    def test_a_request_is_of_a_kind(self) -> None:
        for method, path, kind in (
            ("POST", "/api/runs/7/events", "tap"),
            ("POST", "/api/children/4/forecast", "dial"),
            ("POST", "/api/children/4/plans", "plan"),
            ("GET", "/api/plans/x/sheet.pdf", "sheet"),
            ("GET", "/api/caseload", "read"),
            ("PUT", "/api/children/4", "write"),
            ("GET", "/children/4", "file"),
        ):
            self.assertEqual(kind_of(method, path), kind, path)


class ReadyTest(TestCase):
    def setUp(self) -> None:
        check_version.cache_clear()

    def test_it_is_ready_with_a_database_of_this_version(self) -> None:
        answer = self.client.get("/ready")
        said = answer.json()
        self.assertEqual((answer.status_code, said["ready"], said["missing"]), (200, True, []))

    def test_workers_and_backups_that_are_not_there_are_said(self) -> None:
        """Requests are answered all the same: a warning, on the page, in the numbers and to the lead."""
        with override_settings(BACKUP_DIR=Path("/nowhere")):
            said = self.client.get("/ready").json()
        self.assertEqual((said["worker_seen"], len(said["warnings"])), (None, 2))
        with connection.cursor() as cursor:
            cursor.execute("insert into procrastinate_workers (last_heartbeat) values (now() - interval '20 minutes')")
        lead = Api(make_member())("get", "/upkeep")[1]
        self.assertEqual((lead["worker_is_quiet"], lead["worker_seen"] is None), (True, False))
        with connection.cursor() as cursor:
            cursor.execute("insert into procrastinate_workers (last_heartbeat) values (now())")
        said = self.client.get("/ready").json()
        self.assertEqual([w for w in said["warnings"] if "worker" in w], [])
        self.assertFalse(Api(make_member())("get", "/upkeep")[1]["worker_is_quiet"])

    def test_it_is_not_with_an_older_one(self) -> None:
        with patch("upkeep.pages.MigrationExecutor.migration_plan", return_value=["one"]):
            answer = self.client.get("/ready")
        self.assertEqual(answer.status_code, 503)
        self.assertIn("./pollicor start", answer.json()["missing"][0])

    def test_it_is_not_without_one_also_when_it_was_before(self) -> None:
        self.assertEqual(self.client.get("/ready").status_code, 200)
        with patch("upkeep.pages.connection.cursor", side_effect=OperationalError):
            self.assertEqual(self.client.get("/ready").json()["missing"], ["The database can't be reached."])
