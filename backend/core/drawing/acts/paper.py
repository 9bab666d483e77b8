"""Paper: cut, drawn on, stuck on, folded, woven; and shapes laid out of pieces."""

from core.drawing.acts.reach import named
from core.drawing.acts.register import act
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, around, desk, ground, hold, over
from core.drawing.shapes import CUTS, MARKS, SMOOTH
from core.drawing.things import pen, scissors


def scissor_hand(canvas: Canvas, scene: Scene, x: float, y: float) -> None:
    """A hand in the loops of scissors that point away from the child, their pivot at (x, y): thumb on top."""
    h = scene.hand
    with canvas.at(x, y, 1, 90):
        scissors(canvas, 12)
        loop = (44.0, 9.0)
        canvas.limb(
            [
                ([(1.7 * h, -0.55 * h), (0.9 * h, -0.14 * h)], 0.24 * h),
                ([(0.9 * h, -0.14 * h), (0.72 * h, -0.05 * h)], 0.3 * h),
                ([(0.62 * h, 0.06 * h), (loop[0] + 26, 22), (loop[0] - 2, 22)], 0.11 * h),
                ([(0.66 * h, 0.12 * h), (loop[0] + 34, 33), (loop[0] + 8, 34)], 0.11 * h),
                ([(0.68 * h, -0.12 * h), (loop[0] + 26, -26), (loop[0] - 2, -20)], 0.13 * h),
            ],
            "grown" if scene.grown else "skin",
            arms=1,
        )


@act
def cut(canvas: Canvas, scene: Scene) -> str:
    """Scissors cut along a path, away from the child; the other hand holds the paper, thumb on top.

    Takes path, width (of the line in mm), wide and long (of the piece in mm), stop, air, cue, straw, dough, adult.
    """
    path, width = scene.word("path", "long"), scene.number("width", 4)
    wide, long = scene.number("wide", 110), scene.number("long", 120)
    with desk(canvas, scene, max(long * 1.8, scene.hand * 1.7)):
        h = scene.hand
        left, top = (-0.1 if wide > 60 else 0.1) * h - wide / 2, 0.12 * h - long
        kind = scene.word("what", "paper")
        if kind == "straw":
            canvas.round(-0.12 * h, 0.1 * h, 0.9 * h, "goal", 0.5 * h)
            canvas.round(-0.12 * h, 0.1 * h, 0.78 * h, "paper", 0.4 * h)
            canvas.box(-0.36 * h, 0.02 * h, 0.9 * h, 8, "thing", 3)
            for i in range(4):
                canvas.line([(-0.1 * h + i * 18, 0.02 * h - 4), (-0.1 * h + i * 18, 0.02 * h + 4)], 1)
            _hold_paper(canvas, scene, -0.66 * h, 0.12 * h)
            scissor_hand(canvas, scene, 0.06 * h, 0.2 * h)
            return "scissors snip a straw over a bowl that catches the bits"
        if kind == "dough":
            canvas.box(-0.34 * h, 0.0, 1.0 * h, 15, "dough", 7)
            _hold_paper(canvas, scene, -0.6 * h, 0.12 * h, scene.yes("adult"))
            scissor_hand(canvas, scene, 0.04 * h, 0.16 * h)
            return "scissors snip a dough rope"
        canvas.box(left + wide / 2, top + long / 2, wide, long, "paper")

        def put(line: tuple[Point, ...]) -> list[Point]:
            return [(left + x * wide, top + y * long) for x, y in line]

        folded = scene.yes("folded")
        if folded:
            canvas.line([(left, top), (left, top + long)], 3)
        for line in CUTS[path]:
            points = put(line)
            _road(canvas, points, width, path in SMOOTH)
        start = put(CUTS[path][0])[0] if CUTS[path] else (left + wide / 2, top + long)
        if scene.word("stop"):
            end = put(CUTS[path][0])[-1]
            canvas.box(
                end[0],
                end[1] - 5,
                42,
                10 if scene.word("stop") == "zone" else 3,
                "thing" if scene.word("stop") == "zone" else "ink",
            )
            if scene.word("stop") == "dots":
                for i in range(3):
                    canvas.round(end[0], end[1] + 12 + 10 * i, 5, "ink")
        if scene.yes("corner_dots"):
            for x, y in put(CUTS[path][0])[1:-1]:
                canvas.round(x, y, 8, "thing")
        _hold_paper(canvas, scene, left - (0.06 * h if folded else -wide * 0.04), top + long * (0.9 if folded else 0.6))
        scissor_hand(
            canvas,
            scene,
            start[0] + (14 if path == "air" else 0),
            max(start[1] + 60 - (26 if path != "air" else 0), 0.2 * h),
        )
        if path in ("circle", "curve", "bend", "bends", "tight", "mixed", "fish", "duck", "boat") or path.startswith(
            "spiral"
        ):
            canvas.turn(left - 0.1 * h, max(top + 0.1 * h, -0.5 * h), 0.18 * h, 30, -110)
    return f"scissors cut {_PATHS.get(path, 'along the line')}, the other hand holds the paper with the thumb on top"


_PATHS = {
    "air": "in the air beside the paper",
    "snip": "one snip",
    "snips": "snip after snip",
    "across": "the strip in two",
    "circle": "round a circle",
}


def _hold_paper(canvas: Canvas, scene: Scene, x: float, y: float, grown: bool = False) -> None:
    over(canvas, scene, "grip", x, y, "helper", turn=22, at="knuckles", grown=grown)


def _road(canvas: Canvas, points: list[Point], width: float, smooth: bool) -> None:
    """A line on paper as wide as it is; a wide one is a road with two sides."""
    if width * canvas.scale > 3.4:
        canvas.road(points, width, smooth)
    else:
        canvas.line(points, max(width * canvas.scale, 1), smooth=smooth)


@act
def draw(canvas: Canvas, scene: Scene) -> str:
    """A hand with something that marks draws on paper; the other holds it.

    Takes pen, mark (see MARKS), width (of a road or border, mm), size (of the shape, mm), fill, wall, tray, tilt,
    lined, text,
    line_mm, model, cloud, hold, grip.
    """
    tool = scene.thing("pen")
    size = scene.number("size", 120)
    with desk(canvas, scene, scene.hand * 2.0):
        h = scene.hand
        model = scene.word("model")
        wide, high = (1.3 if model else 1.7) * h, 1.2 * h
        x, y = (0.24 if model else 0.02) * h, -0.24 * h
        if model:
            _model(canvas, scene, x - wide * 0.5 - 0.4 * h, y - 0.22 * h)
        with canvas.at(x, y, 1, 0 if scene.yes("wall") or scene.yes("tray") else -5):
            _sheet(canvas, scene, wide, high)
            if scene.word("text"):
                _written(canvas, scene, wide, high)
                tip = (0.3 * h, -high * 0.06)
            else:
                tip = _marks(canvas, scene, min(size * 1.2, high * 0.8), wide * 0.86)
        if scene.word("hold", "yes") == "yes" and not scene.yes("wall"):
            over(canvas, scene, "flat", x - wide * 0.44, y + 0.56 * h, "helper", turn=22)
        elif scene.yes("tray"):
            over(canvas, scene, "grip", x - wide * 0.52, y + 0.4 * h, "helper", turn=10)
        pen_hand(canvas, scene, x + tip[0], y + tip[1])
    return f"a hand with {named(tool, 'a finger')} draws{' on a sheet at the wall' if scene.yes('wall') else ''}"


def _sheet(canvas: Canvas, scene: Scene, wide: float, high: float) -> None:
    canvas.box(0, 0, wide, high, "goal" if scene.yes("tray") else "paper", 10 if scene.yes("tray") else 0)
    if scene.yes("tray"):
        canvas.box(0, 0, wide * 0.92, high * 0.88, "dough", 6)
    elif scene.yes("wall"):
        for dx in (-1, 1):
            canvas.box(dx * wide * 0.46, -high * 0.46, 20, 9, "thing")
    if scene.yes("cloud"):
        cloud = [(-0.36, -0.26), (-0.3, -0.44), (-0.1, -0.42), (0.1, -0.45), (0.2, -0.3), (0, -0.22)]
        canvas.shape([(px * wide, py * high) for px, py in cloud], "goal", smooth=True)
    if scene.word("mark") == "rain_ground":
        canvas.line([(-wide * 0.44, high * 0.36), (wide * 0.44, high * 0.36)], 2)


def _marks(canvas: Canvas, scene: Scene, side: float, across: float) -> Point:
    """Draw the mark about the origin and return where the hand has got to."""
    mark, width = scene.word("mark", "free"), scene.number("width")
    wider = across / side if mark in _ROADS else 1
    lines = [[((px - 0.5) * side * wider, (py - 0.5) * side) for px, py in line] for line in MARKS[mark]]
    if scene.yes("fill"):
        canvas.shape(_outline(side * 1.1), "none", max(width * canvas.scale, 1), smooth=True)
        lines = [[((px - 0.5) * side * 0.8, (py - 0.5) * side * 0.8) for px, py in MARKS["scribble"][0]]]
        canvas.line(lines[0], 1.4, smooth=True)
    elif width:
        for points in lines:
            _road(canvas, points, width, mark in SMOOTH)
        canvas.line(lines[0][: max(2, len(lines[0]) * 2 // 3)], 1.4, smooth=mark in SMOOTH)
    else:
        for points in lines:
            canvas.line(points, 2.4, smooth=mark in SMOOTH)
    if scene.yes("border"):
        canvas.round(0, 0, side * 1.15)
    if scene.yes("dots"):
        for dx, dy in ((0.3, -0.3), (-0.3, 0.3)):
            canvas.round(dx * side, dy * side, 6, "ink")
    last = lines[-1]
    return last[len(last) * 2 // 3] if mark in _ROADS or scene.yes("fill") else last[-1]


_ROADS = frozenset({"straight", "zigzag", "waves", "loops", "there_back", "half"})


def _outline(side: float) -> list[Point]:
    r = side / 2
    return [
        (-r, 0),
        (-r * 0.8, -r * 0.7),
        (0, -r * 0.9),
        (r * 0.8, -r * 0.7),
        (r, 0),
        (r * 0.7, r * 0.8),
        (0, r * 0.9),
        (-r * 0.7, r * 0.8),
    ]


def _model(canvas: Canvas, scene: Scene, x: float, y: float) -> None:
    """The model on its own sheet beside; covered where it is drawn from memory."""
    h = scene.hand
    hidden = scene.word("model") == "memory"
    canvas.box(x, y, 0.66 * h, 0.74 * h, "goal" if hidden else "paper")
    if hidden:
        canvas.written(x, y + 0.1 * h, "?", 0.26 * h)
        return
    for line in MARKS.get(scene.word("mark"), ()):
        points = [(x + (px - 0.5) * 0.5 * h, y + (py - 0.5) * 0.56 * h) for px, py in line]
        canvas.line(points, 1.8, smooth=scene.word("mark") in SMOOTH)


def _written(canvas: Canvas, scene: Scene, wide: float, high: float) -> None:
    line = scene.number("line_mm", 12)
    for i in range(2):
        y = -high * 0.1 + i * max(line * 2.2, 26)
        if scene.yes("half"):
            canvas.box(0, y - line * 0.25, wide * 0.84, line * 0.5, "thing")
        canvas.line([(-wide * 0.42, y), (wide * 0.42, y)], 1.2)
        if scene.yes("half"):
            canvas.line([(-wide * 0.42, y - line), (wide * 0.42, y - line)], 0.8, dashed=True)
    canvas.written(-wide * 0.16, -high * 0.1, scene.word("text"), line * 0.72)


def pen_hand(canvas: Canvas, scene: Scene, x: float, y: float) -> None:
    """A hand that writes, its tool's point at (x, y); a finger alone where there is no tool."""
    tool = scene.thing("pen")
    if tool is None:
        over(canvas, scene, scene.word("finger", "point"), x, y, turn=24, at="index")
        return
    long = tool.shape.extents_mm[0]
    grip = min(max(long * 0.3, 12), 34)
    ax, ay = around(grip, 52)
    over(canvas, scene, "pinch", x + ax, y + ay, turn=34, at="tips")  # the tips close a little above the point
    with canvas.at(x, y, 1, 52):
        pen(canvas, tool)


@act
def sticker(canvas: Canvas, scene: Scene) -> str:
    """A sticker is pressed in its place. Takes thing, place: any, shape, dot or line; peel."""
    thing = scene.thing("thing")
    size = min(thing.shape.extents_mm[0] if thing else 12, 40)
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(-0.1 * h, -0.36 * h, 1.1 * h, 0.8 * h, "paper")
        place = scene.word("place", "any")
        if place == "shape":
            canvas.shape([(x - 0.06 * h, y - 0.38 * h) for x, y in _outline(0.6 * h)], "goal", smooth=True)
        spots = {
            "line": [(-0.5 + 0.16 * i, -0.42) for i in range(6)],
            "dot": [(-0.4, -0.6), (-0.1, -0.3), (0.2, -0.56)],
        }.get(place, [(-0.3, -0.5), (-0.05, -0.6)])
        for px, py in spots:
            if place in ("dot", "line"):
                canvas.round(px * h, py * h, 4, "ink")
        for px, py in spots[:2]:
            canvas.round(px * h, py * h, size, "thing")
        x, y = (
            spots[-1][0] * h + (0 if place in ("dot", "line") else 0.24 * h),
            spots[-1][1] * h + (0 if place in ("dot", "line") else 0.14 * h),
        )
        canvas.box(-0.66 * h, 0.18 * h, 0.5 * h, 0.16 * h, "paper")
        over(canvas, scene, "pinch", -0.56 * h, 0.22 * h, "helper", turn=20, at="tips")
        canvas.round(x, y, size, "thing")
        over(canvas, scene, "pinch", x + 0.04 * h, y + 0.06 * h, turn=26, at="tips")
    return f"{named(thing, 'a sticker')} is pressed in its place"


@act
def glue(canvas: Canvas, scene: Scene) -> str:
    """Pieces are stuck on paper with one finger. Takes size (mm), place: any, shape, edges or order."""
    size = scene.number("size", 24)
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(-0.06 * h, -0.36 * h, 1.1 * h, 0.8 * h, "paper")
        if scene.word("place") == "shape":
            canvas.shape([(x - 0.04 * h, y - 0.4 * h) for x, y in _outline(0.62 * h)], "none", smooth=True)
        first = -0.34 * h if size < 40 else -0.5 * h
        gap = size * (1.02 if scene.word("place") in ("edges", "order") else 1.4)
        for i in range(3):
            canvas.box(first + i * gap, -0.5 * h, size, size * 0.9, "thing" if i % 2 else "goal", 1)
        for i in range(3):
            canvas.box(-0.86 * h + (i % 2) * size * 0.4, -0.1 * h + i * size * 0.7, size, size * 0.9, "goal", 1)
        over(canvas, scene, "flat", -0.5 * h, 0.2 * h, "helper", turn=24)
        over(canvas, scene, "point", first + 2 * gap + 3, -0.46 * h, turn=22, at="index")
    return "a finger presses a piece on the glue"


@act
def fold(canvas: Canvas, scene: Scene) -> str:
    """Paper is folded and pressed flat. Takes fold: half, quarter, corner or hat; guide: line, dots or none."""
    kind = scene.word("fold", "half")
    with desk(canvas, scene):
        h = scene.hand
        w, t = 0.56 * h, -0.86 * h
        if kind == "corner":
            canvas.shape([(-w, t), (w, t), (w, t + 2 * w)], "goal")
            canvas.shape([(-w, t), (-w, t + 2 * w), (w, t + 2 * w)], "paper")
            canvas.line([(-w, t), (w, t + 2 * w)], 2, True)
        elif kind == "hat":
            canvas.shape([(0, t), (w, t + w), (w * 1.1, t + w * 1.5), (-w * 1.1, t + w * 1.5), (-w, t + w)], "paper")
            canvas.line([(0, t), (0, t + w * 1.5)], 1.4)
            canvas.line([(-w * 1.1, t + w), (w * 1.1, t + w)], 1.4)
        else:
            high = w if kind == "half" else w * 0.8
            canvas.box(0, t + 1.0 * w, 2 * w if kind == "half" else w * 1.2, 2 * high * 0.62, "goal")
            canvas.box(0, t + 1.0 * w + 5, 2 * w if kind == "half" else w * 1.2, 2 * high * 0.62, "paper")
        if scene.word("guide") == "line":
            canvas.line([(-w, t + w * 1.62), (w, t + w * 1.62)], 2, True)
        elif scene.word("guide") == "dots":
            for s in (-1, 1):
                canvas.round(s * w * 0.9, t + w * 0.5, 7, "ink")
        over(canvas, scene, "flat", -0.74 * h, 0.16 * h, "helper", turn=30)
        over(canvas, scene, "flat", 0.5 * h, 0.4 * h, turn=16)
        canvas.arrow([(-0.16 * h, 0.02 * h), (0.3 * h, 0.02 * h)], both=True)
    return "one hand keeps the edges together, the other presses the fold flat"


@act
def weave(canvas: Canvas, scene: Scene) -> str:
    """A strip goes over and under. Takes slit (mm)."""
    with desk(canvas, scene):
        h = scene.hand
        slit = scene.number("slit", 20)
        canvas.box(-0.06 * h, -0.3 * h, 1.1 * h, 0.8 * h, "paper")
        many = int(1.0 * h / slit)
        for i in range(many):
            canvas.line([(-0.54 * h + i * slit, -0.62 * h), (-0.54 * h + i * slit, 0.02 * h)], 1.2)
        for row in range(2):
            for i in range(many - 1):
                if (i + row) % 2:
                    canvas.box(
                        -0.54 * h + (i + 0.5) * slit, -0.56 * h + row * 18 + (4 if row else 0), slit, 15, "thing"
                    )
        for i in range(many // 2):
            if i % 2:
                canvas.box(-0.54 * h + (i + 0.5) * slit, -0.2 * h, slit, 15, "thing")
        over(canvas, scene, "pinch", -0.5 * h + many // 2 * slit, -0.14 * h, turn=24, at="tips")
        over(canvas, scene, "flat", -0.7 * h, 0.5 * h, "helper", turn=24)
        canvas.arrow([(-0.2 * h, -0.38 * h), (0, -0.44 * h), (0.2 * h, -0.38 * h)])
    return "a paper strip goes over and under"


@act
def rule(canvas: Canvas, scene: Scene) -> str:
    """A line is drawn along a ruler that the other hand presses down. Takes slant, dots, hold, pen."""
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(0, -0.3 * h, 1.5 * h, 0.9 * h, "paper")
        turn = -16 if scene.yes("slant") else 0
        with canvas.at(0, -0.26 * h, 1, turn):
            canvas.box(0, 17, 1.3 * h, 32, "goal")
            for i in range(14):
                canvas.line([(-0.62 * h + i * 0.09 * h, 2), (-0.62 * h + i * 0.09 * h, 9)], 0.8)
            canvas.line([(-0.56 * h, -3), (0.2 * h, -3)], 2)
            if scene.yes("dots"):
                for x in (-0.56, 0.52):
                    canvas.round(x * h, -3, 7, "ink")
        over(canvas, scene, "spread", -0.26 * h, -0.02 * h, "helper", turn=6, grown=scene.word("hold") == "adult")
        pen_hand(canvas, scene, 0.22 * h, -0.29 * h + (-0.06 * h if turn else 0))
    return "a spread hand presses the ruler down, the other draws along it"


@act
def lay(canvas: Canvas, scene: Scene) -> str:
    """A shape or letter is laid out of pieces. Takes mark (see MARKS), model, dough, order, finger."""
    mark = scene.word("mark", "T")
    with desk(canvas, scene):
        h = scene.hand
        side = 0.74 * h
        x, y = 0.06 * h, -0.44 * h
        if scene.yes("card"):
            canvas.box(x, y, 0.9 * h, 0.9 * h, "paper", 4)
        if scene.word("order"):
            for i in range(5):
                high = (0.22 + 0.12 * i) * h
                canvas.box(x + (i - 2) * 0.16 * h, 0.0 - high / 2, 9, high, "thing", 3)
            canvas.line([(x - 0.5 * h, 3), (x + 0.5 * h, 3)], 1.6)
            over(canvas, scene, "flat", x - 0.62 * h, 0.24 * h, "helper", turn=24)
            over(canvas, scene, "pinch", x + 0.34 * h, 0.0, turn=24, at="tips")
            return "straws lie in order from short to long"
        lines = [[(x + (px - 0.5) * side, y + (py - 0.5) * side) for px, py in line] for line in MARKS[mark]]
        for points in lines:
            weight = 0.09 * h
            canvas.limb([(points, weight)], "dough" if scene.yes("dough") else "thing")
        if scene.word("model") and scene.word("model") != "on":
            canvas.box(
                x - 0.72 * h, y - 0.12 * h, 0.4 * h, 0.5 * h, "goal" if scene.word("model") == "memory" else "paper", 2
            )
            if scene.word("model") == "memory":
                canvas.written(x - 0.72 * h, y - 0.06 * h, "?", 18)
            else:
                for line in MARKS[mark]:
                    canvas.line(
                        [
                            (x - 0.72 * h + (px - 0.5) * 0.3 * h, y - 0.12 * h + (py - 0.5) * 0.36 * h)
                            for px, py in line
                        ],
                        2,
                    )
        start = lines[0][0]
        canvas.round(start[0], start[1], 8, "ink")
        end = lines[-1][-1]
        over(
            canvas,
            scene,
            "point" if scene.yes("finger") else "pinch",
            end[0] + 4,
            end[1] + 4,
            turn=26,
            at="index" if scene.yes("finger") else "tips",
        )
    return "pieces are laid to a shape, from where it starts"


@act
def sew(canvas: Canvas, scene: Scene) -> str:
    """A blunt needle goes through mesh. Takes stitch: edge, over or cross; hold: tape or hand."""
    with ground(canvas, scene, table=False):
        h = scene.hand
        x, y = -0.2 * h, -0.56 * h
        canvas.box(x, y, 0.9 * h, 0.6 * h, "paper", 4)
        for i in range(8):
            for j in range(4):
                canvas.round(x + (i - 3.5) * 0.105 * h, y + (j - 1.5) * 0.13 * h, 4)
        stitch = scene.word("stitch", "edge")
        for i in range(4):
            px, py = x + (i - 3.5) * 0.105 * h, y - 0.11 * h
            if stitch == "cross":
                canvas.line([(px, py), (px + 0.1 * h, py + 0.11 * h)], 3)
                canvas.line([(px + 0.1 * h, py), (px, py + 0.11 * h)], 3)
            else:
                canvas.line(
                    [
                        (px, py),
                        (px + (0.1 * h if stitch == "edge" else 0.04 * h), py - (0 if stitch == "edge" else 0.2 * h)),
                    ],
                    3,
                )
        canvas.line([(x + 0.06 * h, y), (x + 0.2 * h, y - 0.1 * h), (x + 0.46 * h, y - 0.06 * h)], 2.4, smooth=True)
        if scene.word("hold") == "tape":
            canvas.box(x - 0.4 * h, y + 0.34 * h, 40, 14, "thing")
        else:
            hold(canvas, scene, "pinch", x - 0.46 * h, y + 0.1 * h, "helper", 8, 5)
        hold(canvas, scene, "pinch", x + 0.5 * h, y - 0.06 * h, turn=18, gap=4)
        canvas.arrow([(x + 0.3 * h, y - 0.44 * h), (x + 0.08 * h, y - 0.36 * h)])
    return "a blunt needle pulls wool through the next hole"
