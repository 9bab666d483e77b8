"""What an activity is: the strands it trains, the things it needs, how it is graded, and how it is led."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from math import inf
from types import MappingProxyType
from typing import Literal

from core.child import Part
from core.library.kinds import KIND_OF_GROUP
from core.library.picture import Frame
from core.library.work import WORK, Work, WorkKind
from core.materials import Need, Role
from core.recording import SUPPORTS, SupportLevel
from core.skills import STRANDS


@dataclass(frozen=True)
class Unit:
    """What one try is called: one peg, many pegs."""

    one: str
    many: str

    def of(self, count: int) -> str:
        """The word that goes with so many."""
        return self.one if count == 1 else self.many


@dataclass(frozen=True)
class Step:
    """One choice on an axis.

    words  -- the grade in the therapist's words
    tell   -- the same as a whole sentence to a parent; it says what to change as well as what to do
    rungs  -- how much harder than the axis's first step, in rungs, by strand; others stay where they are
    needs  -- what it asks of the thing in a role, beside the role's own needs
    uses   -- roles that only steps naming them bring to the table: filled, counted and judged at those grades alone
    at_once -- by role, how many of it are in use at the same time at this step
    tags   -- hazard tags of safety.STEP_TAGS
    count  -- how many tries a set has at this step, where the step decides it
    seconds -- what one try takes at this step, where it decides: the longest of those chosen
    cues   -- what to say or do at this step, by level of help, in place of the activity's own cue
    steps  -- what is done at this step, where it is another act than the activity's own steps say
    posture -- how the child sits or stands at this step, where it is otherwise than the activity says
    itself -- by wanted task, the numbers of its steps the child does at this step, in place of the activity's
    from_months, until_months -- the ages between which this step is a child's own, where narrower than the activity's
    """

    words: str
    tell: str
    rungs: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))
    needs: Mapping[str, tuple[Need, ...]] = field(default_factory=lambda: MappingProxyType({}))
    uses: tuple[str, ...] = ()
    tags: tuple[str, ...] = ()
    count: int | None = None
    seconds: float | None = None
    cues: Mapping[SupportLevel, str] = field(default_factory=lambda: MappingProxyType({}))
    steps: tuple[str, ...] = ()
    posture: str = ""
    at_once: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))
    itself: Mapping[str, tuple[int, ...]] = field(default_factory=lambda: MappingProxyType({}))
    from_months: float | None = None
    until_months: float | None = None


@dataclass(frozen=True)
class Axis:
    """One way of grading an activity, its steps from easy to hard."""

    id: str
    words: str
    steps: tuple[Step, ...]


@dataclass(frozen=True)
class Cue:
    """What to say or do, and how much help it is."""

    support: SupportLevel
    words: str

    @property
    def support_words(self) -> str:
        """The help in words."""
        return SUPPORTS[self.support].words


FitKind = Literal["clears", "passes", "strings", "stacks", "holds"]


@dataclass(frozen=True)
class Fit:
    """How the things in two roles must fit each other.

    clears  -- the outer one's `gap` is wider than the inner one's `width` by spare_mm
    passes  -- the inner one goes through the outer one's opening on both its smaller sides
    strings -- the inner ones go on the outer line: hole over line, all of them on its length
    stacks  -- the inner rings go on the outer post: hole over post, all of them on its height
    holds   -- the outer pot takes the inner ones: opening over size, all of them in its room
    """

    kind: FitKind
    outer: str
    inner: str
    spare_mm: float
    words: str
    gap: str = ""
    width: str = ""


@dataclass(frozen=True, eq=False)
class Activity:
    """One activity with its grades. Base rungs are those of the easiest grade on every axis.

    work: its kind of work. seconds: what one try usually takes, before a child's own pace is known.

    line: the name its sets count under: its id, and of a clinic's own activity the same through changes of words alone.

    named_only: words of its text that name a thing and ask for none, each with why.

    itself: by wanted task that it is, with the task's own things, the numbers of its steps the child does.

    jobs: what the hands do in a strand it trains, of those where that decides what it helps; none helps nothing.

    gone: why it can't be used any more, of a clinic's own that the checks let through once; empty of all others.

    from_months, until_months: the ages between which its guise is a child's own; outside them it is planned no more,
    but may be chosen by hand.

    Declared once and equal only to itself, so that what is worked out from it can be kept beside it.
    What families read: does, what the child does; steps, two to five, the adult's own beginning with “You:”;
    counts_when, what makes a try a success, and grip, the grip that goes with it, where the strand is one of grip; why,
    what it is good for; stop, the one safety line.
    """

    id: str
    name: str
    group: str
    trains: Mapping[str, float]
    demands: Mapping[str, float]
    roles: tuple[Role, ...]
    axes: tuple[Axis, ...]
    parts: tuple[Part, ...]
    counts: tuple[int, int, int]
    unit: Unit
    work: WorkKind
    seconds: float
    setup: str
    cues: tuple[Cue, ...]
    watch: tuple[str, ...]
    tidy: str
    does: str
    steps: tuple[str, ...]
    counts_when: str
    why: str
    stop: str
    grip: str = ""
    picture: tuple[Frame, ...] = ()
    measures: tuple[str, ...] = ()
    fits: tuple[Fit, ...] = ()
    setup_minutes: float = 0.5
    tidy_minutes: float = 0.5
    tiring: bool = False
    from_months: float | None = None
    until_months: float | None = None
    tags: tuple[str, ...] = ()
    themes: tuple[str, ...] = ()
    posture: str = "at the table, feet flat, forearms resting"
    both_hands: bool = False
    line: str = ""
    gone: str = ""
    itself: Mapping[str, tuple[int, ...]] = field(default_factory=lambda: MappingProxyType({}))
    jobs: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))
    named_only: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))

    @property
    def strand(self) -> str:
        """The strand it trains first."""
        return next(iter(self.trains))

    @property
    def target(self) -> str:
        """The target of the strand it trains first."""
        return STRANDS[self.strand].target

    @property
    def kind(self) -> str:
        """The kind of work it feels like: its group, or several groups that feel the same."""
        return KIND_OF_GROUP.get(self.group, self.group)

    @property
    def dose(self) -> Work:
        """What is usual for its kind of work."""
        return WORK[self.work]

    @property
    def minutes(self) -> tuple[float, float]:
        """The minutes of one set and of the longest block for a child of five, before the child's own pace is known."""
        count, usual = self.counts[1], self.dose
        one = (count * self.seconds + usual.rest) / 60
        return one, one * max(1, min(usual.sets, usual.tries // count))

    @property
    def moves(self) -> bool:
        """Whether the whole body moves: not at the table."""
        return not self.posture.startswith(("at the table", "seated", "sitting"))

    def ages(self, grade: Sequence[int]) -> tuple[float, float]:
        """The ages in months from which and until which a grade's guise is a child's own."""
        said: list[Activity | Step] = [self, *(a.steps[at] for a, at in zip(self.axes, grade, strict=True))]
        return max(s.from_months or 0.0 for s in said), min(s.until_months or inf for s in said)

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
