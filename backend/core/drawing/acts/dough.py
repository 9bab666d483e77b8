"""Dough: rolled, patted, dug in."""

from core.drawing.acts.reach import held_thing, named
from core.drawing.acts.register import act, number, one_of, role
from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, desk, ground, hold, over


@act(shape=one_of("rope", "palms", "pads", "one", "kept", "pat", "even"), size=number())
def dough(canvas: Canvas, scene: Scene) -> str:
    """Dough under flat hands: shape pat, rope, even, balls or tips; or a ball rolled between."""
    shape = scene.word("shape", "rope")
    with desk(canvas, scene):
        h = scene.hand
        if shape in ("palms", "pads", "one", "kept"):
            size = (
                {"palms": 0.24, "pads": 0.15, "one": 0.1, "kept": 0.1}[shape] * h
                if not scene.number("size")
                else scene.number("size")
            )
            if shape == "palms":
                over(canvas, scene, "flat", -0.1 * h, -0.1 * h, "helper", turn=60, palm=True)
                canvas.round(-0.02 * h, -0.14 * h, size, "dough")
                over(canvas, scene, "flat", 0.34 * h, -0.06 * h, turn=52)
                canvas.turn(0, -0.14 * h, 0.44 * h, 210, 330)
                return "a ball of dough is rolled between two palms"
            canvas.round(0, -0.2 * h, size, "dough")
            over(canvas, scene, "pinch", 0.03 * h, -0.14 * h, turn=24, at="tips")
            if shape == "pads":
                over(canvas, scene, "pinch", -0.05 * h, -0.14 * h, "helper", turn=24, at="tips")
            if shape == "kept":
                canvas.round(0.32 * h, 0.2 * h, size, "dough")
            canvas.turn(0, -0.2 * h, size * 0.5 + 0.16 * h, 200, 340)
            return "a ball of dough is rolled between the fingertips"
        if shape == "pat":
            canvas.round(0, -0.2 * h, 1.0 * h, "dough", 0.62 * h)
        elif shape == "balls":
            for i in range(3):
                canvas.round((i - 1) * 0.36 * h, -0.36 * h, 0.16 * h, "dough")
        else:
            bump = 0.02 * h if shape == "rope" else 0
            top = [(-0.85 * h + i * 0.17 * h, -0.36 * h - 0.05 * h + bump * (-1) ** i) for i in range(11)]
            canvas.shape([*top, *[(x, y + 0.1 * h) for x, y in reversed(top)]], "dough", smooth=True)
        over(canvas, scene, "flat", -0.3 * h, -0.16 * h, "helper", turn=4)
        over(canvas, scene, "flat", 0.3 * h, -0.16 * h, turn=4)
        canvas.arrow(
            [(0, -0.02 * h), (0, -0.66 * h)] if shape != "pat" else [(0, -0.76 * h), (0, -0.5 * h)], both=shape != "pat"
        )
    return {"pat": "two flat hands pat dough flat", "balls": "small balls are rolled"}.get(
        shape, "two flat hands roll a dough rope"
    )


@act(thing=role(), hide=one_of("half", "thin", "deep"))
def dig(canvas: Canvas, scene: Scene) -> str:
    """A thing is pinched out of dough."""
    thing = scene.thing("thing")
    sunk = {"half": 0.0, "thin": 0.45, "deep": 1.0}[scene.word("hide", "half")]
    with ground(canvas, scene):
        h = scene.hand
        x = -0.32 * h
        size = thing.shape.extents_mm[1] if thing else 20
        with canvas.at(x, -0.34 * h + sunk * size):
            held_thing(canvas, thing, scene.form("thing"), 0, 0, True)
        canvas.shape(
            [
                (x - 0.5 * h, 0),
                (x - 0.5 * h, -0.2 * h),
                (x - 0.2 * h, -0.36 * h),
                (x + 0.2 * h, -0.34 * h),
                (x + 0.5 * h, -0.2 * h),
                (x + 0.5 * h, 0),
            ],
            "dough",
        )
        if sunk:
            canvas.round(x, -0.3 * h + sunk * size * 0.4, size, "none", size * 0.8)
        hold(canvas, scene, "pinch", x, -0.4 * h + sunk * 6, turn=48, gap=min(size, 0.3 * h))
        canvas.arrow([(x - 0.32 * h, -0.4 * h), (x - 0.32 * h, -0.72 * h)])
    return f"the fingertips pull {named(thing, 'a thing')} out of dough"
