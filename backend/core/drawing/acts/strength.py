"""Squeezing, pinching springs open, stacking."""

from core.drawing.acts.reach import held_thing, named
from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, desk, ground, hold, over
from core.drawing.things import bottle, mouth_ball, peg, pot_size, roll, side, size_mm
from core.materials import Box


@act(peg=role(), edge=role(), cloth=role(), hold=one_of("none", "child", "adult"), swings=yes())
def clip(canvas: Canvas, scene: Scene) -> str:
    """A peg is pinched open and put on an edge."""
    thing, edge = scene.thing("peg"), scene.thing("edge")
    long, high = (
        (thing.shape.extents_mm[0], thing.shape.extents_mm[1]) if thing and isinstance(thing.shape, Box) else (70, 14)
    )
    with ground(canvas, scene, table=not scene.yes("swings")):
        h = scene.hand
        x, top = -0.26 * h, -0.44 * h
        line = bool(edge and edge.cord_mm) or scene.yes("swings")
        if line:
            with canvas.beyond():
                canvas.line([(-1.3 * h, top - 0.05 * h), (x, top + 2), (1.3 * h, top - 0.05 * h)], 3, smooth=True)
        else:
            slab = max(edge.edge_mm or 3 if edge else 3, 2.5)
            wide = 0.5 * h if edge and "container" in edge.forms else slab
            canvas.shape([(x - slab / 2, top), (x + slab / 2, top), (x + slab / 2, 0), (x - slab / 2, 0)], "goal")
            if wide > slab:
                with canvas.beyond():
                    canvas.shape([(x - slab, 0), (x - slab, -4), (x - 1.2 * h, -4), (x - 1.2 * h, 0)], "goal")
        if scene.word("cloth"):
            cloth = scene.thing("cloth")
            if scene.form("cloth") == "leaf":
                with canvas.at(x, top + 0.26 * h, 0.8, 90):
                    side(canvas, cloth, "leaf", "dough") if cloth else canvas.round(0, 0, 60, "dough")
            else:
                wide, drop = 0.5 * h, 0.4 * h
                canvas.shape(
                    [
                        (x - wide, top - 3),
                        (x + 0.12 * h, top - 3),
                        (x + 0.1 * h, top + drop),
                        (x - wide * 0.5, top + drop * 0.92),
                        (x - wide, top + drop),
                    ],
                    "dough",
                )
        held_by = scene.word("hold", "none")
        if held_by != "none":
            y = top + (0.14 if not scene.word("cloth") else 0.02) * h
            hold(
                canvas,
                scene,
                "pinch",
                x - (0.3 if scene.word("cloth") else 0.02) * h,
                y,
                "helper",
                10,
                6,
                grown=held_by == "adult",
            )

        def held() -> None:
            with canvas.at(x, top - long * 0.36, 1, -90):
                peg(canvas, thing, opened=5) if thing else None

        grip = top - long * 0.74
        hold(canvas, scene, "three_point", x, grip, turn=42, gap=high * 1.2, held=held)
        canvas.arrow([(x - 0.3 * h, grip + 0.02 * h), (x - 0.14 * h, grip + 0.02 * h)])
    return f"thumb and fingers pinch {named(thing, 'a peg')} open over {named(edge, 'the edge')}"


@act(away=yes(), off=yes())
def chain(canvas: Canvas, scene: Scene) -> str:
    """A clip is hooked on a chain of clips."""
    with ground(canvas, scene):
        h = scene.hand
        for i in range(5):
            with canvas.at(-0.34 * h + (i % 2) * 3, -1.1 * h + i * 26, 1, 90):
                _paper_clip(canvas)
        x, y = -0.34 * h, -1.1 * h + 5 * 26
        hold(canvas, scene, "pinch", -0.36 * h, -1.1 * h, "helper", 20, 6)
        hold(canvas, scene, "pinch", x + 6, y + 8, turn=10, gap=6, held=lambda: _clip_at(canvas, x, y))
        up = scene.yes("away")
        canvas.arrow([(x - 26, y + 24), (x - 26, y - 8)] if not up else [(x - 26, y - 8), (x - 26, y + 24)])
    return f"a paper clip is {'taken off' if scene.yes('off') else 'hooked on'} the chain"


def _clip_at(canvas: Canvas, x: float, y: float) -> None:
    with canvas.at(x, y, 1, 90):
        _paper_clip(canvas)


def _paper_clip(canvas: Canvas) -> None:
    canvas.box(0, 0, 33, 10, "none", 5)
    canvas.box(2, 0, 24, 5, "none", 2.5)


@act(thing=role(), into=role(), feed=role(), drops=yes(), seconds=number(), index=yes(), layers=number())
def squeeze(canvas: Canvas, scene: Scene) -> str:
    """A whole hand squeezes something."""
    thing, into, feed = scene.thing("thing"), scene.thing("into"), scene.thing("feed")
    form = scene.form("thing")
    with desk(canvas, scene, max(1.9 * scene.hand, (size_mm(thing)[0] if thing else 0) + 1.1 * scene.hand)):
        h = scene.hand
        if form in ("squirter", "trigger"):
            if into:
                wide = min(pot_size(into)[0], 0.8 * h)
                with canvas.at(-0.72 * h, 0.42 * h):
                    canvas.shape(
                        [(-wide / 2, -0.3 * h), (wide / 2, -0.3 * h), (wide * 0.4, 0.06 * h), (-wide * 0.4, 0.06 * h)],
                        "goal",
                    )
            x = -0.3 * h
            with canvas.at(x, -0.24 * h):
                bottle(canvas, thing) if thing else None
            long = thing.shape.extents_mm[0] if thing else 150
            for i in range(3):
                canvas.round(x - (0.1 + 0.09 * i) * h, (-0.22 + 0.07 * i * i) * h, 7, "wet", 10)
            over(
                canvas,
                scene,
                "point" if form == "trigger" and scene.yes("index") else "fist",
                x + min(long * 0.5, 0.62 * h),
                -0.24 * h,
                turn=-14,
                at="knuckles",
            )
            return f"one hand squeezes {named(thing, 'a squirter')} so that water comes out"
        if form == "mouth":
            d = size_mm(thing)[0] if thing else 66
            with canvas.at(-0.06 * h, -0.24 * h):
                mouth_ball(canvas, thing, 20) if thing else None
            over(canvas, scene, "grip", 0.16 * h, -0.1 * h, turn=10, at="knuckles")
            with canvas.at(-0.06 * h - d * 0.66, -0.24 * h):
                canvas.round(0, 0, 15, "dough") if feed is None else held_thing(canvas, feed, scene.form("feed"), 0, 0)
            over(canvas, scene, "pinch", -0.1 * h - d * 0.7, -0.2 * h, "helper", turn=26, at="tips")
            canvas.arrow([(-0.1 * h - d * 0.95, -0.5 * h), (-0.06 * h - d * 0.3, -0.36 * h)])
            return f"one hand squeezes {named(thing, 'the ball')} open, the other feeds it"
        long = min(size_mm(thing)[0] if thing else 100, 1.1 * h)
        with canvas.at(0, -0.3 * h):
            if form == "dough":
                canvas.shape(
                    [
                        (-0.34 * h, 0),
                        (-0.26 * h, -0.12 * h),
                        (0, -0.09 * h),
                        (0.26 * h, -0.12 * h),
                        (0.34 * h, 0),
                        (0.26 * h, 0.12 * h),
                        (0, 0.09 * h),
                        (-0.26 * h, 0.12 * h),
                    ],
                    "dough",
                    smooth=True,
                )
                long = 0.68 * h
            elif form in ("wipe", "cloth"):
                canvas.box(0, 0, 0.8 * h, 0.34 * h, "thing", 10)
                long = 0.8 * h
            elif thing:
                roll(canvas, thing)
                for i in range(int(scene.number("layers"))):
                    canvas.line([(-long * 0.5 + 6 + 5 * i, -14), (-long * 0.5 + 6 + 5 * i, 14)], 1)
        over(canvas, scene, "fist", 0, -0.28 * h, at="knuckles")
        for s in (-1, 1):
            canvas.arrow([(s * (0.26 * h), -0.66 * h), (s * 0.12 * h, -0.5 * h)])
        if scene.yes("drops"):
            for i in range(4):
                canvas.round((i - 1.5) * 0.16 * h, (0.36 + 0.06 * (i % 2)) * h, 7, "wet", 11)
        if scene.number("seconds"):
            canvas.corner(f"{scene.number('seconds'):g} seconds")
    return f"one hand squeezes {named(thing, 'it')}"


@act(thing=role(), many=number())
def stack(canvas: Canvas, scene: Scene) -> str:
    """A piece goes on a tower that the other hand steadies."""
    thing = scene.thing("thing")
    many = int(scene.number("many", 3))
    long, _, high = thing.shape.extents_mm if thing else (30, 30, 30)
    if thing and not isinstance(thing.shape, Box):
        long = max(thing.shape.extents_mm[1], 14)
        high = thing.shape.extents_mm[0]
        if high < long:
            high = thing.shape.extents_mm[2]
    with ground(canvas, scene, 0, high * many + scene.hand * 0.95):
        h = scene.hand
        x = -0.3 * h
        for i in range(many - 1):
            canvas.box(x, -high * (i + 0.5), long, high, "goal" if i % 2 else "paper", 2)
        y = -high * (many - 0.5) - 8
        hold(canvas, scene, "wrap", x - long * 0.4, -high * max(0.7, (many - 1) * 0.5), "helper", 6, long * 0.5)
        hold(
            canvas,
            scene,
            "pinch",
            x,
            y,
            turn=38,
            gap=min(long, 0.4 * h),
            held=lambda: canvas.box(x, y, long, high, "thing", 2),
        )
        canvas.arrow([(x - long * 0.5 - 14, y - 10), (x - long * 0.5 - 14, y + high * 0.5 + 10)])
    return f"{named(thing, 'a piece')} goes on a tower of {many}, the other hand steadies it"
