"""Plans through the API: made, turned, arranged by hand, refused."""

from uuid import uuid4

from django.test import TestCase

from cupboard.models import StockItem
from planning.models import Plan
from testing.builders import TODAY, Api, make_child, make_home, make_member
from testing.tags import slow


class PlanTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def wish(self, **changes: object) -> dict:
        return {
            "minutes": 30,
            "targets": ["grasp", "bilateral"],
            "place": "home",
            "supervision": "arms_reach",
            "home_id": self.child.home_id,
            **changes,
        }

    def plan(self, **changes: object) -> dict:
        status, out = self.api("post", f"/children/{self.child.pk}/plans", self.wish(**changes))
        self.assertEqual(status, 200, out)
        return out

    def arrange(self, plan: dict, blocks: list[dict]) -> tuple[int, dict]:
        row = [{k: b[k] for k in ("part", "activity_id", "grade", "sets", "locked")} for b in blocks]
        return self.api("put", f"/plans/{plan['id']}/blocks", {"version": plan["version"], "blocks": row})

    @slow
    def test_a_plan_uses_only_what_the_house_has(self) -> None:
        plan = self.plan()
        have = dict(StockItem.objects.filter(home=self.child.home).values_list("thing_id", "count"))
        self.assertEqual(plan["status"], "optimal")
        for block in plan["blocks"]:
            for q in block["quantities"]:
                self.assertLessEqual(q["wanted"], have[q["thing_id"]])
        self.assertLessEqual(plan["minutes"], 30)
        self.assertTrue(plan["left_out"])

    def test_what_was_worked_on_last_time_is_what_to_go_on_with(self) -> None:
        plan = self.plan(targets=["scissors", "strength"])
        Plan.objects.filter(pk=plan["id"]).update(used_on=TODAY)
        status, out = self.api("get", f"/children/{self.child.pk}/aims")
        self.assertEqual(status, 200)
        aims = out["suggested"]
        self.assertEqual([t["task"] for t in out["tasks"]], self.child.wanted)
        held = [a["target"] for a in aims if "short" in a["words"]]
        self.assertEqual(
            [a["target"] for a in aims], [*held, *(t for t in ("scissors", "strength") if t not in held)][:2]
        )
        self.assertEqual(Api(make_member())("get", f"/children/{self.child.pk}/aims")[0], 404)

    def test_no_safe_plan_says_because_and_the_shortest_fix(self) -> None:
        empty = make_home(self.lead, {})
        plan = self.plan(home_id=empty.pk)
        self.assertEqual((plan["status"], plan.get("id")), ("infeasible", None))
        self.assertTrue(plan["reason"] and plan["fix"])
        self.assertEqual(Plan.objects.count(), 0)

    def test_a_wish_that_makes_no_sense_is_refused_at_its_field(self) -> None:
        for field, wish in (
            ("minutes", self.wish(minutes=0)),
            ("targets", self.wish(targets=[])),
            ("targets", self.wish(targets=["x"])),
        ):
            status, problem = self.api("post", f"/children/{self.child.pk}/plans", wish)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))

    @slow
    def test_a_dial_turn_answers_and_keeps_nothing(self) -> None:
        plan = self.plan()
        block = next(b for b in plan["blocks"] if b["part"] == "main")
        body = {k: block[k] for k in ("part", "activity_id", "grade", "sets", "locked")}
        _, here = self.api("post", f"/plans/{plan['id']}/forecast", body)
        near = here["harder"] or here["easier"]
        _, there = self.api("post", f"/plans/{plan['id']}/forecast", {**body, "grade": near["grade"]})
        self.assertEqual(there["block"]["expected"] < here["block"]["expected"], here["harder"] is not None)
        self.assertEqual(self.api("get", f"/plans/{plan['id']}")[1]["blocks"], plan["blocks"])

    def test_a_grade_the_house_lacks_says_what_to_add(self) -> None:
        plan = self.plan()
        body = {"part": "main", "activity_id": "wash_day", "grade": [0, 0], "sets": 2}
        status, out = self.api("post", f"/plans/{plan['id']}/forecast", body)
        self.assertEqual((status, out["block"]), (200, None))
        self.assertTrue(out["why_not"] and out["remedy"])

    def test_moving_removing_and_locking_are_kept(self) -> None:
        plan = self.plan()
        blocks = plan["blocks"]
        blocks[1]["locked"] = True
        status, out = self.arrange(plan, [blocks[1], blocks[0], *blocks[3:]])
        self.assertEqual(status, 200)
        self.assertEqual(
            [b["activity_id"] for b in out["blocks"]],
            [blocks[1]["activity_id"], blocks[0]["activity_id"], *(b["activity_id"] for b in blocks[3:])],
        )
        self.assertTrue(out["blocks"][0]["locked"])
        self.assertEqual(out["status"], "given")

    @slow
    def test_planning_again_keeps_what_is_locked_and_leaves_out_what_was_taken_out(self) -> None:
        plan = self.plan()
        main = next(b for b in plan["blocks"] if b["part"] == "main")
        main["locked"] = True
        _, kept = self.arrange(plan, plan["blocks"])
        gone = next(b["activity_id"] for b in kept["blocks"] if b["part"] == "main" and not b["locked"])
        _, again = self.api("post", f"/plans/{plan['id']}/again", {"version": kept["version"], "excluded": [gone]})
        activities = [b["activity_id"] for b in again["blocks"]]
        self.assertIn(main["activity_id"], activities)
        self.assertNotIn(gone, activities)
        self.assertEqual([item["kind"] for item in again["left_out"] if item["activity_id"] == gone], ["excluded"])

    @slow
    def test_an_arrangement_that_can_not_stand_is_refused_and_changes_nothing(self) -> None:
        plan = self.plan()
        for bad, field in (
            ({"part": "dessert"}, "blocks.0.part"),
            ({"sets": 0}, "blocks.0.sets"),
        ):
            status, problem = self.arrange(plan, [{**plan["blocks"][0], **bad}])
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        self.assertEqual(self.arrange(plan, [{**plan["blocks"][0], "grade": [99]}])[0], 422)
        self.assertEqual(self.arrange(plan, [plan["blocks"][0]] * 2)[0], 422)
        self.assertEqual(self.api("get", f"/plans/{plan['id']}")[1]["version"], plan["version"])

    @slow
    def test_two_hands_on_one_plan_the_later_is_told(self) -> None:
        plan = self.plan()
        self.assertEqual(self.arrange(plan, plan["blocks"][1:])[0], 200)
        status, problem = self.arrange(plan, plan["blocks"][:1])
        self.assertEqual(status, 409)
        self.assertTrue(problem["theirs"]["blocks"])

    @slow
    def test_a_changed_cupboard_marks_the_plan_and_stops_a_block_that_can_not_stand(self) -> None:
        plan = self.plan()
        used = plan["blocks"][0]["quantities"][0]["thing_id"]
        StockItem.objects.filter(home=self.child.home, thing_id=used).delete()
        _, now = self.api("get", f"/plans/{plan['id']}")
        self.assertIn("cupboard", now["changed"][0])

    @slow
    def test_a_block_barred_since_planning_can_not_be_run(self) -> None:
        plan = self.plan()
        self.child.mouthing, self.child.allergies = "often", ["wheat", "latex", "milk"]
        self.child.save()
        StockItem.objects.filter(home=self.child.home).exclude(thing_id__in=["clear_wall"]).delete()
        status, problem = self.api("post", f"/plans/{plan['id']}/runs", {"id": uuid4()})
        self.assertEqual(status, 422)
        self.assertIn("can't be run today", problem["detail"])


class BringInTest(TestCase):
    @slow
    def test_an_activity_that_was_not_chosen_is_brought_in_and_stays(self) -> None:
        lead = make_member("lead")
        child = make_child(lead)
        api = Api(lead)
        wish = {"minutes": 30, "targets": ["grasp"], "home_id": child.home_id}
        plan = api("post", f"/children/{child.pk}/plans", wish)[1]
        other = next(o["activity_id"] for o in plan["left_out"] if o["kind"] == "not_chosen")
        body = {"version": plan["version"], "bring_in": other}
        status, plan = api("post", f"/plans/{plan['id']}/again", body)
        self.assertEqual(status, 200, plan)
        block = next(b for b in plan["blocks"] if b["activity_id"] == other)
        self.assertTrue(block["locked"])
        again = api("post", f"/plans/{plan['id']}/again", {"version": plan["version"]})[1]
        self.assertIn(other, {b["activity_id"] for b in again["blocks"]})

    @slow
    def test_what_can_not_be_in_is_said_at_the_field_and_the_plan_stays(self) -> None:
        lead = make_member("lead")
        child = make_child(lead)
        api = Api(lead)
        plan = api(
            "post", f"/children/{child.pk}/plans", {"minutes": 30, "targets": ["grasp"], "home_id": child.home_id}
        )[1]
        missing = next(o["activity_id"] for o in plan["left_out"] if o["kind"] == "missing")
        status, problem = api("post", f"/plans/{plan['id']}/again", {"version": plan["version"], "bring_in": missing})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "bring_in"))
        self.assertTrue(problem["fields"][0]["remedy"])
        self.assertEqual(api("get", f"/plans/{plan['id']}")[1]["version"], plan["version"])
