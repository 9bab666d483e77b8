"""The whole child, from the side, by hip, shoulder, hands and feet."""

from core.drawing.canvas import Canvas, Point, Tint
from core.drawing.scene import WIDE

FLOOR = 168.0


_LIMB = {"thigh": 26.0, "shin": 25.0, "arm": 18.0, "fore": 18.0, "trunk": 40.0}


def figure(
    canvas: Canvas,
    hip: Point,
    shoulder: Point,
    hands: tuple[Point, Point],
    feet: tuple[Point, Point],
    tall: float = 1.0,
    grown: bool = False,
    knees_front: bool = True,
    elbows_down: bool = True,
    head: Point | None = None,
) -> None:
    """A figure from the side by its hip, shoulder, two hands and two feet, in units of the frame; joints are worked
    out.
    """
    skin: Tint = "grown" if grown else "skin"
    t = tall
    dx, dy = shoulder[0] - hip[0], shoulder[1] - hip[1]
    long = (dx * dx + dy * dy) ** 0.5 or 1
    crown = head or (shoulder[0] + dx / long * 17 * t, shoulder[1] + dy / long * 17 * t)
    far_arm = _bent(shoulder, hands[1], _LIMB["arm"] * t, elbows_down)
    near_arm = _bent(shoulder, hands[0], _LIMB["arm"] * t, elbows_down)
    far_leg = _bent(hip, feet[1], _LIMB["thigh"] * t, not knees_front)
    near_leg = _bent(hip, feet[0], _LIMB["thigh"] * t, not knees_front)
    canvas.limb([(far_arm, 8.5 * t)], skin)
    canvas.limb([(far_leg, 11.5 * t)], "thing")
    canvas.limb([([hip, shoulder], 21 * t)], "goal")
    canvas.limb([(near_leg, 12 * t)], "thing")
    canvas.limb([([shoulder, crown], 7 * t)], skin)
    canvas.round(crown[0], crown[1], 25 * t, skin)
    canvas.limb([(near_arm, 9 * t)], skin)


def _bent(start: Point, end: Point, first: float, down: bool) -> list[Point]:
    dx, dy = end[0] - start[0], end[1] - start[1]
    far = (dx * dx + dy * dy) ** 0.5 or 1.0
    half = far / 2
    out = max(first * first - half * half, 0.0) ** 0.5
    mx, my = (start[0] + end[0]) / 2, (start[1] + end[1]) / 2
    nx, ny = -dy / far, dx / far
    if (ny > 0) != down:
        nx, ny = -nx, -ny
    return [start, (mx + nx * out, my + ny * out), end]


def floor(canvas: Canvas) -> None:
    """Draw the floor under a figure."""
    with canvas.beyond():
        canvas.line([(-5, FLOOR), (WIDE + 5, FLOOR)], 2.4)


def wall(canvas: Canvas, x: float) -> None:
    """A wall from the floor up, its near side at x."""
    with canvas.beyond():
        canvas.shape([(x, -5), (x + 12, -5), (x + 12, FLOOR), (x, FLOOR)], "goal")
