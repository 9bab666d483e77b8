"""Children together: each on its own grade, with enough for all, and refused with a reason."""

import re
from dataclasses import replace
from itertools import product
from unittest import TestCase

from core.child import ALLERGENS, PRECAUTIONS, Child, Setting
from core.library import ACTIVITIES, THINGS
from core.offers.usable_cupboard import stock_of
from core.planner import (
    GroupRequest,
    RequestError,
    plan_group,
)
from core.planner.candidates import all_candidates
from core.planner.candidates.together import PARTS, safe_for_all, shared_candidates, watched
from core.planner.reasons import left_out_together
from core.safety import RULES, assess
from core.safety.verdicts import rule
from core.skills import STRANDS
from testing.core_builders import CLINIC, everything, made_up_request, request_for
from testing.tags import slow

OWN_WORK_ONLY = {"chewing", "food_policy", "force", "pull_apart", "texture", "skin", "splint", "shared"}
"""Rules whose hazard is in a child's own work with a thing: beside a neighbour's it harms nobody. Common practice."""


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
        sure = [replace(s, child=replace(s.child, cutting_rung=4.0)) for s in sessions]
        cutting = [t for t in shared_candidates(sure) if t.activity.trains.get("cutting") and t.for_all]
        self.assertTrue(cutting)  # at four and a half, sure of a strip: one adult in the room to eight
        self.assertEqual({watched(t.each, sure) for t in cutting}, {0})

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

    @slow
    def test_what_is_barred_for_one_in_reach_is_off_the_table_for_all(self) -> None:
        """Child by child over all things: only what bars a child's own work with a thing leaves it to the neighbour."""
        kinds = {
            "two-year-old": Child(28),
            "baby at the table": Child(8),
            "mouths often": Child(60, mouthing="often"),
            "mouths at times": Child(60, mouthing="sometimes"),
            "family's word": Child(60, other_allergies=("banana",)),
            **{p: Child(72, precautions=frozenset({p}), splint_hand="left") for p in PRECAUTIONS},
            **{a: Child(72, allergies=frozenset({a})) for a in ALLERGENS},
        }
        lines = stock_of(everything())
        for setting, (kind, child) in product((CLINIC, Setting("school", "room")), kinds.items()):
            request = self.group(Child(90), child)
            beside = tuple(replace(s, setting=setting, stock=lines) for s in request.sessions)
            kept, away = safe_for_all(GroupRequest(request.names, beside))
            on_the_table = {line.thing.id for line in kept}
            for thing in THINGS.values():
                barred_by = {h.rule for h in assess(thing, child, setting).hits if h.status == "barred"}
                if barred_by - OWN_WORK_ONLY:
                    self.assertNotIn(thing.id, on_the_table, (kind, setting, barred_by))
            self.assertEqual(len(kept) + len(away), len(lines))

    def test_what_bars_only_own_work_stays_for_the_neighbour(self) -> None:
        weak = Child(72, force_limit_newton=3.0, refuses=frozenset({"foamy"}))
        kept, away = safe_for_all(self.group(Child(90), weak))
        ids = {line.thing.id for line in kept}
        barred_by = {
            t.id: {h.rule for h in assess(t, weak, CLINIC).hits if h.status == "barred"} for t in THINGS.values()
        }
        own = {thing for thing, rules in barred_by.items() if rules and rules <= {"force", "texture"}}
        self.assertGreater(len(own), 20)
        self.assertLessEqual(own, ids)
        self.assertTrue(any("Balloons" in why for why in away))

    @slow
    def test_no_block_puts_what_is_barred_for_one_into_another_hand(self) -> None:
        """Whatever the targets, beside a child who mouths or has trouble swallowing."""
        beside = (Child(60, mouthing="often"), Child(60, precautions=frozenset({"swallowing"})))
        for child, target in product(beside, ("grasp", "strength", "in_hand", "bilateral")):
            request = self.group(Child(90), child)
            sessions = tuple(replace(s, targets=(target,)) for s in request.sessions)
            plan = plan_group(GroupRequest(request.names, sessions))
            self.assertTrue(any("B is within reach" in away for away in plan.kept_away))
            for thing in {q.thing_id for b in plan.blocks for c in b.children for q in c.quantities}:
                barred_by = {h.rule for h in assess(THINGS[thing], child, CLINIC).hits if h.status == "barred"}
                self.assertLessEqual(barred_by, OWN_WORK_ONLY, (target, thing))

    def test_a_rule_of_a_thing_says_whether_it_holds_within_reach(self) -> None:
        own_work = {r.id for r in RULES.values() if r.scope == "thing" and not r.in_reach}
        self.assertEqual(own_work, OWN_WORK_ONLY)
        with self.assertRaisesRegex(ValueError, "within reach"):
            rule("undecided", "thing", "common practice, no source", "a rule nobody decided")(lambda m, c, s: iter(()))

    @slow
    def test_one_adult_and_two_blades_is_what_is_said(self) -> None:
        """Scissors only, two under six and one adult: not the minutes but the adult is missing."""
        twins = (Child(58, hand="right"), Child(58, hand="right"))
        scissors_only = frozenset(a.id for a in ACTIVITIES.values() if a.target != "scissors")
        request = self.group(*twins, minutes=30)
        sessions = tuple(replace(s, targets=("scissors",), excluded=scissors_only) for s in request.sessions)
        alone = plan_group(GroupRequest(request.names, sessions))
        self.assertEqual(alone.status, "infeasible")
        self.assertIn("one adult watches one child each with a blade", alone.reason)
        self.assertIn("Have 1 more adult at the table", alone.fix)
        helped = replace(CLINIC, adults=2)
        both = plan_group(GroupRequest(request.names, tuple(replace(s, setting=helped) for s in sessions)))
        self.assertNotEqual(both.status, "infeasible")

    @slow
    def test_the_fix_that_is_named_helps(self) -> None:
        """Groups with too little time or too few things: what is said to help does."""
        for minutes in (10, 15):
            request = self.group(Child(50, hand="right"), Child(90, hand="left"), Child(70), minutes=minutes)
            plan = plan_group(request)
            if plan.status == "infeasible" and (longer := re.fullmatch(r"Give it (\d+) minutes\.", plan.fix)):
                sessions = tuple(replace(s, minutes=int(longer[1])) for s in request.sessions)
                self.assertNotEqual(plan_group(replace(request, sessions=sessions)).status, "infeasible")

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
