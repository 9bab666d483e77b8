"""What is refused is on record: to whom, what, and where it was asked."""

from typing import Any

from django.test import TestCase

from clinic.models import AuditEntry, Clinic
from testing.builders import Api, make_child, make_member


class RefusalsNotedTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)

    def last(self, action: str) -> dict[str, Any]:
        entry = AuditEntry.objects.filter(action=action).latest("pk")
        return {"member": entry.member, "clinic": entry.clinic, **entry.detail}

    def test_what_a_role_may_not_do(self) -> None:
        ilja = make_member("assistant", self.lead.clinic, "ilja")
        path = f"/children/{self.child.pk}/plans"
        body = {"minutes": 20, "targets": ["grasp"], "home_id": self.child.home_id}
        self.assertEqual(Api(ilja)("post", path, body)[0], 403)
        told = self.last("refused")
        self.assertEqual((told["member"], told["action"], told["asked"]), (ilja, "plan.make", f"POST /api{path}"))

    def test_another_clinics_child_asked_for_by_number(self) -> None:
        stranger = make_member(clinic=Clinic.objects.create(name="Elsewhere"), username="elsewhere")
        self.assertEqual(Api(stranger)("get", f"/children/{self.child.pk}")[0], 404)
        told = self.last("refused.not_found")
        self.assertEqual((told["member"], told["asked"]), (stranger, f"GET /api/children/{self.child.pk}"))
        self.assertEqual(told["clinic"], stranger.clinic, "the other clinic's log says nothing of it")

    def test_a_password_that_is_wrong(self) -> None:
        body = {"username": self.lead.user.username, "password": "not this one at all"}
        self.assertEqual(Api()("post", "/session", body)[0], 401)
        self.assertEqual(self.last("refused.sign_in")["member"], self.lead)
        self.assertEqual(Api()("post", "/session", {**body, "username": "nobody-here"})[0], 401)
        self.assertEqual(AuditEntry.objects.filter(action="refused.sign_in").count(), 1)

    def test_lists_say_whose_names_were_read(self) -> None:
        Api(self.lead)("get", f"/children?letters={self.child.first_name[:1]}")
        self.assertEqual(self.last("caseload.read")["children"], [self.child.pk])
        Api(self.lead)("post", "/batches", {"children": [self.child.pk]})
        Api(self.lead)("get", "/batches/latest")
        self.assertEqual(self.last("plan.read")["children"], [self.child.pk])
