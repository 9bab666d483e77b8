"""A run: taps kept once in any order, folded, and the estimate moved by them."""

import random
from datetime import UTC, datetime, timedelta
from io import StringIO
from uuid import uuid4

from django.core.management import call_command
from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext

from caseload.models import Child, EstimatePoint, StrandEstimate
from core.ability import chance
from core.library import ACTIVITIES, THINGS
from core.offers import Variant, difficulty
from core.planner import PlannedBlock
from core.progress import next_hand
from core.recording import MEASURED
from planning.actions import make_plan, set_blocks
from planning.models import Plan
from planning.stored import planned_of
from planning.workbench import Wish, workbench
from progress.actions import finish_run
from progress.models import DecisionRecord
from running.actions import keep_events, start_run
from running.models import Run, RunEvent, SetRecord
from running.queries import sets_by_strand
from testing.builders import (
    TODAY,
    Api,
    make_child,
    make_home,
    make_member,
    plan_for_child,
    run_for_child,
    shown_blocks,
    tap_all,
    tries,
)
from testing.tags import slow


class TapsTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.run_ = run_for_child(self.lead, self.child)
        self.api = Api(self.lead)

    def send(self, events: list) -> tuple[int, dict]:
        return self.api("post", f"/runs/{self.run_.pk}/events", events)

    @slow
    def test_a_batch_sent_five_times_out_of_order_is_kept_once(self) -> None:
        events = tries(self.run_, 0, "1101")
        for seed in range(5):
            random.Random(seed).shuffle(events)
            status, out = self.send(events)
            self.assertEqual((status, len(out["kept"])), (200, 4))
        self.assertEqual(RunEvent.objects.count(), 4)
        finish_run(self.lead, self.run_)
        done = SetRecord.objects.get()
        self.assertEqual((done.tries, done.successes), (4, 3))

    @slow
    def test_one_bad_tap_does_not_lose_the_others(self) -> None:
        events = tries(self.run_, 0, "11")
        events[0]["value"]["outcome"] = "perhaps"
        status, out = self.send(events)
        self.assertEqual((status, len(out["kept"]), out["refused"][0]["field"]), (200, 1, "outcome"))

    @slow
    def test_starting_twice_with_one_id_is_one_run(self) -> None:
        run_id, plan = uuid4(), plan_for_child(self.lead, self.child)
        first = self.api("post", f"/plans/{plan.pk}/runs", {"id": run_id})[1]
        again = self.api("post", f"/plans/{plan.pk}/runs", {"id": run_id})[1]
        self.assertEqual(first["id"], again["id"])
        self.assertEqual(Run.objects.exclude(pk=self.run_.pk).count(), 1)

    @slow
    def test_a_second_tablet_on_the_same_plan_joins_the_run_that_is_open(self) -> None:
        """One session is one run, counted once; when it has ended, the plan may be run again."""
        path = f"/plans/{self.run_.plan_id}/runs"
        self.assertEqual(self.api("post", path, {"id": uuid4()})[1]["id"], str(self.run_.pk))
        finish_run(self.lead, self.run_)
        fresh = uuid4()
        self.assertEqual(self.api("post", path, {"id": fresh})[1]["id"], str(fresh))
        Run.objects.filter(pk=fresh).update(on=TODAY - timedelta(days=1))
        self.assertNotEqual(self.api("post", path, {"id": uuid4()})[1]["id"], str(fresh), "left open yesterday")

    @slow
    def test_each_block_carries_its_table_of_what_to_say_and_its_ladder_of_grades(self) -> None:
        _, out = self.api("get", f"/runs/{self.run_.pk}")
        for block in out["blocks"]:
            self.assertTrue(block["says"])
            self.assertEqual([g["grade"] for g in block["grades"] if g["here"]], [block["grade"]])

    @slow
    def test_the_runs_blocks_do_not_change_when_the_plan_does(self) -> None:
        before = self.api("get", f"/runs/{self.run_.pk}")[1]["blocks"]
        plan = self.api("get", f"/plans/{self.run_.plan_id}")[1]
        row = [{k: b[k] for k in ("part", "activity_id", "grade", "sets", "locked")} for b in plan["blocks"][:1]]
        self.assertEqual(
            self.api("put", f"/plans/{plan['id']}/blocks", {"version": plan["version"], "blocks": row})[0], 200
        )
        self.assertEqual(self.api("get", f"/runs/{self.run_.pk}")[1]["blocks"], before)


class FinishTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    @slow
    def test_results_estimates_and_next_steps_come_together(self) -> None:
        run = run_for_child(self.lead, self.child)
        tap_all(self.lead, run)
        status, out = self.api("post", f"/runs/{run.pk}/finish")
        self.assertEqual(status, 200)
        self.assertEqual(len(out["sets"]), len(shown_blocks(run)))
        worked = {b["strand"] for b in shown_blocks(run) if b["part"] in ("main", "daily")}
        self.assertEqual({d["strand"] for d in out["decisions"]}, worked)
        for decision in out["decisions"]:
            self.assertTrue(decision["evidence"] and decision["would_change"])
            row = StrandEstimate.objects.get(child=self.child, strand=decision["strand"])
            self.assertAlmostEqual(row.mean, decision["mean_after"])
            self.assertGreater(row.tries, 0)

    @slow
    def test_taps_that_come_late_are_taken_in_by_finishing_again(self) -> None:
        run = run_for_child(self.lead, self.child)
        block = next(i for i, b in enumerate(shown_blocks(run)) if b["part"] == "main")
        early, late = tries(run, block, "11110"), tries(run, block, "000", second=60)
        keep_events(self.lead, run, early)
        finish_run(self.lead, run)
        keep_events(self.lead, run, late)
        finish_run(self.lead, run)
        other = make_child(self.lead, self.child.home)
        at_once = run_for_child(self.lead, other)
        keep_events(self.lead, at_once, tries(at_once, block, "11110") + tries(at_once, block, "000", second=60))
        finish_run(self.lead, at_once)
        strand = shown_blocks(run)[block]["strand"]
        means = [StrandEstimate.objects.get(child=c, strand=strand).mean for c in (self.child, other)]
        self.assertAlmostEqual(*means, places=9)
        self.assertEqual(EstimatePoint.objects.filter(child=self.child, strand=strand).count(), 1)
        self.assertEqual(DecisionRecord.objects.filter(run=run, strand=strand).count(), 1)

    @slow
    def test_two_good_days_make_harder_grades_the_fitting_ones(self) -> None:
        self.child = make_child(self.lead, make_home(self.lead, dict.fromkeys(THINGS, 30)))
        asked = {}
        for week in (2, 1):
            plan = plan_for_child(self.lead, self.child, targets=("grasp", "scissors", "in_hand", "bilateral"))
            run = start_run(self.lead, plan, uuid4(), TODAY - timedelta(days=7 * week))
            asked |= {
                b["activity_id"]: (b["strand"], b["rung"])
                for b in shown_blocks(run)
                if b["part"] == "main" and b["activity_id"] not in asked
            }
            tap_all(self.lead, run, "11111111")
            finish_run(self.lead, run)
        child = Child.objects.prefetch_related("estimates").get(pk=self.child.pk)
        bench = workbench(child, child.home, Wish(30, ("grasp", "scissors", "in_hand", "bilateral"), "home"), TODAY)
        compared = 0
        for activity, (strand, rung) in asked.items():
            offers = [difficulty(o.variant)[strand] for o in bench.cupboard.offers([ACTIVITIES[activity]])]
            fitting = [
                r for r in offers if 0.7 <= chance(bench.request.estimates[strand], r, activity_id=activity) <= 0.85
            ]
            if fitting and max(offers) > rung + 0.3:
                self.assertGreater(max(fitting), rung, activity)
                compared += 1
        self.assertGreater(compared, 0)

    @slow
    def test_an_empty_run_ends_without_a_word(self) -> None:
        run = run_for_child(self.lead, self.child)
        status, out = self.api("post", f"/runs/{run.pk}/finish")
        self.assertEqual((status, out["sets"], out["decisions"]), (200, [], []))
        self.assertEqual(len(out["skipped"]), len(shown_blocks(run)))

    @slow
    def test_declining_a_step_keeps_the_reason(self) -> None:
        run = run_for_child(self.lead, self.child)
        tap_all(self.lead, run)
        _, out = self.api("post", f"/runs/{run.pk}/finish")
        path = f"/decisions/{out['decisions'][0]['id']}/answer"
        self.assertEqual(self.api("post", path, {"answer": "declined"})[0], 422)
        self.assertEqual(self.api("post", path, {"answer": "declined", "why": "Was ill."})[1]["answer_why"], "Was ill.")


class ClockTest(TestCase):
    @slow
    def test_a_tablets_clock_wrong_by_a_day_moves_no_set_to_another_day(self) -> None:
        """The day of a run is the clinic's; the tablet's clock only orders its own taps."""
        lead = make_member()
        for days in (-1, 1):
            run = run_for_child(lead, make_child(lead))
            taps = tries(run, 0, "1101")
            off = [{**e, "at": e["at"] + timedelta(days=days)} for e in taps]
            keep_events(lead, run, off)
            finish_run(lead, run)
            kept = SetRecord.objects.get(run=run)
            self.assertEqual((kept.on, kept.tries, kept.successes), (TODAY, 4, 3))
            self.assertLess(kept.seconds, 60)


class TodayTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        plan = plan_for_child(self.lead, self.child)
        opener = plan.blocks.filter(part="opener").first()
        assert opener
        circle = PlannedBlock("main", Variant("turn_the_sheet", (2, 0, 0)), 6)
        plan = set_blocks(self.lead, plan, plan.version, [planned_of(opener), circle], TODAY)
        self.run_ = start_run(self.lead, plan, uuid4(), TODAY)
        self.at = 1

    def advice_after(self, outcomes: str) -> list[dict]:
        keep_events(self.lead, self.run_, tries(self.run_, self.at, outcomes))
        return [
            a
            for a in self.api("get", f"/runs/{self.run_.pk}/today")[1]
            if a["block"] == shown_blocks(self.run_)[self.at]["id"]
        ]

    @slow
    def test_a_lost_set_says_up_to_two_steps_easier(self) -> None:
        (result,) = self.advice_after("0000010000000000")
        block = shown_blocks(self.run_)[self.at]
        self.assertEqual(
            (result["kind"], result["grade"]), ("down", block["grades"][max(0, _here(block) - 2)]["grade"])
        )
        self.assertIn("two steps easier", result["words"])

    @slow
    def test_two_tries_are_enough_to_ask(self) -> None:
        (result,) = self.advice_after("00")
        self.assertEqual(result["kind"], "down")

    def test_the_table_travels_with_the_block_for_every_grade_it_may_be_done_at(self) -> None:
        opener, working = (b["says"] for b in shown_blocks(self.run_)[:2])
        self.assertEqual({s["at"] for s in opener}, {None})
        places = {s["at"] for s in working} - {None}
        self.assertEqual(places, set(range(len(shown_blocks(self.run_)[1]["grades"]))))

    @slow
    def test_a_full_set_says_one_step_harder(self) -> None:
        (result,) = self.advice_after("11111111" * 2)
        self.assertEqual(result["kind"], "up")

    @slow
    def test_a_sure_win_stays_one(self) -> None:
        opener = next(i for i, b in enumerate(shown_blocks(self.run_)) if b["part"] == "opener")
        keep_events(self.lead, self.run_, tries(self.run_, opener, "1" * 16))
        _, advice = self.api("get", f"/runs/{self.run_.pk}/today")
        self.assertNotIn(shown_blocks(self.run_)[opener]["id"], {a["block"] for a in advice})

    @slow
    def test_nothing_is_said_before_a_try_nor_after_the_end(self) -> None:
        self.assertEqual(self.api("get", f"/runs/{self.run_.pk}/today"), (200, []))
        self.advice_after("00000000")
        finish_run(self.lead, self.run_)
        self.assertEqual(self.api("get", f"/runs/{self.run_.pk}/today"), (200, []))


def _here(block: dict) -> int:
    return next(i for i, g in enumerate(block["grades"]) if g["here"])


class BesideCountingTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead, speed_policy="own_record")
        self.api = Api(self.lead)

    def event(self, run: Run, kind: str, **value: object) -> dict[str, object]:
        at = datetime(2026, 3, 2, 9, 1, tzinfo=UTC)
        return {"id": str(uuid4()), "block": shown_blocks(run)[0]["id"], "kind": kind, "at": at, "value": value}

    @slow
    def test_one_tap_that_can_not_be_counted_keeps_no_other_from_being_kept(self) -> None:
        run = run_for_child(self.lead, self.child)
        bad = [
            {**self.event(run, "drop"), "at": "0001-01-01T00:00:00+14:00"},
            {**self.event(run, "drop"), "at": "9999-12-31T23:59:59-14:00"},
            {**self.event(run, "drop"), "block": "b" * 9},
            self.event(run, "mark", mark=["mouths"]),
            self.event(run, "try", outcome="success", support=[], grade=[]),
            self.event(run, "note", text="nothing \0 here"),
            {**self.event(run, "drop"), "value": "a word"},
        ]
        good = tries(run, 0, "1101")
        status, out = self.api("post", f"/runs/{run.pk}/events", [*bad, *good])
        self.assertEqual((status, len(out["kept"]), len(out["refused"])), (200, 4, len(bad)))
        self.assertEqual({r["id"] for r in out["refused"]}, {e["id"] for e in bad})
        for method, path in (("get", ""), ("get", "/today"), ("post", "/finish"), ("get", "/note")):
            self.assertEqual(self.api(method, f"/runs/{run.pk}{path}")[0], 200, path)

    @slow
    def test_a_tap_another_run_has_is_not_said_to_be_kept(self) -> None:
        first, second = run_for_child(self.lead, self.child), run_for_child(self.lead, self.child)
        tap = self.event(first, "drop")
        self.api("post", f"/runs/{first.pk}/events", [tap])
        _, out = self.api("post", f"/runs/{second.pk}/events", [tap])
        self.assertEqual((out["kept"], [r["id"] for r in out["refused"]]), ([], [tap["id"]]))

    @slow
    def test_stored_runs_are_read_again_as_the_rules_read_them_now(self) -> None:
        run = run_for_child(self.lead, self.child)
        keep_events(self.lead, run, tries(run, 0, "111111", "spoken"))
        self.api("post", f"/runs/{run.pk}/finish")
        strand = shown_blocks(run)[0]["strand"]
        now = StrandEstimate.objects.get(child=self.child, strand=strand).mean
        StrandEstimate.objects.filter(child=self.child, strand=strand).update(mean=9.0)  # as another reading left it
        run.sets.update(help_first=True)
        call_command("read_runs_again", verbosity=0, stdout=StringIO())
        self.assertAlmostEqual(StrandEstimate.objects.get(child=self.child, strand=strand).mean, now)
        self.assertFalse(run.sets.filter(help_first=True).exists())

    @slow
    def test_holds_and_readings_come_out_in_the_results_with_their_units(self) -> None:
        run = run_for_child(self.lead, self.child)
        extra = [
            self.event(run, "hold", seconds=4.0),
            self.event(run, "hold", seconds=5.5),
            self.event(run, "measure", measure="tokens", value=4),
        ]
        keep_events(self.lead, run, [*tries(run, 0, "1101"), *extra])
        _, out = self.api("post", f"/runs/{run.pk}/finish")
        done = out["sets"][0]
        self.assertEqual((done["hold_seconds"], done["best_hold_seconds"]), (9.5, 5.5))
        self.assertEqual(done["measured"], ["Kept in the palm: 4 tokens"])

    def test_every_measure_a_family_reads_off_is_asked_with_its_unit_and_range(self) -> None:
        run = run_for_child(self.lead, self.child)
        for block in shown_blocks(run):
            asked = {m["id"] for m in block["measures"]}
            own = {m for m in ACTIVITIES[block["activity_id"]].measures if m in MEASURED}
            own |= {"steps_alone"} if block["chain"] else set()
            own |= {"pain", "effort"} if block["strand"] == "endurance" else set()
            self.assertEqual(asked, own)

    @slow
    def test_the_own_record_is_shown_only_where_speed_is_played_with(self) -> None:
        run = run_for_child(self.lead, self.child)
        keep_events(self.lead, run, tries(run, 0, "11111111"))  # a try each 5 s: 8 tries in 35 s
        finish_run(self.lead, run)
        again = start_run(self.lead, run.plan, uuid4(), TODAY)
        self.assertAlmostEqual(shown_blocks(again)[0]["record"], 8 * 60 / 35)
        finish_run(self.lead, again)
        Child.objects.filter(pk=self.child.pk).update(speed_policy="off")
        calm = start_run(self.lead, Plan.objects.get(pk=run.plan_id), uuid4(), TODAY)
        self.assertIsNone(calm.blocks[0]["record"])


class QueriesTest(TestCase):
    @slow
    def test_beginning_a_run_takes_the_same_queries_for_two_blocks_or_six(self) -> None:
        lead = make_member()
        child = make_child(lead)
        counts = []
        for minutes in (12, 45):
            plan = make_plan(lead, child, child.home, Wish(minutes, ("grasp", "bilateral"), "home"), TODAY)
            plan = (
                Plan.objects.select_related("child__home", "home")
                .prefetch_related("blocks", "child__estimates")
                .get(pk=plan.pk)
            )
            with CaptureQueriesContext(connection) as caught:
                start_run(lead, plan, uuid4(), TODAY)
            counts.append((plan.blocks.count(), len(caught)))
        self.assertLess(counts[0][0], counts[1][0])
        self.assertEqual(counts[0][1], counts[1][1])


class TurnOfTheHandTest(TestCase):
    @slow
    def test_a_sure_win_does_not_bring_the_other_hands_turn(self) -> None:
        """The next run uses the sets the next step is decided by: main work, stretch and daily life."""
        lead = make_member()
        child = make_child(lead)
        run = run_for_child(lead, child)
        shared: dict[str, object] = {
            "strand": "pinch",
            "activity_id": "peg_fence",
            "grade": [0, 0, 0],
            "difficulty": 2.0,
            "support": "alone",
        }
        for part, turn in (("opener", "right"), ("main", "left")):
            SetRecord.objects.all().delete()
            SetRecord.objects.bulk_create(
                SetRecord(
                    run=run,
                    child=child,
                    on=TODAY - timedelta(days=d),
                    block="b0",
                    part=part,
                    hand="right",
                    tries=10,
                    successes=10,
                    **shared,
                )
                for d in (7, 0)
            )
            sets = sets_by_strand(child, working=True).get("pinch", [])
            self.assertEqual(next_hand(sets, "pinch", "right", TODAY), turn)
