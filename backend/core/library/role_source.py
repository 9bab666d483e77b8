"""What an activity asks of things, as written: the roles they play, what they need to be, how they fit each other."""

from pydantic import Field, model_validator

from core.library.activity import Fit, FitKind
from core.library.source import HALVINGS, FormId, Id, Source, StrandId, ThingProperty, Value, Words, fail
from core.materials import Need, Place, Role


class NeedSource(Source):
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
            raise fail("A need has bounds, or one value, or several.", "Give at_least and at_most, or is, or one_of.")
        return self

    def build(self) -> Need:
        """The need as the core sees it."""
        values = self.one_of if self.equals is None else (self.equals,)
        return Need(self.property, self.words, self.at_least, self.at_most, frozenset(values) if values else None)


class RoleSource(Source):
    """A part a thing plays: its form, what it needs, and how many."""

    id: Id
    words: Words
    form: FormId
    fixed: int = Field(1, ge=0, le=200)
    per_try: float = Field(0.0, ge=0, le=20)
    share: float = Field(1.0, gt=0, le=1)
    pieces: int = 1
    needs: tuple[NeedSource, ...] = ()
    optional: bool = False
    works: StrandId | None = None
    sharp: bool = False
    place: Place | None = None

    @model_validator(mode="after")
    def _cut_by_halving(self) -> "RoleSource":
        if self.pieces not in HALVINGS:
            raise fail("A sheet is cut into pieces by halving.", "Use 1, 2, 4, 8 or 16 pieces.")
        return self

    def build(self) -> Role:
        """The role as the core sees it."""
        needs = tuple(n.build() for n in self.needs)
        return Role(
            self.id,
            self.words,
            self.form,
            needs,
            self.fixed,
            self.per_try,
            self.share,
            self.pieces,
            self.optional,
            self.works or "",
            self.sharp,
            self.place,
        )


class FitSource(Source):
    """How the things in two roles must fit each other; gap and width for kind clears alone."""

    kind: FitKind
    outer: str
    inner: str
    spare_mm: float = Field(ge=0)
    words: Words
    gap: ThingProperty | None = None
    width: ThingProperty | None = None

    @model_validator(mode="after")
    def _says_gap_and_width(self) -> "FitSource":
        if (self.kind == "clears") != (self.gap is not None and self.width is not None):
            raise fail("Gap and width go with kind clears.", "Give both with clears, and neither with another kind.")
        return self

    def build(self) -> Fit:
        """The fit as the core sees it."""
        return Fit(self.kind, self.outer, self.inner, self.spare_mm, self.words, self.gap or "", self.width or "")
