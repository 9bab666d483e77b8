"""Tossing, catching and rolling."""

from core.drawing.acts.figure import FLOOR, figure, floor, wall
from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene
from core.drawing.things import pot_size, side


@act(
    kind=one_of("up", "partner", "bubbles", "cross", "tap", "target", "swap", "wall"),
    thing=role(),
    hands=one_of("two", "one"),
    near=number(),
    many=number(),
    goal=role(),
    high=one_of("chin", "over"),
)
def toss(canvas: Canvas, scene: Scene) -> str:
    """Tossing and catching."""
    floor(canvas)
    kind, thing = scene.word("kind", "up"), scene.thing("thing")
    f = FLOOR - 4
    big = min(max((thing.shape.extents_mm[1] if thing else 60) * 0.2, 9), 26)

    def ball(x: float, y: float) -> None:
        canvas.round(x, y, big, "thing", big * (0.8 if thing and thing.soft else 1))

    two = scene.word("hands", "two") == "two"
    if kind in ("partner", "swap"):
        near = min(scene.number("near", 1), 2)
        x2 = 196.0
        figure(
            canvas,
            (70 - near * 6, f - 50),
            (72 - near * 6, f - 90),
            ((98.0 - near * 6, f - 84), (98.0 - near * 6, f - 78) if two else (80.0 - near * 6, f - 52)),
            ((64.0 - near * 6, f), (78.0 - near * 6, f)),
        )
        figure(
            canvas,
            (x2 - 4, f - 58),
            (x2 - 6, f - 104),
            ((x2 - 34, f - 92), (x2 - 34, f - 84)),
            ((x2 + 4, f), (x2 - 10, f)),
            1.12,
            grown=True,
        )
        ball(132, f - 116)
        canvas.arrow([(158, f - 104), (132, f - 134), (104, f - 106)], both=kind == "swap")
        if kind == "swap" or scene.number("many") > 1:
            ball(128, f - 78)
    elif kind == "wall":
        wall(canvas, 200)
        figure(canvas, (66, f - 50), (68, f - 90), ((96.0, f - 92), (88.0, f - 60)), ((60.0, f), (76.0, f)))
        ball(150, f - 110)
        canvas.arrow([(104, f - 102), (192, f - 118)])
        canvas.arrow([(192, f - 100), (120, f - 72)])
        canvas.line([(96, FLOOR + 5), (112, FLOOR + 5)], 3)
    elif kind == "target":
        near = scene.number("near", 1)
        gx = min(110 + near * 50, 204)
        with canvas.at(gx, FLOOR, 0.2):
            goal = scene.thing("goal")
            side(canvas, goal, "container", "goal") if goal and pot_size(goal)[0] < 320 else canvas.box(
                0, -80, 220, 160, "goal", 10
            )
        figure(
            canvas,
            (56, f - 50),
            (60, f - 90),
            ((86.0, f - 78), (84.0, f - 70) if two else (64.0, f - 50)),
            ((50.0, f), (66.0, f)),
        )
        canvas.line([(76, FLOOR + 6), (92, FLOOR + 6)], 3)
        ball(100, f - 104)
        canvas.arrow([(110, f - 112), (gx - 20, f - 110), (gx, f - 48)])
    else:
        figure(
            canvas,
            (116, f - 50),
            (118, f - 90),
            ((142.0, f - 84), (138.0, f - 78) if two else (126.0, f - 50)),
            ((110.0, f), (126.0, f)),
        )
        high = 136 if scene.word("high") == "over" else 112
        if kind == "cross":
            ball(148, f - 130)
            if scene.number("many") > 1:
                ball(110, f - 134)
                canvas.arrow([(106, f - 118), (120, f - 150), (146, f - 142)])
            canvas.arrow([(150, f - 100), (132, f - 146), (100, f - 100)])
        elif kind == "bubbles":
            for x, y, d in ((168, 54, 20), (190, 74, 15), (160, 84, 12), (196, 42, 11)):
                canvas.round(x, y, d, "wet")
        else:
            ball(150, f - high)
            canvas.arrow([(160, f - 84), (162, f - high + 10)], both=kind == "tap")
    return f"a child {_TOSS[kind]}"


_TOSS = {
    "partner": "and an adult toss something to each other",
    "swap": "and a partner toss two bags at the same time",
    "wall": "throws at a wall and catches",
    "target": "tosses a bag into a tub",
    "up": "tosses something up and catches it",
    "cross": "tosses from hand to hand",
    "tap": "keeps something light in the air",
    "bubbles": "pops bubbles",
}


@act(gate=yes())
def roll_ball(canvas: Canvas, scene: Scene) -> str:
    """Two people sit on the floor and roll a ball."""
    floor(canvas)
    f = FLOOR - 6
    figure(canvas, (44, f - 6), (48, f - 46), ((82.0, f - 12), (84.0, f - 8)), ((88.0, f), (82.0, f)))
    figure(
        canvas,
        (206, f - 8),
        (202, f - 58),
        ((160.0, f - 16), (160.0, f - 10)),
        ((156.0, f), (162.0, f)),
        1.12,
        grown=True,
    )
    canvas.round(122, f - 12, 24, "thing")
    if scene.yes("gate"):
        for x in (108, 136):
            canvas.box(x, FLOOR - 10, 10, 20, "goal", 2)
    canvas.arrow([(146, f - 40), (98, f - 40)])
    return "an adult rolls a ball, the child stops it with both hands"
