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
from core.ability.estimate import DAY_SD, DRIFT_SD_PER_WEEK, GAIN_PER_WEEK, GAIN_SD, OFFSET_SD, odds_curve
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
    offsets = {f: random.normal(0, OFFSET_SD) for f in ACTIVITIES}
    estimate = PRIOR
    for week in range(WEEKS):
        on = START + timedelta(weeks=week)
        if week:
            rung += gain + random.normal(0, DRIFT_SD_PER_WEEK)
        day = random.normal(0, DAY_SD)
        sets = []
        for activity in random.choice(ACTIVITIES, 2, replace=False):
            level = on_day(estimate, on).mean + random.uniform(-0.8, 0.8)
            support = "spoken" if random.random() < 0.25 else "alone"
            chance = float(odds_curve(rung + offsets[activity] + day + lift(support) - level))
            sets.append(SetEvidence(str(activity), level, 8, int(random.binomial(8, chance)), support))
        estimate = update(estimate, sets, on)
    gain_sd = float(np.sqrt(estimate.cov[-1][-1]))
    return float(norm.cdf(rung, estimate.mean, estimate.sd)), float(norm.cdf(gain, estimate.gain, gain_sd))


class RanksTest(TestCase):
    def evenly(self, ranks: tuple[float, ...]) -> float:
        return float(chisquare(np.histogram(ranks, bins=BINS, range=(0, 1))[0]).pvalue)

    def test_the_true_rung_stands_anywhere_in_the_belief_equally_often(self) -> None:
        self.assertGreater(self.evenly(places()[0]), 0.01)

    def test_so_does_what_practice_brings(self) -> None:
        self.assertGreater(self.evenly(places()[1]), 0.01)

    def test_nine_in_ten_truths_lie_in_the_middle_nine_tenths(self) -> None:
        inside = float(np.mean([0.05 <= r <= 0.95 for r in places()[0]]))
        self.assertAlmostEqual(inside, 0.9, delta=0.035)  # three standard errors of 600 draws

    @slow
    def test_a_belief_too_sure_by_a_third_would_be_found_out(self) -> None:
        narrow = tuple(float(norm.cdf(norm.ppf(r) * 1.5)) for r in places()[0])
        self.assertLess(self.evenly(narrow), 0.001)
