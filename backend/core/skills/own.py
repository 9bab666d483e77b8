"""Where wanted tasks are found: the common ones, and those a clinic made itself."""

from core.errors import NotThere
from core.own import SHELF
from core.skills.tasks import WANTED_TASKS
from core.skills.wanted import WantedTask


def find_task(task_id: str) -> WantedTask:
    """Return the wanted task of that id, a common one or a clinic's own. Raises NotThere where there is none."""
    task = WANTED_TASKS.get(task_id) or SHELF.find(task_id, WantedTask)
    if task is None:
        raise NotThere(f"{task_id!r} is not a known task. Choose one from the list.")
    return task
