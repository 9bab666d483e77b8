"""What the fingers of one hand do: turn over, roll, walk, slide, flick, press, point."""

from core.drawing.acts.reach import held_thing, named, tucked, with_tongs
from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.hands import flat_tips
from core.drawing.scene import HIGH, WIDE, Scene, desk, ground, hold, over
from core.drawing.things import above, grip_mm, side, size_mm
from core.materials import Box, Thing


@act(thing=role(), tuck=yes(), table=yes(), kept=number(), done=yes())
def turn_over(canvas: Canvas, scene: Scene) -> str:
    """A stick or flat piece is turned end over end inside one hand."""
    thing = scene.thing("thing")
    long = min(max(thing.shape.extents_mm[:2]) if thing else 80, scene.hand * 1.3)
    thick = max(grip_mm(thing) if thing else 10, 3)
    with ground(canvas, scene, scene.hand * 1.5, long * 2.1):
        h = scene.hand
        x, y = -0.24 * h, -0.06 * h - long / 2 if scene.yes("table") else -0.42 * h - long * 0.12
        tucked(canvas, scene, x, y)
        for i in range(int(scene.number("kept"))):
            canvas.round(x + (0.42 + 0.1 * i) * h, y - 0.02 * h, 15, "dough")

        def held() -> None:
            canvas.box(x, y, thick, long, "thing", thick / 4)
            end = -1 if scene.yes("done") else 1
            canvas.box(x, y + end * (long / 2 - min(long * 0.14, 12)), thick, min(long * 0.28, 24), "ink", thick / 4)

        hold(canvas, scene, "three_point" if not scene.yes("tuck") else "tucked", x, y, turn=22, gap=thick, held=held)
        canvas.turn(x, y, long / 2 + 16, 120, 300)
    return f"the fingers turn {named(thing, 'a stick')} end over end"


@act(thing=role(), top=yes(), kept=number())
def roll_stick(canvas: Canvas, scene: Scene) -> str:
    """A stick or a top is rolled between the pads."""
    thing = scene.thing("thing")
    long = min(thing.shape.extents_mm[0] if thing else 120, scene.hand * 1.2)
    thick = max(thing.shape.extents_mm[2] if thing else 8, 2.5)
    with ground(canvas, scene, scene.hand * 1.5, long * 1.8):
        h = scene.hand
        x = -0.26 * h
        if scene.yes("top"):
            r = thick / 2
            canvas.shape([(x - r, -r * 1.1), (x + r, -r * 1.1), (x + 2, 0), (x - 2, 0)], "thing")
            canvas.box(x, -r * 1.1 - 9, 5, 18, "goal", 2)
            hold(canvas, scene, "pinch", x, -r * 1.1 - 14, turn=48, gap=5)
            canvas.turn(x, -r * 0.5, r + 12, 150, -20)
            return f"the fingertips twist {named(thing, 'a top')} and let it go"
        y = -0.36 * h if long > 0.6 * h else -long / 2 - 8
        for i in range(int(scene.number("kept"))):
            canvas.round(x + (0.42 + 0.1 * i) * h, y, 15, "dough")
        hold(
            canvas,
            scene,
            "pinch",
            x,
            y,
            turn=14,
            gap=thick,
            held=lambda: canvas.box(x, y, thick, long, "thing", thick / 4),
        )
        canvas.arrow(
            [(x - thick - 12, y - long * 0.34), (x, y - long * 0.3), (x + thick + 12, y - long * 0.34)], both=True
        )
    return f"the pads roll {named(thing, 'a stick')}"


@act(thing=role(), pen=yes(), tuck=yes(), both=yes())
def climb(canvas: Canvas, scene: Scene) -> str:
    """The fingers walk along a stick or a pencil."""
    thing = scene.thing("thing")
    long = min(thing.shape.extents_mm[0] if thing else 170, scene.hand * 1.5)
    thick = max(thing.shape.extents_mm[2] if thing else 8, 3)
    with ground(canvas, scene, scene.hand * 1.5, long * 1.6, table=not scene.yes("pen")):
        h = scene.hand
        lean = 50 if scene.yes("pen") else 90
        x, y = -0.3 * h, -0.34 * h
        tucked(canvas, scene, x, y)

        def held() -> None:
            with canvas.at(x, y, 1, -lean):
                canvas.box(long * 0.26, 0, long, thick, "thing", 1)
                if scene.yes("pen"):
                    canvas.shape([(-long * 0.24, -thick / 2), (-long * 0.24 - 14, 0), (-long * 0.24, thick / 2)], "ink")

        hold(canvas, scene, "tool" if scene.yes("pen") else "three_point", x, y, turn=26, gap=thick, held=held)
        with canvas.at(x - thick - 16, y, 1, -lean):
            canvas.arrow([(-8, 0), (24, -4), (long * 0.5, 0)], both=scene.yes("both"))
    return f"the fingers walk along {named(thing, 'a stick')}"


@act(thing=role(), fan=number(), tuck=yes())
def cards(canvas: Canvas, scene: Scene) -> str:
    """A thumb slides a card off a pile, or spreads a fan."""
    thing = scene.thing("thing")
    wide, high = (min(s, scene.hand * 0.8) for s in (size_mm(thing) if thing else (60, 90)))
    wide, high = min(wide, high), max(wide, high)
    fan = int(scene.number("fan"))
    with desk(canvas, scene):
        h = scene.hand
        if fan:
            for i in range(fan):
                with canvas.at(-0.02 * h, 0.28 * h, 1, (i - (fan - 1) / 2) * 70 / max(fan, 3)):
                    canvas.box(0, -high * 0.62, wide, high, "paper", 4)
                    canvas.round(0, -high * 0.98, 5, "ink")
            over(canvas, scene, "grip", 0.06 * h, 0.3 * h, turn=4, at="knuckles")
            if scene.yes("tuck"):
                canvas.round(0.26 * h, 0.4 * h, 24, "dough")
            canvas.arrow([(-0.34 * h, 0.06 * h), (0, -0.16 * h), (0.34 * h, 0.06 * h)])
            return f"the thumb spreads {fan} cards like a fan"
        for i in range(3):
            canvas.box(-0.2 * h + i * 2, 0.02 * h - i * 2, wide, high, "paper", 4)
        over(canvas, scene, "grip", -0.34 * h, 0.3 * h, "helper", turn=14)
        canvas.box(0.2 * h, -0.06 * h, wide, high, "paper", 4)
        over(canvas, scene, "pinch", 0.22 * h, 0.16 * h, turn=24, at="tips")
        canvas.arrow([(-0.08 * h, -0.48 * h), (0.16 * h, -0.54 * h), (0.42 * h, -0.42 * h)])
    return "the thumb pushes one card off the pile"


@act(thing=role())
def page(canvas: Canvas, scene: Scene) -> str:
    """The thumb turns one page of a book."""
    thing = scene.thing("thing")
    wide, high = size_mm(thing) if thing else (150, 200)
    with desk(canvas, scene, wide * 2.1):
        canvas.box(-wide / 2, 0, wide, high, "paper", 4)
        canvas.box(wide / 2, 0, wide, high, "paper", 4)
        canvas.shape([(0, -high / 2), (wide * 0.5, -high * 0.58), (wide * 0.5, high * 0.42), (0, high / 2)], "goal")
        over(canvas, scene, "flat", -wide * 0.6, high * 0.2, "helper", turn=10)
        over(canvas, scene, "pinch", wide * 0.5, high * 0.34, turn=24, at="tips")
        canvas.arrow([(wide * 0.72, -high * 0.2), (wide * 0.3, -high * 0.34), (-wide * 0.3, -high * 0.2)])
    return "the thumb turns one page"


@act(thing=role(), goal=one_of("edge", "mark", "gate"), push=yes())
def flick(canvas: Canvas, scene: Scene) -> str:
    """A flat thing is flicked or pushed to a goal."""
    thing = scene.thing("thing")
    with desk(canvas, scene):
        h = scene.hand
        goal = scene.word("goal", "edge")
        if goal == "gate":
            for x in (-1, 1):
                canvas.round(x * 0.3 * h, -0.54 * h, 44, "goal")
                canvas.round(x * 0.3 * h, -0.54 * h, 36, "paper")
        elif goal == "mark":
            canvas.round(0, -0.52 * h, 0.4 * h, "goal")
        else:
            canvas.line([(-1.2 * h, -0.52 * h), (1.2 * h, -0.52 * h)], 3)
        with canvas.at(0, -0.02 * h):
            above(canvas, thing, scene.form("thing")) if thing else canvas.round(0, 0, 24, "thing")
        over(canvas, scene, "point" if scene.yes("push") else "pinch", 0.03 * h, 0.2 * h, turn=6, at="index")
        canvas.arrow([(0, -0.16 * h), (0, -0.42 * h)])
    return f"one finger {'pushes' if scene.yes('push') else 'flicks'} {named(thing, 'a counter')} to the goal"


@act(finger=one_of("point", "hand", "pinch", "all"), target=role(), through=role(), hold=yes(), tuck=yes())
def press(canvas: Canvas, scene: Scene) -> str:
    """A finger presses or points."""
    on, through = scene.thing("target"), scene.thing("through")
    finger = scene.word("finger", "point")
    wide, high = pot_like(on)
    with ground(canvas, scene, max(min(wide, 1.1 * scene.hand), scene.hand * 1.2), max(high, 1) + scene.hand * 0.95):
        h = scene.hand
        x = -0.3 * h
        form = scene.form("target")
        if form in ("slot_lid", "container", "pump"):
            with canvas.at(x, 0):
                side(canvas, on, form, "goal") if on else None
            top = -high
        elif form == "dough":
            canvas.shape([(x - 60, 0), (x - 56, -16), (x, -22), (x + 56, -16), (x + 60, 0)], "dough")
            top = -16.0
        elif form == "bubble":
            canvas.box(x, -3, 0.9 * h, 6, "goal")
            for i in range(6):
                canvas.round(x + (i - 2.5) * 0.15 * h, -9, 0.11 * h, "paper")
            top = -10.0
        else:
            canvas.box(x, -max(high, 6) / 2, min(max(wide, 20), 1.1 * h), max(high, 6), "goal", 3)
            top = -max(high, 6)
        if through:
            canvas.round(x, top - 3, max(grip_mm(through), 12), "thing", 12)
        if scene.yes("hold"):
            hold(canvas, scene, "wrap", x - wide * 0.4, top * 0.5, "helper", 6, wide * 0.4)
        if finger == "hand":
            hold(canvas, scene, "flat", x, top - 0.06 * h, turn=4)
        elif finger == "all":
            hold(canvas, scene, "three_point", x, top - 2, turn=40, gap=0.3 * h)
        elif finger == "pinch":
            hold(canvas, scene, "pinch", x, top + 2, turn=46, gap=8)
        else:
            tucked(canvas, scene, x + 0.24 * h, top - 0.1 * h)
            hold(canvas, scene, "point", x, top - 0.04 * h, turn=38)
        canvas.arrow([(x - 0.28 * h, top - 0.44 * h), (x - 0.28 * h, top - 0.14 * h)])
    return f"{'the hand' if finger in ('hand', 'all') else 'one finger'} presses on {named(on, 'it')}"


def pot_like(thing: Thing | None) -> tuple[float, float]:
    """The width and height of what is pressed."""
    if thing is None:
        return 60.0, 30.0
    if isinstance(thing.shape, Box):
        return thing.shape.length_mm, thing.shape.height_mm
    long, mid, short = thing.shape.extents_mm
    return (mid, long) if long > mid else (long, short)


@act(move=one_of("bow", "talk", "visit"))
def puppets(canvas: Canvas, scene: Scene) -> str:
    """A hand up with puppets on its fingers."""
    with canvas.at(WIDE / 2, HIGH - 6, 132 / scene.hand):
        h = scene.hand
        over(canvas, scene, "open", 0, -0.36 * h)
        tips = flat_tips("open")
        for i in (1, 2):
            x, y = tips[i][0] + 0.02, tips[i][1]
            with canvas.at(x * h, y * h + 0.03 * h, 1, -(14 if i == 1 else 2)):
                canvas.box(0, 0.02 * h, 0.17 * h, 0.26 * h, "thing", 0.07 * h)
                for e in (-1, 1):
                    canvas.round(e * 0.035 * h, -0.04 * h, 4, "ink")
        if scene.word("move") == "visit":
            canvas.arrow([(-0.4 * h, -0.46 * h), (-0.36 * h, -0.7 * h), (-0.26 * h, -0.78 * h)])
        else:
            canvas.arrow([(-0.5 * h, -0.92 * h), (-0.42 * h, -1.04 * h), (-0.22 * h, -1.08 * h)], both=True)
    return "finger puppets move one at a time"


@act(into=role(), upright=yes(), hold=one_of("adult", "child"), out=yes())
def key_post(canvas: Canvas, scene: Scene) -> str:
    """A card is held with the thumb flat on the side of the index and pushed into a slot, or pulled out."""
    into = scene.thing("into")
    with ground(canvas, scene, scene.hand * 1.6):
        h = scene.hand
        x = -0.5 * h
        wide, high = pot_like(into)
        wide, high = min(wide, 0.7 * h), min(max(high, 0.4 * h), 0.6 * h)
        canvas.box(x, -high / 2, wide, high, "goal", 6)
        standing = scene.yes("upright")
        if standing:
            canvas.box(x + wide / 2, -high * 0.6, 4, high * 0.6, "ink")
            cx, cy = x + wide / 2 + 0.14 * h, -high * 0.6
            canvas.box(cx, cy, 0.4 * h, 4, "paper")
        else:
            canvas.box(x, -high, wide * 0.7, 4, "ink")
            cx, cy = x, -high - 0.16 * h
            canvas.box(cx, cy, 4, 0.4 * h, "paper")
        if scene.word("hold"):
            hold(
                canvas,
                scene,
                "wrap",
                x - wide * 0.36,
                -high * 0.4,
                "helper",
                6,
                30,
                grown=scene.word("hold") == "adult",
            )
        hold(canvas, scene, "key", cx + (0.14 * h if standing else 0), cy - (0 if standing else 0.1 * h), turn=20)
        ends = (
            [(cx + 0.36 * h, cy - 0.3 * h), (cx + 0.1 * h, cy - 0.3 * h)]
            if standing
            else [(cx - 0.2 * h, cy - 0.3 * h), (cx - 0.2 * h, cy)]
        )
        canvas.arrow(ends[::-1] if scene.yes("out") else ends)
    way = "pulled out of" if scene.yes("out") else "pushed into"
    return f"a card, held with a flat thumb, is {way} {named(into, 'the slot')}"


@act(thing=role())
def peel(canvas: Canvas, scene: Scene) -> str:
    """The thumb peels a fruit that the other hand holds."""
    thing = scene.thing("thing")
    d = thing.shape.extents_mm[1] if thing else 55
    with ground(canvas, scene):
        h = scene.hand
        x, y = -0.08 * h, -0.52 * h
        hold(canvas, scene, "wrap", x, y + 4, "helper", 2, d, lambda: canvas.round(x, y, d, "thing"))
        canvas.shape(
            [
                (x + d * 0.1, y - d * 0.44),
                (x + d * 0.7, y - d * 0.8),
                (x + d * 0.8, y - d * 0.4),
                (x + d * 0.42, y - d * 0.1),
            ],
            "dough",
            smooth=True,
        )
        hold(canvas, scene, "pinch", x + d * 0.66, y - d * 0.5, turn=16, gap=6)
        canvas.arrow([(x + d * 0.3, y - d * 0.95), (x + d * 0.9, y - d * 1.3)])
    return f"thumb and fingers peel {named(thing, 'a fruit')}, the other hand holds it"


@act(seconds=number(), thing=role(), tool=role(), free=yes())
def held_still(canvas: Canvas, scene: Scene) -> str:
    """Something is picked up and held still for a count."""
    thing, tool = scene.thing("thing"), scene.thing("tool")
    with ground(canvas, scene, scene.hand * 1.4):
        h = scene.hand
        x, y = -0.5 * h, (-0.62 if scene.yes("free") else -0.4) * h
        gap = grip_mm(thing) if thing else 20
        if tool:
            with_tongs(canvas, scene, tool, thing, x, y, gap)
        else:
            hold(
                canvas,
                scene,
                "pinch",
                x,
                y,
                turn=20,
                gap=gap,
                held=lambda: held_thing(canvas, thing, scene.form("thing"), x, y),
            )
    if scene.number("seconds"):
        canvas.corner(f"{scene.number('seconds'):g} seconds")
    return f"{named(thing, 'the thing')} is held still"
