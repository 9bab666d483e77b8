"""One activity, as a file or a clinic writes it. The fields are documented, with an example, in docs/library.md."""

from collections.abc import Iterable, Iterator, Mapping
from itertools import pairwise
from math import prod
from types import MappingProxyType
from typing import Annotated, get_args

from pydantic import BaseModel, ConfigDict, Field, StrictBool, StrictFloat, StrictInt, StrictStr, model_validator

from core.child import Part
from core.library.activity import Activity, Axis, Cue, Step, Unit
from core.library.answers import Answers, tags_set
from core.library.picture import ByStep, Frame
from core.library.role_source import FitSource, NeedSource, RoleSource
from core.library.source import (
    Id,
    Issue,
    MarkId,
    MeasureId,
    Plain,
    PlainOrNone,
    Source,
    StepTag,
    StrandId,
    Words,
    fail,
    fail_all,
)
from core.library.work import WORK, WorkKind
from core.recording import SupportLevel
from core.safety import STEP_TAGS
from core.skills import JOBS, OVER_TOP, STRANDS, WANTED_TASKS

TAG_OF_FORM = MappingProxyType(
    {
        "blade": "cutting_tool",
        "knife": "knife",
        "hammer": "impact",
        "water": "wet_floor",
        "bubble_pot": "wet_floor",
        "wall": "wall",
    }
)
"""What is done with a thing that serves as this, as the hazard rules name it."""

Drawn = (
    StrictBool
    | Annotated[StrictInt, Field(ge=-300, le=300)]
    | Annotated[StrictFloat, Field(ge=-300, le=300)]
    | Annotated[StrictStr, Field(max_length=40)]
)
MOST_GRADES = 400  # of one activity: every one is looked at in every plan; the library's largest has fewer
Rungs = Annotated[float, Field(ge=0, le=12)]


class StepSource(Source):
    """One choice on an axis. adds: rungs over the axis's first step, by strand; a number where only one is trained."""

    words: Words
    tell: Plain
    adds: Rungs | Mapping[StrandId, Rungs] = 0.0
    tries: int | None = Field(None, ge=1, le=100)
    seconds: float | None = Field(None, gt=0, le=1800)
    needs: Mapping[str, tuple[NeedSource, ...]] = Field(default_factory=dict)
    uses: tuple[str, ...] = ()
    at_once: Mapping[str, Annotated[int, Field(ge=2, le=100)]] = Field(default_factory=dict)
    tags: tuple[StepTag, ...] = ()
    cues: Mapping[SupportLevel, Words] = Field(default_factory=dict)
    steps: tuple[Plain, ...] = Field((), max_length=5)
    posture: str = Field("", max_length=120)
    itself: Mapping[str, tuple[int, ...]] = Field(default_factory=dict)
    from_months: float | None = Field(None, gt=0)
    until_months: float | None = Field(None, gt=0)

    def rungs(self, trains: Iterable[str]) -> dict[str, float]:
        """What it adds, by strand."""
        if isinstance(self.adds, Mapping):
            return dict(self.adds)
        return {next(iter(trains)): self.adds} if self.adds else {}

    def build(self, trains: Iterable[str]) -> Step:
        """The step as the core sees it, in an activity that trains these strands."""
        needs = MappingProxyType({role: tuple(n.build() for n in asked) for role, asked in self.needs.items()})
        rungs = MappingProxyType(self.rungs(trains))
        return Step(
            self.words,
            self.tell,
            rungs,
            needs,
            self.uses,
            self.tags,
            self.tries,
            self.seconds,
            MappingProxyType(dict(self.cues)),
            self.steps,
            self.posture,
            MappingProxyType(dict(self.at_once)),
            MappingProxyType(dict(self.itself)),
            self.from_months,
            self.until_months,
        )


class AxisSource(Source):
    """One way of grading, its steps from easy to hard."""

    id: Id
    words: Words
    steps: tuple[StepSource, ...] = Field(min_length=2, max_length=12)

    def issues(self, place: str, trains: Mapping[str, float]) -> Iterator[Issue]:
        """Where the steps do not get harder: each adds more in some strand than the one before, in none less."""
        rungs = [s.rungs(trains) for s in self.steps]
        if rungs[0]:
            yield Issue(
                f"{place}.steps.0.adds",
                f"The easiest step of “{self.words}” already adds rungs.",
                "It is where the others start from: let it add none.",
            )
        if len(trains) > 1 and any(isinstance(s.adds, int | float) and s.adds for s in self.steps):
            yield Issue(
                f"{place}.steps",
                f"“{self.words}” does not say in which strand its steps are harder.",
                "Give the rungs of each step by strand.",
            )
        for at, (earlier, later) in enumerate(pairwise(rungs)):
            strands = {*earlier, *later}
            change = [later.get(s, 0) - earlier.get(s, 0) for s in strands]
            if not any(c > 0 for c in change) or any(c < 0 for c in change):
                yield Issue(
                    f"{place}.steps.{at + 1}.adds",
                    f"Step {at + 2} of “{self.words}” is not harder than step {at + 1}.",
                    "Give it more rungs in one strand at least, and fewer in none.",
                )


class TriesSource(Source):
    """Tries in a set: under 4 years, under 7, older."""

    young: int = Field(ge=1, le=100)
    middle: int = Field(ge=1, le=100)
    older: int = Field(ge=1, le=100)

    @model_validator(mode="after")
    def _never_fall(self) -> "TriesSource":
        if not self.young <= self.middle <= self.older:
            raise fail("Tries fall with age.", "Give an older child as many or more.")
        return self


class UnitSource(Source):
    """What one try is called, and several."""

    one: Words
    many: Words


class ByStepSource(Source):
    """A value of a frame that changes along an axis."""

    axis: Id
    of: tuple[Drawn, ...] = Field(min_length=2, max_length=12)


class FrameSource(BaseModel):
    """One frame of the picture: the act, and what it takes by name; see docs/library.md."""

    model_config = ConfigDict(extra="allow", frozen=True)
    __pydantic_extra__: dict[str, ByStepSource | Drawn]

    act: Id

    def build(self) -> Frame:
        """The frame as the core sees it."""
        values = {
            key: ByStep(value.axis, value.of) if isinstance(value, ByStepSource) else value
            for key, value in self.__pydantic_extra__.items()
        }
        return Frame(self.act, MappingProxyType(values))


class ActivitySource(Source):
    """One activity, as written. say is the spoken cue, without the quotes."""

    id: Id
    name: Words
    group: Words
    trains: Mapping[StrandId, float] = Field(min_length=1)
    demands: Mapping[StrandId, float] = Field(default_factory=dict)
    jobs: Mapping[StrandId, str] = Field(default_factory=dict)
    itself: Mapping[str, tuple[int, ...]] = Field(default_factory=dict)
    parts: tuple[Part, ...] = Field(min_length=1)
    tries: TriesSource
    work: WorkKind
    seconds: float = Field(gt=0, le=300)
    from_months: float | None = Field(None, gt=0)
    until_months: float | None = Field(None, gt=0)
    unit: UnitSource
    themes: tuple[Words, ...] = ()
    tiring: bool = False
    both_hands: bool = False
    tags: tuple[StepTag, ...] = ()
    roles: tuple[RoleSource, ...] = Field(max_length=12)
    fits: tuple[FitSource, ...] = Field((), max_length=12)
    axes: tuple[AxisSource, ...] = Field(min_length=1, max_length=6)
    picture: tuple[FrameSource, ...] = Field(min_length=1, max_length=4)
    setup: Words
    posture: Words = Activity.posture
    setup_minutes: float = Field(0.5, ge=0, le=30)
    cues: Mapping[SupportLevel, Words]
    watch: tuple[MarkId, ...]
    measures: tuple[MeasureId, ...] = ()
    tidy: Words
    tidy_minutes: float = Field(0.5, ge=0, le=30)
    does: Plain
    steps: tuple[Plain, ...] = Field(min_length=2, max_length=5)
    counts_when: Plain
    grip: PlainOrNone = ""
    why: Plain
    say: Plain
    stop: Plain
    named_only: Mapping[str, Words] = Field(default_factory=dict)
    answers: Answers = Field(default_factory=dict)

    @model_validator(mode="after")
    def _holds_together(self) -> "ActivitySource":
        issues = [
            *self._cue_issues(),
            *self._size_issues(),
            *self._pace_issues(),
            *self._hazard_issues(),
            *self._strand_issues(),
            *self._job_issues(),
            *self._task_issues(),
            *self._role_issues(),
            *(issue for i, axis in enumerate(self.axes) for issue in axis.issues(f"axes.{i}", self.trains)),
            *self._top_issues(),
            *self._picture_issues(),
        ]
        if issues:
            raise fail_all(issues)
        return self

    def _cue_issues(self) -> Iterator[Issue]:
        if "shown" not in self.cues:
            yield Issue(
                "cues.shown", "Nothing is shown.", "Add cues.shown: what the adult does once, for the child to see."
            )
        if "spoken" in self.cues:
            yield Issue("cues.spoken", "What the adult says is given twice.", "Keep it in say, and remove cues.spoken.")

    def _size_issues(self) -> Iterator[Issue]:
        grades = prod(len(a.steps) for a in self.axes)
        if grades > MOST_GRADES:
            yield Issue("axes", f"It has {grades} grades; {MOST_GRADES} is the most.", "Remove an axis or some steps.")

    def _pace_issues(self) -> Iterator[Issue]:
        low, high = WORK[self.work].seconds
        if not low <= self.seconds <= high:
            yield Issue(
                "seconds",
                f"{self.seconds:g} seconds a try is not {WORK[self.work].words}.",
                f"Use {low:g} to {high:g} seconds, or another kind of work.",
            )

    def _hazard_issues(self) -> Iterator[Issue]:
        """What is plainly done without being said to the hazard rules."""
        tags = {*self.tags, *(t for a in self.axes for s in a.steps for t in s.tags)}
        asked = {TAG_OF_FORM[r.form]: r.words for r in self.roles if r.form in TAG_OF_FORM}
        always = WORK[self.work].tags
        if always and not tags & {*always}:
            asked |= {always[0]: WORK[self.work].words}
        for tag, words in asked.items():
            if tag not in tags:
                reason = f"The hazard rules do not know about this: {words}."
                yield Issue("tags", reason, f"Tick “{STEP_TAGS[tag].about}”.")

    def _picture_issues(self) -> Iterator[Issue]:
        steps = {a.id: len(a.steps) for a in self.axes}
        for i, frame in enumerate(self.picture):
            for key, value in frame.__pydantic_extra__.items():
                if isinstance(value, ByStepSource) and steps.get(value.axis) != len(value.of):
                    yield Issue(
                        f"picture.{i}.{key}",
                        f"{key} of the picture has {len(value.of)} values along {value.axis}.",
                        f"Give one for each step of one of {', '.join(f'{a} ({n})' for a, n in steps.items())}.",
                    )

    def _top_issues(self) -> Iterator[Issue]:
        known = {*self.trains, *self.demands}
        for i, axis in enumerate(self.axes):
            for j, step in enumerate(axis.steps):
                place = f"axes.{i}.steps.{j}.adds"
                for strand, added in step.rungs(self.trains).items():
                    if strand not in known:
                        reason = f"A step of axis {axis.id} adds rungs in {strand}."
                        yield Issue(place, reason, "Name a strand it trains or demands.")
                        continue
                    at, top = self.trains.get(strand, self.demands.get(strand, 0)) + added, STRANDS[strand].top
                    if at > top + OVER_TOP:
                        reason = f"“{step.words}” of axis {axis.id} asks rung {at:g} of {strand}."
                        yield Issue(place, reason, f"The ladder ends at {top}: add less.")

    def _strand_issues(self) -> Iterator[Issue]:
        for field, strands in (("trains", self.trains), ("demands", self.demands)):
            for strand, base in strands.items():
                if strand in self.trains and strand in self.demands and field == "demands":
                    reason = f"{strand} is both trained and demanded."
                    yield Issue(f"{field}.{strand}", reason, "Keep it where it is trained.")
                if not 0 <= base <= STRANDS[strand].top + 1:
                    reason = f"Rung {base:g} of {strand} is off its ladder."
                    yield Issue(f"{field}.{strand}", reason, f"Use 1 to {STRANDS[strand].top}.")

    def _job_issues(self) -> Iterator[Issue]:
        for strand, job in self.jobs.items():
            if strand not in self.trains:
                yield Issue(f"jobs.{strand}", f"It does not train {strand}.", "Remove the job, or train the strand.")
            elif job not in JOBS.get(strand, {}):
                known = "; ".join(f"{name} ({words})" for name, words in JOBS.get(strand, {}).items())
                reason = f"{STRANDS[strand].name} has no job {job!r}."
                yield Issue(f"jobs.{strand}", reason, f"Use one of: {known}." if known else "Leave it out.")

    def _task_issues(self) -> Iterator[Issue]:
        steps = ((f"axes.{i}.steps.{j}", s) for i, a in enumerate(self.axes) for j, s in enumerate(a.steps))
        named = [("itself", self.itself), *((f"{place}.itself", s.itself) for place, s in steps)]
        for place, tasks in named:
            for task, numbers in tasks.items():
                known = WANTED_TASKS.get(task)
                if known is None or task not in self.itself:
                    yield Issue(place, f"It is not the wanted task {task!r}.", "Name one that stands under itself.")
                elif not all(1 <= n <= len(known.steps) for n in numbers):
                    reason = f"“{known.name}” has {len(known.steps)} steps."
                    yield Issue(f"{place}.{task}", reason, "Number them from 1.")

    def _role_issues(self) -> Iterator[Issue]:
        ids = [r.id for r in self.roles]
        named = [
            (f"axes.{i}.steps.{j}", role)
            for i, a in enumerate(self.axes)
            for j, s in enumerate(a.steps)
            for role in (*s.needs, *s.uses, *s.at_once)
        ]
        named += [(f"fits.{i}", role) for i, c in enumerate(self.fits) for role in (c.outer, c.inner)]
        for place, role in named:
            if role not in ids:
                yield Issue(place, f"Role {role} is not declared.", "Add it to roles, or name one that is there.")
        for i, role in enumerate(ids):
            if role in ids[:i]:
                yield Issue(f"roles.{i}.id", "Two roles have one id.", "Give one of them another.")

    def build(self) -> Activity:
        """The activity as the core sees it."""
        return Activity(
            id=self.id,
            name=self.name,
            group=self.group,
            trains=MappingProxyType(dict(self.trains)),
            demands=MappingProxyType(dict(self.demands)),
            jobs=MappingProxyType(dict(self.jobs)),
            itself=MappingProxyType(dict(self.itself)),
            roles=tuple(r.build() for r in self.roles),
            axes=tuple(Axis(a.id, a.words, tuple(s.build(self.trains) for s in a.steps)) for a in self.axes),
            parts=self.parts,
            counts=(self.tries.young, self.tries.middle, self.tries.older),
            unit=Unit(self.unit.one, self.unit.many),
            work=self.work,
            seconds=self.seconds,
            from_months=self.from_months,
            until_months=self.until_months,
            setup=self.setup,
            cues=self._cues(),
            watch=self.watch,
            tidy=self.tidy,
            measures=self.measures,
            fits=tuple(c.build() for c in self.fits),
            setup_minutes=self.setup_minutes,
            tidy_minutes=self.tidy_minutes,
            tiring=self.tiring,
            tags=tuple(dict.fromkeys((*self.tags, *tags_set(self.answers)))),
            themes=self.themes,
            posture=self.posture,
            both_hands=self.both_hands,
            does=self.does,
            steps=self.steps,
            counts_when=self.counts_when,
            grip=self.grip,
            picture=tuple(f.build() for f in self.picture),
            why=self.why,
            stop=self.stop,
            line=self.id,
            named_only=MappingProxyType(dict(self.named_only)),
        )

    def _cues(self) -> tuple[Cue, ...]:
        words: dict[SupportLevel, str] = {**self.cues, "spoken": f"“{self.say}”"}
        return tuple(Cue(level, words[level]) for level in get_args(SupportLevel) if level in words)
