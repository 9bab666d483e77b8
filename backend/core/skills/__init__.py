"""The skills map: targets, strands and their rungs, and the daily tasks families want."""

from core.skills.strands import STRANDS, TARGETS, WANTED_TASKS, Strand

__all__ = ["STRANDS", "TARGETS", "WANTED_TASKS", "Strand"]
