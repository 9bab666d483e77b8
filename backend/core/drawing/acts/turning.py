"""What is turned: nuts, caps, screws, keys, lids."""

from types import MappingProxyType

from core.drawing.acts.reach import named
from core.drawing.acts.register import act, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, ground, hold
from core.drawing.things import (
    screw_pot,
)

HIDDEN_MM = 12.0  # what is thinner disappears between two fingertips


def _bolt(canvas: Canvas, x: float, y: float, d: float, long: float) -> None:
    """A bolt from its head at x, with the lines of its thread."""
    canvas.box(x, y, 10, d * 1.9, "goal", 2)
    canvas.box(x + long / 2, y, long, d, "goal", 1)
    for i in range(int(long / 6)):
        canvas.line([(x + 8 + i * 6, y - d / 2), (x + 11 + i * 6, y + d / 2)], 0.7)


def _nut(canvas: Canvas, scene: Scene) -> None:
    h, y, thing = scene.hand, -0.5 * scene.hand, scene.thing("thing")
    adult = scene.word("hold") == "adult"
    d, long = (thing.shape.extents_mm[1], thing.shape.extents_mm[0]) if thing else (20, 80)
    head = -0.42 * h
    x = head + long * 0.72
    _bolt(canvas, head, y, d, long)
    hold(canvas, scene, "pinch", head - 0.08 * h, y, "helper", 10, d * 1.4, grown=adult)
    hold(
        canvas, scene, "pinch", x, y, turn=58, gap=d * 1.7,
        held=lambda: canvas.box(x, y, d * 0.8, d * 1.7, "thing", 2),
    )  # fmt: skip
    canvas.turn(x, y, d * 0.85 + 16, 90, -40)
    if d < HIDDEN_MM:  # the fingertips hide it: shown beside, larger
        near = 0.6 * h / (long + 14)
        with canvas.at(0.62 * h, -0.9 * h):
            canvas.round(0, 0, 0.72 * h, "paper")
            with canvas.at(-0.26 * h, 0, near):
                _bolt(canvas, 0, 0, d, long)
                canvas.box(long * 0.72, 0, d * 0.8, d * 1.7, "thing", 2)


def _cap(canvas: Canvas, scene: Scene) -> None:
    h, y, thing = scene.hand, -0.5 * scene.hand, scene.thing("thing")
    d, long = (thing.shape.extents_mm[2], thing.shape.extents_mm[0]) if thing else (15, 135)
    canvas.box(-0.1 * h, y, long * 0.8, d, "goal", 3)
    canvas.box(-0.1 * h + long * 0.5, y, long * 0.3, d * 1.1, "thing", 3)
    hold(canvas, scene, "wrap", -0.44 * h, y, "helper", 6, d)
    hold(canvas, scene, "pinch", -0.1 * h + long * 0.5, y, turn=52, gap=d * 1.1)
    canvas.arrow([(0.2 * h, y + 0.3 * h), (0.54 * h, y + 0.3 * h)])


def _screw(canvas: Canvas, scene: Scene) -> None:
    h = scene.hand
    adult = scene.word("hold") == "adult"
    kind = scene.word("kind")
    canvas.box(-0.4 * h, -15, 90, 30, "goal", 8)
    hold(canvas, scene, "wrap", -0.4 * h - 34, -16, "helper", 6, 24, grown=adult)
    canvas.box(-0.36 * h, -34, 16, 8, "thing", 2)
    canvas.box(-0.36 * h, -22, 6, 24, "thing")
    if kind == "driver":
        canvas.box(-0.36 * h, -66, 5, 56, "goal")
        canvas.box(-0.36 * h, -116, 24, 56, "thing", 8)
    top = -112 if kind == "driver" else -38
    hold(canvas, scene, "three_point", -0.36 * h, top, turn=40, gap=18)
    canvas.turn(-0.36 * h, top - 6, 34, 200, 330)


def _key(canvas: Canvas, scene: Scene) -> None:
    h, y = scene.hand, -0.5 * scene.hand
    adult = scene.word("hold") == "adult"
    canvas.box(-0.5 * h, y, 62, 74, "goal", 8)
    canvas.box(-0.5 * h + 26, y, 8, 12, "ink")
    canvas.box(-0.5 * h + 52, y, 36, 6, "thing")
    canvas.round(-0.5 * h + 78, y, 26, "thing")
    hold(canvas, scene, "wrap", -0.5 * h - 26, y + 12, "helper", 4, 30, grown=adult)
    hold(canvas, scene, "key", -0.5 * h + 82, y, turn=10)
    canvas.turn(-0.5 * h + 60, y, 44, 200, 330)


def _sharpen(canvas: Canvas, scene: Scene) -> None:
    h, y, thing = scene.hand, -0.5 * scene.hand, scene.thing("thing")
    canvas.box(-0.42 * h, y, 44, 40, "goal", 8)
    canvas.box(-0.42 * h + 76, y, 110, max(thing.shape.extents_mm[2] if thing else 8, 6), "thing", 2)
    hold(canvas, scene, "wrap", -0.42 * h - 16, y, "helper", 4, 24)
    hold(canvas, scene, "three_point", -0.42 * h + 84, y, turn=14, gap=10)
    canvas.turn(-0.42 * h + 70, y, 36, 200, 330)


def _crank(canvas: Canvas, scene: Scene) -> None:
    h = scene.hand
    adult = scene.word("hold") == "adult"
    canvas.box(-0.5 * h, -0.36 * h, 0.5 * h, 0.7 * h, "goal", 8)
    canvas.line([(-0.5 * h, -0.4 * h), (-0.2 * h, -0.6 * h)], 5)
    hold(canvas, scene, "wrap", -0.74 * h, -0.34 * h, "helper", 8, 20, grown=adult)
    hold(
        canvas,
        scene,
        scene.word("pose", "wrap"),
        -0.18 * h,
        -0.62 * h,
        turn=18,
        gap=12,
        held=lambda: canvas.box(-0.18 * h, -0.62 * h, 12, 32, "thing", 4),
    )
    canvas.turn(-0.5 * h, -0.4 * h, 0.42 * h, 300, 400)


_TURNED = MappingProxyType(
    {"nut": _nut, "cap": _cap, "screw": _screw, "driver": _screw, "key": _key, "sharpen": _sharpen, "crank": _crank}
)


@act(
    kind=one_of("nut", "cap", "key", "sharpen", "screw", "driver", "crank"),
    thing=role(),
    hold=one_of("adult", "child"),
    pose=one_of("pinch", "three_point", "wrap"),
)
def twist(canvas: Canvas, scene: Scene) -> str:
    """The fingers turn a small thing: kind nut, key, screw, driver, sharpen, crank."""
    kind = scene.word("kind", "nut")
    thing = scene.thing("thing")
    with ground(canvas, scene, scene.hand * 1.6):
        _TURNED[kind](canvas, scene)
    return f"the fingers turn {named(thing, 'it')}"


@act(thing=role(), hold=one_of("hand", "adult", "knees"), tips=yes())
def lid(canvas: Canvas, scene: Scene) -> str:
    """A lid is turned."""
    thing = scene.thing("thing")
    d, long = (thing.shape.extents_mm[1], thing.shape.extents_mm[0]) if thing else (70, 110)
    with ground(canvas, scene, scene.hand * 1.5, long + 0.8 * scene.hand):
        h = scene.hand
        x, foot = -0.3 * h, 0.0
        holds = scene.word("hold", "hand")
        if holds == "hand":
            foot = -0.14 * h
        with canvas.at(x, foot):
            screw_pot(canvas, thing) if thing else canvas.box(0, -55, 70, 110, "goal")
        hold(canvas, scene, "wrap", x - d * 0.3, foot - long * 0.36, "helper", 6, d * 0.4, grown=holds == "adult")
        cap = (thing.opening_mm or d) if thing else d
        hold(
            canvas,
            scene,
            "three_point" if scene.yes("tips") or cap < 40 else "open",
            x,
            foot - long + 8,
            turn=42,
            gap=min(cap, h * 0.45),
        )
        canvas.turn(x, foot - long, cap * 0.5 + 20, 190, 320)
    return f"one hand holds {named(thing, 'the jar')}, the other turns its lid"
