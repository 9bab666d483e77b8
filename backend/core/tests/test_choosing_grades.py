"""Choosing the next grade by the estimate, against two other ways, on made-up children whose truth is known.

The staircase (up after two sets at 8 in 10 or better, down under 5 in 10) is common practice, no source. The
oracle knows the truth but not the day. A set is well placed when its true chance lies between 0.65 and 0.90.
"""

from collections.abc import Callable
from datetime import date, timedelta
from unittest import TestCase

import numpy as np

from core.ability import Estimate, chance, on_day, update
from core.child import Zones
from core.simulate import LEARNING, Child

GRADES = np.arange(0.5, 9.0, 0.4)  # rungs a house offers
SETS, TRIES, SESSIONS, FAMILIES, LEAD_IN = 3, 8, 14, 6, 4
MIDDLE = (Zones().of("main").low + Zones().of("main").high) / 2
DAY = date(2026, 1, 5)


def by_estimate() -> Callable[[Child, int], list[float]]:
    """Nearest to the middle of the main zone by the estimate, the activity's offset learned."""
    state = {"estimate": Estimate(4.0, 1.5)}

    def session(child: Child, week: int) -> list[float]:
        day = DAY + timedelta(weeks=week)
        estimate = on_day(state["estimate"], day)
        sets, truths = [], []
        for family in _families(child):
            chances = chance(estimate, GRADES, family=family)
            rung = float(GRADES[np.argmin(np.abs(chances - MIDDLE))])
            truths.append(child.true_chance(week, family, rung))
            sets.append(child.play(week, family, rung, TRIES))
        state["estimate"] = update(estimate, sets, day)
        return truths

    return session


def by_staircase() -> Callable[[Child, int], list[float]]:
    """One grade for the strand: up after two good sets, down after a bad one."""
    state = {"at": int(np.argmin(np.abs(GRADES - 4.0))), "good": 0}

    def session(child: Child, week: int) -> list[float]:
        truths = []
        for family in _families(child):
            rung = float(GRADES[state["at"]])
            truths.append(child.true_chance(week, family, rung))
            share = child.play(week, family, rung, TRIES).successes / TRIES
            state["good"] = state["good"] + 1 if share >= 0.8 else 0
            if state["good"] == 2:
                state["at"], state["good"] = min(state["at"] + 1, len(GRADES) - 1), 0
            elif share < 0.5:
                state["at"] = max(state["at"] - 1, 0)
        return truths

    return session


def by_oracle() -> Callable[[Child, int], list[float]]:
    """Nearest to 8 in 10 by the truth, the day left out."""

    def session(child: Child, week: int) -> list[float]:
        truths = []
        for family in _families(child):
            level = child.true_rung(week) + child.offset(family)
            rung = float(GRADES[np.argmin(np.abs(GRADES - level))])
            truths.append(child.true_chance(week, family, rung))
        return truths

    return session


def _families(child: Child) -> list[str]:
    return [f"f{child.random.integers(FAMILIES)}" for _ in range(SETS)]


def well_placed(way: Callable[[], Callable[[Child, int], list[float]]], kind: str, children: int = 40) -> float:
    """The share of sets after the lead-in whose true chance lies in the zone."""
    inside: list[bool] = []
    for seed in range(children):
        random = np.random.default_rng(900 + seed)
        child, session = Child(float(random.uniform(2.5, 6.0)), kind, random), way()
        for week in range(SESSIONS):
            child.new_day()
            truths = session(child, week)
            if week >= LEAD_IN:
                inside += [0.65 <= t <= 0.90 for t in truths]
    return float(np.mean(inside))


class ChoosingGradesTest(TestCase):
    def test_the_estimate_places_more_sets_well_than_the_staircase(self) -> None:
        """In the mean over every kind of child, and clearly so where a child moves slowly, stalls, goes back or leans on help.

        Known limit: a very quick child (0.22 rungs a week) outruns the estimate, since it expects no practice gain
        from week to week; there the staircase does better.
        """
        ours = {kind: well_placed(by_estimate, kind) for kind in LEARNING}
        stairs = {kind: well_placed(by_staircase, kind) for kind in LEARNING}
        self.assertGreater(np.mean(list(ours.values())), 1.03 * np.mean(list(stairs.values())))
        for kind in ("slow", "plateau", "setback", "prompt_dependent"):
            self.assertGreater(ours[kind], 1.05 * stairs[kind], kind)

    def test_and_comes_near_what_knowing_the_truth_would_give(self) -> None:
        ours = np.mean([well_placed(by_estimate, kind) for kind in LEARNING])
        best = np.mean([well_placed(by_oracle, kind) for kind in LEARNING])
        self.assertGreater(ours / best, 0.75)
        self.assertLess(ours, best)

    def test_forecasts_come_true_as_often_as_they_say(self) -> None:
        said, won = [], []
        for seed in range(60):
            random = np.random.default_rng(seed)
            child, estimate = Child(float(random.normal(4, 1.2)), "slow", random, per_week=0.05), Estimate(4.0, 1.2)
            for week in range(10):
                child.new_day()
                day = DAY + timedelta(weeks=week)
                estimate = on_day(estimate, day)
                sets = []
                for family in _families(child):
                    rung = float(random.uniform(estimate.mean - 1, estimate.mean + 1.5))
                    said.append(float(chance(estimate, rung, family=family)))
                    done = child.play(week, family, rung, TRIES)
                    won.append(done.successes / TRIES)
                    sets.append(done)
                estimate = update(estimate, sets, day)
        forecast, came = np.array(said), np.array(won)
        for low in (0.5, 0.6, 0.7, 0.8):
            inside = (forecast >= low) & (forecast < low + 0.1)
            self.assertGreater(inside.sum(), 60)
            self.assertAlmostEqual(forecast[inside].mean(), came[inside].mean(), delta=0.06, msg=f"band {low}")
