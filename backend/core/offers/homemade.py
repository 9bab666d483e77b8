"""What one cupboard can be made into, and whether the made piece and its making are safe for one child."""

from collections.abc import Mapping

from core import safety
from core.child import Child, Setting
from core.library import RECIPES, Recipe, find_thing
from core.safety import Verdict


def verdict(recipe: Recipe, child: Child, setting: Setting) -> Verdict:
    """Return the hazard verdict on the made piece and on its making, for one child in one setting."""
    return safety.worst(
        (safety.assess(find_thing(recipe.thing_id), child, setting), safety.assess_step(recipe.tags, child, setting))
    )


def makeable(have: Mapping[str, int]) -> tuple[Recipe, ...]:
    """Return what can be made from so many of these things, by id, and is not among them, quickest first."""
    result = [m for m in RECIPES.values() if not have.get(m.thing_id) and not m.missing(have)]
    return tuple(sorted(result, key=lambda m: (m.minutes, m.thing_id)))


__all__ = ["RECIPES", "Recipe", "makeable", "verdict"]
