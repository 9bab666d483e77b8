"""A real browser on a real server with a filled clinic."""

import os
import threading
from collections.abc import Callable
from pathlib import Path

from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.signals import request_finished, request_started
from playwright.sync_api import Browser, Locator, Page, Playwright, expect, sync_playwright

from clinic.models import Member
from testing.builders import make_child, make_home, make_member

os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
AXE = Path(__file__).resolve().parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
FLAGS = [
    "--disable-gpu",
    "--disable-quic",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--no-sandbox",
]
PATIENCE = 120  # seconds until a test gives up: never reached but where something is wrong, however busy the machine
expect.set_options(timeout=PATIENCE * 1000)
WATCH_POLICY = """
window.broken = []
document.addEventListener('securitypolicyviolation', e => {
  window.broken.push(e.violatedDirective + ' ' + e.blockedURI)
})
"""


class Underway:
    """Counts the requests the live server is still working at, so that none outlives its test and meets an emptied
    database.
    """

    def __init__(self) -> None:
        self.count = 0
        self.change = threading.Condition()
        request_started.connect(self._more, weak=False)
        request_finished.connect(self._less, weak=False)

    def _more(self, **_: object) -> None:
        with self.change:
            self.count += 1

    def _less(self, **_: object) -> None:
        with self.change:
            self.count -= 1
            self.change.notify_all()

    def settled(self, seconds: float) -> bool:
        """Wait until nothing is under way; whether that came within so many seconds."""
        with self.change:
            return self.change.wait_for(lambda: self.count <= 0, timeout=seconds)


UNDERWAY = Underway()


class BrowserTest(StaticLiveServerTestCase):
    """Opens headless Chromium once a class, and a fresh signed-in page for each test."""

    playwright: Playwright
    browser: Browser
    page: Page
    lead: Member

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.playwright = sync_playwright().start()
        cls.browser = cls.playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)

    @classmethod
    def tearDownClass(cls) -> None:
        cls.browser.close()
        cls.playwright.stop()
        super().tearDownClass()

    def setUp(self) -> None:
        self.lead = make_member(username="maren")
        self.home = make_home(self.lead)
        self.child = make_child(self.lead, self.home)
        self.page = self.new_page()
        self.errors: list[str] = []
        self.page.on("pageerror", lambda e: self.errors.append(str(e)))

    def tearDown(self) -> None:
        self.assertEqual(self.errors, [])
        self.assertEqual(self.page.evaluate("window.broken ?? []"), [])
        self.page.context.close()
        self.assertTrue(UNDERWAY.settled(PATIENCE), "a request is still under way")

    def new_page(self, *, keeps_files: bool = True) -> Page:
        """A page nobody is signed in on. keeps_files: with the worker that keeps the application on the device; without
        it, a test can hold up or refuse a file.
        """
        context = self.browser.new_context(
            base_url=self.live_server_url,
            viewport={"width": 1280, "height": 800},
            service_workers="allow" if keeps_files else "block",
        )
        page = context.new_page()
        page.add_init_script(WATCH_POLICY)
        page.set_default_timeout(PATIENCE * 1000)
        return page

    def sign_in(self, page: Page | None = None) -> None:
        """Sign in through the form."""
        page = page or self.page
        page.goto("/")
        page.get_by_label("Name").fill("maren")
        page.get_by_label("Password").fill("a long enough one")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("button", name="Sign out").wait_for()

    def opened(self, dialog: str) -> Locator:
        """A dialog once it has the focus: until then it takes it away from whatever is being done in it."""
        found = self.page.get_by_role("dialog", name=dialog)
        found.wait_for()
        self.page.wait_for_function("d => d.contains(document.activeElement)", arg=found.element_handle())
        return found

    def eventually(self, result: Callable[[], bool], what: str) -> None:
        """Wait until something is so in the database; a fixed wait would be too short on a slow machine."""
        for _ in range(PATIENCE * 10):
            if result():
                return
            self.page.wait_for_timeout(100)
        self.fail(f"never came true: {what}")

    def check_axe(self, where: str) -> None:
        """No violation of WCAG 2.2 A or AA that axe can see."""
        self.page.wait_for_timeout(250)
        self.page.evaluate(AXE.read_text())
        result = self.page.evaluate("axe.run({runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']})")
        words = [f"{v['id']}: {v['nodes'][0]['html'][:160]}" for v in result["violations"]]
        self.assertEqual(words, [], where)
