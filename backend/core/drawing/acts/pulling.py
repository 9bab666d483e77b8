"""What two hands pull apart, press together, tear, wring or bang."""

from types import MappingProxyType

from core.drawing.acts.reach import named
from core.drawing.acts.register import act, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, ground, hold
from core.drawing.things import (
    size_mm,
)


def _bricks(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    thing = scene.thing("thing")
    long, wide = size_mm(thing) if thing else (64, 32)
    for s in (-1, 1):
        canvas.box(
            s * (long * 0.52 + (0 if scene.yes("press") else 5)), y, long, wide * 0.75, "thing" if s > 0 else "goal", 2
        )
        for k in (-0.25, 0.25):
            canvas.box(s * (long * 0.52 + 5) + k * long, y - wide * 0.44, long * 0.2, 5, "thing" if s > 0 else "goal")
    return y, long * 0.9, wide * 0.7


def _stud(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h = scene.hand
    for s in (-1, 1):
        canvas.box(s * 0.3 * h, y, 0.5 * h, 0.3 * h, "goal", 3)
    canvas.round(0.09 * h, y, 0.13 * h, "thing")
    canvas.round(-0.09 * h, y, 0.13 * h, "paper")
    return y, 0.34 * h, 8


def _lids(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h = scene.hand
    for s in (-1, 1):
        canvas.box(s * 0.12 * h, y, 9, 0.6 * h, "goal", 3)
    return y, 0.18 * h, 30


def _wring(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h = scene.hand
    canvas.box(0, y, 0.9 * h, 0.16 * h, "thing", 10)
    for i in range(6):
        canvas.line([((i - 2.5) * 0.13 * h, y - 0.08 * h), ((i - 2) * 0.13 * h, y + 0.08 * h)], 1)
    for i in range(3):
        canvas.round((i - 1) * 0.14 * h, y + (0.22 + 0.06 * (i % 2)) * h, 7, "wet", 11)
    return y, 0.34 * h, 0.16 * h


def _band(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h, thing = scene.hand, scene.thing("thing")
    d = max(thing.shape.extents_mm[0] if thing else 60, 40)
    canvas.box(0, -0.34 * h, 0.36 * h, 0.68 * h, "goal", 4)
    y = -0.62 * h
    canvas.round(0, y, min(d * 1.3, 0.8 * h), "none", 26)
    canvas.round(0, y, min(d * 1.3, 0.8 * h) - 8, "none", 18)
    return y, min(d * 0.62, 0.38 * h), 8


def _packet(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h = scene.hand
    canvas.shape(
        [
            (-0.34 * h, y - 0.2 * h),
            (-0.02 * h, y - 0.2 * h),
            (0, y - 0.06 * h),
            (0.03 * h, y - 0.22 * h),
            (0.34 * h, y - 0.24 * h),
            (0.34 * h, y + 0.36 * h),
            (-0.34 * h, y + 0.36 * h),
        ],
        "thing",
    )
    y -= 0.18 * h
    return y, 0.12 * h, 6


def _paper(canvas: Canvas, scene: Scene, y: float) -> tuple[float, float, float]:
    h = scene.hand
    canvas.shape(
        [
            (-0.62 * h, y - 0.3 * h),
            (-0.05 * h, y - 0.3 * h),
            (-0.02 * h, y - 0.04 * h),
            (0.01 * h, y + 0.14 * h),
            (0.05 * h, y - 0.06 * h),
            (0.08 * h, y - 0.34 * h),
            (0.64 * h, y - 0.34 * h),
            (0.62 * h, y + 0.46 * h),
            (-0.62 * h, y + 0.46 * h),
        ],
        "paper",
    )
    y -= 0.26 * h
    return y, 0.16 * h, 5


_PULLED = MappingProxyType(
    {
        "bricks": _bricks,
        "stud": _stud,
        "lids": _lids,
        "wring": _wring,
        "band": _band,
        "packet": _packet,
        "paper": _paper,
    }
)
"""What is pulled, drawn at a height; how high and how far out the hands are, and their gap."""


@act(press=yes(), kind=one_of("bricks", "lids", "paper", "wring", "band", "packet", "stud"), thing=role())
def pull(canvas: Canvas, scene: Scene) -> str:
    """Two hands pull something apart, press it together or tear it."""
    kind, thing = scene.word("kind", "bricks"), scene.thing("thing")
    pressing = scene.yes("press")
    with ground(canvas, scene, scene.hand * 1.9, table=kind in ("band",)):
        h = scene.hand
        y, far, gap = _PULLED[kind](canvas, scene, -0.58 * h)
        pose = "wrap" if kind in ("wring", "lids") else "key" if kind in ("packet", "paper", "band") else "pinch"
        hold(canvas, scene, pose, -far, y, "helper", 12, gap)
        hold(canvas, scene, pose, far, y, "skill", 12, gap)
        up = y - 0.42 * h
        if kind in ("packet", "paper"):
            canvas.arrow([(-0.14 * h, up), (-0.34 * h, up - 0.1 * h)])
            canvas.arrow([(0.14 * h, up - 0.06 * h), (0.34 * h, up + 0.06 * h)])
        elif kind == "wring":
            canvas.arrow([(-0.4 * h, up), (-0.26 * h, up - 0.12 * h), (-0.1 * h, up)])
            canvas.arrow([(0.4 * h, up - 0.1 * h), (0.26 * h, up + 0.04 * h), (0.1 * h, up - 0.1 * h)])
        else:
            for s in (-1, 1):
                ends = [(s * 0.14 * h, up), (s * 0.46 * h, up)]
                canvas.arrow(ends[::-1] if pressing or kind == "lids" else ends)
    done = {"paper": "tear", "packet": "tear", "wring": "twist", "lids": "bang"}.get(
        kind, "press together" if pressing else "pull apart"
    )
    return f"two hands {done} {named(thing, 'it')}"
