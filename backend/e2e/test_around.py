"""What stands around the sessions, in a browser: the first look, the day, accounts, records, keys."""

import re
import time
from base64 import b32decode
from datetime import timedelta

from django.test import tag
from playwright.sync_api import Route, TimeoutError, expect

from caseload.models import Child
from clinic.tests.test_second_factor import code_of
from e2e.browser import BrowserTest
from progress.actions import finish_run
from progress.library_actions import replay_all, work_out
from running.actions import keep_events
from running.models import Run
from testing.builders import TODAY, make_child, make_member, plan_for_child, run_for_child, shown_blocks, tries
from visits.models import Visit


@tag("slow")
class AroundTest(BrowserTest):
    def test_a_first_look_from_the_childs_page_to_its_results(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="First look").click()
        page.get_by_role("button", name="None known").click()
        page.get_by_role("button", name="None known").wait_for(state="detached")
        page.get_by_role("button", name="First look at Lock cottage").click()
        page.get_by_text("Tells most about").wait_for()
        self.check_axe("look")
        for number in (1, 2, 3):
            page.get_by_role("button", name=re.compile(f"^{number}: ")).wait_for()
            count = int(Run.objects.get().blocks[-1]["block"]["count"])
            for _ in range(count):
                page.get_by_role("button", name=re.compile("On their own")).click()
        page.get_by_role("button", name=re.compile("^4: ")).wait_for()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name=re.compile("Finish|End")).last.click()
        self.eventually(lambda: Run.objects.get().ended_at is not None, "the look ended")
        self.assertGreaterEqual(self.child.estimates.filter(tries__gt=0).count(), 1)

    def test_the_day_from_a_visit_to_its_papers(self) -> None:
        page = self.page
        plan_for_child(self.lead, self.child)
        self.sign_in()
        page.keyboard.press("d")
        page.get_by_text("You have no visits that day").wait_for()
        self.check_axe("empty day")
        page.get_by_role("button", name="Add a visit").click()
        page.get_by_role("combobox", name="Who").press("ArrowDown")
        page.get_by_role("option", name=re.compile("Wyn")).click()
        page.get_by_label("Time", exact=True).fill("09:30")
        page.get_by_label("How many times").fill("3")
        page.get_by_label("How many times").press("Tab")
        page.get_by_role("button", name="Save").click()
        page.get_by_text("09:30 Wyn").wait_for()
        self.assertEqual([v.on for v in Visit.objects.all()], [TODAY + timedelta(weeks=n) for n in range(3)])
        page.get_by_role("link", name="Open the plan").wait_for()
        self.check_axe("day")
        with page.expect_popup() as opened:
            page.get_by_role("link", name="As a page").click()
        opened.value.get_by_text("Wyn: 30 minutes").wait_for()
        page.get_by_role("button", name="Did not take place").click()
        page.get_by_role("button", name="Save", exact=True).click()
        page.get_by_text("Say why it did not take place").wait_for()
        page.get_by_label("Why", exact=True).fill("ill")
        page.get_by_role("button", name="Save", exact=True).click()
        page.get_by_text("No show: ill").wait_for()

    def test_a_second_factor_is_switched_on_and_asked_for(self) -> None:
        page = self.page
        self.sign_in()
        page.goto("/me")
        factor = page.get_by_label("Second factor")
        factor.get_by_role("button", name="Switch on…").click()
        secret = b32decode(factor.locator(".secret").inner_text())
        factor.get_by_label("The code it shows now").fill(code_of(secret, time.time()))
        factor.get_by_role("button", name="Switch on").click()
        page.get_by_text("8 codes on paper are left").wait_for()
        paper = factor.get_by_role("listitem").first.inner_text()
        self.check_axe("account")
        page.get_by_role("button", name="Sign out", exact=True).click()
        page.get_by_role("button", name="Sign in").wait_for()
        page.get_by_label("Name").fill("maren")
        page.get_by_label("Password").fill("a long enough one")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_label("Code from your app").fill(paper)
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("button", name="Sign out").wait_for()

    def test_a_colleague_is_signed_out_elsewhere_and_a_calendar_link_is_made(self) -> None:
        page, other = self.page, self.new_page()
        self.sign_in()
        self.sign_in(other)
        page.goto("/me")
        page.get_by_role("button", name="Sign out there").click()
        page.get_by_role("button", name="Sign out there").wait_for(state="detached")
        other.reload()
        other.get_by_role("button", name="Sign in").wait_for()
        page.get_by_role("button", name="Make a link").click()
        link = page.get_by_label("Calendar link").input_value()
        self.assertIn(b"BEGIN:VCALENDAR", page.request.get(link).body())

    def test_care_ends_the_record_goes_and_the_log_says_so(self) -> None:
        page = self.page
        make_member("therapist", self.lead.clinic, "tove")
        self.sign_in()
        page.goto(f"/children/{self.child.pk}")
        page.get_by_role("button", name="Discharge or archive…").click()
        expect(page.get_by_label("Summary, drafted from the record")).to_have_value(re.compile("What the family wants"))
        self.check_axe("care ends")
        page.get_by_role("button", name="Discharge Wyn").click()
        page.get_by_role("button", name="Bring Wyn back").wait_for()
        self.assertEqual(Child.objects.get(pk=self.child.pk).care, "discharged")
        page.get_by_role("button", name="Delete it…").click()
        page.get_by_label("Who asked for it, and when").fill("The parents, by letter, today.")
        page.get_by_label("Write Wyn to go on").fill("Win")
        page.get_by_role("button", name="Delete the whole record").click()
        page.get_by_text("That is not this child's name").wait_for()
        page.get_by_label("Write Wyn to go on").fill("Wyn")
        page.get_by_role("button", name="Delete the whole record").click()
        page.get_by_text("No child here yet").wait_for()
        self.assertFalse(Child.objects.filter(pk=self.child.pk).exists())
        page.goto("/audit")
        page.get_by_text("delete a child's record").first.wait_for()
        self.check_axe("audit")

    def test_keys_are_listed_and_lead_where_they_say(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_label("First steps").wait_for()
        page.get_by_role("button", name="I know the way").click()
        page.keyboard.press("?")
        page.get_by_text("find a child by first letters").wait_for()
        self.check_axe("keys")
        page.get_by_role("button", name="Show the first steps again").click()
        page.get_by_label("First steps").wait_for()
        page.keyboard.press("n")
        name = page.get_by_label("First name")
        name.fill("Nell?")
        page.keyboard.press("Escape")
        page.reload()
        page.keyboard.press("n")
        self.assertEqual(page.get_by_label("First name").input_value(), "Nell?", "what was typed outlives a reload")

    def test_a_referral_s_words_are_ticked_and_one_is_taken_back_with_one_tap(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="Add a child").click()
        page.get_by_label("First name").fill("Nell")
        page.get_by_role("textbox", name="Born").fill("2022-01-15")
        page.get_by_text("Never", exact=True).click()
        page.get_by_label(re.compile("^Why the child comes")).fill("Can't do buttons yet; snips, weak hands.")
        wish = page.get_by_role("button", name=re.compile("Wish: Do own buttons"))
        expect(wish).to_have_attribute("aria-pressed", "true")
        weak = page.get_by_role("button", name=re.compile("Starts behind: Power grip"))
        expect(weak).to_have_attribute("aria-pressed", "true")
        self.check_axe("referral")
        weak.click()
        expect(weak).to_have_attribute("aria-pressed", "false")
        page.get_by_role("button", name="Add", exact=True).click()
        self.eventually(lambda: Child.objects.filter(first_name="Nell").exists(), "the child")
        child = Child.objects.get(first_name="Nell")
        self.assertEqual((child.wanted, child.behind, child.told), (["buttons"], [], {"cutting": 3}))

    def test_an_assistant_runs_what_a_therapist_planned_with_the_steps_in_view(self) -> None:
        page = self.page
        make_member("assistant", self.lead.clinic, "ilja")
        page.goto("/")
        page.get_by_label("Name").fill("ilja")
        page.get_by_label("Password").fill("a long enough one")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("button", name="Sign out").wait_for()
        page.get_by_role("link", name="Sessions").click()
        page.get_by_text("No session is planned for Wyn yet").wait_for()
        expect(page.get_by_role("button", name="Plan it")).to_have_count(0)
        plan_for_child(self.lead, self.child)
        page.reload()
        page.get_by_role("heading", name="Planned and earlier sessions").wait_for()
        self.check_axe("an assistant's sessions")
        page.locator("a.earlier").click()
        page.get_by_role("button", name="Run it").click()
        how = page.get_by_text("Counts when:", exact=True)
        how.wait_for()
        self.check_axe("run, led")
        page.get_by_role("button", name="Hide how it is done").click()
        how.wait_for(state="detached")
        self.assertEqual(Run.objects.get().by.role, "assistant")

    def test_the_lead_accepts_what_the_children_taught_and_the_next_plan_says_so(self) -> None:
        page = self.page
        for child in (self.child, *(make_child(self.lead, self.home) for _ in range(2))):
            for week in (2, 1):
                run = run_for_child(self.lead, child, TODAY - timedelta(weeks=week))
                at = next(i for i, b in enumerate(shown_blocks(run)) if b["part"] == "main")
                keep_events(self.lead, run, tries(run, at, "00010000"))
                finish_run(self.lead, run)
        version = work_out(self.lead.clinic)
        assert version is not None
        self.sign_in()
        page.get_by_role("link", name="Clinic", exact=True).click()
        page.get_by_role("link", name="What your sessions taught the library").click()
        page.get_by_role("heading", name="Proposed: version 1").wait_for()
        expect(page.get_by_text("From 3 children")).to_be_visible()
        self.check_axe("learned")
        page.get_by_role("button", name="Accept").click()
        page.get_by_role("heading", name="In use: version 1").wait_for()
        expect(page.get_by_role("heading", name="Nothing new")).to_be_visible()
        replay_all(self.lead.clinic)
        plan = plan_for_child(self.lead, self.child)
        self.assertEqual(plan.learned, version.name)
        page.goto(f"/plans/{plan.pk}")
        page.get_by_text("why this one?").click()
        page.get_by_text(f"version {version.name} of the library").wait_for()
        page.goto(f"/children/{self.child.pk}/progress")
        page.get_by_role("heading", name="Worth finding out").wait_for()
        page.get_by_role("button", name="Look again at Lock cottage").wait_for()
        self.check_axe("progress")

    def test_the_palette_leads_anywhere_by_keyboard(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_text(self.child.first_name).first.wait_for()
        page.keyboard.press("Control+k")
        expect(page.get_by_role("combobox", name="Go to a child, a page or an action")).to_be_focused()
        self.check_axe("palette")
        page.keyboard.type(self.child.first_name[:2].lower())
        page.get_by_role("option", name=re.compile(self.child.first_name)).first.wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name=self.child.first_name, level=1).wait_for()
        page.keyboard.press("Control+k")
        expect(page.get_by_role("combobox", name="Go to a child, a page or an action")).to_be_focused()
        page.keyboard.type("activ")
        page.get_by_role("option", name=re.compile("Activities")).wait_for()
        page.keyboard.press("Enter")
        page.get_by_text("activities this home can offer").wait_for()
        page.keyboard.press("Control+k")
        expect(page.get_by_role("combobox", name="Go to a child, a page or an action")).to_be_focused()
        page.keyboard.type("own lib")
        page.get_by_role("option", name=re.compile("Our library")).wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Our library").wait_for()
        page.go_back()
        page.get_by_text("activities this home can offer").wait_for()

    def test_on_a_phone_everything_is_at_the_thumb_and_nothing_runs_off_the_page(self) -> None:
        page = self.page
        self.sign_in()
        page.set_viewport_size({"width": 390, "height": 844})
        child = f"/children/{self.child.pk}"
        for address in ("/", child, f"{child}/cupboard", f"{child}/library", f"{child}/plan", f"{child}/week", "/day"):
            page.goto(address)
            page.wait_for_load_state("networkidle")
            wide = page.evaluate("document.documentElement.scrollWidth")
            self.assertLessEqual(wide, 390, address)
            self.check_axe(f"{address} on a phone")
        tabs = page.get_by_role("navigation", name="Main, at the thumb")
        tabs.get_by_role("button", name="More").click()
        tabs.get_by_role("link", name="Visit bag").click()
        page.get_by_role("heading", name="Visit bag").wait_for()
        tabs.get_by_role("link", name="Library").click()
        page.get_by_role("heading", name="Our library").wait_for()

    def test_a_page_on_its_way_takes_the_presses_meant_for_it(self) -> None:
        page = self.page = self.new_page(keeps_files=False)
        make_child(self.lead, self.home, first_name="Ada")
        self.sign_in()
        page.get_by_role("link", name="Together").click()
        page.get_by_role("button", name=re.compile("^Ada")).click()
        page.get_by_role("button", name="Choose two or more").wait_for()
        held: list[Route] = []

        def hold(route: Route) -> None:
            held.append(route)

        page.route("**/BagPage-*.js", hold)
        page.get_by_role("link", name="Visit bag").click()
        page.get_by_role("progressbar", name="Opening the page").wait_for()
        self.eventually(lambda: bool(held), "the page's file was asked for")
        wyn = page.get_by_role("button", name=re.compile("^Wyn"))
        with self.assertRaises(TimeoutError):
            wyn.click(timeout=1000)
        self.assertEqual(wyn.get_attribute("aria-pressed"), "false")
        for route in held:
            route.continue_()
        wyn.click()
        expect(page.get_by_role("heading", name="Visit bag")).to_be_visible()
        expect(wyn).to_have_attribute("aria-pressed", "true")

    def test_a_page_that_cannot_be_fetched_is_said_and_can_be_opened_again(self) -> None:
        page = self.page = self.new_page(keeps_files=False)
        self.sign_in()
        page.route("**/BagPage-*.js", lambda route: route.abort())
        page.get_by_role("link", name="Visit bag").click()
        page.get_by_text("That page couldn’t be fetched").wait_for()
        page.goto("/bag")
        page.get_by_text("That page couldn’t be fetched").wait_for()
        self.check_axe("a page not fetched")
        page.unroute("**/BagPage-*.js")
        page.get_by_role("link", name="open it again").click()
        page.get_by_role("heading", name="Visit bag").wait_for()

    def test_a_family_says_it_its_own_way_on_the_plan_too(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/library/peg_fence?home={self.home.pk}&grade=2,1,0")
        page.get_by_role("button", name="Say it in this family’s words").click()
        page.get_by_label("What this family says").fill("Crocodile bites!")
        page.get_by_role("button", name="Keep").click()
        page.get_by_text("“Crocodile bites!”").wait_for()
        page.reload()
        page.get_by_text("“Crocodile bites!”").wait_for()
        page.get_by_role("button", name="Back to the usual").click()
        page.get_by_text("Thumb and two").first.wait_for()
