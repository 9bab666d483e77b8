"""Wanted tasks, and foods and textures a child is wary of, as the API shows them."""

from collections.abc import Mapping

from caseload.models import Child
from clinic.base_schema import Schema
from core.ability import Estimate, TaskStanding, Who, WithWhom, chain, held_back, proven_steps
from core.child import TEXTURES, Place
from core.recording import APPROACH_RULES, APPROACH_STEPS, ApproachKind, ApproachStanding
from core.skills import find_task


class ChainOut(Schema):
    """One step of a task, and who does it now: adult, taught or alone."""

    words: str
    who: Who


class TaskOut(Schema):
    """A wanted task: the strands that hold it back (rungs_short, by strand, most first), its steps, where it stands."""

    task: str
    name: str
    rungs_short: dict[str, float]
    steps_alone: int | None
    chain: list[ChainOut]
    managed: bool
    words: str
    at_home: str


class TaskIn(Schema):
    """A wanted task as it was seen: how many steps alone, where, with whom, unasked or not."""

    task: str
    steps_alone: int
    place: Place
    with_whom: WithWhom = "therapist"
    unasked: bool = False


class ApproachOut(Schema):
    """A food or a texture a child is wary of: its steps, the highest borne, the next, and the rules."""

    what: str
    name: str
    kind: ApproachKind
    steps: list[str]
    highest: int
    words: str
    next_words: str
    rules: str


class MeetingIn(Schema):
    """How far a child went with a food or a texture: a step from 1, 0 for none, and the seconds it was borne."""

    what: str
    kind: ApproachKind
    step: int
    seconds: float = 0


def task_out(standing: TaskStanding, child: Child, now: Mapping[str, Estimate]) -> TaskOut:
    task = find_task(standing.task)
    steps = chain(task.id, standing.steps_alone or 0, child.chaining_policy, proven_steps(task.id, now))
    return TaskOut(
        task=task.id,
        name=task.name,
        rungs_short={s.strand: s.rungs for s in held_back(task.id, now)},
        steps_alone=standing.steps_alone,
        chain=[ChainOut(words=words, who=who) for words, who in steps],
        managed=standing.managed,
        words=standing.words,
        at_home=task.at_home,
    )


def approach_out(standing: ApproachStanding) -> ApproachOut:
    """An approach as the API shows it."""
    return ApproachOut(
        what=standing.what,
        name=TEXTURES.get(standing.what, standing.what) if standing.kind == "texture" else standing.what,
        kind=standing.kind,
        steps=list(APPROACH_STEPS[standing.kind]),
        highest=standing.highest,
        words=standing.words,
        next_words=standing.next_words,
        rules=APPROACH_RULES[standing.kind],
    )
