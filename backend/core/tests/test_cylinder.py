"""The small-parts cylinder against a second method: random turns, and for each a linear programme for the place.

Sources: 16 CFR 1501.4 for the cylinder's measures; scipy's linear programming for the second method.
"""

from math import hypot
from unittest import TestCase

import numpy as np
from scipy.optimize import linprog
from scipy.spatial.transform import Rotation

from core.materials import Ball, Box, Ring, Rod, Shape
from core.safety import fits_small_parts_cylinder
from testing.tags import slow

SIDES = 72
ANGLES = np.linspace(0, 2 * np.pi, SIDES, endpoint=False)


def surface(shape: Shape) -> np.ndarray:
    """Points whose hull is the shape's."""
    if isinstance(shape, Box):
        half = np.array([shape.length_mm, shape.width_mm, shape.height_mm]) / 2
        return np.array([(a, b, c) for a in (-1, 1) for b in (-1, 1) for c in (-1, 1)]) * half
    radius, tall = (
        (shape.outer_mm / 2, shape.thickness_mm)
        if isinstance(shape, Ring)
        else (shape.diameter_mm / 2, shape.length_mm)
    )
    rim = np.stack([radius * np.cos(ANGLES), radius * np.sin(ANGLES)], axis=1)
    return np.concatenate([np.c_[rim, np.full(SIDES, z)] for z in (-tall / 2, tall / 2)])


def room_found(shape: Shape, turns: int, seed: int) -> float:
    """The most room (mm) found over random turns; for each the best place comes from a linear programme.

    The container as half-spaces: wall (a polygon outside the circle), rim z <= 0, floor 41.25 + x + z >= 0.
    """
    walls = np.c_[np.cos(ANGLES), np.sin(ANGLES), np.zeros(SIDES)]
    normals = np.concatenate([walls, [[0, 0, 1]], [[-1, 0, -1]]])
    limits = np.concatenate([np.full(SIDES, 31.7 / 2), [0.0], [(25.4 + 57.1) / 2]])
    lengths = np.linalg.norm(normals, axis=1)
    points, best = surface(shape), -np.inf
    for turn in Rotation.random(turns, rng=np.random.default_rng(seed)):
        reach = (normals @ turn.apply(points).T).max(axis=1)
        result = linprog([0, 0, 0, -1], A_ub=np.c_[normals, lengths], b_ub=limits - reach, bounds=[(None, None)] * 4)
        best = max(best, -result.fun)
    return float(best)


class CylinderTest(TestCase):
    def test_a_ball_as_wide_as_the_cylinder_just_fits(self) -> None:
        self.assertTrue(fits_small_parts_cylinder(Ball(31.7)))
        self.assertFalse(fits_small_parts_cylinder(Ball(31.71)))

    def test_a_thin_rod_fits_up_to_the_longest_diagonal(self) -> None:
        longest = hypot(31.7, 57.1)
        self.assertAlmostEqual(longest, 65.3, places=1)
        self.assertTrue(fits_small_parts_cylinder(Rod(0.02, longest - 0.1)))
        self.assertFalse(fits_small_parts_cylinder(Rod(0.02, longest + 0.01)))

    def test_an_upright_rod_as_wide_as_the_cylinder_fits_to_the_shallow_side(self) -> None:
        self.assertTrue(fits_small_parts_cylinder(Rod(31.7, 25.4)))
        self.assertFalse(fits_small_parts_cylinder(Rod(31.7, 25.5)))

    def test_a_ring_fits_when_the_disc_it_spans_does(self) -> None:
        self.assertTrue(fits_small_parts_cylinder(Ring(31, 20, 5)))
        self.assertFalse(fits_small_parts_cylinder(Ring(32, 20, 5)))

    @slow
    def test_agrees_with_random_turns_and_a_linear_programme(self) -> None:
        clear = (
            Rod(20, 30),
            Rod(10, 45),
            Box(30, 15, 12),
            Box(22, 22, 30),
            Ring(28, 10, 8),
            Box(40, 20, 6),
            Rod(25, 25),
            Box(35, 30, 2),
        )
        tight = (
            Rod(20, 46),
            Box(27, 27, 27),
            Rod(12, 60),
            Box(60, 25, 3),
            Ring(40, 20, 4),
            Box(34, 33, 2),
            Rod(30, 34),
        )
        for shape in clear:
            with self.subTest(shape=shape):
                if room_found(shape, 150, 7) >= 0.3:
                    self.assertTrue(fits_small_parts_cylinder(shape), "random turns found a place")
        for shape in tight:
            with self.subTest(shape=shape):
                self.assertLess(room_found(shape, 250, 7), 0.0)
                self.assertFalse(fits_small_parts_cylinder(shape), "random turns found no place")

    def test_a_smaller_thing_fits_wherever_a_bigger_one_does(self) -> None:
        rng = np.random.default_rng(3)
        for _ in range(25):
            sides = rng.uniform(5, 55, 3)
            if fits_small_parts_cylinder(Box(*sides)):
                self.assertTrue(fits_small_parts_cylinder(Box(*(sides * 0.9))), sides)

    def test_a_size_of_nothing_is_refused_with_the_remedy(self) -> None:
        with self.assertRaisesRegex(ValueError, "more than 0 mm. Measure it again"):
            Ball(0)
        with self.assertRaisesRegex(ValueError, "hole of a ring"):
            Ring(20, 20, 3)
