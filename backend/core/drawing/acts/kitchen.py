"""Cutlery, pouring, stirring, hammering, searching, water."""

from core.drawing.acts.reach import named
from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, desk, ground, hold, over
from core.drawing.shapes import MARKS
from core.drawing.things import above, bread, fork, hammer, knife, pot_size, side, size_mm, spoon


@act(jug=role(), into=role(), stuff=role(), line=yes())
def pour(canvas: Canvas, scene: Scene) -> str:
    """A jug is tipped over a pot that the other hand holds."""
    jug, into, stuff = scene.thing("jug"), scene.thing("into"), scene.thing("stuff")
    jw, jh = (min(v, 110.0) for v in (pot_size(jug) if jug else (90, 110)))
    wide, high = pot_size(into) if into else (70, 80)
    wide, high = min(wide, 130), min(high, 110)
    wet = bool(stuff and "water" in stuff.forms)
    with ground(canvas, scene, max(wide + jw, scene.hand * 1.4), high + jw + 0.5 * scene.hand):
        h = scene.hand
        x = -0.42 * h
        with canvas.at(x, 0):
            canvas.shape([(-wide / 2, -high), (wide / 2, -high), (wide * 0.4, 0), (-wide * 0.4, 0)], "goal")
            canvas.round(0, -high, wide, "paper", min(wide * 0.14, 14))
            if scene.yes("line"):
                canvas.line([(-wide * 0.42, -high * 0.6), (wide * 0.42, -high * 0.6)], 2, True)
        hold(canvas, scene, "wrap", x - wide * 0.36, -high * 0.45, "helper", 4, wide * 0.4)
        lip = (x + wide * 0.12, -high - 8)
        with canvas.at(lip[0], lip[1], 1, -62):
            canvas.shape([(0, 0), (jw * 0.9, 0), (jw * 0.82, jh), (jw * 0.1, jh)], "paper")
            canvas.shape(
                [(0, 4), (jw * 0.5, jh * 0.5), (jw * 0.78, jh * 0.96), (jw * 0.1, jh * 0.96)], "wet" if wet else "dough"
            )
            canvas.line(
                [(jw * 0.88, jh * 0.2), (jw * 1.2, jh * 0.3), (jw * 1.16, jh * 0.7), (jw * 0.84, jh * 0.8)],
                4,
                smooth=True,
            )
        if wet:
            canvas.line([(lip[0] - 1, lip[1]), (x, lip[1] + 12), (x, -high * 0.5)], 3, smooth=True)
        else:
            canvas.dots(x + 2, -high * 0.8, 12, high * 0.5, 14)
        hold(canvas, scene, "wrap", lip[0] + jh * 0.62, lip[1] - jw * 0.86, turn=24, gap=10)
    return f"{named(jug, 'a jug')} touches {named(into, 'the cup')} and pours slowly"


@act(bend=yes())
def straw_in(canvas: Canvas, scene: Scene) -> str:
    """A straw goes into a drink carton that is held low."""
    with ground(canvas, scene, 0, 1.5 * scene.hand):
        h = scene.hand
        x = -0.34 * h
        canvas.shape([(x - 24, -96), (x + 24, -96), (x + 24, 0), (x - 24, 0)], "goal")
        canvas.shape([(x - 24, -96), (x - 14, -110), (x + 30, -110), (x + 24, -96)], "paper")
        canvas.round(x + 8, -103, 8, "ink", 4)
        hold(canvas, scene, "wrap", x - 16, -30, "helper", 4, 40)
        y = -126
        canvas.line([(x + 8, -106), (x + 10, y - 40), *([(x + 34, y - 52)] if scene.yes("bend") else [])], 5)
        hold(canvas, scene, "pinch", x + 10, y, turn=30, gap=5)
        canvas.arrow([(x - 24, y - 26), (x - 24, y + 10)])
    return "a straw is pushed into the carton, which is held low"


@act(spoon=role(), line=one_of("straight", "across", "eight"))
def follow(canvas: Canvas, scene: Scene) -> str:
    """A full spoon follows a line on the table."""
    tool = scene.thing("spoon")
    with desk(canvas, scene, 2 * scene.hand):
        h = scene.hand
        way = scene.word("line", "straight")
        if way == "eight":
            points = [((px - 0.5) * 1.7 * h, (py - 0.8) * 1.1 * h) for px, py in MARKS["eight"][0]]
            start = points[0]
        else:
            end = 0.1 if way == "straight" else -0.9
            points = [
                (0.1 * h if way == "straight" else 0.9 * h, 0.1 * h if way == "straight" else -0.3 * h),
                (end * h, -0.8 * h if way == "straight" else -0.3 * h),
            ]
            start = ((points[0][0] + points[1][0]) / 2, (points[0][1] + points[1][1]) / 2)
        canvas.line(points, 6, smooth=way == "eight")
        with canvas.at(start[0], start[1], 1, 50):
            spoon(canvas, tool) if tool else canvas.box(60, 0, 150, 9, "goal", 3)
        canvas.round(start[0], start[1], 14, "thing")
        over(canvas, scene, "grip", start[0] + 0.5 * h, start[1] + 0.62 * h, turn=26, at="knuckles")
        canvas.arrow(
            [
                (start[0] - 0.2 * h, start[1] + 0.1 * h),
                (
                    start[0] - (0.2 if way == "straight" else 0.6) * h,
                    start[1] - 0.3 * h if way == "straight" else start[1] + 0.1 * h,
                ),
            ]
        )
    return "a full spoon follows a line on the table"


@act(
    food=role(),
    fork=role(),
    knife=role(),
    dough=yes(),
    board=yes(),
    bread=yes(),
    way=one_of("saw", "press", "away", "spread"),
    spread=number(),
    many=number(),
)
def cutlery(canvas: Canvas, scene: Scene) -> str:
    """Fork and knife at a plate: the fork holds, the knife saws just in front of it."""
    food, forked, knifed = scene.thing("food"), scene.thing("fork"), scene.thing("knife")
    with desk(canvas, scene, scene.hand * 1.9):
        h = scene.hand
        if not scene.yes("board"):
            canvas.round(-0.02 * h, -0.44 * h, 1.24 * h, "goal")
            canvas.round(-0.02 * h, -0.44 * h, 0.98 * h, "paper")
        x, y = -0.02 * h, -0.44 * h
        if scene.yes("dough"):
            canvas.box(x, y, 0.8 * h, 22, "dough", 10)
        elif scene.yes("bread"):
            with canvas.at(x, y, h / 125):
                bread(canvas)
                canvas.round(0, -2, scene.number("spread", 40), "thing", scene.number("spread", 40) * 0.8)
        else:
            long, wide = size_mm(food) if food else (40, 28)
            canvas.box(x, y, max(long, 24) * 1.5, max(wide, 22), "dough", 8)
            for i in range(int(scene.number("many", 0))):
                canvas.box(
                    x + max(long, 24) * 0.75 + 10 + i * 15, y + 14 * (i % 2), 11, max(wide, 22) * 0.8, "dough", 3
                )
        if forked:
            with canvas.at(x - 6, y + 4, 1, 118):
                fork(canvas, forked)
            over(canvas, scene, "point", x - 0.32 * h, y + 0.52 * h, "helper", turn=16, at="index")
        else:
            over(canvas, scene, "grip", x - 0.46 * h, y + 0.16 * h, "helper", turn=24, at="knuckles")
        if knifed:
            with canvas.at(x + 10, y - 8, 1, 60):
                knife(canvas, knifed)
            over(canvas, scene, "point", x + 0.42 * h, y + 0.56 * h, turn=20, at="index")
        if scene.word("way", "saw") == "saw":
            canvas.arrow([(x + 0.2 * h, y - 0.36 * h), (x + 0.36 * h, y - 0.1 * h)], both=True)
        elif scene.word("way") == "press":
            canvas.arrow([(x + 0.3 * h, y - 0.4 * h), (x + 0.16 * h, y - 0.12 * h)])
        else:
            canvas.arrow([(x + 0.06 * h, y - 0.3 * h), (x + 0.34 * h, y - 0.34 * h)])
    return (
        "the fork stands still in one hand, the knife cuts in front of it"
        if forked
        else "one hand holds the bread, the knife spreads"
    )


@act(into=role(), spoon=role(), way=one_of("any", "round"), hold=one_of("adult", "child"))
def stir(canvas: Canvas, scene: Scene) -> str:
    """A spoon goes round in a pot that the other hand keeps still."""
    into, tool = scene.thing("into"), scene.thing("spoon")
    wide = min(pot_size(into)[0] if into else 150, 1.2 * scene.hand)
    with desk(canvas, scene):
        h = scene.hand
        x, y = -0.1 * h, -0.4 * h
        canvas.round(x, y, wide, "goal")
        canvas.round(x, y, wide * 0.88, "dough")
        canvas.dots(x, y, wide * 0.5, wide * 0.5, 26)
        over(
            canvas,
            scene,
            "grip",
            x - wide * 0.5,
            y + 0.18 * h,
            "helper",
            turn=18,
            at="knuckles",
            grown=scene.word("hold") == "adult",
        )
        with canvas.at(x + wide * 0.12, y + 4, 1, 40):
            spoon(canvas, tool) if tool else canvas.box(60, 0, 140, 9, "thing", 3)
        over(canvas, scene, "fist", x + wide * 0.12 + 0.48 * h, y + 0.48 * h, turn=20, at="knuckles")
        if scene.word("way") == "any":
            canvas.arrow([(x - wide * 0.3, y), (x + wide * 0.1, y - wide * 0.2)], both=True)
        else:
            canvas.turn(x, y, wide * 0.34, 150, 420)
    return "a spoon goes round, the other hand keeps the pot still"


@act(tool=role(), set=yes(), into=one_of("foam", "dough"), many=number())
def tap(canvas: Canvas, scene: Scene) -> str:
    """A hammer taps a peg in; the other hand is away."""
    tool = scene.thing("tool")
    with ground(canvas, scene, scene.hand * 1.6):
        h = scene.hand
        x = -0.44 * h
        thick = 46 if scene.word("into") == "foam" else 30
        canvas.box(
            x,
            -thick / 2,
            1.1 * h,
            thick,
            "goal" if scene.word("into") == "foam" else "dough",
            4 if scene.word("into") == "foam" else 12,
        )
        for i in range(int(scene.number("many", 1))):
            px = x + (i - (scene.number("many", 1) - 1) / 2) * 0.26 * h
            canvas.box(px, -thick - 14, 9, 34, "thing", 2)
            canvas.box(px, -thick - 34, 22, 8, "thing", 3)
        last = x + (scene.number("many", 1) - 1) / 2 * 0.26 * h
        if scene.yes("set"):
            hold(canvas, scene, "pinch", last - 0.46 * h, -thick - 26, "helper", 20, 14)
            canvas.arrow([(last - 0.42 * h, -thick - 0.5 * h), (last - 0.7 * h, -thick - 0.5 * h)])
        with canvas.at(last, -thick - 0.56 * h, 1, 14):
            if tool and "hammer" in tool.forms and tool.shape.extents_mm[0] > 100:
                hammer(canvas, tool)
            else:
                canvas.box(0, 0, 60, 50, "goal", 6)
        hold(canvas, scene, "wrap", last + 0.86 * h, -thick - 0.4 * h, turn=6, gap=12)
        canvas.arrow([(last - 0.18 * h, -thick - 0.66 * h), (last - 0.14 * h, -thick - 0.4 * h)])
    return "the hammer taps the peg in, the other hand is off first"


@act(thing=role(), under=yes(), cloth=yes())
def search(canvas: Canvas, scene: Scene) -> str:
    """A hand feels for things in a tub of filler, or under a cloth."""
    thing = scene.thing("thing")
    with desk(canvas, scene, scene.hand * 1.9):
        h = scene.hand
        x, y = 0, -0.34 * h
        if scene.yes("under"):
            for i in range(3):
                canvas.box(x + (i - 1) * 0.3 * h, y - 0.2 * h, 48, 24, "thing", 3)
            over(canvas, scene, "spread", x + 0.1 * h, y + 0.14 * h, turn=4)
            canvas.shape(
                [
                    (x - 0.8 * h, y - 0.4 * h),
                    (x - 0.2 * h, y - 0.46 * h),
                    (x + 0.3 * h, y - 0.4 * h),
                    (x + 0.8 * h, y - 0.44 * h),
                    (x + 0.78 * h, y + 0.1 * h),
                    (x + 0.3 * h, y + 0.16 * h),
                    (x - 0.3 * h, y + 0.1 * h),
                    (x - 0.8 * h, y + 0.14 * h),
                ],
                "goal",
            )
            canvas.box(x - 0.3 * h, y - 0.14 * h, 48, 24, "none", 3)
            return f"a hand feels for {named(thing, 'a piece')} under a cloth"
        canvas.box(x, y, 1.6 * h, 0.9 * h, "goal", 16)
        canvas.box(x, y, 1.46 * h, 0.76 * h, "dough", 12)
        canvas.dots(x, y, 1.36 * h, 0.66 * h, 60)
        for px, py in ((-0.5, -0.2), (0.5, -0.16), (-0.2, 0.14)):
            with canvas.at(x + px * h, y + py * h):
                above(canvas, thing, scene.form("thing")) if thing else canvas.round(0, 0, 18, "thing")
        over(canvas, scene, "spread", x + 0.16 * h, y + 0.22 * h, turn=8)
        canvas.shape(
            [
                (x - 0.24 * h, y - 0.3 * h),
                (x + 0.46 * h, y - 0.32 * h),
                (x + 0.42 * h, y - 0.04 * h),
                (x + 0.1 * h, y),
                (x - 0.2 * h, y - 0.06 * h),
            ],
            "dough",
            0.01,
            smooth=True,
        )
        canvas.dots(x + 0.1 * h, y - 0.16 * h, 0.56 * h, 0.2 * h, 24)
        if scene.yes("cloth"):
            canvas.shape(
                [
                    (x - 0.76 * h, y - 0.48 * h),
                    (x + 0.76 * h, y - 0.5 * h),
                    (x + 0.72 * h, y + 0.06 * h),
                    (x, y),
                    (x - 0.74 * h, y + 0.08 * h),
                ],
                "thing",
            )
    return f"a hand feels for {named(thing, 'a thing')} in a tub"


@act(water=role(), thing=role())
def lift_wet(canvas: Canvas, scene: Scene) -> str:
    """A wet sponge is lifted out of water."""
    water = scene.thing("water")
    wide, high = (min(v, 260) for v in (pot_size(water) if water else (250, 100)))
    with ground(canvas, scene, wide * 1.3, high + 0.95 * scene.hand):
        h = scene.hand
        x = -0.3 * wide
        with canvas.at(x, 0):
            side(canvas, water, "water") if water else None
        y = -high - 0.36 * h
        hold(
            canvas,
            scene,
            "wrap",
            x + 0.1 * h,
            y,
            turn=36,
            gap=30,
            held=lambda: canvas.box(x + 0.08 * h, y, 80, 34, "thing", 8),
        )
        for i in range(3):
            canvas.round(x + (i - 1) * 18, y + 34 + 9 * (i % 2), 6, "wet", 10)
        canvas.arrow([(x - 0.4 * h, y + 0.1 * h), (x - 0.4 * h, y - 0.24 * h)])
    return f"{named(scene.thing('thing'), 'a sponge')} is lifted out of the water"


@act(into=role(), both=yes(), show=one_of("half", "corner"), hold=one_of("adult", "none"))
def pull_out(canvas: Canvas, scene: Scene) -> str:
    """A cloth is pulled out of a pot, hand over hand."""
    into = scene.thing("into")
    wide, high = pot_size(into) if into else (90, 110)
    with ground(canvas, scene, max(wide * 1.4, scene.hand * 1.4), high + 1.1 * scene.hand):
        h = scene.hand
        x = -0.3 * h
        top = -high - (0.5 if scene.word("show") == "half" else 0.34) * h
        canvas.shape([(x - wide * 0.3, -high), (x - 10, top), (x + 8, top - 6), (x + wide * 0.3, -high)], "thing")
        canvas.line([(x - wide * 0.1, -high), (x, top + 10)], 1)
        with canvas.at(x, 0):
            side(canvas, into, scene.form("into"), "goal") if into else None
        hold(canvas, scene, "pinch", x, top, turn=34, gap=6)
        if scene.yes("both"):
            hold(canvas, scene, "pinch", x - 6, (top - high) / 2, "helper", 20, 8)
        else:
            hold(
                canvas,
                scene,
                "wrap",
                x - wide * 0.36,
                -high * 0.5,
                "helper",
                4,
                wide * 0.4,
                grown=scene.word("hold") == "adult",
            )
        canvas.arrow([(x - 0.24 * h, top), (x - 0.24 * h, top - 0.3 * h)])
    return "a cloth is pulled out of the pot"


@act(stage=one_of("pump", "rub"))
def wash(canvas: Canvas, scene: Scene) -> str:
    """Soap is pumped and both hands are rubbed."""
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
