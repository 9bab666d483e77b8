"""Fastening: buttons, zips, straps, buckles, clips, hooks, pockets."""

from types import MappingProxyType

from core.drawing.acts.register import act, one_of, role, yes
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, desk, ground, hold, over


@act(thing=role(), stage=one_of("push", "undo", "pull"))
def button(canvas: Canvas, scene: Scene) -> str:
    """A button and its hole, from above as it lies."""
    thing, stage = scene.thing("thing"), scene.word("stage", "push")
    size = min(max(thing.opening_mm if thing and thing.opening_mm else 20, 10), 32) * 1.3
    with desk(canvas, scene):
        h = scene.hand
        y = -0.3 * h
        canvas.box(0.38 * h, y, 0.9 * h, 1.06 * h, "goal", 4)
        canvas.box(-0.4 * h, y, 0.86 * h, 1.06 * h, "paper", 4)
        slit = size * 1.25
        for dy in (-0.34, 0.34):
            canvas.round(0, y + dy * h, size, "thing")
            for e in (-1, 1):
                canvas.round(e * size * 0.16, y + dy * h, 3, "ink")
        canvas.box(0, y, slit, 4, "ink", 2)
        if stage == "push":
            canvas.round(0, y + size * 0.16, size, "thing", size * 0.62)
            canvas.box(0, y - size * 0.14, slit, 4, "ink", 2)
            over(canvas, scene, "pinch", -slit * 0.62, y + 2, "helper", turn=34, at="tips")
            over(canvas, scene, "pinch", size * 0.34, y + size * 0.5, turn=34, at="tips")
            canvas.arrow([(0.4 * h, y - 0.02 * h), (0.3 * h, y - 0.26 * h), (0.06 * h, y - 0.26 * h)])
        else:
            canvas.round(-size * 0.2, y, size, "thing", size * (0.9 if stage == "pull" else 0.62))
            over(canvas, scene, "pinch", -size * 0.7, y + 2, "helper", turn=34, at="tips")
            over(canvas, scene, "pinch", slit * 0.72, y + 4, turn=34, at="tips")
            ends = [(-0.02 * h, y - 0.26 * h), (-0.42 * h, y - 0.26 * h)]
            canvas.arrow(ends if stage == "pull" else ends[::-1])
    return {
        "push": "one hand holds the hole, the other pushes the button half through",
        "pull": "the other hand takes the button and pulls",
    }.get(stage, "the button is pushed back through its hole")


@act(way=one_of("up", "down", "foot"), tag=yes())
def zip_(canvas: Canvas, scene: Scene) -> str:
    """A zip is pulled along, its end held down."""
    way = scene.word("way", "up")
    with desk(canvas, scene):
        h = scene.hand
        top, bottom = -0.86 * h, 0.18 * h
        at = {"up": -0.36 * h, "down": -0.4 * h, "foot": 0.02 * h}[way]
        for s in (-1, 1):
            canvas.shape(
                [(s * 0.6 * h, top), (s * 0.13 * h, top), (s * 2, at), (s * 2, bottom), (s * 0.6 * h, bottom)], "goal"
            )
            for i in range(int((at - top) / 11)):
                part = 1 - i * 11 / (at - top)
                px, py = s * (2 + 0.13 * h * part), top + i * 11 + 6
                canvas.line([(px - s * 5, py), (px, py)], 1.6)
        for i in range(int((bottom - at) / 9)):
            canvas.line([(-4, at + 6 + i * 9), (4, at + 6 + i * 9)], 1.6)
        canvas.box(0, at, 18, 24, "thing", 3)
        canvas.box(0, at + 20, 8, 24, "thing", 2)
        if scene.yes("tag"):
            canvas.round(0, at + 44, 20, "none", 28)
        low = at + (52 if scene.yes("tag") else 30)
        over(canvas, scene, "pinch", -6, bottom - 4 if way != "foot" else at, "helper", turn=40, at="tips")
        over(canvas, scene, "pinch", 6, low if way != "foot" else at + 20, turn=30, at="tips")
        ends = [(0.34 * h, at + 0.1 * h), (0.34 * h, at - 0.36 * h)]
        canvas.arrow(ends[::-1] if way == "down" else ends)
    return "one hand holds the bottom of the zip down, the other pulls the tag"


def _strap(canvas: Canvas, h: float, y: float, way: str) -> tuple[Point, Point, list[Point]]:
    canvas.box(-0.1 * h, y, 1.4 * h, 0.3 * h, "goal", 6)
    canvas.dots(0.1 * h, y, 0.5 * h, 0.2 * h, 40)
    end = 0.42 * h if way == "open" else 0.56 * h
    rise = 0.16 * h if way == "open" else 0.05 * h
    canvas.shape(
        [
            (-0.3 * h, y - 0.15 * h),
            (0.1 * h, y - 0.15 * h),
            (end, y - 0.12 * h - rise),
            (end + 0.06 * h, y + 0.12 * h - rise),
            (0.1 * h, y + 0.15 * h),
            (-0.3 * h, y + 0.15 * h),
        ],
        "thing",
    )
    right = (end, y + 0.06 * h - rise)
    go = [(0.2 * h, y - 0.34 * h), (0, y - 0.5 * h), (-0.3 * h, y - 0.4 * h)]
    left = (-0.66 * h, y + 0.14 * h)
    return left, right, go


def _buckle(canvas: Canvas, h: float, y: float, way: str) -> tuple[Point, Point, list[Point]]:
    canvas.box(-0.56 * h, y, 0.8 * h, 0.24 * h, "goal", 3)
    reach = -0.12 * h if way != "open" else 0.16 * h
    canvas.box(-0.1 * h, y, 0.28 * h, 0.42 * h, "thing", 4)
    canvas.box(-0.1 * h, y, 0.17 * h, 0.29 * h, "paper", 3)
    canvas.box((reach + 0.98 * h) / 2, y, 0.98 * h - reach, 0.2 * h, "goal", 6)
    for i in range(4):
        canvas.round(0.3 * h + i * 0.14 * h, y, 5, "ink")
    canvas.line([(-0.2 * h, y), (0.02 * h if way != "shut" else 0.12 * h, y)], 3.4)
    left, right = (-0.26 * h, y + 0.18 * h), (0.3 * h, y + 0.1 * h)
    go = [(0.5 * h, y - 0.3 * h), (0.1 * h, y - 0.3 * h)]
    return left, right, go


def _clip(canvas: Canvas, h: float, y: float, way: str) -> tuple[Point, Point, list[Point]]:
    gap = 0.18 * h if way == "open" else 0.02 * h
    canvas.box(-0.56 * h, y, 0.5 * h, 0.22 * h, "goal", 2)
    canvas.box(0.7 * h, y, 0.4 * h, 0.22 * h, "goal", 2)
    canvas.box(-0.2 * h, y, 0.3 * h, 0.36 * h, "thing", 5)
    canvas.box(0.44 * h, y, 0.14 * h, 0.32 * h, "thing", 4)
    for s in (-1, 1):
        canvas.box(0.22 * h + gap * 0.4, y + s * 0.1 * h, 0.36 * h, 0.07 * h, "thing", 3)
    left, right = (-0.32 * h, y + 0.16 * h), (0.4 * h, y + 0.14 * h)
    go = [(0.5 * h, y - 0.3 * h), (0.1 * h, y - 0.3 * h)]
    return left, right, go


def _hook(canvas: Canvas, h: float, y: float, way: str) -> tuple[Point, Point, list[Point]]:
    canvas.box(-0.5 * h, y, 0.8 * h, 0.28 * h, "goal", 2)
    canvas.box(0.62 * h, y, 0.8 * h, 0.28 * h, "goal", 2)
    canvas.round(-0.02 * h, y, 0.14 * h)
    x = 0.14 * h if way == "open" else 0.06 * h
    canvas.line([(0.26 * h, y), (x, y - 2), (x - 0.09 * h, y - 12), (x - 0.1 * h, y + 4)], 4, smooth=True)
    left, right = (-0.18 * h, y + 0.12 * h), (0.3 * h, y + 0.1 * h)
    go = [(0.5 * h, y - 0.3 * h), (0.1 * h, y - 0.3 * h)]
    return left, right, go


_FASTENED = MappingProxyType({"strap": _strap, "buckle": _buckle, "clip": _clip, "hook": _hook})
"""What is fastened, drawn at a height; where each hand is, and its arrow: what shuts it, of a strap what opens it."""


@act(kind=one_of("strap", "clip", "buckle", "hook"), way=one_of("open", "shut", "thread"))
def fasten(canvas: Canvas, scene: Scene) -> str:
    """A strap, buckle, clip or hook, from above."""
    kind, way = scene.word("kind", "strap"), scene.word("way", "open")
    with desk(canvas, scene):
        h = scene.hand
        left, right, go = _FASTENED[kind](canvas, h, -0.34 * h, way)
        over(canvas, scene, "pinch", *left, "helper", turn=30, at="tips")
        over(canvas, scene, "pinch", *right, turn=30, at="tips")
        forward = (way == "open") == (kind == "strap")  # a strap's arrow opens it, the others' shut them
        canvas.arrow(go if forward else go[::-1])
    return f"one hand holds the {kind} still, the other {'opens' if way == 'open' else 'closes'} it"


@act(way=one_of("open", "post", "shut"), kind=one_of("strap", "stud"))
def pocket(canvas: Canvas, scene: Scene) -> str:
    """A pocket is opened, something goes in, it is shut."""
    with ground(canvas, scene, scene.hand * 1.6, table=False):
        h = scene.hand
        y = -0.36 * h
        canvas.box(-0.1 * h, y, 1.0 * h, 0.6 * h, "goal", 8)
        way = scene.word("way", "open")
        flap = -0.3 * h if way != "shut" else 0.24 * h
        canvas.shape(
            [
                (-0.6 * h, y - 0.3 * h),
                (0.4 * h, y - 0.3 * h),
                (0.34 * h, y - 0.3 * h + flap),
                (-0.54 * h, y - 0.3 * h + flap),
            ],
            "thing",
        )
        if scene.word("kind") == "stud":
            canvas.round(-0.1 * h, y - 0.3 * h + flap * 0.72, 15, "paper")
            canvas.round(-0.1 * h, y - 0.06 * h, 13, "ink")
        else:
            canvas.dots(-0.1 * h, y - 0.3 * h + flap * 0.7, 0.4 * h, 0.07 * h, 16)
        if way == "post":
            canvas.box(-0.06 * h, y - 0.4 * h, 0.4 * h, 0.3 * h, "paper", 1)
        hold(canvas, scene, "wrap", -0.6 * h, y + 0.1 * h, "helper", 2, 0.2 * h)
        gy = y - 0.3 * h + flap if way != "post" else y - 0.5 * h
        hold(canvas, scene, "pinch", 0.1 * h, gy, turn=20, gap=5)
        canvas.arrow(
            [(-0.4 * h, gy + 0.02 * h), (-0.4 * h, gy - 0.24 * h)]
            if way == "open"
            else [(-0.4 * h, gy - 0.24 * h), (-0.4 * h, gy + 0.02 * h)]
        )
    return {
        "open": "the flap is pulled open",
        "post": "a letter goes into the pocket",
        "shut": "the flap is pressed shut",
    }[way]
