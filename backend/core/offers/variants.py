"""An activity at one grade, and what that grade says: its tries, its hazard tags, what it asks of each thing.

Worked out once for each grade of the library and kept.
"""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import product
from math import ceil
from types import MappingProxyType

from core.child import Child
from core.errors import NotThere
from core.library import find_activity
from core.library.activity import Activity
from core.materials import Need, Role
from core.recording import Learned
from core.safety import STEP_TAGS
from core.skills import OVER_TOP, STRANDS

MOST_KEPT = 60_000  # grades whose facts are kept at hand: the whole library several times over, and clinics' own


@dataclass(frozen=True)
class Variant:
    """An activity at one grade: the place of the chosen step on each axis, in the family's order."""

    activity_id: str
    grade: tuple[int, ...]

    def moved(self, axis: int, step: int) -> "Variant":
        """The same activity with one axis at another step."""
        return replace(self, grade=(*self.grade[:axis], step, *self.grade[axis + 1 :]))


def checked_variant(variant: Variant) -> Activity:
    """Return the variant's activity. Raises NotThere when activity or grade does not exist."""
    activity = find_activity(variant.activity_id)
    if len(variant.grade) != len(activity.axes):
        raise NotThere(
            f"{activity.name} is graded on {len(activity.axes)} axes, not {len(variant.grade)}. Give one step for each."
        )
    for axis, at in zip(activity.axes, variant.grade, strict=True):
        if not 0 <= at < len(axis.steps):
            raise NotThere(
                f"{axis.words} of {activity.name} has steps 1 to {len(axis.steps)}; {at + 1} is not one. Choose one of "
                "these."
            )
    return activity


@lru_cache(MOST_KEPT)
def variants_of(activity: Activity) -> tuple[Variant, ...]:
    """Every grade of an activity, easiest first axis by axis."""
    return tuple(Variant(activity.id, grade) for grade in product(*(range(len(a.steps)) for a in activity.axes)))


@lru_cache(MOST_KEPT)
def _count_said(activity: Activity, grade: tuple[int, ...]) -> int | None:
    return next((c for a, at in zip(activity.axes, grade, strict=True) if (c := a.steps[at].count) is not None), None)


@lru_cache(MOST_KEPT)
def try_seconds(activity: Activity, grade: tuple[int, ...]) -> float:
    """What one try at this grade usually takes: the longest its steps say, else the activity's own."""
    said = [s for a, at in zip(activity.axes, grade, strict=True) if (s := a.steps[at].seconds) is not None]
    return max(said, default=activity.seconds)


@lru_cache(MOST_KEPT)
def difficulty(variant: Variant) -> Mapping[str, float]:
    """Return the rung a variant asks, by strand: those it trains and those it demands.

    A strand's rung is the activity's base plus what each chosen step adds in that strand (linear logistic
    test model, Fischer 1973); a step leaves strands it does not name where they are. Never more than
    OVER_TOP above the ladder. Unrounded; where a home's own force is known, `Offer.rungs` has it.
    Raises NotThere when activity or grade does not exist.
    """
    return asked_rungs(checked_variant(variant), variant.grade, {})


def asked_rungs(activity: Activity, grade: tuple[int, ...], forces: Mapping[str, float]) -> Mapping[str, float]:
    """The rung a grade asks in each strand, trained or demanded.

    forces -- by strength strand, the force in N of the thing that is worked: its rung stands in place of the
              activity's own base and of the axis that is graded by force
    """
    rungs = {**activity.demands, **activity.trains}
    by_force = force_axes(activity)
    for strand, newton in forces.items():
        rungs[strand] = STRANDS[strand].rung_of(newton)
    for place, (axis, at) in enumerate(zip(activity.axes, grade, strict=True)):
        for strand, added in axis.steps[at].rungs.items():
            if not (strand in forces and place in by_force[strand]):
                rungs[strand] += added
    return MappingProxyType({s: min(r, STRANDS[s].top + OVER_TOP) for s, r in rungs.items()})


def taught_rungs(
    variant: Variant, rungs: Mapping[str, float], learned: Learned, measured: Collection[str] = ()
) -> Mapping[str, float]:
    """Return what a grade asks in each strand by what a clinic's own children taught; of a strength measured in newton,
    as it was measured.

    rungs -- what the library says; measured -- strands whose rung is the force of the very thing in use
    """
    if not learned.version:
        return rungs
    activity = find_activity(variant.activity_id)
    steps = [(axis.id, at) for axis, at in zip(activity.axes, variant.grade, strict=True)]
    return {
        strand: rung if strand in measured else rung + learned.harder(activity.line, strand, steps)
        for strand, rung in rungs.items()
    }


def posture_of(activity: Activity, grade: tuple[int, ...]) -> str:
    """How the child sits or stands at a grade: what a chosen step says, else the activity."""
    said = [p for a, at in zip(activity.axes, grade, strict=True) if (p := a.steps[at].posture)]
    return said[-1] if said else activity.posture


@lru_cache(MOST_KEPT)
def force_axes(activity: Activity) -> Mapping[str, frozenset[int]]:
    """For every strand whose rung is the force of a thing: the axes that are graded by that force."""
    return {
        role.works: frozenset(
            place
            for place, axis in enumerate(activity.axes)
            if any(n.prop == "force_newton" for s in axis.steps for n in s.needs.get(role.id, ()))
        )
        for role in activity.roles
        if role.works
    }


@lru_cache(MOST_KEPT)
def roles_of(activity: Activity, grade: tuple[int, ...]) -> tuple[Role, ...]:
    """The roles that are filled at this grade: those of every grade, and those that a chosen step brings to the table;
    each with as many as this grade has in use at once.
    """
    chosen = [a.steps[at] for a, at in zip(activity.axes, grade, strict=True)]
    by_step = {role for a in activity.axes for s in a.steps for role in s.uses}
    brought = {role for step in chosen for role in step.uses}
    roles = (r for r in activity.roles if r.id not in by_step or r.id in brought)
    return tuple(_in_use(r, max((step.at_once.get(r.id, 0) for step in chosen), default=0)) for r in roles)


@lru_cache(MOST_KEPT)
def _in_use(role: Role, at_once: int) -> Role:
    """The role with as many of it in use at once; one value for all grades that say the same."""
    return replace(role, at_once=at_once) if at_once else role


@lru_cache(MOST_KEPT)
def tags_of(activity: Activity, grade: tuple[int, ...]) -> tuple[str, ...]:
    """The hazard tags of what is done at this grade."""
    return (*activity.tags, *(t for a, at in zip(activity.axes, grade, strict=True) for t in a.steps[at].tags))


@lru_cache(MOST_KEPT)
def asked_of(activity: Activity, grade: tuple[int, ...], role_id: str) -> tuple[Need, ...]:
    """What a grade asks of the thing in a role, beside the role's own needs."""
    return tuple(n for a, at in zip(activity.axes, grade, strict=True) for n in a.steps[at].needs.get(role_id, ()))


@dataclass(frozen=True, eq=False)
class Ask:
    """What a grade asks of a cupboard: its roles, what it needs of each, the hazard tags, the tries where it says them.

    Many grades ask the same, and share one value: what fills them is then worked out once.
    """

    activity: Activity
    roles: tuple[Role, ...]
    needs: tuple[tuple[Need, ...], ...]
    tags: tuple[str, ...]
    tries: int | None


@lru_cache(MOST_KEPT)
def ask_of(activity: Activity, grade: tuple[int, ...]) -> Ask:
    """What a grade asks of a cupboard; one value for all grades that ask the same."""
    roles = roles_of(activity, grade)
    needs = tuple(asked_of(activity, grade, r.id) for r in roles)
    return _the_same(activity, roles, needs, tags_of(activity, grade), _count_said(activity, grade))


def loads_hands(activity: Activity, grade: tuple[int, ...]) -> bool:
    """Whether a grade loads the joints of the hand, by what is done."""
    return any(STEP_TAGS[tag].loads for tag in tags_of(activity, grade))


def tries_for(ask: Ask, child: Child) -> int:
    """How many tries a set has for a child: what the grade says, else by age; half as many where a rule for this kind
    of work says so for one of the child's precautions.
    """
    count = ask.activity.count_for(child.counting_months) if ask.tries is None else ask.tries
    halved = any(STEP_TAGS[tag].halves & child.precautions for tag in ask.tags)
    return ceil(count / 2) if halved else count


_the_same = lru_cache(MOST_KEPT)(Ask)


@lru_cache(MOST_KEPT)
def asks_of(activity: Activity) -> tuple[tuple[Ask, tuple[Variant, ...]], ...]:
    """Everything an activity may ask of a cupboard, each with the grades that ask it, in the order of variants_of."""
    result: dict[Ask, list[Variant]] = {}
    for variant in variants_of(activity):
        result.setdefault(ask_of(activity, variant.grade), []).append(variant)
    return tuple((ask, tuple(variants)) for ask, variants in result.items())
