"""What the API of cupboards takes and gives."""

from pydantic import Field

from clinic.base_schema import Schema
from core.materials import Kept
from core.safety import Status
from shelf.preview import JudgedHit


class HitOut(JudgedHit):
    """One hazard rule that speaks about a line, and whether it may be overridden for this child."""

    overridable: bool


class VerdictOut(Schema):
    """allowed, caution or barred, and the rules that say so."""

    status: Status
    hits: list[HitOut]


class ThingOut(Schema):
    """A household thing. Sizes in mm, forces in N, sheet weight in g/m²."""

    id: str
    name: str
    forms: list[str]
    sides_mm: list[float]
    shape: str
    hole_mm: float | None
    slit_mm: float | None
    cord_mm: float | None
    force_newton: float | None
    sheet_gsm: float | None
    opening_mm: float | None
    soft: bool
    typical_count: int
    measure_words: str


class LabelOut(Schema):
    """What the label of a thing says of an allergen some makes of it hold: holds it or not; None: not read yet."""

    allergen: str
    words: str
    holds: bool | None


class LabelIn(Schema):
    """What a label says of an allergen; None takes the answer back."""

    allergen: str = Field(max_length=20)
    holds: bool | None


class ItemOut(Schema):
    """One line of a cupboard, measured values and picture in place, with its verdict for the child asked about.

    labels -- what its label is to say of what this child is allergic to, and what was read of anything else
    """

    id: int
    thing: ThingOut
    count: int
    measured: dict[str, float]
    labels: list[LabelOut]
    version: int
    verdict: VerdictOut | None
    picture: str


class CupboardOut(Schema):
    """A cupboard."""

    home_id: int
    home_name: str
    kind: str
    items: list[ItemOut]


class NewItem(Schema):
    """A thing to put in."""

    thing_id: str
    count: int
    measured: dict[str, float] = {}


class ItemEdit(Schema):
    """A changed line and the version it was changed from."""

    count: int
    measured: dict[str, float] = {}
    version: int


class ShelfThing(Schema):
    """A thing to say yes to: the usual count is what a yes begins with; common: most homes have it."""

    id: str
    name: str
    usual_count: int
    common: bool
    picture: str


class Shelf(Schema):
    """What a home keeps in one place."""

    id: Kept
    name: str
    things: list[ShelfThing]


class Counts(Schema):
    """How many of each thing, by the thing's id."""

    counts: dict[str, int] = Field(max_length=1000)


class ListIn(Schema):
    """A list as text, one line a thing: name, count."""

    text: str
