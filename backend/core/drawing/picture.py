"""One activity at one grade as a picture: the table as it is set out, then what is done, frame by frame."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Protocol

from core.child import Child, Hand, for_family
from core.drawing.acts import ACTS
from core.drawing.canvas import Canvas
from core.drawing.hands import hand_mm
from core.drawing.scene import HIGH, WIDE, Scene
from core.drawing.svg import svg
from core.drawing.table import set_out
from core.drawing.table_layout import Stands, lay_out
from core.library import Activity, find_thing
from core.library.picture import ByStep, Frame, Value
from core.materials import NOT_BESIDE, Thing
from core.offers import Quantity, Variant, checked_variant, tags_of

MOST_BYTES = 15_000  # of one picture
USUAL_AGE = 60.0


class Filled(Protocol):
    """Anything that says what fills the roles of a grade: an offer, a block."""

    @property
    def quantities(self) -> tuple[Quantity, ...]:
        """What fills each role, and how many."""


@dataclass(frozen=True)
class Laid:
    """Things laid out that no cupboard offers so: one swapped for another."""

    quantities: tuple[Quantity, ...]


def draw(
    variant: Variant,
    offer: Filled | None = None,
    child: Child | None = None,
    things: Mapping[str, Thing] = MappingProxyType({}),
    table: bool = True,
) -> str:
    """Return an activity at one grade as SVG, with words that stand for it.

    offer  -- what fills its roles in this home; None draws the act alone
    child  -- whose hands they are: their side, and their size by age
    things -- by stock id, things as this home measured them
    table  -- whether the table as it is set out comes first
    Raises NotThere when activity or grade does not exist.
    """
    frames, said = canvases(variant, offer, child, things, table)
    return svg(_numbered(frames), said, WIDE, HIGH)


def canvases(
    variant: Variant,
    offer: Filled | None = None,
    child: Child | None = None,
    things: Mapping[str, Thing] = MappingProxyType({}),
    table: bool = True,
) -> tuple[list[Canvas], str]:
    """The frames of a picture and the words that stand for it."""
    activity = checked_variant(variant)
    if activity.gone:
        return [], for_family(activity.does, child)
    hand: Hand = child.skill_hand if child else "right"
    quantities = offer.quantities if offer else ()
    at_hand = {q.role: things.get(q.stock_id) or find_thing(q.thing_id) for q in quantities}
    result: list[Canvas] = []
    said: list[str] = []
    stands = lay_out(activity.id, quantities, hand) if quantities and table else ()
    if stands:
        first = Canvas(WIDE, HIGH)
        set_out(first, {r.id: r.form for r in activity.roles}, quantities, stands, at_hand)
        result.append(first)
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
        words = ACTS[frame.act].draw(canvas, scene)
        if result and result[-1].markup() == canvas.markup():
            continue  # this grade has one stage fewer
        result.append(canvas)
        said.append(f"{words[:1].upper()}{words[1:]}.")
    return result, " ".join((for_family(activity.does, child), *said))


def values_at(activity: Activity, frame: Frame, grade: tuple[int, ...]) -> Mapping[str, Value]:
    """What a frame takes at one grade."""
    chosen = {axis.id: at for axis, at in zip(activity.axes, grade, strict=True)}
    return {key: v.of[chosen[v.axis]] if isinstance(v, ByStep) else v for key, v in frame.values.items()}


def _numbered(frames: list[Canvas]) -> list[Canvas]:
    """The same, with their order in the corner where there are several."""
    for i, canvas in enumerate(frames if len(frames) > 1 else ()):
        corner = WIDE - 12 if canvas.flip else 12
        canvas.round(corner, 12, 18, "paper")
        canvas.words(corner, 16, str(i + 1), 11, True)
    return frames


def _where(stands: Iterable[Stands]) -> str:
    def side(s: Stands) -> str:
        return "on the left" if s.across < 0.4 else "on the right" if s.across > 0.6 else "in the middle"

    return ", ".join(f"{s.count} {s.name} {side(s)}" for s in stands if s.zone not in NOT_BESIDE)
