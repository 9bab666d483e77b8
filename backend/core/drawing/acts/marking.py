"""What is drawn and written on paper, and along a ruler."""

from core.drawing.acts.cutting import road
from core.drawing.acts.reach import named
from core.drawing.acts.register import act, number, one_of, role, text, yes
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, around, desk, over
from core.drawing.shapes import MARKS, SMOOTH
from core.drawing.things import pen


@act(
    pen=role(),
    size=number(),
    model=one_of("beside", "picture", "memory"),
    text=text(),
    tray=yes(),
    finger=one_of("point", "spread"),
    mark=one_of(*MARKS),
    cloud=yes(),
    wall=yes(),
    hold=one_of("yes", "no"),
    line_mm=number(),
    half=yes(),
    fill=yes(),
    border=yes(),
    dots=yes(),
    width=number(),
)
def draw(canvas: Canvas, scene: Scene) -> str:
    """A hand with something that marks draws on paper; the other holds it."""
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
        canvas.shape(outline(side * 1.1), "none", max(width * canvas.scale, 1), smooth=True)
        lines = [[((px - 0.5) * side * 0.8, (py - 0.5) * side * 0.8) for px, py in MARKS["scribble"][0]]]
        canvas.line(lines[0], 1.4, smooth=True)
    elif width:
        for points in lines:
            road(canvas, points, width, mark in SMOOTH)
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


def outline(side: float) -> list[Point]:
    """A rounded shape to fill, as wide as its side, about the origin."""
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


@act(slant=yes(), dots=yes(), pen=role(), finger=one_of("point"), hold=one_of("adult", "child"))
def rule(canvas: Canvas, scene: Scene) -> str:
    """A line is drawn along a ruler that the other hand presses down."""
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
