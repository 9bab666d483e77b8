"""Sign-in through the front that is shipped: a real nginx with deploy/nginx.conf, visitors of several addresses."""

import json
import re
import socket
import subprocess
import time
from http.client import HTTPConnection
from pathlib import Path
from tempfile import TemporaryDirectory
from urllib.parse import urlsplit

from django.conf import settings
from django.test import LiveServerTestCase, override_settings, tag

from clinic.lockout import MOST_FROM_AN_ADDRESS
from testing.builders import make_member

PASSWORD = "a long enough one"


@tag("slow")
@override_settings(AXES_ENABLED=True, BEHIND_FRONT=True, ALLOWED_HOSTS=["*"])
class FrontTest(LiveServerTestCase):
    """The file as it is, but for ports, the certificate and the redirect to TLS."""

    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        front = (settings.REPOSITORY / "deploy" / "nginx.conf").read_text()
        front = re.sub(r"server \{\n  listen 80;.*?\n\}\n", "", front, flags=re.DOTALL)
        front = re.sub(r"\n  ssl_\w+ [^;]+;", "", front).replace("listen 443 ssl", f"listen 127.0.0.1:{self.port}")
        front = front.replace("127.0.0.1:8470", urlsplit(self.live_server_url).netloc)
        paths = "".join(
            f"{p}_temp_path {folder.name}/{p}; " for p in ("client_body", "proxy", "fastcgi", "uwsgi", "scgi")
        )
        http = f"http {{ access_log off; {paths}\n{front} }}"
        main = f"pid {folder.name}/pid; error_log {folder.name}/log; daemon off; user root; events {{}}\n{http}"
        (Path(folder.name) / "nginx.conf").write_text(main)
        nginx = subprocess.Popen(["/usr/sbin/nginx", "-p", folder.name, "-c", f"{folder.name}/nginx.conf"])
        self.addCleanup(nginx.wait)
        self.addCleanup(nginx.terminate)
        self.wait_for_the_front()
        self.maren = make_member(username="maren")

    def wait_for_the_front(self) -> None:
        """Until nginx listens; a port where nobody does refuses at once."""
        for _ in range(1200):
            with socket.socket() as probe:
                if probe.connect_ex(("127.0.0.1", self.port)) == 0:
                    return
            time.sleep(0.05)
        self.fail("nginx did not come up")

    def sign_in(self, name: str, password: str, address: str, cookies: str = "", **headers: str) -> tuple[int, str]:
        """What somebody at an address is answered, and the cookies that came."""
        there = HTTPConnection("127.0.0.1", self.port, timeout=60, source_address=(address, 0))
        there.request("GET", "/api/me")
        token = re.search(r"csrftoken=(\w+)", str(there.getresponse().headers)).group(1)  # type: ignore[union-attr]
        sent = {"Content-Type": "application/json", "X-CSRFToken": token, "Cookie": f"csrftoken={token}; {cookies}"}
        there = HTTPConnection("127.0.0.1", self.port, timeout=60, source_address=(address, 0))
        there.request("POST", "/api/session", json.dumps({"username": name, "password": password}), sent | headers)
        answer = there.getresponse()
        answer.read()
        device = re.search(r"pollicor-device=([^;]+)", str(answer.headers))
        there.close()
        return answer.status, f"pollicor-device={device.group(1)}" if device else ""

    def test_thirty_wrong_names_shut_out_their_own_address_and_nobody_else(self) -> None:
        status, device = self.sign_in("maren", PASSWORD, "127.0.0.2")
        self.assertEqual((status, bool(device)), (200, True))
        for n in range(MOST_FROM_AN_ADDRESS):
            self.sign_in(f"somebody{n}", "summer2026", "127.0.0.2")
        self.assertEqual(self.sign_in("maren", PASSWORD, "127.0.0.2")[0], 429, "a strange device there")
        self.assertEqual(self.sign_in("maren", PASSWORD, "127.0.0.3")[0], 200, "everybody elsewhere")
        self.assertEqual(self.sign_in("maren", PASSWORD, "127.0.0.2", device)[0], 200, "her own device, there too")
        self.assertEqual(self.sign_in("tove", PASSWORD, "127.0.0.2", device)[0], 429, "no device of hers")

    def test_an_address_that_a_visitor_makes_up_does_not_count(self) -> None:
        for n in range(MOST_FROM_AN_ADDRESS):
            self.sign_in(f"somebody{n}", "summer2026", "127.0.0.2", **{"X-Forwarded-For": f"198.51.100.{n}"})
        self.assertEqual(self.sign_in("maren", PASSWORD, "127.0.0.2")[0], 429)

    def test_a_flood_of_tries_stops_at_the_front(self) -> None:
        answers = [self.sign_in("maren", "wrong", "127.0.0.4")[0] for _ in range(70)]
        self.assertEqual(answers[-1], 429)
