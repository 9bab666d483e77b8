"""One activity at one grade as a picture: the table as it is set out, then what is done, frame by frame."""

from collections.abc import Iterable, Mapping
from html import escape
from types import MappingProxyType

from core.child import Child, Hand, for_family
from core.drawing.acts import ACTS
from core.drawing.canvas import Box, Canvas
from core.drawing.hands import hand_mm
from core.drawing.scene import HIGH, WIDE, Scene
from core.drawing.table_layout import Stands, lay_out
from core.drawing.things import above, size_mm
from core.library import THINGS, Activity
from core.library.picture import ByStep, Frame, Value
from core.materials import Thing
from core.offers import Offer, Quantity, Variant, checked_variant, tags_of

GAP = 8
TABLE_WIDE_MM, TABLE_HIGH_MM = 640.0, 470.0
MOST_DRAWN = 20  # of one thing on the table; more of it is said in its label
USUAL_AGE = 60.0


def draw(
    variant: Variant,
    offer: Offer | None = None,
    child: Child | None = None,
    things: Mapping[str, Thing] = MappingProxyType({}),
) -> str:
    """Return an activity at one grade as SVG, with words that stand for it.

    offer  -- what fills its roles in this home; None draws the act alone
    child  -- whose hands they are: their side, and their size by age
    things -- by stock id, things as this home measured them
    Raises NotThere when activity or grade does not exist.
    """
    frames, said = canvases(variant, offer, child, things)
    return _svg(frames, said)


def canvases(
    variant: Variant,
    offer: Offer | None = None,
    child: Child | None = None,
    things: Mapping[str, Thing] = MappingProxyType({}),
) -> tuple[list[Canvas], str]:
    """The frames of a picture and the words that stand for it."""
    activity = checked_variant(variant)
    hand: Hand = child.skill_hand if child else "right"
    quantities = offer.quantities if offer else ()
    at_hand = {q.role: things.get(q.stock_id, THINGS[q.thing_id]) for q in quantities}
    result: list[Canvas] = []
    said: list[str] = []
    stands = lay_out(activity.id, quantities, hand) if quantities else ()
    if stands:
        table = Canvas(WIDE, HIGH)
        _set_out(table, activity, quantities, stands, at_hand)
        result.append(table)
        said.append(f"On the table: {_where(stands)}.")
    other = "other_hand" in tags_of(activity, variant.grade)
    for frame in activity.picture:
        canvas = Canvas(WIDE, HIGH, flip=(hand == "left") != other)
        scene = Scene(
            frozenset(r.id for r in activity.roles),
            at_hand,
            {r.id: r.form for r in activity.roles},
            {q.role: q.wanted for q in quantities},
            values_at(activity, frame, variant.grade),
            hand_mm(child.age_months if child else USUAL_AGE),
        )
        words = ACTS[frame.act](canvas, scene)
        result.append(canvas)
        said.append(f"{words[:1].upper()}{words[1:]}.")
    return result, " ".join((for_family(activity.does, child), *said))


def values_at(activity: Activity, frame: Frame, grade: tuple[int, ...]) -> Mapping[str, Value]:
    """What a frame takes at one grade."""
    chosen = {axis.id: at for axis, at in zip(activity.axes, grade, strict=True)}
    return {key: v.of[chosen[v.axis]] if isinstance(v, ByStep) else v for key, v in frame.values.items()}


def _svg(frames: list[Canvas], said: str) -> str:
    wide = len(frames) * (WIDE + GAP) - GAP
    parts = []
    for i, canvas in enumerate(frames):
        if len(frames) > 1:
            canvas.words(12, 15, str(i + 1) if not canvas.flip else str(i + 1), 12, True)
        parts.append(
            f'<svg x="{i * (WIDE + GAP):g}" y="0" width="{WIDE:g}" height="{HIGH:g}" viewBox="0 0 {WIDE:g} {HIGH:g}">'
            f'<rect class="pk-frame" width="{WIDE:g}" height="{HIGH:g}" rx="8" fill="#fffdf8"/>{canvas.markup()}</svg>'
        )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" class="picture" role="img" aria-label="{escape(said)}" '
        f'viewBox="0 0 {wide:g} {HIGH:g}" width="{wide:g}" height="{HIGH:g}">{"".join(parts)}</svg>'
    )


def _where(stands: Iterable[Stands]) -> str:
    sides = [
        f"{s.count} {s.name} {'on the left' if s.across < 0.4 else 'on the right' if s.across > 0.6 else 'in the middle'}"
        for s in stands
        if s.zone != "under"
    ]
    return ", ".join(sides)


def _set_out(
    canvas: Canvas,
    activity: Activity,
    quantities: Iterable[Quantity],
    stands: tuple[Stands, ...],
    at_hand: Mapping[str, Thing],
) -> None:
    """The table from above as the child sits at it, everything in its place and in proportion, with its name."""
    forms = {r.id: r.form for r in activity.roles}
    unit = min(WIDE / TABLE_WIDE_MM, HIGH / TABLE_HIGH_MM)
    canvas.box(WIDE / 2, HIGH / 2 - 6, WIDE - 16, HIGH - 30, "none", 10)
    canvas.shape([(WIDE / 2 - 26, HIGH + 1), (WIDE / 2 - 22, HIGH - 11), (WIDE / 2, HIGH - 15), (WIDE / 2 + 22, HIGH - 11), (WIDE / 2 + 26, HIGH + 1)], "skin", smooth=True)  # fmt: skip
    labels: list[Box] = []
    pairs = list(zip(quantities, stands, strict=True))
    for q, s in sorted(pairs, key=lambda p: (p[1].zone != "under", -p[1].away)):
        thing = at_hand[q.role]
        x, y = 26 + (WIDE - 52) * s.across, (HIGH - 34) - (HIGH - 62) * s.away
        wide, high = (v * unit for v in size_mm(thing))
        shrink = min(1.0, (WIDE * 0.42) / max(wide, 1), (HIGH * 0.5) / max(high, 1))
        rows = _spread(canvas, thing, forms[q.role], s, x, y, unit * shrink)
        if s.zone != "under":
            _label(canvas, labels, x, y + rows / 2 + 11, f"{q.wanted} {q.named}" if q.wanted > 1 else q.named)


def _spread(canvas: Canvas, thing: Thing, form: str, s: Stands, x: float, y: float, unit: float) -> float:
    """Draw as many of a thing as are wanted, in rows about (x, y); return how high they stand."""
    wide, high = (max(v * unit, 3.0) for v in size_mm(thing))
    many = min(s.count, MOST_DRAWN)
    along = max(1, min(many, int(70 / (wide + 3)))) if many > 1 else 1
    rows = -(-many // along)
    while rows * (high + 3) > 84 and many > 1:
        many -= along
        rows -= 1
    many = max(many, 1)
    high_all = rows * (high + 3)
    for i in range(many):
        left = min(many - (i // along) * along, along)
        px = x + (i % along - (left - 1) / 2) * (wide + 3)
        py = y + (i // along - (rows - 1) / 2) * (high + 3)
        px = min(max(px, 12 + wide / 2), WIDE - 12 - wide / 2)
        py = min(max(py, 13 + high / 2), HIGH - 22 - high / 2)
        with canvas.at(px, py, unit):
            above(canvas, thing, form, "goal" if s.zone == "goal" else "thing")
    return high_all


def _label(canvas: Canvas, taken: list[Box], x: float, y: float, said: str, size: float = 9.5) -> None:
    """A label where none is yet: below, else the next free line down or up."""
    half = len(said) * size * 0.28 + 2
    x = min(max(x, half + 10), WIDE - half - 10)
    for step in (0, 11, -11, 22, -22, 33, -33, 44, -44, 55, -55, 66):
        at = min(max(y + step, 22), HIGH - 22)
        box = (x - half, at - size * 0.8, x + half, at + size * 0.25)
        if not any(box[0] < t[2] and t[0] < box[2] and box[1] < t[3] and t[1] < box[3] for t in taken):
            break
    taken.append(box)
    canvas.words(x, at, said, size)
