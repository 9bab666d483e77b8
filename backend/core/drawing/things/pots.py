"""Pots, lids, trays and tubs, water and filler."""

from core.drawing.canvas import Canvas, Tint
from core.drawing.things.sizes import pot_size, size_mm
from core.materials import Box, Thing


def pot_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A pot or a box with its inside."""
    if isinstance(thing.shape, Box):
        wide, high = size_mm(thing)
        canvas.box(0, 0, wide, high, tint, 12)
        canvas.box(0, 0, wide * 0.88, high * 0.84, "paper", 9)
        return
    across = pot_size(thing)[0]
    canvas.round(0, 0, across, tint)
    canvas.round(0, 0, across * 0.86, "paper")


def slot_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A lid with its slot or hole, as wide as it is."""
    wide, high = size_mm(thing)
    gap = thing.opening_mm or 20
    if isinstance(thing.shape, Box):
        canvas.box(0, 0, wide, high, tint, 8)
    else:
        canvas.round(0, 0, wide, tint)
    if gap < 15:
        canvas.box(0, 0, min(wide * 0.45, 60), max(gap, 3), "ink", 1)
    else:
        canvas.round(0, 0, gap, "ink")


def pot_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A pot, its foot at y = 0."""
    wide, high = pot_size(thing)
    top, foot = wide / 2, wide * 0.4
    canvas.shape([(-top, -high), (top, -high), (foot, 0), (-foot, 0)], tint)
    canvas.round(0, -high, wide, "paper", min(wide * 0.14, 14))


def slot_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A pot with a lid that has a slot or hole, its foot at y = 0."""
    wide, high = pot_size(thing)
    gap = thing.opening_mm or 20
    canvas.box(0, -high / 2, wide, high, tint, 6)
    canvas.round(0, -high, wide, tint, min(wide * 0.26, 24))
    canvas.round(
        0, -high, min(gap if gap >= 15 else wide * 0.4, wide * 0.8), "ink", min(wide * 0.11, 9) if gap >= 15 else 3.4
    )


def sorter_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A tray of cups, as many as fit."""
    wide, high = size_mm(thing)
    if not isinstance(thing.shape, Box):
        pot_above(canvas, thing, tint)
        return
    cup = min(thing.opening_mm or 50, wide / 3)
    along, across = max(2, round(wide / cup * 0.78)), max(1, round(high / cup * 0.8))
    canvas.box(0, 0, wide, high, tint, 12)
    for i in range(along):
        for j in range(across):
            canvas.round(
                (i + 0.5 - along / 2) * wide / along, (j + 0.5 - across / 2) * high / across, cup * 0.86, "paper"
            )


def big_sorter_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A tray of four places, as for cutlery."""
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, tint, 10)
    for i in range(4):
        canvas.box((i - 1.5) * wide / 4.2, 0, wide / 5, high * 0.86, "paper", 8)


def sorter_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Three cups of a tray, their feet at y = 0."""
    cup = min(thing.opening_mm or 50, 70)
    high = 30.0
    for i in (-1, 0, 1):
        with canvas.at(i * cup * 1.12, 0):
            canvas.shape([(-cup / 2, -high), (cup / 2, -high), (cup * 0.36, 0), (-cup * 0.36, 0)], tint)
            canvas.round(0, -high, cup, "paper", 8)


def tray_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """Three places of a big tray, their feet at y = 0."""
    for i in (-1, 0, 1):
        canvas.box(i * 56, -15, 54, 30, tint, 4)
        canvas.round(i * 56, -30, 50, "paper", 8)


def water_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A bowl of water."""
    across = size_mm(thing)[0]
    canvas.round(0, 0, across, "goal")
    canvas.round(0, 0, across * 0.88, "wet")


def water_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A bowl of water, its foot at y = 0."""
    wide, high = pot_size(thing)
    canvas.shape([(-wide / 2, -high), (wide / 2, -high), (wide * 0.4, 0), (-wide * 0.4, 0)], "goal")
    canvas.round(0, -high, wide, "wet", min(wide * 0.14, 16))


def filler_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A tub of something loose."""
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, "goal", 14)
    canvas.box(0, 0, wide * 0.9, high * 0.86, "dough", 10)
    canvas.dots(0, 0, wide * 0.82, high * 0.74, 46)


def tray_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A tray with its rim."""
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, "goal", 14)
    canvas.box(0, 0, wide * 0.92, high * 0.9, "paper", 8)


def screw_pot(canvas: Canvas, thing: Thing, lid: bool = True) -> None:
    """A jar, bottle or tube from the side, its foot at y = 0 and its lid on top."""
    d, long = (thing.shape.extents_mm[1], thing.shape.extents_mm[0])
    cap = thing.opening_mm or d * 0.8
    shoulder = long * 0.2 if cap < d * 0.7 else 6
    top = min(long * 0.18, 22)
    canvas.shape(
        [
            (-d / 2, 0),
            (-d / 2, -(long - top - shoulder)),
            (-cap / 2, -(long - top)),
            (cap / 2, -(long - top)),
            (d / 2, -(long - top - shoulder)),
            (d / 2, 0),
        ],
        "goal",
    )
    if lid:
        canvas.box(0, -long + top / 2, cap * 1.06, top, "thing", 2)
        for i in (-0.3, -0.1, 0.1, 0.3):
            canvas.line([(i * cap, -long + 3), (i * cap, -long + top - 3)], 1)


def lid_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A jar from above: its lid."""
    d = thing.shape.extents_mm[1]
    canvas.round(0, 0, d, "goal")
    canvas.round(0, 0, (thing.opening_mm or d * 0.8) * 1.04, "thing")


def post_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """A post on its foot, 90 mm wide."""
    canvas.round(0, 0, 90, "goal")
    canvas.round(0, 0, max(thing.shape.extents_mm[2], 4), "ink")
