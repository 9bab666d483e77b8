"""Wanted tasks through the API: what they ask for, how they were seen, when they are managed; plans of before."""

from datetime import timedelta

from django.test import TestCase
from django.utils import timezone

from caseload.models import ActivityPace, Child, TaskRecord
from clinic.models import AuditEntry
from core.skills import WANTED_TASKS
from planning.models import Plan
from progress.actions import finish_run
from testing.builders import Api, make_child, make_member, plan_for_child, run_for_child, tap_all
from testing.tags import slow

STEPS = len(WANTED_TASKS["buttons"].steps)


class TaskTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        Child.objects.filter(pk=self.child.pk).update(wanted=["buttons", "zip"])
        self.api = Api(self.lead)

    def see(self, **more: object) -> tuple[int, dict]:
        return self.api(
            "post",
            f"/children/{self.child.pk}/tasks",
            {"task": "buttons", "steps_alone": STEPS, "place": "home", "with_whom": "family", **more},
        )

    def task(self) -> dict:
        _, child = self.api("get", f"/children/{self.child.pk}")
        return next(t for t in child["tasks"] if t["task"] == "buttons")

    def test_how_it_was_seen_is_kept_with_the_chain_and_in_the_audit(self) -> None:
        self.assertIsNone(self.task()["steps_alone"])
        status, _ = self.see(steps_alone=2)
        self.assertEqual(status, 200)
        task = self.task()
        self.assertEqual(task["steps_alone"], 2)
        self.assertEqual([s["who"] for s in task["chain"]], ["adult", "adult", "taught", "alone", "alone"])
        self.assertTrue(AuditEntry.objects.filter(action="child.note_task", child=self.child.pk).exists())

    def test_of_one_day_place_and_person_the_last_word_stands(self) -> None:
        self.see(steps_alone=1)
        self.see(steps_alone=3)
        self.assertEqual([r.steps_alone for r in TaskRecord.objects.all()], [3])

    def test_two_places_two_weeks_apart_make_it_managed_and_it_is_planned_no_more(self) -> None:
        self.see()
        TaskRecord.objects.update(on=timezone.localdate() - timedelta(days=20))
        self.assertFalse(self.task()["managed"])
        self.see(place="school", with_whom="school", unasked=True)
        self.assertTrue(self.task()["managed"])
        _, aims = self.api("get", f"/children/{self.child.pk}/aims")
        self.assertEqual([t["task"] for t in aims["tasks"]], ["zip"])

    def test_what_can_not_be_is_refused_at_its_field(self) -> None:
        for field, more in (("steps_alone", {"steps_alone": STEPS + 1}), ("task", {"task": "laces"})):
            status, problem = self.see(**more)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        self.assertEqual(TaskRecord.objects.count(), 0)

    def test_another_clinic_sees_and_notes_nothing(self) -> None:
        other = Api(make_member())
        self.assertEqual(
            other("post", f"/children/{self.child.pk}/tasks", {"task": "zip", "steps_alone": 1, "place": "home"})[0],
            404,
        )


class PlansOfBeforeTest(TestCase):
    @slow
    def test_a_plan_worked_out_another_way_opens_and_says_what_changed(self) -> None:
        lead = make_member()
        plan = plan_for_child(lead, make_child(lead))
        api = Api(lead)
        self.assertEqual(api("get", f"/plans/{plan.pk}")[1]["changed"], [])
        Plan.objects.filter(pk=plan.pk).update(worked_out=1)
        status, shown = api("get", f"/plans/{plan.pk}")
        self.assertEqual(status, 200)
        self.assertIn("how sessions are worked out", shown["changed"][0])
        self.assertTrue(shown["blocks"])


class PaceTest(TestCase):
    @slow
    def test_a_run_teaches_the_child_s_own_pace(self) -> None:
        lead = make_member()
        child = make_child(lead)
        run = run_for_child(lead, child)
        tap_all(lead, run)
        finish_run(lead, run)
        paces = ActivityPace.objects.filter(child=child)
        self.assertTrue(paces.exists())
        self.assertTrue(all(p.ratio > 0 and p.tries for p in paces))
