"""What the clinic's own children taught: proposed in the background, decided by the lead, then used everywhere."""

from datetime import timedelta

from django.test import TestCase

from caseload.facts import estimates_of, learned_of
from caseload.models import Child, LibraryVersion
from clinic.models import AuditEntry
from core.library import ACTIVITIES
from core.recording import AS_SHIPPED
from planning.workbench import workbench_of
from progress.actions import finish_run
from progress.library_actions import histories, replay_all, work_out
from running.actions import keep_events
from running.queries import all_sets
from testing.builders import TODAY, Api, make_child, make_member, run_for_child, shown_blocks, tries
from testing.tags import slow


class LearnedTest(TestCase):
    @classmethod
    def setUpTestData(cls) -> None:
        """Four children who all find their first working block far harder than the library says."""
        cls.lead = make_member("lead")
        cls.children = [make_child(cls.lead) for _ in range(4)]
        for child in cls.children:
            for week in range(3):
                run = run_for_child(cls.lead, child, on=TODAY - timedelta(weeks=week))
                at = next(i for i, b in enumerate(shown_blocks(run)) if b["part"] == "main")
                cls.activity = shown_blocks(run)[at]["activity_id"]
                keep_events(cls.lead, run, tries(run, at, "00000100"))
                finish_run(cls.lead, run)

    def accepted(self) -> LibraryVersion:
        version = work_out(self.lead.clinic)
        assert version is not None
        api = Api(self.lead)
        status, out = api("post", f"/library/learned/{version.pk}/answer", {"status": "accepted"})
        self.assertEqual((status, out["status"]), (200, "accepted"))
        return LibraryVersion.objects.get(pk=version.pk)

    def test_what_all_children_find_hard_is_proposed_as_harder_and_nothing_changes_until_it_is_accepted(self) -> None:
        version = work_out(self.lead.clinic)
        assert version is not None
        harder = max(f.shift for f in version.refit.findings if f.kind == "base")
        self.assertGreater(harder, 0.1)
        self.assertEqual(learned_of(self.children[0]), AS_SHIPPED)
        _, out = Api(self.lead)("get", "/library/learned")
        self.assertIsNone(out["in_use"])
        self.assertEqual((out["proposed"]["children"], out["proposed"]["tries"]), (4, 4 * 3 * 8))
        self.assertIn(ACTIVITIES[self.activity].name, " ".join(f["words"] for f in out["proposed"]["findings"]))

    @slow
    def test_once_accepted_sets_offers_and_estimates_go_by_it_and_say_so(self) -> None:
        child = self.children[0]
        before = estimates_of(child, TODAY)
        version = self.accepted()
        replay_all(self.lead.clinic)
        child = Child.objects.get(pk=child.pk)
        learned = learned_of(child)
        self.assertEqual(learned.version, version.name)
        raw, taught = all_sets(child, AS_SHIPPED)[0], all_sets(child, learned)[0]
        strand = max(raw.trained, key=lambda s: taught.difficulty[s] - raw.difficulty[s])  # the one that decides
        self.assertGreater(taught.difficulty[strand], raw.difficulty[strand] + 0.05)
        after = estimates_of(child, TODAY)
        self.assertEqual(after[strand].learned.version, version.name)
        self.assertGreater(after[strand].mean, before[strand].mean)
        plan = child.plans.first()
        bench = workbench_of(plan, TODAY)
        self.assertEqual(bench.request.child.learned, learned)

    def test_the_refit_reads_the_librarys_own_rungs_and_finds_the_same_again(self) -> None:
        self.accepted()
        self.assertIsNone(work_out(self.lead.clinic))
        self.assertEqual(len(histories(self.lead.clinic)), 4)

    def test_a_version_is_held_back_with_its_reason_decided_once_and_audited(self) -> None:
        version = work_out(self.lead.clinic)
        assert version is not None
        api, path = Api(self.lead), f"/library/learned/{version.pk}/answer"
        self.assertEqual(api("post", path, {"status": "held"})[0], 422)
        self.assertEqual(api("post", path, {"status": "held", "why": "All four had a cold."})[0], 200)
        self.assertEqual(api("post", path, {"status": "accepted"})[0], 422)
        self.assertEqual(learned_of(self.children[0]), AS_SHIPPED)
        entry = AuditEntry.objects.filter(action="library.learn").latest("pk")
        self.assertEqual(entry.detail["why"], "All four had a cold.")
        proposed = AuditEntry.objects.get(action="library.propose")
        self.assertIsNone(proposed.member)
        words = [e["member"] for e in api("get", "/audit?action=library")[1]["entries"]]
        self.assertIn("Pollicor, in the background", words)
        self.assertIsNone(work_out(self.lead.clinic))

    def test_two_children_are_too_few(self) -> None:
        other = make_member("lead")
        self.assertIsNone(work_out(other.clinic))

    def test_only_the_lead_sees_and_decides(self) -> None:
        therapist = Api(make_member("therapist", self.lead.clinic))
        self.assertEqual(therapist("get", "/library/learned")[0], 403)
        self.assertEqual(therapist("post", "/library/learned")[0], 403)

    def test_working_it_out_now_hands_out_a_job(self) -> None:
        with self.captureOnCommitCallbacks(execute=True):
            self.assertEqual(Api(self.lead)("post", "/library/learned")[0], 202)
