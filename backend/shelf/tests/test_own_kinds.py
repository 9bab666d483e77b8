"""Own things, wanted tasks and session formats: written, checked, used like any other."""

from cupboard.models import StockItem
from testing.builders import Api, make_child, make_home, make_member, profile
from testing.own import REEL, OwnTest
from testing.tags import slow

KETTLE = {
    "name": "Water the plants",
    "steps": [
        {"words": "fill the can at the tap", "demands": {"hold_and_act": 3, "squeeze": 2}},
        {"words": "carry it without a spill", "demands": {"hold": 2}},
        {"words": "tip it over the pot", "demands": {"hold": 3}},
    ],
    "at_home": "after breakfast on Sunday",
}


class OwnThingTest(OwnTest):
    @slow
    def test_it_is_stocked_judged_and_used(self) -> None:
        home = make_home(self.lead, {"chenille_stem": 5})
        child = make_child(self.lead, home)
        before = {i for i, r in self.library(child).items() if r["offered"]}
        entry = self.shared(REEL, "thing")
        status, item = self.api(
            "post", f"/homes/{home.pk}/cupboard?child_id={child.pk}", {"thing_id": entry["ref"], "count": 8}
        )
        self.assertEqual(status, 201, item)
        self.assertEqual((item["thing"]["name"], item["verdict"]["status"]), ("Wooden reels", "allowed"))
        after = {i for i, r in self.library(child).items() if r["offered"]}
        self.assertGreater(after, before)

    def test_a_cupboard_has_the_newest_version(self) -> None:
        home = make_home(self.lead, {})
        entry = self.shared(REEL, "thing")
        self.api("post", f"/homes/{home.pk}/cupboard", {"thing_id": entry["ref"], "count": 8})
        self.written(entry, {**REEL, "name": "Cotton reels", "hole_mm": 9})
        (item,) = self.api("get", f"/homes/{home.pk}/cupboard")[1]["items"]
        self.assertEqual((item["thing"]["name"], item["thing"]["hole_mm"]), ("Cotton reels", 9))
        self.assertEqual(item["thing"]["id"], entry["ref"])

    def test_a_part_that_comes_off_is_judged(self) -> None:
        small = {"words": "a button", "shape": {"disc": {"diameter_mm": 15, "height_mm": 4}}}
        seen = self.api("post", "/own-look", {"kind": "thing", "values": {**REEL, "loose_part": small}})[1]["thing"]
        self.assertEqual((seen["passes_ring"], seen["part_passes_ring"]), (False, True))
        toddler = next(j for j in seen["judged"] if "2" in j["who"])
        self.assertEqual(toddler["status"], "barred")

    def test_another_clinics_thing_can_not_be_stocked(self) -> None:
        entry = self.shared(REEL, "thing")
        stranger = make_member("lead")
        home = make_home(stranger, {})
        status, _ = Api(stranger)("post", f"/homes/{home.pk}/cupboard", {"thing_id": entry["ref"], "count": 1})
        self.assertEqual((status, StockItem.objects.filter(home=home).count()), (422, 0))

    def test_a_list_knows_it_by_name(self) -> None:
        home = make_home(self.lead, {})
        entry = self.shared(REEL, "thing")
        counts = self.api("post", f"/homes/{home.pk}/list", {"text": "Wooden reels, 6"})[1]["counts"]
        self.assertEqual(counts, {entry["ref"]: 6})


class OwnTaskTest(OwnTest):
    @slow
    def test_a_family_wants_it_and_a_plan_works_towards_it(self) -> None:
        ref = self.shared(KETTLE, "task")["ref"]
        child = make_child(self.lead, wanted=[ref])
        words = self.api("get", "/words")[1]
        self.assertEqual([t["name"] for t in words["wanted_tasks"] if t["id"] == ref], ["Water the plants"])
        aims = self.api("get", f"/children/{child.pk}/aims")[1]
        self.assertEqual([t["name"] for t in aims["tasks"]], ["Water the plants"])
        body = {"task": ref, "steps_alone": 2, "place": "home"}
        self.assertEqual(self.api("post", f"/children/{child.pk}/tasks", body)[0], 200)
        wish = {"minutes": 30, "targets": ["strength"], "home_id": child.home_id, "task": ref}
        status, plan = self.api("post", f"/children/{child.pk}/plans", wish)
        self.assertEqual((status, plan["status"] in ("optimal", "feasible")), (200, True), plan.get("reason"))

    def test_with_other_words_the_family_wants_the_newest_and_what_was_seen_stays(self) -> None:
        entry = self.shared(KETTLE, "task")
        child = make_child(self.lead, wanted=[entry["ref"]])
        self.api("post", f"/children/{child.pk}/tasks", {"task": entry["ref"], "steps_alone": 2, "place": "home"})
        now = self.written(entry, {**KETTLE, "name": "Water the herbs"})
        child.refresh_from_db()
        self.assertEqual(child.wanted, [now["ref"]])
        self.assertEqual([t.task for t in child.tasks.all()], [now["ref"]])

    def test_another_clinics_task_can_not_be_wanted(self) -> None:
        ref = self.shared(KETTLE, "task")["ref"]
        stranger = make_member("lead")
        child = make_child(stranger)
        status, problem = Api(stranger)("put", f"/children/{child.pk}", {**profile(wanted=[ref]), "version": 1})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "wanted"))

    def test_what_is_wrong_is_said_at_its_step(self) -> None:
        nothing = {**KETTLE, "steps": [{"words": "tip it"}, {"words": ""}]}
        self.assertEqual([i["at"] for i in self.begun(nothing, "task")["issues"]], ["steps.1.words"])
        too_high = {**KETTLE, "steps": [{"words": "tip it", "demands": {"hold": 9}}, {"words": "stop"}]}
        self.assertEqual([i["at"] for i in self.begun(too_high, "task")["issues"]], ["steps.0.demands"])


class OwnFormatTest(OwnTest):
    @slow
    def test_a_session_is_planned_in_it(self) -> None:
        blank_format = self.api("post", "/own", {"kind": "format", "blank": "format"})[1]
        self.assertEqual([i["at"] for i in blank_format["issues"]], ["name"])
        parts = {
            "warm-up": {"name": "Wake up", "wanted_from": 0, "fewest": 3, "most": 6},
            "main": {"name": "Bench", "fewest": 5, "most": 10, "low": 0.75, "high": 0.9},
        }
        values = {"name": "Wake and work", "parts": parts, "fewest_main": 1, "most_main": 2}
        ref = self.written(blank_format, values)["ref"]
        self.assertIn(ref, [f["id"] for f in self.api("get", "/words")[1]["formats"]])
        child = make_child(self.lead)
        wish = {"minutes": 25, "targets": ["grasp", "bilateral"], "home_id": child.home_id, "format_id": ref}
        plan = self.api("post", f"/children/{child.pk}/plans", wish)[1]
        self.assertEqual({b["part"] for b in plan["blocks"]}, {"warm-up", "main"})
        self.assertLessEqual(sum(b["part"] == "main" for b in plan["blocks"]), 2)
        stranger = make_member("lead")
        theirs = make_child(stranger)
        wish = {**wish, "home_id": theirs.home_id}
        self.assertEqual(Api(stranger)("post", f"/children/{theirs.pk}/plans", wish)[0], 404)

    def test_what_is_wrong_is_said_at_its_part(self) -> None:
        parts = {"warm-up": {"fewest": 6, "most": 3}, "opener": {"fewest": 2, "most": 3, "low": 0.9, "high": 0.8}}
        entry = self.begun({"name": "Odd", "parts": parts, "fewest_main": 3, "most_main": 1}, "format")
        self.assertEqual(
            {i["at"] for i in entry["issues"]}, {"parts.warm-up.most", "parts.opener.low", "most_main", "parts"}
        )
