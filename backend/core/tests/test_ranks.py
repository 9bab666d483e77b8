"""Is the estimate honest about its own doubt? Simulation-based ranks (Cook, Gelman & Rubin 2006; Talts et al. 2018).

Truths are drawn from what the estimate believes before any set, sets are drawn from those truths, and the truth's
place in what the estimate believes afterwards is looked up. Over many children these places must be spread evenly:
bunched in the middle the estimate doubts too much, at the ends too little, to one side it leans.
"""

from datetime import date, timedelta
from functools import cache
from unittest import TestCase

import numpy as np
from scipy.stats import chisquare, norm

from core.ability import Estimate, SetEvidence, on_day, update
from core.ability.estimate import (
    DAY_SD,
    DRIFT_SD_PER_WEEK,
    GAIN_DRIFT_SD,
    GAIN_PER_WEEK,
    GAIN_SD,
    HELP_SD,
    OFFSET_SD,
    odds_curve,
    with_slips,
)
from core.recording import lift
from testing.tags import slow

CHILDREN, WEEKS, BINS = 600, 5, 10
START = date(2026, 3, 2)
PRIOR = Estimate(4.0, 1.2)
ACTIVITIES = ("peg_fence", "load_the_barge", "squirrel_store")


@cache
def places() -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Where the true rung, and the true gain, stand in what is believed after some weeks; 0 to 1."""
    random = np.random.default_rng(20_260_302)
    pairs = [_one(random) for _ in range(CHILDREN)]
    return tuple(p[0] for p in pairs), tuple(p[1] for p in pairs)


def _one(random: np.random.Generator) -> tuple[float, float]:
    rung, gain = random.normal(PRIOR.mean, PRIOR.sd), random.normal(GAIN_PER_WEEK, GAIN_SD)
    offsets, reliance = {f: random.normal(0, OFFSET_SD) for f in ACTIVITIES}, random.normal(0, HELP_SD)
    estimate = PRIOR
    for week in range(WEEKS):
        on = START + timedelta(weeks=week)
        if week:
            rung += gain + random.normal(0, DRIFT_SD_PER_WEEK)
            gain += random.normal(0, GAIN_DRIFT_SD)
        day = random.normal(0, DAY_SD)
        sets = []
        for activity in random.choice(ACTIVITIES, 2, replace=False):
            level = on_day(estimate, on).mean + random.uniform(-0.8, 0.8)
            support = "spoken" if random.random() < 0.25 else "alone"
            chance = float(
                with_slips(odds_curve(rung + offsets[activity] + day + (1 + reliance) * lift(support) - level))
            )
            sets.append(SetEvidence(str(activity), level, 8, int(random.binomial(8, chance)), support))
        estimate = update(estimate, sets, on)
    gain_sd = float(np.sqrt(estimate.cov[-2][-2]))
    return float(norm.cdf(rung, estimate.mean, estimate.sd)), float(norm.cdf(gain, estimate.gain, gain_sd))


class RanksTest(TestCase):
    def evenly(self, ranks: tuple[float, ...]) -> float:
        return float(chisquare(np.histogram(ranks, bins=BINS, range=(0, 1))[0]).pvalue)

    def test_the_true_rung_stands_anywhere_in_the_belief_equally_often(self) -> None:
        self.assertGreater(self.evenly(places()[0]), 0.01)

    def test_so_does_what_practice_brings(self) -> None:
        self.assertGreater(self.evenly(places()[1]), 0.01)

    @slow
    def test_nine_in_ten_truths_lie_in_the_middle_nine_tenths(self) -> None:
        inside = float(np.mean([0.05 <= r <= 0.95 for r in places()[0]]))
        self.assertAlmostEqual(inside, 0.9, delta=0.035)  # three standard errors of 600 draws

    @slow
    def test_a_belief_too_sure_by_a_third_would_be_found_out(self) -> None:
        narrow = tuple(float(norm.cdf(norm.ppf(r) * 1.5)) for r in places()[0])
        self.assertLess(self.evenly(narrow), 0.001)


STRANDS_ASKED = ("hold_and_act", "object_grasp")


@cache
def joint_places(shared_day: bool) -> tuple[float, ...]:
    """Where the true rungs of two strands stand in what is believed after sets that ask of both; 0 to 1."""
    random = np.random.default_rng(20_260_303)
    return tuple(place for _ in range(CHILDREN // 2) for place in _two(random, shared_day))


def _two(random: np.random.Generator, shared_day: bool) -> list[float]:
    truth = {s: random.normal(PRIOR.mean, PRIOR.sd) for s in STRANDS_ASKED}
    offsets = {(s, a): random.normal(0, OFFSET_SD) for s in STRANDS_ASKED for a in ACTIVITIES}
    beliefs = dict.fromkeys(STRANDS_ASKED, PRIOR)
    for week in range(WEEKS):
        on = START + timedelta(weeks=week)
        if week:
            truth = {s: t + GAIN_PER_WEEK + random.normal(0, DRIFT_SD_PER_WEEK) for s, t in truth.items()}
        together = random.normal(0, DAY_SD)
        day = {s: together if shared_day else random.normal(0, DAY_SD) for s in STRANDS_ASKED}
        sets = []
        for activity in (str(a) for a in random.choice(ACTIVITIES, 2, replace=False)):
            asked = {s: on_day(beliefs[s], on).mean + random.uniform(-1.2, 0.8) for s in STRANDS_ASKED}
            gaps = [truth[s] + offsets[s, activity] + day[s] - asked[s] for s in STRANDS_ASKED]
            won = int(random.binomial(8, float(with_slips(odds_curve(min(gaps))))))
            sets.append(SetEvidence(activity, 0.0, 8, won, rungs=asked))
        beliefs = update(beliefs, sets, on)
    return [float(norm.cdf(truth[s], beliefs[s].mean, beliefs[s].sd)) for s in STRANDS_ASKED]


class JointRanksTest(TestCase):
    """The same, for sets that tell of two strands at once."""

    @slow
    def test_nine_in_ten_truths_of_both_strands_lie_in_the_middle_nine_tenths(self) -> None:
        """Whether a good or a bad day is each strand's own or shared by both; and the belief leans to no side."""
        for shared_day in (False, True):
            places = joint_places(shared_day)
            self.assertAlmostEqual(float(np.mean([0.05 <= r <= 0.95 for r in places])), 0.9, delta=0.035)
            self.assertAlmostEqual(float(np.mean(places)), 0.5, delta=0.04)

    def test_taking_the_same_tries_in_full_for_each_strand_would_blame_both(self) -> None:
        """A strand with room to spare is not pulled down by failures that the other explains."""
        beliefs = {"hold_and_act": Estimate(2.0, 0.6), "object_grasp": Estimate(5.0, 0.6)}
        missed = SetEvidence("peg_fence", 3.0, 10, 3, rungs={"hold_and_act": 3.0, "object_grasp": 3.0})
        after = update(beliefs, [missed], START)
        apart = update(beliefs["object_grasp"], [missed], START)
        self.assertGreater(after["object_grasp"].mean, 4.9)
        self.assertLess(apart.mean, 4.4)
