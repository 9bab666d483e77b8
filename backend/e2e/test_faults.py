"""What a run has to survive at the table: a reload, two tabs, two tablets, an expired sign-in, a changed plan."""

import re

from playwright.sync_api import Page, expect

from e2e.browser import BrowserTest
from planning.models import Plan
from running.models import Run, RunEvent
from testing.builders import TODAY, make_member, plan_for_child, run_for_child, shown_blocks

ALONE = re.compile("On their own")


class FaultTest(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.run_ = run_for_child(self.lead, self.child)
        self.path = f"/runs/{self.run_.pk}"
        self.sign_in()
        self.open(self.page)

    def open(self, page: Page) -> None:
        page.goto(self.path)
        page.get_by_role("button", name=ALONE).wait_for()

    def tap(self, times: int, page: Page | None = None) -> None:
        for _ in range(times):
            (page or self.page).get_by_role("button", name=ALONE).click()

    def kept(self, tries: int) -> None:
        self.eventually(
            lambda: RunEvent.objects.filter(run=self.run_, kind="try").count() == tries, f"{tries} tries kept"
        )

    def test_a_reload_in_the_middle_of_a_set_loses_nothing(self) -> None:
        self.tap(3)
        self.page.reload()
        self.page.get_by_text("3 alone ·").wait_for()
        self.tap(1)
        self.kept(4)

    def test_two_tabs_show_the_same_count(self) -> None:
        other = self.page.context.new_page()
        self.open(other)
        self.tap(2)
        other.get_by_text("2 alone ·").wait_for()
        other.get_by_text("open in another tab").wait_for()
        self.tap(1, other)
        self.page.get_by_text("3 alone ·").wait_for()
        self.kept(3)

    def test_two_tablets_on_one_run_are_joined_and_told(self) -> None:
        make_member("therapist", self.lead.clinic, username="tove")
        other = self.new_page()
        other.goto("/")
        other.get_by_label("Name").fill("tove")
        other.get_by_label("Password").fill("a long enough one")
        other.get_by_role("button", name="Sign in").click()
        other.get_by_role("button", name="Sign out").wait_for()
        self.open(other)
        self.tap(4)
        self.kept(4)
        self.tap(1, other)
        other.get_by_text("Another tablet is recording this session").wait_for()
        other.get_by_text("5 alone ·").wait_for()
        self.kept(5)
        other.context.close()

    def test_an_expired_sign_in_keeps_every_tap_and_says_so(self) -> None:
        self.page.context.clear_cookies()
        self.tap(3)
        self.page.get_by_text("You were signed out. Every tap is kept on this tablet").wait_for()
        self.page.get_by_role("link", name="sign in again").click()
        self.page.get_by_label("Name").fill("maren")
        self.page.get_by_label("Password").fill("a long enough one")
        self.page.get_by_role("button", name="Sign in").click()
        self.page.get_by_text("3 alone ·").wait_for()
        self.kept(3)

    def test_a_plan_changed_meanwhile_leaves_the_run_as_it_began(self) -> None:
        before = [b["activity_id"] for b in shown_blocks(self.run_)]
        self.tap(2)
        Plan.objects.get(pk=self.run_.plan_id).blocks.all().delete()
        plan_for_child(self.lead, self.child, 20, ("scissors",))
        self.page.reload()
        self.page.get_by_text("2 alone ·").wait_for()
        self.page.get_by_role("button", name="Finish", exact=True).click()
        self.page.get_by_role("button", name="End the session").click()
        self.page.get_by_role("heading", name="How it went for Wyn").wait_for()
        self.assertEqual([b["activity_id"] for b in shown_blocks(Run.objects.get(pk=self.run_.pk))], before)

    def test_three_hundred_taps_without_a_network_are_all_sent_afterwards(self) -> None:
        self.page.context.set_offline(True)
        for _ in range(300):
            self.page.keyboard.press("1")
        expect(self.page.get_by_role("status").filter(has_text="to send")).to_have_text(
            "No network: kept here, 300 to send"
        )
        self.assertEqual(RunEvent.objects.count(), 0)
        self.page.context.set_offline(False)
        self.kept(300)
        self.assertEqual(self.run_.on, TODAY)
