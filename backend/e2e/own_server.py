"""A server and a database of a test's own, to be killed, filled and taken away: a cluster with fsync on, through the
same scripts that `./pollicor start` uses.
"""

import json
import os
import signal
import socket
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from unittest import TestCase
from urllib.error import HTTPError, URLError

from e2e.visitor import Visitor

ROOT = Path(__file__).resolve().parents[2]
FILL = """
from testing.builders import make_member, make_child, run_for_child, shown_blocks
m = make_member(username='maren'); r = run_for_child(m, make_child(m)); b = shown_blocks(r)[0]
print(r.pk, b['id'], b['grade'])
"""


def free_port() -> int:
    """A port of this machine that nobody listens on."""
    with socket.socket() as listening:
        listening.bind(("127.0.0.1", 0))
        return int(listening.getsockname()[1])


class OwnServerTest(TestCase):
    """Starts and stops both; each test begins with neither."""

    def setUp(self) -> None:
        self.var = tempfile.mkdtemp(prefix="pollicor-crash-")
        os.chmod(self.var, 0o755)
        self.env = {
            **os.environ,
            "POLLICOR_VAR": self.var,
            "DJANGO_SETTINGS_MODULE": "config.settings.production",
            "POLLICOR_SECRET_KEY": "k",
        }
        self.port = free_port()
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
            f'mkdir -p "$VAR/log"; db_start crash {free_port()}; db_create pollicor; echo '
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

    def serve(self, before: list[str] | None = None) -> None:
        """Start a server and sign in; before: what it is started with, as an argument vector."""
        command = [
            *(before or []),
            sys.executable,
            "-m",
            "gunicorn",
            "config.wsgi:application",
            "--bind",
            f"127.0.0.1:{self.port}",
            "--workers",
            "1",
            "--threads",  # as the real one has: a browser's spare connection would hold up a worker without
            "8",
            "--no-control-socket",
        ]
        self.server = subprocess.Popen(
            command, cwd=ROOT / "backend", env=self.env, stderr=subprocess.DEVNULL, start_new_session=True
        )
        self.visitor = Visitor(f"http://127.0.0.1:{self.port}/")
        for _ in range(150):
            try:
                self.visitor.sign_in("maren", "a long enough one")
                self.ask("GET", "/me")
                return
            except (URLError, ConnectionError, TimeoutError):
                time.sleep(0.1)
        self.fail("the server did not come up")

    def refused(self, method: str, path: str, body: object = None) -> tuple[int, str]:
        """The status and the detail of a call that has to be refused with a problem."""
        with self.assertRaises(HTTPError) as caught:
            self.ask(method, path, body)
        self.assertEqual(caught.exception.headers["Content-Type"], "application/problem+json")
        return caught.exception.code, str(json.load(caught.exception)["detail"])

    def ask(self, method: str, path: str, body: object = None) -> object:
        return self.visitor.ask(method, path, body)
