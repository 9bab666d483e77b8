"""The activity families, by id. Every declaration is checked when this package loads."""

from types import MappingProxyType

from core.library import (
    body_and_ball,
    cutting_paper,
    daily_life,
    fingers_posting,
    in_the_hand,
    squeezing,
    threading_pegs,
)
from core.library.declare import DeclarationError, Family


def _indexed() -> MappingProxyType[str, Family]:
    found: dict[str, Family] = {}
    for module in (threading_pegs, squeezing, in_the_hand, fingers_posting, cutting_paper, daily_life, body_and_ball):
        for family in module.FAMILIES:
            if family.id in found:
                raise DeclarationError(f"family {family.id!r} is declared twice. Give one another id.")
            found[family.id] = family
    return MappingProxyType(found)


FAMILIES = _indexed()


def family(family_id: str) -> Family:
    """Return the family of that id. Raises ValueError where there is none."""
    if family_id not in FAMILIES:
        raise ValueError(f"{family_id!r} is not an activity in the library. Choose one from the list.")
    return FAMILIES[family_id]
