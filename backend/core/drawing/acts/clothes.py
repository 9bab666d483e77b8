"""Clothes: socks and trousers."""

from core.drawing.acts.figure import FLOOR, figure, floor
from core.drawing.acts.register import act, one_of
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, desk, ground, hold, over
from core.drawing.things import SOCK


@act(stage=one_of("toes", "heel", "up"))
def sock(canvas: Canvas, scene: Scene) -> str:
    """A sock goes on a foot, both thumbs inside."""
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


@act(stage=one_of("level", "find", "fold", "roll"))
def socks(canvas: Canvas, scene: Scene) -> str:
    """Two socks that match are put together."""
    stage = scene.word("stage", "level")
    with desk(canvas, scene):
        h = scene.hand
        if stage == "roll":
            canvas.round(0, -0.3 * h, 0.5 * h, "thing", 0.42 * h)
            canvas.turn(0, -0.3 * h, 0.14 * h, 0, 300)
        elif stage == "fold":
            canvas.box(0, -0.3 * h, 0.7 * h, 0.36 * h, "thing", 12)
            canvas.line([(0.32 * h, -0.46 * h), (0.32 * h, -0.14 * h)], 2)
        else:
            for i, dy in enumerate((-0.56, -0.24 if stage == "find" else -0.46)):
                with canvas.at(0, dy * h, h / 125):
                    canvas.shape(SOCK, "thing" if i else "goal" if stage == "find" else "thing", smooth=True)
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


@act()
def sock_roll(canvas: Canvas, scene: Scene) -> str:
    """A sock is pulled over a roll with both hands."""
    with ground(canvas, scene, scene.hand * 1.8, table=False):
        h = scene.hand
        y = -0.56 * h
        canvas.box(-0.1 * h, y, 0.9 * h, 0.34 * h, "thing", 18)
        canvas.box(0.26 * h, y, 0.5 * h, 0.42 * h, "goal", 14)
        hold(canvas, scene, "wrap", -0.4 * h, y + 4, "helper", 6, 0.26 * h)
        hold(canvas, scene, "pinch", 0.14 * h, y - 0.18 * h, turn=10, gap=8)
        canvas.arrow([(0.5 * h, y - 0.44 * h), (0.1 * h, y - 0.44 * h)])
    return "a sock is pulled over the roll"


@act(stage=one_of("knees", "hips", "feet", "back"))
def dress(canvas: Canvas, scene: Scene) -> str:
    """Trousers are pulled up by both sides."""
    floor(canvas)
    f, stage = FLOOR - 4, scene.word("stage", "knees")
    waist = {"hips": f - 52, "knees": f - 30, "feet": f - 12, "back": f - 62}[stage]
    figure(canvas, (116, f - 52), (118, f - 92), ((122.0, waist), (108.0, waist)), ((110.0, f), (124.0, f)))
    canvas.shape(
        [(98, waist), (136, waist), (136, f - 2), (120, f - 2), (117, waist + 16), (112, f - 2), (97, f - 2)], "dough"
    )
    canvas.box(117, waist, 44, 7, "thing", 3)
    for x in (-1, 1):
        canvas.limb([([(118 + x * 4, f - 86), (117 + x * 24, (f - 80 + waist) / 2), (117 + x * 19, waist)], 9)], "skin")
        canvas.arrow([(117 + x * 44, waist + 10), (117 + x * 44, waist - 30)])
    return "both thumbs in the sides of the waistband, pulling up together"
