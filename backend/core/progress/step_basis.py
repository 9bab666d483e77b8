"""What a next step rests on: the thresholds, the counts of the sets, and what is believed of the child.

Thresholds: common practice (10 tries, on two days, ten in a row of tosses) and from memory (stalled over about 4
sessions; out of date after 6 weeks).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from types import MappingProxyType

from core.ability import Estimate, chance, chance_between, gap_at
from core.library import find_activity
from core.offers import Variant, by_hand, difficulty, variants_of
from core.recording import SUPPORTS
from core.running import SetResult, well_placed

STALE_DAYS = 42  # evidence older than 6 weeks is checked again; from memory
OTHER_HAND = MappingProxyType({"right": "left", "left": "right"})
BOTH_HANDS = frozenset(
    {"squeeze", "pinch", "hold", "push", "midline"}
)  # trained with either hand on purpose: strength and transfer games; common practice
STEP_RUNGS = (0.15, 0.6)  # what a step harder or easier adds at the least and at the most, in rungs; project definition


@dataclass(frozen=True)
class Thresholds:
    """The thresholds for a clinic or a child.

    managed   -- the true chance from which a grade is managed
    sure      -- how sure that has to be before a step up
    too_hard  -- how sure it has to be that it is not, before a step down
    lately_share -- share alone on the last ready_days days, without which there is no step up
    """

    today: date
    strand: str
    managed: float = 0.75
    sure: float = 0.8
    too_hard: float = 0.8
    ready_share: float = 0.8
    lately_share: float = 0.7
    ready_tries: int = 10
    ready_days: int = 2
    row_wanted: int = 0
    stall_sessions: int = 4
    stall_rungs: float = 0.25
    stale_days: int = STALE_DAYS
    fade_tries: int = 6
    fade_first: bool = True
    fade_chance: float = 0.65
    same_level: float = 0.35
    preferred: str = ""


@dataclass(frozen=True)
class Evidence:
    """One number the decision rests on, with its unit and in words."""

    label: str
    value: float
    unit: str
    words: str


def policy_for(strand: str, today: date, fade_first: bool = True, hand: str = "") -> Thresholds:
    """The usual policy for a strand: toss and catch wants 10 in a row (common practice).

    hand -- the child's settled hand, right or left; anything else leaves hands out of it
    """
    settled = hand if hand in OTHER_HAND and strand in BOTH_HANDS else ""
    return Thresholds(
        today, strand, row_wanted=10 if strand == "toss_catch" else 0, fade_first=fade_first, preferred=settled
    )


def telling(history: Sequence[SetResult]) -> list[SetResult]:
    """The sets that tell anything, oldest first: hand over hand says nothing."""
    return sorted((s for s in history if SUPPORTS[s.support].informative), key=lambda s: s.on)


class Facts:
    """The few numbers every rule looks at."""

    def __init__(self, sets: list[SetResult], policy: Thresholds) -> None:
        self.strand, self.preferred = policy.strand, policy.preferred
        self.last_day = sets[-1].on
        self.days = sorted({s.on for s in sets})
        self.today_sets = [s for s in sets if s.on == self.last_day]
        self.work = self._mainly_done()
        self.level = self.work.difficulty[policy.strand]
        self.recent = [s for s in sets if (self.last_day - s.on).days <= policy.stale_days]
        self.harder = [s for s in self.recent if s.difficulty[policy.strand] > self.level + policy.same_level]
        self.here = [s for s in self.recent if abs(s.difficulty[policy.strand] - self.level) <= policy.same_level]
        self.alone = [s for s in self.here if s.alone_tries]
        self.helped = [s for s in self.here if s.support != "alone"]
        self.sets = sets

    def _mainly_done(self) -> SetResult:
        """A set at the grade most tries of the last day were made at; the harder of two."""
        tries: dict[tuple[str, tuple[int, ...]], int] = {}
        for s in self.today_sets:
            tries[s.activity_id, s.grade] = tries.get((s.activity_id, s.grade), 0) + s.tries
        return max(self.today_sets, key=lambda s: (tries[s.activity_id, s.grade], s.difficulty[self.strand]))

    @property
    def ready_sets(self) -> list[SetResult]:
        """The sets that tell whether this grade is managed alone: those at it, and what was managed above it."""
        return self.alone + [s for s in self.harder if s.alone_tries and s.alone_successes >= 0.8 * s.alone_tries]

    def lately(self, days: int) -> list[SetResult]:
        """The sets that tell what is managed alone at this grade, of the last so many days it was worked at."""
        last = sorted({s.on for s in self.alone})[-days:]
        return [s for s in self.alone if s.on in last]

    @staticmethod
    def share(sets: Sequence[SetResult]) -> tuple[int, int, float]:
        tries, won = sum(s.tries for s in sets), sum(s.successes for s in sets)
        return won, tries, won / tries if tries else 0.0

    @staticmethod
    def share_alone(sets: Sequence[SetResult]) -> tuple[int, int, float]:
        """Successes, tries and their share without help: a try that came right with help after failing is a failure
        here.
        """
        tries, won = sum(s.alone_tries for s in sets), sum(s.alone_successes for s in sets)
        return won, tries, won / tries if tries else 0.0


class Belief:
    """What is believed of the child at the grade mainly worked at, and at the ones beside it."""

    def __init__(self, estimate: Estimate, facts: Facts) -> None:
        self.estimate, self.level = estimate, facts.level
        self.name = by_hand(facts.work.activity_id, facts.work.hand, facts.preferred)
        self.ladder = _ladder(facts.work, facts.strand)

    @cached_property
    def chance_here(self) -> float:
        """The chance of success alone at this grade."""
        return float(chance(self.estimate, self.level, activity_id=self.name))

    def placed(self, rung: float) -> float:
        """The chance that a set at a rung is well placed on a day to come."""
        return float(well_placed([self.estimate.level(self.name)], [[rung]])[0])

    def at_least(self, share: float) -> float:
        """How sure it is that the true chance here, good and bad days left out, is this or more."""
        shift, extra = self.estimate.offset(self.name)
        sd = max(self.estimate.sd**2 + extra, 1e-9) ** 0.5
        return float(chance_between([(self.estimate.mean + shift, sd)], [[self.level]], gap_at(share), 99.0)[0])

    def better(self, side: int) -> bool:
        """Whether the next grade on a side is likelier to be well placed than this one."""
        low, high = STEP_RUNGS
        steps = [r for r in self.ladder if low <= (r - self.level) * side <= high]
        nearest = min(steps, key=lambda r: abs(r - self.level), default=self.level + side * sum(STEP_RUNGS) / 2)
        return self.placed(nearest) > self.placed(self.level)

    def evidence(self, policy: Thresholds) -> tuple[Evidence, ...]:
        """What is believed, in words."""
        sure = self.at_least(policy.managed)
        percent = round(sure * 100)
        words = f"{article(percent)} {percent} % chance of truly managing {policy.managed * 10:.1f} of 10 or better"
        return (
            Evidence("chance", self.chance_here, "share of tries", f"{self.chance_here * 10:.1f} of 10 expected alone"),
            Evidence("sure", sure, "probability", words),
        )


def _ladder(work: SetResult, strand: str) -> list[float]:
    """The rungs that the grades of an activity ask in a strand, easiest first, as near to this home's as is known."""
    off = work.difficulty[strand] - difficulty(Variant(work.activity_id, work.grade))[strand]
    return sorted({round(difficulty(v)[strand] + off, 3) for v in variants_of(find_activity(work.activity_id))})


def article(percent: int) -> str:
    """“an 80 % chance”, “a 95 % chance”: as the number is said."""
    return "an" if percent in (8, 11, 18) or 80 <= percent < 90 else "a"
