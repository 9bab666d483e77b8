"""Planning beyond one session, through the real interface: dials in the library, weeks, groups, the bag, a whole
caseload.
"""

import re

from playwright.sync_api import expect

from caseload.models import Child, MeetingRecord, TaskRecord
from e2e.browser import BrowserTest
from planning.batch_actions import plan_line
from planning.models import BatchLine, GroupSession, HomeWeek, Plan
from progress.actions import finish_run
from testing.builders import STOCK, TODAY, make_child, make_home, plan_for_child, run_for_child, tap_all

SLOW_ANSWERS = """
const ask = window.fetch
window.fetch = async (request, ...more) => {
  const answer = await ask(request, ...more)
  if (request.method === 'PUT') await new Promise(done => setTimeout(done, 600))
  return answer
}
"""


class PlanningScreensTest(BrowserTest):
    def test_a_hand_quicker_than_the_answers_overwrites_nothing(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        first = plan.blocks.first()
        page = self.page
        page.add_init_script(SLOW_ANSWERS)
        self.sign_in()
        page.goto(f"/plans/{plan.pk}")
        harder, easier = (page.get_by_role("button", name=re.compile(name)) for name in ("^Harder", "Easier$"))
        self.eventually(lambda: harder.is_enabled() or easier.is_enabled(), "a grade to turn to")
        (harder if harder.is_enabled() else easier).click()
        page.get_by_role("button", name="Lock", exact=True).click()
        for _ in range(2):
            page.get_by_role("button", name="One set more").click()
        self.eventually(lambda: Plan.objects.get(pk=plan.pk).version == plan.version + 4, "four changes kept")
        now = Plan.objects.get(pk=plan.pk).blocks.first()
        self.assertEqual((now.activity_id, now.locked, now.sets), (first.activity_id, True, first.sets + 2))
        self.assertNotEqual(now.grade, first.grade)
        page.get_by_role("button", name="Undo").click()
        self.eventually(lambda: Plan.objects.get(pk=plan.pk).blocks.first().sets == first.sets + 1, "one taken back")

    def test_a_dial_is_turned_and_a_thing_swapped_in_the_library(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/library")
        page.get_by_label("Search by thing").fill("Hide things in the palm")
        page.get_by_role("button", name="Hide things in the palm", exact=True).click()
        expected = page.locator(".open .big")
        expected.wait_for()
        before = expected.inner_text()
        page.get_by_role("radio", name="1 at a time").click()
        expect(page.locator(".open .big")).not_to_have_text(before)
        with page.expect_response(re.compile("/forecast")):  # what is opened before the answer closes with it
            page.get_by_role("button", name="Harder").click()
        page.get_by_role("button", name=re.compile("What else instead of")).first.click()
        page.get_by_text("same difficulty").first.wait_for()
        pictures = page.locator("svg.picture[aria-label*='the palm']")
        before_swap = pictures.count()
        page.get_by_role("button", name=re.compile("^See it with ")).first.click()
        expect(pictures).to_have_count(before_swap + 1)
        self.check_axe("library with dials")

    def test_the_page_of_an_activity_answers_its_dials_with_picture_and_words(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/library/letter_box?grade=0,0,0")
        page.get_by_text("Leave the little fingers free.").wait_for()
        before = page.locator("svg.picture").first.inner_html()
        page.get_by_role("radiogroup", name=re.compile("Last two fingers")).get_by_role("radio").nth(1).click()
        page.get_by_text("Keep a pom-pom tucked under the last two fingers.").first.wait_for()
        self.assertNotEqual(page.locator("svg.picture").first.inner_html(), before)
        for words in ("Counts when:", "Good for:", "Trains"):
            page.get_by_text(words).first.wait_for()
        self.check_axe("activity")
        page.get_by_role("button", name="Dark").click()
        self.check_axe("activity in the dark")

    def test_a_plan_is_stretched_questioned_named_and_printed(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        page = self.page
        self.sign_in()
        page.goto(f"/plans/{plan.pk}")
        block = page.locator(".block").first
        block.wait_for()
        sets = plan.blocks.first().sets
        block.focus()
        page.keyboard.press("Shift+ArrowRight")
        self.eventually(lambda: Plan.objects.get(pk=plan.pk).blocks.first().sets == sets + 1, "a set more")
        expect(block).to_contain_text(f"{sets + 1} ×")
        handle = page.locator(".handle").first.bounding_box()
        assert handle
        page.mouse.move(handle["x"] + 8, handle["y"] + 30)
        page.mouse.down()
        page.mouse.move(handle["x"] + 260, handle["y"] + 30, steps=6)
        page.mouse.up()
        self.eventually(lambda: Plan.objects.get(pk=plan.pk).blocks.first().sets > sets + 1, "longer by pulling")
        page.get_by_text("Fits, not chosen").click()
        page.locator(".chip").first.click()
        page.get_by_text(re.compile("more useful work|As good as|With it,")).first.wait_for()
        page.get_by_label("Name of a favourite").fill("Rainy day")
        page.get_by_role("button", name="Keep", exact=True).click()
        page.get_by_role("heading", name="Rainy day").wait_for()
        with page.expect_popup() as opened:
            page.get_by_role("link", name="Prep sheet").click()
        opened.value.get_by_role("heading", name=re.compile("Wyn: 30 minutes")).wait_for()
        self.assertEqual(
            opened.value.evaluate("getComputedStyle(document.querySelector('.head')).borderBottomStyle"), "solid"
        )
        self.check_axe("bench")
        page.get_by_role("button", name="Start another from this").click()
        self.eventually(lambda: Plan.objects.count() == 2, "a second plan")

    def test_a_session_for_one_task_and_how_the_task_was_seen(self) -> None:
        Child.objects.filter(pk=self.child.pk).update(wanted=["buttons", "name"], refuses=["wet"])
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}")
        task = page.get_by_role("region", name="Do own buttons")
        task.get_by_role("button", name="Seen…").click()
        task.get_by_role("button", name="2", exact=True).click()
        self.check_axe("task seen")
        task.get_by_role("button", name="Keep it").click()
        expect(task).to_contain_text("step 2 of 5 alone at home, with the family")
        self.assertEqual(TaskRecord.objects.get().steps_alone, 2)
        meeting = page.get_by_role("region", name="Meeting wet")
        meeting.get_by_role("button", name="Met…").click()
        self.check_axe("meeting")
        meeting.get_by_role("button", name="Keep it").click()
        self.eventually(lambda: MeetingRecord.objects.count() == 1, "the meeting kept")
        page.goto(f"/children/{self.child.pk}/plan")
        page.get_by_role("radio", name="Do own buttons").click()
        page.get_by_role("button", name="Plan it").click()
        self.eventually(lambda: Plan.objects.filter(task="buttons").exists(), "a plan for the task")

    def test_a_kit_is_planned_and_run_stage_by_stage(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/plan")
        page.get_by_role("radio", name="One kit, played through").click()
        page.get_by_role("radio", name="Any", exact=True).wait_for()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_text(re.compile("Stage 1 of|No plan, because")).first.wait_for()

    def test_a_home_week_is_planned_and_its_sheet_opened(self) -> None:
        page = self.page
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/week")
        page.get_by_text("No home week yet").wait_for()
        page.get_by_label("Minutes on Mon").fill("0")
        page.get_by_role("button", name="Plan the week").click()
        page.get_by_role("heading", name=re.compile("Week from")).wait_for()
        self.check_axe("home week")
        week = HomeWeek.objects.get()
        self.assertEqual((week.minutes_by_day[0], week.days[0]), (0, []))
        first = next(b["activity_id"] for d in week.days for b in d)
        page.get_by_label(re.compile("^Change ")).first.select_option(label="Another activity")
        self.eventually(lambda: first not in str(HomeWeek.objects.get().days), "another activity in its place")
        page.get_by_label(re.compile("^Change ")).first.select_option(label="Keep")
        page.get_by_role("button", name="Plan the others again").wait_for()
        kept = [b["locked"] for d in HomeWeek.objects.get().days for b in d]
        self.assertEqual(kept.count(True), 1)
        with page.expect_popup() as opened:
            page.get_by_role("link", name="Family sheet").click()
        opened.value.get_by_text("It counts when:").first.wait_for()
        for day in ("Tue", "Wed", "Thu", "Fri", "Sat", "Sun"):
            page.get_by_label(f"Minutes on {day}").fill("0")
        page.get_by_role("button", name="Plan the week").click()
        page.get_by_text("the family has no day with 5 minutes").first.wait_for()
        self.assertEqual(HomeWeek.objects.count(), 1)

    def test_a_bag_without_a_store_says_where_to_add_one_and_is_packed_from_it(self) -> None:
        page = self.page
        plan_for_child(self.lead, self.child)
        self.sign_in()
        page.goto("/bag")
        page.get_by_text("none is entered yet").wait_for()
        page.get_by_role("button", name=re.compile("^Wyn")).click()
        self.assertTrue(page.get_by_role("button", name="Pack for the newest plans").is_disabled())
        self.check_axe("bag without a store")
        page.goto(f"/children/{self.child.pk}/cupboard")
        page.get_by_role("button", name="Places…").click()
        places = self.opened("Places")
        places.get_by_role("button", name="Add another place…").click()
        places.get_by_label("What the place is called").last.fill("Blue room")
        self.check_axe("another place")
        places.get_by_role("button", name="Add this place").click()
        page.get_by_text("This cupboard is empty").wait_for()
        page.goto("/bag")
        page.get_by_role("button", name=re.compile("^Wyn")).click()
        page.get_by_role("button", name="Pack for the newest plans").click()
        page.get_by_text("Nothing to carry").wait_for()

    def test_children_together_and_the_bag(self) -> None:
        page = self.page
        place = make_home(self.lead, {m: n * 3 for m, n in STOCK.items()})
        place.kind, place.name = "clinic", "Clinic room"
        place.save()
        make_child(self.lead, self.home, first_name="Ada", birth_date=TODAY.replace(year=TODAY.year - 7, day=1))
        self.sign_in()
        page.get_by_role("link", name="Together").click()
        page.get_by_role("button", name=re.compile("^Ada")).click()
        page.get_by_role("button", name="Choose two or more").wait_for()
        page.get_by_role("button", name=re.compile("^Wyn")).click()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("columnheader", name="Ada").wait_for()
        self.check_axe("together")
        self.assertEqual(GroupSession.objects.get().children.count(), 2)
        plan_for_child(self.lead, self.child)
        page.get_by_role("link", name="Visit bag").click()
        page.get_by_role("button", name=re.compile("^Wyn")).click()
        page.get_by_role("button", name=re.compile("^Ada")).click()
        page.get_by_role("button", name="Pack for the newest plans").click()
        page.get_by_text("No plan yet for Ada").wait_for()
        page.get_by_text("Nothing to carry").wait_for()
        self.check_axe("bag")

    def test_a_caseload_is_planned_in_the_background_and_looked_at_one_by_one(self) -> None:
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="Plan this one in the background").click()
        page.get_by_text("0 of 1 planned").wait_for()
        plan_line(BatchLine.objects.get().pk)
        page.get_by_text("1 of 1 planned, 1 to look at").wait_for()
        page.get_by_role("region", name="Plans made in the background").get_by_role("button", name="Wyn").click()
        page.get_by_role("heading", name="Session plan").wait_for()
        self.assertTrue(BatchLine.objects.get().seen)

    def test_something_is_made_at_home_and_a_peg_is_measured_with_water(self) -> None:
        page = self.page
        self.home.stock.create(thing_id="tennis_ball", count=1)
        self.sign_in()
        page.goto(f"/children/{self.child.pk}/cupboard")
        page.get_by_role("button", name=re.compile("Make from what is here")).click()
        page.get_by_role("button", name=re.compile("^Slit tennis ball")).click()
        page.get_by_text("Cut a slit 60 mm long").wait_for()
        page.get_by_role("button", name=re.compile("^Made: add")).click()
        page.get_by_role("spinbutton", name="How many: Slit tennis ball with a face").wait_for()
        page.get_by_role("button", name=re.compile("^Letters from straight")).click()
        page.get_by_label("Letters to build").fill("LOVE")
        page.get_by_role("img", name="LOVE, 4 letters in 10 pieces").wait_for()
        page.get_by_text("Cut 2 long straights more").wait_for()
        self.check_axe("letters")
        page.locator("li", has_text="Common spring pegs").get_by_role("button", name="Measure").click()
        page.get_by_role("button", name=re.compile("Hang a bag of water")).click()
        page.get_by_role("button", name="Work it out").click()
        page.get_by_text("4.9 N").wait_for()
        page.get_by_role("button", name="Keep", exact=True).click()
        self.eventually(lambda: self.home.stock.get(thing_id="common_peg").measured == {"force_newton": 4.9}, "kept")


class RecordScreensTest(BrowserTest):
    def test_a_note_is_kept_signed_and_amended_and_a_goal_is_scored(self) -> None:
        run = run_for_child(self.lead, self.child)
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        page = self.page
        self.sign_in()
        page.goto(f"/runs/{run.pk}/results")
        box = page.get_by_role("textbox", name="Note")
        box.wait_for()
        self.assertIn("7 of 8 alone", box.input_value())
        box.fill("Went well today.")
        page.get_by_role("button", name="Sign and lock…").click()
        page.get_by_text(re.compile(r"next steps? (is|are) not answered")).wait_for()
        page.get_by_role("button", name="Sign all the same").click()
        page.get_by_text("signed by maren").wait_for()
        page.get_by_label("Amendment").fill("It was the left hand.")
        page.get_by_role("button", name="Add", exact=True).click()
        page.get_by_text("It was the left hand.").wait_for()
        self.check_axe("results with a signed note")

        page.goto(f"/children/{self.child.pk}/progress")
        page.get_by_role("button", name="Write a goal").click()
        page.get_by_label("Goal", exact=True).fill("Does the school shirt up")
        page.get_by_role("button", name="Keep the goal").click()
        page.get_by_text("Each of the five levels needs words").first.wait_for()
        for level in (-2, -1, 0, 1, 2):
            page.get_by_label(f"Level {level}", exact=True).fill(f"{level + 2} buttons alone")
        page.get_by_role("button", name="Keep the goal").click()
        page.get_by_role("radio", name=re.compile("3 buttons alone")).click()
        page.get_by_text("Attainment 60").wait_for()
        self.check_axe("progress with goals")

    def test_mouthing_stops_what_is_barred_by_it(self) -> None:
        run = run_for_child(self.lead, self.child)
        page = self.page
        self.sign_in()
        page.goto(f"/runs/{run.pk}")
        page.get_by_role("button", name="Mouths an item").click()
        page.get_by_text("Wyn mouthed a thing.").wait_for()
        page.get_by_role("button", name="Yes, keep it in the profile").click()
        page.get_by_text("Saved. Future plans allow for mouthing.").wait_for()
        self.child.refresh_from_db()
        self.assertEqual(self.child.mouthing, "sometimes")
        self.check_axe("run after mouthing")
