"""Whatever the document allows, and much that it does not, sent to every route: no fault, nothing undocumented.

Cases are made from the OpenAPI document by Schemathesis; ids lead to what is there in three calls of four, and what one
call made is what later ones ask for. POLLICOR_SEED plays other cases; the seed in use is printed.
"""

import json
import logging
import os
import sys
from collections import Counter
from functools import cache
from typing import Any, ClassVar

import schemathesis
from django.contrib.auth.models import User
from django.test import SimpleTestCase, TestCase, tag
from hypothesis import HealthCheck, Phase, given, seed, settings
from schemathesis.core import NotSet

from clinic.models import Member
from config.api import api as whole_api
from testing.builders import Api, make_child, make_member, run_for_child, sign_in
from testing.tags import slow
from visits.models import Visit

SEED = int(os.environ.get("POLLICOR_SEED", "20260"))
CALLS = 24  # of each route
PARTS = 4  # the routes are dealt out, so that every processor has some


@cache
def document() -> dict[str, Any]:
    """The OpenAPI document as it is served."""
    served: dict[str, Any] = json.loads(json.dumps(whole_api.get_openapi_schema()))
    return served


def operations() -> list[Any]:
    return [found.ok() for found in schemathesis.openapi.from_dict(document()).get_all_operations()]


class EnoughTest(SimpleTestCase):
    @slow
    def test_at_least_three_thousand_calls_are_made(self) -> None:
        self.assertGreaterEqual(len(operations()) * CALLS, 3000)


class Fuzz:
    """One share of the routes."""

    part: ClassVar[int]

    def setUp(self: Any) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        run = run_for_child(self.lead, self.child)
        visit = Visit.objects.create(
            clinic=self.lead.clinic, child=self.child, home=self.child.home, therapist=self.lead, on=run.on
        )
        self.api = Api(self.lead)
        self.api.client.raise_request_exception = False
        self.known = {
            "child_id": [self.child.pk],
            "home_id": [self.child.home_id],
            "item_id": [self.child.home.stock.first().pk],
            "plan_id": [run.plan_id],
            "run_id": [run.pk],
            "member_id": [self.lead.pk],
            "visit_id": [visit.pk],
            "activity_id": ["peg_fence"],
        }
        self.calls, self.found, self.statuses = 0, [], Counter[int]()

    def test_no_fault_and_nothing_undocumented(self: Any) -> None:
        logging.disable(logging.CRITICAL)  # what is refused is logged, thousands of times
        self.addCleanup(logging.disable, logging.NOTSET)
        for operation in operations()[self.part :: PARTS]:
            self.play(operation)
        sys.stderr.write(f"fuzz {self.part}: POLLICOR_SEED={SEED}, answers {dict(self.statuses.most_common())}\n")
        self.assertEqual(self.found, [])
        self.assertGreater(self.statuses[200], self.calls // 10, "hardly a call was let through")

    def play(self: Any, operation: Any) -> None:
        @seed(SEED)
        @settings(
            max_examples=CALLS,
            database=None,
            deadline=None,
            phases=[Phase.generate],
            suppress_health_check=list(HealthCheck),
        )
        @given(case=operation.as_strategy())
        def sent(case: Any) -> None:
            self.send(operation, case)

        sent()

    def send(self: Any, operation: Any, case: Any) -> None:
        self.calls += 1
        for name in case.path_parameters or {}:
            if name in self.known and self.calls % 4:
                case.path_parameters[name] = self.known[name][self.calls % len(self.known[name])]
        self.stay_in()
        has_body = not isinstance(case.body, NotSet)
        answer = self.api.client.generic(
            case.method,
            case.formatted_path,
            json.dumps(case.body).encode() if has_body else b"",
            content_type="application/json" if has_body else "text/plain",
            query_params=case.query or {},
        )
        self.look_at(operation, case, answer)

    def stay_in(self: Any) -> None:
        """Whatever the last call did to the one who asks, the next one is let in."""
        User.objects.filter(pk=self.lead.user_id, is_active=False).update(is_active=True)
        Member.objects.filter(pk=self.lead.pk).exclude(role="lead").update(role="lead")
        if "_auth_user_id" not in self.api.client.session:
            sign_in(self.api.client, self.lead)

    def look_at(self: Any, operation: Any, case: Any, answer: Any) -> None:
        status, kind = answer.status_code, answer.get("Content-Type", "")
        self.statuses[status] += 1
        documented = operation.definition.raw["responses"]
        what = f"{case.method} {case.formatted_path} {str(case.query)[:80]} {str(case.body)[:300]!a}"
        if status >= 500 or str(status) not in documented:
            self.found.append(f"{status}: {what}")
        elif status >= 400 and (kind != "application/problem+json" or answer.json()["status"] != status):
            self.found.append(f"{status} is no problem: {what}")
        elif answer.content and kind.startswith("application/json"):
            values = json.loads(answer.content, parse_constant=self.found.append)  # NaN is not JSON
            if case.method == "POST" and isinstance(values, dict) and "id" in values:
                self.remember(operation.path, values["id"])

    def remember(self: Any, path: str, made: Any) -> None:
        """Later calls ask for what this one made."""
        for other in document()["paths"]:
            rest = other.removeprefix(f"{path}/")
            if rest != other and rest.startswith("{"):
                self.known.setdefault(rest[1 : rest.index("}")], []).append(made)


@tag("slow")
class FuzzATest(Fuzz, TestCase):
    part = 0


@tag("slow")
class FuzzBTest(Fuzz, TestCase):
    part = 1


@tag("slow")
class FuzzCTest(Fuzz, TestCase):
    part = 2


@tag("slow")
class FuzzDTest(Fuzz, TestCase):
    part = 3
