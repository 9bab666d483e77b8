"""The whole child, from the side: pushing, walking on the hands, lying, tossing, dressing."""

from core.drawing.acts.register import act
from core.drawing.canvas import Canvas, Point, Tint
from core.drawing.scene import WIDE, Scene, desk, ground, hold, over
from core.drawing.things import pot_size, side

FLOOR = 168.0
_LIMB = {"thigh": 26.0, "shin": 25.0, "arm": 18.0, "fore": 18.0, "trunk": 40.0}


def figure(
    canvas: Canvas,
    hip: Point,
    shoulder: Point,
    hands: tuple[Point, Point],
    feet: tuple[Point, Point],
    tall: float = 1.0,
    grown: bool = False,
    knees_front: bool = True,
    elbows_down: bool = True,
    head: Point | None = None,
) -> None:
    """A figure from the side by its hip, shoulder, two hands and two feet, in units of the frame; joints are worked
    out.
    """
    skin: Tint = "grown" if grown else "skin"
    t = tall
    dx, dy = shoulder[0] - hip[0], shoulder[1] - hip[1]
    long = (dx * dx + dy * dy) ** 0.5 or 1
    crown = head or (shoulder[0] + dx / long * 17 * t, shoulder[1] + dy / long * 17 * t)
    far_arm = _bent(shoulder, hands[1], _LIMB["arm"] * t, elbows_down)
    near_arm = _bent(shoulder, hands[0], _LIMB["arm"] * t, elbows_down)
    far_leg = _bent(hip, feet[1], _LIMB["thigh"] * t, not knees_front)
    near_leg = _bent(hip, feet[0], _LIMB["thigh"] * t, not knees_front)
    canvas.limb([(far_arm, 8.5 * t)], skin)
    canvas.limb([(far_leg, 11.5 * t)], "thing")
    canvas.limb([([hip, shoulder], 21 * t)], "goal")
    canvas.limb([(near_leg, 12 * t)], "thing")
    canvas.limb([([shoulder, crown], 7 * t)], skin)
    canvas.round(crown[0], crown[1], 25 * t, skin)
    canvas.limb([(near_arm, 9 * t)], skin)


def _bent(start: Point, end: Point, first: float, down: bool) -> list[Point]:
    dx, dy = end[0] - start[0], end[1] - start[1]
    far = (dx * dx + dy * dy) ** 0.5 or 1.0
    half = far / 2
    out = max(first * first - half * half, 0.0) ** 0.5
    mx, my = (start[0] + end[0]) / 2, (start[1] + end[1]) / 2
    nx, ny = -dy / far, dx / far
    if (ny > 0) != down:
        nx, ny = -nx, -ny
    return [start, (mx + nx * out, my + ny * out), end]


def _floor(canvas: Canvas) -> None:
    with canvas.beyond():
        canvas.line([(-5, FLOOR), (WIDE + 5, FLOOR)], 2.4)


def _wall(canvas: Canvas, x: float) -> None:
    with canvas.beyond():
        canvas.shape([(x, -5), (x + 12, -5), (x + 12, FLOOR), (x, FLOOR)], "goal")


@act
def at_wall(canvas: Canvas, scene: Scene) -> str:
    """Standing at a wall: push, walk, reach, wipe or draw. Takes do; height: chest, shoulder, eyes or over; tool;
    other.
    """
    _floor(canvas)
    _wall(canvas, 178)
    do = scene.word("do", "push")
    high = {"chest": 88, "shoulder": 74, "eyes": 60, "over": 40}[scene.word("height", "shoulder")]
    lean = 12 if do == "push" else 4
    hip, shoulder = (128 - lean, 112.0), (134 + lean * 0.4, 72.0)
    near = (174.0, float(high))
    far = (174.0, high + 8.0) if do == "push" or scene.word("other") == "wall" else (146.0, 112.0)
    figure(canvas, hip, shoulder, (near, far), ((120 - lean * 1.6, FLOOR - 3), (136 - lean, FLOOR - 3)), 1.06)
    if do == "push":
        canvas.arrow([(140, 46), (170, 46)])
    elif do == "walk":
        canvas.arrow([(164, 70), (164, 34)], both=True)
    elif do == "circles":
        canvas.box(172, high, 12, 18, "thing", 3)
        canvas.turn(160, high - 4, 26, 100, 420)
    elif do in ("up", "side"):
        canvas.box(172, high, 12, 18, "thing", 3)
        canvas.arrow([(158, high + 30), (158, high - 34)], both=True)
    elif do == "eight":
        canvas.box(172, high, 12, 18, "thing", 3)
        canvas.line(
            [(60, 40), (76, 26), (92, 40), (76, 54), (60, 40), (44, 26), (28, 40), (44, 54), (60, 40)], 2.4, smooth=True
        )
    elif do == "stick":
        canvas.round(174, high, 10, "thing")
        canvas.arrow([(158, high + 34), (162, high + 6)])
    return f"a child stands at a wall and {_AT_WALL[do]}"


_AT_WALL = {
    "push": "pushes with flat hands",
    "walk": "walks the hands up and down",
    "circles": "wipes in big circles",
    "up": "wipes up and down",
    "side": "wipes from side to side",
    "eight": "wipes an eight on its side",
    "stick": "reaches up to stick something on",
}


@act
def on_floor(canvas: Canvas, scene: Scene) -> str:
    """On the floor: knees, feet, tap, prone, hands, one_hand, tunnel, over, barrow or snake. Takes do, hold."""
    _floor(canvas)
    do = scene.word("do", "feet")
    f = FLOOR - 4
    if do in ("knees", "tunnel", "carry", "back"):
        if do == "tunnel":
            with canvas.beyond():
                canvas.shape([(46, 82), (206, 82), (206, 90), (46, 90)], "dough")
            for x in (54, 198):
                canvas.box(x, 129, 8, 78, "dough")
        figure(
            canvas,
            (100, f - 26),
            (148, f - 32),
            ((150.0, f), (160.0, f)),
            ((66.0, f), (74.0, f)),
            1,
            head=(168, f - 40),
            elbows_down=False,
        )
        canvas.limb([([(100, f - 26), (98, f - 3), (68, f)], 12)], "thing")
        ends = [(120.0, f - 62), (160.0, f - 62)] if do != "tunnel" else [(96.0, f - 100), (150.0, f - 100)]
        canvas.arrow(ends[::-1] if do == "back" else ends)
    elif do == "over":
        canvas.box(120, FLOOR - 12, 90, 24, "goal", 8)
        figure(
            canvas,
            (94, f - 40),
            (140, f - 44),
            ((156.0, f - 4), (164.0, f - 4)),
            ((66.0, f), (72.0, f - 4)),
            1,
            head=(160, f - 50),
            elbows_down=False,
        )
        canvas.arrow([(104, f - 78), (150, f - 78)])
    elif do in ("feet", "tap", "hold_draw"):
        figure(
            canvas,
            (98, f - 56),
            (142, f - 38),
            ((152.0, f), (162.0, f - (16 if do == "tap" else 0))),
            ((82.0, f), (72.0, f)),
            1,
            head=(160, f - 32),
            elbows_down=False,
        )
        canvas.arrow([(110, f - 88), (152, f - 80)])
    elif do == "barrow":
        figure(
            canvas,
            (110, f - 40),
            (150, f - 34),
            ((152.0, f), (162.0, f)),
            ((68.0, f - 46), (70.0, f - 40)),
            1,
            head=(168, f - 38),
            elbows_down=False,
        )
        figure(
            canvas,
            (36, f - 58),
            (40, f - 100),
            ((64.0, f - 50), (66.0, f - 46)),
            ((30.0, f), (44.0, f)),
            1.16,
            grown=True,
        )
        canvas.arrow([(120, f - 76), (164, f - 76)])
    elif do == "snake":
        figure(
            canvas,
            (98, f - 8),
            (142, f - 14),
            ((164.0, f), (172.0, f)),
            ((52.0, f), (48.0, f - 4)),
            1,
            head=(162, f - 26),
        )
        canvas.arrow([(110, f - 46), (156, f - 46)])
    else:
        up = {"prone": 22.0, "hands": 36.0, "one_hand": 36.0, "draw": 22.0}[do]
        if scene.yes("cushion"):
            canvas.box(112, FLOOR - 9, 50, 18, "goal", 7)
        shoulder = (142.0, f - up - (6 if scene.yes("cushion") else 0))
        hand = (162.0, f) if up < 30 else (150.0, f)
        other = (182.0, f - 6) if do in ("one_hand", "draw") else (hand[0] + 7, f)
        figure(
            canvas,
            (94, f - 10),
            shoulder,
            (hand, other),
            ((44.0, f), (46.0, f - 5)),
            1,
            head=(shoulder[0] + 16, shoulder[1] - 12),
            elbows_down=False,
        )
        if do in ("one_hand", "draw"):
            canvas.box(196, FLOOR - 4, 40, 5, "paper")
    return f"a child {_ON_FLOOR[do]}"


_ON_FLOOR = {
    "knees": "is on hands and knees",
    "tunnel": "crawls under a table",
    "carry": "crawls and carries a thing",
    "back": "crawls backwards",
    "over": "crawls over a cushion",
    "feet": "walks on hands and feet",
    "tap": "stands on hands and feet and lifts one hand",
    "hold_draw": "leans on one hand",
    "barrow": "walks on the hands while an adult holds the legs",
    "snake": "wriggles on the tummy",
    "prone": "lies on the tummy, propped on the lower arms",
    "hands": "lies on the tummy, propped on both hands",
    "one_hand": "leans on one hand and plays with the other",
    "draw": "lies on the tummy and draws",
}


@act
def push_box(canvas: Canvas, scene: Scene) -> str:
    """A box is pushed along the floor. Takes thing, load (0 to 1), way: walk, knees, one or prop."""
    _floor(canvas)
    f, way, load = FLOOR - 4, scene.word("way", "walk"), scene.number("load")
    canvas.box(176, FLOOR - 24, 66, 48, "goal", 4)
    for i in range(int(load * 4)):
        canvas.box(156 + i * 14, FLOOR - 52, 13, 13, "thing", 2)
    if way == "walk":
        figure(canvas, (84, f - 52), (116, f - 64), ((141.0, f - 30), (141.0, f - 24)), ((58.0, f), (78.0, f)), 1)
    else:
        far = (141.0, f - 22) if way == "knees" else (112.0, f - 14) if way == "one" else (128.0, f)
        figure(
            canvas, (78, f - 30), (110, f - 44), ((141.0, f - 26), far), ((48.0, f), (52.0, f)), 1, elbows_down=False
        )
    canvas.arrow([(160, 74), (204, 74)])
    return "a child pushes a big box with flat hands"


@act
def toss(canvas: Canvas, scene: Scene) -> str:
    """Tossing and catching. Takes kind: partner, up, wall, target, cross, swap, tap or bubbles; thing, hands: two or
    one;
    near (m), many."""
    _floor(canvas)
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
        _wall(canvas, 200)
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


@act
def roll_ball(canvas: Canvas, scene: Scene) -> str:
    """Two people sit on the floor and roll a ball. Takes gate, near (m)."""
    _floor(canvas)
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


@act
def walk_with(canvas: Canvas, scene: Scene) -> str:
    """Something is carried on a spoon. Takes spoon, way: table, room, chair or foot; line."""
    _floor(canvas)
    f, way = FLOOR - 4, scene.word("way", "room")
    foot = (134.0, f - (16 if way == "foot" else 0))
    figure(canvas, (112, f - 50), (114, f - 90), ((144.0, f - 76), (118.0, f - 50)), ((104.0, f), foot))
    canvas.line([(144, f - 78), (176, f - 80)], 4)
    canvas.round(182, f - 82, 17, "goal", 7)
    canvas.round(182, f - 88, 9, "thing")
    if way == "chair":
        canvas.box(48, FLOOR - 18, 30, 6, "dough")
        for x in (36, 60):
            canvas.box(x, FLOOR - 8, 4, 18, "dough")
        canvas.box(35, FLOOR - 42, 5, 44, "dough")
    canvas.arrow([(150, 40), (196, 40)] if way != "chair" else [(150, 40), (110, 24), (60, 40)])
    return "a child carries something on a spoon and keeps it level"


@act
def dress(canvas: Canvas, scene: Scene) -> str:
    """Trousers are pulled up by both sides. Takes stage: hips, knees, feet or back."""
    _floor(canvas)
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


@act
def squat(canvas: Canvas, scene: Scene) -> str:
    """Sticks are picked up from the ground into a basket. Takes carry."""
    _floor(canvas)
    f = FLOOR - 4
    figure(canvas, (96, f - 22), (112, f - 58), ((142.0, f - 4), (120.0, f - 30)), ((104.0, f), (112.0, f)))
    for x, y in ((140, 3), (160, 6), (178, 2)):
        canvas.line([(x, FLOOR - y), (x + 26, FLOOR - y - 4)], 4)
    canvas.shape([(30, FLOOR - 34), (76, FLOOR - 34), (70, FLOOR), (36, FLOOR)], "goal")
    canvas.arrow([(140, f - 34), (108, f - 92), (56, f - 50)])
    return "a child squats, picks up a stick and puts it in the basket"


@act
def wash(canvas: Canvas, scene: Scene) -> str:
    """Soap is pumped and both hands are rubbed. Takes stage: pump or rub."""
    if scene.word("stage", "pump") == "rub":
        with desk(canvas, scene):
            h = scene.hand
            over(canvas, scene, "flat", -0.06 * h, -0.12 * h, "helper", turn=34, palm=True)
            over(canvas, scene, "flat", 0.1 * h, -0.2 * h, turn=30)
            for x, y, d in ((-0.5, -0.6, 18), (0.5, -0.62, 14), (0.6, -0.4, 10), (-0.62, -0.4, 11)):
                canvas.round(x * h, y * h, d, "wet")
            canvas.turn(0, -0.3 * h, 0.5 * h, 220, 320)
        return "two soapy hands rub each other"
    with ground(canvas, scene, scene.hand * 1.4, scene.hand * 1.35):
        h = scene.hand
        x = -0.3 * h
        canvas.box(x, -0.34 * h, 0.44 * h, 0.68 * h, "goal", 8)
        canvas.box(x, -0.74 * h, 10, 0.16 * h, "goal")
        canvas.box(x - 0.12 * h, -0.84 * h, 0.36 * h, 0.09 * h, "goal", 3)
        hold(canvas, scene, "flat", x, -0.92 * h, turn=4)
        hold(canvas, scene, "open", x - 0.46 * h, -0.42 * h, "helper", -14)
        canvas.round(x - 0.3 * h, -0.66 * h, 8, "wet", 12)
        canvas.arrow([(x + 0.3 * h, -1.14 * h), (x + 0.3 * h, -0.98 * h)])
    return "one hand presses the pump, the other catches the soap"


@act
def sit_drum(canvas: Canvas, scene: Scene) -> str:
    """Two people sit face to face with a lid in each hand. Takes nothing."""
    _floor(canvas)
    f = FLOOR - 6
    figure(canvas, (60, f - 6), (62, f - 46), ((92.0, f - 40), (92.0, f - 34)), ((98.0, f), (92.0, f)))
    figure(
        canvas,
        (190, f - 8),
        (188, f - 58),
        ((154.0, f - 50), (154.0, f - 44)),
        ((146.0, f), (152.0, f)),
        1.12,
        grown=True,
    )
    for x in (92, 98, 148, 154):
        canvas.box(x, f - 44, 4, 26, "thing", 2)
    return "two people sit face to face and bang lids together"
