"""Getting dressed and washed, and what both hands use: shirt, coat, teeth, hair, paper, keys, a toy, a jigsaw."""

from collections.abc import Sequence

from core.drawing.acts.figure import FLOOR, figure, floor
from core.drawing.acts.register import act, one_of, role, yes
from core.drawing.canvas import Canvas, Point, Tint
from core.drawing.scene import Scene, desk, ground, hold, over


def _front(canvas: Canvas, trunk: Tint = "goal") -> None:
    """A child from the front, on both feet, without arms; the shoulders at (120 ± 17, 76)."""
    floor(canvas)
    for x in (-8, 8):
        canvas.limb([([(120 + x, 118), (120 + x, FLOOR - 8)], 13)], "thing")
        canvas.box(120 + x * 1.3, FLOOR - 5, 18, 8, "thing", 4)
    canvas.limb([([(120, 60), (120, 74)], 10)], "skin")
    canvas.shape([(103, 72), (137, 72), (136, 122), (104, 122)], trunk)
    canvas.round(120, 46, 34, "skin")


def _face(canvas: Canvas) -> None:
    for x in (-6, 6):
        canvas.round(120 + x, 44, 3, "ink")
    canvas.line([(115, 54), (120, 56), (125, 54)], 1.8, smooth=True)


def _arms(canvas: Canvas, *arms: Sequence[Point]) -> None:
    for arm in arms:
        canvas.limb([(arm, 9)], "skin")
        canvas.round(*arm[-1], 11, "skin")


@act(stage=one_of("down", "arms", "head"))
def shirt(canvas: Canvas, scene: Scene) -> str:
    """A T-shirt goes over the head, the arms through, and down."""
    stage = scene.word("stage", "down")
    _front(canvas, "skin")
    if stage == "head":
        canvas.shape([(100, 22), (140, 22), (146, 52), (132, 58), (108, 58), (94, 52)], "dough", smooth=True)
        _arms(canvas, [(103, 76), (80, 70), (98, 50)], [(137, 76), (160, 70), (142, 50)])
        canvas.arrow([(176, 28), (176, 70)])
        return "the gathered shirt goes over the head"
    _face(canvas)
    if stage == "arms":
        canvas.shape([(102, 66), (138, 66), (152, 84), (140, 92), (136, 88), (104, 88), (100, 92), (88, 84)], "dough")
        _arms(canvas, [(106, 76), (82, 62), (64, 46)], [(148, 86), (156, 104), (140, 92)])
        canvas.arrow([(84, 40), (58, 22)])
        return "one arm goes through its hole"
    canvas.shape(
        [(102, 66), (138, 66), (158, 86), (146, 96), (137, 88), (138, 116), (102, 116), (103, 88), (94, 96), (82, 86)],
        "dough",
    )
    _arms(canvas, [(88, 92), (78, 112), (100, 114)], [(152, 92), (162, 112), (140, 114)])
    for x in (68, 172):
        canvas.arrow([(x, 96), (x, 128)])
    return "both hands pull the shirt down"


@act(stage=one_of("arms", "over"))
def coat(canvas: Canvas, scene: Scene) -> str:
    """A coat that lies on the floor: arms in, then over the head."""
    if scene.word("stage", "arms") == "arms":
        f = FLOOR - 4
        floor(canvas)
        canvas.shape([(44, f - 2), (116, f - 2), (106, f - 13), (54, f - 13)], "dough")
        figure(canvas, (140, f - 48), (118, f - 72), ((94.0, f - 9), (78.0, f - 9)), ((136.0, f), (148.0, f)))
        canvas.arrow([(58, f - 46), (72, f - 22)])
        return "the collar at the toes, both arms go in"
    _front(canvas)
    _face(canvas)
    _arms(canvas, [(103, 76), (82, 56), (94, 26)], [(137, 76), (158, 56), (146, 26)])
    canvas.shape([(84, 14), (156, 14), (164, 42), (150, 36), (140, 24), (100, 24), (90, 36), (76, 42)], "dough")
    canvas.arrow([(64, 60), (56, 34), (74, 14)])
    return "the coat goes up and over the head"


def _head(canvas: Canvas, scene: Scene, way: int = 1) -> Point:
    """A child's head from the side; returns the mouth. way -- 1: it looks right, -1: left"""
    h, x = scene.hand, -0.3 * scene.hand * way
    canvas.limb([([(x, 0.1 * h), (x, -0.3 * h)], 0.4 * h)], "skin")
    canvas.round(x, -0.76 * h, 0.98 * h, "skin", 1.04 * h)
    nose = [(0.46, -0.84), (0.6, -0.7), (0.44, -0.64)]
    canvas.shape([(x + way * dx * h, y * h) for dx, y in nose], "skin")
    canvas.round(x + way * 0.3 * h, -0.88 * h, 0.07 * h, "ink")
    return x + way * 0.42 * h, -0.5 * h


@act(stage=one_of("brush", "rinse"))
def teeth(canvas: Canvas, scene: Scene) -> str:
    """A brush goes along the teeth, or the mouth is rinsed from a cup."""
    with ground(canvas, scene, scene.hand * 2.1, scene.hand * 1.36, table=False):
        h = scene.hand
        x, y = _head(canvas, scene)
        if scene.word("stage", "brush") == "rinse":
            cup = [(0.02, -0.12), (0.4, -0.2), (0.46, 0.2), (0.14, 0.24)]
            canvas.shape([(x + dx * h, y + dy * h) for dx, dy in cup], "wet")
            hold(canvas, scene, "wrap", x + 0.3 * h, y + 0.04 * h, turn=14, gap=0.32 * h)
            return "the mouth is rinsed with water from a cup"
        canvas.box(x + 0.16 * h, y, 0.8 * h, 0.06 * h, "goal", 4)
        canvas.box(x - 0.12 * h, y - 0.06 * h, 0.2 * h, 0.09 * h, "thing", 2)
        hold(canvas, scene, "wrap", x + 0.44 * h, y, turn=14, gap=0.06 * h)
        canvas.arrow([(x - 0.16 * h, y - 0.72 * h), (x + 0.3 * h, y - 0.72 * h)], both=True)
    return "the brush goes to and fro along one side, then the other"


@act(stage=one_of("brush", "gather", "band"))
def hair(canvas: Canvas, scene: Scene) -> str:
    """Hair is brushed, gathered and tied."""
    stage = scene.word("stage", "brush")
    with ground(canvas, scene, scene.hand * 2.3, scene.hand * 1.36, table=False):
        h = scene.hand
        _head(canvas, scene, -1)
        canvas.shape(
            [
                (-0.14 * h, -1.02 * h),
                (0.3 * h, -1.34 * h),
                (0.74 * h, -1.14 * h),
                (0.86 * h, -0.72 * h),
                (0.7 * h, -0.36 * h),
                (0.5 * h, -0.66 * h),
                (0.24 * h, -1.0 * h),
            ],
            "thing",
            smooth=True,
        )
        x, y = 0.84 * h, -0.66 * h
        if stage == "brush":
            canvas.box(x + 0.02 * h, y, 0.12 * h, 0.34 * h, "goal", 4)
            canvas.box(x + 0.34 * h, y, 0.56 * h, 0.1 * h, "goal", 4)
            hold(canvas, scene, "wrap", x + 0.44 * h, y, turn=14, gap=0.1 * h)
            canvas.arrow([(0.8 * h, -1.36 * h), (1.04 * h, -0.98 * h)])
            return "the brush goes from the crown to the tips"
        canvas.limb([([(0.76 * h, -0.6 * h), (1.0 * h, -0.5 * h), (1.06 * h, -0.24 * h)], 0.18 * h)], "thing")
        if stage == "gather":
            hold(canvas, scene, "wrap", x + 0.04 * h, y + 0.04 * h, turn=14, gap=0.18 * h)
            return "the hair is gathered in one hand"
        canvas.round(x + 0.06 * h, y + 0.06 * h, 0.3 * h, "none")
        hold(canvas, scene, "pinch", x + 0.16 * h, y - 0.02 * h, turn=10, gap=6)
        canvas.turn(x + 0.06 * h, y + 0.06 * h, 0.32 * h, 160, 380)
    return "one hand holds the hair, the other winds the band round"


@act(stage=one_of("tear", "fold"))
def toilet_paper(canvas: Canvas, scene: Scene) -> str:
    """Paper is torn off its roll and folded."""
    with desk(canvas, scene):
        h = scene.hand
        if scene.word("stage", "tear") == "fold":
            canvas.box(0, -0.2 * h, 0.9 * h, 0.46 * h, "paper", 2)
            canvas.shape(
                [(0.45 * h, -0.43 * h), (0.45 * h, 0.03 * h), (0.02 * h, -0.02 * h), (0.02 * h, -0.48 * h)], "goal"
            )
            over(canvas, scene, "grip", -0.46 * h, 0.06 * h, "helper", turn=18, at="knuckles")
            over(canvas, scene, "pinch", 0.2 * h, -0.1 * h, turn=18, at="tips")
            canvas.arrow([(0.5 * h, -0.56 * h), (0.2 * h, -0.68 * h), (-0.1 * h, -0.6 * h)])
            return "three sheets are folded over"
        canvas.box(0, -0.62 * h, 0.86 * h, 0.34 * h, "goal", 8)
        canvas.box(0, -0.16 * h, 0.74 * h, 0.6 * h, "paper", 2)
        for y in (-0.26, -0.06):
            canvas.line([(-0.37 * h, y * h), (0.37 * h, y * h)], 1.2, dashed=True)
        over(canvas, scene, "grip", -0.36 * h, -0.4 * h, "helper", turn=18, at="knuckles")
        over(canvas, scene, "grip", 0.4 * h, 0.06 * h, turn=18, at="knuckles")
        canvas.arrow([(0.62 * h, -0.34 * h), (0.74 * h, -0.06 * h)])
    return "one hand stops the roll, the other tears"


@act(both=yes())
def keys(canvas: Canvas, scene: Scene) -> str:
    """One finger presses a key, or one of each hand."""
    with desk(canvas, scene, scene.hand * 2.4):
        h = scene.hand
        canvas.box(0, -0.42 * h, 2.2 * h, 0.72 * h, "thing", 8)
        for row in range(4):
            for at in range(11):
                x, y = (-0.98 + at * 0.192 + row * 0.02) * h, (-0.68 + row * 0.17) * h
                canvas.box(x, y, 0.15 * h, 0.13 * h, "goal", 3)
        over(canvas, scene, "point", 0.42 * h, -0.44 * h, turn=6, at="index")
        if scene.yes("both"):
            over(canvas, scene, "point", -0.46 * h, -0.44 * h, "helper", turn=6, at="index")
            return "one finger of each hand, each on its own side"
    return "one finger presses a key, the others are still"


@act(both=yes())
def toy(canvas: Canvas, scene: Scene) -> str:
    """A toy is held in both hands, thumbs on top."""
    with desk(canvas, scene, scene.hand * 1.9):
        h = scene.hand
        canvas.box(0, -0.4 * h, 1.3 * h, 0.66 * h, "thing", 0.2 * h)
        for x in (-0.36, 0.36):
            canvas.round(x * h, -0.46 * h, 0.2 * h, "goal")
        over(canvas, scene, "grip", -0.56 * h, -0.3 * h, "helper", turn=26, at="knuckles")
        over(canvas, scene, "grip", 0.56 * h, -0.3 * h, turn=26, at="knuckles")
        canvas.turn(0.36 * h, -0.46 * h, 0.17 * h, 0, 340)
        if scene.yes("both"):
            canvas.turn(-0.36 * h, -0.46 * h, 0.17 * h, 0, 340)
            return "held in both hands, each thumb has its own button"
    return "held in both hands, one thumb presses"


@act(stage=one_of("turn", "press"))
def jigsaw(canvas: Canvas, scene: Scene) -> str:
    """A jigsaw piece is turned in the fingertips and pressed into its gap."""
    with desk(canvas, scene, scene.hand * 2.0):
        h = scene.hand
        s = 0.36 * h
        for row in range(2):
            for at in range(3):
                if (row, at) != (1, 2):
                    x, y = (-0.8 + at * 0.36) * h, (-0.66 + row * 0.36) * h
                    canvas.box(x, y, s, s, "thing", 3)
                    canvas.round(x + s / 2, y, 0.1 * h, "thing")
        over(canvas, scene, "flat", -0.74 * h, -0.2 * h, "helper", turn=20)
        gap = (-0.08 * h, -0.3 * h)
        if scene.word("stage", "turn") == "press":
            canvas.box(*gap, s, s, "goal", 3)
            over(canvas, scene, "point", gap[0] + 0.04 * h, gap[1], turn=6, at="index")
            return "one finger presses the piece in"
        canvas.box(0.44 * h, -0.42 * h, s, s, "goal", 3)
        over(canvas, scene, "pinch", 0.44 * h, -0.36 * h, turn=6, at="tips")
        canvas.turn(0.44 * h, -0.42 * h, 0.34 * h, 200, 400)
        canvas.arrow([(0.2 * h, -0.66 * h), (0.0, -0.52 * h)])
    return "the fingertips turn the piece until it fits"


@act(spoon=role())
def eat(canvas: Canvas, scene: Scene) -> str:
    """A full spoon comes level to the mouth."""
    with ground(canvas, scene, scene.hand * 2.3, scene.hand * 1.36):
        h = scene.hand
        x, y = _head(canvas, scene)
        canvas.box(x + 0.5 * h, y + 0.02 * h, 0.7 * h, 0.05 * h, "goal", 3)
        canvas.round(x + 0.14 * h, y, 0.22 * h, "thing", 0.1 * h)
        hold(canvas, scene, "wrap", x + 0.72 * h, y + 0.04 * h, turn=14, gap=0.06 * h)
        bowl = [(0.22, -0.2), (0.86, -0.2), (0.74, 0.0), (0.34, 0.0)]
        canvas.shape([(x + dx * h, dy * h) for dx, dy in bowl], "goal")
        canvas.arrow([(x + 0.46 * h, y - 0.34 * h), (x + 0.1 * h, y - 0.34 * h)])
    return "the full spoon comes level to the mouth"
