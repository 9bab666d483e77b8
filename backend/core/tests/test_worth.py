"""The four terms of a well-spent minute, and which activities may play which part. Project definitions."""

from collections.abc import Callable
from dataclasses import replace
from math import ceil
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from core.ability import DAY_SD, Estimate, chance, most_helped
from core.ability.estimate import odds_curve
from core.child import Child, Setting, Zone
from core.library import ACTIVITIES, THINGS
from core.library.activity import Activity
from core.materials import Role
from core.offers import UsableCupboard, Variant, ask_of, asked_of, tags_of, variants_of
from core.planner import PlannedBlock, SessionRequest, plan_session, stand, totals
from core.planner.candidates import all_candidates, tidying
from core.planner.candidates.suitability import aims, minutes_of, too_demanding
from core.planner.candidates.worth import freshness, liking, strand_weight, zone_fit
from core.safety import assess_together
from core.skills import STRANDS, TaskStep, WantedTask
from testing.core_builders import everything, full_house, made_up_request, request_for
from testing.tags import slow

MAIN = Zone(0.70, 0.85)
FIVE = Child(64, hand="right", wanted=("buttons",), likes=frozenset({"boats"}))


class ZoneTest(TestCase):
    def fit(self, gap: float, sd: float, zone: Zone = MAIN) -> float:
        """The fit of work a child stands so many rungs above, with so much doubt."""
        forecast = chance(Estimate(0.0, float(np.sqrt(max(sd**2 - DAY_SD**2, 0)))), -gap)
        return float(zone_fit([(gap, sd)], [[0.0]], [forecast], zone)[0])

    def test_a_child_known_exactly_in_the_middle_of_the_band_counts_in_full(self) -> None:
        self.assertAlmostEqual(self.fit(-0.05, DAY_SD), 1.0, delta=0.02)

    def test_the_surer_of_two_at_the_same_place_is_worth_more(self) -> None:
        fits = [self.fit(0.0, sd) for sd in (0.4, 0.6, 0.9, 1.6)]
        self.assertEqual(fits, sorted(fits, reverse=True))
        self.assertGreater(fits[0], 1.5 * fits[2])

    def test_it_is_the_share_of_draws_that_lie_in_the_band(self) -> None:
        """Sampled: the true chance of a child drawn from the belief, against a child known exactly."""
        random = np.random.default_rng(3)

        def inside(sd: float) -> float:
            return float(np.mean([MAIN.low <= c <= MAIN.high for c in odds_curve(random.normal(-0.05, sd, 200_000))]))

        near = 0.1  # what goes by the distance alone: this one is in the band
        self.assertAlmostEqual(self.fit(-0.05, 0.8), 0.9 * inside(0.8) / inside(DAY_SD) + near, delta=0.02)

    @given(st.floats(-6, 6), st.floats(-6, 6))
    def test_nearer_is_never_worth_less(self, a: float, b: float) -> None:
        middle = -0.05
        near, far = sorted((a, b), key=lambda gap: abs(gap - middle))
        if (near - middle) * (far - middle) > 0:
            self.assertGreaterEqual(self.fit(near, 0.6) + 1e-9, self.fit(far, 0.6))

    def test_work_hopelessly_far_off_still_says_which_is_nearer(self) -> None:
        self.assertGreater(self.fit(-6, 0.4), self.fit(-7, 0.4))
        self.assertGreater(self.fit(6, 0.4), self.fit(7, 0.4))


class WeightTest(TestCase):
    def request(self, **levels: float):
        request = request_for(FIVE, everything())
        return replace(request, estimates={**request.estimates, **{s: Estimate(m, 0.4) for s, m in levels.items()}})

    def test_a_missing_rung_weighs_most(self) -> None:
        short = strand_weight("object_grasp", self.request(object_grasp=3.0))
        met = strand_weight("tool_grasp", self.request(object_grasp=3.0))
        self.assertEqual(short.factor, 1.0)
        self.assertEqual(met.factor, 0.25)
        self.assertIn("3.0 rungs short of “Do own buttons”", short.words)

    def test_where_nothing_is_missing_what_the_task_leans_on_counts_in_full(self) -> None:
        managed = self.request(**dict.fromkeys(STRANDS, 9.0))
        self.assertEqual(strand_weight("object_grasp", managed).factor, 1.0)
        self.assertEqual(strand_weight("tool_grasp", managed).factor, 0.25)
        nothing_wanted = replace(managed, child=replace(FIVE, wanted=()))
        self.assertEqual(strand_weight("tool_grasp", nothing_wanted).factor, 1.0)
        self.assertEqual(strand_weight("push", managed).factor, 0.125)
        self.assertIn("nothing in today's targets is missing", strand_weight("tool_grasp", managed).words)
        short_elsewhere = replace(managed, estimates={**managed.estimates, "pinch": Estimate(0.5, 0.4)})
        self.assertIn("1.5 rungs short", strand_weight("pinch", short_elsewhere).words)

    def test_off_target_counts_half_and_says_so(self) -> None:
        reason = strand_weight("push", self.request(object_grasp=3.0))
        self.assertAlmostEqual(reason.factor, 0.125)
        self.assertIn("not one of today's targets", reason.words)

    def test_the_gap_is_to_the_task_that_asks_most(self) -> None:
        helped = most_helped("object_grasp", "", ("buttons", "coins"), {"object_grasp": Estimate(5, 0.4)})
        self.assertEqual((helped.rungs, helped.task), (2, "coins"))

    def test_work_helps_only_where_the_hands_do_the_same_job(self) -> None:
        """A pot held still says little of paper turned. From memory, no source."""
        behind = {"hold_and_act": Estimate(2.0, 0.4)}
        turning = most_helped("hold_and_act", "turns paper", ("scissors",), behind)
        self.assertEqual((turning.step, turning.rungs), ("turn the paper with the other hand", 3.0))
        self.assertEqual(most_helped("hold_and_act", "feeds paper", ("scissors",), behind).step, "cut along the line")
        self.assertIsNone(most_helped("hold_and_act", "holds pot", ("scissors",), behind))
        self.assertIsNone(most_helped("hold_and_act", "", ("scissors",), behind))
        unsaid = TaskStep("Hold it.", {"hold_and_act": 4})  # as a clinic writes a task of its own
        self.assertEqual(WantedTask("own", "Own", (unsaid,)).helped_by("hold_and_act", "holds pot"), unsaid)
        self.assertIsNotNone(most_helped("pinch", "", ("zip", "buttons"), {"pinch": Estimate(1.0, 0.4)}))
        request = self.request(hold_and_act=2.0)
        self.assertIn(
            "2.0 rungs short of “Do own buttons”", strand_weight("hold_and_act", request, "holds cloth").words
        )
        self.assertNotIn("short", strand_weight("hold_and_act", request, "holds pot").words)


class FreshnessTest(TestCase):
    def test_falls_with_how_lately_it_was_done(self) -> None:
        activity = ACTIVITIES["peg_fence"]
        factors = [freshness(activity, request_for(FIVE, {}, recent={"peg_fence": ago})).factor for ago in range(4)]
        self.assertEqual(factors, sorted(factors))
        self.assertEqual(freshness(activity, request_for(FIVE, {})).factor, 1.0)

    def test_while_a_rung_is_in_doubt_repeating_costs_half(self) -> None:
        """Fewer different activities place a child better while little is known."""
        request = request_for(FIVE, {}, recent={"peg_fence": 0})
        by_doubt = {}
        for sd in (0.4, 1.0):
            known = {**request.estimates, "pinch": Estimate(3.0, sd)}
            known = {s: Estimate(e.mean, 0.3) if s != "pinch" else e for s, e in known.items()}
            by_doubt[sd] = freshness(ACTIVITIES["peg_fence"], replace(request, estimates=known))
        self.assertAlmostEqual(by_doubt[0.4].factor, 0.5)
        self.assertAlmostEqual(by_doubt[1.0].factor, 0.75)
        self.assertIn("in doubt", by_doubt[1.0].words)

    def test_a_liked_theme_is_named(self) -> None:
        self.assertIn("boats", liking(ACTIVITIES["ring_tower"], FIVE).words)
        self.assertEqual(liking(ACTIVITIES["peg_fence"], FIVE).factor, 0.9)


class CandidateTest(TestCase):
    def test_main_work_aims_only_at_the_chosen_targets(self) -> None:
        request = request_for(FIVE, everything(), targets=("bilateral",))
        self.assertEqual(aims(ACTIVITIES["load_the_barge"], "main", request), ["hold_and_act"])
        self.assertEqual(aims(ACTIVITIES["peg_fence"], "main", request), [])
        self.assertEqual(aims(ACTIVITIES["peg_fence"], "warm-up", request), ["pinch"])

    def test_a_demand_far_above_the_child_shuts_an_activity_out(self) -> None:
        request = request_for(Child(26, hand="right"), everything())
        offer = full_house().offer(Variant("about_turn", (0, 0)))
        assert offer
        strand, gap = too_demanding(offer, request)
        self.assertEqual(strand, "simple_rotation")
        self.assertGreater(gap, 1)
        self.assertNotIn("about_turn", {c.activity.id for c in all_candidates(request)})

    def test_no_block_asks_for_more_than_half_the_attention(self) -> None:
        for part in ("opener", "warm-up", "main", "stretch", "daily", "tidy"):
            least, most = minutes_of(part, "", request_for(replace(FIVE, attention_minutes=10), {}))
            self.assertTrue(0 < least <= most, part)
            self.assertLessEqual(most, max(least, 5))

    def test_every_part_has_a_candidate_in_a_full_home(self) -> None:
        request = request_for(FIVE, everything(), targets=("grasp", "strength", "bilateral"))
        self.assertEqual({c.part for c in all_candidates(request)}, {"opener", "warm-up", "main", "stretch", "daily"})
        self.assertEqual({c.part for c in tidying(request)}, {"tidy"})


def all_different(
    choices: list[list[str]], fine: Callable[[tuple[str, ...]], bool], taken: tuple[str, ...] = ()
) -> bool:
    """Whether every role can have a thing of its own, in company that is fine."""
    if not choices:
        return fine(taken)
    return any(all_different(choices[1:], fine, (*taken, c)) for c in choices[0] if c not in taken)


class CupboardAgainstPlainLoopTest(TestCase):
    @slow
    def test_offers_agree_with_trying_every_thing_in_every_role(self) -> None:
        """The bit sets against a loop that shares no code with them."""
        for seed in (1, 5, 9, 14):
            request = made_up_request(seed)
            cupboard = UsableCupboard(request.stock, request.child, request.setting)
            fine = [
                (j.stock, j.thing)
                for j in cupboard.judged
                if j.verdict.status != "barred"
                and (j.thing.handed in (None, request.child.hand) or request.child.hand == "not_settled")
            ]
            for activity in ACTIVITIES.values():
                for variant in variants_of(activity):
                    said = ask_of(activity, variant.grade).tries
                    count = activity.count_for(request.child.counting_months) if said is None else said
                    hard = {"resistance", "long_hold"} & set(tags_of(activity, variant.grade))
                    if hard and "joint_laxity" in request.child.precautions:
                        count = ceil(count / 2)
                    steps = [a.steps[at] for a, at in zip(activity.axes, variant.grade, strict=True)]
                    at_once = {role: n for step in steps for role, n in step.at_once.items()}
                    fits = [
                        [
                            t.id
                            for s, t in fine
                            if role.filled_by(t, asked_of(activity, variant.grade, role.id))
                            and s.count >= max(role.least(count), at_once.get(role.id, 0))
                        ]
                        for role in activity.roles
                        if brought(activity, variant, role) and not role.optional
                    ]
                    if cupboard.offer(variant) is None:
                        barred = cupboard.verdict_on_steps(tags_of(activity, variant.grade)).status == "barred"
                        tags = tags_of(activity, variant.grade)

                        def in_company(
                            ids: tuple[str, ...], tags: tuple[str, ...] = tags, request: SessionRequest = request
                        ) -> bool:
                            things = [THINGS[i] for i in ids]
                            return assess_together(things, tags, request.child, request.setting).status != "barred"

                        open_to = not all_different(fits, in_company)
                        self.assertTrue(barred or activity.fits or open_to, (seed, variant, fits))
                    else:
                        self.assertTrue(all(fits), (seed, variant))


def brought(activity: Activity, variant: Variant, role: Role) -> bool:
    """Whether a role is wanted at a grade: named by no step at all, or by a chosen one."""
    steps = [
        (at == chosen, s)
        for a, chosen in zip(activity.axes, variant.grade, strict=True)
        for at, s in enumerate(a.steps)
    ]
    naming = [chosen for chosen, s in steps if role.id in s.uses]
    return any(naming) or not naming


class BlockTest(TestCase):
    def test_a_block_says_right_and_left_for_this_child(self) -> None:
        left = Child(64, hand="left")
        block = stand(request_for(left, everything()), PlannedBlock("main", Variant("crane_pick", (1, 1, 0)), 1))
        self.assertIn("Loads in a bowl on the right side, pot on the left side", block.setup)

    def test_a_hand_may_choose_what_is_worth_next_to_nothing(self) -> None:
        """A grade ten rungs too hard is still a block with its forecast, though the planner would never choose it."""
        request = request_for(FIVE, everything())
        far = replace(request, estimates={**request.estimates, "shift": Estimate(-8.0, 0.3)})
        block = stand(far, PlannedBlock("main", Variant("deal_a_hand", (2, 2)), 1))
        assert block is not None
        self.assertLess(block.expected, 0.02)
        self.assertEqual(block.well_spent, 0)

    def test_totals_count_each_thing_once(self) -> None:
        request = request_for(FIVE, everything())
        one = stand(request, PlannedBlock("main", Variant("ladder_walk", (1, 0)), 1))
        self.assertEqual(totals((one, one)).minutes, 2 * (one.minutes + one.setup_minutes) + 0.5)

    def test_two_tiring_blocks_together_are_pointed_out(self) -> None:
        request = request_for(FIVE, everything())
        a = stand(request, PlannedBlock("main", Variant("peg_fence", (1, 1, 0)), 1))
        b = stand(request, PlannedBlock("main", Variant("crane_pick", (1, 1, 0)), 1))
        self.assertIn("Put something light between them", totals((a, b)).notes[0])

    def test_paper_is_counted_for_every_set(self) -> None:
        request = request_for(FIVE, everything())
        long = stand(request, PlannedBlock("main", Variant("sail_fold", (0, 0)), 3))
        short = stand(request, PlannedBlock("main", Variant("sail_fold", (0, 0)), 1))
        self.assertEqual(long.quantities[0].wanted, long.sets * short.quantities[0].wanted)

    @slow
    def test_a_short_session_has_fewer_parts_and_main_work_all_the_same(self) -> None:
        toddler = Child(31, hand="right", attention_minutes=14)
        plan = plan_session(request_for(toddler, everything(), minutes=16, targets=("grasp", "bilateral")))
        self.assertNotEqual(plan.status, "infeasible")
        parts = {b.part for b in plan.blocks}
        self.assertIn("main", parts)
        longer = plan_session(request_for(toddler, everything(), minutes=40, targets=("grasp", "bilateral")))
        self.assertLess(len(parts), len({b.part for b in longer.blocks}))

    @slow
    def test_supervision_from_another_room_leaves_scissors_out_with_the_reason(self) -> None:
        request = replace(
            request_for(FIVE, everything(), targets=("scissors", "grasp")), setting=Setting("home", "room")
        )
        plan = plan_session(request)
        why = {item.activity_id: item for item in plan.left_out}
        self.assertEqual(why["cut_the_lane"].kind, "barred")
        self.assertIn("adult", why["cut_the_lane"].reason)
