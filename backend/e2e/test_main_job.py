"""The main job, as one therapist does it, through the real interface."""

import re

from playwright.sync_api import expect

from caseload.models import Child, StrandEstimate
from cupboard.models import StockItem
from e2e.browser import BrowserTest
from planning.models import Plan
from progress.models import DecisionRecord
from running.models import RunEvent, SetRecord
from testing.builders import TODAY


class MainJobTest(BrowserTest):
    def test_from_sign_in_to_progress(self) -> None:
        page = self.page
        self.sign_in()
        self.check_axe("caseload")
        page.get_by_role("link", name="Wyn").click()

        page.get_by_text("guessed from age").first.wait_for()
        self.check_axe("child")
        page.get_by_role("button", name=re.compile("^Cutting: rung")).click()
        page.get_by_role("button", name=re.compile("straight line within 12 mm")).click()
        page.get_by_text("set from what was seen").wait_for()
        self.assertEqual(StrandEstimate.objects.get(child=self.child, strand="cutting").seen_rung, 5)
        self.edit_the_child()

        page.get_by_role("link", name="Cupboard").click()
        page.get_by_text("Small part").first.wait_for()
        self.check_axe("cupboard")
        self.change_the_cupboard()

        page.get_by_role("link", name="Activities").click()
        page.get_by_text("activities this home can offer").wait_for()
        page.get_by_label("Search by thing").fill("playing cards")
        page.get_by_role("button", name="Deal cards with the thumb", exact=True).wait_for()
        self.check_axe("library")

        page.get_by_role("link", name="Plan a session").click()
        self.ask_for_a_session()
        self.check_axe("bench")
        self.turn_dials_and_arrange()

        page.get_by_role("button", name="Run it").click()
        page.get_by_role("button", name=re.compile("On their own")).wait_for()
        self.check_axe("run")
        self.run_it()

        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        self.check_axe("results")
        self.assertTrue(DecisionRecord.objects.filter(child=self.child).exists())
        page.get_by_role("button", name="Accept").first.click()
        page.get_by_text("accepted").wait_for()

        first = Plan.objects.get()
        page.get_by_role("link", name="Plan the next one").click()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("heading", name="Session plan").wait_for()
        page.locator(".block").first.wait_for()
        self.assertEqual(Plan.objects.exclude(pk=first.pk).count(), 1)

        page.get_by_role("link", name="Wyn").click()
        page.get_by_role("link", name="Progress").click()
        page.locator(".chart svg").wait_for()
        page.get_by_text("too few sessions to say").first.wait_for()
        self.check_axe("progress")

    def edit_the_child(self) -> None:
        page = self.page
        page.get_by_role("button", name="Edit profile").click()
        born = page.get_by_role("textbox", name="Born")
        born.fill(f"{TODAY.year + 2}-01-01")
        page.get_by_role("button", name="Save", exact=True).click()
        page.get_by_text("is in the future").first.wait_for()
        born.fill(f"{TODAY.year - 5}-01-01")
        page.get_by_label("What the family wants, in their words").fill("Own buttons.")
        page.get_by_role("button", name="Save", exact=True).click()
        page.get_by_text("“Own buttons.”").wait_for()
        self.assertEqual(Child.objects.get(pk=self.child.pk).birth_date.year, TODAY.year - 5)

    def change_the_cupboard(self) -> None:
        page = self.page
        count = page.get_by_label("How many: Bottle corks")
        count.fill("9")
        count.press("Enter")
        self.eventually(lambda: StockItem.objects.get(home=self.home, thing_id="cork").count == 9, "9 corks")
        page.get_by_role("combobox", name="Add a thing").click()
        page.keyboard.type("Big coat")
        page.get_by_role("option", name=re.compile("Big coat buttons")).click()
        page.get_by_role("button", name="Add", exact=True).click()
        page.get_by_label("How many: Big coat buttons").wait_for()
        self.assertEqual(StockItem.objects.get(home=self.home, thing_id="big_button").count, 20)

    def ask_for_a_session(self) -> None:
        page = self.page
        for target in ("Grasp", "In-hand manipulation", "Hand strength", "Two hands together", "Scissors"):
            button = page.get_by_role("button", name=target)
            if (button.get_attribute("aria-pressed") == "true") != (target in ("Grasp", "Two hands together")):
                button.click()
        page.get_by_role("radio", name="30", exact=True).click()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("heading", name="Session plan").wait_for()
        page.get_by_role("radiogroup").first.wait_for()
        self.assertGreaterEqual(page.locator(".block").count(), 4)
        page.get_by_text("Left out, and why").wait_for()

    def turn_dials_and_arrange(self) -> None:
        page = self.page
        plan = Plan.objects.get()
        main = next(b for b in plan.blocks.all() if b.part == "main")
        page.locator(".block").nth(main.position).click()
        harder, easier = (page.get_by_role("button", name=re.compile(name)) for name in ("^Harder", "Easier$"))
        page.get_by_text("Same rung, another activity").or_(page.get_by_role("radiogroup").first).first.wait_for()
        expect(harder.or_(easier).first).to_be_visible()
        self.eventually(lambda: harder.is_enabled() or easier.is_enabled(), "a grade to turn to")
        button = harder if harder.is_enabled() else easier
        button.click()
        self.eventually(lambda: Plan.objects.get().version > plan.version, "the turned dial kept")
        moved = Plan.objects.get().blocks.get(position=main.position)
        self.assertNotEqual(moved.grade, main.grade)
        page.get_by_role("button", name="Lock", exact=True).click()
        page.get_by_role("button", name="Unlock").wait_for()
        before = Plan.objects.get().blocks.count()
        page.get_by_role("button", name="Remove").click()
        self.eventually(lambda: Plan.objects.get().blocks.count() == before - 1, "one block fewer")
        page.get_by_role("button", name="Undo", exact=True).click()
        expect(page.locator(".block")).to_have_count(before)
        version = Plan.objects.get().version
        page.get_by_role("button", name="Plan again").click()
        self.eventually(lambda: Plan.objects.get().version > version, "planned again")
        kept = Plan.objects.get().blocks.get(activity_id=main.activity_id)
        self.assertEqual((kept.locked, kept.grade), (True, moved.grade))

    def run_it(self) -> None:
        page = self.page
        blocks = Plan.objects.get().blocks.count()
        for number in range(blocks):
            page.get_by_role("button", name=re.compile(f"^{number + 1}: ")).click()
            for outcome in ("On their own", "On their own", "Not yet", "On their own", "With help"):
                page.get_by_role("button", name=re.compile(outcome)).click()
        page.get_by_role("button", name="Undo", exact=True).click()
        page.reload()
        page.get_by_role("button", name=re.compile("On their own")).wait_for()
        page.get_by_role("button", name=re.compile(f"^{blocks}: ")).click()
        page.get_by_text("3 alone · 0 with help · 1 not yet").wait_for()
        page.locator(".unsent").wait_for(state="detached")
        self.assertEqual(RunEvent.objects.filter(kind="try").count(), 5 * blocks)

    def test_taps_made_without_a_network_are_all_there_afterwards(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/plan")
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("button", name="Run it").click()
        alone = page.get_by_role("button", name=re.compile("On their own"))
        alone.click()
        page.context.set_offline(True)
        for _ in range(30):
            alone.click()
        page.get_by_text(re.compile("to send")).wait_for()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_text("Every tap is kept on this tablet").wait_for()
        page.context.set_offline(False)
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        self.assertEqual(sum(s.tries for s in SetRecord.objects.all()), 31)

    def test_no_plan_is_said_with_the_shortest_fix(self) -> None:
        self.sign_in()
        StockItem.objects.all().delete()
        self.page.goto(f"/children/{self.child.pk}/plan")
        self.page.get_by_role("button", name="Plan it").click()
        self.page.get_by_text("No plan, because").wait_for()
        self.page.get_by_text("The shortest fix: Add").wait_for()

    def test_the_keyboard_runs_a_set(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/plan")
        page.get_by_role("button", name="Plan it").press("Enter")
        page.get_by_role("button", name="Run it").press("Enter")
        page.get_by_role("button", name=re.compile("On their own")).wait_for()
        for key in ("1", "1", "2", "3", "u", "PageDown"):
            page.keyboard.press(key)
        page.get_by_text("3 alone · 1 with help · 0 not yet").wait_for()
        page.locator(".unsent").wait_for(state="detached")
