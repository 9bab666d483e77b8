"""Kits and projects played through, and independent boxes: stages in order, each at the child's own grade."""

from dataclasses import replace
from unittest import TestCase

from core.child import Child, Setting
from core.library import ACTIVITIES, KITS, LibraryError
from core.library.kit import LEVELS
from core.library.kit_source import KitSource
from core.library.source import read
from core.planner import PlannedBlock, RequestError, plan_session
from core.planner.request.formats import BOXES
from testing.core_builders import everything, request_for
from testing.tags import slow

FIVE = Child(64, hand="right", wanted=("buttons", "name"), likes=frozenset({"boats"}), attention_minutes=30)


def kit_request(kit: str = "", format_id: str = "kit", minutes: int = 30, stock=None):
    return request_for(FIVE, everything() if stock is None else stock, minutes=minutes, format_id=format_id, kit=kit)


class KitsTest(TestCase):
    def test_the_stages_come_in_order_and_say_what_they_are(self) -> None:
        for kit in (k for k in KITS.values() if k.kind == "kit"):
            plan = plan_session(kit_request(kit.id))
            self.assertEqual((plan.status, plan.kit), ("optimal", kit.id))
            places = [kit.place(b.activity_id) for b in plan.blocks]
            self.assertEqual(places, sorted(places))
            needed = {at for at, s in enumerate(kit.stages) if not s.may_skip}
            self.assertLessEqual(needed, set(places))
            for b in plan.blocks:
                self.assertTrue(b.stage.startswith(f"Stage {kit.place(b.activity_id) + 1} of {len(kit.stages)}: "))
            self.assertIn(kit.ending, plan.notes)
            self.assertLessEqual(plan.minutes, 30)

    @slow
    def test_any_kit_is_the_one_most_is_made_of(self) -> None:
        every = [plan_session(kit_request(k.id)) for k in KITS.values() if k.kind == "kit"]
        self.assertAlmostEqual(plan_session(kit_request()).well_spent, max(p.well_spent for p in every))

    def test_short_minutes_leave_out_only_what_may_be(self) -> None:
        long, short = (plan_session(kit_request("post_office", minutes=m)) for m in (30, 12))
        self.assertLess(short.minutes, long.minutes)
        self.assertEqual(short.blocks[0].activity_id, "sail_fold")
        self.assertIn("letter_box", {b.activity_id for b in short.blocks})
        none = plan_session(kit_request("post_office", minutes=5))
        self.assertEqual((none.status, none.fix), ("infeasible", "Give it ten minutes more."))

    @slow
    def test_a_home_that_lacks_a_stage_says_what_to_add(self) -> None:
        stock = {k: n for k, n in everything().items() if k not in {"sticker_big", "sticker_small"}}
        plan = plan_session(kit_request("post_office", stock=stock))
        if plan.status == "infeasible":
            self.assertIn("“Post office” can't be played here", plan.reason)
            self.assertTrue(plan.fix)
        self.assertEqual(plan_session(kit_request("post_office", stock={})).status, "infeasible")

    def test_a_locked_stage_stays(self) -> None:
        first = plan_session(kit_request("post_office"))
        lock = PlannedBlock("main", first.blocks[0].variant, 1, True)
        again = plan_session(replace(kit_request("post_office"), locked=(lock,)))
        self.assertEqual(
            (again.blocks[0].variant, again.blocks[0].sets, again.blocks[0].locked), (lock.variant, 1, True)
        )

    def test_a_locked_stage_this_home_cannot_play_is_refused_by_name(self) -> None:
        first = plan_session(kit_request("post_office")).blocks[0]
        lock = PlannedBlock("main", first.variant, 1, True)
        plan = plan_session(replace(kit_request("post_office", stock={}), locked=(lock,)))
        self.assertEqual(plan.status, "infeasible")
        self.assertIn(f"“{ACTIVITIES[first.activity_id].name}” is locked, but", plan.reason)
        self.assertTrue(plan.fix)

    @slow
    def test_a_locked_block_of_no_stage_is_refused_by_name(self) -> None:
        stages = {s.activity_id for s in KITS["post_office"].stages}
        other = next(b for b in plan_session(request_for(FIVE, everything())).blocks if b.activity_id not in stages)
        lock = PlannedBlock("main", other.variant, 1, True)
        plan = plan_session(replace(kit_request("post_office"), locked=(lock,)))
        self.assertEqual(plan.status, "infeasible")
        self.assertIn("is locked and is not one of its stages", plan.reason)
        self.assertIn("Unlock it", plan.fix)

    def test_an_unknown_kit_is_refused_at_its_field(self) -> None:
        with self.assertRaises(RequestError) as refused:
            plan_session(kit_request("no_such_kit"))
        self.assertEqual(refused.exception.field, "kit")

    def test_a_project_is_planned_step_by_step(self) -> None:
        plan = plan_session(kit_request("greeting_card", "project"))
        self.assertEqual([b.activity_id for b in plan.blocks][:3], ["sail_fold", "opening_card", "paste_up"])
        self.assertTrue(any("half" in note for note in plan.notes))


class BoxesTest(TestCase):
    def test_every_level_has_a_box_and_every_box_an_activity_of_its_own(self) -> None:
        self.assertEqual({k.level for k in BOXES.values()}, set(LEVELS))
        self.assertEqual(len(BOXES), sum(k.kind == "box" for k in KITS.values()))

    def test_a_child_alone_gets_boxes_only_each_with_the_picture_on_its_lid(self) -> None:
        request = replace(request_for(FIVE, everything(), format_id="alone"), setting=Setting("home", "box"))
        plan = plan_session(request)
        self.assertTrue(plan.blocks)
        for b in plan.blocks:
            self.assertIn(b.activity_id, BOXES)
            self.assertIn("On the lid: a picture of", b.stage)
            self.assertGreaterEqual(b.expected, 0.85)


class KitFileTest(TestCase):
    GOOD = {
        "id": "some_kit",
        "name": "Some kit",
        "kind": "kit",
        "about": "It is played.",
        "stages": [{"activity": "sail_fold", "words": "Fold."}, {"activity": "letter_box", "words": "Post."}],
    }

    def test_what_makes_no_kit_is_refused_with_a_remedy(self) -> None:
        read(KitSource, self.GOOD, "some_kit").build(ACTIVITIES, "some_kit")
        skipped = [{**s, "may_skip": True} for s in self.GOOD["stages"]]
        for change in (
            {"kind": "box"},
            {"lid": "a full box"},
            {"stages": skipped},
            {"stages": [self.GOOD["stages"][0]] * 2},
            {"stages": [{"activity": "no_such", "words": "x"}, *self.GOOD["stages"]]},
        ):
            with self.assertRaises(LibraryError) as refused:
                read(KitSource, {**self.GOOD, **change}, "some_kit").build(ACTIVITIES, "some_kit")
            self.assertTrue(refused.exception.remedy)
