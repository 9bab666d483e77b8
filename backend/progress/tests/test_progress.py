"""Monday's list and the progress page."""

from datetime import timedelta

from django.test import TestCase

from progress.actions import finish_run
from testing.builders import TODAY, Api, make_child, make_home, make_member, run_for_child, tap_all


class CaseloadTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead)
        self.api = Api(self.lead)

    def seen(self, *days_ago: int, outcomes: str = "11111111", **changes: object):
        child = make_child(self.lead, self.home, **changes)
        for days in days_ago:
            run = run_for_child(self.lead, child, TODAY - timedelta(days=days))
            tap_all(self.lead, run, outcomes)
            finish_run(self.lead, run)
        return child

    def standing(self, child) -> dict:
        return next(c for c in self.api("get", "/caseload")[1] if c["id"] == child.pk)

    def test_a_child_never_seen_is_new_and_due(self) -> None:
        row = self.standing(self.seen())
        self.assertEqual((row["standings"], row["is_due"]), (["new"], True))

    def test_seen_yesterday_is_not_due(self) -> None:
        self.assertFalse(self.standing(self.seen(1))["is_due"])

    def test_seen_long_ago_is_to_be_checked_again(self) -> None:
        self.assertEqual(self.standing(self.seen(60))["standings"], ["recheck"])

    def test_failing_sets_read_as_stuck(self) -> None:
        self.assertIn("stuck", self.standing(self.seen(3, outcomes="00100010"))["standings"])

    def test_the_list_takes_the_same_queries_for_one_child_or_ten(self) -> None:
        self.seen(3)
        self.api("get", "/caseload")
        with self.assertNumQueries(6):
            self.api("get", "/caseload")
        for _ in range(9):
            self.seen()
        with self.assertNumQueries(6):
            self.api("get", "/caseload")

    def test_progress_says_too_few_before_four_sessions(self) -> None:
        child = self.seen(14, 7)
        _, out = self.api("get", f"/children/{child.pk}/progress")
        self.assertEqual({s["kind"] for s in out["strands"]}, {"too_few"})
        self.assertEqual(out["headline"], "Nothing has clearly moved yet.")

    def test_progress_draws_every_day_and_set(self) -> None:
        child = self.seen(28, 21, 14, 7)
        _, out = self.api("get", f"/children/{child.pk}/progress")
        strand = max(out["strands"], key=lambda s: len(s["points"]))
        self.assertEqual(len(strand["points"]), len({s["on"] for s in strand["sets"]}))
        self.assertTrue(all(p["sd"] > 0 for p in strand["points"]))
