"""The library: activities, household things and home recipes, a file each (see docs/library.md), checked when it
loads.
"""

from core.errors import NotThere
from core.library.activity import Activity, Cue, Fit, Unit
from core.library.checks import check, is_activity, issues
from core.library.deciding_properties import asked_of_forms
from core.library.facets import Company, Where, company_of, said_of, where_of
from core.library.files import (
    activity_as_written,
    blank,
    load_activities,
    load_kits,
    load_recipes,
    load_things,
    thing_as_written,
)
from core.library.gone import as_it_was
from core.library.hazard_reading import HazardQuestion, hazard_questions
from core.library.hazard_words import HAZARD_WORDS
from core.library.kit import Kit, KitKind, Stage
from core.library.own import own_activity, own_thing, thing_line
from core.library.practice import has_practice, has_work_for, practises, steps_of
from core.library.reading import reading_grade
from core.library.recipe import Recipe
from core.library.source import Issue, LibraryError, fail_all, issues_in, issues_of
from core.library.task_source import TaskSource, own_task
from core.library.thing_words import PROPERTY_WORDS, PropertyKind, PropertyWords
from core.library.work import WORK, WorkKind
from core.materials import Thing
from core.own import SHELF, is_own

THINGS = load_things()
ACTIVITIES = load_activities(THINGS)
RECIPES = load_recipes(THINGS)
KITS = load_kits(ACTIVITIES)


def activity_or_none(activity_id: str) -> Activity | None:
    """The activity of that id, the library's or a clinic's own; None where there is none, or none any more."""
    return ACTIVITIES.get(activity_id) or SHELF.find(activity_id, Activity)


def find_activity(activity_id: str) -> Activity:
    """Return the activity of that id, the library's or a clinic's own. Raises NotThere where there is none."""
    result = activity_or_none(activity_id)
    if result is None:
        raise NotThere(f"{activity_id!r} is not an activity in the library. Choose one from the list.")
    return result


def find_thing(thing_id: str) -> Thing:
    """Return the thing of that id, the library's or a clinic's own. Raises NotThere where there is none."""
    result = THINGS.get(thing_id) or SHELF.find(thing_id, Thing)
    if result is None:
        raise NotThere(f"{thing_id!r} is not a known thing. Choose one from the list.")
    return result


def line_of(activity_id: str) -> str:
    """Return the name an activity's sets count under. Raises NotThere where there is no such activity."""
    return find_activity(activity_id).line if is_own(activity_id) else activity_id


__all__ = [
    "ACTIVITIES",
    "HAZARD_WORDS",
    "KITS",
    "PROPERTY_WORDS",
    "RECIPES",
    "THINGS",
    "WORK",
    "Activity",
    "Company",
    "Cue",
    "Fit",
    "HazardQuestion",
    "Issue",
    "Kit",
    "KitKind",
    "LibraryError",
    "PropertyKind",
    "PropertyWords",
    "Recipe",
    "Stage",
    "TaskSource",
    "Unit",
    "Where",
    "WorkKind",
    "activity_as_written",
    "activity_or_none",
    "as_it_was",
    "asked_of_forms",
    "blank",
    "check",
    "company_of",
    "fail_all",
    "find_activity",
    "find_thing",
    "has_practice",
    "has_work_for",
    "hazard_questions",
    "is_activity",
    "issues",
    "issues_in",
    "issues_of",
    "line_of",
    "own_activity",
    "own_task",
    "own_thing",
    "practises",
    "reading_grade",
    "said_of",
    "steps_of",
    "thing_as_written",
    "thing_line",
    "where_of",
]
