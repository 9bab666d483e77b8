"""Taking, carrying, letting go, and what goes on in the palm."""

from core.drawing.acts.register import act, number, one_of, role, yes
from core.drawing.canvas import Canvas
from core.drawing.hands import ADULT_MM, side_hand
from core.drawing.scene import WIDE, Scene, around, ground, hold, over
from core.drawing.things import above, fork, grip_mm, pot_size, side, size_mm, spoon, tongs
from core.materials import Thing

POMPOM_MM = 26.0


def tucked(canvas: Canvas, scene: Scene, x: float, y: float) -> None:
    """Something soft under the last two fingers of a hand that holds a thing at (x, y)."""
    if scene.yes("tuck"):
        canvas.round(x + scene.hand * 0.3, y - scene.hand * 0.08, POMPOM_MM, "dough")


def named(thing: Thing | None, other: str) -> str:
    """What a thing is called in the words that stand for a picture."""
    return thing.one if thing else other


def held_thing(canvas: Canvas, thing: Thing | None, form: str, x: float, y: float, upright: bool = False) -> None:
    """Draw a thing between fingertips."""
    if thing is None:
        canvas.round(x, y, 16, "thing")
        return
    with canvas.at(x, y, 1, -90 if upright else 0):
        side(canvas, thing, form)


@act(
    thing=role(),
    into=role(),
    tool=role(),
    hold=one_of("adult", "child"),
    out=yes(),
    pose=one_of("pinch", "three_point", "wrap"),
    upright=yes(),
    tuck=yes(),
)
def put(canvas: Canvas, scene: Scene) -> str:
    """A thing is let go over what it goes into; by the fingers or with a tool."""
    thing, into, tool = scene.thing("thing"), scene.thing("into"), scene.thing("tool")
    wide, high = pot_size(into) if into else (90.0, 60.0)
    if scene.form("into") in ("sorter", "big_sorter"):
        wide, high = 3.3 * min(into.opening_mm or 50, 70) if into else 160, 30.0
    with ground(canvas, scene, max(wide * 1.1, scene.hand * 1.15), high + 0.95 * scene.hand):
        h = scene.hand
        x = -0.3 * h
        with canvas.at(x, 0):
            if into:
                side(canvas, into, scene.form("into"), "goal")
            else:
                canvas.shape([(-45, -60), (45, -60), (36, 0), (-36, 0)], "goal")
        if scene.word("hold"):
            hold(
                canvas,
                scene,
                "wrap",
                x - wide * 0.36,
                -high * 0.5,
                "helper",
                6,
                wide * 0.4,
                grown=scene.word("hold") == "adult",
            )
        gap = grip_mm(thing) if thing else 16
        y = -high - max(22.0, min(0.3 * h, gap + 22))
        out = scene.yes("out")
        if out:
            y = -high - gap * 0.2
        if tool and scene.form("tool") in ("tongs", "gripper"):
            with_tongs(canvas, scene, tool, thing, x, y, gap)
        elif tool and scene.form("tool") == "fork":
            with canvas.at(x - gap * 0.4, y, 1, -24):
                fork(canvas, tool)
            held_thing(canvas, thing, scene.form("thing"), x, y)
            hold(canvas, scene, "tool", x + 0.42 * h, y - 0.24 * h, turn=24, gap=8)
        elif tool:
            with canvas.at(x, y, 1, -14):
                spoon(canvas, tool, level=True)
            held_thing(canvas, thing, scene.form("thing"), x, y - gap / 2 - 2)
            hold(canvas, scene, "tool", x + 0.48 * h, y - 0.16 * h, turn=24, gap=10)
        else:
            tucked(canvas, scene, x, y)
            pose = scene.word("pose", "tucked" if scene.yes("tuck") else "pinch")
            upright = scene.yes("upright")
            hold(
                canvas,
                scene,
                pose,
                x,
                y,
                turn=34,
                gap=min(gap, h * 0.4),
                held=lambda: held_thing(canvas, thing, scene.form("thing"), x, y, upright),
            )
        if out:
            canvas.arrow([(x + 0.1 * h, y - 0.34 * h), (x + 0.1 * h, y - 0.62 * h)])
        else:
            canvas.arrow([(x - gap * 0.5 - 10, y - 2), (x - gap * 0.5 - 10, min(-high + 16, y + 40))])
    return f"{named(thing, 'a thing')} {'comes out of' if out else 'goes into'} {named(into, 'a pot')}"


def with_tongs(canvas: Canvas, scene: Scene, tool: Thing, thing: Thing | None, x: float, y: float, gap: float) -> None:
    """Draw a thing at (x, y) in the tips of tongs that a hand squeezes."""
    h, long = scene.hand, size_mm(tool)[0]
    with canvas.beyond(), canvas.at(x, y, 1, -30), canvas.at(long / 2, 0):
        tongs(canvas, tool, gap)
    held_thing(canvas, thing, scene.form("thing"), x, y)
    reach = min(long * 0.55, h * 0.75)
    hold(canvas, scene, "three_point", x + reach * 0.87, y - reach * 0.5, turn=30, gap=max(12, long * 0.1))


@act(
    thing=role(),
    pose=one_of("pinch", "three_point", "wrap"),
    under=role(),
    from_=one_of("cloth", "table", "edge", "palm"),
    tuck=yes(),
    row=number(),
)
def pick(canvas: Canvas, scene: Scene) -> str:
    """A thing is picked up from a surface with the fingertips."""
    thing = scene.thing("thing")
    gap = grip_mm(thing) if thing else 16
    tall = max(gap, thing.shape.extents_mm[2] if thing else 10)
    with ground(canvas, scene):
        h = scene.hand
        base = 0.0
        if scene.thing("under") or scene.word("from_") in ("cloth", "mat"):
            canvas.box(-0.2 * h, -3, 1.3 * h, 6, "goal", 3)
            base = -6
        elif scene.word("from_") == "palm":
            with canvas.at(-0.95 * h, -0.14 * h, 1, 0, mirror=True):
                side_hand(canvas, ADULT_MM, "flat", 0, "grown")
            base = -0.3 * h
        if scene.word("from_") == "edge":
            with canvas.beyond():
                canvas.shape([(-1.2 * h, 0), (-0.36 * h, 0), (-0.36 * h, 16), (-1.2 * h, 16)], "goal")
        step = max(0.24 * h, (size_mm(thing)[0] if thing else 16) + 4)
        for i in range(int(min(scene.number("row", 3), (0.42 * h - step / 2) // step + 1))):
            with canvas.at(-0.62 * h - step * i, base - tall / 2):
                side(canvas, thing, scene.form("thing")) if thing else canvas.round(0, 0, 16, "thing")
        x, y = -0.3 * h, base - tall / 2 - 0.02 * h
        tucked(canvas, scene, x, y)
        pose = scene.word("pose", "tucked" if scene.yes("tuck") else "pinch")
        hold(
            canvas,
            scene,
            pose,
            x,
            y,
            turn=46,
            gap=min(thing.shape.extents_mm[1] if thing else gap, h * 0.4),
            held=lambda: held_thing(canvas, thing, scene.form("thing"), x, y),
        )
        canvas.arrow([(x - 0.05 * h, y - 0.5 * h), (x - 0.02 * h, y - 0.74 * h)])
    return f"the fingertips pick up {named(thing, 'a thing')}"


@act(thing=role(), kept=number(), way=one_of("in", "out"))
def palm(canvas: Canvas, scene: Scene) -> str:
    """The open hand from above with things in it: one goes in from the fingertips, or comes out."""
    thing = scene.thing("thing")
    kept = int(scene.number("kept", 1))
    coming = scene.word("way", "in") == "out"
    with canvas.at(WIDE / 2, 178, 132 / scene.hand):
        h = scene.hand
        over(canvas, scene, "cup", 0, -0.36 * h, palm=True)
        wide = min(size_mm(thing)[0] if thing else 16, 0.3 * h)
        for i in range(kept):
            dx, dy = (
                ((i % 3) - (min(kept, 3) - 1) / 2) * min(wide * 0.95, 0.15 * h),
                (i // 3) * min(wide * 0.9, 0.12 * h),
            )
            with canvas.at(dx + 0.02 * h, -0.2 * h - dy):
                _small(canvas, scene, thing, wide)
        with canvas.at(-0.06 * h, -0.82 * h):
            _small(canvas, scene, thing, wide)
        tip, deep = (-0.2 * h, -0.86 * h), (-0.24 * h, -0.3 * h)
        canvas.arrow([deep, (-0.31 * h, -0.58 * h), tip] if coming else [tip, (-0.31 * h, -0.58 * h), deep])
    moved = "comes from the palm to the fingertips" if coming else "goes from the fingertips into the palm"
    return f"{named(thing, 'a thing')} {moved}" + (f", {kept} kept in the palm" if kept else "")


def _small(canvas: Canvas, scene: Scene, thing: Thing | None, wide: float) -> None:
    if thing is None or size_mm(thing)[0] > wide * 1.5:
        canvas.round(0, 0, wide, "thing")
    else:
        above(canvas, thing, scene.form("thing"))


@act(thing=role(), into=role())
def pass_(canvas: Canvas, scene: Scene) -> str:
    """A thing goes from one hand to the other in front of the body."""
    thing, into = scene.thing("thing"), scene.thing("into")
    gap = grip_mm(thing) if thing else 20
    with ground(canvas, scene, scene.hand * 1.5):
        h = scene.hand
        if into:
            with canvas.at(0.72 * h, 0):
                side(canvas, into, scene.form("into"), "goal")
        y = -0.62 * h
        hold(
            canvas,
            scene,
            "pinch",
            -0.06 * h,
            y,
            "helper",
            24,
            gap,
            lambda: held_thing(canvas, thing, scene.form("thing"), -0.02 * h, y),
        )
        hold(canvas, scene, "open", 0.3 * h, y + 0.03 * h, "skill", 16)
        canvas.arrow([(-0.34 * h, y - 0.34 * h), (0, y - 0.44 * h), (0.34 * h, y - 0.34 * h)])
    return f"{named(thing, 'a thing')} goes from one hand to the other"


@act(tube=role(), thing=role(), where=one_of("air", "table", "wall"))
def tube(canvas: Canvas, scene: Scene) -> str:
    """One hand posts into a tube, the other catches below."""
    pipe, thing = scene.thing("tube"), scene.thing("thing")
    wide = (pipe.shape.extents_mm[1] if pipe else 45) * 1.0
    long = min(pipe.shape.extents_mm[0] if pipe else 200, scene.hand * 1.6)
    flat = scene.word("where", "air") == "table"
    with ground(canvas, scene, scene.hand * 1.7, table=scene.word("where") != "wall"):
        h = scene.hand
        turn, mid = (0, -wide / 2) if flat else (24, -0.56 * h)
        if scene.word("where") == "wall":
            with canvas.beyond():
                for i in range(5):
                    canvas.line([(-1.4 * h, -0.1 * h - i * 0.28 * h), (1.4 * h, -0.1 * h - i * 0.28 * h)], 0.6)
        with canvas.at(0, mid, 1, turn):
            canvas.box(0, 0, long, wide, "goal", 3)
            canvas.round(-long / 2, 0, wide * 0.3, "ink", wide)
            if scene.word("where") == "wall":
                for x in (-0.25, 0.25):
                    canvas.box(x * long, 0, 14, wide * 1.25, "paper", 1)
        ahead, down = around(1, turn)
        lx, ly = -(long / 2 + 16) * ahead, mid - (long / 2 + 16) * down
        rx, ry = (long / 2 + 20) * ahead, mid + (long / 2 + 20) * down
        hold(
            canvas, scene, "pinch", lx, ly, "helper", 30, grip_mm(thing) if thing else 16,
            lambda: held_thing(canvas, thing, scene.form("thing"), lx, ly),
        )  # fmt: skip
        hold(canvas, scene, "open", rx, min(ry + 0.1 * h, -8), "skill", -6)
        canvas.arrow([(-long * 0.2, mid - wide), (long * 0.24, mid - wide + (0 if flat else 0.3 * h))])
    return f"{named(thing, 'a thing')} goes through the tube from one hand to the other"
