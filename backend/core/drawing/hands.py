"""Hands from joint angles: fingers are chains of rounded segments on a palm.

Lengths are shares of the hand's own length, wrist to tip of the middle finger. Three views: from the thumb's side, for
grips; the back of the hand and the palm, for what lies under or in it. All are right hands; a canvas mirrors them.
Proportions are from memory, rounded: palm a little over half, fingers a good four tenths, a child's fingers a tenth
thick.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import acos, atan2, cos, degrees, hypot, radians, sin
from types import MappingProxyType

from core.drawing.canvas import Canvas, Point, Tint

ADULT_MM = 185.0  # hand length; from memory
THICK = 0.105


def hand_mm(age_months: float) -> float:
    """The length of a child's hand in mm: 11 cm at two, 12.5 at five, 15 at nine, an adult's at sixteen; memory."""
    return min(ADULT_MM, 95 + 0.5 * age_months)


@dataclass(frozen=True)
class SidePose:
    """A hand seen from the thumb's side, fingers to +x, palm towards +y.

    index, rest -- what each joint of the index and of the other fingers bends, in degrees, knuckle to tip
    thumb       -- what the thumb's two joints make with the palm; None: it meets the index tip, gap apart
    """

    index: tuple[float, float, float]
    rest: tuple[float, float, float]
    thumb: tuple[float, float] | None = None
    gap: float = 0.0


SIDE = MappingProxyType(
    {
        "pinch": SidePose((46, 56, 20), (62, 70, 40)),
        "three_point": SidePose((48, 52, 16), (50, 54, 18)),
        "tucked": SidePose((46, 56, 20), (85, 95, 60)),
        "open": SidePose((8, 8, 6), (12, 10, 8), (50, 18)),
        "flat": SidePose((0, 2, 2), (1, 3, 3), (22, 5)),
        "point": SidePose((4, 4, 2), (80, 95, 60), (58, -42)),
        "fist": SidePose((75, 92, 50), (78, 95, 55), (62, -58)),
        "hook": SidePose((55, 75, 30), (60, 80, 35), (60, -45)),
        "key": SidePose((58, 72, 35), (64, 80, 45), (18, -14)),
        "tool": SidePose((52, 48, 14), (62, 70, 34)),
        "wrap": SidePose((46, 56, 34), (48, 60, 38), (72, -38)),
    }
)

_INDEX = (0.21, 0.135, 0.105)
_REST = (0.23, 0.15, 0.11)
_THUMB = (0.17, 0.15, 0.13)
_KNUCKLE = (0.52, -0.02)


def _chain(start: Point, lengths: Sequence[float], bends: Sequence[float], heading: float = 0.0) -> list[Point]:
    points, angle = [start], heading
    for length, bend in zip(lengths, bends, strict=True):
        angle += bend
        x, y = points[-1]
        points.append((x + length * cos(radians(angle)), y + length * sin(radians(angle))))
    return points


def _reach(start: Point, first: float, second: float, target: Point) -> list[Point]:
    """Two segments from start to target, the joint on the palm's outer side (law of cosines)."""
    dx, dy = target[0] - start[0], target[1] - start[1]
    far = min(max(hypot(dx, dy), abs(first - second) + 1e-6), first + second - 1e-6)
    heading = atan2(dy, dx)
    inner = acos((first * first + far * far - second * second) / (2 * first * far))
    joint = (start[0] + first * cos(heading + inner), start[1] + first * sin(heading + inner))
    end = (start[0] + far * cos(heading), start[1] + far * sin(heading))
    return [start, joint, end]


def side_points(pose: SidePose, gap: float) -> tuple[list[Point], list[Point], list[Point]]:
    """The index, the other fingers and the thumb, as points; gap between the tips, in hand lengths."""
    index = _chain(_KNUCKLE, _INDEX, pose.index)
    rest = _chain((_KNUCKLE[0] - 0.01, _KNUCKLE[1] + 0.02), _REST, pose.rest)
    root = (0.12, 0.1)
    if pose.thumb is None:
        tip = index[-1]
        apart = THICK + gap
        target = (tip[0] - apart * 0.72, tip[1] + apart * 0.7)
        ball = (root[0] + _THUMB[0] * cos(radians(42)), root[1] + _THUMB[0] * sin(radians(42)))
        thumb = [root, *_reach(ball, _THUMB[1], _THUMB[2], target)]
    else:
        thumb = _chain(root, _THUMB, (38, pose.thumb[0] - 38, pose.thumb[1]))
    return index, rest, thumb


def held_point(pose_id: str, gap: float) -> Point:
    """Where a thing held by the tips is, in hand lengths from the wrist."""
    index, _, thumb = side_points(SIDE[pose_id], gap)
    return (index[-1][0] + thumb[-1][0]) / 2, (index[-1][1] + thumb[-1][1]) / 2


def side_hand(
    canvas: Canvas, length: float, pose_id: str, gap_mm: float = 0.0, tint: Tint = "skin", front: bool = True
) -> None:
    """Draw a hand from the thumb's side, its wrist at the origin, fingers to +x.

    front -- the palm, the index and the thumb; False draws the other fingers, which lie behind a thing that is held
    """
    pose = SIDE[pose_id]
    index, rest, thumb = side_points(pose, gap_mm / length)

    def put(points: Sequence[Point]) -> list[Point]:
        return [(x * length, y * length) for x, y in points]

    if not front:
        canvas.limb([(put([(0.3, 0.04), *((x + 0.02, y + 0.04) for x, y in rest)]), THICK * length)], tint)
        canvas.limb([(put([(0.3, 0.02), *rest]), THICK * length)], tint)
        return
    canvas.limb(
        [
            (put([(-5.0, 0.0), (-0.02, 0.02)]), 0.19 * length),
            (put([(0.0, 0.02), (0.1, 0.02)]), 0.2 * length),
            (put([(0.1, 0.03), (0.46, 0.03)]), 0.25 * length),
            (put([(0.3, 0.0), *index]), (THICK + 0.01) * length),
            (put([(0.08, 0.06), *thumb[:2]]), 0.15 * length),
            (put(thumb), (THICK + 0.02) * length),
        ],
        tint,
        arms=1,
    )
    with canvas.beyond():
        _nail(canvas, put(index[-2:]), length)


def _nail(canvas: Canvas, last: list[Point], length: float) -> None:
    (x1, y1), (x2, y2) = last
    angle = degrees(atan2(y2 - y1, x2 - x1))
    with canvas.at(x2, y2, 1, angle):
        r = THICK / 2 * length
        canvas.line([(-r * 0.5, -r * 0.75), (r * 0.35, -r * 0.78), (r * 0.9, -r * 0.4)], 1.1)


@dataclass(frozen=True)
class FlatPose:
    """A hand seen from its back or its palm: by finger from the thumb, spread in degrees and length still seen."""

    spread: tuple[float, float, float, float, float]
    seen: tuple[float, float, float, float, float]


FLAT = MappingProxyType(
    {
        "open": FlatPose((58, 14, 2, -10, -24), (1, 1, 1, 1, 1)),
        "flat": FlatPose((34, 5, 0, -5, -12), (1, 1, 1, 1, 1)),
        "spread": FlatPose((66, 22, 3, -16, -36), (1, 1, 1, 1, 1)),
        "cup": FlatPose((40, 8, 2, -6, -14), (0.85, 0.72, 0.7, 0.7, 0.72)),
        "pinch": FlatPose((9, 24, 6, -5, -12), (1.42, 0.62, 0.42, 0.38, 0.36)),
        "point": FlatPose((12, 4, 2, -4, -8), (0.62, 1, 0.36, 0.34, 0.32)),
        "fist": FlatPose((10, 6, 2, -3, -7), (0.6, 0.36, 0.36, 0.35, 0.33)),
        "grip": FlatPose((22, 8, 2, -4, -10), (0.85, 0.6, 0.55, 0.52, 0.48)),
    }
)

_ROOTS = ((-0.17, -0.2), (-0.135, -0.5), (-0.045, -0.53), (0.045, -0.51), (0.13, -0.46))
_LONG = (0.36, 0.42, 0.46, 0.42, 0.34)


def flat_tips(pose_id: str) -> list[Point]:
    """The tips of the fingers, thumb first, in hand lengths from the wrist; fingers point to -y, the thumb to -x."""
    pose = FLAT[pose_id]
    return [
        (x - long * seen * sin(radians(spread)), y - long * seen * cos(radians(spread)))
        for (x, y), long, spread, seen in zip(_ROOTS, _LONG, pose.spread, pose.seen, strict=True)
    ]


def flat_hand(
    canvas: Canvas, length: float, pose_id: str, tint: Tint = "skin", palm: bool = False, arm: bool = True
) -> None:
    """Draw a right hand from its back, wrist at the origin, fingers to -y and thumb to -x; palm shows its inside.

    A palm that is up has its thumb on the other side: the caller mirrors it by drawing the other hand.
    """
    tips = flat_tips(pose_id)
    chains: list[tuple[list[Point], float]] = [([(0, length * 5), (0, 0)], 0.24 * length)] if arm else []
    for (x, y), tip, thick in zip(_ROOTS, tips, (0.125, THICK, THICK, THICK, 0.095), strict=True):
        bent = ((x + tip[0]) / 2 + (0.03 if x < -0.15 else 0), (y + tip[1]) / 2)
        chains.append(
            (
                [(x * length, y * length), (bent[0] * length, bent[1] * length), (tip[0] * length, tip[1] * length)],
                thick * length,
            )
        )
    chains.append(([(0, 0), (0, -0.08 * length)], 0.26 * length))
    chains.append(([(-0.07 * length, -0.2 * length), (-0.065 * length, -0.42 * length)], 0.26 * length))
    chains.append(([(0.05 * length, -0.2 * length), (0.055 * length, -0.4 * length)], 0.26 * length))
    canvas.limb(chains, tint, arms=int(arm))
    with canvas.beyond():
        if palm:
            canvas.line(
                [(-0.14 * length, -0.4 * length), (-0.02 * length, -0.36 * length), (0.03 * length, -0.12 * length)],
                1.1,
                smooth=True,
            )
            canvas.line(
                [(0.16 * length, -0.36 * length), (0.03 * length, -0.33 * length), (-0.08 * length, -0.42 * length)],
                1.1,
                smooth=True,
            )
        else:
            for (x, y), tip in zip(_ROOTS[1:], tips[1:], strict=True):
                if hypot(tip[0] - x, tip[1] - y) < 0.25:
                    canvas.line(
                        [
                            ((tip[0] - 0.035) * length, (tip[1] + 0.02) * length),
                            ((tip[0] + 0.035) * length, (tip[1] + 0.02) * length),
                        ],
                        1.1,
                    )
