"""Paper: stuck on, folded, woven, crushed; and shapes laid out of pieces."""

from core.drawing.acts.marking import outline
from core.drawing.acts.reach import named
from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, desk, over
from core.drawing.shapes import MARKS


@act(thing=role(), place=one_of("any", "shape", "dot", "line"))
def sticker(canvas: Canvas, scene: Scene) -> str:
    """A sticker is pressed in its place."""
    thing = scene.thing("thing")
    size = min(thing.shape.extents_mm[0] if thing else 12, 40)
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(-0.1 * h, -0.36 * h, 1.1 * h, 0.8 * h, "paper")
        place = scene.word("place", "any")
        if place == "shape":
            canvas.shape([(x - 0.06 * h, y - 0.38 * h) for x, y in outline(0.6 * h)], "goal", smooth=True)
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


@act(size=number(), place=one_of("any", "shape", "edges", "order"))
def glue(canvas: Canvas, scene: Scene) -> str:
    """Pieces are stuck on paper with one finger."""
    size = scene.number("size", 24)
    with desk(canvas, scene):
        h = scene.hand
        canvas.box(-0.06 * h, -0.36 * h, 1.1 * h, 0.8 * h, "paper")
        if scene.word("place") == "shape":
            canvas.shape([(x - 0.04 * h, y - 0.4 * h) for x, y in outline(0.62 * h)], "none", smooth=True)
        first = -0.34 * h if size < 40 else -0.5 * h
        gap = size * (1.02 if scene.word("place") in ("edges", "order") else 1.4)
        for i in range(3):
            canvas.box(first + i * gap, -0.5 * h, size, size * 0.9, "thing" if i % 2 else "goal", 1)
        for i in range(3):
            canvas.box(-0.86 * h + (i % 2) * size * 0.4, -0.1 * h + i * size * 0.7, size, size * 0.9, "goal", 1)
        over(canvas, scene, "flat", -0.5 * h, 0.2 * h, "helper", turn=24)
        over(canvas, scene, "point", first + 2 * gap + 3, -0.46 * h, turn=22, at="index")
    return "a finger presses a piece on the glue"


@act(fold=one_of("half", "quarter", "corner", "hat"), guide=one_of("line", "dots", "none"))
def fold(canvas: Canvas, scene: Scene) -> str:
    """Paper is folded and pressed flat."""
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


@act(slit=number())
def weave(canvas: Canvas, scene: Scene) -> str:
    """A strip goes over and under."""
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


@act(
    mark=one_of(*MARKS),
    card=yes(),
    order=yes(),
    model=one_of("on", "beside", "picture", "memory"),
    finger=yes(),
    dough=yes(),
)
def lay(canvas: Canvas, scene: Scene) -> str:
    """A shape or letter is laid out of pieces."""
    mark = scene.word("mark", "T")
    with desk(canvas, scene):
        h = scene.hand
        side = 0.74 * h
        x, y = 0.06 * h, -0.44 * h
        if scene.yes("card"):
            canvas.box(x, y, 0.9 * h, 0.9 * h, "paper", 4)
        if scene.yes("order"):
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


@act(one=yes())
def scrunch(canvas: Canvas, scene: Scene) -> str:
    """Paper is crushed to a ball."""
    with desk(canvas, scene):
        h = scene.hand
        ball = [
            (-0.2 * h, 0),
            (-0.13 * h, -0.17 * h),
            (0.05 * h, -0.2 * h),
            (0.19 * h, -0.08 * h),
            (0.17 * h, 0.12 * h),
            (0, 0.2 * h),
            (-0.16 * h, 0.14 * h),
        ]
        with canvas.at(-0.06 * h, -0.46 * h, 1.3):
            canvas.shape(ball, "paper")
            canvas.line([(-0.1 * h, -0.06 * h), (0.02 * h, 0.02 * h), (0.1 * h, -0.08 * h)])
        over(canvas, scene, "grip", 0.12 * h, -0.22 * h, turn=14, at="knuckles")
        if not scene.yes("one"):
            over(canvas, scene, "grip", -0.14 * h, -0.22 * h, "helper", turn=14, at="knuckles")
    return f"{'one hand crushes' if scene.yes('one') else 'both hands crush'} the paper to a ball"
