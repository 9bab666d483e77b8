"""Which activities are a wanted task itself, and which tasks have none."""

from collections.abc import Iterable

from core.library.activity import Activity
from core.skills import WantedTask


def is_the_task(activity: Activity, strand: str, task: WantedTask) -> bool:
    """Return whether an activity, aimed at a strand, is the task itself.

    Not where its easiest grade is beyond the task, nor where it is done with another tool: a knife is not yet “eat with
    a spoon”, and dough letters are no writing, nor is a pencil with which an adult drew the model.
    """
    on_ladder = bool(strand) and strand == task.strand and activity.trains.get(strand, 0.0) < task.beyond
    with_tool = not task.tool or any(r.form == task.tool and r.stands != "before" for r in activity.roles)
    return activity.id in task.practised_by or (on_ladder and with_tool)


def has_practice(task: WantedTask, activities: Iterable[Activity]) -> bool:
    """Return whether any of these activities is the task itself; where none is, only what it needs can be trained."""
    return any(is_the_task(a, strand, task) for a in activities for strand in a.trains)
