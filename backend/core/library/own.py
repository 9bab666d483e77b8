"""Activities and things a clinic made itself, beside the library's own.

Each is named by what it holds: a change of a word makes another id, so that what a plan or a run was made with never
changes under it, and every process that looks an id up gets the same.
"""

import json
from collections.abc import Mapping
from dataclasses import replace
from hashlib import sha256
from typing import Any

from core.library.activity import Activity
from core.library.activity_source import ActivitySource
from core.library.hazard_reading import hazard_questions
from core.library.source import read
from core.library.thing_source import ThingSource
from core.materials import Thing
from core.own import OWN, SHELF
from core.safety import UNANSWERED


def own_activity(values: Mapping[str, Any], belongs_to: str) -> Activity:
    """Return a clinic's own activity, checked and named by what it holds. Raises LibraryError.

    belongs_to -- what tells it from others with the same words: one activity of one clinic
    Its line, under which its sets count, stays the same while only words, things and pictures change. While a question
    its words ask is open, it is barred for everybody.
    """
    source = read(ActivitySource, {**values, "id": "own"}, str(values.get("name") or "the activity"))
    activity = source.build()
    line = _name(belongs_to, [list(activity.trains.items()), dict(activity.demands), activity.work, _graded(activity)])
    tags = (*activity.tags, UNANSWERED) if _has_questions("activity", values) else activity.tags
    return SHELF.hold(replace(activity, id=_name(belongs_to, _plain(values)), line=line, tags=tags))


def own_thing(values: Mapping[str, Any], belongs_to: str) -> Thing:
    """Return a clinic's own thing, checked and named by what it holds, barred while a question is open. Raises
    LibraryError. belongs_to -- as above
    """
    thing = read(ThingSource, {**values, "id": "own"}, str(values.get("name") or "the thing")).build()
    hazards = thing.hazards | {UNANSWERED} if _has_questions("thing", values) else thing.hazards
    return SHELF.hold(replace(thing, id=_name(belongs_to, _plain(values)), hazards=hazards))


def thing_line(belongs_to: str) -> str:
    """Return the name of a clinic's own thing in cupboards, the same through every version."""
    return _name(belongs_to, "line")


def _has_questions(kind: str, values: Mapping[str, Any]) -> bool:
    return next(hazard_questions(kind, values), None) is not None


def _graded(activity: Activity) -> list[Any]:
    """What bears on how hard a try is: the steps of each axis."""
    return [[axis.id, [dict(step.rungs) for step in axis.steps]] for axis in activity.axes]


def _plain(values: Mapping[str, Any]) -> dict[str, Any]:
    """What a name is made of. Which strand stands first matters; the order of everything else does not."""
    plain = {key: value for key, value in values.items() if key != "id"}
    return {**plain, "trains": list(plain["trains"].items())} if "trains" in plain else plain


def _name(belongs_to: str, holds: object) -> str:
    text = json.dumps([belongs_to, holds], sort_keys=True, ensure_ascii=False, separators=(",", ":"))
    return OWN + sha256(text.encode()).hexdigest()[:24]
