"""Threading and fastening: beads, rings, buttons, zips, buckles, straps, studs, hooks, laces; socks and trousers."""

from collections.abc import Callable
from types import MappingProxyType

from core.drawing.acts.reach import named
from core.drawing.acts.register import act
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, desk, ground, hold, over
from core.drawing.things import grip_mm, shoe
from core.materials import Ring

Cord = Callable[[list[Point], bool], None]


@act
def thread(canvas: Canvas, scene: Scene) -> str:
    """A bead on a line: pushed on with one hand, pulled on with the other. Takes bead, line, pulling, pattern."""
    bead, line = scene.thing("bead"), scene.thing("line")
    size = max(grip_mm(bead), 4) if bead else 15
    across = bead.shape.extents_mm[1] if bead else 15
    weight = max(line.shape.extents_mm[2] if line else 3, 2)
    with desk(canvas, scene):
        h = scene.hand
        y = -0.2 * h
        stiff = bool(line and (line.stiffness == "stiff" or (line.cord_mm or 0) <= 200))
        pulling = scene.yes("pulling")
        slack = (
            [(0.5 * h, y)]
            if stiff
            else [(0.4 * h, y), (0.66 * h, y - 0.1 * h), (0.8 * h, y + 0.1 * h), (0.7 * h, y + 0.3 * h)]
        )
        start = -0.62 * h if pulling else -0.04 * h
        canvas.line([(start, y), *slack], weight * canvas.scale, smooth=not stiff)
        if line and line.tip:
            canvas.box(start + 8, y, 16, weight * 1.7, "paper", 1)
        on = (0.16 * h, 0.3 * h) if pulling else ()
        for i, x in enumerate((-0.1 * h, *on)):
            with canvas.at(x, y):
                canvas.box(0, 0, max(size * 0.9, 5), across, "goal" if i % 2 else "thing", min(size, across) / 2.4)
                canvas.line([(-size * 0.45, 0), (size * 0.45, 0)], 1)
        if pulling:
            over(canvas, scene, "pinch", -0.54 * h, y + 4, "helper", turn=16, at="tips")
            over(canvas, scene, "pinch", -0.06 * h, y + across * 0.5 + 2, turn=30, at="tips")
            canvas.arrow([(-0.3 * h, y - 0.24 * h), (-0.62 * h, y - 0.24 * h)])
        else:
            over(canvas, scene, "pinch", -0.14 * h, y + across * 0.5 + 2, "helper", turn=26, at="tips")
            over(canvas, scene, "pinch", 0.3 * h, y + 4, turn=26, at="tips")
            canvas.arrow([(0.34 * h, y - 0.24 * h), (0.02 * h, y - 0.24 * h)])
        if scene.word("pattern"):
            for i in range(6):
                first = {"turn": i % 2 == 0, "two": i % 3 < 2}.get(scene.word("pattern"), i in (0, 1, 4))
                canvas.round((-0.6 + 0.17 * i) * h, -0.66 * h, 14, "thing" if first else "goal")
    does = "pulls the line through" if pulling else "pushes the tip into"
    return f"one hand {does} {named(bead, 'a bead')}, the other holds"


@act
def ring(canvas: Canvas, scene: Scene) -> str:
    """A ring is dropped over a post. Takes ring, post."""
    thing, post = scene.thing("ring"), scene.thing("post")
    outer, high = (
        (thing.shape.outer_mm, thing.shape.thickness_mm) if thing and isinstance(thing.shape, Ring) else (45, 8)
    )
    long, thick = (min(post.shape.extents_mm[0], 1.25 * scene.hand), post.shape.extents_mm[2]) if post else (150, 8)
    with ground(canvas, scene, scene.hand * 1.4, long + 0.75 * scene.hand):
        h = scene.hand
        x = -0.34 * h
        canvas.box(x, -6, 90, 12, "goal", 3)
        canvas.box(x, -12 - long / 2, max(thick, 2.4), long, "ink" if thick < 5 else "goal", 1)
        for i in range(2):
            canvas.box(x, -12 - high * (i + 0.5), outer, max(high, 4), "goal" if i else "paper", 2)
        y = -long - 26
        hold(
            canvas,
            scene,
            "pinch",
            x + outer * 0.42,
            y,
            turn=36,
            gap=max(high, 4),
            held=lambda: canvas.round(x, y, outer, "thing", max(high, outer * 0.3)),
        )
        canvas.arrow([(x - outer * 0.5 - 12, y), (x - outer * 0.5 - 12, y + 44)])
    return f"{named(thing, 'a ring')} is dropped over {named(post, 'the post')}"


@act
def button(canvas: Canvas, scene: Scene) -> str:
    """A button and its hole, from above as it lies. Takes thing, stage: push, pull or undo."""
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


@act
def zip_(canvas: Canvas, scene: Scene) -> str:
    """A zip is pulled along, its end held down. Takes way: up, down or foot; tag."""
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
"""What is fastened, drawn at a height; where each hand is, and the arrow that shuts it."""


@act
def fasten(canvas: Canvas, scene: Scene) -> str:
    """A strap, buckle, clip or hook, from above. Takes kind: strap, buckle, clip or hook; way: open, shut or thread."""
    kind, way = scene.word("kind", "strap"), scene.word("way", "open")
    with desk(canvas, scene):
        h = scene.hand
        left, right, go = _FASTENED[kind](canvas, h, -0.34 * h, way)
        over(canvas, scene, "pinch", *left, "helper", turn=30, at="tips")
        over(canvas, scene, "pinch", *right, turn=30, at="tips")
        canvas.arrow(
            go[::-1] if way == "open" and kind != "strap" else go if way == "open" or kind != "strap" else go[::-1]
        )
    return f"one hand holds the {kind} still, the other {'opens' if way == 'open' else 'closes'} it"


def _tie(canvas: Canvas, cord: Cord, h: float, stage: str, left: Point, right: Point) -> None:
    """Draw both halves of a lace at a stage."""
    y = -0.24 * h
    if stage == "untie":
        _bow(cord, h, y, tail=0.62)
    elif stage == "loose":
        cord([(0, y), (0.2 * h, y + 0.06 * h), (0.56 * h, y - 0.16 * h)], True)
        cord([(0, y), (-0.2 * h, y + 0.1 * h), left], False)
        canvas.round(0, y, 13, "thing")
    elif stage in ("cross", "tuck"):
        cord([(-0.12 * h, y - 0.14 * h), (0.06 * h, y - 0.02 * h), right], True)
        cord([(0.12 * h, y - 0.14 * h), (-0.06 * h, y - 0.02 * h), left], False)
        if stage == "tuck":
            cord(
                [
                    (0.06 * h, y - 0.02 * h),
                    (0.02 * h, y + 0.1 * h),
                    (-0.06 * h, y + 0.02 * h),
                    (-0.02 * h, y - 0.1 * h),
                ],
                True,
            )
    elif stage in ("knot", "twice"):
        cord([(-0.05 * h, y), (0.14 * h, y + 0.02 * h), right], True)
        cord([(0.05 * h, y), (-0.14 * h, y + 0.02 * h), left], False)
        canvas.round(0, y, 14, "thing")
        if stage == "twice":
            canvas.round(0, y + 12, 14, "paper")
    elif stage in ("loop", "second"):
        cord(
            [
                (0, y),
                (0.2 * h, y - 0.14 * h),
                (0.44 * h, y - 0.06 * h),
                (0.4 * h, y + 0.1 * h),
                (0.06 * h, y + 0.02 * h),
            ],
            True,
        )
        if stage == "loop":
            cord([(0, y), (-0.16 * h, y + 0.06 * h), left], False)
        else:
            cord(
                [
                    (0, y),
                    (-0.2 * h, y - 0.14 * h),
                    (-0.44 * h, y - 0.06 * h),
                    (-0.4 * h, y + 0.1 * h),
                    (-0.06 * h, y + 0.02 * h),
                ],
                False,
            )
        canvas.round(0, y, 12, "thing")
    else:
        _bow(cord, h, y)


def _held_ends(h: float, stage: str, left: Point, right: Point) -> tuple[Point, Point]:
    """Where each hand holds the lace at a stage."""
    y = -0.24 * h
    if stage == "second":
        return (-0.36 * h, y + 0.02 * h), (0.36 * h, y + 0.02 * h)
    if stage == "loop":
        return left, (0.16 * h, y + 0.06 * h)
    if stage in ("untie", "loose"):
        return left, (0.56 * h, y - 0.02 * h)
    if stage in ("bow", "double"):
        return (-0.4 * h, y), (0.4 * h, y)
    return left, right


@act
def lace(canvas: Canvas, scene: Scene) -> str:
    """A lace at one stage of a bow, from above, the toe pointing away. Takes stage: untie, loose, cross, tuck, knot,
    loop,
    second, bow, double or twice; on: board, shoe or parcel; knot_only."""
    stage = scene.word("stage", "cross")
    thing = scene.thing("thing")
    with desk(canvas, scene, scene.hand * 1.8):
        h = scene.hand
        y = -0.24 * h
        if thing is not None and "parcel" in thing.forms:
            canvas.box(0, -0.3 * h, 1.3 * h, 0.8 * h, "dough", 3)
            canvas.box(0, -0.3 * h, 16, 0.8 * h, "thing")
        elif thing is not None:
            with canvas.at(0, -0.44 * h, min(1.0, 1.1 * h / thing.shape.extents_mm[0])):
                shoe(canvas, thing)
        w = 6 * canvas.scale
        left, right = (-0.5 * h, 0.02 * h), (0.5 * h, 0.02 * h)

        def cord(points: list[tuple[float, float]], first: bool) -> None:
            canvas.line(points, w + 2.4, smooth=True)
            canvas.band(points, w, "thing" if first else "paper")

        _tie(canvas, cord, h, stage, left, right)
        ends = _held_ends(h, stage, left, right)
        over(canvas, scene, "pinch", ends[0][0], ends[0][1] + 4, "helper", turn=10, at="tips")
        over(canvas, scene, "pinch", ends[1][0], ends[1][1] + 4, turn=10, at="tips")
        if stage in ("untie", "loose"):
            canvas.arrow([(0.42 * h, y - 0.34 * h), (0.74 * h, y - 0.3 * h)])
        elif stage in ("knot", "twice", "bow", "double", "second"):
            for s in (-1, 1):
                canvas.arrow([(s * 0.3 * h, y - 0.4 * h), (s * 0.66 * h, y - 0.36 * h)])
    return f"laces: {_STAGES[stage]}"


_STAGES = {
    "untie": "one end is pulled and the bow opens",
    "loose": "the lace is drawn loose",
    "cross": "the ends cross",
    "tuck": "one end is tucked under",
    "knot": "both ends are pulled tight",
    "loop": "one end is made a loop and pinched",
    "second": "the second loop is made",
    "bow": "both loops are pulled tight",
    "double": "the bow is tied a second time",
    "twice": "a second knot is pulled tight on the first",
}


def _bow(cord: Cord, h: float, y: float, tail: float = 0.3) -> None:
    cord([(0, y), (0.2 * h, y - 0.16 * h), (0.4 * h, y - 0.08 * h), (0.3 * h, y + 0.06 * h), (0, y)], True)
    cord([(0, y), (-0.2 * h, y - 0.16 * h), (-0.4 * h, y - 0.08 * h), (-0.3 * h, y + 0.06 * h), (0, y)], False)
    cord([(0, y), (0.1 * h, y + 0.12 * h), (tail * h, y + 0.24 * h if tail < 0.5 else y)], True)
    cord([(0, y), (-0.1 * h, y + 0.12 * h), (-0.3 * h, y + 0.24 * h)], False)


@act
def holes(canvas: Canvas, scene: Scene) -> str:
    """A lace goes through a row of holes. Takes pattern: in_out, round, crossed or tied."""
    pattern = scene.word("pattern", "in_out")
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(-0.06 * h, -0.36 * h, 0.8 * h, 0.9 * h, "goal", 8)
        grid = [((-0.3 + 0.24 * i) * h, (-0.7 + 0.2 * j) * h) for j in range(4) for i in range(3)]
        two = [((-0.24 + 0.36 * (k % 2)) * h, (-0.7 + 0.2 * (k // 2)) * h) for k in range(8)]
        spots = two if pattern in ("crossed", "tied") else grid
        for px, py in spots:
            canvas.round(px, py, 7, "ink")
        if pattern == "round":
            path = [grid[0], grid[3], grid[6], grid[9], grid[10], grid[11]]
        elif pattern == "in_out":
            path = [grid[0], grid[3], grid[4], grid[1], grid[2], grid[5]]
        else:
            path = [two[0], two[3], two[4], two[7]]
            canvas.line([two[1], two[2], two[5], two[6]], 5)
            canvas.line([two[1], two[2], two[5]], 4)
        canvas.line(path, 5)
        end = path[-1]
        canvas.line([end, (end[0] + 0.2 * h, end[1] + 0.1 * h), (end[0] + 0.36 * h, end[1] + 0.16 * h)], 4, smooth=True)
        over(canvas, scene, "grip", -0.5 * h, -0.06 * h, "helper", turn=16)
        over(canvas, scene, "pinch", end[0] + 0.36 * h, end[1] + 0.18 * h, turn=24, at="tips")
        canvas.arrow([(end[0] + 0.3 * h, end[1] - 0.12 * h), (end[0] + 0.08 * h, end[1] - 0.14 * h)])
    return "a lace goes through the next hole"


@act
def sock(canvas: Canvas, scene: Scene) -> str:
    """A sock goes on a foot, both thumbs inside. Takes stage: toes, heel or up."""
    stage = scene.word("stage", "toes")
    with ground(canvas, scene, scene.hand * 1.9, table=False):
        h = scene.hand
        y = -0.44 * h
        canvas.limb(
            [
                ([(1.3 * h, y - 0.6 * h), (0.5 * h, y - 0.14 * h)], 0.34 * h),
                ([(0.5 * h, y - 0.06 * h), (0.36 * h, y + 0.02 * h)], 0.32 * h),
                ([(0.36 * h, y), (-0.36 * h, y + 0.06 * h)], 0.27 * h),
                ([(-0.3 * h, y + 0.03 * h), (-0.42 * h, y + 0.04 * h)], 0.2 * h),
            ],
            "skin",
            arms=1,
        )
        rim = {"toes": -0.3 * h, "heel": 0.16 * h, "up": 0.62 * h}[stage]
        if stage == "up":
            canvas.shape(
                [
                    (-0.54 * h, y - 0.08 * h),
                    (0.3 * h, y - 0.18 * h),
                    (0.62 * h, y - 0.44 * h),
                    (0.84 * h, y - 0.2 * h),
                    (0.56 * h, y + 0.18 * h),
                    (-0.5 * h, y + 0.22 * h),
                ],
                "goal",
            )
        else:
            canvas.shape(
                [
                    (-0.58 * h, y - 0.06 * h),
                    (-0.4 * h, y - 0.14 * h),
                    (rim, y - 0.17 * h),
                    (rim, y + 0.2 * h),
                    (-0.46 * h, y + 0.22 * h),
                    (-0.6 * h, y + 0.1 * h),
                ],
                "goal",
            )
            canvas.box(rim, y + 0.01 * h, 12, 0.42 * h, "thing", 4)
        gx, gy = (rim, y - 0.16 * h) if stage != "up" else (0.66 * h, y - 0.4 * h)
        hold(canvas, scene, "pinch", gx - 0.02 * h, gy, turn=40, gap=8)
        hold(canvas, scene, "pinch", gx + 0.04 * h, gy + 0.34 * h, turn=4, gap=8)
        canvas.arrow([(gx + 0.06 * h, gy - 0.44 * h), (gx + 0.4 * h, gy - 0.52 * h)])
    return {
        "toes": "both thumbs in the sock, it goes over the toes",
        "heel": "the sock is pulled over the heel",
        "up": "the sock is pulled up",
    }[stage]


@act
def socks(canvas: Canvas, scene: Scene) -> str:
    """Two socks that match are put together. Takes stage: find, level, fold or roll."""
    stage = scene.word("stage", "level")
    with desk(canvas, scene):
        h = scene.hand
        shape = [(-70, -24), (20, -26), (70, -20), (78, 6), (60, 26), (24, 22), (10, 12), (-70, 14)]
        if stage == "roll":
            canvas.round(0, -0.3 * h, 0.5 * h, "thing", 0.42 * h)
            canvas.turn(0, -0.3 * h, 0.14 * h, 0, 300)
        elif stage == "fold":
            canvas.box(0, -0.3 * h, 0.7 * h, 0.36 * h, "thing", 12)
            canvas.line([(0.32 * h, -0.46 * h), (0.32 * h, -0.14 * h)], 2)
        else:
            for i, dy in enumerate((-0.56, -0.24 if stage == "find" else -0.46)):
                with canvas.at(0, dy * h, h / 125):
                    canvas.shape(shape, "thing" if i else "goal" if stage == "find" else "thing", smooth=True)
                    canvas.line([(-50, -22), (-50, 13)], 1.2)
        over(canvas, scene, "grip", -0.46 * h, -0.1 * h, "helper", turn=18, at="knuckles")
        over(canvas, scene, "grip", 0.42 * h, -0.1 * h, turn=18, at="knuckles")
        if stage in ("fold", "level"):
            canvas.arrow([(0.4 * h, -0.72 * h), (0, -0.84 * h), (-0.4 * h, -0.72 * h)])
    return {
        "find": "a sock and its twin",
        "level": "one sock on the other, edges level",
        "fold": "the pair is folded over",
        "roll": "the pair is rolled from the toe",
    }[stage]


@act
def pocket(canvas: Canvas, scene: Scene) -> str:
    """A pocket is opened, something goes in, it is shut. Takes kind: strap or stud; way: open, post or shut."""
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
