"""The skills map: targets, strands and their rungs, and the daily tasks families want."""

from core.own import is_own
from core.skills.jobs import JOBS, same_job
from core.skills.ladder import OVER_TOP, Strand
from core.skills.own import find_task
from core.skills.said import Said, SaidKind, read_said
from core.skills.strands import STRANDS, TARGETS
from core.skills.tasks import WANTED_TASKS
from core.skills.wanted import TaskStep, WantedTask

__all__ = [
    "JOBS",
    "OVER_TOP",
    "STRANDS",
    "TARGETS",
    "WANTED_TASKS",
    "Said",
    "SaidKind",
    "Strand",
    "TaskStep",
    "WantedTask",
    "find_task",
    "is_own",
    "read_said",
    "same_job",
]
