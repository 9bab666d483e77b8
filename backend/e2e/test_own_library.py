"""A clinic's own activity made from scratch: written, shared, found, planned, run, learned from, exported."""

import json
import re
from pathlib import Path
from tempfile import TemporaryDirectory

from django.test import tag
from playwright.sync_api import Page, expect

from caseload.models import StrandEstimate
from clinic.models import Clinic
from core.library import find_activity
from cupboard.models import StockItem
from e2e.browser import BrowserTest
from planning.models import Plan
from running.models import SetRecord
from shelf.models import OwnVersion
from testing.builders import make_child, make_home, make_member

NAME = "Harbour drop"


@tag("slow")
class OwnLibraryTest(BrowserTest):
    def test_an_own_activity_from_nothing_to_another_clinic(self) -> None:
        page = self.page
        self.sign_in()
        self.write_it(page)
        version = OwnVersion.objects.get()
        activity = find_activity(version.ref)
        self.assertEqual((activity.name, activity.axes[0].steps[3].words), (NAME, "6 to 10 mm"))
        self.find_it(page)
        self.plan_it(page, version.ref)
        self.run_it(page, activity.line)
        self.hand_it_on(page)

    def write_it(self, page: Page) -> None:
        page.get_by_role("link", name="Our library").click()
        page.get_by_role("button", name="New activity").click()
        self.check_axe("own library")
        page.get_by_role("button", name="Moving one piece").click()
        page.get_by_text("1 thing to fix before sharing").wait_for()
        expect(page.get_by_role("button", name="Share in the clinic")).to_be_disabled()
        page.get_by_label("Name", exact=True).fill(NAME)
        page.get_by_label("What the child does").fill("Your child drops boats into the harbour.")
        page.locator("aside").get_by_text("Your child drops boats into the harbour.").wait_for()
        page.get_by_label("Trains object grasp, rung").fill("5")
        page.get_by_label("Trains object grasp, rung").press("Tab")
        page.get_by_role("button", name="Add a harder step").click()
        page.get_by_label("Size, step 4", exact=True).fill("6 to 10 mm")
        page.get_by_label("Size, step 4, said to a parent").fill("Use tiny ones.")
        page.locator("aside svg.picture").first.wait_for()
        page.get_by_text("4 grades").wait_for()
        self.check_axe("the page of our own activity")
        page.get_by_role("button", name="Share in the clinic").click()
        page.get_by_text("Version 1 is in use").wait_for()

    def find_it(self, page: Page) -> None:
        page.goto(f"/children/{self.child.pk}/library")
        page.get_by_label("Search by thing").fill(NAME)
        page.get_by_role("button", name=NAME, exact=True).click()
        page.get_by_role("link", name="Open the page of this activity").click()
        page.get_by_role("heading", name=NAME).wait_for()
        page.get_by_role("link", name="Change it").wait_for()
        page.locator("svg.picture").first.wait_for()

    def plan_it(self, page: Page, ref: str) -> None:
        page.goto(f"/children/{self.child.pk}/plan")
        for target in ("Grasp", "In-hand manipulation", "Hand strength", "Two hands together", "Scissors"):
            button = page.get_by_role("button", name=target)
            if (button.get_attribute("aria-pressed") == "true") != (target == "Grasp"):
                button.click()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("heading", name="Session plan").wait_for()
        plan = Plan.objects.get()
        if not plan.blocks.filter(activity_id=ref).exists():
            page.get_by_text("Fits, not chosen").click()
            left_out = page.get_by_role("region", name="Left out, and why")
            left_out.get_by_role("button", name=NAME, exact=True).click()
            page.get_by_role("button", name=f"Bring in {NAME}").click()
        self.eventually(lambda: plan.blocks.filter(activity_id=ref).exists(), "the own activity is in the plan")

    def run_it(self, page: Page, line: str) -> None:
        page.get_by_role("button", name="Run it").click()
        place = Plan.objects.get().blocks.get(activity_id__startswith="own-").position
        page.get_by_role("button", name=re.compile(f"^{place + 1}: ")).click()
        page.get_by_text(NAME).first.wait_for()
        for _ in range(4):
            page.get_by_role("button", name=re.compile("On their own")).click()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        self.assertEqual(SetRecord.objects.get().activity_id, OwnVersion.objects.get().ref)
        known = StrandEstimate.objects.get(child=self.child, strand="object_grasp").state
        self.assertIn(line, known["activities"])

    def hand_it_on(self, page: Page) -> None:
        page.get_by_role("link", name="Our library").click()
        with page.expect_download() as waiting:
            page.get_by_role("link", name="Export all").click()
        with TemporaryDirectory() as folder:
            file = Path(folder) / "own.json"
            waiting.value.save_as(file)
            self.assertEqual([e["values"]["name"] for e in json.loads(file.read_text())["entries"]], [NAME])
            self.take_it_in(file)

    def take_it_in(self, file: Path) -> None:
        stranger = make_member(clinic=Clinic.objects.create(name="Elsewhere"), username="elsewhere")
        child = make_child(stranger, make_home(stranger), first_name="Isa")
        page = self.new_page()
        page.goto("/")
        page.get_by_label("Name").fill("elsewhere")
        page.get_by_label("Password").fill("a long enough one")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("link", name="Our library").click()
        page.get_by_text("None yet").first.wait_for()
        page.get_by_label("Import a file").set_input_files(file)
        page.get_by_text("1 imported as a draft").wait_for()
        page.get_by_role("link", name=NAME).click()
        page.get_by_role("button", name="Share in the clinic").click()
        page.get_by_text("Version 1 is in use").wait_for()
        page.goto(f"/children/{child.pk}/library")
        page.get_by_label("Search by thing").fill(NAME)
        page.get_by_role("button", name=NAME, exact=True).wait_for()
        page.context.close()

    def test_an_own_thing_is_judged_as_it_is_written_and_stocked(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Our library").click()
        page.get_by_role("button", name="New thing").click()
        page.get_by_label("Name, several of them").fill("Ribbon reels")
        page.get_by_role("radio", name="stick, tube or cylinder").click()
        page.get_by_label("across in mm").fill("26")
        page.get_by_label("long in mm").fill("28")
        page.get_by_label("long in mm").press("Tab")
        page.get_by_text("It goes into the small-parts cylinder").wait_for()
        page.get_by_text("for a child of 2 who mouths").wait_for()
        asks = page.get_by_role("region", name="Before it is shared: is it safe?")
        expect(asks).to_contain_text("“ribbon”: is it a cord, a strip or a loop longer than 30 cm")
        self.check_axe("the page of our own thing")
        asks.get_by_role("button", name="No").click()
        page.get_by_text("said maren").wait_for()
        page.get_by_role("button", name="Share in the clinic").click()
        page.get_by_text("Version 1 is in use").wait_for()
        page.goto(f"/children/{self.child.pk}/stock")
        page.get_by_label("Find a thing").fill("ribbon reels")
        page.get_by_role("button", name="Ribbon reels", exact=True).wait_for()
        page.get_by_label("Find a thing").press("Enter")
        self.eventually(
            lambda: StockItem.objects.filter(home=self.home, thing_id__startswith="own-").exists(), "the reels in stock"
        )

    def test_what_is_written_without_a_network_is_kept(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Our library").click()
        page.get_by_role("button", name="New activity").click()
        page.get_by_role("button", name="Threading").click()
        page.get_by_text("1 thing to fix before sharing").wait_for()
        page.context.set_offline(True)
        page.get_by_label("Name", exact=True).fill("Bead gate")
        page.get_by_text("Not saved yet; kept on this device").wait_for()
        page.context.set_offline(False)
        page.get_by_text("Saved", exact=True).wait_for()
        page.reload()
        page.get_by_role("heading", name="Bead gate").wait_for()

    def test_an_activity_is_hidden_and_shown_again(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/library/cargo_sort?home={self.home.pk}")
        page.get_by_role("button", name="Hide in this clinic").click()
        page.get_by_text("is not offered any more").wait_for()
        page.get_by_role("button", name="Undo").click()
        page.get_by_role("button", name="Hide in this clinic").wait_for()
