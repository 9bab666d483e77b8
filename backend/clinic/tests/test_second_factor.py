"""The second factor and mail. Codes are made by an independent reading of RFC 6238, checked by its test vectors."""

import hashlib
import hmac
import struct
import time
from base64 import b32decode
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest.mock import patch

from django.core import mail
from django.test import Client, TestCase, override_settings

from clinic.models import AuditEntry
from clinic.people_actions import offer_reset
from testing.builders import Api, make_member
from testing.tags import slow

PASSWORD = "a long enough one"


def code_of(secret: bytes, at: float, digits: int = 6) -> str:
    """RFC 6238 with SHA-1 and steps of 30 s, over RFC 4226."""
    digest = hmac.new(secret, struct.pack(">Q", int(at) // 30), hashlib.sha1).digest()
    offset = digest[-1] & 15
    number = struct.unpack(">I", digest[offset : offset + 4])[0] & 0x7FFFFFFF
    return str(number % 10**digits).zfill(digits)


class SecondFactorTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.api = Api(self.lead)

    def sign_in(self, **more: str) -> tuple[int, Any]:
        body = {"username": self.lead.user.username, "password": PASSWORD, **more}
        answer = Client().post("/api/session", body, content_type="application/json")
        return answer.status_code, answer.json()

    def switched_on(self) -> tuple[bytes, list[str]]:
        secret = b32decode(self.api("post", "/me/second-factor")[1]["secret"])
        status, out = self.api("post", "/me/second-factor/confirm", {"code": code_of(secret, time.time())})
        self.assertEqual(status, 200, out)
        return secret, out["codes"]

    def test_codes_agree_with_the_standards_own(self) -> None:
        """RFC 6238, appendix B, SHA-1, eight digits."""
        for at, code in ((59, "94287082"), (1111111109, "07081804"), (20000000000, "65353130")):
            self.assertEqual(code_of(b"12345678901234567890", at, 8), code)

    def test_nothing_is_asked_before_a_code_was_shown(self) -> None:
        begun = self.api("post", "/me/second-factor")[1]
        self.assertIn("<svg", begun["qr"])
        self.assertEqual(self.api("post", "/me/second-factor/confirm", {"code": "000000"})[0], 422)
        self.assertEqual(self.sign_in()[0], 200)
        self.assertFalse(self.api("get", "/me/second-factor")[1]["on"])

    def test_the_app_s_code_lets_in_and_a_wrong_one_does_not(self) -> None:
        secret, _ = self.switched_on()
        status, answer = self.sign_in()
        self.assertEqual((status, answer["fields"][0]["field"]), (401, "code"))
        missed = AuditEntry.objects.filter(action="refused.sign_in")
        self.assertFalse(missed.exists(), "no code yet is no miss")
        self.assertEqual(self.sign_in(code="123456" if code_of(secret, time.time()) != "123456" else "654321")[0], 401)
        self.assertEqual(missed.count(), 1)
        self.assertEqual(
            self.sign_in(password="wrong", code=code_of(secret, time.time()))[1]["fields"][0]["field"], "username"
        )

    def test_a_code_of_the_next_half_minute_lets_in_once(self) -> None:
        secret, _ = self.switched_on()
        later = time.time() + 60
        with patch("time.time", lambda: later):
            code = code_of(secret, later)
            self.assertEqual([self.sign_in(code=code)[0], self.sign_in(code=code)[0]], [200, 401])

    def test_a_code_on_paper_lets_in_once(self) -> None:
        _, codes = self.switched_on()
        self.assertEqual(len(set(codes)), 8)
        self.assertEqual([self.sign_in(code=codes[0])[0], self.sign_in(code=codes[0])[0]], [200, 401])
        self.assertEqual(self.api("get", "/me/second-factor")[1], {"on": True, "codes_left": 7})

    @slow
    def test_it_goes_with_the_password_or_with_the_leads_reset_link(self) -> None:
        self.switched_on()
        self.assertEqual(self.api("post", "/me/second-factor")[0], 409)
        self.assertEqual(self.api("post", "/me/second-factor/off", {"password": "no"})[0], 422)
        self.assertFalse(self.api("post", "/me/second-factor/off", {"password": PASSWORD})[1]["on"])
        self.assertEqual(self.sign_in()[0], 200)
        self.switched_on()
        _, token = offer_reset(self.lead, self.lead)
        Client().post(
            f"/api/join/{token}/password", {"password": "three boats in a row"}, content_type="application/json"
        )
        self.assertEqual(self.sign_in(password="three boats in a row")[0], 200)

    def test_the_log_says_that_it_was_switched_and_no_secret(self) -> None:
        secret, codes = self.switched_on()
        said = str(list(AuditEntry.objects.values_list("detail", flat=True)))
        self.assertIn("'second_factor': 'on'", said)
        self.assertNotIn(secret.hex(), said)
        self.assertNotIn(codes[0], said)


class MailTest(TestCase):
    def setUp(self) -> None:
        self.api = Api(make_member("lead"))
        self.body = {"name": "Tove Alder", "role": "therapist", "email": " tove@example.org "}

    @override_settings(MAIL_HOST="mail.example.org")
    def test_an_invitation_is_mailed_with_its_link(self) -> None:
        link = self.api("post", "/links", self.body)[1]
        self.assertEqual((link["mailed"], link["email"]), ("sent", "tove@example.org"))
        (sent,) = mail.outbox
        self.assertEqual(sent.to, ["tove@example.org"])
        self.assertIn(link["address"], sent.body)

    def test_without_a_server_it_is_written_to_a_folder_and_said_so(self) -> None:
        with TemporaryDirectory() as folder:
            backend = "django.core.mail.backends.filebased.EmailBackend"
            with self.settings(EMAIL_BACKEND=backend, EMAIL_FILE_PATH=folder):
                link = self.api("post", "/links", self.body)[1]
            (written,) = Path(folder).iterdir()
            self.assertIn(link["address"], written.read_text())
        self.assertEqual(link["mailed"], "written")

    def test_a_server_that_fails_leaves_the_link_to_be_copied(self) -> None:
        with patch("clinic.mail.send_mail", side_effect=ConnectionRefusedError), self.assertLogs("clinic.mail"):
            status, link = self.api("post", "/links", self.body)
        self.assertEqual((status, link["mailed"]), (201, "failed"))
        self.assertTrue(link["address"])

    def test_no_address_no_mail_and_a_wrong_one_is_refused(self) -> None:
        self.assertEqual(self.api("post", "/links", {**self.body, "email": ""})[1]["mailed"], "")
        status, answer = self.api("post", "/links", {**self.body, "email": "tove at home"})
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "email"))
        self.assertEqual(mail.outbox, [])

    def test_who_joined_by_mail_gets_a_new_password_by_mail(self) -> None:
        token = self.api("post", "/links", self.body)[1]["address"].rsplit("/", 1)[1]
        body = {"name": "Tove Alder", "username": "tove", "password": "three boats in a row"}
        Client().post(f"/api/join/{token}", body, content_type="application/json")
        tove = next(p for p in self.api("get", "/people")[1]["people"] if p["username"] == "tove")
        self.assertEqual(self.api("post", f"/people/{tove['id']}/reset")[1]["email"], "tove@example.org")
        self.assertIn("new password", mail.outbox[-1].body)
