"""The activity families, by id. Every declaration is checked when this package loads."""

from types import MappingProxyType

from core.errors import NotThere
from core.library import (
    body_and_ball,
    carry_and_pull,
    cutting_paper,
    daily_life,
    dressing_and_body,
    dressing_and_eating,
    fingers_posting,
    fingertip_games,
    first_grasps,
    in_the_hand,
    palm_and_fingers,
    scissors_ladder,
    squeezing,
    strong_hands,
    threading_pegs,
    toss_ladder,
    writing_tools,
)
from core.library.declare import PARTS, DeclarationError, Family
from core.library.things import MATERIALS

_MODULES = (
    threading_pegs, squeezing, carry_and_pull, in_the_hand, fingers_posting, fingertip_games, cutting_paper, writing_tools,
    daily_life, dressing_and_body, body_and_ball, first_grasps, strong_hands, palm_and_fingers, scissors_ladder,
    dressing_and_eating, toss_ladder,
)  # fmt: skip


def _indexed() -> MappingProxyType[str, Family]:
    found: dict[str, Family] = {}
    for module in _MODULES:
        for family in module.FAMILIES:
            if family.id in found:
                raise DeclarationError(f"family {family.id!r} is declared twice. Give one another id.")
            found[family.id] = family
    return MappingProxyType(found)


FAMILIES = _indexed()


def family(family_id: str) -> Family:
    """Return the family of that id. Raises NotThere where there is none."""
    if family_id not in FAMILIES:
        raise NotThere(f"{family_id!r} is not an activity in the library. Choose one from the list.")
    return FAMILIES[family_id]


__all__ = ["FAMILIES", "MATERIALS", "PARTS", "DeclarationError", "Family", "family"]
