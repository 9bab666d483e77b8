"""Notes that freeze and goals that are scaled before they start."""

from django.test import TestCase

from caseload.models import StrandEstimate
from clinic.models import AuditEntry
from core.progress import attainment_t_score
from progress.actions import finish_run
from progress.models import Note
from progress.tasks import count_late
from running.actions import keep_events
from running.models import SetRecord
from testing.builders import Api, make_child, make_member, run_for_child, shown_blocks, tap_all, tries
from testing.tags import slow

LEVELS = ["no button", "one, with help", "one alone", "three alone", "the whole shirt alone"]


class NoteTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.run_ = run_for_child(self.lead, self.child)
        tap_all(self.lead, self.run_)
        finish_run(self.lead, self.run_)
        self.api = Api(self.lead)
        self.path = f"/runs/{self.run_.pk}/note"

    def sign(self, version: int) -> tuple[int, dict]:
        """Sign, knowing of every step that is not answered."""
        open_steps = self.run_.decisions.filter(answer="").count()
        return self.api("post", f"{self.path}/sign", {"version": version, "open_steps": open_steps})

    @slow
    def test_the_draft_says_what_was_counted_and_nothing_else(self) -> None:
        _, note = self.api("get", self.path)
        self.assertEqual(note["version"], 0)
        for block in shown_blocks(self.run_):
            self.assertIn(f"{block['name']}: 7 of 8 alone", note["text"])
        self.assertIn("Next: ", note["text"])
        self.assertNotIn("Seen:", note["text"])
        self.assertNotIn("dropped", note["text"])
        self.assertFalse(Note.objects.exists())

    @slow
    def test_a_signed_note_rejects_edits_and_freezes_its_run(self) -> None:
        _, kept = self.api("put", self.path, {"text": "Went well.", "version": 0})
        self.assertEqual(self.api("put", self.path, {"text": "Later.", "version": 0})[0], 409)
        status, signed = self.sign(kept["version"])
        self.assertEqual((status, signed["text"]), (200, "Went well."))
        self.assertTrue(signed["signed_at"])
        self.assertEqual(self.api("put", self.path, {"text": "Changed.", "version": signed["version"]})[0], 422)
        self.assertEqual(self.api("post", f"/runs/{self.run_.pk}/finish")[0], 422)

    @slow
    def test_what_arrives_after_signing_is_kept_apart_tap_by_tap(self) -> None:
        """A tablet that comes back: what the server has is answered as kept, what is new stands beside the record."""
        known = tries(self.run_, 0, "1", second=400)
        keep_events(self.lead, self.run_, known)
        finish_run(self.lead, self.run_)
        self.api("put", self.path, {"text": "Went well.", "version": 0})
        self.assertEqual(self.sign(1)[0], 200)
        sets = list(SetRecord.objects.values_list("tries", "successes"))
        late = tries(self.run_, 0, "10", second=500)
        status, out = self.api("post", f"/runs/{self.run_.pk}/events", [*known, *late])
        self.assertEqual((status, len(out["kept"]), out["refused"]), (200, 3, []))
        self.assertEqual(set(out["apart"]), {e["id"] for e in late})
        again = self.api("post", f"/runs/{self.run_.pk}/events", late)[1]
        self.assertEqual((len(again["kept"]), again["apart"]), (2, []))
        self.assertEqual(list(SetRecord.objects.values_list("tries", "successes")), sets)
        note = self.api("get", self.path)[1]
        self.assertEqual([t["words"] for t in note["after_signing"]], ["done alone", "not yet, alone"])
        self.assertEqual({t["activity"] for t in note["after_signing"]}, {shown_blocks(self.run_)[0]["name"]})
        self.assertEqual(len(self.api("get", f"/runs/{self.run_.pk}")[1]["events"]), out["total"])

    @slow
    def test_late_taps_are_counted_and_nothing_is_signed_before(self) -> None:
        self.api("put", self.path, {"text": "Went well.", "version": 0})
        with self.captureOnCommitCallbacks() as later:
            keep_events(self.lead, self.run_, tries(self.run_, 0, "000", second=500))
        self.assertEqual((len(later), self.api("get", self.path)[1]["late_taps"]), (1, 3))
        status, problem = self.sign(1)
        self.assertEqual(status, 409)
        self.assertIn("3 taps arrived after the run had ended", problem["detail"])
        before = sum(SetRecord.objects.values_list("tries", flat=True))
        count_late(str(self.run_.pk))
        self.assertEqual(sum(SetRecord.objects.values_list("tries", flat=True)), before + 3)
        self.assertEqual(self.api("get", self.path)[1]["late_taps"], 0)
        version = self.api("put", self.path, {"text": "Went well.", "version": 1})[1]["version"]
        self.assertEqual(self.sign(version)[0], 200)

    @slow
    def test_the_draft_follows_the_answers_and_own_words_stay(self) -> None:
        draft = self.api("get", self.path)[1]["draft"]
        self.assertIn("(proposed)", draft)
        own = draft.replace("Next: ", "Mother was there. Next: ") + " New shoes."
        self.api("put", self.path, {"text": own, "version": 0, "draft": draft})
        for decision in self.run_.decisions.all():
            answer = {"answer": "accepted", "why": ""}
            self.assertEqual(self.api("post", f"/decisions/{decision.pk}/answer", answer)[0], 200)
        text = self.api("get", self.path)[1]["text"]
        self.assertNotIn("(proposed)", text)
        self.assertIn("(agreed)", text)
        self.assertIn("Mother was there. Next: ", text)
        self.assertTrue(text.endswith(" New shoes."))
        status, problem = self.api("post", f"{self.path}/sign", {"version": 1})
        self.assertEqual((status, "changed since" in problem["detail"]), (409, True), "what is signed was read")
        note = self.api("put", self.path, {"text": text, "version": 1, "draft": self.api("get", self.path)[1]["draft"]})
        status, signed = self.api("post", f"{self.path}/sign", {"version": note[1]["version"]})
        self.assertEqual((status, signed["text"]), (200, text))

    @slow
    def test_signing_with_unanswered_steps_has_to_be_said(self) -> None:
        note = self.api("put", self.path, {"text": "Went well.", "version": 0})[1]
        self.assertGreater(note["open_steps"], 0)
        status, problem = self.api("post", f"{self.path}/sign", {"version": 1})
        self.assertEqual((status, problem["theirs"]["open_steps"]), (409, note["open_steps"]))
        self.assertEqual(self.sign(1)[0], 200)

    @slow
    def test_of_two_runs_a_day_the_second_starts_where_the_first_ended(self) -> None:
        second = run_for_child(self.lead, self.child)
        tap_all(self.lead, second)
        finish_run(self.lead, second)
        first = {d.strand: d for d in self.run_.decisions.all()}
        both = [d for d in second.decisions.all() if d.strand in first]
        self.assertTrue(both)
        for decision in both:
            self.assertAlmostEqual(decision.mean_before, first[decision.strand].mean_after)
            row = StrandEstimate.objects.get(child=self.child, strand=decision.strand)
            self.assertAlmostEqual(decision.mean_after, row.mean)

    @slow
    def test_what_was_decided_stays_once_the_note_is_signed(self) -> None:
        decision = self.run_.decisions.first()
        path = f"/decisions/{decision.pk}/answer"
        self.assertEqual(self.api("post", path, {"answer": "accepted", "why": ""})[0], 200)
        declined = {"answer": "declined", "why": "Not yet.", "over": "accepted"}
        self.assertEqual(self.api("post", path, declined)[0], 200)
        self.api("put", self.path, {"text": "Went well.", "version": 0})
        self.sign(1)
        status, problem = self.api("post", path, {"answer": "accepted", "why": ""})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "answer"))
        decision.refresh_from_db()
        self.assertEqual(decision.answer, "declined")

    @slow
    def test_each_text_a_note_had_stands_in_the_audit_log(self) -> None:
        self.api("put", self.path, {"text": "Went well.", "version": 0})
        self.api("put", self.path, {"text": "Went fairly well.", "version": 1})
        texts = AuditEntry.objects.filter(action="note.write").order_by("pk").values_list("detail__text", flat=True)
        self.assertEqual(list(texts), ["Went well.", "Went fairly well."])

    @slow
    def test_a_correction_is_added_and_the_signed_words_stay(self) -> None:
        self.assertEqual(self.api("post", f"{self.path}/amendments", {"text": "x"})[0], 422)
        self.api("put", self.path, {"text": "Went well.", "version": 0})
        self.sign(1)
        _, note = self.api("post", f"{self.path}/amendments", {"text": "It was the left hand."})
        self.assertEqual((note["text"], note["amendments"][0]["text"]), ("Went well.", "It was the left hand."))

    @slow
    def test_an_assistant_writes_but_does_not_sign(self) -> None:
        helper = Api(make_member("assistant", self.lead.clinic))
        self.assertEqual(helper("put", self.path, {"text": "Went well.", "version": 0})[0], 200)
        self.assertEqual(helper("post", f"{self.path}/sign", {"version": 1})[0], 403)

    @slow
    def test_an_empty_note_and_one_that_is_not_there_are_refused(self) -> None:
        self.assertEqual(self.api("put", self.path, {"text": "  ", "version": 0})[0], 422)
        self.assertEqual(self.api("post", f"{self.path}/sign", {"version": 0})[0], 422)


class GoalTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        self.path = f"/children/{self.child.pk}/goals"

    def write(self, **changes: object) -> tuple[int, dict]:
        return self.api("post", self.path, {"words": "Does the school shirt up", "levels": LEVELS, **changes})

    def test_attainment_follows_the_scores(self) -> None:
        """T-scores against the formula of Kiresuk & Sherman 1968; one goal at +1 is 60."""
        _, out = self.write()
        self.assertEqual(out["t_now"], attainment_t_score([-2]))
        _, out = self.api("post", f"/goals/{out['goals'][0]['id']}/scores", {"score": 1})
        self.assertAlmostEqual(out["t_now"], 60.0)
        self.assertAlmostEqual(out["t_start"], 30.0)

    def test_what_can_not_be_is_refused_at_its_field(self) -> None:
        for field, change in (
            ("words", {"words": " "}),
            ("levels", {"levels": LEVELS[:4]}),
            ("levels", {"levels": [*LEVELS[:4], ""]}),
            ("levels", {"levels": ["a"] * 5}),
            ("weight", {"weight": 0}),
            ("baseline", {"baseline": 3}),
        ):
            status, problem = self.write(**change)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        _, out = self.write()
        self.assertEqual(self.api("post", f"/goals/{out['goals'][0]['id']}/scores", {"score": 3})[0], 422)

    def test_no_goals_no_number(self) -> None:
        self.assertEqual(self.api("get", self.path)[1], {"goals": [], "t_start": None, "t_now": None})

    def test_another_clinic_and_an_assistant_score_nothing(self) -> None:
        _, out = self.write()
        goal = out["goals"][0]["id"]
        self.assertEqual(Api(make_member())("post", f"/goals/{goal}/scores", {"score": 0})[0], 404)
        self.assertEqual(
            Api(make_member("assistant", self.lead.clinic))("post", f"/goals/{goal}/scores", {"score": 0})[0], 403
        )
