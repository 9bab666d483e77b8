"""The library: activities, household things and home recipes, a file each (see docs/library.md), checked when it
loads.
"""

from core.errors import NotThere
from core.library.activity import Activity, Cue, Fit, Unit
from core.library.checks import check
from core.library.files import load_activities, load_kits, load_recipes, load_things
from core.library.kit import Kit, KitKind, Stage
from core.library.recipe import Recipe
from core.library.source import LibraryError

THINGS = load_things()
ACTIVITIES = load_activities()
RECIPES = load_recipes(THINGS)
KITS = load_kits(ACTIVITIES)


def find_activity(activity_id: str) -> Activity:
    """Return the activity of that id. Raises NotThere where there is none."""
    if activity_id not in ACTIVITIES:
        raise NotThere(f"{activity_id!r} is not an activity in the library. Choose one from the list.")
    return ACTIVITIES[activity_id]


__all__ = [
    "ACTIVITIES",
    "KITS",
    "RECIPES",
    "THINGS",
    "Activity",
    "Cue",
    "Fit",
    "Kit",
    "KitKind",
    "LibraryError",
    "Recipe",
    "Stage",
    "Unit",
    "check",
    "find_activity",
]
