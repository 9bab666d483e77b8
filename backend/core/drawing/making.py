"""A single thing as a picture, and a home recipe drawn step by step: what goes in, what is done, what comes out."""

from types import MappingProxyType

from core.drawing.acts import ACTS
from core.drawing.canvas import Canvas
from core.drawing.hands import ADULT_MM
from core.drawing.scene import HIGH, WIDE, Scene
from core.drawing.svg import svg
from core.drawing.table_layout import NO_TABLE
from core.drawing.things import above, size_mm
from core.library import find_thing
from core.library.picture import Value
from core.materials import Thing
from core.offers import Recipe

SMALL_WIDE, SMALL_HIGH = 76.0, 58.0
MOST_STEPS = 3  # of a recipe drawn; all of them are written beside
# The form a thing is drawn as where it serves as several: the one that looks most like it.
_LOOKS = (
    "clip", "blade", "shoe", "slot_lid", "sorter", "water", "filler", "spoon", "fork",
    "knife", "hammer", "tongs", "squirter", "roll", "mouth", "pen", "cord", "dough",
    "lid_pot", "sock", "button_strip", "book", "punch", "bread", "leaf", "ruler", "post",
    "bag", "cloth", "tray", "mat", "container", "cup", "sheet",
)  # fmt: skip

# What is done in a step, by its first word: the act and what it takes. Common practice.
_DOING: MappingProxyType[str, tuple[str, dict[str, Value]]] = MappingProxyType(
    {
        **dict.fromkeys(("cut", "saw", "snip"), ("cut", {"path": "long", "width": 3})),
        **dict.fromkeys(("sew", "run"), ("sew", {"stitch": "over", "hold": "hand"})),
        **dict.fromkeys(("press", "push", "knead"), ("dough", {"shape": "pat"})),
        **dict.fromkeys(("pull",), ("pull", {"kind": "stud"})),
        **dict.fromkeys(("knot", "tie", "hang"), ("lace", {"stage": "knot"})),
        **dict.fromkeys(("stir", "cook", "mix"), ("stir", {})),
        **dict.fromkeys(("rule", "mark", "colour", "divide", "draw"), ("draw", {"mark": "straight", "width": 8})),
        **dict.fromkeys(("thread",), ("thread", {})),
        **dict.fromkeys(("stuff", "wrap", "roll"), ("sock_roll", {})),
        **dict.fromkeys(("glue", "tape", "stick"), ("glue", {"size": 40, "place": "shape"})),
        **dict.fromkeys(("fold",), ("fold", {"fold": "half", "guide": "none"})),
        **dict.fromkeys(("fill", "sort", "post"), ("put", {})),
    }
)


def draw_thing(thing: Thing) -> str:
    """Return a thing as a small picture, as large as it fits; nothing for a wall or a floor."""
    if thing.forms & NO_TABLE:
        return ""
    canvas = Canvas(SMALL_WIDE, SMALL_HIGH)
    _place(canvas, thing, SMALL_WIDE / 2, SMALL_HIGH / 2, SMALL_WIDE - 12, SMALL_HIGH - 12)
    return svg([canvas], thing.name, SMALL_WIDE, SMALL_HIGH)


def draw_recipe(recipe: Recipe) -> str:
    """Return how a thing is made: its parts and what becomes of them, its first steps, an adult's by adult hands."""
    frames = [_parts(recipe)]
    seen: set[str] = set()
    for steps, grown in ((recipe.adult_steps, True), (recipe.child_steps, False)):
        for step in steps:
            act = _DOING.get(step.split()[0].lower().strip(",."))
            if act and act[0] not in seen and len(frames) <= MOST_STEPS:
                seen.add(act[0])
                canvas = Canvas(WIDE, HIGH)
                ACTS[act[0]].draw(canvas, Scene(frozenset(), {}, {}, {}, act[1], ADULT_MM if grown else 125, grown))
                frames.append(canvas)
    said = f"{recipe.name} made of {', '.join(p.words for p in recipe.parts)}"
    return svg(frames, said, WIDE, HIGH)


def _parts(recipe: Recipe) -> Canvas:
    canvas = Canvas(WIDE, HIGH)
    things = [find_thing(p.any_of[0]) for p in recipe.parts if p.any_of][:3]
    wide = (WIDE - 90) / max(len(things), 1)
    for i, thing in enumerate(things):
        _place(canvas, thing, 8 + wide * (i + 0.5), HIGH / 2, wide - 14, 96)
        if i:
            canvas.words(8 + wide * i, HIGH / 2 + 5, "+", 18, True)
    canvas.arrow([(WIDE - 82, HIGH / 2), (WIDE - 62, HIGH / 2)])
    _place(canvas, find_thing(recipe.thing_id), WIDE - 32, HIGH / 2, 52, 110)
    return canvas


def _place(canvas: Canvas, thing: Thing, x: float, y: float, wide: float, high: float) -> None:
    long, across = size_mm(thing)
    form = next((f for f in _LOOKS if f in thing.forms), "item")
    if form in ("cord", "sheet", "cloth", "mat"):
        long, across = min(long, 300), min(across, 300)
    if form in ("shoe", "book"):
        long, across = (across, long) if form == "shoe" else (long * 2, across)
    with canvas.at(x, y, min(wide / max(long, 1), high / max(across, 1), 2.0)):
        above(canvas, thing, form)
