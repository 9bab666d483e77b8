"""Threading and lacing: beads, rings, a string of things, laces and their bows, rows of holes, a needle."""

from collections.abc import Callable

from core.drawing.acts.reach import named
from core.drawing.acts.register import act, one_of, role, yes
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, desk, ground, hold, over
from core.drawing.things import (
    grip_mm,
    peg,
    shoe,
)
from core.materials import Box, Ring, Thing

Cord = Callable[[list[Point], bool], None]


@act(bead=role(), line=role(), pulling=yes(), pattern=one_of("turn", "two", "copy"))
def thread(canvas: Canvas, scene: Scene) -> str:
    """A bead on a line: pushed on with one hand, pulled on with the other."""
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


@act(ring=role(), post=role())
def ring(canvas: Canvas, scene: Scene) -> str:
    """A ring is dropped over a post."""
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


@act(thing=role(), kind=one_of("bead", "ring", "clip"))
def string(canvas: Canvas, scene: Scene) -> str:
    """One piece is slid along a string that lies on the table."""
    thing = scene.thing("thing")
    with desk(canvas, scene):
        h = scene.hand
        canvas.line([(-0.9 * h, -0.1 * h), (0.8 * h, -0.1 * h)], 2.4)
        for i in range(5):
            canvas.round((-0.74 + 0.13 * i) * h, -0.1 * h, 13, "thing")
        if scene.word("kind") == "ring":
            canvas.round(0.1 * h, -0.1 * h, 26, "thing")
            canvas.round(0.1 * h, -0.1 * h, 16, "paper")
        elif scene.word("kind") == "clip":
            with canvas.at(0.1 * h, 0.02 * h, 0.6, 90):
                peg(canvas, _PEG)
        else:
            canvas.round(0.1 * h, -0.1 * h, 13, "thing")
        over(canvas, scene, "fist", -0.92 * h, 0.1 * h, "helper", turn=20, at="knuckles")
        over(canvas, scene, "pinch", 0.12 * h, 0.0, turn=24, at="tips")
        canvas.arrow([(-0.06 * h, -0.3 * h), (0.2 * h, -0.36 * h), (0.5 * h, -0.3 * h)])
    return f"one piece slides along {named(thing, 'the string')}, the others stay"


_PEG = Thing("peg", "Peg", "peg", "pegs", frozenset({"clip"}), Box(70, 12, 18))


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


@act(stage=one_of("cross", "untie", "knot", "loop", "bow", "loose", "tuck", "second", "double", "twice"), thing=role())
def lace(canvas: Canvas, scene: Scene) -> str:
    """A lace at one stage of a bow, from above, the toe pointing away."""
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


@act(pattern=one_of("in_out", "round", "crossed", "tied"))
def holes(canvas: Canvas, scene: Scene) -> str:
    """A lace goes through a row of holes."""
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
        canvas.line(path, 5)
        end = path[-1]
        canvas.line([end, (end[0] + 0.2 * h, end[1] + 0.1 * h), (end[0] + 0.36 * h, end[1] + 0.16 * h)], 4, smooth=True)
        over(canvas, scene, "grip", -0.5 * h, -0.06 * h, "helper", turn=16)
        over(canvas, scene, "pinch", end[0] + 0.36 * h, end[1] + 0.18 * h, turn=24, at="tips")
        canvas.arrow([(end[0] + 0.3 * h, end[1] - 0.12 * h), (end[0] + 0.08 * h, end[1] - 0.14 * h)])
    return "a lace goes through the next hole"


@act(stitch=one_of("edge", "over", "cross"), hold=one_of("tape", "hand"))
def sew(canvas: Canvas, scene: Scene) -> str:
    """A blunt needle goes through mesh."""
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
