"""The whole child at work: at a wall, on the floor, walking, squatting, sitting."""

from core.drawing.acts.figure import FLOOR, figure, floor, wall
from core.drawing.acts.register import act, number, one_of, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene


@act(
    do=one_of("push", "walk", "draw", "stick", "up", "circles", "side", "eight"),
    height=one_of("shoulder", "eyes", "over", "chest"),
    other=one_of("none", "wall"),
)
def at_wall(canvas: Canvas, scene: Scene) -> str:
    """Standing at a wall: push, walk, reach, wipe or draw."""
    floor(canvas)
    wall(canvas, 178)
    do = scene.word("do", "push")
    high = {"chest": 88, "shoulder": 74, "eyes": 60, "over": 40}[scene.word("height", "shoulder")]
    lean = 12 if do == "push" else 4
    hip, shoulder = (128 - lean, 112.0), (134 + lean * 0.4, 72.0)
    near = (174.0, float(high))
    pushing = do == "push" or scene.word("other") == "wall"
    far = (174.0, high + 26.0) if do == "draw" else (174.0, high + 8.0) if pushing else (146.0, 112.0)
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
    elif do == "draw":
        canvas.box(176, high, 3, 56, "paper", 0)
        canvas.line([(162, high + 6), (173, high)], 3)
        canvas.line([(171, high - 18), (168, high - 8), (173, high)], 2.4, smooth=True)
    elif do == "stick":
        canvas.round(174, high, 10, "thing")
        canvas.arrow([(158, high + 34), (162, high + 6)])
    return f"a child stands at a wall and {_AT_WALL[do]}"


_AT_WALL = {
    "push": "pushes with flat hands",
    "draw": "pushes with one hand and draws with the other",
    "walk": "walks the hands up and down",
    "circles": "wipes in big circles",
    "up": "wipes up and down",
    "side": "wipes from side to side",
    "eight": "wipes an eight on its side",
    "stick": "reaches up to stick something on",
}


@act(
    do=one_of(
        "feet",
        "snake",
        "barrow",
        "knees",
        "tap",
        "hold_draw",
        "draw",
        "prone",
        "hands",
        "one_hand",
        "tunnel",
        "back",
        "carry",
        "over",
    ),
    cushion=yes(),
)
def on_floor(canvas: Canvas, scene: Scene) -> str:
    """On the floor: knees, feet, tap, prone, hands, one_hand, tunnel, over, barrow or snake."""
    floor(canvas)
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


@act(way=one_of("walk", "knees", "one", "prop"), load=number())
def push_box(canvas: Canvas, scene: Scene) -> str:
    """A box is pushed along the floor."""
    floor(canvas)
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


@act(way=one_of("room", "table", "chair", "foot"))
def walk_with(canvas: Canvas, scene: Scene) -> str:
    """Something is carried on a spoon."""
    floor(canvas)
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


@act()
def squat(canvas: Canvas, scene: Scene) -> str:
    """Sticks are picked up from the ground into a basket."""
    floor(canvas)
    f = FLOOR - 4
    figure(canvas, (96, f - 22), (112, f - 58), ((142.0, f - 4), (120.0, f - 30)), ((104.0, f), (112.0, f)))
    for x, y in ((140, 3), (160, 6), (178, 2)):
        canvas.line([(x, FLOOR - y), (x + 26, FLOOR - y - 4)], 4)
    canvas.shape([(30, FLOOR - 34), (76, FLOOR - 34), (70, FLOOR), (36, FLOOR)], "goal")
    canvas.arrow([(140, f - 34), (108, f - 92), (56, f - 50)])
    return "a child squats, picks up a stick and puts it in the basket"


@act()
def sit_drum(canvas: Canvas, scene: Scene) -> str:
    """Two people sit face to face with a lid in each hand."""
    floor(canvas)
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
