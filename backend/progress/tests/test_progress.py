"""Monday's list and the progress page."""

from datetime import timedelta

from django.db import connection
from django.test import TestCase, tag
from django.test.utils import CaptureQueriesContext

from progress.actions import finish_run
from testing.builders import TODAY, Api, make_child, make_home, make_member, run_for_child, tap_all
from testing.tags import slow


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

    def line(self, child) -> dict:
        return next(c for c in self.api("get", "/caseload")[1]["children"] if c["id"] == child.pk)

    def test_a_child_never_seen_is_new_and_due(self) -> None:
        row = self.line(self.seen())
        self.assertEqual(([s["id"] for s in row["statuses"]], row["is_due"]), (["new"], True))

    @slow
    def test_seen_yesterday_is_not_due(self) -> None:
        self.assertFalse(self.line(self.seen(1))["is_due"])

    def test_seen_long_ago_is_to_be_checked_again(self) -> None:
        self.assertEqual([s["id"] for s in self.line(self.seen(60))["statuses"]], ["recheck"])

    @slow
    def test_failing_sets_read_as_a_setback_with_the_number_it_rests_on(self) -> None:
        first = self.line(self.seen(3, outcomes="00100010"))["statuses"][0]
        self.assertEqual(first["id"], "setback")
        self.assertIn("2 of 8 last time", first["words"])

    @slow
    def test_the_list_goes_by_the_therapists_answer(self) -> None:
        child = self.seen(3, outcomes="00100010")
        for decision in child.decisions.all():
            body = {"answer": "changed", "kind": "change", "why": "slept badly"}
            self.assertEqual(self.api("post", f"/decisions/{decision.pk}/answer", body)[0], 200)
        first = self.line(child)["statuses"][0]
        self.assertEqual(first["id"], "stuck")
        self.assertIn("slept badly", first["words"])

    @slow
    def test_the_list_takes_the_same_queries_for_one_child_or_ten(self) -> None:
        self.seen(3)
        self.api("get", "/caseload")
        with self.assertNumQueries(7):
            self.api("get", "/caseload")
        for _ in range(9):
            self.seen()
        with self.assertNumQueries(7):
            self.api("get", "/caseload")

    @slow
    def test_progress_says_too_few_before_four_sessions(self) -> None:
        child = self.seen(14, 7)
        _, out = self.api("get", f"/children/{child.pk}/progress")
        self.assertEqual({s["kind"] for s in out["strands"]}, {"too_few"})
        self.assertEqual(out["headline"], "Nothing has clearly moved yet.")

    @slow
    def test_what_was_seen_says_the_day_the_place_and_the_person(self) -> None:
        child = self.seen(7)
        before = {s["strand"]: s for s in self.api("get", f"/children/{self.seen().pk}/seen")[1]}
        self.assertTrue(all(s["rung"] is None and "not seen yet" in s["words"] for s in before.values()))
        _, out = self.api("get", f"/children/{child.pk}/seen")
        seen = [s for s in out if s["rung"]]
        self.assertTrue(seen)
        for s in seen:
            self.assertEqual((s["on"], s["where"], s["by"]), (str(TODAY - timedelta(7)), "at home", self.lead.name))
            self.assertGreaterEqual(s["successes"], 0.8 * s["tries"])
            self.assertTrue(s["activity"])
        self.assertTrue(all(("was seen" in s["words"]) != ("probably" in s["words"]) for s in out))

    @slow
    def test_what_was_seen_stays_inside_the_clinic(self) -> None:
        child = self.seen(7)
        self.assertEqual(Api(make_member())("get", f"/children/{child.pk}/seen")[0], 404)

    def test_a_rung_a_therapist_noted_counts_as_seen_without_an_activity(self) -> None:
        child = self.seen()
        status, out = self.api("post", f"/children/{child.pk}/rungs", {"strand": "pinch", "rung": 3})
        self.assertEqual(status, 200, out)
        pinch = next(s for s in self.api("get", f"/children/{child.pk}/seen")[1] if s["strand"] == "pinch")
        self.assertEqual((pinch["rung"], pinch["activity"], pinch["where"]), (3, "", ""))
        self.assertNotIn("not seen yet", pinch["words"])

    @slow
    def test_what_was_seen_takes_the_same_queries_however_many_sets_there_are(self) -> None:
        costs = []
        for days in ((7,), (28, 21, 14, 7)):
            path = f"/children/{self.seen(*days).pk}/seen"
            with CaptureQueriesContext(connection) as queries:
                self.api("get", path)
            costs.append(len(queries))
        self.assertEqual(costs[0], costs[1])

    @tag("slow")
    def test_progress_draws_every_day_and_set(self) -> None:
        child = self.seen(28, 21, 14, 7)
        _, out = self.api("get", f"/children/{child.pk}/progress")
        for strand in out["strands"]:  # a day's sets move every strand they train, whichever they were aimed at
            self.assertLessEqual({s["on"] for s in strand["sets"]}, {p["on"] for p in strand["points"]})
        self.assertEqual(max(len(s["points"]) for s in out["strands"]), 4)
        self.assertTrue(all(p["sd"] > 0 for p in strand["points"]))

    @tag("slow")
    def test_the_line_carries_help_grade_changes_and_signed_notes(self) -> None:
        child = self.seen(28, 21, 14, 7)
        run = child.runs.order_by("-on").first()
        _, kept = self.api("put", f"/runs/{run.pk}/note", {"text": "Buttoned the whole coat.", "version": 0})
        signed = {"version": kept["version"], "open_steps": kept["open_steps"]}
        self.assertEqual(self.api("post", f"/runs/{run.pk}/note/sign", signed)[0], 200)
        _, out = self.api("get", f"/children/{child.pk}/progress")
        for strand in out["strands"]:
            days = {s["on"] for s in strand["sets"]}
            self.assertEqual({h["on"] for h in strand["help"]}, days)
            self.assertEqual(
                sum(h["tries"].get("alone", 0) for h in strand["help"]), sum(s["tries"] for s in strand["sets"])
            )
            notes = [m for m in strand["marked"] if m["kind"] == "note"]
            self.assertEqual(len(notes), int(run.on.isoformat() in days))
            changed, last = 0, {}
            for day in sorted(days):
                for activity in {s["activity_id"] for s in strand["sets"] if s["on"] == day}:
                    rung = max(
                        s["difficulty"] for s in strand["sets"] if (s["on"], s["activity_id"]) == (day, activity)
                    )
                    changed += abs(rung - last.get(activity, rung)) >= 0.25
                    last[activity] = rung
            self.assertEqual(len([m for m in strand["marked"] if m["kind"] != "note"]), changed)


class AnswerTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        run = run_for_child(self.lead, make_child(self.lead))
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        self.api = Api(self.lead)
        self.decision = run.decisions.first()
        self.path = f"/decisions/{self.decision.pk}/answer"

    @slow
    def test_a_step_is_changed_to_another_with_a_word_why(self) -> None:
        other = "fade" if self.decision.kind != "fade" else "hold"
        status, out = self.api("post", self.path, {"answer": "changed", "kind": other, "why": "leans on me"})
        self.assertEqual(
            (status, out["answer"], out["answer_kind"], out["answer_why"]), (200, "changed", other, "leans on me")
        )
        self.decision.refresh_from_db()
        self.assertEqual(self.decision.settled_kind, other)

    @slow
    def test_changing_needs_another_kind_and_a_reason(self) -> None:
        for body, field in (
            ({"answer": "changed", "kind": self.decision.kind, "why": "x"}, "kind"),
            ({"answer": "changed", "kind": "faster", "why": "x"}, "kind"),
            ({"answer": "changed", "kind": "fade", "why": " "}, "why"),
            ({"answer": "declined", "why": ""}, "why"),
            ({"answer": "perhaps", "why": "x"}, "answer"),
        ):
            status, problem = self.api("post", self.path, body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field), body)
        self.decision.refresh_from_db()
        self.assertEqual(self.decision.answer, "")

    def test_of_two_who_answer_at_once_the_second_sees_the_first(self) -> None:
        self.assertEqual(self.api("post", self.path, {"answer": "accepted"})[0], 200)
        second = {"answer": "declined", "why": "Too soon."}
        status, problem = self.api("post", self.path, second)
        self.assertEqual((status, problem["theirs"]["answer"], problem["yours"]["why"]), (409, "accepted", "Too soon."))
        self.assertEqual(self.api("post", self.path, {**second, "over": "accepted"})[1]["answer"], "declined")

    @slow
    def test_a_declined_step_leaves_things_as_they_are_on_the_list(self) -> None:
        self.api("post", self.path, {"answer": "declined", "why": "not this week"})
        self.decision.refresh_from_db()
        self.assertEqual(self.decision.settled_kind, "hold")
