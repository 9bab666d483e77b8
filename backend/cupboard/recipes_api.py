"""What can be made from a cupboard, and measuring odd things with what a home has."""

from collections.abc import Mapping
from typing import Literal

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.checks import FieldError
from caseload.facts import facts_of, setting_of
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, SAYS_UNITS, marked
from core.drawing import draw_recipe
from core.library import find_thing
from core.materials import COIN_GRAMS, NotMeasured, force_from_coins, force_from_water, hole_between, sheet_weight
from core.offers import Recipe, makeable, verdict
from cupboard.queries import items
from cupboard.schemas import VerdictOut

router = Router(tags=["cupboard"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class PartOut(Schema):
    """One ingredient and how many."""

    words: str
    count: int
    here: list[str]


class RecipeOut(Schema):
    """How one thing is made at home. adult_steps are never the child's."""

    thing_id: str
    name: str
    parts: list[PartOut]
    tools: list[str]
    adult_steps: list[str]
    child_steps: list[str]
    minutes: int
    makes: int
    verdict: VerdictOut
    picture: str


class MeasuringIn(Schema):
    """One way of measuring. water: ml; coins: how many and g each; pile: g, sheets, two sides in mm; passes: mm that
    pass, mm that stop.
    """

    way: Literal["water", "coins", "pile", "passes"]
    water_ml: float = 0
    coins: int = 0
    coin_grams: float = COIN_GRAMS
    pile_grams: float = 0
    sheets: int = 0
    side_mm: list[float] = [297, 210]
    passes_mm: list[float] = []
    stops_mm: list[float] = []


class MeasuringOut(Schema):
    """What was measured, its value and unit, in words."""

    field: str
    value: float
    words: str


@router.get("/homes/{home_id}/recipes", response={200: list[RecipeOut], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def list_recipes(request: HttpRequest, home_id: int, child_id: int) -> list[RecipeOut]:
    """What can be made from this cupboard that is not there yet, quickest first, judged for one child there."""
    who = member(request)
    home, child = home_for(who, home_id), facts_of(child_for(who, child_id), timezone.localdate())
    have = {i.thing_id: i.count for i in items(home)}
    setting = setting_of(home)
    return [_recipe_out(m, have, VerdictOut.model_validate(verdict(m, child, setting))) for m in makeable(have)]


def _recipe_out(m: Recipe, have: Mapping[str, int], judged: VerdictOut) -> RecipeOut:
    parts = [
        PartOut(words=p.words, count=p.count, here=[find_thing(x).name for x in p.any_of if have.get(x, 0) >= p.count])
        for p in m.parts
    ]
    return RecipeOut(
        thing_id=m.thing_id,
        name=m.name,
        parts=parts,
        tools=list(m.tools),
        adult_steps=list(m.adult_steps),
        child_steps=list(m.child_steps),
        minutes=m.minutes,
        makes=m.makes,
        verdict=judged,
        picture=draw_recipe(m),
    )


@router.post("/measuring", response={200: MeasuringOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS, KEEPS_NO_KEY))
def measure(request: HttpRequest, body: MeasuringIn) -> MeasuringOut:
    """Work out a force, a sheet weight or a hole from what a home can measure."""
    member(request)
    try:
        return _measuring_out(body)
    except NotMeasured as error:
        raise FieldError(body.way, None, str(error), "") from error


def _measuring_out(body: MeasuringIn) -> MeasuringOut:
    if body.way == "passes":
        low, high = hole_between(body.passes_mm, body.stops_mm)
        words = f"at least {low:g} mm" + (f", less than {high:g} mm" if high < float("inf") else "")
        return MeasuringOut(field="hole_mm", value=low, words=words)
    if body.way == "pile":
        sides = (body.side_mm[0], body.side_mm[1]) if len(body.side_mm) == 2 else (0.0, 0.0)
        result = sheet_weight(body.pile_grams, body.sheets, sides)
        return MeasuringOut(field="sheet_gsm", value=result, words=f"{result:.0f} g/m²")
    water = body.way == "water"
    force = force_from_water(body.water_ml) if water else force_from_coins(body.coins, body.coin_grams)
    return MeasuringOut(field="force_newton", value=force, words=f"{force:.1f} N")
