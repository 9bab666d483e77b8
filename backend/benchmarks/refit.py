"""What learning from the clinic's own children brings: a library whose bases are wrong, and one that is right."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from datetime import timedelta

import numpy as np

from benchmarks.choosing import DAY, TRIES
from core.ability import Estimate, SetEvidence, update
from core.ability.simulation import Child
from core.library import ACTIVITIES
from core.offers import Variant, difficulty, variants_of
from core.recording import AS_SHIPPED, Learned
from core.refit import History, refit
from core.running import WELL_PLACED, SetResult, fits_today

Say = Callable[[str], object]
STRAND = "writing"
FIRST = Estimate(6.0, 1.2)


@dataclass
class Clinic:
    """Children who share a truth about activities that the library may be wrong about.

    wrong -- rungs each activity is harder than the library says
    """

    strand: str
    wrong: Mapping[str, float]
    random: np.random.Generator
    ladders: dict[str, list[tuple[float, Variant]]] = field(default_factory=dict)

    def ladder(self, activity: str) -> list[tuple[float, Variant]]:
        """The grades of an activity, easiest first, with the rung the library says each asks."""
        if activity not in self.ladders:
            rungs = {round(difficulty(v)[self.strand], 3): v for v in variants_of(ACTIVITIES[activity])}
            self.ladders[activity] = sorted(rungs.items())
        return self.ladders[activity]

    def child(self) -> Child:
        """A child of this clinic."""
        child = Child(float(self.random.normal(6.0, 1.0)), "slow", self.random)
        child.offsets = {a: float(self.random.normal(0, 0.5)) - by for a, by in self.wrong.items()}
        return child

    def play(
        self, child: Child, sessions: int, learned: Learned = AS_SHIPPED
    ) -> tuple[list[SetResult], list[tuple[int, float]]]:
        """A child's sets, each at the grade the estimate finds best, and the true chance of each with its week."""
        estimate = FIRST
        sets: list[SetResult] = []
        truths: list[tuple[int, float]] = []
        for week in range(sessions):
            child.new_day()
            on = DAY + timedelta(weeks=week)
            today: list[SetEvidence] = []
            for activity in self.random.choice(sorted(self.wrong), 3, replace=False).tolist():
                ladder = self.ladder(activity)
                harder = learned.harder(activity, self.strand, ())
                rungs = [rung + harder for rung, _ in ladder]
                at = fits_today(estimate, today, on, activity, rungs).best(0)
                truth = child.true_chance(week, activity, ladder[at][0])
                truths.append((week, truth))
                won = int(self.random.binomial(TRIES, truth))
                done = SetResult(on, "b0", activity, ladder[at][1].grade, "alone", "right", TRIES, won)
                sets.append(done)
                today.append(replace(done.evidence(self.strand), difficulty=rungs[at]))
            estimate = update(estimate, today, on)
        return sets, truths


def strand_activities(strand: str, count: int = 8) -> list[str]:
    """Activities that train one strand alone."""
    return [a.id for a in ACTIVITIES.values() if tuple(a.trains) == (strand,)][:count]


def tried(strand: str, seed: int, spread: float, children: int, sessions: int) -> tuple[float, float, float, float]:
    """Return (error of the bases before, after, share well placed as shipped, share with what was learned)."""
    random = np.random.default_rng(seed)
    wrong = {a: float(random.normal(0, spread)) for a in strand_activities(strand)}
    clinic = Clinic(strand, wrong, random)
    histories = [History(n, {strand: FIRST}, clinic.play(clinic.child(), sessions)[0]) for n in range(children)]
    learned = refit(histories).learned("learned")
    left = [by - learned.harder(a, strand, ()) for a, by in wrong.items()]
    shares = []
    for how in (AS_SHIPPED, learned):
        fresh = Clinic(strand, wrong, np.random.default_rng(seed + 1))
        placed = [t for _ in range(12) for week, t in fresh.play(fresh.child(), 12, how)[1] if week < 12]
        shares.append(float(np.mean([WELL_PLACED.low <= t <= WELL_PLACED.high for t in placed])))
    rms = [float(np.sqrt(np.mean(np.square(e)))) for e in (list(wrong.values()), left)]
    return rms[0], rms[1], shares[0], shares[1]


def report(say: Say, libraries: int = 8) -> None:
    """Bases wrong for everybody, and a library that is right."""
    for spread, children, count in ((0.5, 30, 4), (0.5, 12, 4), (0.5, 30, 12), (0.0, 30, 4)):
        rows = np.array([tried(STRAND, seed, spread, children, count) for seed in range(libraries)])
        before, after, shipped, taught = rows.mean(axis=0)
        gained = rows[:, 3] - rows[:, 2]
        error = gained.std(ddof=1) / np.sqrt(libraries)
        say(
            f"library wrong by {spread} rung, {children} children of {count} sessions: bases off by {before:.2f} rung, "
            f"after {after:.2f}; new children well placed {shipped:.3f}, after {taught:.3f} "
            f"({gained.mean():+.3f} ± {error:.3f})"
        )
