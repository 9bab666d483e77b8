"""Tools, as they are held: pegs, scissors, tongs, pens, cutlery, bottles, balls."""

from core.drawing.canvas import Canvas, Tint
from core.drawing.things.sizes import size_mm
from core.materials import Box, Thing


def peg(canvas: Canvas, thing: Thing, tint: Tint = "thing", opened: float = 0.0) -> None:
    """A peg or clip: mouth to -x, its wings to +x; opened in degrees."""
    long, _, high = thing.shape.extents_mm if isinstance(thing.shape, Box) else (70, 12, 14)
    half = max(high, 9) / 2
    for up in (-1, 1):
        with canvas.at(0, 0, 1, up * opened):
            canvas.shape(
                [
                    (-long * 0.5, up * 0.6),
                    (-long * 0.5, up * half * 0.7),
                    (-long * 0.1, up * half),
                    (long * 0.5, up * half * 1.25),
                    (long * 0.5, up * half * 0.55),
                    (0, up * half * 0.3),
                ],
                tint,
            )
    canvas.round(-long * 0.02, 0, half * 0.9, "goal")


def scissors(canvas: Canvas, opened: float = 14, tint: Tint = "goal") -> None:
    """Child's scissors from above, 130 mm: points to -x, the pivot at the origin, loops to +x."""
    for up in (-1, 1):
        with canvas.at(0, 0, 1, up * opened):
            canvas.shape([(-66, up * 1), (-60, up * 5), (0, up * 7), (26, up * 4), (26, up * -2), (0, up * -3)], tint)
            canvas.round(44, up * 9, 34, tint, 25)
            canvas.round(44, up * 9, 22, "paper", 14)
    canvas.round(0, 0, 5, "ink")


def blade_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Scissors, a little open."""
    scissors(canvas)


def tongs(canvas: Canvas, thing: Thing, gap: float, tint: Tint = "goal") -> None:
    """Tongs or tweezers: tips to -x, gap apart, the hinge to +x."""
    long = size_mm(thing)[0]
    half = gap / 2
    for up in (-1, 1):
        canvas.shape(
            [
                (-long / 2, up * half),
                (-long * 0.3, up * (half + long * 0.05)),
                (long * 0.4, up * long * 0.06),
                (long / 2, 0),
                (long * 0.42, up * long * 0.02),
                (-long * 0.28, up * (half + long * 0.01)),
            ],
            tint,
        )


def tongs_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Tongs, open as they lie."""
    tongs(canvas, thing, size_mm(thing)[0] * 0.14)


def pen(canvas: Canvas, thing: Thing, tint: Tint = "thing") -> None:
    """A thing that marks, its point at the origin, its end to +x."""
    long, thick = thing.shape.extents_mm[0], max(thing.shape.extents_mm[2], 5)
    tip = min(long * 0.25, thick * 1.6)
    canvas.shape([(0, 0), (tip, -thick / 2), (long, -thick / 2), (long, thick / 2), (tip, thick / 2)], tint)
    canvas.line([(tip, -thick / 2), (tip, thick / 2)], 1)


def pen_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Something that marks, about its middle."""
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        pen(canvas, thing, tint)


def spoon(canvas: Canvas, thing: Thing, tint: Tint = "goal", level: bool = False) -> None:
    """A spoon, its bowl about the origin, its handle to +x; level from the side, else from above."""
    long = thing.shape.extents_mm[0]
    thick = 14 if thing.shape.extents_mm[2] > 20 else 7
    bowl = min(42, long * 0.26)
    if level:
        canvas.shape(
            [(-bowl * 0.5, -3), (bowl * 0.5, -3), (bowl * 0.4, 7), (-bowl * 0.1, 10), (-bowl * 0.45, 5)],
            tint,
        )
        canvas.box(bowl * 0.5 + (long - bowl) / 2, -4, long - bowl, thick, tint, 3)
        return
    canvas.box(bowl * 0.45 + (long - bowl) / 2, 0, long - bowl, thick, tint, 3)
    canvas.round(0, 0, bowl, tint, bowl * 0.72)
    canvas.round(0, 0, bowl * 0.7, "paper", bowl * 0.45)


def spoon_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A spoon."""
    with canvas.at(-thing.shape.extents_mm[0] / 3, 0):
        spoon(canvas, thing)


def fork(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A fork, the points of its tines at the origin, its handle to +x."""
    long, thick = thing.shape.extents_mm[0], 14 if thing.shape.extents_mm[2] > 20 else 7
    canvas.box(55 + (long - 55) / 2, 0, long - 55, thick, tint, 3)
    canvas.shape([(28, -10), (46, -9), (60, -3), (60, 3), (46, 9), (28, 10)], tint)
    for y in (-8, 0, 8):
        canvas.box(15, y, 30, 4, tint, 1.6)


def fork_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A fork."""
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        fork(canvas, thing)


def knife(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A child's knife, its round end at the origin, its handle to +x."""
    long, thick = thing.shape.extents_mm[0], 15 if thing.shape.extents_mm[2] > 20 else 10
    canvas.shape([(0, 0), (4, -8), (16, -9), (long * 0.5, -8), (long * 0.5, 6), (14, 6)], "paper")
    canvas.box(long * 0.75, -1, long * 0.5, thick, tint, 4)


def knife_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A child's knife."""
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        knife(canvas, thing)


def hammer(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A light hammer from the side: its head about the origin, the handle to +x."""
    canvas.box(84, 0, 140, 13, tint, 5)
    canvas.box(0, 0, 34, 58, tint, 6)


def hammer_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A hammer."""
    with canvas.at(-70, 0):
        hammer(canvas, thing)


def bottle(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A thing that squirts, its nozzle at the origin and its body to +x."""
    long = thing.shape.extents_mm[0]
    wide = min(max(thing.shape.extents_mm[1], 12), 70)
    if "trigger" in thing.forms:
        canvas.box(long * 0.6, 0, long * 0.72, wide * 0.8, "wet", 12)
        canvas.shape([(0, -wide * 0.3), (long * 0.24, -wide * 0.3), (long * 0.24, wide * 0.12), (0, -wide * 0.1)], tint)
        canvas.line([(long * 0.14, -wide * 0.1), (long * 0.2, wide * 0.2), (long * 0.14, wide * 0.42)], 3, smooth=True)
        return
    neck = long * 0.45
    canvas.shape([(0, -2), (neck, -5), (neck, 5), (0, 2)], tint)
    canvas.round(neck + (long - neck) / 2, 0, long - neck, "wet", wide)


def bottle_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Something that squirts."""
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        bottle(canvas, thing)


def roll(canvas: Canvas, thing: Thing, tint: Tint = "thing") -> None:
    """A stuffed roll, lying, with a turn of cloth at its end."""
    long, thick, _ = thing.shape.extents_mm
    canvas.box(0, 0, long, thick, tint, thick / 2.4)
    for x in (-long * 0.32, long * 0.32):
        canvas.line([(x, -thick * 0.42), (x + 5, 0), (x, thick * 0.42)], 1.1, smooth=True)


def mouth_ball(canvas: Canvas, thing: Thing, gap: float = 3) -> None:
    """A ball with a slit for a mouth, the mouth to -x."""
    d = thing.shape.extents_mm[0]
    canvas.round(0, 0, d, "thing")
    canvas.round(-d * 0.3, 0, d * 0.28, "ink", max(gap, 3))
    for y in (-1, 1):
        canvas.round(-d * 0.12, y * d * 0.24, 5, "ink")


def mouth_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A ball with a slit."""
    mouth_ball(canvas, thing)


def punch(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A hole punch, 140 mm wide."""
    canvas.box(0, 0, 140, 70, "goal", 10)
    canvas.box(0, -12, 110, 30, "thing", 8)


def ruler(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A ruler of 300 mm with its centimetres."""
    canvas.box(0, 0, 300, 35, tint)
    for i in range(31):
        canvas.line([(-150 + i * 10, -17), (-150 + i * 10, -17 + (9 if i % 5 == 0 else 5))], 0.7)
