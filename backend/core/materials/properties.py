"""Household things by what can be measured of them, and whether they can fill a role.

The property, not the name, decides what a thing can stand in for.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, fields, replace
from math import ceil
from types import MappingProxyType
from typing import Literal

from core.materials.forms import FORMS, Place
from core.materials.keeping import Kept
from core.materials.shapes import Shape

MEASURES = MappingProxyType(
    {
        "hole_mm": "mm",
        "slit_mm": "mm",
        "cord_mm": "mm",
        "cord_width_mm": "mm",
        "force_newton": "N",
        "sheet_gsm": "g/m²",
        "opening_mm": "mm",
        "size_mm": "mm",
    }
)

Texture = Literal["sticky", "wet", "gritty", "slimy", "fluffy", "scratchy", "dusty", "foamy", "noisy", "smelly"]
PLAUSIBLE_TIMES = 4  # how many times larger or smaller than the usual one a thing may measure; project definition


@dataclass(frozen=True)
class LoosePart:
    """A part that comes off a thing or hangs on it: a cap, a nut, a button. Judged as a piece of its own."""

    words: str
    shape: Shape


@dataclass(frozen=True)
class Thing:
    """A household thing. Sizes in mm, forces in N, sheet weight in g/m²; None where it does not apply.

    Figures are typical ones, from memory; a home's own measurement replaces them.

    cord_mm    -- how long it is as a cord, whatever it is part of: a lace in a shoe, a belt, a strap
    loop_mm    -- round a closed loop in it, where there is one
    cups       -- of a tray with cups, how many it has: opening_mm is then that of one cup
    pointed    -- a point that pokes; sharp: an edge or a point that cuts or pricks
    grain_mm   -- the longest side of one grain of a loose filler
    depth_mm   -- how deep it stands with water
    loose_part -- what comes off it
    friable    -- crumbles when bitten
    film       -- thin plastic film
    glass      -- can break into splinters
    kept       -- where a home keeps it; common: most homes have it, from memory
    food       -- is eaten; made_of_food: is food used as a material, eaten or not
    dissolves  -- food that goes soft in the mouth at once
    harsh      -- dries or irritates the skin: salt, soda, sand, glue, paint
    hazards    -- what its own words say it is that no figure does: tags of `safety.named_hazards`
    allergens  -- what it holds; allergens_perhaps: what some makes of it hold, the label says
    worn       -- shoes and clothes of the child's own, worn all day
    latex      -- holds natural rubber; latex_perhaps: often does, the label says
    """

    id: str
    name: str
    one: str
    many: str
    forms: frozenset[str]
    shape: Shape
    kept: Kept = "craft"
    common: bool = False
    soft: bool = False
    hole_mm: float | None = None
    slit_mm: float | None = None
    cord_mm: float | None = None
    cord_width_mm: float | None = None
    stiffness: str | None = None
    tip: str | None = None
    force_newton: float | None = None
    friction: str = "medium"
    firm: bool = True
    sheet_gsm: float | None = None
    opening_mm: float | None = None
    cups: int | None = None
    edge_mm: float | None = None
    lidded: bool = False
    heavy_base: bool = False
    loop_mm: float | None = None
    grain_mm: float | None = None
    depth_mm: float | None = None
    loose_part: LoosePart | None = None
    food: bool = False
    made_of_food: bool = False
    dissolves: bool = False
    round_hard_food: bool = False
    raw: bool = False
    allergens: frozenset[str] = frozenset()
    allergens_perhaps: frozenset[str] = frozenset()
    latex: bool = False
    latex_perhaps: bool = False
    sharp: bool = False
    pointed: bool = False
    friable: bool = False
    floats: bool = False
    film: bool = False
    glass: bool = False
    harsh: bool = False
    wet: bool = False
    single_use: bool = False
    balloon: bool = False
    strong_magnet: bool = False
    button_cell: bool = False
    swells_in_water: bool = False
    hazards: frozenset[str] = frozenset()
    shared_risk: bool = False
    worn: bool = False
    typical_count: int = 1
    textures: frozenset[Texture] = frozenset()
    handed: str | None = None
    instead: str = ""

    @property
    def label_questions(self) -> frozenset[str]:
        """The allergens that some makes of it hold and others do not."""
        return self.allergens_perhaps | ({"latex"} if self.latex_perhaps else set())

    @property
    def measure_words(self) -> str:
        """What is measured of it, short, each number with its unit."""
        sides = [s for s in self.shape.extents_mm if s >= 0.5]
        ball = len(set(self.shape.extents_mm)) == 1
        size = f"{_short(sides[0])} mm across" if ball else f"{' × '.join(_short(s) for s in sides)} mm"
        more = (
            f"hole {_short(self.hole_mm)} mm" if self.hole_mm else "",
            f"opening {_short(self.opening_mm)} mm" if self.opening_mm else "",
            f"{_short(self.force_newton)} N to work" if self.force_newton else "",
            f"{_short(self.sheet_gsm)} g/m²" if self.sheet_gsm else "",
        )
        return ", ".join((size, *(m for m in more if m)))

    def named(self, count: int) -> str:
        """The name for so many of it, in lower case: 'pencil' for one, 'pencils' for three."""
        return self.one if count == 1 else self.many

    @property
    def size_mm(self) -> float:
        """The middle side: what the fingers close on."""
        return self.shape.extents_mm[1]

    @property
    def longest_mm(self) -> float:
        """The longest side of the box around it."""
        return self.shape.extents_mm[0]

    @property
    def smaller_sides_mm(self) -> tuple[float, float]:
        """The two sides that have to pass an opening, the wider first."""
        return self.shape.extents_mm[1], self.shape.extents_mm[2]

    @property
    def cord_like(self) -> bool:
        """Whether it bends round a neck: a cord, in whatever it is part of."""
        return self.cord_mm is not None and self.stiffness != "rigid"

    @property
    def rolls(self) -> bool:
        """Whether it rolls like a ball."""
        return "ball" in self.forms

    @property
    def feels(self) -> frozenset[Texture]:
        """Every texture it has: what is wet feels wet."""
        return self.textures | {"wet"} if self.wet else self.textures

    @property
    def thin_mm(self) -> float:
        """The shortest side of the box around it."""
        return self.shape.extents_mm[2]


def _short(value: float) -> str:
    return f"{value:.1f}" if value < 10 and value % 1 else f"{value:.0f}"


class MeasureError(ValueError):
    """A measured value that can't be right. `field` names it; the text says what, why and what to do."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


@dataclass(frozen=True)
class Stock:
    """One line of a cupboard: a thing as it usually is, how many, and what was measured and read in this home.

    labels -- whether it holds what some makes of it hold, by allergen, where its label was read here
    """

    usual: Thing
    count: int
    id: str = ""
    measured: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))
    labels: Mapping[str, bool] = field(default_factory=lambda: MappingProxyType({}))

    @property
    def thing(self) -> Thing:
        """The thing with this home's own measurements and labels in place of the typical ones."""
        thing = measured_thing(self.usual, self.measured) if self.measured else self.usual
        return labelled_thing(thing, self.labels) if self.labels else thing

    @property
    def as_usual(self) -> bool:
        """Whether nothing was measured or read of it here."""
        return not self.measured and not self.labels


def labelled_thing(thing: Thing, labels: Mapping[str, bool]) -> Thing:
    """Return the thing as its label says: with an allergen that some makes of it hold, or without.

    Raises MeasureError for an allergen that isn't a question of the make.
    """
    for allergen in labels:
        if allergen not in thing.label_questions:
            raise MeasureError("labels", f"Whether {thing.name.lower()} hold {allergen} is not for a label to say.")
    holds = {a for a, held in labels.items() if held}
    return replace(
        thing,
        allergens=thing.allergens | holds - {"latex"},
        allergens_perhaps=thing.allergens_perhaps - labels.keys(),
        latex=thing.latex or "latex" in holds,
        latex_perhaps=thing.latex_perhaps and "latex" not in labels,
    )


def measured_thing(thing: Thing, measured: Mapping[str, float]) -> Thing:
    """Return the thing with some properties measured. Raises MeasureError on an impossible value."""
    changes: dict[str, object] = {}
    for name, value in measured.items():
        if name not in MEASURES:
            raise MeasureError(name, f"{name} is not something measured here. Use one of {', '.join(MEASURES)}.")
        if not 0 < value < 10_000:
            raise MeasureError(
                name, f"{value:g} {MEASURES[name]} is not possible. Measure again: more than 0, below 10,000."
            )
        if name == "size_mm" and not 1 / PLAUSIBLE_TIMES <= value / thing.size_mm <= PLAUSIBLE_TIMES:
            raise MeasureError(
                name,
                f"{value:g} mm is far from the {thing.size_mm:g} mm of a usual one. Measure across its middle "
                "side again.",
            )
        usual = None if name == "size_mm" else getattr(thing, name)
        if usual and not 1 / PLAUSIBLE_TIMES <= value / usual <= PLAUSIBLE_TIMES:
            raise MeasureError(
                name,
                f"{value:g} {MEASURES[name]} is far from the {usual:g} {MEASURES[name]} of a usual one. Measure again, "
                "or choose another thing from the list.",
            )
        if name != "size_mm":
            changes[name] = float(value)
    shape = _resized(thing, measured["size_mm"]) if "size_mm" in measured else thing.shape
    result = replace(thing, shape=shape, **changes)  # type: ignore[arg-type]  # names checked above
    _check_hole(result)
    return result


def _resized(thing: Thing, size_mm: float) -> Shape:
    """Scale the whole shape so that its middle side measures size_mm."""
    factor = size_mm / thing.size_mm
    sides = {f.name: getattr(thing.shape, f.name) * factor for f in fields(thing.shape)}
    return type(thing.shape)(**sides)


def _check_hole(thing: Thing) -> None:
    if thing.hole_mm is not None and "bead" in thing.forms and thing.hole_mm >= thing.size_mm:
        raise MeasureError(
            "hole_mm",
            f"a hole of {thing.hole_mm:g} mm does not fit in a thing {thing.size_mm:g} mm across. "
            "Measure the hole and the thing again.",
        )


@dataclass(frozen=True, eq=False)
class Need:
    """One thing a role asks of whatever fills it. Declared once, equal only to itself."""

    prop: str
    words: str
    low: float | None = None
    high: float | None = None
    among: frozenset[object] | None = None

    def met_by(self, thing: Thing) -> bool:
        """Whether the material has the property, within the bounds (inclusive)."""
        value = getattr(thing, self.prop)
        if self.among is not None:
            return value in self.among
        if value is None:
            return False
        return (self.low is None or value >= self.low) and (self.high is None or value <= self.high)


def at_least(prop: str, value: float, words: str) -> Need:
    """A need for a property of at least a value."""
    return Need(prop, words, low=value)


def at_most(prop: str, value: float, words: str) -> Need:
    """A need for a property of at most a value."""
    return Need(prop, words, high=value)


def between(prop: str, low: float, high: float, words: str) -> Need:
    """A need for a property within bounds."""
    return Need(prop, words, low=low, high=high)


def among(prop: str, words: str, *values: object) -> Need:
    """A need for a property that is one of some values."""
    return Need(prop, words, among=frozenset(values))


@dataclass(frozen=True, eq=False)
class Role:
    """A part a thing plays in an activity: its form, what it needs, and how many. Declared once, equal only to itself.

    fixed         -- how many whatever the count
    per_try     -- how many for each counted try
    optional    -- used and judged where there is one; nothing is lacking where there is none
    works       -- the strength strand whose rung is the force it takes to work this thing
    sharp       -- whether a sharp thing may play it
    share         -- the smallest part of the full number that still works, in rounds (0 to 1)
    pieces        -- how many pieces each thing is cut into by halving: 1, 2, 4 or 8
    at_once       -- how many a grade has in use at the same time, however few tries a set has: four kept in the palm
    place         -- where it goes on the table; None: where things of its form usually go
    """

    id: str
    words: str
    form: str
    needs: tuple[Need, ...] = ()
    fixed: int = 1
    per_try: float = 0.0
    share: float = 1.0
    pieces: int = 1
    optional: bool = False
    works: str = ""
    sharp: bool = False
    place: Place | None = None
    at_once: int = 0

    @property
    def stands(self) -> Place:
        """Where it stands on the table."""
        return self.place or FORMS[self.form].place

    def quantity(self, count: int) -> int:
        """How many things a set of `count` tries wants."""
        return max(self.fixed + ceil(self.per_try * count - 1e-9), self.at_once)

    def least(self, count: int) -> int:
        """How many are enough when the set is done in rounds with the same things."""
        return max(1, self.at_once, ceil(self.quantity(count) * self.share - 1e-9))

    def filled_by(self, thing: Thing, extra: tuple[Need, ...] = ()) -> bool:
        """Whether the material can play this role at a grade that asks `extra` of it."""
        if thing.sharp and not self.sharp:
            return False
        return self.form in thing.forms and all(n.met_by(thing) for n in (*self.needs, *extra))

    def asks(self, extra: tuple[Need, ...] = ()) -> str:
        """The role in words: 'line: thinner than the hole, stiff'."""
        needs = ", ".join(n.words for n in (*self.needs, *extra))
        return f"{self.words} ({needs})" if needs else self.words
