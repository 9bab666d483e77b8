"""Sign-in locks by account and address, and by address alone; and a device that nobody uses is signed out."""

from datetime import timedelta
from typing import Any

from django.test import Client, TestCase, override_settings
from django.utils import timezone

from clinic.lockout import MOST_FROM_AN_ADDRESS
from clinic.models import AuditEntry, Member, SignedIn
from testing.builders import make_member, sign_in
from testing.tags import slow

PASSWORD = "a long enough one"


@override_settings(AXES_ENABLED=True)
class LockTest(TestCase):
    def setUp(self) -> None:
        self.maren = make_member(username="maren")
        self.tove = make_member(username="tove")

    def sign_in(self, username: str, password: str, address: str = "192.0.2.1") -> tuple[int, Any]:
        body = {"username": username, "password": password}
        answer = Client(REMOTE_ADDR=address).post("/api/session", body, content_type="application/json")
        return answer.status_code, answer.json()

    @slow
    def test_five_misses_lock_one_account_at_one_address(self) -> None:
        statuses = [self.sign_in("maren", "wrong")[0] for _ in range(5)]
        self.assertEqual(statuses[:4], [401] * 4)
        status, answer = self.sign_in("maren", PASSWORD)
        self.assertEqual((status, answer["fields"][0]["field"]), (429, "username"))
        self.assertIn("15 minutes", answer["fields"][0]["remedy"])
        self.assertEqual(self.sign_in("tove", PASSWORD)[0], 200, "another account at the same address")
        self.assertEqual(self.sign_in("maren", PASSWORD, "192.0.2.9")[0], 200, "the same account elsewhere")

    def test_a_name_in_other_letters_is_the_same_account(self) -> None:
        for name in ("maren", "Maren", " MAREN", "mAren", "maren "):
            self.sign_in(name, "wrong")
        self.assertEqual(self.sign_in("maren", PASSWORD)[0], 429)

    @slow
    def test_a_success_forgets_the_misses_before(self) -> None:
        for _ in range(3):
            for _ in range(4):
                self.sign_in("maren", "wrong")
            self.assertEqual(self.sign_in("maren", PASSWORD)[0], 200)

    @slow
    def test_many_names_from_one_address_lock_the_address(self) -> None:
        for n in range(MOST_FROM_AN_ADDRESS):
            self.assertEqual(self.sign_in(f"somebody{n}", "summer2026")[0], 401)
        self.assertEqual(self.sign_in("maren", PASSWORD)[0], 429)
        self.assertEqual(self.sign_in("maren", PASSWORD, "192.0.2.9")[0], 200)


class OurPageTest(TestCase):
    """Nobody is signed in or out by another site's page (login CSRF: Barth, Jackson, Mitchell 2008)."""

    def setUp(self) -> None:
        make_member(username="maren")
        self.client = Client(enforce_csrf_checks=True)
        self.body = {"username": "maren", "password": PASSWORD}

    def sign_in(self, **headers: str) -> Any:
        return self.client.post("/api/session", self.body, content_type="application/json", headers=headers)

    def test_without_the_token_nobody_is_let_in_or_out(self) -> None:
        answer = self.sign_in()
        self.assertEqual((answer.status_code, answer["Content-Type"]), (403, "application/problem+json"))
        sign_in(self.client, Member.objects.get())
        self.assertEqual(self.client.delete("/api/session").status_code, 403)
        self.assertEqual(self.client.get("/api/me").status_code, 200, "still signed in")

    def test_the_token_comes_with_the_first_no(self) -> None:
        self.assertEqual(self.client.get("/api/me").status_code, 401)
        token = self.client.cookies["csrftoken"].value
        self.assertEqual(self.sign_in(**{"X-CSRFToken": token}).status_code, 200)
        token = self.client.cookies["csrftoken"].value
        self.assertEqual(self.client.delete("/api/session", headers={"X-CSRFToken": token}).status_code, 204)
        self.assertEqual(self.client.get("/api/me").status_code, 401)


class IdleTest(TestCase):
    def setUp(self) -> None:
        sign_in(self.client, make_member())

    def unused_for(self, **time: int) -> int:
        SignedIn.objects.update(seen=timezone.now() - timedelta(**time))
        return self.client.get("/api/me").status_code

    def test_a_device_unused_for_longer_than_the_idle_time_is_signed_out(self) -> None:
        self.assertEqual(self.unused_for(minutes=59), 200)
        self.assertEqual(self.client.get("/api/me").status_code, 200, "its hour began anew")
        self.assertEqual(self.unused_for(minutes=61), 401)
        self.assertFalse(SignedIn.objects.exists())
        self.assertTrue(AuditEntry.objects.filter(action="me.sign_out").exists())
        self.assertEqual(self.client.get("/api/me").status_code, 401)

    @override_settings(IDLE_MINUTES=15)
    def test_the_idle_time_is_the_settings(self) -> None:
        self.assertEqual(self.unused_for(minutes=16), 401)

    def test_a_clock_set_back_keeps_nobody_in_for_longer(self) -> None:
        self.assertEqual(self.unused_for(days=-1), 200)
        self.assertLessEqual(SignedIn.objects.get().seen, timezone.now())

    def test_a_session_that_is_on_no_list_of_devices_lets_nobody_in(self) -> None:
        SignedIn.objects.all().delete()
        self.assertEqual(self.client.get("/api/me").status_code, 401)

    def test_the_list_of_devices_leaves_out_those_that_lie_idle(self) -> None:
        other = Client()
        sign_in(other, Member.objects.get())
        self.assertEqual(len(self.client.get("/api/me/devices").json()), 2)
        SignedIn.objects.exclude(key=self.client.session.session_key).update(seen=timezone.now() - timedelta(hours=2))
        self.assertEqual([d["here"] for d in self.client.get("/api/me/devices").json()], [True])
