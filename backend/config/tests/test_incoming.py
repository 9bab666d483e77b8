"""What may come in: refused in one place, with the field named, before any route has read it."""

import json
from typing import Any
from uuid import uuid4

from django.test import SimpleTestCase, TestCase

from caseload.models import Child
from caseload.plain_values import DEEPEST, LONGEST_LIST, LONGEST_TEXT, wrong
from core.library import THINGS
from running.models import RunEvent
from testing.builders import Api, make_child, make_member, profile, run_for_child
from testing.tags import slow


def at(values: Any) -> list[str]:
    return [error.field for error in wrong(values)]


class WrongTest(SimpleTestCase):
    def test_text_that_no_database_holds_is_named_at_its_path(self) -> None:
        """PostgreSQL's text holds no NUL (manual, 8.3); a lone surrogate is no character (Unicode 16, D71)."""
        for bad in ("a\x00b", "\ud83d", "\udc00", "bell\x07", "\x7f"):
            with self.subTest(repr(bad)):
                self.assertEqual(at({"goals": [{"words": "fine"}, {"words": bad}]}), ["goals.1.words"])
                self.assertEqual(at({bad: 1}), [""])
                self.assertEqual(at(bad), [""])

    def test_what_people_write_comes_through(self) -> None:
        fine = "Zoë’s “zip”,\n\ttwo lines · 3 × 4 mm 🦆 👩‍👧 שלום"
        self.assertEqual(at({"words": fine, "counts": [0, -3, 2.5, None, True], "nested": {"a": [[{}]]}}), [])

    def test_lengths_depths_and_numbers_have_ends(self) -> None:
        self.assertEqual(at({"text": "x" * LONGEST_TEXT}), [])
        self.assertEqual(at({"text": "x" * (LONGEST_TEXT + 1)}), ["text"])
        self.assertEqual(at({"likes": [0] * LONGEST_LIST}), [])
        self.assertEqual(at({"likes": [0] * (LONGEST_LIST + 1)}), ["likes"])
        deep: Any = 1
        for _ in range(DEEPEST + 1):
            deep = [deep]
        self.assertEqual(len(at(deep)), 1)
        self.assertEqual(
            at({"a": 10**31, "b": 1e300, "c": 2**53, "d": 10**400, "e": float("nan")}), ["a", "b", "d", "e"]
        )


class IncomingTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def send(self, method: str, path: str, raw: bytes) -> tuple[int, dict[str, Any]]:
        answer = getattr(self.api.client, method)(f"/api{path}", raw, content_type="application/json")
        self.assertEqual(answer["Content-Type"], "application/problem+json", answer.content[:200])
        return answer.status_code, answer.json()

    def test_a_field_is_named_and_nothing_is_kept(self) -> None:
        body = {**profile(), "version": 1, "family_words": "zip\x00 her coat", "likes": ["boats"]}
        status, problem = self.send("put", f"/children/{self.child.pk}", json.dumps(body, default=str).encode())
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "family_words"))
        self.assertIn("no text has", problem["detail"])
        self.assertEqual(Child.objects.get().version, self.child.version)

    def test_numbers_that_json_has_not_are_not_understood(self) -> None:
        for word in ("NaN", "Infinity", "-Infinity"):
            self.assertEqual(self.send("post", "/measuring", b'{"passes": [%s]}' % word.encode())[0], 400, word)
        thing = next(iter(THINGS))
        body = b'{"thing_id": "%s", "count": 1, "measured": {"size_mm": 1e400}}' % thing.encode()
        self.assertEqual(self.send("post", f"/homes/{self.child.home_id}/cupboard", body)[0], 422)

    def test_more_than_the_server_takes_is_a_413(self) -> None:
        self.assertEqual(self.send("post", "/children", b'{"first_name": "%s"}' % (b"x" * 2_200_000))[0], 413)

    def test_a_query_that_can_not_be_is_refused_at_its_name(self) -> None:
        answer = self.api.client.get("/api/children?letters=a%00b")
        self.assertEqual((answer.status_code, answer.json()["fields"][0]["field"]), (422, "letters"))

    def test_an_address_that_can_not_be_is_refused(self) -> None:
        """PostgreSQL keeps no NUL in JSON either (manual, 8.14), where the audit log would put what was asked."""
        for path in ("/join/a%00b", f"/children/{self.child.pk}/activities/peg%00fence/card", "/%00"):
            answer = self.api.client.get(f"/api{path}")
            self.assertEqual((answer.status_code, answer.json()["fields"][0]["field"]), (422, "path"), path)

    def test_what_the_framework_refuses_is_a_problem_too(self) -> None:
        for method, path, status in (("get", "/no-such-route", 404), ("post", "/me", 405), ("get", "", 404)):
            answer = getattr(self.api.client, method)(f"/api/{path.removeprefix('/')}")
            self.assertEqual((answer.status_code, answer["Content-Type"]), (status, "application/problem+json"), path)
            self.assertEqual(answer.json()["status"], status)

    def test_answers_stay_out_of_caches(self) -> None:
        self.assertEqual(self.api.client.get("/api/me")["Cache-Control"], "no-store")

    @slow
    def test_one_bad_tap_keeps_no_other_from_being_kept(self) -> None:
        run = run_for_child(self.lead, self.child)
        RunEvent.objects.all().delete()
        good = {
            "id": str(uuid4()),
            "block": "b0",
            "kind": "note",
            "at": "2026-03-02T09:00:00Z",
            "value": {"text": "fine"},
        }
        bad = {**good, "id": str(uuid4()), "value": {"text": "half \x00 of it"}}
        status, answer = self.api("post", f"/runs/{run.pk}/events", [good, bad])
        self.assertEqual(
            (status, answer["kept"], [r["id"] for r in answer["refused"]]), (200, [good["id"]], [bad["id"]])
        )
