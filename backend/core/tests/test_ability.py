"""The chance curve, the estimate and its update."""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase
from unittest.mock import patch

import girth
import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from core import ability
from core.ability import LOG_ODDS_PER_RUNG, Estimate, SetEvidence, chance, start, update
from core.ability.estimate import DAY_SD, GAIN_PER_WEEK, OFFSET_SD, SLIP, odds_curve, with_slips
from core.ability.simulation import Child as MadeUp
from core.child import Child
from core.offers import Variant, difficulty
from core.running import step_today
from core.skills import STRANDS
from testing.tags import slow

DAY = date(2026, 3, 2)


class ChanceInWordsTest(TestCase):
    def test_a_chance_is_so_many_of_ten_and_never_a_promise(self) -> None:
        words = [ability.chance_in_words(c) for c in (0.8, 0.75, 0.52, 0.94, 0.999, 0.04)]
        self.assertEqual(
            words, ["8 of 10", "7 to 8 of 10", "5 of 10", "9 to 10 of 10", "9 to 10 of 10", "0 to 1 of 10"]
        )


class ChanceTest(TestCase):
    def test_the_three_points_that_define_a_rung(self) -> None:
        for gap, share in ((0.0, 0.8), (-1.0, 0.5), (1.0, 16 / 17)):
            self.assertAlmostEqual(float(odds_curve(gap)), share, places=12)

    def test_one_try_in_sixty_goes_the_other_way_for_no_reason(self) -> None:
        self.assertAlmostEqual(float(with_slips(odds_curve(40.0))), 1 - SLIP)
        self.assertAlmostEqual(float(with_slips(odds_curve(-40.0))), SLIP)
        self.assertAlmostEqual(float(with_slips(odds_curve(ability.gap_at(0.65)))), 0.65)

    def test_doubt_pulls_the_chance_towards_the_middle(self) -> None:
        self.assertLess(chance(Estimate(4, 1.2), 3.0), chance(Estimate(4, 0.2), 3.0))

    def test_quadrature_agrees_with_plain_sampling(self) -> None:
        """The day's swing is part of what is not known of a day still to come."""
        levels = np.random.default_rng(1).normal(4, np.hypot(1.1, DAY_SD), 400_000)
        sampled = with_slips(odds_curve(levels - 4.6)).mean()
        self.assertAlmostEqual(chance(Estimate(4, 1.1), 4.6), sampled, delta=0.002)

    def test_help_lifts_by_its_rungs_and_hand_over_hand_by_none(self) -> None:
        sure = replace(Estimate(4.0, 0.0), cov=((0.0,) * 3,) * 3)
        self.assertAlmostEqual(chance(sure, 5.0, "touch"), chance(sure, 4.0))
        self.assertAlmostEqual(chance(sure, 5.0, "hand_over_hand"), chance(sure, 5.0))

    def test_unknown_help_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "not on the ladder"):
            chance(Estimate(4, 1), 4, "magic")


class StartTest(TestCase):
    def test_what_was_seen_beats_age(self) -> None:
        self.assertEqual(start(Child(20), "cutting", seen_rung=9).mean, 9)

    def test_age_opens_the_window_of_its_rung(self) -> None:
        self.assertAlmostEqual(start(Child(39), "cutting").mean, 5)
        self.assertLess(start(Child(20), "cutting").mean, 1)

    def test_a_referred_child_starts_lower_and_wider_and_what_was_named_is_not_taken_for_done(self) -> None:
        """One to two years behind in what was named, some in what it needs, little elsewhere: common practice."""
        street, referred = Child(64), Child(64, wanted=("scissors",))
        self.assertAlmostEqual(start(referred, "cutting").mean, start(Child(46), "cutting").mean)
        self.assertAlmostEqual(start(referred, "finger_isolation").mean, start(Child(52), "finger_isolation").mean)
        self.assertAlmostEqual(start(referred, "midline").mean, start(Child(61), "midline").mean)
        self.assertGreater(start(referred, "cutting").sd, start(street, "cutting").sd)
        self.assertEqual(start(referred, "midline").sd, start(street, "midline").sd)
        self.assertEqual(start(Child(140, wanted=("laces",)), "laces").mean, 4.5)
        self.assertEqual(start(referred, "cutting", seen_rung=9).mean, 9)

    def test_ages_never_fall_along_a_ladder(self) -> None:
        for strand in STRANDS.values():
            ages = [r.age_months for r in strand.rungs if r.age_months is not None]
            self.assertEqual(ages, sorted(ages), strand.id)

    def test_a_rung_that_does_not_exist_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "has rungs 1 to 13"):
            start(Child(60), "cutting", seen_rung=14)


class TodayTest(TestCase):
    def test_a_good_start_today_raises_today_more_than_the_estimate(self) -> None:
        before = update(Estimate(4, 0.4), [SetEvidence("a", 4, 10, 8)], DAY - timedelta(weeks=1))
        won = [SetEvidence("b", 4.5, 8, 8)]
        planned, _ = ability.level_today(before, [], DAY, "a")
        now, _ = ability.level_today(before, won, DAY, "a")
        self.assertGreater(now - planned, update(before, won, DAY).mean - ability.on_day(before, DAY).mean)

    def test_a_lost_set_makes_the_easier_grade_the_better_one(self) -> None:
        ladder = [difficulty(Variant("peg_fence", (g, 1, 0)))["pinch"] for g in (0, 1, 2)]
        rung = ladder[1]
        estimate = Estimate(rung, 0.4)

        def step(won: int) -> int:
            return step_today(estimate, [SetEvidence("peg_fence", rung, 8, won)], DAY, "peg_fence", ladder, 1)

        self.assertEqual([step(2), step(6), step(8)], [-1, 0, 1])

    def test_far_off_the_ladder_it_still_goes_towards_the_child_and_stays_at_its_end(self) -> None:
        """Every grade is too hard, or too easy, today: none is likely to suit, and one is nearer all the same."""
        ladder = [difficulty(Variant("peg_fence", (g, 1, 0)))["pinch"] for g in (0, 1, 2)]
        rung = ladder[1]

        def steps(estimate: Estimate, won: int) -> list[int]:
            sets = [SetEvidence("peg_fence", rung, 16, won)]
            return [step_today(estimate, sets, DAY, "peg_fence", ladder, at) for at in range(3)]

        self.assertEqual(steps(Estimate(rung - 3, 0.4), 0), [0, -1, -2])
        self.assertEqual(steps(Estimate(rung + 4, 0.4), 16), [2, 1, 0])


class UpdateTest(TestCase):
    def test_agrees_with_a_general_item_response_package(self) -> None:
        """girth's expected a posteriori ability under a standard normal prior, on the same answers."""
        difficulties = np.array([-0.8, -0.3, 0.1, 0.4, 0.9, 1.3, 1.6])
        answers = np.array([1, 1, 0, 1, 1, 0, 0])
        theirs = girth.ability_eap(answers[:, None], difficulties - 1.0, LOG_ODDS_PER_RUNG)[0]
        sd = np.sqrt(1 - OFFSET_SD**2 - DAY_SD**2)  # so that rung, offset and day together are standard normal
        sets = [SetEvidence("one", float(d), 1, int(a)) for d, a in zip(difficulties, answers, strict=True)]
        with patch("core.ability.estimate.SLIP", 0.0):  # the package knows no slips
            mean = update(Estimate(0.0, float(sd)), sets, DAY).mean
        ours = mean / sd**2  # back from the rung's share to the whole level
        self.assertAlmostEqual(ours, float(theirs), delta=0.01)

    def test_success_raises_failure_lowers_and_both_narrow(self) -> None:
        before = Estimate(4, 1.0)
        up = update(before, [SetEvidence("a", 4.5, 10, 9)], DAY)
        down = update(before, [SetEvidence("a", 4.5, 10, 1)], DAY)
        self.assertGreater(up.mean, before.mean)
        self.assertLess(down.mean, before.mean)
        self.assertLess(up.sd, before.sd)

    def test_hand_over_hand_tells_nothing(self) -> None:
        before = Estimate(4, 1.0)
        self.assertEqual(update(before, [SetEvidence("a", 4, 10, 10, "hand_over_hand")], DAY), before)

    def test_success_with_help_says_less(self) -> None:
        alone = update(Estimate(4, 1.0), [SetEvidence("a", 4.5, 8, 8)], DAY)
        helped = update(Estimate(4, 1.0), [SetEvidence("a", 4.5, 8, 8, "steadied")], DAY)
        self.assertLess(helped.mean, alone.mean)

    def test_one_odd_activity_is_laid_to_the_activity(self) -> None:
        estimate = Estimate(4, 1.0)
        for week in range(8):
            day = DAY + timedelta(days=7 * week)
            estimate = update(
                estimate,
                [SetEvidence("easy_for_them", 4, 10, 10), SetEvidence("b", 4, 10, 7), SetEvidence("c", 4, 10, 7)],
                day,
            )
        shift, _ = estimate.offset("easy_for_them")
        self.assertGreater(shift, 0.2)
        self.assertGreater(shift, estimate.offset("b")[0] + 0.3)

    def test_waiting_widens_and_practice_brings_a_little_for_a_fortnight(self) -> None:
        estimate = update(Estimate(4, 1.0), [SetEvidence("a", 4, 10, 8)], DAY)
        soon, later, much_later = (ability.on_day(estimate, DAY + timedelta(weeks=w)) for w in (1, 2, 10))
        self.assertAlmostEqual(soon.mean, estimate.mean + estimate.gain)
        self.assertAlmostEqual(later.mean, estimate.mean + 2 * estimate.gain)
        self.assertEqual(much_later.mean, later.mean)
        self.assertTrue(estimate.sd < soon.sd < later.sd < much_later.sd)

    def test_carrying_on_in_two_steps_is_carrying_on_in_one(self) -> None:
        estimate = update(Estimate(4, 1.0), [SetEvidence("a", 4, 10, 8)], DAY)
        once = ability.on_day(estimate, DAY + timedelta(weeks=4))
        twice = ability.on_day(ability.on_day(estimate, DAY + timedelta(days=9)), DAY + timedelta(weeks=4))
        self.assertAlmostEqual(once.mean, twice.mean)
        self.assertAlmostEqual(once.sd, twice.sd)

    def test_a_quick_childs_gain_is_learned(self) -> None:
        rng = np.random.default_rng(4)
        gains = {}
        for rate in (0.0, 0.3):
            estimate, child = Estimate(4.0, 0.6), MadeUp(4.0, "slow", rng, per_week=rate)
            for week in range(16):
                day = DAY + timedelta(weeks=week)
                rung = ability.on_day(estimate, day).mean
                estimate = update(estimate, [child.play(week, f"f{i}", rung, 10) for i in range(3)], day)
            gains[rate] = estimate.gain
        self.assertGreater(gains[0.3], gains[0.0] + 0.05)

    def test_an_estimate_from_before_gains_were_learned_can_be_read(self) -> None:
        old = dict(ability.as_plain(update(Estimate(4, 1.0), [SetEvidence("a", 4, 10, 8)], DAY)))
        del old["gain"], old["carried"], old["reliance"], old["highest"], old["usual"]
        old["cov"] = [row[:-2] for row in old["cov"][:-2]]
        read = ability.from_plain(old)
        self.assertEqual((read.gain, read.reliance, len(read.cov)), (GAIN_PER_WEEK, 0.0, 4))
        self.assertGreater(ability.on_day(read, DAY + timedelta(weeks=1)).mean, read.mean)

    def test_more_successes_than_tries_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "Count again"):
            SetEvidence("a", 4, 5, 6)

    def test_goes_into_json_and_comes_back_the_same(self) -> None:
        estimate = update(Estimate(4, 1.0), [SetEvidence("a", 4, 10, 8), SetEvidence("b", 5, 6, 2)], DAY)
        self.assertEqual(ability.from_plain(ability.as_plain(estimate)), estimate)

    @settings(max_examples=30, deadline=None)
    @given(st.permutations(range(4)))
    def test_the_order_of_a_days_sets_does_not_matter(self, order: list[int]) -> None:
        sets = [
            SetEvidence("a", 4, 8, 6),
            SetEvidence("b", 5, 8, 3),
            SetEvidence("a", 4.5, 6, 6, "spoken"),
            SetEvidence("c", 3, 4, 4),
        ]
        one = update(Estimate(4, 1), sets, DAY)
        other = update(Estimate(4, 1), [sets[i] for i in order], DAY)
        self.assertAlmostEqual(one.mean, other.mean, places=12)

    def test_the_names_of_activities_do_not_matter(self) -> None:
        sets = [SetEvidence("a", 4, 8, 8), SetEvidence("b", 4.5, 8, 1), SetEvidence("c", 3, 8, 4)]
        names = {"a": "z", "b": "m", "c": "a"}
        renamed = [replace(s, activity_id=names[s.activity_id]) for s in sets]
        one, other = update(Estimate(4, 1.5), sets, DAY), update(Estimate(4, 1.5), renamed, DAY)
        self.assertAlmostEqual(one.mean, other.mean, delta=0.01)

    def test_one_odd_miss_moves_nothing_far(self) -> None:
        sure = Estimate(6.0, 0.6)
        with_miss = update(sure, [SetEvidence("a", 3.0, 12, 11)], DAY)
        self.assertGreater(with_miss.mean, 5.8)

    def test_a_day_before_the_last_is_refused(self) -> None:
        estimate = update(Estimate(4, 1.0), [SetEvidence("a", 4, 8, 6)], DAY)
        with self.assertRaisesRegex(ValueError, "from its start"):
            update(estimate, [SetEvidence("a", 4, 8, 6)], DAY - timedelta(days=1))

    def test_a_rung_that_is_no_number_is_refused(self) -> None:
        for bad in (float("nan"), float("inf")):
            with self.assertRaisesRegex(ValueError, "not a number"):
                SetEvidence("a", bad, 8, 6)
            with self.assertRaisesRegex(ValueError, "not a number"):
                SetEvidence("a", 4, 8, 6, rungs={"pinch": bad})

    def test_a_ladder_has_a_top_and_a_floor(self) -> None:
        """Forty weeks of nothing but successes at the top grade, or of nothing but misses at the first."""
        ladder = STRANDS["pinch"]
        for rung, won, low, high in ((ladder.top, 8, ladder.top, ladder.top + 1.5), (1, 0, -1.0, 1.0)):
            estimate = start(Child(60), "pinch", seen_rung=rung)
            for week in range(40):
                estimate = update(estimate, [SetEvidence("a", float(rung), 8, won)], DAY + timedelta(weeks=week))
            ahead = ability.on_day(estimate, DAY + timedelta(weeks=41))
            self.assertTrue(low <= ahead.mean <= high, ahead.mean)

    def test_a_child_grows_between_episodes_of_care(self) -> None:
        """By the ages of the ladder, at the share of the usual rung the child stood at; the doubt grows, too."""
        seen = update(start(Child(39), "cutting", seen_rung=4, on=DAY), [SetEvidence("a", 4, 10, 8)], DAY)
        later = ability.on_day(seen, DAY + timedelta(days=730))
        new = start(Child(63), "cutting").mean
        self.assertTrue(seen.mean + 2 < later.mean < new, (seen.mean, later.mean, new))
        self.assertGreater(later.sd, 1.5)
        unaged = ability.on_day(replace(seen, usual=()), DAY + timedelta(days=730))
        self.assertLess(unaged.mean, seen.mean + 0.3)

    def test_what_help_brings_a_child_is_learned_and_until_then_in_doubt(self) -> None:
        """Six sessions with touch only of a child whom it lifts by half as much again."""
        rng, errors, reliances = np.random.default_rng(8), [], []
        for _ in range(12):
            child, estimate = MadeUp(4.0, "prompt_dependent", rng, per_week=0.0), Estimate(4.0, 1.2)
            for week in range(6):
                sets = [child.play(week, f"f{i}", 4.5, 8, "touch") for i in range(3)]
                estimate = update(estimate, sets, DAY + timedelta(weeks=week))
            self.assertGreater(estimate.sd, 0.4)
            for week in range(6, 12):
                sets = [child.play(week, f"f{i}", 4.5, 8, s) for i, s in enumerate(("touch", "alone"))]
                estimate = update(estimate, sets, DAY + timedelta(weeks=week))
            reliances.append(estimate.reliance)
            errors.append(estimate.mean - 3.6)
        self.assertGreater(float(np.mean(reliances)), 0.15)
        self.assertLess(abs(float(np.mean(errors))), 0.35)

    def test_a_rung_seen_keeps_what_was_learned_of_the_child(self) -> None:
        known = update(Estimate(4, 1.0), [SetEvidence("a", 4, 10, 10), SetEvidence("b", 4, 10, 4)], DAY)
        anew = ability.seen_at(known, 6, DAY)
        self.assertEqual((anew.mean, anew.offsets, anew.gain), (6.0, known.offsets, known.gain))
        self.assertEqual(anew.as_of, DAY)
        ability.on_day(anew, DAY + timedelta(weeks=3))

    @slow
    def test_the_doubt_it_reports_is_the_error_it_makes(self) -> None:
        """Made-up children of known truth: the standardised error has a spread near 1."""
        rng = np.random.default_rng(5)
        errors = []
        for _ in range(120):
            child = MadeUp(float(rng.normal(4, 1.2)), "slow", rng, per_week=0.05)
            estimate = Estimate(4, 1.2)
            for week in range(8):
                child.new_day()
                day = DAY + timedelta(days=7 * week)
                estimate = ability.on_day(estimate, day)
                sets = [child.play(week, f"f{rng.integers(5)}", estimate.mean, 8) for _ in range(3)]
                estimate = update(estimate, sets, day)
            errors.append((estimate.mean - child.true_rung(7)) / estimate.sd)
        self.assertLess(abs(float(np.mean(errors))), 0.35)
        self.assertTrue(0.75 < float(np.std(errors)) < 1.25, np.std(errors))
