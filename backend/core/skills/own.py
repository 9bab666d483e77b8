"""How the names of what a clinic made itself are told from the library's, and where its wanted tasks are found."""

from collections.abc import Callable

from core.errors import NotThere
from core.skills.tasks import WANTED_TASKS
from core.skills.wanted import WantedTask

OWN = "own-"  # with a hyphen, which no id of the library may have

_held: dict[str, WantedTask] = {}
_sources: list[Callable[[str], WantedTask | None]] = []


def is_own(name: str) -> bool:
    """Whether an id, or a name that work counts under, is of something a clinic made itself."""
    return name.startswith(OWN)


def look_up_tasks_with(source: Callable[[str], WantedTask | None]) -> None:
    """Say where a clinic's own wanted tasks are found by their id. The last source given is the one that is asked."""
    _sources[:] = [source]


def hold_task(task: WantedTask) -> WantedTask:
    """Keep a clinic's own task at hand, and return it. Its id says what it holds, so it never changes."""
    return _held.setdefault(task.id, task)


def find_task(task_id: str) -> WantedTask:
    """Return the wanted task of that id, a common one or a clinic's own. Raises NotThere where there is none."""
    task = WANTED_TASKS.get(task_id) or _held.get(task_id)
    if task is None and is_own(task_id):
        task = next((found for source in _sources if (found := source(task_id)) is not None), None)
    if task is None:
        raise NotThere(f"{task_id!r} is not a known task. Choose one from the list.")
    return task
