"""The way in, in a browser: from an empty Pollicor to a clinic with a colleague in it."""

from django.test import tag

from clinic.models import Clinic, Member
from e2e.browser import BrowserTest
from testing.builders import make_home


@tag("slow")
class DoorTest(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.lead.clinic.is_demo = True
        self.lead.clinic.save()

    def test_from_nothing_to_a_colleague(self) -> None:
        page = self.page
        page.goto("/")
        page.get_by_role("link", name="Set up your own").click()
        page.get_by_label("Set-up code").fill("wrong")
        page.get_by_label("Clinic").fill("Reedbank")
        page.get_by_label("Your name").fill("Ada Weir")
        page.get_by_label("Sign-in name").click()
        page.get_by_label("Password").fill("three boats in a row")
        self.check_axe("set-up")
        page.get_by_role("button", name="Set up").click()
        page.get_by_text("That is not the set-up code").wait_for()
        self.assertEqual(page.get_by_label("Clinic").input_value(), "Reedbank")
        page.get_by_label("Set-up code").fill("only-for-tests")
        page.get_by_role("button", name="Set up").click()
        page.get_by_text("No child here yet").wait_for()
        self.assertEqual(Member.objects.get(user__username="ada").role, "lead")

        page.get_by_role("link", name="Clinic", exact=True).click()
        page.get_by_label("Name", exact=True).fill("Tove Alder")
        page.get_by_role("button", name="Make a link").click()
        address = page.get_by_label("Link", exact=True).input_value()
        self.check_axe("people")
        self.accepts(address)

        page.reload()
        page.get_by_role("strong").filter(has_text="Tove Alder").wait_for()
        page.get_by_role("button", name="Deactivate").click()
        page.get_by_text("may not sign in").wait_for()
        self.assertFalse(Member.objects.get(user__username="tove").user.is_active)

    def accepts(self, address: str) -> None:
        other = self.new_page()
        other.goto(address)
        other.get_by_text("Ada Weir invites you as a therapist").wait_for()
        other.get_by_label("Sign-in name").click()
        self.assertEqual(other.get_by_label("Your name").input_value(), "Tove Alder")
        other.get_by_label("Sign-in name").fill("tove")
        other.get_by_label("Password").fill("password12")
        other.get_by_role("button", name="Come in").click()
        other.get_by_text("too common").wait_for()
        other.get_by_label("Password").fill("four boats in a row")
        other.get_by_role("button", name="Come in").click()
        other.get_by_text("Tove Alder, Reedbank").wait_for()
        other.goto(address)
        other.get_by_text("Ask Ada Weir of Reedbank for a new one").wait_for()
        other.context.close()

    def test_a_password_is_changed_and_the_settings_kept(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Clinic", exact=True).click()
        page.get_by_text("Letter", exact=True).click()
        page.get_by_role("button", name="Save").click()
        page.get_by_text("Saved.").wait_for()
        self.assertEqual(Clinic.objects.get(pk=self.lead.clinic_id).paper, "Letter")
        page.get_by_role("link", name=self.lead.name).click()
        page.get_by_label("Password now").fill("not it")
        page.get_by_label("New password").fill("five boats in a row")
        page.get_by_role("button", name="Change password").click()
        page.get_by_text("That is not your password now").wait_for()
        page.get_by_label("Password now").fill("a long enough one")
        self.check_axe("account")
        page.get_by_role("button", name="Change password").click()
        page.get_by_text("Other devices are signed out").wait_for()
        self.lead.user.refresh_from_db()
        self.assertTrue(self.lead.user.check_password("five boats in a row"))


@tag("slow")
class PlacesTest(BrowserTest):
    def test_a_child_is_found_by_letters_and_gets_a_second_place(self) -> None:
        gran = make_home(self.lead, {})
        gran.name = "Granny's boat"
        gran.save()
        self.sign_in()
        page = self.page
        page.get_by_text(self.child.first_name).first.wait_for()
        page.keyboard.press("/")
        page.keyboard.type(self.child.first_name[:2].lower())
        page.get_by_role("option", name=self.child.first_name).wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("link", name="Cupboard").click()
        page.get_by_role("button", name="Places…").click()
        places = self.opened("Places")
        self.check_axe("places")
        also = places.get_by_role("combobox", name="Also at")
        also.fill("gran")
        page.get_by_role("option", name="Granny's boat").wait_for()
        also.press("ArrowDown")
        also.press("Enter")
        places.get_by_text("Granny's boat").wait_for()
        page.keyboard.press("Tab")
        page.get_by_role("button", name="Save", exact=True).click()
        self.eventually(lambda: self.child.also_at.filter(pk=gran.pk).exists(), "the second place is kept")
        page.get_by_role("combobox", name="Which cupboard").press("ArrowDown")
        page.get_by_role("option", name="Granny's boat").click()
        page.get_by_role("button", name="Places…").click()
        page.get_by_label("What the place is called").fill(" ")
        page.get_by_role("button", name="Save Granny's boat").click()
        page.get_by_text("A home needs a name").wait_for()
