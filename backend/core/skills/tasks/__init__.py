"""The daily tasks families ask for, each as a chain of steps with the rungs they demand. From memory, no source."""

from types import MappingProxyType

from core.skills.tasks import home_and_play, school, self_care, table

WANTED_TASKS = MappingProxyType({t.id: t for m in (self_care, table, school, home_and_play) for t in m.TASKS})
