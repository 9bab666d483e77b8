"""Home weeks, children together, the visit bag and caseloads in the background, through the API."""

from datetime import timedelta
from threading import Thread
from unittest.mock import patch
from uuid import uuid4

from django.core.management import call_command
from django.db import connection, connections
from django.test import TestCase, TransactionTestCase
from procrastinate.contrib.django import app

from clinic.models import AuditEntry
from planning.batch_actions import plan_line
from planning.models import BatchLine, GroupSession, HomeWeek, Plan
from testing.builders import STOCK, TODAY, Api, make_child, make_home, make_member, plan_for_child, run_for_child
from testing.tags import slow

MONDAY = TODAY + timedelta(days=(7 - TODAY.weekday()) % 7)
ASK = {"minutes_by_day": [15, 0, 20, 15, 0, 25, 25], "a_day": 1, "targets": ["grasp", "bilateral"], "starts_on": MONDAY}


class WeekTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        self.path = f"/children/{self.child.pk}/weeks"

    def test_a_week_keeps_to_the_familys_days(self) -> None:
        status, week = self.api("post", self.path, ASK)
        self.assertEqual(status, 200, week)
        self.assertEqual([bool(d["blocks"]) for d in week["days"]][1::3], [False, False])
        for day in week["days"]:
            self.assertLessEqual(day["minutes"], day["available"])
        self.assertEqual(self.api("get", f"/weeks/{week['id']}")[1]["days"], week["days"])
        self.assertEqual(self.api("get", self.path)[1][0]["id"], week["id"])
        self.assertTrue(AuditEntry.objects.filter(action="plan.make", subject=f"homeweek:{week['id']}").exists())

    @slow
    def test_a_week_is_changed_around_what_stays(self) -> None:
        _, week = self.api("post", self.path, ASK)
        blocks = [(at, b) for at, d in enumerate(week["days"]) for b in d["blocks"]]
        gone = blocks[0][1]["activity_id"]
        kept = [
            {"day": at, "locked": True, **{k: b[k] for k in ("part", "activity_id", "grade", "sets")}}
            for at, b in blocks
            if b["activity_id"] != gone
        ]
        status, new = self.api("put", f"/weeks/{week['id']}", {"version": 1, "kept": kept, "excluded": [gone]})
        self.assertEqual(status, 200, new)
        self.assertEqual(new["id"], week["id"])
        stands = {(at, b["activity_id"], b["locked"]) for at, d in enumerate(new["days"]) for b in d["blocks"]}
        self.assertLessEqual({(k["day"], k["activity_id"], True) for k in kept}, stands)
        self.assertNotIn(gone, {activity for _, activity, _ in stands})
        self.assertEqual(self.api("get", f"/weeks/{week['id']}")[1]["days"], new["days"])
        entry = AuditEntry.objects.filter(action="plan.make", subject=f"homeweek:{week['id']}").latest("pk")
        self.assertIn("before", entry.detail)
        on_no_day = [{**kept[0], "day": 1}]
        status, problem = self.api("put", f"/weeks/{week['id']}", {"version": 2, "kept": on_no_day})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "minutes_by_day"))
        self.assertEqual(self.api("get", f"/weeks/{week['id']}")[1]["days"], new["days"])
        self.assertEqual(Api(make_member())("put", f"/weeks/{week['id']}", {"version": 2, "kept": []})[0], 404)
        status, problem = self.api("put", f"/weeks/{week['id']}", {"version": 1, "kept": []})
        self.assertEqual((status, problem["theirs"]["version"]), (409, 2))

    @slow
    def test_clinic_home_and_school_are_one_week(self) -> None:
        school = make_home(self.lead, STOCK)
        school.kind, school.name = "school", "Towpath school"
        school.save()
        plan_for_child(self.lead, self.child)
        more = {"clinic_day": 1, "school_id": school.pk, "school_minutes": [10, 0, 10, 0, 10, 0, 0]}
        status, week = self.api("post", self.path, {**ASK, **more})
        self.assertEqual(status, 200, week)
        self.assertEqual([d["clinic"] for d in week["days"]].index(True), 1)
        self.assertEqual({load["place"] for load in week["load"]}, {"at home", "at school", "in the clinic"})
        self.assertTrue(all(load["tries"] for load in week["load"]))
        for day, minutes in zip(week["days"], more["school_minutes"], strict=True):
            self.assertLessEqual(sum(b["minutes"] + b["setup_minutes"] for b in day["school"]), minutes)
        for field, change in (
            ("clinic_day", {"clinic_day": 7}),
            ("school_id", {"school_id": self.child.home_id}),
            ("school_minutes", {**more, "school_minutes": [10] * 6}),
        ):
            status, problem = self.api("post", self.path, {**ASK, **change})
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        other = make_home(make_member(), STOCK)
        self.assertEqual(self.api("post", self.path, {**ASK, "school_id": other.pk})[0], 404)

    def test_no_time_is_answered_with_the_shortest_fix(self) -> None:
        status, problem = self.api("post", self.path, {**ASK, "minutes_by_day": [0] * 7})
        self.assertEqual(status, 422)
        self.assertIn("Find one day with 5 minutes", problem["fields"][0]["remedy"])
        self.assertFalse(HomeWeek.objects.exists())

    def test_nonsense_is_refused_at_its_field(self) -> None:
        for field, change in (
            ("minutes_by_day", {"minutes_by_day": [10] * 6}),
            ("a_day", {"a_day": 3}),
            ("starts_on", {"starts_on": MONDAY + timedelta(days=1)}),
        ):
            status, problem = self.api("post", self.path, {**ASK, **change})
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))

    def test_an_activity_that_can_no_longer_be_done_is_named(self) -> None:
        _, week = self.api("post", self.path, ASK)
        self.child.home.stock.all().delete()
        _, now = self.api("get", f"/weeks/{week['id']}")
        self.assertTrue(any(d["gone"] for d in now["days"]))

    @slow
    def test_nobody_sees_across_the_wall_and_an_assistant_plans_nothing(self) -> None:
        _, week = self.api("post", self.path, ASK)
        self.assertEqual(Api(make_member())("get", f"/weeks/{week['id']}")[0], 404)
        self.assertEqual(Api(make_member("assistant", self.lead.clinic))("post", self.path, ASK)[0], 403)


class TogetherTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {m: n * 3 for m, n in STOCK.items()})
        self.older = make_child(self.lead, self.home, first_name="Ada", birth_date=TODAY - timedelta(days=7 * 366))
        self.younger = make_child(
            self.lead, self.home, first_name="Bo", birth_date=TODAY - timedelta(days=4 * 366), mouthing="sometimes"
        )
        self.api = Api(self.lead)

    def ask(self, **changes: object) -> dict:
        return {
            "children": [self.older.pk, self.younger.pk],
            "home_id": self.home.pk,
            "minutes": 30,
            "targets": ["grasp", "bilateral"],
            **changes,
        }

    @slow
    def test_each_child_has_an_own_grade_of_one_activity(self) -> None:
        status, out = self.api("post", "/groups", self.ask())
        self.assertEqual(status, 200, out)
        self.assertEqual([c["child"] for c in out["blocks"][0]["children"]], ["Ada", "Bo"])
        self.assertTrue(any("Bo is within reach" in away for away in out["kept_away"]))
        self.assertEqual(self.api("get", f"/groups/{out['id']}")[1], out)

    def test_one_child_is_no_group(self) -> None:
        self.assertEqual(self.api("post", "/groups", self.ask(children=[self.older.pk]))[0], 422)
        self.assertFalse(GroupSession.objects.exists())

    @slow
    def test_two_of_one_name_keep_their_own_grades(self) -> None:
        twin = make_child(self.lead, self.home, first_name="Ada", birth_date=TODAY - timedelta(days=4 * 366))
        status, out = self.api("post", "/groups", self.ask(children=[self.older.pk, twin.pk]))
        self.assertEqual((status, out["children"]), (200, ["Ada", "Ada"]))
        block = out["blocks"][0]
        self.assertEqual([c["child_id"] for c in block["children"]], [self.older.pk, twin.pk])
        self.older.first_name = "Adeline"  # renamed between planning and running
        self.older.save()
        ids = {pk: str(uuid4()) for pk in (self.older.pk, twin.pk)}
        status, runs = self.api("post", f"/groups/{out['id']}/runs", {"ids": ids})
        self.assertEqual(status, 200, runs)
        self.assertEqual([r["blocks"][0]["grade"] for r in runs], [c["grade"] for c in block["children"]])

    def test_a_child_of_another_clinic_is_not_found(self) -> None:
        stranger = make_child(make_member())
        self.assertEqual(self.api("post", "/groups", self.ask(children=[self.older.pk, stranger.pk]))[0], 404)

    @slow
    def test_the_bag_leaves_out_what_the_home_has(self) -> None:
        plan_for_child(self.lead, self.older)
        store = make_home(self.lead, {m: n * 2 for m, n in STOCK.items()})
        status, bag = self.api("post", "/bags", {"children": [self.older.pk, self.younger.pk], "store_id": store.pk})
        self.assertEqual((status, bag["unplanned"]), (200, ["Bo"]))
        self.assertEqual(bag["lines"], [])
        self.home.stock.filter(thing_id__in=["wide_bowl", "small_cup", "pencil", "counter", "building_block"]).delete()
        self.home.stock.exclude(thing_id="copy_paper").delete()
        _, bag = self.api("post", "/bags", {"children": [self.older.pk], "store_id": store.pk})
        self.assertTrue(bag["lines"])


class PlanQuestionsTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.plan = plan_for_child(self.lead, self.child)
        self.api = Api(self.lead)

    @slow
    def test_a_favourite_keeps_its_name_and_starts_another_plan(self) -> None:
        now = self.plan.version
        status, named = self.api("put", f"/plans/{self.plan.pk}/name", {"name": "Rainy day", "version": now})
        self.assertEqual((status, named["name"], named["version"]), (200, "Rainy day", now + 1))
        self.assertEqual(self.api("put", f"/plans/{self.plan.pk}/name", {"name": "x", "version": now})[0], 409)
        self.assertEqual(self.api("put", f"/plans/{self.plan.pk}/name", {"name": "x" * 61, "version": now + 1})[0], 422)
        _, copy = self.api("post", f"/plans/{self.plan.pk}/copy")
        self.assertEqual([b["activity_id"] for b in copy["blocks"]], [b.activity_id for b in self.plan.blocks.all()])
        self.assertNotEqual(copy["id"], str(self.plan.pk))

    @slow
    def test_a_copy_leaves_out_what_can_no_longer_stand_and_says_so(self) -> None:
        self.child.home.stock.all().delete()
        _, copy = self.api("post", f"/plans/{self.plan.pk}/copy")
        self.assertTrue(all(n.startswith("Left out") for n in copy["notes"]))
        self.assertLess(len(copy["blocks"]), self.plan.blocks.count())

    @slow
    def test_a_plan_is_compared_with_the_last_session(self) -> None:
        _, nothing = self.api("get", f"/plans/{self.plan.pk}/against-last")
        self.assertEqual((nothing["on"], nothing["lines"]), (None, []))
        run = run_for_child(self.lead, self.child)
        Plan.objects.filter(pk=run.plan_id).update(used_on=TODAY)
        _, out = self.api("get", f"/plans/{self.plan.pk}/against-last")
        self.assertEqual({line["kind"] for line in out["lines"]}, {"same"})

    @slow
    def test_what_bringing_one_in_costs(self) -> None:
        _, plan = self.api("get", f"/plans/{self.plan.pk}")
        fits = next(o for o in plan["left_out"] if o["kind"] == "not_chosen")
        status, out = self.api("get", f"/plans/{self.plan.pk}/bring-in?activity_id={fits['activity_id']}")
        self.assertEqual(status, 200)
        self.assertGreaterEqual(out["cost"], 0)
        missing = next(o for o in plan["left_out"] if o["kind"] == "missing")
        _, out = self.api("get", f"/plans/{self.plan.pk}/bring-in?activity_id={missing['activity_id']}")
        self.assertIsNone(out["cost"])
        self.assertTrue(out["words"] and out["change"])
        self.assertEqual(self.api("get", f"/plans/{self.plan.pk}/bring-in?activity_id=moon")[0], 422)

    @slow
    def test_a_shape_is_kept_with_the_plan(self) -> None:
        wish = {
            "minutes": 20,
            "targets": ["grasp"],
            "place": "home",
            "supervision": "box",
            "home_id": self.child.home_id,
            "format_id": "alone",
        }
        status, plan = self.api("post", f"/children/{self.child.pk}/plans", wish)
        self.assertEqual((status, plan["format_id"], plan["part_names"]["main"]), (200, "alone", "Alone"))
        self.assertEqual(
            self.api("post", f"/children/{self.child.pk}/plans", {**wish, "supervision": "arms_reach"})[0], 422
        )
        self.assertEqual(self.api("post", f"/children/{self.child.pk}/plans", {**wish, "format_id": "spiral"})[0], 422)


class BatchTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.children = [make_child(self.lead), make_child(self.lead, make_home(self.lead, {}))]
        self.api = Api(self.lead)

    def ask(self) -> dict:
        with patch("planning.batch_actions._hand_out"):
            status, batch = self.api("post", "/batches", {"children": [c.pk for c in self.children]})
        self.assertEqual((status, batch["done"], batch["total"]), (200, 0, 2))
        return batch

    @slow
    def test_each_child_is_planned_or_refused_with_the_reason(self) -> None:
        for line in self.ask()["lines"]:
            plan_line(line["id"])
        _, batch = self.api("get", "/batches/latest")
        planned, refused = batch["lines"]
        self.assertEqual((batch["done"], planned["status"], refused["status"]), (2, "planned", "refused"))
        self.assertTrue(planned["blocks"] and "Add" in refused["words"])
        _, seen = self.api("post", f"/batch-lines/{planned['id']}/seen")
        self.assertTrue(seen["seen"])

    def test_a_line_worked_off_twice_makes_one_plan(self) -> None:
        line = self.ask()["lines"][0]["id"]
        plan_line(line)
        plan_line(line)
        self.assertEqual(Plan.objects.count(), 1)

    def test_another_clinic_sees_nothing_of_it(self) -> None:
        line = self.ask()["lines"][0]["id"]
        stranger = Api(make_member())
        self.assertIsNone(stranger("get", "/batches/latest")[1])
        self.assertEqual(stranger("post", f"/batch-lines/{line}/seen")[0], 404)
        self.assertEqual(stranger("post", "/batches", {"children": [self.children[0].pk]})[0], 404)
        self.assertEqual(self.api("get", f"/weeks/{uuid4()}")[0], 404)


class WorkerTest(TransactionTestCase):
    def work(self) -> None:
        """Let a worker do all there is to do, in a thread of its own: it brings its own event loop."""

        def one_shot() -> None:
            call_command("procrastinate", "worker", "--one-shot", "--concurrency", "1", verbosity=0)
            connections.close_all()

        worker = Thread(target=one_shot)
        worker.start()
        worker.join()

    def test_a_worker_plans_what_was_asked(self) -> None:
        lead = make_member()
        child = make_child(lead)
        Api(lead)("post", "/batches", {"children": [child.pk]})
        self.work()
        line = BatchLine.objects.get()
        self.assertEqual(line.status, "planned")
        self.assertEqual(line.plan.child_id, child.pk)

    @slow
    def test_what_a_killed_worker_had_taken_is_planned_by_another(self) -> None:
        lead = make_member()
        Api(lead)("post", "/batches", {"children": [make_child(lead).pk]})
        with connection.cursor() as cursor:  # as a killed worker leaves it: taken, and nobody at work on it
            cursor.execute("update procrastinate_jobs set status = 'doing' where task_name = 'plan_child'")
        app.configure_task("retry_stalled_jobs").defer(timestamp=0)
        self.work()
        self.work()
        self.assertEqual(BatchLine.objects.get().status, "planned")
