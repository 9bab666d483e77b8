"""One household thing, or how one is made at home, as a file or a clinic writes it."""

from collections.abc import Mapping
from typing import Literal

from pydantic import Field, model_validator

from core.library.answers import Answers, properties_set
from core.library.recipe import Part as Ingredient
from core.library.recipe import Recipe
from core.library.source import AllergenId, FormId, Id, LibraryError, Source, StepTag, Words, fail
from core.materials import Ball, Box, Disc, Kept, LoosePart, Ring, Rod, Shape, Texture, Thing


class ShapeSource(Source):
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
            raise fail(str(error), "Give one of ball, rod, disc, box or ring with all its sizes in mm.") from error
        return self

    def build(self) -> Shape:
        """The solid as the core sees it. Raises TypeError or ValueError where the sizes make none."""
        solids: dict[str, type[Shape]] = {"ball": Ball, "rod": Rod, "disc": Disc, "box": Box, "ring": Ring}
        given = [(solids[name], getattr(self, name)) for name in solids if getattr(self, name) is not None]
        if len(given) != 1:
            raise ValueError("a thing has one shape")
        solid, sizes = given[0]
        return solid(**sizes)


class LoosePartSource(Source):
    """A part that comes off a thing, in words, and its shape."""

    words: Words
    shape: ShapeSource

    def build(self) -> LoosePart:
        """The part as the core sees it."""
        return LoosePart(self.words, self.shape.build())


class ThingSource(Source):
    """One household thing, as written. Sizes in mm, forces in N, sheet weight in g/m²."""

    id: Id
    name: Words
    one: Words
    many: Words
    kept: Kept
    common: bool = False
    forms: tuple[FormId, ...] = Field(min_length=1)
    shape: ShapeSource
    usual_count: int = Field(1, ge=1, le=9999)
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
    cups: int | None = Field(None, ge=1, le=60)
    edge_mm: float | None = Field(None, gt=0)
    lidded: bool = False
    heavy_base: bool = False
    loop_mm: float | None = Field(None, gt=0)
    grain_mm: float | None = Field(None, gt=0)
    depth_mm: float | None = Field(None, gt=0)
    loose_part: LoosePartSource | None = None
    food: bool = False
    made_of_food: bool = False
    dissolves: bool = False
    round_hard_food: bool = False
    raw: bool = False
    allergens: tuple[AllergenId, ...] = ()
    allergens_perhaps: tuple[AllergenId, ...] = ()
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
    shared_risk: bool = False
    worn: bool = False
    textures: tuple[Texture, ...] = ()
    handed: Literal["right", "left"] | None = None
    instead: str = ""
    answers: Answers = Field(default_factory=dict)

    @model_validator(mode="after")
    def _says_what_it_is(self) -> "ThingSource":
        if "filler" in self.forms and self.grain_mm is None:
            raise fail("A loose filler is judged by its grain.", "Give grain_mm, the longest side of one grain in mm.")
        if "sorter" in self.forms and self.cups is None:
            raise fail("A sorting tray has cups.", "Give cups, how many it has, and opening_mm, how wide one is.")
        if "water" in self.forms and self.depth_mm is None:
            raise fail("Standing water is judged by its depth.", "Give depth_mm, how deep it stands in mm.")
        if "cord" in self.forms and self.cord_mm is None:
            raise fail("A cord is judged by its length.", "Give cord_mm, how long it is in mm.")
        if "cloth" in self.forms and "edge" not in self.forms and self.cord_mm is None and self._is_long():
            raise fail("A long cloth can go round a neck.", "Give cord_mm, how long it is in mm.")
        return self

    def _is_long(self) -> bool:
        return self.shape.build().extents_mm[0] > LONG_CLOTH_MM

    def build(self) -> Thing:
        """The thing as the core sees it."""
        same = {name: getattr(self, name) for name in type(self).model_fields if name not in _THING_BUILT}
        built = {
            "shape": self.shape.build(),
            "forms": frozenset(self.forms),
            "allergens": frozenset(self.allergens),
            "allergens_perhaps": frozenset(self.allergens_perhaps),
            "textures": frozenset(self.textures),
            "loose_part": self.loose_part.build() if self.loose_part else None,
            "typical_count": self.usual_count,
        }
        return Thing(**{**same, **built, **properties_set(self.answers, built)})


LONG_CLOTH_MM = 450  # mm, from memory: a scarf; a face cloth or a duster is shorter
_THING_BUILT = ("shape", "forms", "allergens", "allergens_perhaps", "textures", "loose_part", "usual_count", "answers")


class IngredientSource(Source):
    """One ingredient: any of these things, or a plain supply."""

    words: Words
    count: int = Field(1, ge=1)
    any_of: tuple[Id, ...] = ()


class MadeSource(Source):
    """What a recipe makes, and how many."""

    thing: Id
    count: int = Field(1, ge=1)


class RecipeSource(Source):
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
