"""Behind a front that speaks TLS nothing is left that Django's deployment checks warn of (manage.py check --deploy)."""

import os
import re
import subprocess
import sys
from configparser import ConfigParser

from django.conf import settings
from django.test import SimpleTestCase

from testing.tags import slow


class DeploymentTest(SimpleTestCase):
    def check(self, **environment: str) -> subprocess.CompletedProcess[str]:
        own = {k: v for k, v in os.environ.items() if not k.startswith(("POLLICOR_", "DJANGO_"))}
        own |= {"DJANGO_SETTINGS_MODULE": "config.settings.production", "POLLICOR_HOSTS": "hands.example.org"}
        command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
        return subprocess.run(
            command, cwd=settings.BACKEND, env={**own, **environment}, capture_output=True, text=True, check=False
        )

    @slow
    def test_nothing_is_left_to_warn_of(self) -> None:
        done = self.check(POLLICOR_HTTPS="1", POLLICOR_SECRET_KEY="k9" * 20 + "Xy-_" * 6)
        self.assertEqual((done.returncode, done.stderr.strip()), (0, ""), done.stderr)

    @slow
    def test_without_tls_it_says_so(self) -> None:
        done = self.check(POLLICOR_SECRET_KEY="k9" * 20 + "Xy-_" * 6)
        self.assertNotEqual(done.returncode, 0)
        self.assertIn("security.W012", done.stderr)

    def test_without_a_key_nothing_starts(self) -> None:
        self.assertIn("POLLICOR_SECRET_KEY is empty", self.check(POLLICOR_HTTPS="1").stderr)

    def test_whatever_ends_is_started_again_also_when_it_ended_well(self) -> None:
        """A worker that was asked to end, or gave up on its database, ends with 0: supervisor calls that expected."""
        programs = ConfigParser(interpolation=None, inline_comment_prefixes=(";",))
        programs.read(settings.REPOSITORY / "scripts" / "supervisord.conf")
        ours = [name for name in programs.sections() if name.startswith("program:")]
        self.assertEqual(len(ours), 3)
        self.assertEqual({programs[name]["autorestart"] for name in ours}, {"true"})

    def test_what_the_containers_are_set_by_is_said(self) -> None:
        compose = (settings.REPOSITORY / "deploy" / "compose.yaml").read_text()
        said = (settings.REPOSITORY / "docs" / "deploy.md").read_text()
        asked = set(re.findall(r"[^$]\$\{(POLLICOR_\w+)", compose))
        self.assertIn("POLLICOR_CERTIFICATES", asked)
        self.assertEqual({name for name in asked if name not in said}, set())

    def test_the_front_of_the_containers_puts_its_names_into_the_front_that_is(self) -> None:
        compose = (settings.REPOSITORY / "deploy" / "compose.yaml").read_text()
        front = (settings.REPOSITORY / "deploy" / "nginx.conf").read_text()
        replaced = re.findall(r"[\"']s/([^/]+)/", compose)
        self.assertEqual(len(replaced), 2)
        for name in replaced:
            self.assertIn(name, front)
