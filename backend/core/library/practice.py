"""Which activities practise a wanted task, which are the task itself, and of which steps; and which tasks have none."""

from collections.abc import Iterable, Sequence

from core.library.activity import Activity
from core.skills import WantedTask


def practises(activity: Activity, strand: str, task: WantedTask) -> bool:
    """Return whether an activity, aimed at a strand, practises a task: the task itself, or work on its ladder.

    Not where its easiest grade is beyond the task, nor where it is done with another tool: a knife is not yet “eat with
    a spoon”, and dough letters are no writing, nor is a pencil with which an adult drew the model.
    """
    on_ladder = bool(strand) and strand == task.strand and activity.trains.get(strand, 0.0) < task.beyond
    with_tool = not task.tool or any(r.form == task.tool and r.stands != "before" for r in activity.roles)
    return task.id in activity.itself or activity.id in task.practised_by or (on_ladder and with_tool)


def steps_of(activity: Activity, grade: Sequence[int], task: str) -> frozenset[int]:
    """Return the places of the steps of a wanted task that the child does in an activity at a grade, with the task's
    own things; none where it is not the task itself there.
    """
    numbers = activity.itself.get(task, ())
    for axis, at in zip(activity.axes, grade, strict=True):
        numbers = axis.steps[at].itself.get(task, numbers)
    return frozenset(n - 1 for n in numbers)


def has_work_for(task: WantedTask, strand: str, activities: Iterable[Activity]) -> bool:
    """Return whether any of these activities is main work for what a task asks of a strand, beside the task itself:
    where the hands do the same job, or on the task's own ladder.
    """
    return any(
        strand in a.trains
        and "main" in a.parts
        and task.id not in a.itself
        and (strand == task.strand or task.helped_by(strand, a.jobs.get(strand, "")))
        for a in activities
    )


def has_practice(task: WantedTask, activities: Iterable[Activity]) -> bool:
    """Return whether any of these activities practises the task; where none does, only what it needs can be trained."""
    return any(practises(a, strand, task) for a in activities for strand in a.trains)
