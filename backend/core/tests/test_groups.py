"""Children together: each on its own grade, with enough for all, and refused with a reason."""

from dataclasses import replace
from unittest import TestCase

from core.child import Child
from core.library import ACTIVITIES
from core.offers.usable_cupboard import stock_of
from core.planner import (
    GroupRequest,
    RequestError,
    plan_group,
)
from core.planner.candidates import all_candidates
from core.planner.group import PARTS, safe_for_all, shared_candidates, watched
from core.planner.group_left_out import left_out_together
from core.safety import assess
from core.skills import STRANDS
from testing.core_builders import CLINIC, everything, made_up_request, request_for
from testing.tags import slow


class GroupTest(TestCase):
    def group(self, *children: Child, stock: dict[str, int] | None = None, minutes: int = 35) -> GroupRequest:
        sessions = tuple(
            request_for(c, stock or everything(), minutes=minutes, targets=("grasp", "bilateral")) for c in children
        )
        return GroupRequest(tuple("ABCDEF"[: len(children)]), sessions)

    @slow
    def test_each_child_has_an_own_rung_and_count(self) -> None:
        plan = plan_group(self.group(Child(50, hand="right"), Child(90, hand="left")))
        self.assertTrue(plan.blocks)
        differing = [b for b in plan.blocks if b.children[0].variant != b.children[1].variant]
        self.assertTrue(differing)
        self.assertTrue(any(b.children[0].count < b.children[1].count for b in plan.blocks))

    @slow
    def test_one_adult_watches_one_child_with_a_blade(self) -> None:
        """Two under six with scissors and one parent: by turns or not at all; with two adults, both at once."""
        twins = (Child(56, hand="right"), Child(56, hand="left"))
        at_once = {}
        for adults in (1, 2):
            request = self.group(*twins)
            setting = replace(CLINIC, adults=adults)
            sessions = [
                replace(s, setting=setting, targets=("scissors", "bilateral"), format_id="parts", parts=PARTS)
                for s in request.sessions
            ]
            shared = [t for t in shared_candidates(sessions) if watched(t.each, sessions)]
            self.assertTrue(shared)
            at_once[adults] = [t for t in shared if t.for_all and watched(t.each, sessions) == 2]
        self.assertEqual(at_once[1], [])
        self.assertTrue(at_once[2])
        older = [replace(s, child=replace(s.child, age_months=90.0)) for s in sessions]
        self.assertEqual(watched(shared[0].each, older), 0)

    @slow
    def test_what_was_left_out_says_for_whom_and_why(self) -> None:
        request = self.group(Child(30, hand="right"), Child(100, hand="right"))
        plan = plan_group(request)
        chosen = frozenset(b.activity.id for b in plan.blocks)
        missed = left_out_together(request, chosen)
        wanted = {
            f.id for f in ACTIVITIES.values() if any(STRANDS[s].target in ("grasp", "bilateral") for s in f.trains)
        }
        self.assertEqual({m.activity_id for m in missed}, wanted - chosen)
        for m in missed:
            if m.kind in ("too_hard", "too_easy", "barred"):
                self.assertRegex(m.reason, "^For [AB]: ")
        self.assertTrue(any(m.kind == "too_hard" and m.reason.startswith("For A") for m in missed))
        sessions = [
            replace(s, format_id="parts", parts=PARTS, stock=safe_for_all(request)[0]) for s in request.sessions
        ]
        shared = {t.activity.id for t in shared_candidates(sessions)}
        parts = [{(c.activity.id, c.part) for c in all_candidates(s)} for s in sessions]
        both = {activity for activity, _ in parts[0] & parts[1]}
        for m in missed:
            if m.kind == "not_chosen":
                self.assertEqual("no single part" in m.reason, m.activity_id not in both, m)
                self.assertEqual("no single part" in m.reason, m.activity_id not in shared, m)
            if m.reason.startswith("Not enough of it"):
                self.assertIn(m.activity_id, both - shared)

    def test_what_is_barred_for_one_in_reach_is_barred_for_all(self) -> None:
        plan = plan_group(self.group(Child(90), Child(60, mouthing="often")))
        self.assertTrue(any("B is within reach" in away for away in plan.kept_away))
        mouths = Child(60, mouthing="often")
        things = {q.thing_id for b in plan.blocks for c in b.children for q in c.quantities}
        stock = {s.usual.id: s for s in stock_of(everything())}
        for thing in things:
            rules = {h.rule for h in assess(stock[thing].thing, mouths, CLINIC).hits if h.status == "barred"}
            self.assertFalse(rules & {"small_part", "small_ball", "raw", "hard_food"}, thing)

    @slow
    def test_there_is_enough_for_all_or_it_is_done_by_turns(self) -> None:
        """An independent count over made-up groups."""
        made = 0
        for seed in range(9):
            first = replace(
                made_up_request(seed), minutes=35, setting=CLINIC, stock=stock_of(everything()), targets=("bilateral",)
            )
            others = [
                replace(
                    made_up_request(seed + k), minutes=35, setting=CLINIC, stock=first.stock, targets=("bilateral",)
                )
                for k in (30, 60)
            ]
            plan = plan_group(GroupRequest(("A", "B", "C"), (first, *others)))
            if plan.status == "infeasible":
                self.assertTrue(plan.reason and plan.fix)
                continue
            made += 1
            self.assertLessEqual(plan.minutes, 35)
            turns = [b for b in plan.blocks if b.turns]
            self.assertIn(len(turns), (0, 2))
            self.assertEqual(len({b.minutes for b in turns}), bool(turns))
            for block in plan.blocks:
                for thing in block.things:
                    self.assertTrue(thing.wanted <= thing.have or thing.own_pot, (seed, block.activity.id, thing))
        self.assertGreater(made, 4)

    def test_one_child_is_no_group(self) -> None:
        with self.assertRaises(RequestError):
            plan_group(self.group(Child(60)))

    def test_different_cupboards_are_refused(self) -> None:
        a, b = self.group(Child(60), Child(70)).sessions
        with self.assertRaisesRegex(RequestError, "one cupboard"):
            plan_group(GroupRequest(("A", "B"), (a, replace(b, stock=b.stock[:5]))))
