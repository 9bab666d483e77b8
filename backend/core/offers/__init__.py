"""What one cupboard can offer one child: graded activities, what fits, what could stand in, what can be made."""

from core.offers.coverage import Reach, most_useful_first, reach, reach_of_thing, starter_list
from core.offers.family_words import Told, told
from core.offers.fitting import room
from core.offers.forecast import chances_alone
from core.offers.grading import (
    Neighbour,
    asks_other_hand,
    by_hand,
    dials,
    equals,
    evidence_name,
    grade_words,
    neighbours,
)
from core.offers.homemade import Recipe, makeable, verdict
from core.offers.offer import Lack, LackKind, Offer, Quantity
from core.offers.substitutes import Swap, swaps
from core.offers.usable_cupboard import UsableCupboard, fillers, stock_of
from core.offers.variants import (
    Ask,
    Variant,
    ask_of,
    asked_of,
    asks_of,
    checked_variant,
    difficulty,
    loads_hands,
    posture_of,
    roles_of,
    tags_of,
    taught_rungs,
    tries_for,
    try_seconds,
    variants_of,
)

__all__ = [
    "Ask",
    "Lack",
    "LackKind",
    "Neighbour",
    "Offer",
    "Quantity",
    "Reach",
    "Recipe",
    "Swap",
    "Told",
    "UsableCupboard",
    "Variant",
    "ask_of",
    "asked_of",
    "asks_of",
    "asks_other_hand",
    "by_hand",
    "chances_alone",
    "checked_variant",
    "dials",
    "difficulty",
    "equals",
    "evidence_name",
    "fillers",
    "grade_words",
    "loads_hands",
    "makeable",
    "most_useful_first",
    "neighbours",
    "posture_of",
    "reach",
    "reach_of_thing",
    "roles_of",
    "room",
    "starter_list",
    "stock_of",
    "swaps",
    "tags_of",
    "taught_rungs",
    "told",
    "tries_for",
    "try_seconds",
    "variants_of",
    "verdict",
]
