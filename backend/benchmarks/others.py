"""Children made in other ways than the estimate assumes, kept aside to check with: no constant was chosen by them.

Days with heavy tails, skills that move by jumps, taps on the wrong button, sessions that warm up or tire.
"""

from dataclasses import dataclass

import numpy as np

from core.ability.simulation import Child

WAYS_TO_DIFFER = ("heavy days", "jumps", "wrong taps", "warms up", "tires")
WRONG_TAPS = 0.05  # of tries
WARM_AFTER, COLD = 6, 0.8  # tries; rungs
TIRES = 0.03  # rungs a try


@dataclass
class Other(Child):
    """A made-up child who breaks one assumption: `way`, of WAYS_TO_DIFFER. The truth of a try is what the child would
    do, whatever is tapped.
    """

    way: str = ""
    tries_today: int = 0
    jump_week: float = 0.0

    def new_day(self) -> None:
        """Draw the day's swing."""
        super().new_day()
        self.tries_today = 0
        if self.way == "heavy days":
            self.day = float(self.random.standard_t(3)) * 0.35

    def true_rung(self, week: float) -> float:
        """The truth in a week, day swing left out."""
        if self.way == "jumps":
            return self.rung + 0.7 * (week >= self.jump_week) + 0.5 * (week >= self.jump_week + 4)
        return super().true_rung(week)

    def attempt(self, week: float, activity_id: str, difficulty: float) -> tuple[float, bool]:
        """One try alone: its true chance, and what was tapped."""
        lower = 0.0
        if self.way == "warms up":
            lower = COLD * (self.tries_today < WARM_AFTER)
        elif self.way == "tires":
            lower = TIRES * self.tries_today
        self.tries_today += 1
        truth, success = super().attempt(week, activity_id, difficulty + lower)
        if self.way == "wrong taps" and self.random.random() < WRONG_TAPS:
            success = not success
        return truth, success


def other(seed: int, way: str) -> Other:
    """One child, by its seed and the assumption it breaks."""
    random = np.random.default_rng(4000 + seed)
    child = Other(float(random.uniform(2.5, 6.0)), "slow", random, way=way)
    child.jump_week = float(random.integers(2, 8))
    return child
