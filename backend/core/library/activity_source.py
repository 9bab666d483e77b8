"""One activity, as a file or a clinic writes it. The fields are documented, with an example, in docs/library.md."""

from collections.abc import Mapping
from itertools import pairwise
from types import MappingProxyType
from typing import get_args

from pydantic import Field, model_validator

from core.child import Part
from core.library.activity import Activity, Axis, Clearance, Cue, Step
from core.library.source import (
    HALVINGS,
    FormId,
    Id,
    MarkId,
    MeasureId,
    Source,
    StepTag,
    StrandId,
    ThingProperty,
    Value,
    Words,
    fail,
)
from core.materials import Need, Role
from core.recording import SupportLevel
from core.skills import STRANDS


class NeedSource(Source):
    """What is asked of a thing: a property within bounds, one value of it, or one of several."""

    property: ThingProperty
    words: Words
    at_least: float | None = None
    at_most: float | None = None
    equals: Value | None = Field(None, alias="is")
    one_of: tuple[Value, ...] = ()

    @model_validator(mode="after")
    def _asks_something(self) -> "NeedSource":
        bounds = self.at_least is not None or self.at_most is not None
        if bounds + (self.equals is not None) + bool(self.one_of) != 1:
            raise fail("A need has bounds, or one value, or several.", "Give at_least and at_most, or is, or one_of.")
        return self

    def build(self) -> Need:
        """The need as the core sees it."""
        values = self.one_of if self.equals is None else (self.equals,)
        return Need(self.property, self.words, self.at_least, self.at_most, frozenset(values) if values else None)


class RoleSource(Source):
    """A part a thing plays: its form, what it needs, and how many."""

    id: Id
    words: Words
    form: FormId
    fixed: int = Field(1, ge=0)
    per_try: float = Field(0.0, ge=0)
    share: float = Field(1.0, gt=0, le=1)
    pieces: int = 1
    needs: tuple[NeedSource, ...] = ()

    @model_validator(mode="after")
    def _cut_by_halving(self) -> "RoleSource":
        if self.pieces not in HALVINGS:
            raise fail("A sheet is cut into pieces by halving.", "Use 1, 2, 4, 8 or 16 pieces.")
        return self

    def build(self) -> Role:
        """The role as the core sees it."""
        needs = tuple(n.build() for n in self.needs)
        return Role(self.id, self.words, self.form, needs, self.fixed, self.per_try, self.share, self.pieces)


class StepSource(Source):
    """One choice on an axis. adds: rungs over the axis's first step."""

    words: Words
    adds: float = Field(0.0, ge=0)
    tries: int | None = Field(None, ge=1)
    needs: Mapping[str, tuple[NeedSource, ...]] = Field(default_factory=dict)
    uses: tuple[str, ...] = ()
    tags: tuple[StepTag, ...] = ()

    def build(self) -> Step:
        """The step as the core sees it."""
        needs = MappingProxyType({role: tuple(n.build() for n in asked) for role, asked in self.needs.items()})
        return Step(self.words, self.adds, needs, self.uses, self.tags, self.tries)


class AxisSource(Source):
    """One way of grading, its steps from easy to hard."""

    id: Id
    words: Words
    steps: tuple[StepSource, ...] = Field(min_length=2)

    @model_validator(mode="after")
    def _gets_harder(self) -> "AxisSource":
        rungs = [s.adds for s in self.steps]
        if rungs[0] != 0:
            raise fail(f"The first step of axis {self.id} adds {rungs[0]:g} rungs.", "It must add none.")
        if any(later <= earlier for earlier, later in pairwise(rungs)):
            raise fail(f"The steps of axis {self.id} add {rungs}.", "Each must add more rungs than the one before.")
        return self


class ClearanceSource(Source):
    """Room between two things: the outer one's gap over the inner one's width, in mm."""

    outer: str
    gap: ThingProperty
    inner: str
    width: ThingProperty
    spare_mm: float = Field(ge=0)
    words: Words


class TriesSource(Source):
    """Tries in a set: under 4 years, under 7, older."""

    young: int = Field(ge=1)
    middle: int = Field(ge=1)
    older: int = Field(ge=1)

    @model_validator(mode="after")
    def _never_fall(self) -> "TriesSource":
        if not self.young <= self.middle <= self.older:
            raise fail("Tries fall with age.", "Give an older child as many or more.")
        return self


class ActivitySource(Source):
    """One activity, as written. Fields beside those of `Activity` are what families read."""

    id: Id
    name: Words
    group: Words
    trains: Mapping[StrandId, float] = Field(min_length=1)
    demands: Mapping[StrandId, float] = Field(default_factory=dict)
    parts: tuple[Part, ...] = Field(min_length=1)
    minutes: tuple[int, int]
    tries: TriesSource
    unit: Words
    themes: tuple[Words, ...] = ()
    tiring: bool = False
    both_hands: bool = False
    tags: tuple[StepTag, ...] = ()
    roles: tuple[RoleSource, ...]
    clearances: tuple[ClearanceSource, ...] = ()
    axes: tuple[AxisSource, ...] = Field(min_length=1)
    setup: Words
    posture: Words = Activity.posture
    setup_minutes: float = Field(1.0, ge=0)
    cues: Mapping[SupportLevel, Words]
    watch: tuple[MarkId, ...]
    measures: tuple[MeasureId, ...] = ()
    tidy: Words
    tidy_minutes: float = Field(0.5, ge=0)
    does: str = ""
    steps: tuple[Words, ...] = Field((), max_length=5)
    counts_when: str = ""
    why: str = ""
    say: str = ""
    stop: str = ""

    @model_validator(mode="after")
    def _holds_together(self) -> "ActivitySource":
        if not 0 < self.minutes[0] <= self.minutes[1]:
            raise fail("Minutes are the shortest and the longest block.", "Give two numbers over 0, the shorter first.")
        if self.cues.keys() < {"spoken", "shown"} or not {"spoken", "shown"} <= self.cues.keys():
            raise fail("Cues want at least words to say and something to show.", "Add cues.spoken and cues.shown.")
        self._check_strands()
        self._check_roles()
        return self

    def _check_strands(self) -> None:
        for strand, base in (*self.trains.items(), *self.demands.items()):
            if strand in self.trains and strand in self.demands:
                raise fail(f"{strand} is both trained and demanded.", "Keep it where it is trained.")
            if not 0 <= base <= STRANDS[strand].top + 1:
                raise fail(f"Rung {base:g} of {strand} is off its ladder.", f"Use 1 to {STRANDS[strand].top}.")

    def _check_roles(self) -> None:
        ids = [r.id for r in self.roles]
        named = [role for a in self.axes for s in a.steps for role in (*s.needs, *s.uses)]
        named += [role for c in self.clearances for role in (c.outer, c.inner)]
        for role in named:
            if role not in ids:
                raise fail(f"Role {role} is not declared.", "Add it to roles, or name one that is there.")
        if len(set(ids)) != len(ids):
            raise fail("Two roles have one id.", "Give one of them another.")

    def build(self) -> Activity:
        """The activity as the core sees it."""
        return Activity(
            id=self.id,
            name=self.name,
            group=self.group,
            trains=MappingProxyType(dict(self.trains)),
            demands=MappingProxyType(dict(self.demands)),
            roles=tuple(r.build() for r in self.roles),
            axes=tuple(Axis(a.id, a.words, tuple(s.build() for s in a.steps)) for a in self.axes),
            parts=self.parts,
            minutes=self.minutes,
            counts=(self.tries.young, self.tries.middle, self.tries.older),
            unit=self.unit,
            setup=self.setup,
            cues=tuple(Cue(level, self.cues[level]) for level in get_args(SupportLevel) if level in self.cues),
            watch=self.watch,
            tidy=self.tidy,
            measures=self.measures,
            clearances=tuple(Clearance(c.outer, c.gap, c.inner, c.width, c.spare_mm, c.words) for c in self.clearances),
            setup_minutes=self.setup_minutes,
            tidy_minutes=self.tidy_minutes,
            tiring=self.tiring,
            tags=self.tags,
            themes=self.themes,
            posture=self.posture,
            both_hands=self.both_hands,
            does=self.does,
            steps=self.steps,
            counts_when=self.counts_when,
            why=self.why,
            say=self.say,
            stop=self.stop,
        )
