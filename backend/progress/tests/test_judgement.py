"""What judgement does with what is stored: sightings, a rung set anew, the calendar, what is expected, jobs."""

from datetime import timedelta

from django.test import TestCase
from procrastinate.contrib.django import app

from caseload.actions import note_task, set_rung
from caseload.facts import estimates_of, start_of
from caseload.models import Child, StrandEstimate
from core.ability import TaskSeen
from core.child import Child as Facts
from core.recording import AS_SHIPPED
from core.skills import STRANDS
from progress.actions import finish_run, replay
from progress.queries import AHEAD, expected, paths
from progress.tasks import refit_clinic, refit_every_clinic, replay_child, replay_clinic
from testing.builders import TODAY, Api, make_child, make_member, run_for_child, tap_all
from testing.tags import slow


class Seen(TestCase):
    """A child with a few sessions on record."""

    outcomes = "11101111"

    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.child = make_child(self.lead, wanted=["zip"])
        self.api = Api(self.lead)
        for weeks in (3, 2, 1):
            run = run_for_child(self.lead, self.child, TODAY - timedelta(weeks=weeks))
            tap_all(self.lead, run, self.outcomes)
            finish_run(self.lead, run)
        self.child = Child.objects.get(pk=self.child.pk)

    def strand(self) -> str:
        """One that was practised."""
        return self.child.estimates.filter(tries__gt=0).order_by("-tries").first().strand


class SightingTest(Seen):
    def zip_now(self) -> StrandEstimate:
        return StrandEstimate.objects.get(child=self.child, strand="zip")

    @slow
    def test_what_the_family_saw_moves_the_estimate_a_little_and_no_step_is_proposed(self) -> None:
        before = estimates_of(self.child, TODAY)["zip"]
        whole = TaskSeen("zip", TODAY - timedelta(days=2), 5, "home", "family")
        note_task(self.lead, self.child, whole)
        replay(self.child)
        after = estimates_of(Child.objects.get(pk=self.child.pk), TODAY)["zip"]
        self.assertGreater(after.mean, before.mean)
        self.assertLess(after.mean, before.mean + 2.0)  # the first guess of a wish is wide
        self.assertFalse(self.child.decisions.filter(strand="zip", kind="up").exists())

    @slow
    def test_it_counts_at_once_not_from_the_next_session_on(self) -> None:
        with self.captureOnCommitCallbacks(execute=True):
            note_task(self.lead, self.child, TaskSeen("zip", TODAY - timedelta(days=2), 5, "home", "family"))
        self.assertTrue(list(app.job_manager.list_jobs(task="replay_child")))
        before = self.zip_now().mean
        replay_child(child_id=self.child.pk)
        self.assertGreater(self.zip_now().mean, before)
        replay_child(child_id=0)

    @slow
    def test_the_therapists_own_sighting_is_not_counted_twice(self) -> None:
        before = self.zip_now().state
        note_task(self.lead, self.child, TaskSeen("zip", TODAY - timedelta(days=2), 5, "clinic", "therapist"))
        replay(self.child)
        self.assertEqual(self.zip_now().tries, before["tries"])

    @slow
    def test_nothing_done_alone_at_school_lowers_it(self) -> None:
        set_rung(self.lead, self.child, "zip", 5, TODAY - timedelta(days=5))
        note_task(self.lead, self.child, TaskSeen("zip", TODAY - timedelta(days=2), 0, "school", "school"))
        replay(self.child)
        self.assertLess(self.zip_now().mean, 5.0)


class RungSetTest(Seen):
    @slow
    def test_a_rung_set_keeps_what_was_learned_of_activities_and_pace(self) -> None:
        strand = self.strand()
        before = estimates_of(self.child, TODAY)[strand]
        rung = min(STRANDS[strand].top, round(before.mean) + 1)
        set_rung(self.lead, self.child, strand, rung, TODAY)
        after = estimates_of(Child.objects.get(pk=self.child.pk), TODAY)[strand]
        self.assertEqual(after.mean, rung)
        self.assertEqual((after.activities, after.offsets), (before.activities, before.offsets))
        self.assertAlmostEqual(after.sd, 0.6)

    @slow
    def test_set_on_the_day_of_a_session_the_days_sets_are_not_counted_twice(self) -> None:
        run = run_for_child(self.lead, self.child, TODAY)
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        strand = self.strand()
        learned_before = StrandEstimate.objects.get(child=self.child, strand=strand).start_state["offsets"]
        set_rung(self.lead, self.child, strand, 3, TODAY)
        row = StrandEstimate.objects.get(child=self.child, strand=strand)
        self.assertEqual(row.start_state["offsets"], learned_before)

    @slow
    def test_a_rung_the_ladder_lacks_is_refused(self) -> None:
        status, out = self.api("post", f"/children/{self.child.pk}/rungs", {"strand": "zip", "rung": 40})
        self.assertIn(status, (404, 422))
        self.assertTrue(out["detail"])

    @slow
    def test_a_start_knows_the_ladders_top_and_the_childs_age(self) -> None:
        row = StrandEstimate.objects.get(child=self.child, strand="cutting")
        start = start_of(row, Facts(60), TODAY, AS_SHIPPED)
        self.assertEqual(start.highest, STRANDS["cutting"].top + 1.5)
        self.assertEqual(len(start.usual), STRANDS["cutting"].top)


class PictureTest(Seen):
    @slow
    def test_seen_and_expected_are_kept_apart(self) -> None:
        strand = self.strand()
        path = paths(self.child, TODAY)[strand]
        ahead = expected(self.child, strand, TODAY)
        self.assertLess(max(p.on for p in path.points), TODAY)
        self.assertEqual([p.on for p in ahead][-2:], [TODAY, TODAY + timedelta(weeks=AHEAD)])
        self.assertEqual(sorted(p.sd for p in ahead), [p.sd for p in ahead])

    @slow
    def test_a_strand_never_looked_at_expects_nothing(self) -> None:
        self.assertEqual(expected(self.child, "laces", TODAY), [])

    def test_the_page_gives_both_and_the_doubt_about_the_change(self) -> None:
        shown = self.api("get", f"/children/{self.child.pk}/progress")[1]["strands"]
        one = next(s for s in shown if s["strand"] == self.strand())
        self.assertEqual(len(one["days"]), 3)
        self.assertTrue(one["points"] and one["expected"])
        self.assertGreaterEqual(one["change_sd"], 0)


class CalendarTest(Seen):
    @slow
    def test_says_which_doubt_costs_a_wanted_task_most_and_from_when(self) -> None:
        status, found = self.api("get", f"/children/{self.child.pk}/to-find-out")
        self.assertEqual(status, 200)
        self.assertTrue(found)
        self.assertEqual({q["task"] for q in found}, {"zip"})
        self.assertEqual([q["due"] for q in found], sorted(q["due"] for q in found))
        for q in found:
            self.assertEqual(q["now"], q["due"] <= TODAY.isoformat())

    @slow
    def test_a_task_that_is_managed_asks_nothing(self) -> None:
        for days, place, who in ((30, "home", "family"), (10, "school", "school")):
            note_task(self.lead, self.child, TaskSeen("zip", TODAY - timedelta(days=days), 5, place, who))  # type: ignore[arg-type]
        self.assertEqual(self.api("get", f"/children/{self.child.pk}/to-find-out"), (200, []))

    @slow
    def test_another_clinic_finds_nothing(self) -> None:
        stranger = Api(make_member("lead"))
        self.assertEqual(stranger("get", f"/children/{self.child.pk}/to-find-out")[0], 404)


class StepTest(Seen):
    @slow
    def test_a_step_gives_counts_and_belief_as_its_evidence(self) -> None:
        decision = self.child.decisions.exclude(kind="recheck").first()
        words = " ".join(e["words"] for e in decision.evidence)
        self.assertRegex(words, r"chance of truly managing|with less help|tried at this grade|hand")


class JobsTest(Seen):
    def jobs(self, name: str) -> int:
        return sum(1 for _ in app.job_manager.list_jobs(task=name))

    @slow
    def test_every_night_each_clinic_is_handed_out(self) -> None:
        before = self.jobs("refit_clinic")
        refit_every_clinic(timestamp=0)
        self.assertGreater(self.jobs("refit_clinic"), before)

    @slow
    def test_a_clinic_that_has_gone_since_needs_nothing(self) -> None:
        refit_clinic(clinic_id=0)
        replay_clinic(clinic_id=0)

    @slow
    def test_one_child_is_too_few_to_teach_and_estimates_worked_out_again_stay_as_they_were(self) -> None:
        before = {e.strand: e.mean for e in self.child.estimates.all()}
        refit_clinic(clinic_id=self.lead.clinic_id)
        self.assertFalse(self.lead.clinic.library_versions.exists())
        replay_clinic(clinic_id=self.lead.clinic_id)
        after = {e.strand: e.mean for e in StrandEstimate.objects.filter(child=self.child)}
        for strand, mean in before.items():
            self.assertAlmostEqual(after[strand], mean, msg=strand)
