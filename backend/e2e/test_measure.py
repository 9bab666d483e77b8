"""What the way in costs: from an empty clinic to a printed session, counted in actions and in seconds of a
practised user.

Seconds by the keystroke-level model: Card, Moran & Newell 1980, "The keystroke-level model for user performance time
with interactive systems": a key 0.20 s (a good typist), pointing and pressing 1.10 + 0.20 s, moving the user between
mouse and keys 0.40 s, making ready for an action 1.35 s. It leaves out how long the machine takes: `./pollicor bench
pages` measures that.
"""

import re

from django.test import tag
from playwright.sync_api import Locator, Page

from caseload.models import Child, Home
from clinic.models import AuditEntry
from e2e.browser import BrowserTest
from planning.models import Plan
from testing.builders import TODAY

KEY, POINT, HOME_HAND, READY = 0.20, 1.30, 0.40, 1.35
MOST_ACTIONS, MOST_SECONDS, MOST_TABS = 12, 60.0, 60
NAMED = {"Tab", "Enter", "Space", "ArrowDown", "ArrowLeft", "Escape"}
BORN = TODAY.replace(year=TODAY.year - 5, day=1)


class Counted:
    """A user whose every action is counted."""

    def __init__(self, page: Page) -> None:
        self.page, self.actions, self.seconds = page, 0, 0.0

    def press(self, target: Locator) -> None:
        """Point at something and press."""
        target.click()
        self.actions += 1
        self.seconds += READY + POINT

    def write(self, target: Locator, words: str) -> None:
        """Point at a field and type."""
        target.fill(words)
        self.actions += 1
        self.seconds += READY + POINT + 2 * HOME_HAND + KEY * len(words)

    def tab_to(self, target: Locator, *then: str, back: bool = False) -> None:
        """Press Tab, or Shift and Tab, until something has the focus, then other keys; the hands stay on the keys."""
        for _ in range(MOST_TABS):
            if target.evaluate("e => e === document.activeElement || e.contains(document.activeElement)"):
                break
            self.page.keyboard.press("Shift+Tab" if back else "Tab")
            self.seconds += KEY
        else:
            raise AssertionError(f"{MOST_TABS} tabs do not lead to {target}")
        for key in then:
            if key in NAMED:
                self.page.keyboard.press(key)
            else:
                self.page.keyboard.type(key)
            self.seconds += KEY * (1 if key in NAMED else len(key))
        self.actions += 1
        self.seconds += READY


@tag("slow")
class MeasureTest(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        AuditEntry.objects.all().delete()
        Child.objects.all().delete()
        Home.objects.all().delete()
        self.sign_in()

    def print_link(self) -> Locator:
        return self.page.get_by_role("link", name="Prep sheet")

    def test_a_new_child_in_a_new_home_to_a_printed_session(self) -> None:
        page, user = self.page, Counted(self.page)
        page.get_by_text("No child here yet").wait_for()
        user.press(page.get_by_role("button", name="Add the first child"))
        user.write(page.get_by_label("First name"), "Nell")
        user.write(page.get_by_role("textbox", name="Born"), BORN.isoformat())
        user.press(page.get_by_text("Right", exact=True))
        user.press(page.get_by_text("Never", exact=True))
        user.press(page.get_by_text("Choose; the most wanted first"))
        user.press(page.get_by_role("option", name=re.compile("buttons")).first)
        page.keyboard.press("Tab")  # leaves the list; a user would go straight on
        user.press(page.get_by_role("button", name="Add", exact=True))
        user.press(page.get_by_role("button", name="The usual kitchen"))
        page.get_by_text(re.compile(r"\d+ things, saved")).wait_for()
        self.check_axe("stock")
        user.press(page.get_by_role("main").get_by_role("link", name="Plan a session").last)
        user.press(page.get_by_role("button", name="Plan it"))
        page.get_by_role("heading", name="Session plan").wait_for()
        with page.expect_popup() as opened:
            user.press(self.print_link())
        opened.value.get_by_text("Nell").first.wait_for()
        self.within_measure(user)
        child = Child.objects.get()
        self.assertEqual((child.wanted, child.home.name), (["buttons"], "Nell’s home"))
        self.assertGreaterEqual(Plan.objects.get().blocks.count(), 4)

    def test_the_same_by_keyboard_alone(self) -> None:
        page, user = self.page, Counted(self.page)
        page.get_by_text("No child here yet").wait_for()
        user.tab_to(page.get_by_role("button", name="Add the first child"), "Enter")
        user.tab_to(page.get_by_label("First name"), "Nell")
        user.tab_to(page.get_by_role("textbox", name="Born"), f"{BORN:%m%d%Y}")
        user.tab_to(page.get_by_role("radiogroup").first, "ArrowLeft", "ArrowLeft")
        user.tab_to(page.get_by_role("radiogroup").nth(1), "Space")
        user.tab_to(page.get_by_role("combobox", name="Daily tasks wanted"), "Enter", "ArrowDown", "Enter")
        user.tab_to(page.get_by_role("button", name="Add", exact=True), "Enter")
        user.tab_to(page.get_by_role("button", name="The usual kitchen"), "Enter")
        page.get_by_text(re.compile(r"\d+ things, saved")).wait_for()
        user.tab_to(page.get_by_role("main").get_by_role("link", name="Plan a session").last, "Enter", back=True)
        page.get_by_role("button", name="Plan it").wait_for()
        user.tab_to(page.get_by_role("button", name="Plan it"), "Enter")
        page.get_by_role("heading", name="Session plan").wait_for()
        with page.expect_popup() as opened:
            user.tab_to(self.print_link(), "Enter")
        opened.value.get_by_text("Nell").first.wait_for()
        self.within_measure(user)
        child = Child.objects.get()
        self.assertEqual((child.birth_date, len(child.wanted), child.hand), (BORN, 1, "right"))

    def within_measure(self, user: Counted) -> None:
        said = f"{user.actions} actions, {user.seconds:.0f} s"
        self.assertLessEqual(user.actions, MOST_ACTIONS, said)
        self.assertLessEqual(user.seconds, MOST_SECONDS, said)
        print(f"\n{said}")
