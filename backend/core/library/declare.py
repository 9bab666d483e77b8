"""How an activity family is declared, and the checks every declaration passes when it is loaded."""

import sys
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from itertools import pairwise
from types import MappingProxyType

from core.materials import FORMS, Need, Role
from core.recording import KNOWN, LEVELS, MARKS
from core.safety import STEP_TAGS
from core.skills import STRANDS

PARTS = ("opener", "warm-up", "main", "stretch", "daily", "tidy")


class DeclarationError(ValueError):
    """A family that breaks a rule: says which family, which axis, and what to do."""


@dataclass(frozen=True)
class Step:
    """One choice on an axis.

    words  -- the grade in the therapist's words
    rungs  -- how much harder than the axis's first step, in rungs, for every strand trained
    needs  -- what it asks of the thing in a role, beside the role's own needs
    uses   -- roles that only steps naming them bring to the table: filled, counted and judged at those grades alone
    tags   -- hazard tags of hazards.STEP_TAGS
    count  -- how many tries a set has at this step, where the step decides it
    """

    words: str
    rungs: float = 0.0
    needs: Mapping[str, tuple[Need, ...]] = field(default_factory=lambda: MappingProxyType({}))
    uses: tuple[str, ...] = ()
    tags: tuple[str, ...] = ()
    count: int | None = None


@dataclass(frozen=True)
class Axis:
    """One way of grading a family, its steps from easy to hard."""

    id: str
    words: str
    steps: tuple[Step, ...]


@dataclass(frozen=True)
class Cue:
    """What to say or do, and how much help it is."""

    support: str
    words: str


@dataclass(frozen=True)
class Clearance:
    """The thing in `outer` has a `gap` property that the thing in `inner` must pass with room to spare."""

    outer: str
    gap: str
    inner: str
    width: str
    spare_mm: float
    words: str


@dataclass(frozen=True, eq=False)
class Family:
    """One activity with its grades. Base rungs are those of the easiest grade on every axis.

    Declared once and equal only to itself, so that what is worked out from it can be kept beside it.
    """

    id: str
    name: str
    group: str
    trains: Mapping[str, float]
    demands: Mapping[str, float]
    roles: tuple[Role, ...]
    axes: tuple[Axis, ...]
    parts: tuple[str, ...]
    minutes: tuple[int, int]
    counts: tuple[int, int, int]
    unit: str
    setup: str
    cues: tuple[Cue, ...]
    watch: tuple[str, ...]
    tidy: str
    measures: tuple[str, ...] = ()
    clearances: tuple[Clearance, ...] = ()
    setup_minutes: float = 1.0
    tidy_minutes: float = 0.5
    tiring: bool = False
    tags: tuple[str, ...] = ()
    themes: tuple[str, ...] = ()
    posture: str = "at the table, feet flat, forearms resting"
    both_hands: bool = False

    @property
    def strand(self) -> str:
        """The strand it trains first."""
        return next(iter(self.trains))

    @property
    def target(self) -> str:
        """The target of the strand it trains first."""
        return STRANDS[self.strand].target

    def axis(self, axis_id: str) -> tuple[int, Axis]:
        """Return the place and the axis of that id. Raises ValueError where there is none."""
        for place, axis in enumerate(self.axes):
            if axis.id == axis_id:
                return place, axis
        raise ValueError(f"{self.name} is not graded by {axis_id!r}. Use one of {', '.join(a.id for a in self.axes)}.")

    def count_for(self, age_months: float) -> int:
        """How many tries a set has: young (under 4 years), middle (under 7), older. Common practice."""
        young, middle, older = self.counts
        return young if age_months < 48 else middle if age_months < 84 else older


def axis(id: str, words: str, *steps: Step) -> Axis:
    """An axis, its steps from easy to hard."""
    return Axis(id, words, steps)


def step(words: str, rungs: float = 0.0, uses: str = "", tags: str = "", count: int | None = None, **needs: object) -> Step:
    """A step; keyword arguments name roles and give a need or a tuple of needs."""
    asked = {role: n if isinstance(n, tuple) else (n,) for role, n in needs.items()}
    return Step(words, rungs, MappingProxyType(asked), tuple(uses.split()), tuple(tags.split()), count)  # type: ignore[arg-type]


def cues(**words: str) -> tuple[Cue, ...]:
    """Cues by support level, least help first."""
    return tuple(Cue(level, words[level]) for level in LEVELS if level in words)


def checked(family: Family) -> Family:
    """Return the family unchanged. Raises DeclarationError with file, family, axis and remedy when it breaks a rule."""
    for problem in _problems(family):
        module = sys._getframe(1).f_globals["__name__"]
        raise DeclarationError(f"{module.replace('.', '/')}.py: family {family.id!r}: {problem}")
    return family


def _problems(f: Family) -> Iterator[str]:
    yield from _strand_problems(f)
    if not f.trains:
        yield "trains no strand. Name at least one."
    for part in f.parts:
        if part not in PARTS:
            yield f"part {part!r} is unknown. Use one of {', '.join(PARTS)}."
    for mark in f.watch:
        if mark not in MARKS:
            yield f"mark {mark!r} is unknown. Add it to core/marks.py or use another."
    for measure in f.measures:
        if measure not in KNOWN:
            yield f"measure {measure!r} is unknown. Use one of {', '.join(sorted(KNOWN))}."
    for tag in (*f.tags, *(t for a in f.axes for s in a.steps for t in s.tags)):
        if tag not in STEP_TAGS:
            yield f"hazard tag {tag!r} has no rule. Use one of {', '.join(STEP_TAGS)}."
    if not 0 < f.minutes[0] <= f.minutes[1]:
        yield f"minutes {f.minutes} must rise from more than 0."
    if not 0 < f.counts[0] <= f.counts[1] <= f.counts[2]:
        yield f"counts {f.counts} must not fall with age."
    if {c.support for c in f.cues} < {"spoken", "shown"}:
        yield "needs at least a spoken cue and one that is shown."
    yield from _role_problems(f)
    yield from _axis_problems(f)


def _strand_problems(f: Family) -> Iterator[str]:
    for strand, base in (*f.trains.items(), *f.demands.items()):
        if strand not in STRANDS:
            yield f"strand {strand!r} is not in the skills map. Use one of {', '.join(STRANDS)}."
        elif strand in f.trains and strand in f.demands:
            yield f"strand {strand!r} is both trained and demanded. Keep it where it is trained."
        elif not 0 <= base <= STRANDS[strand].top + 1:
            yield f"base rung {base} of {strand} is off its ladder (1 to {STRANDS[strand].top})."


def _role_problems(f: Family) -> Iterator[str]:
    ids = {r.id for r in f.roles}
    for role in f.roles:
        if role.form not in FORMS:
            yield f"role {role.id!r}: form {role.form!r} is unknown. Use one of {', '.join(FORMS)}."
        if role.pieces not in (1, 2, 4, 8, 16):
            yield f"role {role.id!r}: {role.pieces} pieces can't be had by halving. Use 1, 2, 4, 8 or 16."
    for clearance in f.clearances:
        if not {clearance.outer, clearance.inner} <= ids:
            yield f"clearance between {clearance.outer!r} and {clearance.inner!r} names a role it has not."
    for a in f.axes:
        for s in a.steps:
            for role_id in (*s.needs, *s.uses):
                if role_id not in ids:
                    yield f"axis {a.id!r}, step {s.words!r}: role {role_id!r} is not declared."


def _axis_problems(f: Family) -> Iterator[str]:
    for a in f.axes:
        effects = [s.rungs for s in a.steps]
        if len(effects) < 2:
            yield f"axis {a.id!r}: needs at least two steps."
        if effects and effects[0] != 0:
            yield f"axis {a.id!r}: its first step must add 0 rungs, not {effects[0]}."
        if any(later <= earlier for earlier, later in pairwise(effects)):
            yield f"axis {a.id!r}: steps must get harder, in rungs: {effects}."
