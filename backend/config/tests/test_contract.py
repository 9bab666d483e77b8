"""Every route answers what nobody should send with a problem and its field: never with a fault, never with a change.

Problems are those of RFC 9457: application/problem+json with a title, the status, and what is wrong.
"""

from typing import Any
from uuid import uuid4

from django.test import TestCase

from caseload.models import Child, Home
from clinic.models import Clinic, Member
from config.api import api as whole_api
from testing.builders import Api, make_child, make_member, run_for_child
from testing.tags import slow
from visits.models import Visit

BAD_BODIES: tuple[Any, ...] = (
    {},
    [],
    {"name": 7, "version": "two", "counts": [], "blocks": "none", "on": "yesterday", "minutes": {}, "children": "all"},
    {"name": "x" * 5000, "first_name": "", "birth_date": "2020-13-01", "home_id": -1, "version": None},
)


class ContractTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.run_ = run_for_child(self.lead, self.child)
        self.api = Api(self.lead)
        visit = Visit.objects.create(
            clinic=self.lead.clinic, child=self.child, home=self.child.home, therapist=self.lead, on=self.run_.on
        )
        self.ids = {
            "child_id": self.child.pk,
            "home_id": self.child.home_id,
            "item_id": self.child.home.stock.first().pk,
            "plan_id": self.run_.plan_id,
            "run_id": self.run_.pk,
            "member_id": self.lead.pk,
            "visit_id": visit.pk,
            "activity_id": "peg_fence",
            "token": "none",
        }

    def routes(self) -> list[tuple[str, str, dict[str, Any]]]:
        """Method, address and description of every route whose ids are known here."""
        found = []
        for template, item in whole_api.get_openapi_schema()["paths"].items():
            for method, described in item.items():
                try:
                    found.append((method, template.removeprefix("/api").format(**self.ids), described))
                except KeyError:
                    continue
        return found

    def stands(self) -> list[Any]:
        """What a bad body may not have touched."""
        people = Member.objects.order_by("pk").values_list("pk", "role", "run_hand", "version")
        children = Child.objects.order_by("pk").values_list("pk", "first_name", "version", "care", "home")
        return [
            list(people),
            list(children),
            list(Home.objects.order_by("pk").values_list("pk", "name", "version")),
            list(Clinic.objects.values_list("name", "version")),
            list(Visit.objects.values_list("pk", "status", "version")),
        ]

    @slow
    def test_a_bad_body_is_a_problem_and_changes_nothing(self) -> None:
        before, tried = self.stands(), 0
        for method, path, described in self.routes():
            if method not in ("post", "put") or "requestBody" not in described:
                continue
            for body in BAD_BODIES:
                with self.subTest(route=f"{method} {path}", body=str(body)[:40]):
                    answer = getattr(self.api.client, method)(f"/api{path}", body, content_type="application/json")
                    self.assertLess(answer.status_code, 500)
                    if answer.status_code >= 400:
                        self.assertEqual(answer["Content-Type"], "application/problem+json")
                        problem = answer.json()
                        self.assertEqual(problem["status"], answer.status_code)
                        self.assertTrue(problem["detail"])
                        tried += 1
        self.assertEqual(self.stands(), before)
        self.assertGreater(tried, 100)

    @slow
    def test_what_is_no_json_is_a_problem(self) -> None:
        for method, path, described in self.routes():
            if method in ("post", "put") and "requestBody" in described:
                answer = getattr(self.api.client, method)(f"/api{path}", b"{name:", content_type="application/json")
                self.assertIn(answer.status_code, (400, 410, 422), path)
                self.assertEqual(answer["Content-Type"], "application/problem+json", path)

    @slow
    def test_a_bad_question_is_a_problem(self) -> None:
        for method, path, described in self.routes():
            asked = [p["name"] for p in described.get("parameters", ()) if p["in"] == "query"]
            if method != "get" or not asked:
                continue
            query = "&".join(f"{name}=%F0%9F%A6%86'" for name in asked)
            with self.subTest(route=path):
                answer = self.api.client.get(f"/api{path}?{query}")
                self.assertLess(answer.status_code, 500)
                if answer.status_code >= 400:
                    self.assertEqual(answer["Content-Type"], "application/problem+json")

    @slow
    def test_what_is_not_there_is_a_problem_of_its_own(self) -> None:
        gone = {k: (uuid4() if k in ("plan_id", "run_id") else 987654321) for k in self.ids}
        for template, item in whole_api.get_openapi_schema()["paths"].items():
            if "get" in item and "{" in template and "token" not in template and "activity" not in template:
                try:
                    path = template.removeprefix("/api").format(**gone)
                except KeyError:
                    continue
                required = [
                    p["name"] for p in item["get"].get("parameters", ()) if p["in"] == "query" and p["required"]
                ]
                query = "&".join(f"{name}=1" for name in required)
                self.assertIn(self.api("get", f"{path}?{query}")[0], (404, 422), path)

    @slow
    def test_every_route_says_what_it_refuses_with(self) -> None:
        """Each route that needs a member has a refusal in its description, so that the client knows its shape."""
        for template, item in whole_api.get_openapi_schema()["paths"].items():
            for method, described in item.items():
                if template == "/api/session" and method == "delete":
                    continue  # signing out is refused to nobody
                if "{" in template or method in ("post", "put", "delete"):
                    with self.subTest(route=f"{method} {template}"):
                        self.assertTrue([s for s in described["responses"] if str(s).startswith("4")])
