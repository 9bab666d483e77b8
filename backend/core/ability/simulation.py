"""Made-up children whose truth is known, to try the rules against and to fill the demo.

A made-up child has a true rung per strand that moves by a way of learning, good and bad days, and
activities that suit or do not. Randomness is passed in.
"""

from dataclasses import dataclass, field

import numpy as np

from core.ability.estimate import DAY_SD, OFFSET_SD, SetEvidence, odds_curve, with_slips
from core.recording import SupportLevel, lift

LEARNING = {
    # rungs a week, and what happens to it: a third of a rung in three months is good progress; project definition
    "quick": 0.045,
    "slow": 0.012,
    "plateau": 0.05,
    "setback": 0.03,
    "patchy": 0.02,
    "prompt_dependent": 0.015,
}


@dataclass
class Child:
    """A made-up child in one strand. rung is the truth, in rungs; weeks run from the first session.

    One who relies on prompts does less alone than others at the same rung, and gains more from help.
    """

    rung: float
    kind: str
    random: np.random.Generator
    per_week: float | None = None
    offsets: dict[str, float] = field(default_factory=dict)
    day: float = 0.0

    def true_rung(self, week: float) -> float:
        """The truth in a week, day swing left out."""
        rate = LEARNING[self.kind] if self.per_week is None else self.per_week
        if self.kind == "plateau":
            return self.rung + rate * min(week, 5.0)
        if self.kind == "setback":
            return self.rung + rate * week - (0.8 if week >= 7 else 0.0)
        return self.rung + rate * week

    def new_day(self) -> None:
        """Draw the day's swing; patchy children swing twice as far."""
        self.day = float(self.random.normal(0, DAY_SD * (2 if self.kind == "patchy" else 1)))

    def offset(self, activity_id: str) -> float:
        """How much better or worse this child is at one activity than at its equals, in rungs."""
        if activity_id not in self.offsets:
            self.offsets[activity_id] = float(self.random.normal(0, OFFSET_SD))
        return self.offsets[activity_id]

    def level(self, week: float, activity_id: str, support: SupportLevel = "alone") -> float:
        """What the child can do at an activity with some help, in rungs, the day's swing left out."""
        leans = self.kind == "prompt_dependent"
        helped = lift(support) * (1.5 if leans else 1.0)
        return self.true_rung(week) + self.offset(activity_id) + helped - (0.4 if leans and support == "alone" else 0.0)

    def true_chance(self, week: float, activity_id: str, difficulty: float, support: SupportLevel = "alone") -> float:
        """The true chance of success today."""
        return float(with_slips(odds_curve(self.level(week, activity_id, support) + self.day - difficulty)))

    def attempt(self, week: float, activity_id: str, difficulty: float) -> tuple[float, bool]:
        """One try alone: its true chance, and how it went."""
        truth = self.true_chance(week, activity_id, difficulty)
        return truth, bool(self.random.random() < truth)

    def play(
        self, week: float, activity_id: str, difficulty: float, tries: int, support: SupportLevel = "alone"
    ) -> SetEvidence:
        """One set as it would go, with the same help from the start of every try."""
        won = int(self.random.binomial(tries, self.true_chance(week, activity_id, difficulty, support)))
        return SetEvidence(activity_id, difficulty, tries, won, support)
