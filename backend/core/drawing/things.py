"""Household things from their measured form, at true proportion: from above as they lie, and from the side as they
stand.

Everything is drawn about the origin, in mm. A thing is drawn as the form it serves as (a tub is a pot, or an edge to
clip
on); what no form has a drawing for is its plain shape.
"""

from collections.abc import Callable
from types import MappingProxyType

from core.drawing.canvas import Canvas, Tint
from core.materials import Ball, Box, Disc, Ring, Rod, Thing

Painter = Callable[[Canvas, Thing, Tint], None]


def above(canvas: Canvas, thing: Thing, form: str, tint: Tint = "thing") -> None:
    """Draw a thing as it lies on a table, seen from above."""
    _ABOVE.get(form, _plain_above)(canvas, thing, tint)


def side(canvas: Canvas, thing: Thing, form: str, tint: Tint = "thing") -> None:
    """Draw a thing from the side; what stands on a table stands with its foot at y = 0, what is held is about 0."""
    _SIDE.get(form, _plain_side)(canvas, thing, tint)


def size_mm(thing: Thing) -> tuple[float, float]:
    """The width and height a thing takes from above, in mm."""
    if "post" in thing.forms:
        return 90.0, 90.0
    match thing.shape:
        case Ball(d):
            return d, d
        case Disc(d, _):
            return d, d
        case Ring(outer, _, _):
            return outer, outer
        case Rod(d, long):
            standing = bool(thing.forms & STANDS)
            return (d, d) if standing or long < 0.7 * d else (long, d)
        case Box(long, wide, _):
            return long, wide


def grip_mm(thing: Thing) -> float:
    """How far apart the fingertips are that hold it: its smaller side, a loop's thickness."""
    match thing.shape:
        case Ball(d):
            return d
        case Ring(outer, inner, thick):
            return min(thick, (outer - inner) / 2) if thick < 12 else (outer - inner) / 2
        case Rod(d, long) | Disc(d, long):
            return min(d, long)
        case Box(_, wide, high):
            return min(wide, high)


STANDS = frozenset(
    {
        "container",
        "slot_lid",
        "post",
        "cup",
        "lid_pot",
        "pump",
        "carton",
        "bubble_pot",
        "water",
        "plate",
        "paint",
        "spread",
    }
)


# plain shapes


def _plain_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


def _plain_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


# pots


def pot_size(thing: Thing) -> tuple[float, float]:
    """The width and height of a pot from the side."""
    match thing.shape:
        case Rod(d, long):
            return d, long
        case Box(long, wide, high):
            return (long, high) if long < 220 else (wide, high)
        case Ball(d):
            return d, d
        case _:
            return 100, 80


def _pot_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    if isinstance(thing.shape, Box):
        wide, high = size_mm(thing)
        canvas.box(0, 0, wide, high, tint, 12)
        canvas.box(0, 0, wide * 0.88, high * 0.84, "paper", 9)
        return
    across = pot_size(thing)[0]
    canvas.round(0, 0, across, tint)
    canvas.round(0, 0, across * 0.86, "paper")


def _slot_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


def _pot_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = pot_size(thing)
    top, foot = wide / 2, wide * 0.4
    canvas.shape([(-top, -high), (top, -high), (foot, 0), (-foot, 0)], tint)
    canvas.round(0, -high, wide, "paper", min(wide * 0.14, 14))


def _slot_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = pot_size(thing)
    gap = thing.opening_mm or 20
    canvas.box(0, -high / 2, wide, high, tint, 6)
    canvas.round(0, -high, wide, tint, min(wide * 0.26, 24))
    canvas.round(
        0, -high, min(gap if gap >= 15 else wide * 0.4, wide * 0.8), "ink", min(wide * 0.11, 9) if gap >= 15 else 3.4
    )


def _sorter_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    if not isinstance(thing.shape, Box):
        _pot_above(canvas, thing, tint)
        return
    cup = min(thing.opening_mm or 50, wide / 3)
    along, across = max(2, round(wide / cup * 0.78)), max(1, round(high / cup * 0.8))
    canvas.box(0, 0, wide, high, tint, 12)
    for i in range(along):
        for j in range(across):
            canvas.round(
                (i + 0.5 - along / 2) * wide / along, (j + 0.5 - across / 2) * high / across, cup * 0.86, "paper"
            )


def _big_sorter_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, tint, 10)
    for i in range(4):
        canvas.box((i - 1.5) * wide / 4.2, 0, wide / 5, high * 0.86, "paper", 8)


def _sorter_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    cup = min(thing.opening_mm or 50, 70)
    high = 30.0
    for i in (-1, 0, 1):
        with canvas.at(i * cup * 1.12, 0):
            canvas.shape([(-cup / 2, -high), (cup / 2, -high), (cup * 0.36, 0), (-cup * 0.36, 0)], tint)
            canvas.round(0, -high, cup, "paper", 8)


def _tray_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    for i in (-1, 0, 1):
        canvas.box(i * 56, -15, 54, 30, tint, 4)
        canvas.round(i * 56, -30, 50, "paper", 8)


def _water_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    across = size_mm(thing)[0]
    canvas.round(0, 0, across, "goal")
    canvas.round(0, 0, across * 0.88, "wet")


def _water_side(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = pot_size(thing)
    canvas.shape([(-wide / 2, -high), (wide / 2, -high), (wide * 0.4, 0), (-wide * 0.4, 0)], "goal")
    canvas.round(0, -high, wide, "wet", min(wide * 0.14, 16))


def _filler_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, "goal", 14)
    canvas.box(0, 0, wide * 0.9, high * 0.86, "dough", 10)
    canvas.dots(0, 0, wide * 0.82, high * 0.74, 46)


def _tray_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    canvas.box(0, 0, wide, high, "goal", 14)
    canvas.box(0, 0, wide * 0.92, high * 0.9, "paper", 8)


# lines, sheets, cloths


def _cord_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    long = min(thing.cord_mm or size_mm(thing)[0], 420)
    weight = max(2.0, (thing.cord_width_mm or 3) * canvas.scale)
    if thing.stiffness == "stiff" or long <= 200:
        canvas.line([(-long / 2, 0), (long / 2, 0)], weight)
        return
    steps = 9
    points = [((i / (steps - 1) - 0.5) * long * 0.7, 26 * (-1) ** i) for i in range(steps)]
    canvas.line(points, weight, smooth=True)


def _sheet_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    long, wide = size_mm(thing)
    canvas.box(0, 0, min(long, 300), min(wide, 300), "paper")


def _cloth_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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
        "goal" if tint == "goal" else "thing",
        smooth=True,
    )


def _mat_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    canvas.box(0, 0, min(wide, 320), min(high, 260), "goal", 16)


# tools


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


def _peg(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    peg(canvas, thing, tint)


def scissors(canvas: Canvas, opened: float = 14, tint: Tint = "goal") -> None:
    """Child's scissors from above, 130 mm: points to -x, the pivot at the origin, loops to +x."""
    for up in (-1, 1):
        with canvas.at(0, 0, 1, up * opened):
            canvas.shape([(-66, up * 1), (-60, up * 5), (0, up * 7), (26, up * 4), (26, up * -2), (0, up * -3)], tint)
            canvas.round(44, up * 9, 34, tint, 25)
            canvas.round(44, up * 9, 22, "paper", 14)
    canvas.round(0, 0, 5, "ink")


def _blade(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


def _tongs(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    tongs(canvas, thing, size_mm(thing)[0] * 0.14)


def pen(canvas: Canvas, thing: Thing, tint: Tint = "thing") -> None:
    """A thing that marks, its point at the origin, its end to +x."""
    long, thick = thing.shape.extents_mm[0], max(thing.shape.extents_mm[2], 5)
    tip = min(long * 0.25, thick * 1.6)
    canvas.shape([(0, 0), (tip, -thick / 2), (long, -thick / 2), (long, thick / 2), (tip, thick / 2)], tint)
    canvas.line([(tip, -thick / 2), (tip, thick / 2)], 1)


def _pen_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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
            smooth=False,
        )
        canvas.box(bowl * 0.5 + (long - bowl) / 2, -4, long - bowl, thick, tint, 3)
        return
    canvas.box(bowl * 0.45 + (long - bowl) / 2, 0, long - bowl, thick, tint, 3)
    canvas.round(0, 0, bowl, tint, bowl * 0.72)
    canvas.round(0, 0, bowl * 0.7, "paper", bowl * 0.45)


def _spoon_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    with canvas.at(-thing.shape.extents_mm[0] / 3, 0):
        spoon(canvas, thing)


def fork(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A fork, the points of its tines at the origin, its handle to +x."""
    long, thick = thing.shape.extents_mm[0], 14 if thing.shape.extents_mm[2] > 20 else 7
    canvas.box(55 + (long - 55) / 2, 0, long - 55, thick, tint, 3)
    canvas.shape([(28, -10), (46, -9), (60, -3), (60, 3), (46, 9), (28, 10)], tint)
    for y in (-8, 0, 8):
        canvas.box(15, y, 30, 4, tint, 1.6)


def _fork_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        fork(canvas, thing)


def knife(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A child's knife, its round end at the origin, its handle to +x."""
    long, thick = thing.shape.extents_mm[0], 15 if thing.shape.extents_mm[2] > 20 else 10
    canvas.shape([(0, 0), (4, -8), (16, -9), (long * 0.5, -8), (long * 0.5, 6), (14, 6)], "paper", smooth=False)
    canvas.box(long * 0.75, -1, long * 0.5, thick, tint, 4)


def _knife_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        knife(canvas, thing)


def hammer(canvas: Canvas, thing: Thing, tint: Tint = "goal") -> None:
    """A light hammer from the side: its head about the origin, the handle to +x."""
    canvas.box(84, 0, 140, 13, tint, 5)
    canvas.box(0, 0, 34, 58, tint, 6)


def _hammer_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


def _bottle_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    with canvas.at(-thing.shape.extents_mm[0] / 2, 0):
        bottle(canvas, thing)


def roll(canvas: Canvas, thing: Thing, tint: Tint = "thing") -> None:
    """A stuffed roll, lying, with a turn of cloth at its end."""
    long, thick, _ = thing.shape.extents_mm
    canvas.box(0, 0, long, thick, tint, thick / 2.4)
    for x in (-long * 0.32, long * 0.32):
        canvas.line([(x, -thick * 0.42), (x + 5, 0), (x, thick * 0.42)], 1.1, smooth=True)


def _roll(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    roll(canvas, thing, tint)


def mouth_ball(canvas: Canvas, thing: Thing, gap: float = 3) -> None:
    """A ball with a slit for a mouth, the mouth to -x."""
    d = thing.shape.extents_mm[0]
    canvas.round(0, 0, d, "thing")
    canvas.round(-d * 0.3, 0, d * 0.28, "ink", max(gap, 3))
    for y in (-1, 1):
        canvas.round(-d * 0.12, y * d * 0.24, 5, "ink")


def _mouth(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    mouth_ball(canvas, thing)


def _dough(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    w, h = size_mm(thing)
    w, h = w * 0.45, h * 0.42
    canvas.shape(
        [(-w, 0), (-w * 0.8, -h), (0, -h * 1.1), (w * 0.9, -h * 0.8), (w, h * 0.3), (w * 0.5, h), (-w * 0.6, h)],
        "dough",
        smooth=True,
    )


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


def _lid_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    d = thing.shape.extents_mm[1]
    canvas.round(0, 0, d, "goal")
    canvas.round(0, 0, (thing.opening_mm or d * 0.8) * 1.04, "thing")


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


def _shoe_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    shoe(canvas, thing)


def _strip_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    wide, high = min(wide, 260), min(high, 220)
    canvas.box(0, 0, wide, high, "goal", 8)
    for i in range(4):
        canvas.round((i - 1.5) * wide / 4, 0, min(thing.opening_mm or 18, 30), "thing")


def _sock_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.shape(
        [(-70, -24), (20, -26), (70, -20), (78, 6), (60, 26), (24, 22), (10, 12), (-70, 14)], tint, smooth=True
    )
    canvas.line([(-56, -24), (-56, 14)], 1.1)


def _books_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    wide, high = size_mm(thing)
    for x in (-1, 1):
        canvas.box(x * wide / 2, 0, wide, high, "paper", 4)
    canvas.line([(0, -high / 2), (0, high / 2)], 2.4)


def _bag_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
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


def _punch(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.box(0, 0, 140, 70, "goal", 10)
    canvas.box(0, -12, 110, 30, "thing", 8)


def _bread(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.shape(
        [(-50, 45), (-50, -20), (-56, -38), (-30, -50), (30, -50), (56, -38), (50, -20), (50, 45)],
        "dough",
        smooth=False,
    )


def _leaf(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.shape([(-45, 0), (-20, -24), (20, -26), (48, 0), (20, 26), (-20, 24)], tint, smooth=True)
    canvas.line([(-56, 0), (40, 0)], 1.2)


def _ruler(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.box(0, 0, 300, 35, tint)
    for i in range(31):
        canvas.line([(-150 + i * 10, -17), (-150 + i * 10, -17 + (9 if i % 5 == 0 else 5))], 0.7)


def _edge_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    if "container" in thing.forms:
        _pot_above(canvas, thing, tint)
    elif "cloth" in thing.forms:
        _cloth_above(canvas, thing, tint)
    elif thing.cord_mm:
        _cord_above(canvas, thing, tint)
    else:
        _plain_above(canvas, thing, tint)


def _post_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    canvas.round(0, 0, 90, "goal")
    canvas.round(0, 0, max(thing.shape.extents_mm[2], 4), "ink")


_ABOVE: MappingProxyType[str, Painter] = MappingProxyType(
    {
        "container": _pot_above,
        "plate": _pot_above,
        "cup": _pot_above,
        "slot_lid": _slot_above,
        "sorter": _sorter_above,
        "big_sorter": _big_sorter_above,
        "flap_box": _sorter_above,
        "water": _water_above,
        "filler": _filler_above,
        "pour": _filler_above,
        "tray": _tray_above,
        "mat": _mat_above,
        "grip": _mat_above,
        "cord": _cord_above,
        "rope": _cord_above,
        "tie_piece": _cord_above,
        "sheet": _sheet_above,
        "lined": _sheet_above,
        "cloth": _cloth_above,
        "wipe": _cloth_above,
        "clip": _peg,
        "blade": _blade,
        "tongs": _tongs,
        "gripper": _tongs,
        "pen": _pen_above,
        "highlighter": _pen_above,
        "cap_pen": _pen_above,
        "spoon": _spoon_above,
        "fork": _fork_above,
        "knife": _knife_above,
        "hammer": _hammer_above,
        "squirter": _bottle_above,
        "trigger": _bottle_above,
        "roll": _roll,
        "mouth": _mouth,
        "dough": _dough,
        "lid_pot": _lid_above,
        "shoe": _shoe_above,
        "laced": _shoe_above,
        "lace_board": _shoe_above,
        "button_strip": _strip_above,
        "garment": _strip_above,
        "sock": _sock_above,
        "sock_on": _sock_above,
        "book": _books_above,
        "bag": _bag_above,
        "ball": _bag_above,
        "punch": _punch,
        "bread": _bread,
        "leaf": _leaf,
        "ruler": _ruler,
        "edge": _edge_above,
        "post": _post_above,
    }
)

_SIDE: MappingProxyType[str, Painter] = MappingProxyType(
    {
        "container": _pot_side,
        "plate": _pot_side,
        "cup": _pot_side,
        "slot_lid": _slot_side,
        "sorter": _sorter_side,
        "big_sorter": _tray_side,
        "water": _water_side,
        "clip": _peg,
        "roll": _roll,
        "mouth": _mouth,
        "dough": _dough,
        "leaf": _leaf,
    }
)
