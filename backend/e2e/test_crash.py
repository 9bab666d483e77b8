"""Server and database killed in the middle of a run: every tap that was answered is there, none twice.

On a cluster of its own, with fsync on, through the same scripts that `./pollicor start` uses.
"""

import json
import os
import re
import signal
import subprocess
import sys
import tempfile
import time
from http.cookiejar import CookieJar
from pathlib import Path
from unittest import TestCase
from urllib.error import URLError
from urllib.request import HTTPCookieProcessor, Request, build_opener
from uuid import uuid4

from playwright.sync_api import sync_playwright

from e2e.browser import FLAGS

ROOT = Path(__file__).resolve().parents[2]
PORT = 8571
FILL = """
from testing.builders import make_member, make_child, run_for_child, shown_blocks
m = make_member(username='maren'); r = run_for_child(m, make_child(m)); b = shown_blocks(r)[0]
print(r.pk, b['id'], b['grade'])
"""


class CrashTest(TestCase):
    def setUp(self) -> None:
        self.var = tempfile.mkdtemp(prefix="pollicor-crash-")
        os.chmod(self.var, 0o755)
        self.env = {
            **os.environ,
            "POLLICOR_VAR": self.var,
            "DJANGO_SETTINGS_MODULE": "config.settings.production",
            "POLLICOR_SECRET_KEY": "k",
        }
        self.server: subprocess.Popen[bytes] | None = None

    def tearDown(self) -> None:
        if self.server:
            self.kill()
        self.database("db_stop crash")
        subprocess.run(["rm", "-rf", self.var], check=True)

    def kill(self) -> None:
        """Kill the server and its workers at once, as a power cut would."""
        assert self.server is not None
        os.killpg(self.server.pid, signal.SIGKILL)
        self.server.wait()
        self.server = None

    def database(self, command: str) -> str:
        script = f"source {ROOT}/scripts/common.sh; source {ROOT}/scripts/database.sh; {command}"
        done = subprocess.run(["bash", "-ec", script], env=self.env, check=False, capture_output=True, text=True)
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        return done.stdout

    def start(self) -> None:
        result = self.database(
            'mkdir -p "$VAR/log"; db_start crash 54629; db_create pollicor; echo '
            '"=$POLLICOR_DB_PORT=$POLLICOR_DB_PASSWORD"'
        )
        _, port, password = result.strip().splitlines()[-1].split("=")
        self.env |= {"POLLICOR_DB_PORT": port, "POLLICOR_DB_PASSWORD": password}

    def manage(self, *words: str, text: str | None = None) -> str:
        done = subprocess.run(
            [sys.executable, "manage.py", *words],
            cwd=ROOT / "backend",
            env=self.env,
            check=True,
            capture_output=True,
            text=True,
            input=text,
        )
        return done.stdout

    def serve(self) -> None:
        command = [
            sys.executable,
            "-m",
            "gunicorn",
            "config.wsgi:application",
            "--bind",
            f"127.0.0.1:{PORT}",
            "--workers",
            "1",
            "--threads",  # as the real one has: a browser's spare connection would hold up a worker without
            "8",
            "--no-control-socket",
        ]
        self.server = subprocess.Popen(
            command, cwd=ROOT / "backend", env=self.env, stderr=subprocess.DEVNULL, start_new_session=True
        )
        self.jar = CookieJar()
        self.opener = build_opener(HTTPCookieProcessor(self.jar))
        for _ in range(150):
            try:
                self.opener.open(f"http://127.0.0.1:{PORT}/", timeout=60).close()  # the page brings the token
                self.ask("POST", "/session", {"username": "maren", "password": "a long enough one"})
                self.ask("GET", "/me")
                return
            except (URLError, ConnectionError, TimeoutError):
                time.sleep(0.1)
        self.fail("the server did not come up")

    def ask(self, method: str, path: str, body: object = None) -> object:
        token = next((c.value for c in self.jar if c.name == "csrftoken"), "") or ""
        headers = {"Content-Type": "application/json", "X-CSRFToken": token}
        request = Request(
            f"http://127.0.0.1:{PORT}/api{path}",
            json.dumps(body).encode() if body is not None else None,
            headers,
            method=method,
        )
        with self.opener.open(request, timeout=60) as answer:
            return json.loads(answer.read() or "null")

    def test_every_answered_tap_survives_both_being_killed(self) -> None:
        self.start()
        self.manage("migrate", "--verbosity", "0")
        run, block, grade = self.manage("shell", "--verbosity", "0", "-c", FILL).strip().splitlines()[-1].split(" ", 2)
        self.serve()
        value = {"outcome": "success", "support": "alone", "grade": json.loads(grade)}
        taps = [
            {"id": str(uuid4()), "block": block, "kind": "try", "at": f"2026-03-02T09:00:{i:02}Z", "value": value}
            for i in range(40)
        ]
        self.ask("POST", f"/runs/{run}/events", taps[:25])

        home = (Path(self.var) / "crash.where").read_text().strip()
        postmaster = int((Path(home) / "postmaster.pid").read_text().splitlines()[0])
        os.kill(postmaster, signal.SIGKILL)
        self.kill()
        time.sleep(1)

        self.start()
        self.serve()
        self.ask("POST", f"/runs/{run}/events", taps[20:])
        result = self.ask("GET", f"/runs/{run}")
        assert isinstance(result, dict)
        self.assertEqual(sorted(e["id"] for e in result["events"]), sorted(t["id"] for t in taps))

    def test_an_opened_run_goes_on_with_the_server_gone_and_after_a_reload(self) -> None:
        self.start()
        self.manage("migrate", "--verbosity", "0")
        self.manage("collectstatic", "--noinput", "-i", "ninja", "--verbosity", "0")
        run = self.manage("shell", "--verbosity", "0", "-c", FILL).strip().splitlines()[-1].split(" ", 1)[0]
        self.serve()
        with sync_playwright() as playwright:
            page = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS).new_page()
            page.set_default_timeout(90_000)
            page.goto(f"http://127.0.0.1:{PORT}/")
            page.get_by_label("Name").fill("maren")
            page.get_by_label("Password").fill("a long enough one")
            page.get_by_role("button", name="Sign in").click()
            page.get_by_role("button", name="Sign out").wait_for()
            page.goto(f"http://127.0.0.1:{PORT}/runs/{run}")
            alone = page.get_by_role("button", name=re.compile("On their own"))
            alone.click()
            page.evaluate("() => navigator.serviceWorker.ready.then(() => new Promise(r => setTimeout(r, 1500)))")

            self.kill()
            for _ in range(5):
                alone.click()
            page.reload()
            page.get_by_text("6 alone ·").wait_for()
            for _ in range(4):
                alone.click()
            page.get_by_text("to send").wait_for()

            self.serve()
            page.get_by_text("to send").wait_for(state="hidden", timeout=30_000)
            result = self.ask("GET", f"/runs/{run}")
        assert isinstance(result, dict)
        self.assertEqual(len({e["id"] for e in result["events"]}), 10)
