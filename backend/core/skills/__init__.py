"""The skills map: targets, strands and their rungs, and the daily tasks families want."""

from core.skills.ladder import OVER_TOP, Strand
from core.skills.own import OWN, find_task, hold_task, is_own, look_up_tasks_with
from core.skills.strands import STRANDS, TARGETS
from core.skills.tasks import WANTED_TASKS
from core.skills.wanted import TaskStep, WantedTask

__all__ = [
    "OVER_TOP",
    "OWN",
    "STRANDS",
    "TARGETS",
    "WANTED_TASKS",
    "Strand",
    "TaskStep",
    "WantedTask",
    "find_task",
    "hold_task",
    "is_own",
    "look_up_tasks_with",
]
