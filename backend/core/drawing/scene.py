"""What an act is drawn from, and the hands and grounds that every act shares.

Lengths are in mm. The origin is the middle of the table's edge, x to the right and y down: a thing on the table has y
below 0. A frame is two hand lengths wide and one and a half high, whosever hand it is; with something bigger in it, a
scene is drawn from farther off, hands and all, so that everything keeps its proportion.
"""

from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from math import cos, radians, sin
from typing import Literal

from core.drawing.canvas import Canvas, Point, Tint
from core.drawing.hands import ADULT_MM, SIDE, flat_hand, flat_tips, held_point, side_hand, side_points
from core.library.picture import Value
from core.materials import Thing

WIDE, HIGH, TABLE = 240.0, 190.0, 172.0
HAND_UNITS = 112.0  # how long the child's hand is drawn, in units of the frame
Side = Literal["skill", "helper"]
Draw = Callable[[], None]


@dataclass(frozen=True)
class Scene:
    """One frame's act at one grade: the things in its roles, how many of each, and the act's own values.

    hand -- the length of the hands in mm; grown -- they are an adult's
    """

    roles: frozenset[str]
    things: Mapping[str, Thing]
    forms: Mapping[str, str]
    counts: Mapping[str, int]
    values: Mapping[str, Value]
    hand: float
    grown: bool = False

    def thing(self, key: str) -> Thing | None:
        """The thing in the role that a value names; None where nothing fills it here.

        Raises ValueError where the value names no role of the activity.
        """
        role = self.values.get(key, "none")
        if role != "none" and role not in self.roles:
            raise ValueError(f"{key} is {role!r}, which is no role here. Use one of {', '.join(sorted(self.roles))}.")
        return self.things.get(str(role))

    def form(self, key: str) -> str:
        """The form it serves as."""
        return self.forms.get(str(self.values.get(key, "")), "item")

    def word(self, key: str, other: str = "") -> str:
        """A value that is a word."""
        return str(self.values.get(key, other))

    def number(self, key: str, other: float = 0) -> float:
        """A value that is a number."""
        value = self.values.get(key, other)
        return float(value) if not isinstance(value, str) else other

    def yes(self, key: str) -> bool:
        """A value that is so or not so."""
        return bool(self.values.get(key, False))


@contextmanager
def ground(canvas: Canvas, scene: Scene, widest: float = 0, tallest: float = 0, table: bool = True) -> Iterator[None]:
    """Draw in mm about the middle of the table; farther off where something is wider or taller than leaves room."""
    unit = HAND_UNITS / scene.hand
    if widest:
        unit = min(unit, WIDE * 0.56 / widest)
    if tallest:
        unit = min(unit, (TABLE - 8) / tallest)
    if table:
        with canvas.beyond():
            canvas.line([(-5, TABLE), (WIDE + 5, TABLE)], 2.4)
    with canvas.at(WIDE / 2, TABLE, unit):
        yield


@contextmanager
def desk(canvas: Canvas, scene: Scene, widest: float = 0) -> Iterator[None]:
    """Draw in mm about the middle of the table seen from above, the child at the lower edge."""
    unit = HAND_UNITS * 0.86 / scene.hand
    if widest:
        unit = min(unit, WIDE * 0.62 / widest)
    with canvas.at(WIDE / 2, HIGH * 0.46, unit):
        yield


def _anchor(pose: str, gap: float) -> Point:
    if pose in ("wrap", "fist", "hook"):
        return 0.6, 0.15
    if pose == "point":
        return side_points(SIDE[pose], 0)[0][-1]
    if pose == "flat":
        return 0.62, 0.1
    if pose == "open":
        return 0.78, 0.16
    if pose == "key":
        x, y = side_points(SIDE[pose], 0)[2][-1]
        return x + 0.04, y + 0.02
    return held_point(pose, gap)


def hold(
    canvas: Canvas,
    scene: Scene,
    pose: str,
    x: float,
    y: float,
    side: Side = "skill",
    turn: float = 28,
    gap: float = 0,
    held: Draw | None = None,
    grown: bool = False,
) -> None:
    """A hand from the thumb's side that holds something at (x, y): the skill hand comes from the right, the helper hand
    from the left.

    turn -- how far it points down, in degrees; gap -- between the fingertips, in mm; held -- draws what is held,
    between the far fingers and the near ones; grown -- an adult's
    """
    grown = grown or scene.grown
    length = ADULT_MM if grown else scene.hand
    tint: Tint = "grown" if grown else "skin"
    ax, ay = _anchor(pose, gap / length)
    right = side == "skill"

    def draw(front: bool) -> None:
        with canvas.at(x, y, 1, 180 - turn if right else turn, mirror=right), canvas.at(-ax * length, -ay * length):
            side_hand(canvas, length, pose, gap, tint, front)

    draw(False)
    if held is not None:
        held()
    draw(True)


def over(
    canvas: Canvas,
    scene: Scene,
    pose: str,
    x: float,
    y: float,
    side: Side = "skill",
    turn: float = 0,
    at: Literal["palm", "tips", "index", "knuckles"] = "palm",
    palm: bool = False,
    grown: bool = False,
) -> None:
    """A hand from above at (x, y): its back, or its palm turned up. turn -- how far it leans towards the middle."""
    grown = grown or scene.grown
    length = ADULT_MM if grown else scene.hand
    tips = flat_tips(pose)
    px, py = {
        "palm": (-0.02, -0.36),
        "knuckles": (-0.02, -0.52),
        "index": tips[1],
        "tips": ((tips[0][0] + tips[1][0]) / 2, (tips[0][1] + tips[1][1]) / 2 - 0.03),
    }[at]
    left = side == "helper"
    lean = turn if left else -turn
    other = left != palm  # a palm that is turned up has its thumb on the other side
    with canvas.at(x, y, 1, 180 + lean if other else lean, mirror=other), canvas.at(-px * length, -py * length):
        flat_hand(canvas, length, pose, "grown" if grown else "skin", palm)


def around(radius: float, angle: float) -> Point:
    """A point on a circle about the origin, its angle in degrees clockwise from the right."""
    return radius * cos(radians(angle)), radius * sin(radians(angle))
