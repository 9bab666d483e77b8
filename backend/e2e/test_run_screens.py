"""At the table beyond one child and plain tries: both hands, readings, a changed step, children together."""

import re

from playwright.sync_api import expect

from core.library import ACTIVITIES
from core.offers import Variant
from core.planner import PlannedBlock
from core.recording import MEASURED
from e2e.browser import BrowserTest
from planning.actions import set_blocks
from planning.models import Plan
from progress.models import DecisionRecord
from running.models import Run, RunEvent, SetRecord
from testing.builders import TODAY, make_child, plan_for_child


class RunScreensTest(BrowserTest):
    def test_a_hand_a_reading_and_a_changed_step_are_kept(self) -> None:
        read = next(activity for activity in ACTIVITIES.values() if "tokens" in activity.measures)
        plan = plan_for_child(self.lead, self.child)
        asked = next(
            (
                b
                for b in plan.blocks.all()
                if b.part == "main"
                and set(ACTIVITIES[b.activity_id].measures) & set(MEASURED)
                and ACTIVITIES[b.activity_id].counts[1] > 3  # three tries do not finish the block
            ),
            None,
        )
        if asked is None:
            choice = PlannedBlock("main", Variant(read.id, (0,) * len(read.axes)), 2)
            plan = set_blocks(self.lead, plan, plan.version, [choice], TODAY)
            plan = Plan.objects.get(pk=plan.pk)
            asked = plan.blocks.get()
        measure = next(MEASURED[m] for m in ACTIVITIES[asked.activity_id].measures if m in MEASURED)
        page = self.page
        self.sign_in()
        page.goto(f"/plans/{plan.pk}")
        page.get_by_role("button", name="Run it").click()
        page.get_by_role("button", name=re.compile(f"^{asked.position + 1}: ")).click()
        page.get_by_role("radio", name="Left hand").click()
        for outcome in ("On their own", "On their own", "Not yet"):
            page.get_by_role("button", name=re.compile(outcome)).click()
        page.get_by_role("group", name="Read off").get_by_role("button", name=measure.name).click()
        page.get_by_role("button", name="Keep it").click()
        page.get_by_role("button", name="Time a hold").click()
        page.get_by_role("button", name=re.compile("tap to stop")).click()
        expect(page.get_by_role("button", name=re.compile("s in all"))).to_be_visible()
        self.check_axe("run with readings")
        page.reload()
        expect(page.get_by_role("radio", name="Left hand")).to_be_checked()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        done = SetRecord.objects.get()
        self.assertEqual((done.hand, done.tries, done.successes), ("left", 3, 2))
        self.assertEqual(list(done.measures), [measure.id])
        self.assertGreater(done.hold_seconds, 0)
        page.get_by_text(f"{measure.name}: ").first.wait_for()
        self.change_a_step()

    def change_a_step(self) -> None:
        page = self.page
        page.get_by_role("button", name="Change…").click()
        page.locator(".kind").click()
        page.get_by_role("option", name="Same grade, less help").click()
        page.get_by_role("button", name="Save change").click()
        page.get_by_text("kept with its reason").wait_for()
        page.get_by_label("Reason").fill("leans on my hand")
        page.get_by_role("button", name="Save change").click()
        page.get_by_text("changed to same grade, less help: leans on my hand").wait_for()
        self.assertEqual(DecisionRecord.objects.get().settled_kind, "fade")

    def test_somebody_who_runs_anothers_plan_sees_how_it_is_done_and_tells_one_grip_from_another(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        choice = PlannedBlock("main", Variant("letter_box", (0, 0, 0)), 1)
        set_blocks(self.lead, plan, plan.version, [choice], TODAY)
        page = self.page
        self.sign_in()
        page.goto(f"/plans/{plan.pk}")
        page.get_by_role("button", name="Run it").click()
        page.get_by_role("button", name="Step-by-step on").click()
        page.get_by_role("img", name=ACTIVITIES["letter_box"].does).wait_for()
        page.get_by_text("It drops in, and the fingertips did it.").first.wait_for()
        page.get_by_text(re.compile("^Show: ")).wait_for()
        self.check_axe("run with picture")
        page.get_by_role("button", name="Hide how it is done").click()
        expect(page.get_by_role("img", name=ACTIVITIES["letter_box"].does)).to_have_count(0)
        page.get_by_role("button", name=re.compile("On their own")).click()
        page.get_by_role("button", name=re.compile("Reached, other grip")).click()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_text("1 of 1 activity is not done").wait_for()
        page.get_by_role("button", name="Go on").click()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        done = SetRecord.objects.get()
        self.assertEqual((done.tries, done.successes, done.marks), (2, 1, {"other_grip": 1}))

    def test_children_together_are_counted_on_one_screen_each_on_an_own_run(self) -> None:
        other = make_child(self.lead, self.home, first_name="Isa")
        page = self.page
        self.sign_in()
        page.goto("/together")
        for name in ("Wyn", "Isa"):
            page.get_by_role("button", name=name).click()
        page.get_by_role("button", name="Plan it").click()
        page.get_by_role("button", name=re.compile("Run it")).click()
        page.get_by_role("button", name="On their own").first.wait_for()
        self.check_axe("run together")
        page.context.set_offline(True)
        for name, outcomes in (("Wyn", "110"), ("Isa", "1")):
            column = page.get_by_role("region", name=name)
            for won in outcomes:
                column.get_by_role("button", name="On their own" if won == "1" else "Not yet").click()
        page.get_by_text("4 to send").wait_for()
        page.get_by_role("region", name="Isa").get_by_role("button", name="Undo").click()
        page.get_by_role("region", name="Isa").get_by_role("button", name="With help").click()
        page.context.set_offline(False)
        page.get_by_role("region", name="Isa").get_by_role("button", name="Mouths an item").click()
        page.get_by_text("Isa mouthed a thing.").wait_for()
        self.eventually(lambda: RunEvent.objects.count() == 7, "every tap of both children sent")
        page.get_by_role("button", name="Next activity").click()
        page.get_by_role("button", name="Finish", exact=True).click()
        page.get_by_role("button", name="End the session").click()
        page.get_by_role("heading", name="How it went for Wyn").wait_for()
        page.get_by_role("link", name="Isa’s results").click()
        page.get_by_role("heading", name="How it went for Isa").wait_for()
        counts = {s.child_id: (s.tries, s.successes, s.support) for s in SetRecord.objects.all()}
        self.assertEqual(counts, {self.child.pk: (3, 2, "alone"), other.pk: (1, 1, "spoken")})
        self.assertEqual(Run.objects.filter(ended_at__isnull=False).count(), 2)
