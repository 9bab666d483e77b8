"""A search that nobody waits for any more ends; one that somebody waits for is what it would have been."""

from itertools import combinations, pairwise
from unittest import TestCase

from ortools.sat.python import cp_model

from core.planner import Abandoned, asked_by
from core.planner.solver import Effort, run

AGES = 10_000.0  # of the solver's own work, and seconds


def golomb_ruler(marks: int) -> cp_model.CpModel:
    """The shortest ruler whose marks are all at different distances: a dozen marks take hours to prove."""
    model = cp_model.CpModel()
    at = [model.new_int_var(0, marks**2, "") for _ in range(marks)]
    model.add(at[0] == 0)
    for one, other in pairwise(at):
        model.add(one < other)
    model.add_all_different(other - one for one, other in combinations(at, 2))
    model.minimize(at[-1])
    return model


def knapsack() -> cp_model.CpModel:
    """Weights 2, 3, 4 and 5 within 5, worth 3, 4, 5 and 6: the best is 2 and 3, worth 7 (worked out by hand)."""
    model = cp_model.CpModel()
    taken = [model.new_bool_var("") for _ in range(4)]
    model.add(sum(w * t for w, t in zip((2, 3, 4, 5), taken, strict=True)) <= 5)
    model.maximize(sum(v * t for v, t in zip((3, 4, 5, 6), taken, strict=True)))
    return model


class AskedByTest(TestCase):
    def test_a_search_ends_once_whoever_asked_has_gone(self) -> None:
        looks = 0

        def has_gone() -> bool:
            nonlocal looks
            looks += 1
            return looks > 2

        with self.assertRaises(Abandoned), asked_by(has_gone):
            run(golomb_ruler(14), Effort(AGES, seconds=AGES))
        self.assertGreater(looks, 2)

    def test_none_is_begun_for_somebody_who_has_gone_before(self) -> None:
        with self.assertRaises(Abandoned), asked_by(lambda: True):
            run(knapsack())

    def test_whoever_waits_gets_the_same_answer(self) -> None:
        alone, status = run(knapsack())
        with asked_by(lambda: False):
            waited, waited_status = run(knapsack())
        self.assertEqual((alone.objective_value, status), (7, "optimal"))
        self.assertEqual((waited.objective_value, waited_status), (7, "optimal"))

    def test_who_asked_is_forgotten_afterwards(self) -> None:
        with self.assertRaises(Abandoned), asked_by(lambda: True):
            run(knapsack())
        self.assertEqual(run(knapsack())[1], "optimal")
