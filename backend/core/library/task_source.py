"""A wanted task of a clinic's own, as it is written: its chain of steps and what each demands."""

import json
from collections.abc import Mapping
from hashlib import sha256
from types import MappingProxyType
from typing import Annotated, Any

from pydantic import Field, model_validator

from core.library.source import Issue, Plain, Source, StrandId, Words, fail_all, read
from core.own import OWN, SHELF
from core.skills import STRANDS, TaskStep, WantedTask


class TaskStepSource(Source):
    """One step, said as to a child, and the rung of each strand it demands."""

    words: Plain
    demands: Mapping[StrandId, Annotated[int, Field(ge=1, le=14)]] = Field(default_factory=dict)


class TaskSource(Source):
    """One wanted task: what the family wants, step by step in the order it is done."""

    name: Words = Field(max_length=60)
    steps: tuple[TaskStepSource, ...] = Field(min_length=2, max_length=12)
    at_home: Annotated[str, Field(max_length=120)] = ""

    @model_validator(mode="after")
    def _demands_something(self) -> "TaskSource":
        issues = [
            Issue(f"steps.{i}.demands", f"{STRANDS[strand].name} has {STRANDS[strand].top} rungs.", "Choose one.")
            for i, step in enumerate(self.steps)
            for strand, rung in step.demands.items()
            if rung > STRANDS[strand].top
        ]
        if not any(step.demands for step in self.steps):
            issues.append(
                Issue("steps.0.demands", "No step says what it takes of the hands.", "Name a skill for one of them.")
            )
        if issues:
            raise fail_all(issues)
        return self


def own_task(values: Mapping[str, Any], belongs_to: str, owner: str) -> WantedTask:
    """Return a clinic's own wanted task, checked and named by what it holds. Raises LibraryError.

    belongs_to -- what tells it from others with the same words; owner -- the clinic it is for
    """
    source = read(TaskSource, values, str(values.get("name") or "the task"))
    steps = tuple(TaskStep(s.words, MappingProxyType(dict(s.demands))) for s in source.steps)
    holds = json.dumps([belongs_to, values], sort_keys=True, ensure_ascii=False)
    task_id = OWN + sha256(holds.encode()).hexdigest()[:16]
    return SHELF.hold(WantedTask(task_id, source.name, steps, at_home=source.at_home, owner=owner))
