"""Cords, sheets, cloths, clothes, dough and food."""

from core.drawing.canvas import Canvas, Tint
from core.drawing.things.sizes import size_mm
from core.materials import Ball, Thing

SOCK = ((-70, -24), (20, -26), (70, -20), (78, 6), (60, 26), (24, 22), (10, 12), (-70, 14))  # a sock's outline, in mm


def cord_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A cord: straight where it is stiff or short, else in waves."""
    long = min(thing.cord_mm or size_mm(thing)[0], 420)
    weight = max(2.0, (thing.cord_width_mm or 3) * canvas.scale)
    if thing.stiffness == "stiff" or long <= 200:
        canvas.line([(-long / 2, 0), (long / 2, 0)], weight)
        return
    steps = 9
    points = [((i / (steps - 1) - 0.5) * long * 0.7, 26 * (-1) ** i) for i in range(steps)]
    canvas.line(points, weight, smooth=True)


def sheet_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A sheet, no bigger than 300 mm."""
    long, wide = size_mm(thing)
    canvas.box(0, 0, min(long, 300), min(wide, 300), "paper")


def cloth_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A cloth with an edge that is not quite straight."""
    wide, high = size_mm(thing)
    w, h = min(wide, 300) / 2, min(high, 240) / 2
    canvas.shape(
        [
            (-w, -h),
            (-w * 0.4, -h * 1.06),
            (w * 0.3, -h * 0.94),
            (w, -h),
            (w * 1.04, 0),
            (w, h),
            (w * 0.2, h * 0.94),
            (-w * 0.5, h * 1.05),
            (-w, h),
            (-w * 0.95, 0),
        ],
        tint,
        smooth=True,
    )


def mat_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A mat, no bigger than 320 mm."""
    wide, high = size_mm(thing)
    canvas.box(0, 0, min(wide, 320), min(high, 260), "goal", 16)


def dough_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A lump of dough."""
    w, h = size_mm(thing)
    w, h = w * 0.45, h * 0.42
    canvas.shape(
        [(-w, 0), (-w * 0.8, -h), (0, -h * 1.1), (w * 0.9, -h * 0.8), (w, h * 0.3), (w * 0.5, h), (-w * 0.6, h)],
        "dough",
        smooth=True,
    )


def shoe(canvas: Canvas, thing: Thing, laced: bool = True) -> None:
    """A shoe from above, as it is worn by the child at the bottom of the frame: toe to -y; a lace board where it is
    one.
    """
    long, wide = thing.shape.extents_mm[0], thing.shape.extents_mm[1]
    h, w = long / 2, wide / 2
    if "shoe" in thing.forms or "strap" in thing.forms:
        canvas.shape(
            [
                (0, -h),
                (w, -h * 0.7),
                (w * 0.95, 0),
                (w * 0.8, h * 0.8),
                (0, h),
                (-w * 0.8, h * 0.8),
                (-w * 0.95, 0),
                (-w, -h * 0.7),
            ],
            "goal",
            smooth=True,
        )
        canvas.shape(
            [(0, h * 0.1), (w * 0.5, h * 0.35), (w * 0.42, h * 0.8), (-w * 0.42, h * 0.8), (-w * 0.5, h * 0.35)],
            "paper",
            smooth=True,
        )
    else:
        canvas.box(0, 0, wide, long, "goal", 10)
    if laced:
        for i in range(4):
            y = -h * 0.45 + i * h * 0.24
            for x in (-1, 1):
                canvas.round(x * w * 0.42, y, 5, "ink")


def shoe_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A shoe or lace board with its holes."""
    shoe(canvas, thing)


def strip_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A strip with buttons."""
    wide, high = size_mm(thing)
    wide, high = min(wide, 260), min(high, 220)
    canvas.box(0, 0, wide, high, "goal", 8)
    for i in range(4):
        canvas.round((i - 1.5) * wide / 4, 0, min(thing.opening_mm or 18, 30), "thing")


def sock_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A sock, 148 mm long."""
    canvas.shape(SOCK, tint, smooth=True)
    canvas.line([(-56, -24), (-56, 14)], 1.1)


def books_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """An open book."""
    wide, high = size_mm(thing)
    for x in (-1, 1):
        canvas.box(x * wide / 2, 0, wide, high, "paper", 4)
    canvas.line([(0, -high / 2), (0, high / 2)], 2.4)


def bag_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A ball or a bean bag."""
    wide, high = (min(s, 150) for s in size_mm(thing))
    if isinstance(thing.shape, Ball):
        canvas.round(0, 0, thing.shape.diameter_mm, tint)
        return
    w, h = wide / 2, high / 2
    canvas.shape(
        [(-w, -h), (0, -h * 0.86), (w, -h), (w * 0.9, 0), (w, h), (0, h * 0.88), (-w, h), (-w * 0.9, 0)],
        tint,
        smooth=True,
    )


def bread(canvas: Canvas) -> None:
    """A slice, 112 mm wide."""
    canvas.shape(
        [(-50, 45), (-50, -20), (-56, -38), (-30, -50), (30, -50), (56, -38), (50, -20), (50, 45)],
        "dough",
    )


def leaf(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A leaf, 104 mm long."""
    canvas.shape([(-45, 0), (-20, -24), (20, -26), (48, 0), (20, 26), (-20, 24)], tint, smooth=True)
    canvas.line([(-56, 0), (40, 0)], 1.2)
