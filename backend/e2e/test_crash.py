"""Server and database killed in the middle of a run: every tap that was answered is there, none twice."""

import json
import os
import re
import signal
import time
from pathlib import Path
from uuid import uuid4

from playwright.sync_api import sync_playwright

from e2e.browser import FLAGS
from e2e.own_server import FILL, ROOT, OwnServerTest


class CrashTest(OwnServerTest):
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
            page.goto(f"http://127.0.0.1:{self.port}/")
            page.get_by_label("Name").fill("maren")
            page.get_by_label("Password").fill("a long enough one")
            page.get_by_role("button", name="Sign in").click()
            page.get_by_role("button", name="Sign out").wait_for()
            page.goto(f"http://127.0.0.1:{self.port}/runs/{run}")
            alone = page.get_by_role("button", name=re.compile("On their own"))
            alone.click()
            page.evaluate("() => navigator.serviceWorker.ready")
            built = [f"/static/assets/{f.name}" for f in (ROOT / "frontend" / "dist" / "assets").iterdir()]
            kept = "async built => (await Promise.all(built.map(f => caches.match(f)))).filter(Boolean).length"
            self.assertEqual(page.evaluate(kept, built), len(built), "pages that were never opened are there too")

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
