"""What children taught, where it is used: offers, sets, plans, advice, help, seconds. And how belief behaves:
properties that hold for any sets.
"""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from core.ability import (
    Estimate,
    SetEvidence,
    as_plain,
    chance,
    chance_between,
    chance_together,
    from_plain,
    gap_at,
    on_day,
    start,
    update,
    with_limits,
)
from core.ability.estimate import DAY_SD, SLIP, odds_curve, usual_rung, with_slips
from core.child import Child
from core.library import ACTIVITIES
from core.offers import Variant, by_hand, difficulty, evidence_name, taught_rungs
from core.planner import Pace, plan_session
from core.planner.request.dose import seconds_a_try
from core.progress import next_hand
from core.recording import AS_SHIPPED, Learned
from core.running import fits_today, well_placed
from core.skills import STRANDS
from testing.core_builders import everything, request_for, set_of
from testing.tags import slow

DAY = date(2026, 3, 2)
HARDER = Learned("3", {"load_the_barge/hold_and_act": 0.6}, {}, {"touch": 1.4}, {"load_the_barge": 1.5})
FIVE = Child(64, hand="right", wanted=("buttons",))

a_set = st.builds(
    lambda activity, rung, tries, share, support: SetEvidence(activity, rung, tries, round(share * tries), support),
    st.sampled_from("abcd"),
    st.floats(0, 8),
    st.integers(1, 20),
    st.floats(0, 1),
    st.sampled_from(("alone", "spoken", "touch", "steadied")),
)
some_sets = st.lists(a_set, min_size=1, max_size=5)
an_estimate = st.builds(Estimate, st.floats(0, 8), st.floats(0.2, 1.8))


class LearnedTest(TestCase):
    variant = Variant("load_the_barge", (1, 1, 0))

    def test_as_shipped_nothing_is_moved(self) -> None:
        rungs = difficulty(self.variant)
        self.assertIs(taught_rungs(self.variant, rungs, AS_SHIPPED), rungs)

    def test_an_offer_asks_what_the_children_taught(self) -> None:
        child = replace(FIVE, learned=HARDER)
        ours, shipped = (request_for(c, everything()).cupboard.offer(self.variant) for c in (child, FIVE))
        assert ours and shipped
        self.assertAlmostEqual(ours.rungs["hold_and_act"], shipped.rungs["hold_and_act"] + 0.6)
        self.assertEqual(ours.rungs["object_grasp"], shipped.rungs["object_grasp"])

    def test_a_strength_measured_in_newton_stays_as_it_was_measured(self) -> None:
        learned = Learned("1", {"peg_fence/pinch": 0.5})
        rungs = taught_rungs(Variant("peg_fence", (0, 0, 0)), {"pinch": 2.2, "together": 1.0}, learned, ("pinch",))
        self.assertEqual(rungs["pinch"], 2.2)

    def test_a_set_counts_at_the_rung_that_was_taught(self) -> None:
        done = set_of(DAY, 8, 6)
        taught = done.as_taught(HARDER)
        self.assertAlmostEqual(taught.difficulty["hold_and_act"], done.difficulty["hold_and_act"] + 0.6)
        believed = Estimate(2.0, 0.8)
        before, after = (update(believed, [s.evidence("hold_and_act")], DAY) for s in (done, taught))
        self.assertGreater(after.mean, before.mean)

    @slow
    def test_a_plan_goes_by_it(self) -> None:
        """What all children find far harder is no longer what a set of it is forecast to be."""
        hard = Learned("1", {f"{a}/{s}": 1.5 for a, activity in ACTIVITIES.items() for s in activity.trains})
        plans = [plan_session(request_for(replace(FIVE, learned=how), everything())) for how in (AS_SHIPPED, hard)]
        asked = [max(b.rung for b in p.blocks if b.part == "main") for p in plans]
        self.assertTrue(all(p.blocks for p in plans))
        for block in plans[1].blocks:
            base = difficulty(block.variant)[block.strand]
            self.assertGreater(block.rung, base)
        self.assertNotEqual(asked[0], asked[1])

    def test_help_lifts_as_the_children_taught(self) -> None:
        taught = Estimate(3.0, 0.3, learned=HARDER)
        self.assertGreater(chance(taught, 4.0, "touch"), chance(Estimate(3.0, 0.3), 4.0, "touch"))
        self.assertEqual(chance(taught, 4.0, "spoken"), chance(Estimate(3.0, 0.3), 4.0, "spoken"))
        self.assertEqual(from_plain(as_plain(taught)).learned.lift("touch"), 1.4)
        self.assertEqual(from_plain(as_plain(taught)).learned.version, "3")

    def test_seconds_begin_at_what_other_children_take_and_become_the_childs_own(self) -> None:
        barge = ACTIVITIES["load_the_barge"]
        usual = seconds_a_try(barge, (1, 1, 0), {})
        others = seconds_a_try(barge, (1, 1, 0), {barge.id: Pace(1.0, 0, 1.5)})
        own = seconds_a_try(barge, (1, 1, 0), {barge.id: Pace(0.8, 2000, 1.5)})
        self.assertAlmostEqual(others, 1.5 * usual)
        self.assertAlmostEqual(own, 0.8 * usual, delta=0.02 * usual)


class HandTest(TestCase):
    def test_a_grade_for_the_other_hand_is_evidence_of_its_own_and_so_is_its_forecast(self) -> None:
        other = next(
            Variant(a.id, g)
            for a in ACTIVITIES.values()
            for axis_at, axis in enumerate(a.axes)
            for step_at, step in enumerate(axis.steps)
            if "other_hand" in step.tags
            for g in [tuple(step_at if i == axis_at else 0 for i in range(len(a.axes)))]
        )
        self.assertEqual(evidence_name(other, "right"), f"{other.activity_id}/left")
        self.assertEqual(evidence_name(other, "left"), f"{other.activity_id}/right")
        self.assertEqual(evidence_name(other, "not_settled"), other.activity_id)
        self.assertEqual(by_hand("peg_fence", "right", "right"), "peg_fence")
        self.assertEqual(by_hand("peg_fence", "", "right"), "peg_fence")

    def test_what_the_left_hand_did_is_used_for_the_left_hand(self) -> None:
        lost = [SetEvidence("peg_fence/left", 3.0, 8, 2)]
        rungs = (2.2, 2.6, 3.0, 3.4)
        left, right = (
            fits_today(Estimate(3.2, 0.4), lost, DAY, name, rungs) for name in ("peg_fence/left", "peg_fence")
        )
        self.assertLess(left.level, right.level)
        self.assertLessEqual(left.step(2), right.step(2))

    def test_hand_over_hand_decides_no_turn(self) -> None:
        led = [replace(set_of(DAY, 10, 10, "hand_over_hand", activity_id="peg_fence", grade=(0, 0, 0)), hand="right")]
        self.assertEqual(next_hand(led, "pinch", "right", DAY), "right")


class BeliefTest(TestCase):
    @settings(max_examples=60, deadline=None)
    @given(an_estimate, some_sets)
    def test_doubt_never_grows_by_seeing_and_stays_a_doubt(self, estimate: Estimate, sets: list[SetEvidence]) -> None:
        after = update(estimate, sets, DAY)
        self.assertLessEqual(after.sd, estimate.sd + 1e-9)
        self.assertGreater(float(np.linalg.eigvalsh(np.array(after.cov)).min()), -1e-9)
        self.assertTrue(-1.0 <= after.mean <= 99.0)
        self.assertEqual(from_plain(as_plain(after)), after)

    @settings(max_examples=40, deadline=None)
    @given(an_estimate, st.floats(0, 8), st.integers(2, 16))
    def test_more_successes_never_lower_the_estimate(self, estimate: Estimate, rung: float, tries: int) -> None:
        means = [update(estimate, [SetEvidence("a", rung, tries, won)], DAY).mean for won in range(tries + 1)]
        self.assertEqual(means, sorted(means))

    @settings(max_examples=40, deadline=None)
    @given(some_sets, st.integers(1, 400))
    def test_waiting_only_widens(self, sets: list[SetEvidence], days: int) -> None:
        now = update(Estimate(4, 1.0), sets, DAY)
        later = on_day(now, DAY + timedelta(days=days))
        self.assertGreaterEqual(later.sd, now.sd - 1e-9)

    @settings(max_examples=40, deadline=None)
    @given(st.floats(0, 8), st.floats(0.1, 1.6), st.lists(st.floats(0, 8), min_size=2, max_size=6))
    def test_a_forecast_falls_with_the_rung_and_lies_between_slips(
        self, mean: float, sd: float, rungs: Sequence[float]
    ) -> None:
        chances = [float(chance(Estimate(mean, sd), rung)) for rung in sorted(rungs)]
        self.assertEqual(chances, sorted(chances, reverse=True))
        self.assertTrue(all(SLIP <= c <= 1 - SLIP for c in chances))

    def test_several_strands_are_never_likelier_than_the_weakest_alone(self) -> None:
        one, two = Estimate(3.0, 0.5), Estimate(3.4, 0.5)
        together = chance_together([one, two], [[3.0, 3.0]])[0]
        self.assertLess(together, min(float(chance(one, 3.0)), float(chance(two, 3.0))))

    def test_how_sure_it_is_that_a_set_is_well_placed_is_the_share_of_draws_that_are(self) -> None:
        levels = np.random.default_rng(2).normal(3.1, 0.6, 200_000)
        chances = with_slips(odds_curve(levels - 3.0))
        drawn = float(np.mean((chances >= 0.65) & (chances <= 0.90)))
        self.assertAlmostEqual(float(well_placed([(3.1, 0.6)], [[3.0]])[0]), drawn, delta=0.004)
        self.assertAlmostEqual(
            float(chance_between([(3.1, 0.6)], [[3.0]], gap_at(0.65), gap_at(0.90))[0]), drawn, delta=0.004
        )

    def test_no_child_can_do_better_than_slips_allow(self) -> None:
        self.assertEqual(gap_at(1.0), float("inf"))
        self.assertEqual(gap_at(0.0), float("-inf"))
        self.assertAlmostEqual(gap_at(0.8, slips=False), 0.0)

    def test_the_usual_rung_goes_up_with_age_and_stops_at_the_ladders_end(self) -> None:
        usual = tuple((DAY + timedelta(days=100 * n), float(n)) for n in range(1, 6))
        rungs = [usual_rung(usual, DAY + timedelta(days=d)) for d in range(0, 900, 50)]
        self.assertEqual(rungs, sorted(rungs))
        self.assertEqual((rungs[0], rungs[-1]), (0.0, 5.0))

    def test_the_days_swing_is_in_the_level_of_a_day_to_come(self) -> None:
        sure = Estimate(3.0, 0.001)
        known = update(sure, [SetEvidence("a", 3.0, 1, 1)], DAY)
        _, sd = known.level("a")
        self.assertGreater(sd, DAY_SD)

    def test_every_ladder_has_a_top_beyond_which_nothing_is_told(self) -> None:
        for strand, ladder in STRANDS.items():
            self.assertEqual(start(FIVE, strand).highest, ladder.top + 1.5)
            self.assertEqual(with_limits(Estimate(2, 1), FIVE, strand, DAY).highest, ladder.top + 1.5)
