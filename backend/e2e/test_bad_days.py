"""What goes wrong at a desk: two people at once, impossible measures, a hand that needs the other side, the dark."""

import re

from caseload.actions import edit_child
from caseload.models import Child
from core.library import THINGS
from cupboard.models import StockItem
from e2e.browser import BrowserTest
from testing.builders import TODAY, profile


class BadDayTest(BrowserTest):
    def test_the_later_of_two_editors_sees_both_versions_and_may_save_over(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}")
        page.get_by_role("button", name="Edit profile").click()
        edit_child(self.lead, self.child, profile(first_name="Ada"), 1, TODAY)
        page.get_by_label("First name").fill("Ida")
        page.get_by_role("button", name="Save", exact=True).click()
        page.get_by_text("Somebody else changed this meanwhile.").wait_for()
        page.get_by_text("first name: Ada (yours: Ida)").wait_for()
        self.assertEqual(Child.objects.get(pk=self.child.pk).first_name, "Ada")
        page.get_by_role("button", name="Save mine over theirs").click()
        page.get_by_role("heading", name="Ida", level=1).wait_for()

    def test_a_hole_wider_than_its_bead_is_said_at_once_and_not_kept(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/cupboard")
        line = page.locator("li", has_text="Big wooden beads")
        line.get_by_role("button", name="Measure").click()
        page.get_by_label(re.compile("^Hole, mm")).fill("30")
        page.get_by_role("button", name="Keep").click()
        page.get_by_text("does not fit in a thing").first.wait_for()
        self.assertEqual(StockItem.objects.get(home=self.home, thing_id="wooden_bead_25").measured, {})

    def test_an_empty_cupboard_is_filled_drawer_by_drawer(self) -> None:
        page = self.page
        StockItem.objects.all().delete()
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/cupboard")
        page.get_by_text("This cupboard is empty").wait_for()
        page.get_by_role("link", name="Fill it drawer by drawer").click()
        first = page.get_by_label("Ask for these first").get_by_role("button").first
        named = first.inner_text().split("→")[0].strip()
        first.click()
        page.get_by_role("button", name=f"One more: {named}").click()
        search = page.get_by_label("Find a thing")
        search.fill("bottle cork")
        search.press("Enter")
        self.eventually(lambda: StockItem.objects.filter(thing_id="cork").exists(), "corks by keyboard")
        page.get_by_role("button", name="Bottle corks", exact=True).click()
        self.eventually(lambda: StockItem.objects.count() == 1, "the corks gone again")
        self.assertEqual(THINGS[StockItem.objects.get().thing_id].name, named)

    def test_a_lost_connection_keeps_what_was_tapped_and_a_bad_list_keeps_nothing(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/stock")
        page.get_by_text("things, saved").wait_for()
        page.context.set_offline(True)
        page.get_by_role("button", name="Muffin tin", exact=True).click()
        page.get_by_text("can not be reached").wait_for()
        page.get_by_text("saving…").wait_for()
        page.context.set_offline(False)
        self.eventually(lambda: StockItem.objects.filter(thing_id="muffin_tin").exists(), "kept and sent again")
        before = StockItem.objects.count()
        bad = {"name": "list.csv", "mimeType": "text/csv", "buffer": b"thing,count\nEgg box,2\nEg bocks,1\n"}
        page.get_by_label("List as CSV").set_input_files(bad)
        page.get_by_text("“Eg bocks” is not a known thing").wait_for()
        self.assertEqual(StockItem.objects.count(), before)
        page.get_by_label("List as CSV").set_input_files({**bad, "buffer": b"Egg box,2\n"})
        self.eventually(lambda: StockItem.objects.filter(thing_id="egg_box", count=2).exists(), "the list taken in")

    def test_a_bar_that_may_be_overridden_wants_its_reason(self) -> None:
        page = self.page
        StockItem.objects.create(home=self.home, thing_id="balloon", count=3)
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/cupboard")
        page.get_by_role("button", name=re.compile("Allow for this child")).click()
        page.get_by_label("Reason for allowing it").fill("no")
        page.get_by_role("button", name="Allow", exact=True).click()
        page.get_by_text("Say who watches, and why it is safe.").wait_for()
        page.get_by_label("Reason for allowing it").fill("The therapist holds it at every moment.")
        page.get_by_role("button", name="Allow", exact=True).click()
        page.get_by_text("Allowed by a therapist, with an adult within arm").first.wait_for()
        self.assertEqual(list(Child.objects.get(pk=self.child.pk).overrides), ["balloon"])

    def test_a_label_is_read_once_in_place_of_a_bar(self) -> None:
        page = self.page
        self.child.allergies = ["soy"]
        self.child.save()
        StockItem.objects.update_or_create(home=self.home, thing_id="short_crayon", defaults={"count": 4})
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/cupboard")
        line = page.get_by_role("listitem").filter(has_text="Short crayon stubs")
        line.get_by_text("What does its label say about soy?").wait_for()
        line.get_by_role("button", name="Without", exact=True).click()
        line.get_by_text("Label read: without soy.").wait_for()
        self.assertEqual(StockItem.objects.get(thing_id="short_crayon").labels, {"soy": False})

    def test_a_precaution_says_what_it_changes_and_asks_for_its_hand_at_the_field(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}")
        page.get_by_role("button", name="Edit profile").click()
        drawer = page.get_by_role("dialog")
        drawer.locator(".el-form-item", has_text="Precautions").locator(".el-select__wrapper").click()
        page.get_by_role("option", name="wears a splint").click()
        page.keyboard.press("Escape")
        drawer.get_by_text("Bars water, dough and loose grain").wait_for()
        drawer.get_by_role("button", name="Save").click()
        hand = drawer.locator(".el-form-item", has_text="Hand with the splint")
        hand.get_by_text("Which hand?").wait_for()
        hand.get_by_text("Left", exact=True).click()
        drawer.get_by_role("button", name="Save").click()
        page.get_by_text("on the left hand").wait_for()
        self.assertEqual(Child.objects.get(pk=self.child.pk).splint_hand, "left")

    def test_the_run_view_can_be_mirrored_for_the_other_thumb(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/plan")
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("button", name="Run it").click()
        taps = page.locator(".taps")
        taps.wait_for()
        right = taps.bounding_box()
        page.get_by_role("button", name="Left thumb").click()
        left = taps.bounding_box()
        assert right and left
        self.assertLess(left["x"], right["x"])
        for button in page.locator(".taps button").all():
            box = button.bounding_box()
            assert box
            self.assertGreaterEqual(box["height"], 56)

    def test_the_dark_passes_the_same_checks(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="Dark").click()
        self.check_axe("caseload in the dark")
        page.get_by_role("link", name="Wyn").click()
        page.get_by_text("guessed from age").first.wait_for()
        self.check_axe("child in the dark")
        page.get_by_role("button", name="Light", exact=True).click()

    def test_a_page_that_is_not_there_leads_back(self) -> None:
        self.sign_in()
        self.page.goto("/nowhere/at/all")
        self.page.get_by_text("This address leads nowhere").wait_for()
        self.page.get_by_role("link", name="Back to the children").click()
        self.page.get_by_role("link", name="Wyn").wait_for()
