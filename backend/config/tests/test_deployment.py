"""Behind a front that speaks TLS nothing is left that Django's deployment checks warn of (manage.py check --deploy)."""

import os
import subprocess
import sys

from django.conf import settings
from django.test import SimpleTestCase


class DeploymentTest(SimpleTestCase):
    def check(self, **environment: str) -> subprocess.CompletedProcess[str]:
        own = {k: v for k, v in os.environ.items() if not k.startswith(("POLLICOR_", "DJANGO_"))}
        own |= {"DJANGO_SETTINGS_MODULE": "config.settings.production", "POLLICOR_HOSTS": "hands.example.org"}
        command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
        return subprocess.run(
            command, cwd=settings.BACKEND, env={**own, **environment}, capture_output=True, text=True, check=False
        )

    def test_nothing_is_left_to_warn_of(self) -> None:
        done = self.check(POLLICOR_HTTPS="1", POLLICOR_SECRET_KEY="k9" * 20 + "Xy-_" * 6)
        self.assertEqual((done.returncode, done.stderr.strip()), (0, ""), done.stderr)

    def test_without_tls_it_says_so(self) -> None:
        done = self.check(POLLICOR_SECRET_KEY="k9" * 20 + "Xy-_" * 6)
        self.assertNotEqual(done.returncode, 0)
        self.assertIn("security.W012", done.stderr)

    def test_without_a_key_nothing_starts(self) -> None:
        self.assertIn("POLLICOR_SECRET_KEY is empty", self.check(POLLICOR_HTTPS="1").stderr)
