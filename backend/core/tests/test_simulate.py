"""Made-up children do what they are made up to do."""

from unittest import TestCase

import numpy as np

from core.ability.simulation import LEARNING, Child


class MadeUpTest(TestCase):
    def child(self, kind: str) -> Child:
        return Child(4.0, kind, np.random.default_rng(7))

    def test_every_kind_learns_in_its_own_way(self) -> None:
        for kind in LEARNING:
            self.assertGreater(self.child(kind).true_rung(4), 4.0, kind)
        self.assertEqual(self.child("plateau").true_rung(6), self.child("plateau").true_rung(12))
        self.assertLess(self.child("setback").true_rung(7), self.child("setback").true_rung(6.9))

    def test_success_comes_as_often_as_the_true_chance_says(self) -> None:
        child = self.child("slow")
        chance = child.true_chance(0, "a", 4.3)
        tries = child.play(0, "a", 4.3, 20_000)
        self.assertAlmostEqual(tries.successes / tries.tries, chance, delta=0.01)

    def test_activities_suit_or_do_not_and_stay_so(self) -> None:
        child = self.child("slow")
        offsets = {f: child.offset(f) for f in "abcdefgh"}
        self.assertGreater(np.std(list(offsets.values())), 0.1)
        self.assertEqual(offsets, {f: child.offset(f) for f in "abcdefgh"})

    def test_a_prompt_dependent_child_does_better_with_a_word(self) -> None:
        child = self.child("prompt_dependent")
        self.assertGreater(child.true_chance(0, "a", 4, "spoken") - child.true_chance(0, "a", 4), 0.1)

    def test_patchy_days_swing_wider(self) -> None:
        def swing(kind: str) -> float:
            child, days = self.child(kind), []
            for _ in range(300):
                child.new_day()
                days.append(child.day)
            return float(np.std(days))

        self.assertGreater(swing("patchy"), 1.6 * swing("slow"))
