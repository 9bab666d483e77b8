"""Activities and things a clinic made itself, beside the library's own.

Each is named by what it holds: a change of a word makes another id, so that what a plan or a run was made with never
changes under it, and every process that looks an id up gets the same. What is stored elsewhere is found through a
source that the application gives once, when it starts.
"""

import json
from collections import OrderedDict
from collections.abc import Callable, Mapping
from dataclasses import replace
from hashlib import sha256
from typing import Any, TypeVar

from core.library.activity import Activity
from core.library.activity_source import ActivitySource
from core.library.source import read
from core.library.thing_source import ThingSource
from core.materials import Thing
from core.skills import OWN, is_own

MOST_HELD = 4096  # own activities and things kept at hand in one process

Own = Activity | Thing
T = TypeVar("T", Activity, Thing)
_held: OrderedDict[str, Own] = OrderedDict()
_sources: list[Callable[[str], Own | None]] = []


def look_up_own_with(source: Callable[[str], Own | None]) -> None:
    """Say where own activities and things are found by their id. The last source given is the one that is asked."""
    _sources[:] = [source]


def own_activity(values: Mapping[str, Any], belongs_to: str) -> Activity:
    """Return a clinic's own activity, checked and named by what it holds. Raises LibraryError.

    belongs_to -- what tells it from others with the same words: one activity of one clinic
    Its line, under which its sets count, stays the same while only words, things and pictures change.
    """
    source = read(ActivitySource, {**values, "id": "own"}, str(values.get("name") or "the activity"))
    activity = source.build()
    line = _name(belongs_to, [list(activity.trains.items()), dict(activity.demands), activity.work, _graded(activity)])
    return hold(replace(activity, id=_name(belongs_to, _plain(values)), line=line))


def own_thing(values: Mapping[str, Any], belongs_to: str) -> Thing:
    """Return a clinic's own thing, checked and named by what it holds. Raises LibraryError. belongs_to -- as above"""
    thing = read(ThingSource, {**values, "id": "own"}, str(values.get("name") or "the thing")).build()
    return hold(replace(thing, id=_name(belongs_to, _plain(values))))


def thing_line(belongs_to: str) -> str:
    """Return the name of a clinic's own thing in cupboards, the same through every version."""
    return _name(belongs_to, "line")


def hold(own: T) -> T:
    """Keep a clinic's own activity or thing at hand, and return it; the same as before where it was held already."""
    held = _held.setdefault(own.id, own)
    _held.move_to_end(own.id)
    while len(_held) > MOST_HELD:
        _held.popitem(last=False)
    return held  # type: ignore[return-value]


def find_own(own_id: str) -> Own | None:
    """Return what has this id, or is the newest of this line; None where there is none."""
    if not is_own(own_id):
        return None
    if own_id in _held:
        return _held[own_id]
    result = next((found for source in _sources if (found := source(own_id)) is not None), None)
    if result is not None:
        _held[own_id] = _held.setdefault(result.id, result)
    return result


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
