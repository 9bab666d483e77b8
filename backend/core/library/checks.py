"""What one activity, thing or recipe must be, whoever writes it: a file of the library, or a clinic its own.

Checks values only; where they come from is the caller's business (`files.py` reads the library's own).
The fields are documented, with an example, in docs/library.md.
"""

from collections.abc import Callable, Mapping
from itertools import pairwise
from types import MappingProxyType
from typing import Annotated, Any, Literal, TypeVar, get_args

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, ValidationError, model_validator
from pydantic_core import PydanticCustomError

from core.child import Part
from core.library.activity import Activity, Axis, Clearance, Cue, Step
from core.library.recipe import Part as Ingredient
from core.library.recipe import Recipe
from core.materials import FORMS, Ball, Box, Disc, Need, Ring, Rod, Role, Shape, Texture, Thing
from core.recording import KNOWN, MARKS, SupportLevel
from core.safety import STEP_TAGS
from core.skills import STRANDS

THING_PROPERTIES = frozenset({*Thing.__dataclass_fields__, "size_mm", "longest_mm", "thin_mm"})
HALVINGS = (1, 2, 4, 8, 16)


class LibraryError(ValueError):
    """Values that make no activity, thing or recipe: where (a file or an id), field, value, reason and remedy."""

    def __init__(self, where: str, field: str, value: object, reason: str, remedy: str) -> None:
        super().__init__(f"{where}: {field}: {str(value)[:60]!r}: {reason} {remedy}".strip())
        self.where, self.field, self.value, self.reason, self.remedy = where, field, value, reason, remedy


def _fail(reason: str, remedy: str) -> PydanticCustomError:
    return PydanticCustomError("library", "{reason}|{remedy}", {"reason": reason, "remedy": remedy})


def _one_of(known: Callable[[], Any], what: str) -> AfterValidator:
    def check(value: str) -> str:
        if value not in known():
            raise _fail(f"{what} is unknown.", f"Use one of {', '.join(known())}.")
        return value

    return AfterValidator(check)


Id = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_]*$", max_length=40)]
Words = Annotated[str, Field(min_length=1, max_length=400)]
StrandId = Annotated[str, _one_of(lambda: STRANDS, "This strand")]
FormId = Annotated[str, _one_of(lambda: FORMS, "This form")]
MarkId = Annotated[str, _one_of(lambda: MARKS, "This mark")]
MeasureId = Annotated[str, _one_of(lambda: sorted(KNOWN), "This measure")]
StepTag = Annotated[str, _one_of(lambda: STEP_TAGS, "This hazard tag")]
ThingProperty = Annotated[str, _one_of(lambda: sorted(THING_PROPERTIES), "This property")]
Value = bool | float | str


class _Source(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


S = TypeVar("S", bound=_Source)


class NeedSource(_Source):
    """What is asked of a thing: a property within bounds, one value of it, or one of several."""

    property: ThingProperty
    words: Words
    at_least: float | None = None
    at_most: float | None = None
    equals: Value | None = Field(None, alias="is")
    one_of: tuple[Value, ...] = ()

    @model_validator(mode="after")
    def _asks_something(self) -> "NeedSource":
        bounds = self.at_least is not None or self.at_most is not None
        if bounds + (self.equals is not None) + bool(self.one_of) != 1:
            raise _fail("A need has bounds, or one value, or several.", "Give at_least and at_most, or is, or one_of.")
        return self

    def build(self) -> Need:
        """The need as the core sees it."""
        values = self.one_of if self.equals is None else (self.equals,)
        return Need(self.property, self.words, self.at_least, self.at_most, frozenset(values) if values else None)


class RoleSource(_Source):
    """A part a thing plays: its form, what it needs, and how many."""

    id: Id
    words: Words
    form: FormId
    fixed: int = Field(1, ge=0)
    per_try: float = Field(0.0, ge=0)
    share: float = Field(1.0, gt=0, le=1)
    pieces: int = 1
    needs: tuple[NeedSource, ...] = ()

    @model_validator(mode="after")
    def _cut_by_halving(self) -> "RoleSource":
        if self.pieces not in HALVINGS:
            raise _fail("A sheet is cut into pieces by halving.", "Use 1, 2, 4, 8 or 16 pieces.")
        return self

    def build(self) -> Role:
        """The role as the core sees it."""
        needs = tuple(n.build() for n in self.needs)
        return Role(self.id, self.words, self.form, needs, self.fixed, self.per_try, self.share, self.pieces)


class StepSource(_Source):
    """One choice on an axis. adds: rungs over the axis's first step."""

    words: Words
    adds: float = Field(0.0, ge=0)
    tries: int | None = Field(None, ge=1)
    needs: Mapping[str, tuple[NeedSource, ...]] = Field(default_factory=dict)
    uses: tuple[str, ...] = ()
    tags: tuple[StepTag, ...] = ()

    def build(self) -> Step:
        """The step as the core sees it."""
        needs = MappingProxyType({role: tuple(n.build() for n in asked) for role, asked in self.needs.items()})
        return Step(self.words, self.adds, needs, self.uses, self.tags, self.tries)


class AxisSource(_Source):
    """One way of grading, its steps from easy to hard."""

    id: Id
    words: Words
    steps: tuple[StepSource, ...] = Field(min_length=2)

    @model_validator(mode="after")
    def _gets_harder(self) -> "AxisSource":
        rungs = [s.adds for s in self.steps]
        if rungs[0] != 0:
            raise _fail(f"The first step of axis {self.id} adds {rungs[0]:g} rungs.", "It must add none.")
        if any(later <= earlier for earlier, later in pairwise(rungs)):
            raise _fail(f"The steps of axis {self.id} add {rungs}.", "Each must add more rungs than the one before.")
        return self


class ClearanceSource(_Source):
    """Room between two things: the outer one's gap over the inner one's width, in mm."""

    outer: str
    gap: ThingProperty
    inner: str
    width: ThingProperty
    spare_mm: float = Field(ge=0)
    words: Words


class TriesSource(_Source):
    """Tries in a set: under 4 years, under 7, older."""

    young: int = Field(ge=1)
    middle: int = Field(ge=1)
    older: int = Field(ge=1)

    @model_validator(mode="after")
    def _never_fall(self) -> "TriesSource":
        if not self.young <= self.middle <= self.older:
            raise _fail("Tries fall with age.", "Give an older child as many or more.")
        return self


class ActivitySource(_Source):
    """One activity, as written. Fields beside those of `Activity` are what families read."""

    id: Id
    name: Words
    group: Words
    trains: Mapping[StrandId, float] = Field(min_length=1)
    demands: Mapping[StrandId, float] = Field(default_factory=dict)
    parts: tuple[Part, ...] = Field(min_length=1)
    minutes: tuple[int, int]
    tries: TriesSource
    unit: Words
    themes: tuple[Words, ...] = ()
    tiring: bool = False
    both_hands: bool = False
    tags: tuple[StepTag, ...] = ()
    roles: tuple[RoleSource, ...]
    clearances: tuple[ClearanceSource, ...] = ()
    axes: tuple[AxisSource, ...] = Field(min_length=1)
    setup: Words
    posture: Words = Activity.posture
    setup_minutes: float = Field(1.0, ge=0)
    cues: Mapping[SupportLevel, Words]
    watch: tuple[MarkId, ...]
    measures: tuple[MeasureId, ...] = ()
    tidy: Words
    tidy_minutes: float = Field(0.5, ge=0)
    does: str = ""
    steps: tuple[Words, ...] = Field((), max_length=5)
    counts_when: str = ""
    why: str = ""
    say: str = ""
    stop: str = ""

    @model_validator(mode="after")
    def _holds_together(self) -> "ActivitySource":
        if not 0 < self.minutes[0] <= self.minutes[1]:
            raise _fail(
                "Minutes are the shortest and the longest block.", "Give two numbers over 0, the shorter first."
            )
        if self.cues.keys() < {"spoken", "shown"} or not {"spoken", "shown"} <= self.cues.keys():
            raise _fail("Cues want at least words to say and something to show.", "Add cues.spoken and cues.shown.")
        self._check_strands()
        self._check_roles()
        return self

    def _check_strands(self) -> None:
        for strand, base in (*self.trains.items(), *self.demands.items()):
            if strand in self.trains and strand in self.demands:
                raise _fail(f"{strand} is both trained and demanded.", "Keep it where it is trained.")
            if not 0 <= base <= STRANDS[strand].top + 1:
                raise _fail(f"Rung {base:g} of {strand} is off its ladder.", f"Use 1 to {STRANDS[strand].top}.")

    def _check_roles(self) -> None:
        ids = [r.id for r in self.roles]
        named = [role for a in self.axes for s in a.steps for role in (*s.needs, *s.uses)]
        named += [role for c in self.clearances for role in (c.outer, c.inner)]
        for role in named:
            if role not in ids:
                raise _fail(f"Role {role} is not declared.", "Add it to roles, or name one that is there.")
        if len(set(ids)) != len(ids):
            raise _fail("Two roles have one id.", "Give one of them another.")

    def build(self) -> Activity:
        """The activity as the core sees it."""
        return Activity(
            id=self.id,
            name=self.name,
            group=self.group,
            trains=MappingProxyType(dict(self.trains)),
            demands=MappingProxyType(dict(self.demands)),
            roles=tuple(r.build() for r in self.roles),
            axes=tuple(Axis(a.id, a.words, tuple(s.build() for s in a.steps)) for a in self.axes),
            parts=self.parts,
            minutes=self.minutes,
            counts=(self.tries.young, self.tries.middle, self.tries.older),
            unit=self.unit,
            setup=self.setup,
            cues=tuple(Cue(level, self.cues[level]) for level in get_args(SupportLevel) if level in self.cues),
            watch=self.watch,
            tidy=self.tidy,
            measures=self.measures,
            clearances=tuple(Clearance(c.outer, c.gap, c.inner, c.width, c.spare_mm, c.words) for c in self.clearances),
            setup_minutes=self.setup_minutes,
            tidy_minutes=self.tidy_minutes,
            tiring=self.tiring,
            tags=self.tags,
            themes=self.themes,
            posture=self.posture,
            both_hands=self.both_hands,
            does=self.does,
            steps=self.steps,
            counts_when=self.counts_when,
            why=self.why,
            say=self.say,
            stop=self.stop,
        )


class ShapeSource(_Source):
    """One rigid solid, its sizes in mm."""

    ball: Mapping[Literal["diameter_mm"], float] | None = None
    rod: Mapping[Literal["diameter_mm", "length_mm"], float] | None = None
    disc: Mapping[Literal["diameter_mm", "height_mm"], float] | None = None
    box: Mapping[Literal["length_mm", "width_mm", "height_mm"], float] | None = None
    ring: Mapping[Literal["outer_mm", "inner_mm", "thickness_mm"], float] | None = None

    @model_validator(mode="after")
    def _is_one_solid(self) -> "ShapeSource":
        try:
            self.build()
        except (TypeError, ValueError) as error:
            raise _fail(str(error), "Give one of ball, rod, disc, box or ring with all its sizes in mm.") from error
        return self

    def build(self) -> Shape:
        """The solid as the core sees it. Raises TypeError or ValueError where the sizes make none."""
        solids: dict[str, type[Shape]] = {"ball": Ball, "rod": Rod, "disc": Disc, "box": Box, "ring": Ring}
        given = [(solids[name], getattr(self, name)) for name in solids if getattr(self, name) is not None]
        if len(given) != 1:
            raise ValueError("a thing has one shape")
        solid, sizes = given[0]
        return solid(**sizes)


class ThingSource(_Source):
    """One household thing, as written. Sizes in mm, forces in N, sheet weight in g/m²."""

    id: Id
    name: Words
    one: Words
    many: Words
    forms: tuple[FormId, ...] = Field(min_length=1)
    shape: ShapeSource
    usual_count: int = Field(1, ge=1)
    soft: bool = False
    hole_mm: float | None = Field(None, gt=0)
    slit_mm: float | None = Field(None, gt=0)
    cord_mm: float | None = Field(None, gt=0)
    cord_width_mm: float | None = Field(None, gt=0)
    stiffness: Literal["rigid", "stiff", "floppy"] | None = None
    tip: Literal["rigid", "taped", "plain"] | None = None
    force_newton: float | None = Field(None, gt=0)
    friction: Literal["glass", "wood", "medium", "cloth", "tissue"] = "medium"
    firm: bool = True
    sheet_gsm: float | None = Field(None, gt=0)
    opening_mm: float | None = Field(None, gt=0)
    lidded: bool = False
    heavy_base: bool = False
    food: bool = False
    round_hard_food: bool = False
    raw: bool = False
    allergens: tuple[str, ...] = ()
    latex: bool = False
    sharp: bool = False
    wet: bool = False
    single_use: bool = False
    balloon: bool = False
    strong_magnet: bool = False
    button_cell: bool = False
    swells_in_water: bool = False
    shared_risk: bool = False
    texture: Texture | None = None
    handed: Literal["right", "left"] | None = None
    instead: str = ""

    def build(self) -> Thing:
        """The thing as the core sees it."""
        same = {name: getattr(self, name) for name in type(self).model_fields if name not in _THING_BUILT}
        return Thing(
            shape=self.shape.build(),
            forms=frozenset(self.forms),
            allergens=frozenset(self.allergens),
            typical_count=self.usual_count,
            **same,
        )


_THING_BUILT = ("shape", "forms", "allergens", "usual_count")


class IngredientSource(_Source):
    """One ingredient: any of these things, or a plain supply."""

    words: Words
    count: int = Field(1, ge=1)
    any_of: tuple[Id, ...] = ()


class MadeSource(_Source):
    """What a recipe makes, and how many."""

    thing: Id
    count: int = Field(1, ge=1)


class RecipeSource(_Source):
    """How one thing is made at home, as written."""

    makes: MadeSource
    minutes: int = Field(ge=1)
    parts: tuple[IngredientSource, ...] = Field(min_length=1)
    tools: tuple[Words, ...] = ()
    adult_steps: tuple[Words, ...] = ()
    child_steps: tuple[Words, ...] = ()
    tags: tuple[StepTag, ...] = ()

    def build(self, things: Mapping[str, Thing]) -> Recipe:
        """The recipe as the core sees it. Raises LibraryError where it names a thing that is not there."""
        for thing_id in (self.makes.thing, *(t for p in self.parts for t in p.any_of)):
            if thing_id not in things:
                raise LibraryError(
                    self.makes.thing, "parts", thing_id, "There is no such thing.", "Add it to things, or name another."
                )
        return Recipe(
            thing_id=self.makes.thing,
            name=things[self.makes.thing].name,
            parts=tuple(Ingredient(p.words, p.count, p.any_of) for p in self.parts),
            tools=self.tools,
            adult_steps=self.adult_steps,
            child_steps=self.child_steps,
            minutes=self.minutes,
            makes=self.makes.count,
            tags=self.tags,
        )


def check(values: Mapping[str, Any], where: str = "") -> Activity | Thing:
    """Return the activity or the thing that plain values describe: an activity trains something, a thing has a shape.

    where -- what to call the values in an error: a file, or nothing for their id
    Raises LibraryError with field, value, reason and remedy at the first thing that is wrong.
    """
    named = where or str(values.get("id", "values"))
    if "trains" in values or "axes" in values:
        return read(ActivitySource, values, named).build()
    return read(ThingSource, values, named).build()


def read(source: type[S], values: object, where: str) -> S:
    """Return plain values as a checked source. Raises LibraryError."""
    try:
        return source.model_validate(values)
    except ValidationError as error:
        first = error.errors()[0]
        field = ".".join(str(part) for part in first["loc"]) or "the whole"
        if first["type"] == "library":
            reason, _, remedy = first["msg"].partition("|")
        else:
            reason, remedy = f"{first['msg']}.", "See docs/library.md for the fields."
        raise LibraryError(where, field, first["input"], reason, remedy) from error
