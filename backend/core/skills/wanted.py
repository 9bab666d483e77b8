"""A daily task a family asks for: a chain of steps, each with the rungs it demands."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from math import inf
from types import MappingProxyType

from core.skills.jobs import same_job


@dataclass(frozen=True)
class TaskStep:
    """One step of a task, said as to a child, and the rung of each strand it demands.

    proven_by -- the rung of each strand at which it is surely done; empty where none proves it
    jobs      -- what the hands do in a strand it demands, of those where that decides what helps
    """

    words: str
    demands: Mapping[str, int]
    proven_by: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    jobs: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))


def step(words: str, proven_by: Mapping[str, int] = MappingProxyType({}), **demands: int | tuple[int, str]) -> TaskStep:
    """Return a step and what it demands: a rung of each strand, with the job of the hands in it where the strand has
    jobs.
    """
    rungs = {strand: asked if isinstance(asked, int) else asked[0] for strand, asked in demands.items()}
    jobs = {strand: asked[1] for strand, asked in demands.items() if not isinstance(asked, int)}
    return TaskStep(words, MappingProxyType(rungs), proven_by, MappingProxyType(jobs))


@dataclass(frozen=True)
class WantedTask:
    """A daily task a family asks for, as a chain of steps in the order they are done.

    strand       -- the strand whose ladder is the task itself; empty where it has none of its own
    level        -- the rung of that ladder at which the task is done
    beyond       -- the rung from which an activity's easiest grade is another task; by default none
    tool         -- the form of the thing without which an activity is not the task: no pen, no writing
    practised_by -- activities that practise it but are not the task itself, where no ladder says so
    owner        -- the clinic that made it; empty for those every clinic has
    meanwhile    -- activities that come nearest to it where neither it nor its ladder can be practised
    at_home      -- when it comes up in a day: the moment to try it for real
    """

    id: str
    name: str
    steps: tuple[TaskStep, ...]
    strand: str = ""
    level: int = 0
    beyond: float = inf
    tool: str = ""
    practised_by: tuple[str, ...] = ()
    meanwhile: tuple[str, ...] = ()
    at_home: str = ""
    owner: str = ""

    @cached_property
    def demands(self) -> Mapping[str, int]:
        """The highest rung of each strand that any step demands, and that of the task's own ladder."""
        rungs = {self.strand: self.level} if self.strand else {}
        for step in self.steps:
            for strand, rung in step.demands.items():
                rungs[strand] = max(rungs.get(strand, 0), rung)
        return MappingProxyType(rungs)

    def step_for(self, strand: str) -> str:
        """The words of the step that demands most of a strand; empty where none does."""
        asking = [s for s in self.steps if strand in s.demands]
        return max(asking, key=lambda s: s.demands[strand]).words if asking else ""

    def helped_by(self, strand: str, job: str) -> TaskStep | None:
        """The step that demands most of a strand in the same job of the hands; None where that helps no step."""
        asking = [s for s in self.steps if strand in s.demands and same_job(strand, job, s.jobs.get(strand, ""))]
        return max(asking, key=lambda s: s.demands[strand]) if asking else None
