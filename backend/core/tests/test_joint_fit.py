"""The whole likelihood against other ways of working the same thing out, and what is learned from many children.

Against scipy.optimize (the same posterior maximised by a general method), importance sampling (exact inference on small
histories), and girth 0.8.0 (difficulties of a Rasch model by marginal maximum likelihood).
"""

from datetime import date, timedelta
from typing import Any
from unittest import TestCase
from unittest.mock import patch

import girth
import numpy as np
from scipy.optimize import minimize

from benchmarks.refit import tried
from core.ability import Common, Estimate, FitDay, Gain, JointFit, SetEvidence, update
from core.ability.estimate import (
    DAY_SD,
    DRIFT_SD_PER_WEEK,
    HELP_SD,
    LOG_ODDS_PER_RUNG,
    OFFSET_SD,
    odds_curve,
    with_slips,
)
from core.recording import Learned, lift
from core.refit import Correction, History, Refit, refit
from testing.core_builders import set_of
from testing.tags import slow

DAY = date(2026, 3, 2)
START = Estimate(4.0, 1.2)


def evidence(name: str, rung: float, won: int, tries: int = 8, support: str = "alone") -> SetEvidence:
    return SetEvidence(name, rung, tries, won, support, {"a": rung})  # type: ignore[arg-type]


TWO_DAYS = [
    FitDay(DAY, [evidence("f", 4.2, 6), evidence("g", 3.6, 5), evidence("f", 4.8, 4, support="touch")]),
    FitDay(DAY + timedelta(weeks=1), [evidence("f", 4.4, 7), evidence("h", 5.0, 3)]),
]


class WholeTest(TestCase):
    def test_finds_what_a_general_optimiser_finds(self) -> None:
        fit = JointFit()
        fit.add_child("c", {"a": START}, TWO_DAYS, Gain(0.02, 0.05))
        found = fit.solve()
        names = list(found._at)

        def worse(theta: np.ndarray) -> float:
            by = dict(zip(names, theta, strict=True))
            one, two = (by["rung", "c", "a", d.on] for d in TWO_DAYS)
            pace, reliance = by["pace", "c", "a"], by["reliance", "c", "a"]
            prior = ((one - START.mean) / START.sd) ** 2 + ((pace - 0.02) / 0.05) ** 2 + (reliance / HELP_SD) ** 2
            prior += ((two - one - pace) / DRIFT_SD_PER_WEEK) ** 2
            prior += sum((by["day", "c", "a", d.on] / DAY_SD) ** 2 for d in TWO_DAYS)
            prior += sum((by["offset", "c", "a", f] / OFFSET_SD) ** 2 for f in "fgh")
            like = 0.0
            for d in TWO_DAYS:
                for s in d.sets:
                    level = (
                        by["rung", "c", "a", d.on] + by["day", "c", "a", d.on] + by["offset", "c", "a", s.activity_id]
                    )
                    level += lift(s.support) * (1 + reliance)
                    p = float(with_slips(odds_curve(level - s.difficulty)))
                    like += s.successes * np.log(p) + (s.tries - s.successes) * np.log(1 - p)
            return 0.5 * prior - like

        best = minimize(worse, np.zeros(len(names)), method="BFGS", options={"gtol": 1e-6})
        for name, value in zip(names, best.x, strict=True):
            self.assertAlmostEqual(found.value(name), float(value), delta=0.01, msg=str(name))
        self.assertAlmostEqual(
            found.sd({("rung", "c", "a", DAY): 1.0}), float(np.sqrt(best.hess_inv[0][0])), delta=0.15
        )

    @slow
    def test_two_strands_that_take_turns_at_deciding_settle_at_the_best_there_is(self) -> None:
        """From what is found, a general optimiser of the posterior with the weakest alone deciding gets nowhere."""
        for seed in range(6):
            random = np.random.default_rng(seed)
            days = []
            for n in range(8):
                asked = [{"a": 4.0 + random.normal(0, 0.4), "b": 4.0 + random.normal(0, 0.4)} for _ in range(3)]
                sets = [SetEvidence("fgh"[i], 0, 10, int(random.integers(2, 9)), rungs=r) for i, r in enumerate(asked)]
                days.append(FitDay(DAY + timedelta(weeks=n), sets))
            starts = {"a": START, "b": START}
            fit = JointFit()
            fit.add_child("c", starts, days, Gain(0.02, 0.05))
            found = fit.solve()
            names = list(found._at)

            def of(st: str, on: date, f: str) -> list[tuple[object, ...]]:
                return [("rung", "c", st, on), ("day", "c", st, on), ("offset", "c", st, f)]

            def worse(theta: np.ndarray, days: list[FitDay] = days, names: list[Any] = names) -> float:
                by = dict(zip(names, theta, strict=True))
                total = 0.0
                for st in "ab":
                    rungs, pace = [by["rung", "c", st, d.on] for d in days], by["pace", "c", st]
                    total += ((rungs[0] - START.mean) / START.sd) ** 2 + ((pace - 0.02) / 0.05) ** 2
                    total += float(np.sum(((np.diff(rungs) - pace) / DRIFT_SD_PER_WEEK) ** 2))
                    total += (by["reliance", "c", st] / HELP_SD) ** 2
                    total += sum((by["day", "c", st, d.on] / DAY_SD) ** 2 for d in days)
                    total += sum((by["offset", "c", st, f] / OFFSET_SD) ** 2 for f in "fgh")
                total /= 2
                for d in days:
                    for s in d.sets:
                        f, on = s.activity_id, d.on
                        level = {st: sum(by[n] for n in of(st, on, f)) for st in "ab"}
                        gap = min(level[st] - r for st, r in s.rungs.items())
                        p = float(with_slips(odds_curve(gap)))
                        total -= s.successes * np.log(p) + (s.tries - s.successes) * np.log(1 - p)
                return total

            best = minimize(worse, found.values, method="Powell", options={"maxiter": 4})
            self.assertLess(worse(found.values) - best.fun, 0.2, f"seed {seed}")

    def test_no_set_that_tells_anything_is_refused(self) -> None:
        fit = JointFit()
        fit.add_child("c", {"a": START}, [FitDay(DAY, [evidence("f", 4, 8, support="hand_over_hand")])], Gain(0, 0.1))
        with self.assertRaisesRegex(ValueError, "No set tells anything"):
            fit.solve()

    def test_the_weakest_strand_is_the_one_that_learns(self) -> None:
        both = SetEvidence("f", 4.0, 10, 2, rungs={"a": 4.0, "b": 4.0})
        fit = JointFit()
        fit.add_child("c", {"a": Estimate(2.0, 1.0), "b": Estimate(7.0, 1.0)}, [FitDay(DAY, [both])], Gain(0, 0.1))
        found = fit.solve()
        self.assertAlmostEqual(found.value(("rung", "c", "b", DAY)), 7.0, delta=0.01)


class ExactTest(TestCase):
    """The estimate against exact inference: importance sampling from the prior, on two days and three activities."""

    def test_mean_and_doubt_of_the_rung_are_those_of_the_exact_posterior(self) -> None:
        random, draws = np.random.default_rng(11), 600_000
        rung = random.normal(START.mean, START.sd, draws)
        gain = random.normal(0.025, 0.025, draws)
        reliance = random.normal(0, HELP_SD, draws)
        offset = {f: random.normal(0, OFFSET_SD, draws) for f in "fgh"}
        weight = np.zeros(draws)
        estimate = START
        for n, day in enumerate(TWO_DAYS):
            if n:
                rung = rung + gain + random.normal(0, DRIFT_SD_PER_WEEK, draws)
            swing = random.normal(0, DAY_SD, draws)
            for s in day.sets:
                level = rung + swing + offset[s.activity_id] + lift(s.support) * (1 + reliance)
                p = with_slips(odds_curve(level - s.difficulty))
                weight += s.successes * np.log(p) + (s.tries - s.successes) * np.log(1 - p)
            estimate = update(
                estimate,
                [SetEvidence(s.activity_id, s.difficulty, s.tries, s.successes, s.support) for s in day.sets],
                day.on,
            )
        share = np.exp(weight - weight.max())
        share /= share.sum()
        self.assertGreater(1 / float(share @ share), 2_000)  # draws that count: enough for two figures
        mean = float(share @ rung)
        sd = float(np.sqrt(share @ (rung - mean) ** 2))
        self.assertAlmostEqual(estimate.mean, mean, delta=0.03)
        self.assertAlmostEqual(estimate.sd, sd, delta=0.03)
        self.assertAlmostEqual(estimate.reliance, float(share @ reliance), delta=0.02)


class CommonTest(TestCase):
    def test_difficulties_agree_with_an_item_response_package(self) -> None:
        """girth's marginal maximum likelihood of a Rasch model, on the same yes-or-no answers of 400 children."""
        random = np.random.default_rng(5)
        truth = np.array([-0.8, -0.4, 0.0, 0.4, 0.8])
        ability = random.normal(0, 1, 400)
        answers = random.random((5, 400)) < odds_curve(ability[None] - truth[:, None])
        theirs = girth.rasch_mml(answers.astype(int), discrimination=LOG_ODDS_PER_RUNG)["Difficulty"] + 1.0
        items = [f"i{n}" for n in range(5)]
        with (
            patch("core.ability.joint_fit.SLIP", 0.0),
            patch("core.ability.estimate.SLIP", 0.0),
            patch("core.ability.joint_fit.OFFSET_SD", 1e-3),
            patch("core.ability.joint_fit.DAY_SD", 1e-3),
        ):
            fit = JointFit(Common(item, 3.0) for item in items)
            for child in range(400):
                sets = [
                    SetEvidence(item, 0.0, 1, int(answers[n, child]), rungs={"a": 0.0}) for n, item in enumerate(items)
                ]
                fit.add_child(
                    child, {"a": Estimate(0.0, 1.0)}, [FitDay(DAY, sets, [{"a": [i]} for i in items])], Gain(0, 0.1)
                )
            found = fit.solve()
        ours = np.array([found.value(item) for item in items])
        self.assertGreater(float(np.corrcoef(ours, theirs)[0, 1]), 0.999)
        np.testing.assert_allclose(ours - ours.mean(), theirs - theirs.mean(), atol=0.12)


class RefitTest(TestCase):
    def history(self, child: int, won: int, rung: float = 4.2) -> History:
        """Three weeks at one activity; how well a child does elsewhere is as expected."""
        barge = [set_of(DAY + timedelta(weeks=w), 10, won) for w in range(3)]
        usual = [set_of(DAY + timedelta(weeks=w), 10, 8, activity_id="scoop_dock", grade=(1, 1)) for w in range(3)]
        starts = {st: Estimate(s.difficulty[st], 0.8) for s in (barge[0], usual[0]) for st in s.trained}
        return History(child, starts, sorted(barge + usual, key=lambda s: s.on), "right")

    def barge(self, found: Refit) -> Correction:
        """What was found of the activity all played, in the strand that decides."""
        mine = [f for f in found.findings if f.kind == "base" and f.key.startswith("load_the_barge/")]
        return max(mine, key=lambda f: abs(f.shift))

    def test_what_all_find_hard_is_harder_and_what_one_finds_hard_is_the_childs(self) -> None:
        all_hard = refit([self.history(n, 3) for n in range(6)])
        one_hard = refit([self.history(0, 3), *(self.history(n, 8) for n in range(1, 6))])
        self.assertGreater(self.barge(all_hard).shift, 0.15)
        self.assertLess(abs(self.barge(one_hard).shift), 0.5 * self.barge(all_hard).shift)
        self.assertEqual(self.barge(all_hard).children, 6)

    def test_more_children_are_surer(self) -> None:
        few, many = (self.barge(refit([self.history(n, 3) for n in range(c)])) for c in (3, 12))
        self.assertLess(many.sd, few.sd)

    def test_goes_into_json_and_comes_back_the_same_and_knows_what_differs(self) -> None:
        found = refit([self.history(n, 3) for n in range(6)])
        again = Refit.from_plain(found.plain(), found.children, found.tries)
        self.assertEqual(again, found)
        self.assertFalse(found.differs(again))
        self.assertTrue(found.differs(Refit((), 0, 0)))

    def test_what_was_learned_moves_the_rung_of_a_grade_and_nothing_as_shipped(self) -> None:
        learned = Learned("1", {"peg_fence/pinch": 0.4}, {"peg_fence/force/1/pinch": 0.1}, {"touch": 1.3}, {})
        self.assertAlmostEqual(learned.harder("peg_fence", "pinch", [("force", 1)]), 0.5)
        self.assertEqual(Learned().harder("peg_fence", "pinch", [("force", 1)]), 0.0)
        self.assertEqual((learned.lift("touch"), learned.lift("spoken")), (1.3, 0.5))

    @slow
    def test_a_wrong_library_is_put_right_and_a_right_one_left_alone(self) -> None:
        """Bases wrong by half a rung for everybody, 30 children of four sessions; and a library that is right."""
        wrong = np.mean([tried("writing", seed, 0.5, 30, 4) for seed in range(4)], axis=0)
        self.assertLess(wrong[1], 0.45 * wrong[0])
        self.assertGreater(wrong[3] - wrong[2], 0.02)
        right = np.mean([tried("writing", seed, 0.0, 30, 4) for seed in range(4)], axis=0)
        self.assertGreater(right[3] - right[2], -0.01)
