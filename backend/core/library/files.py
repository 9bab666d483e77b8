"""The library's own files: read once, when the package loads. The only file access of the core."""

from collections.abc import Iterator, Mapping
from importlib.resources import files
from importlib.resources.abc import Traversable
from types import MappingProxyType
from typing import Any

import yaml

from core.library.activity import Activity
from core.library.activity_source import ActivitySource
from core.library.kit import Kit
from core.library.kit_source import KitSource
from core.library.listed import Names
from core.library.recipe import Recipe
from core.library.source import LibraryError, read
from core.library.thing_source import RecipeSource, ThingSource
from core.materials import Thing

THING_GROUPS = (
    "threading",
    "kitchen",
    "stationery",
    "making",
    "play",
    "outfits",
)  # in the order things are suggested in
_FAST: type = getattr(yaml, "CSafeLoader", yaml.SafeLoader)  # the C one is ten times as fast, where it is there


class _Loader(_FAST):  # type: ignore[misc]  # one of two classes, by what is installed
    """YAML in which nothing is said twice: a field that comes again would silently take the place of the first."""

    def construct_mapping(self, node: yaml.MappingNode, deep: bool = False) -> dict[Any, Any]:
        seen: set[Any] = set()
        for key, _ in node.value:
            if key.value in seen:
                raise yaml.constructor.ConstructorError(None, None, f"{key.value} stands here twice", key.start_mark)
            seen.add(key.value)
        result: dict[Any, Any] = super().construct_mapping(node, deep)
        return result


def read_yaml(text: str, where: str) -> Any:
    """Return what a file of the library holds. Raises LibraryError where it is no YAML or says a field twice."""
    try:
        return yaml.load(text, Loader=_Loader)
    except yaml.YAMLError as error:
        raise LibraryError(where, "the whole", "", f"It is not YAML: {error}.", "Correct it there.") from error


def _values(folder: str) -> Iterator[tuple[str, str, Any]]:
    """Each file of a folder: what to call it, its name without the ending, and what it holds."""
    result: list[Traversable] = sorted(files("core.library").joinpath(folder).iterdir(), key=lambda f: f.name)
    for file in result:
        if file.name.endswith(".yaml"):
            where = f"core/library/{folder}/{file.name}"
            yield where, file.name.removesuffix(".yaml"), read_yaml(file.read_text("utf-8"), where)


def load_things() -> MappingProxyType[str, Thing]:
    """Every household thing, by id; figures are typical ones, from memory. Raises LibraryError."""
    things: dict[str, Thing] = {}
    for where, _, rows in sorted(_values("things"), key=lambda group: THING_GROUPS.index(group[1])):
        for at, row in enumerate(rows):
            thing = read(ThingSource, row, f"{where}, thing {at + 1}").build()
            if thing.id in things:
                raise LibraryError(where, "id", thing.id, "Two things have this id.", "Give one of them another.")
            things[thing.id] = thing
    return MappingProxyType(things)


def load_activities(things: Mapping[str, Thing]) -> MappingProxyType[str, Activity]:
    """Every activity, by id: a file each, named by its id. Raises LibraryError, also for one whose words speak of a
    thing its list does not have.
    """
    activities: dict[str, Activity] = {}
    names = Names(things.values())
    for where, name, row in _values("activities"):
        activity = read(ActivitySource, row, where).build()
        if activity.id != name:
            raise LibraryError(
                where, "id", activity.id, "A file is named by the id of its activity.", "Rename one of the two."
            )
        for missing in names.unlisted(activity):
            reason = f"“{missing.word}” is nothing among the things this grade asks for."
            raise LibraryError(
                where, missing.at, missing.word, reason, "Add a role for it, or say under named_only why there is none."
            )
        activities[activity.id] = activity
    return MappingProxyType(activities)


def shipped_activities() -> Iterator[dict[str, Any]]:
    """Every activity of the library as its file has it."""
    return (values for _, _, values in _values("activities"))


def shipped_things() -> Iterator[dict[str, Any]]:
    """Every thing of the library as its file has it."""
    return (row for _, _, rows in _values("things") for row in rows)


def activity_as_written(activity_id: str) -> dict[str, Any]:
    """An activity of the library as its file has it: what a copy starts from. Raises KeyError where there is none."""
    return _as_written("activities", activity_id)


def blank(kind: str) -> dict[str, Any]:
    """A blank of a kind of work: a plain activity to be written over. Raises KeyError where there is none."""
    return _as_written("blanks", kind)


def thing_as_written(thing_id: str) -> dict[str, Any]:
    """A thing of the library as its file has it. Raises KeyError where there is none."""
    return next(dict(row) for _, _, rows in _values("things") for row in rows if row["id"] == thing_id)


def _as_written(folder: str, name: str) -> dict[str, Any]:
    file = files("core.library").joinpath(folder, f"{name}.yaml")
    if not name.replace("_", "").isalnum() or not file.is_file():
        raise KeyError(name)
    values: dict[str, Any] = read_yaml(file.read_text("utf-8"), f"core/library/{folder}/{name}.yaml")
    return values


def load_kits(activities: Mapping[str, Activity]) -> MappingProxyType[str, Kit]:
    """Every kit, box and project, by id: a file each. Raises LibraryError."""
    kits = (read(KitSource, row, where).build(activities, where) for where, _, row in _values("kits"))
    return MappingProxyType({kit.id: kit for kit in kits})


def load_recipes(things: MappingProxyType[str, Thing]) -> MappingProxyType[str, Recipe]:
    """How things are made at home, by the thing they make. Raises LibraryError."""
    recipes = (read(RecipeSource, row, where).build(things) for where, _, row in _values("recipes"))
    return MappingProxyType({recipe.thing_id: recipe for recipe in recipes})
