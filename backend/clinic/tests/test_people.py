"""Invitations, passwords, roles, devices; and the first start."""

from concurrent.futures import ThreadPoolExecutor
from datetime import date, timedelta
from threading import Barrier
from typing import Any
from unittest.mock import patch

from django.contrib.auth.models import User
from django.contrib.sessions.models import Session
from django.db import connection
from django.test import Client, TestCase, TransactionTestCase, override_settings
from django.utils import timezone

from clinic.models import AuditEntry, Clinic, Link, Member
from clinic.people_actions import invite
from testing.builders import TODAY, Api, make_member
from testing.tags import slow

GOOD = "three boats in a row"
SETUP = {
    "code": "only-for-tests",
    "clinic": "Reedbank",
    "time_zone": "Pacific/Auckland",
    "paper": "Letter",
    "name": "Ada Weir",
    "username": "ada",
    "password": GOOD,
}


def said(client: Client, method: str, path: str, body: dict[str, Any] | None = None) -> tuple[int, Any]:
    answer = getattr(client, method)(f"/api{path}", body, content_type="application/json")
    return answer.status_code, answer.json() if answer.content else None


def fields(problem: dict[str, Any]) -> list[str]:
    return [f["field"] for f in problem["fields"]]


class FirstStartTest(TestCase):
    def test_the_code_opens_an_empty_pollicor_once(self) -> None:
        client = Client()
        self.assertTrue(said(client, "get", "/setup")[1]["open"])
        status, me = said(client, "post", "/setup", SETUP)
        self.assertEqual((status, me["role"], me["clinic"]), (201, "lead", "Reedbank"))
        self.assertEqual(said(client, "get", "/me")[0], 200)
        self.assertFalse(said(client, "get", "/setup")[1]["open"])
        self.assertEqual(said(Client(), "post", "/setup", {**SETUP, "username": "eve"})[0], 409)
        self.assertEqual(Clinic.objects.count(), 1)
        self.assertTrue(AuditEntry.objects.filter(action="clinic.set_up").exists())

    def test_the_demo_is_no_clinic_and_another_code_opens_nothing(self) -> None:
        Clinic.objects.create(name="Demo", is_demo=True)
        status, answer = said(Client(), "post", "/setup", {**SETUP, "code": "guess"})
        self.assertEqual((status, fields(answer)), (403, ["code"]))
        self.assertEqual(said(Client(), "post", "/setup", SETUP)[0], 201)

    @override_settings(SETUP_CODE="")
    def test_without_a_code_nobody_sets_up(self) -> None:
        self.assertEqual(said(Client(), "post", "/setup", {**SETUP, "code": ""})[0], 409)

    def test_what_is_wrong_is_said_at_its_field_and_nothing_is_kept(self) -> None:
        for change, field in (
            ({"clinic": "  "}, "clinic"),
            ({"time_zone": "Mars/North"}, "time_zone"),
            ({"name": " "}, "name"),
            ({"username": "ada weir"}, "username"),
            ({"password": "password123"}, "password"),
            ({"password": "short"}, "password"),
            ({"paper": "A3"}, "paper"),
        ):
            status, answer = said(Client(), "post", "/setup", {**SETUP, **change})
            self.assertEqual((status, fields(answer)), (422, [field]), change)
        self.assertEqual((Clinic.objects.count(), User.objects.count()), (0, 0))

    def test_each_clinic_is_answered_in_its_own_time(self) -> None:
        for zone in ("Pacific/Kiritimati", "Pacific/Pago_Pago"):
            lead = make_member(clinic=Clinic.objects.create(name=zone, time_zone=zone))
            seen: list[str] = []

            def today(*_: object, seen: list[str] = seen) -> date:
                seen.append(timezone.get_current_timezone_name())
                return TODAY

            with patch.object(timezone, "localdate", today):
                self.assertEqual(Api(lead)("get", "/caseload")[0], 200)
            self.assertEqual(set(seen), {zone})
            self.assertEqual(timezone.get_current_timezone_name(), "UTC")


class TwoAtOnceTest(TransactionTestCase):
    def at_once(self, *bodies: tuple[str, dict[str, Any]]) -> list[int]:
        """Send every body at the same moment, each on a connection of its own, and return the answers' statuses."""
        ready = Barrier(len(bodies))

        def send(path: str, body: dict[str, Any]) -> int:
            ready.wait()
            try:
                return said(Client(), "post", path, body)[0]
            finally:
                connection.close()

        with ThreadPoolExecutor(len(bodies)) as pool:
            return sorted(pool.map(lambda b: send(*b), bodies))

    def test_two_set_ups(self) -> None:
        self.assertEqual(
            self.at_once(("/setup", SETUP), ("/setup", {**SETUP, "clinic": "Other", "username": "eve"})), [201, 409]
        )
        self.assertEqual((Clinic.objects.count(), Member.objects.count()), (1, 1))

    def test_two_invitations_and_one_sign_in_name(self) -> None:
        lead = make_member("lead")
        tokens = [invite(lead, name, "therapist")[1] for name in ("Tove Alder", "Tove Elm")]
        bodies = [(f"/join/{t}", {"name": "Tove", "username": "tove", "password": GOOD}) for t in tokens]
        self.assertEqual(self.at_once(*bodies), [201, 422])
        self.assertEqual(Link.objects.filter(used_at=None).count(), 1)


class InvitationTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.api = Api(self.lead)

    def invited(self, role: str = "therapist") -> tuple[dict[str, Any], str]:
        status, link = self.api("post", "/links", {"name": "Tove Alder", "role": role})
        self.assertEqual(status, 201, link)
        return link, link["address"].rsplit("/", 1)[1]

    def test_an_invitation_is_used_once(self) -> None:
        link, token = self.invited()
        self.assertIn("<svg", link["qr"])
        self.assertNotIn(token, str(Link.objects.values_list()))
        client = Client()
        self.assertEqual(said(client, "get", f"/join/{token}")[1]["for_name"], "Tove Alder")
        body = {"name": "Tove Alder", "username": "Tove", "password": GOOD}
        status, me = said(client, "post", f"/join/{token}", body)
        self.assertEqual((status, me["role"], me["username"]), (201, "therapist", "tove"))
        self.assertEqual(said(client, "get", "/me")[1]["clinic"], self.lead.clinic.name)
        status, answer = said(Client(), "post", f"/join/{token}", {**body, "username": "eve"})
        self.assertEqual(status, 410)
        self.assertIn(self.lead.name, answer["fields"][0]["remedy"])
        self.assertFalse(User.objects.filter(username="eve").exists())

    def test_a_taken_name_leaves_the_invitation_open(self) -> None:
        _, token = self.invited()
        body = {"name": "Tove Alder", "username": self.lead.user.username.upper(), "password": GOOD}
        status, answer = said(Client(), "post", f"/join/{token}", body)
        self.assertEqual((status, fields(answer)), (422, ["username"]))
        self.assertEqual(said(Client(), "post", f"/join/{token}", {**body, "username": "tove"})[0], 201)

    def test_expired_and_withdrawn_links_say_so(self) -> None:
        link, token = self.invited()
        Link.objects.update(expires_at=timezone.now() - timedelta(minutes=1))
        self.assertIn("good until", said(Client(), "get", f"/join/{token}")[1]["detail"])
        link, token = self.invited()
        self.assertEqual(self.api("delete", f"/links/{link['id']}")[0], 204)
        self.assertIn("withdrawn", said(Client(), "get", f"/join/{token}")[1]["detail"])
        self.assertEqual(said(Client(), "get", "/join/nonsense")[0], 410)
        self.assertEqual(self.api("get", "/people")[1]["links"], [])

    @slow
    def test_a_reset_gives_a_new_password_and_signs_out_everywhere(self) -> None:
        tove = make_member("therapist", self.lead.clinic)
        there = Client()
        self.assertTrue(self.sign_in(there, tove, "a long enough one"))
        _, first = self.api("post", f"/people/{tove.pk}/reset")
        _, link = self.api("post", f"/people/{tove.pk}/reset")
        self.assertEqual(said(Client(), "get", f"/join/{first['address'].rsplit('/', 1)[1]}")[0], 410)
        token = link["address"].rsplit("/", 1)[1]
        self.assertEqual(
            said(Client(), "post", f"/join/{token}", {"name": "x", "username": "eve", "password": GOOD})[0], 410
        )
        self.assertEqual(said(Client(), "post", f"/join/{token}/password", {"password": GOOD})[0], 200)
        self.assertEqual(said(there, "get", "/me")[0], 401)
        self.assertFalse(self.sign_in(Client(), tove, "a long enough one"))
        self.assertTrue(self.sign_in(Client(), tove, GOOD))

    def sign_in(self, client: Client, member: Member, password: str) -> bool:
        return said(client, "post", "/session", {"username": member.user.username, "password": password})[0] == 200

    def test_who_leaves_can_do_nothing_and_keeps_their_name_on_what_they_did(self) -> None:
        tove = make_member("therapist", self.lead.clinic)
        there = Client()
        self.sign_in(there, tove, "a long enough one")
        edit = {"role": "therapist", "active": False, "version": 1}
        self.assertFalse(self.api("put", f"/people/{tove.pk}", edit)[1]["active"])
        self.assertEqual(said(there, "get", "/me")[0], 401)
        self.assertFalse(self.sign_in(Client(), tove, "a long enough one"))
        self.assertEqual(self.api("put", f"/people/{tove.pk}", {**edit, "active": True})[0], 409)
        self.assertTrue(self.api("put", f"/people/{tove.pk}", {**edit, "active": True, "version": 2})[1]["active"])
        self.assertTrue(self.sign_in(Client(), tove, "a long enough one"))

    def test_a_clinic_keeps_a_lead(self) -> None:
        for edit in ({"role": "therapist", "active": True}, {"role": "lead", "active": False}):
            self.assertEqual(self.api("put", f"/people/{self.lead.pk}", {**edit, "version": 1})[0], 422, edit)
        other = make_member("lead", self.lead.clinic)
        step_down = {"role": "therapist", "active": True, "version": 1}
        self.assertEqual(self.api("put", f"/people/{self.lead.pk}", step_down)[0], 200)
        self.assertEqual(Api(other)("put", f"/people/{other.pk}", step_down)[0], 422)

    def test_only_a_lead_sees_and_changes_people(self) -> None:
        tove = Api(make_member("therapist", self.lead.clinic))
        link, _ = self.invited()
        for method, path, body in (
            ("get", "/people", None),
            ("post", "/links", {"name": "Eve", "role": "lead"}),
            ("delete", f"/links/{link['id']}", None),
            ("put", f"/people/{self.lead.pk}", {"role": "therapist", "active": True, "version": 1}),
            ("post", f"/people/{self.lead.pk}/reset", None),
            ("put", "/clinic", {"name": "x", "time_zone": "UTC", "paper": "A4", "version": 1}),
        ):
            self.assertEqual(tove(method, path, body)[0], 403, path)


class AccountTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.here, self.there = Client(), Client(headers={"User-Agent": "A tablet"})
        for client in (self.here, self.there):
            body = {"username": self.lead.user.username, "password": "a long enough one"}
            self.assertEqual(said(client, "post", "/session", body)[0], 200)

    def test_name_and_thumb_side(self) -> None:
        self.assertEqual(
            said(self.here, "put", "/me", {"name": "Maren  Quay", "run_hand": "left"})[1]["name"], "Maren Quay"
        )
        self.assertEqual(said(self.here, "put", "/me", {"name": " ", "run_hand": "left"})[0], 422)
        self.assertEqual(said(self.here, "get", "/me")[1]["run_hand"], "left")

    def test_a_new_password_keeps_this_device_and_signs_out_the_others(self) -> None:
        wrong = said(self.here, "post", "/me/password", {"now": "no", "password": GOOD})
        self.assertEqual((wrong[0], fields(wrong[1])), (422, ["now"]))
        self.assertEqual(
            said(self.here, "post", "/me/password", {"now": "a long enough one", "password": GOOD})[0], 200
        )
        self.assertEqual((said(self.here, "get", "/me")[0], said(self.there, "get", "/me")[0]), (200, 401))
        self.assertEqual(len(said(self.here, "get", "/me/devices")[1]), 1)

    def test_a_device_is_listed_and_signed_out(self) -> None:
        devices = said(self.here, "get", "/me/devices")[1]
        self.assertEqual([d["device"] for d in devices if not d["here"]], ["A tablet"])
        other = next(d for d in devices if not d["here"])
        stranger = Api(make_member("lead"))
        self.assertEqual(stranger("delete", f"/me/devices/{other['id']}")[0], 404)
        self.assertEqual(said(self.here, "delete", f"/me/devices/{other['id']}")[0], 204)
        self.assertEqual(said(self.there, "get", "/me")[0], 401)

    def test_a_sign_in_name_is_found_however_it_is_written(self) -> None:
        """Names from before they were kept in lower case still let in; two that differ in capitals stay two people."""
        user = self.lead.user
        User.objects.filter(pk=user.pk).update(username="Maren")
        for written, status in (("maren", 200), (" MAREN ", 200), ("Maren", 200), ("marin", 401)):
            body = {"username": written, "password": "a long enough one"}
            self.assertEqual(said(Client(), "post", "/session", body)[0], status, written)
        other = make_member("therapist", self.lead.clinic)
        User.objects.filter(pk=other.user.pk).update(username="maren")
        other.user.set_password(GOOD)
        User.objects.filter(pk=other.user.pk).update(password=other.user.password)
        for written, password, status in (
            ("Maren", "a long enough one", 200),
            ("maren", GOOD, 200),
            ("MAREN", GOOD, 200),
        ):
            self.assertEqual(
                said(Client(), "post", "/session", {"username": written, "password": password})[0], status, written
            )

    def test_every_sign_in_stands_in_the_audit_log(self) -> None:
        devices = [e.detail["device"] for e in AuditEntry.objects.filter(action="me.sign_in").order_by("pk")]
        self.assertEqual(devices, ["", "A tablet"])

    def test_signing_out_forgets_the_device(self) -> None:
        said(self.there, "delete", "/session")
        self.assertEqual(self.lead.signed_in.count(), 1)
        self.assertEqual(Session.objects.count(), 1)

    def test_two_leads_changing_the_clinic_are_told(self) -> None:
        edit = {"name": "Reedbank", "time_zone": "Europe/Oslo", "paper": "Letter", "version": 1}
        self.assertEqual(said(self.here, "put", "/clinic", edit)[1]["version"], 2)
        status, answer = said(self.there, "put", "/clinic", edit)
        self.assertEqual((status, answer["theirs"]["time_zone"]), (409, "Europe/Oslo"))
