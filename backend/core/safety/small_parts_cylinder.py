"""Whether a rigid thing fits wholly inside the small-parts cylinder, in any orientation.

Source: 16 CFR 1501.4: 31.7 mm across, its floor slopes from 25.4 to 57.1 mm below the rim.

The cylinder is convex, so a shape fits exactly when its convex hull does (a ring counts as a disc).
For one orientation the height and the sideways shifts that suit it best follow in closed form; the
orientations are searched on a grid and the best few refined.
"""

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import minimize

from core.materials import Ball, Box, Disc, Ring, Rod, Shape

DIAMETER_MM = 31.7  # mm, 16 CFR 1501.4
SHALLOW_MM = 25.4  # mm, 16 CFR 1501.4
DEEP_MM = 57.1  # mm, 16 CFR 1501.4
SMALL_BALL_MM = 44.4  # mm, 16 CFR 1500.18(a)(17)

_RADIUS = DIAMETER_MM / 2
_SLOPE = (DEEP_MM - SHALLOW_MM) / DIAMETER_MM  # 1.0: the floor is at 45 degrees
_MIDDLE = (DEEP_MM + SHALLOW_MM) / 2
_LONGEST = float(np.hypot(DIAMETER_MM, DEEP_MM))  # 65.3 mm, the longest thin rod
_GRID_MISS = 6.0  # mm: 65.3 mm turned by half a grid step (7.5 degrees) moves each end 4.3 mm
_TOUCHING = 1e-6  # mm: a thing that just touches counts as fitting
_RIM = np.linspace(0, 2 * np.pi, 48, endpoint=False)

Points = NDArray[np.float64]


@lru_cache(maxsize=4096)
def fits(shape: Shape) -> bool:
    """Return whether the rigid shape fits wholly inside the cylinder, in some orientation."""
    if isinstance(shape, Ball):
        return _ball_fits(shape.diameter_mm / 2)
    longest, middle, shortest = shape.extents_mm
    if longest > _LONGEST or shortest > DIAMETER_MM or middle > _LONGEST:
        return False
    if isinstance(shape, Box):
        return _some_orientation(_box_points(shape), angles=3)
    if isinstance(shape, Ring):
        shape = Rod(shape.outer_mm, shape.thickness_mm)
    if isinstance(shape, Disc):
        shape = Rod(shape.diameter_mm, shape.height_mm)
    return _some_orientation(_rod_points(shape), angles=2)


def _ball_fits(radius: float) -> bool:
    """Top touches the rim plane; what is left below must clear the sloping floor."""
    room = (_MIDDLE + (_RADIUS - radius) * _SLOPE - radius) / np.hypot(1, _SLOPE)
    return bool(radius <= _RADIUS + _TOUCHING and room >= radius - _TOUCHING)


def _box_points(box: Box) -> Points:
    corners = np.array([(x, y, z) for x in (-0.5, 0.5) for y in (-0.5, 0.5) for z in (-0.5, 0.5)])
    scaled: Points = corners * np.array([box.length_mm, box.width_mm, box.height_mm])
    return scaled


def _rod_points(rod: Rod) -> Points:
    radius = rod.diameter_mm / 2
    rim = np.stack([radius * np.cos(_RIM), radius * np.sin(_RIM), np.zeros_like(_RIM)], axis=1)
    half = np.array([0, 0, rod.length_mm / 2])
    return np.concatenate([rim - half, rim + half])


def _turned(points: Points, angles: Points) -> Points:
    """Turn points by (n, 3) angles about z, then y, then z. Returns (n, points, 3)."""
    a, b, c = angles.T
    zero, one = np.zeros_like(a), np.ones_like(a)
    first = _stack((np.cos(a), -np.sin(a), zero), (np.sin(a), np.cos(a), zero), (zero, zero, one))
    tilt = _stack((np.cos(b), zero, np.sin(b)), (zero, one, zero), (-np.sin(b), zero, np.cos(b)))
    last = _stack((np.cos(c), -np.sin(c), zero), (np.sin(c), np.cos(c), zero), (zero, zero, one))
    turned: Points = np.einsum("nij,pj->npi", last @ tilt @ first, points)
    return turned


def _stack(*rows: tuple[Points, Points, Points]) -> Points:
    return np.stack([np.stack(row, axis=-1) for row in rows], axis=-2)


def _slack(points: Points, angles: Points, shift: Points) -> Points:
    """Return (n,) mm of room to spare: below 0 the turned shape does not fit.

    shift -- (n,) mm across the slope; the shift along it is chosen as far to the deep side as it goes.
    """
    turned = _turned(points, angles)
    x, y, z = turned[..., 0], turned[..., 1] + shift[:, None], turned[..., 2]
    beside = _RADIUS**2 - y**2
    reach = np.sqrt(np.maximum(beside, 0)) - x
    along = reach.min(axis=1)
    back = (np.sqrt(np.maximum(beside, 0)) + x).min(axis=1)
    wide = np.minimum(beside.min(axis=1), 0) / DIAMETER_MM
    floor = _MIDDLE - ((-z - _SLOPE * x).max(axis=1) + z.max(axis=1)) + _SLOPE * along
    room: Points = np.minimum(np.minimum(floor, along + back), np.where(wide < 0, wide, np.inf))
    return room


def _some_orientation(points: Points, angles: int) -> bool:
    grids = [np.linspace(0, np.pi, 13)] * (angles - 1) + [np.linspace(0, 2 * np.pi, 24, endpoint=False)]
    mesh = np.stack([g.ravel() for g in np.meshgrid(*grids, indexing="ij")], axis=1)
    if angles == 2:
        mesh = np.concatenate([np.zeros((len(mesh), 1)), mesh], axis=1)
    slack = _slack(points, mesh, np.zeros(len(mesh)))
    if slack.max() >= -_TOUCHING:
        return True
    if slack.max() < -_GRID_MISS:
        return False
    return any(_refined(points, mesh[i]) for i in np.argsort(slack)[-3:])


def _refined(points: Points, start: Points) -> bool:
    def lack(at: Points) -> float:
        return -float(_slack(points, at[None, :3], at[3:4])[0])

    centre = np.append(start, 0.0)
    simplex = centre + np.concatenate([np.zeros((1, 4)), np.diag([0.13, 0.13, 0.13, 1.0])])
    options = {"maxiter": 300, "fatol": 1e-7, "xatol": 1e-7, "initial_simplex": simplex}
    best = minimize(lack, centre, method="Nelder-Mead", options=options)
    return bool(-best.fun >= -_TOUCHING)
