"""The page of progress is worked out again only once something it tells of has changed."""

from datetime import timedelta

from django.test import TestCase

from caseload.queries import as_stored
from progress.actions import finish_run
from progress.api import PROGRESS_FROM, _progress
from progress.queries import best_by_strand
from running.models import Run, SetRecord
from testing.builders import TODAY, make_child, make_member, run_for_child, sign_in, tap_all
from testing.queries import tables_read
from testing.tags import slow


class KeptProgressTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        sign_in(self.client, self.lead)

    def run_it(self) -> Run:
        run = run_for_child(self.lead, self.child, TODAY)
        tap_all(self.lead, run, "1111111111")
        finish_run(self.lead, run)
        return run

    def page(self) -> dict[str, object]:
        answer = self.client.get(f"/api/children/{self.child.pk}/progress")
        self.assertEqual(answer.status_code, 200)
        return answer.json()  # type: ignore[no-any-return]

    @slow
    def test_a_session_shows_on_the_page_at_once_and_a_day_that_is_moved_too(self) -> None:
        before = self.page()
        self.assertEqual(self.page(), before)
        self.run_it()
        after = self.page()
        self.assertNotEqual(after, before)
        SetRecord.objects.filter(child=self.child).update(on=TODAY - timedelta(days=3))
        self.assertNotEqual(self.page(), after)

    @slow
    def test_what_is_kept_is_what_would_be_worked_out(self) -> None:
        self.run_it()
        self.page()
        kept = self.page()
        fresh = _progress(as_stored(self.child), TODAY)
        self.assertEqual(kept, fresh.model_dump(mode="json"))

    @slow
    def test_it_reads_no_row_that_is_not_looked_at(self) -> None:
        self.run_it()
        self.assertTrue(best_by_strand(as_stored(self.child))[0], "something was seen")
        read = tables_read(lambda: _progress(as_stored(self.child), TODAY))
        self.assertIn("running_setrecord", read)
        self.assertEqual(read - set(PROGRESS_FROM), set())
