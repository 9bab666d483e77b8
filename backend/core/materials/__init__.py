"""Household things: shapes, properties, the roles they fill, measuring them at home, paper arithmetic."""

from core.materials.forms import FORMS, NOT_BESIDE, Form, Place
from core.materials.home_measurement import (
    COIN_GRAMS,
    NotMeasured,
    force_from_coins,
    force_from_water,
    hole_between,
    sheet_weight,
)
from core.materials.keeping import KEPT, Kept
from core.materials.paper import cutting
from core.materials.properties import (
    MEASURES,
    LoosePart,
    MeasureError,
    Need,
    Role,
    Stock,
    Texture,
    Thing,
    among,
    at_least,
    at_most,
    between,
    labelled_thing,
    measured_thing,
)
from core.materials.shapes import Ball, Box, Disc, Ring, Rod, Shape

__all__ = [
    "COIN_GRAMS",
    "FORMS",
    "KEPT",
    "MEASURES",
    "NOT_BESIDE",
    "Ball",
    "Box",
    "Disc",
    "Form",
    "Kept",
    "LoosePart",
    "MeasureError",
    "Need",
    "NotMeasured",
    "Place",
    "Ring",
    "Rod",
    "Role",
    "Shape",
    "Stock",
    "Texture",
    "Thing",
    "among",
    "at_least",
    "at_most",
    "between",
    "cutting",
    "force_from_coins",
    "force_from_water",
    "hole_between",
    "labelled_thing",
    "measured_thing",
    "sheet_weight",
]
