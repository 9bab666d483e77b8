"""What no form has a drawing for: its plain shape."""

from core.drawing.canvas import Canvas, Tint
from core.drawing.things.sizes import size_mm
from core.materials import Ball, Box, Disc, Ring, Rod, Thing


def plain_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A ball, disc, ring, rod or box as it lies."""
    wide, high = size_mm(thing)
    match thing.shape:
        case Ball() | Disc():
            canvas.round(0, 0, wide, tint)
        case Ring(outer, inner, _):
            canvas.round(0, 0, outer, tint)
            canvas.round(0, 0, inner, "paper")
        case Rod() if wide == high:
            canvas.round(0, 0, wide, tint)
        case Rod():
            canvas.box(0, 0, wide, high, tint, high / 3)
        case Box():
            canvas.box(0, 0, wide, high, tint, min(wide, high) / 6)
    if thing.hole_mm and not isinstance(thing.shape, Ring) and wide == high:
        canvas.round(0, 0, min(thing.hole_mm, wide * 0.6), "paper")


def plain_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """The same from the side, about the origin."""
    match thing.shape:
        case Ball(d):
            canvas.round(0, 0, d, tint)
            if thing.soft:
                canvas.line([(-d * 0.2, -d * 0.1), (0, -d * 0.25), (d * 0.2, -d * 0.1)], 1, smooth=True)
        case Ring(outer, inner, _):
            canvas.round(0, 0, outer, tint)
            canvas.round(0, 0, inner, "paper")
        case Rod(d, long) if long < d:
            canvas.box(0, 0, d, max(long, 2.2), tint, 1)
        case Rod(d, long):
            canvas.box(0, 0, long, d, tint, d / 3)
        case Disc(d, high):
            canvas.box(0, 0, d, max(high, 2.2), tint, 1)
        case Box(long, wide, high):
            canvas.box(0, 0, long, max(min(wide, high), 2.2), tint, 2)
