"""Runs of several children together, and what is barred once something was put in a mouth."""

from uuid import uuid4

from django.test import TestCase

from caseload.models import Child
from clinic.models import AuditEntry
from core.library import THINGS
from core.safety import fits_small_parts_cylinder
from planning.models import Plan
from running.actions import start_run
from running.models import Run
from testing.builders import TODAY, Api, make_child, make_home, make_member, run_for_child, shown_blocks
from testing.tags import slow


class MouthingTest(TestCase):
    def test_each_block_knows_what_is_barred_once_something_was_mouthed(self) -> None:
        lead = make_member()
        child = make_child(lead, make_home(lead, {"counter": 30, "wide_bowl": 2, "table_tray": 1}))
        plan = Plan.objects.create(
            child=child,
            home=child.home,
            made_by=lead,
            place="home",
            supervision="arms_reach",
            minutes=20,
            targets=["in_hand"],
            status="given",
            child_version=1,
            stock_stamp="x",
        )
        plan.blocks.create(
            position=0,
            part="main",
            activity_id="squirrel_store",
            grade=[0, 0, 0],
            sets=1,
            strand="to_palm",
            expected=0.8,
        )
        run = start_run(lead, plan, uuid4(), TODAY)
        small = {
            block["id"]: [
                q["thing_id"] for q in block["quantities"] if fits_small_parts_cylinder(THINGS[q["thing_id"]].shape)
            ]
            for block in shown_blocks(run)
        }
        self.assertTrue(any(small.values()))
        for block in shown_blocks(run):
            self.assertGreaterEqual(len(block["if_mouthed"]), len(small[block["id"]]), block["name"])
            self.assertTrue(all("mouths things" in line for line in block["if_mouthed"]))

    @slow
    def test_it_is_kept_in_the_profile_and_bars_the_next_plan(self) -> None:
        lead = make_member()
        child = make_child(lead)
        api = Api(lead)
        _, out = api("post", f"/children/{child.pk}/mouthing")
        self.assertEqual(out["mouthing"], "sometimes")
        again = run_for_child(lead, Child.objects.get(pk=child.pk))
        self.assertTrue(all(not b["if_mouthed"] for b in shown_blocks(again)))


class TogetherTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, dict.fromkeys(THINGS, 30))
        self.children = [make_child(self.lead, self.home, first_name=n) for n in ("Wyn", "Isa")]
        self.api = Api(self.lead)
        body = {
            "children": [c.pk for c in self.children],
            "home_id": self.home.pk,
            "minutes": 30,
            "targets": ["grasp"],
            "supervision": "arms_reach",
        }
        status, self.group = self.api("post", "/groups", body)
        self.assertEqual(status, 200)
        self.ids = {str(c.pk): str(uuid4()) for c in self.children}

    def start(self) -> tuple[int, list]:
        return self.api("post", f"/groups/{self.group['id']}/runs", {"ids": self.ids})

    @slow
    def test_each_child_gets_a_run_of_the_same_activities_on_an_own_grade(self) -> None:
        status, runs = self.start()
        self.assertEqual((status, [r["child_name"] for r in runs]), (200, ["Wyn", "Isa"]))
        planned = [(b["activity_id"], [c["grade"] for c in b["children"]]) for b in self.group["blocks"]]
        ran = [
            (b["activity_id"], [b["grade"], o["grade"]])
            for b, o in zip(runs[0]["blocks"], runs[1]["blocks"], strict=True)
        ]
        self.assertEqual(ran, planned)
        self.assertEqual({r["group_id"] for r in runs}, {self.group["id"]})
        result = AuditEntry.objects.filter(action="run.start", child__isnull=False).values_list("child", flat=True)
        self.assertEqual(sorted(result), sorted(c.pk for c in self.children))

    @slow
    def test_beginning_twice_begins_once(self) -> None:
        self.assertEqual([r["id"] for r in self.start()[1]], [r["id"] for r in self.start()[1]])
        self.assertEqual(Run.objects.count(), 2)

    @slow
    def test_what_is_barred_for_one_is_off_the_table_for_all(self) -> None:
        small = {
            q["thing_id"] for b in self.start()[1][0]["blocks"] for q in b["quantities"] if fits_small(q["thing_id"])
        }
        if not small:
            self.skipTest("this plan uses no small part")
        Child.objects.filter(pk=self.children[1].pk).update(mouthing="often")
        self.ids = {k: str(uuid4()) for k in self.ids}
        status, problem = self.start()
        self.assertEqual(status, 422)
        self.assertIn("can't be run today", problem["detail"])
        self.assertEqual(Run.objects.count(), 2)

    @slow
    def test_a_run_id_for_each_child_is_wanted(self) -> None:
        self.ids.popitem()
        self.assertEqual(self.start()[0], 422)

    @slow
    def test_another_clinic_can_not_begin_it(self) -> None:
        other = Api(make_member())
        self.assertEqual(other("post", f"/groups/{self.group['id']}/runs", {"ids": self.ids})[0], 404)


def fits_small(thing_id: str) -> bool:
    shape = THINGS[thing_id].shape
    return shape is not None and fits_small_parts_cylinder(shape)
