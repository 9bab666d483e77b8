"""From what is stored to what the planner works on: a request with its cupboard, for one child, today."""

import hashlib
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date
from types import MappingProxyType
from typing import NamedTuple

from caseload.checks import FieldError
from caseload.facts import estimates_of, facts_of, learned_of, paces_of, standings, with_cutting, zones_of
from caseload.models import Child, Home
from caseload.queries import CHILD_ROWS, as_stored
from clinic.kept import Kept, MadeFrom
from clinic.models import Member
from core.child import Place, Setting, Supervision
from core.drawing import Laid, draw
from core.errors import NotThere
from core.library import find_activity, line_of
from core.materials import Thing
from core.offers import UsableCupboard, Variant
from core.planner import WORKED_OUT, Block, PlannedBlock, Refusal, SessionRequest, stand, wishes_practised
from cupboard.queries import items, stock_of
from planning.models import Plan
from planning.stored import planned_of
from shelf.queries import SHELF_ROWS, checked_activity, shelf_of

SESSIONS_REMEMBERED = 4
BENCHES_KEPT = 64  # in each process: one therapist's dials ask for one
BLOCKS_ARE_SETS = 2  # the way of working out from which blocks are whole sets


@dataclass(frozen=True)
class Wish:
    """What a therapist asks of a session."""

    minutes: int
    targets: tuple[str, ...]
    place: Place = "clinic"
    supervision: Supervision = "arms_reach"
    excluded: tuple[str, ...] = ()
    format_id: str = "parts"
    order: str = "precision_first"
    adults: int = 1
    task: str = ""
    kit: str = ""


def asked_variant(who: Member, activity_id: str, grade: str) -> Variant:
    """A grade as an address has it: step places with commas, as 0,2,1. Raises FieldError for anything else, and Http404
    for another clinic's own activity.
    """
    checked_activity(who, activity_id)
    try:
        return Variant(activity_id, tuple(int(step) for step in grade.split(",")))
    except ValueError as error:
        raise FieldError("grade", grade, "A grade is step places with commas.", "Send it as 0,2,1.") from error


@dataclass(frozen=True)
class Workbench:
    """A request with the cupboard it may use: what every stored choice is looked at with, today."""

    request: SessionRequest

    @property
    def cupboard(self) -> UsableCupboard:
        """The cupboard as this child may use it there."""
        return self.request.cupboard

    def stand(self, planned: PlannedBlock) -> Block | Refusal:
        """A stored choice as it stands today, or why it can't."""
        return stand(self.request, planned)

    def picture(self, block: Block | Variant, table: bool = True) -> str:
        """A block, or a grade alone, as a picture for this child out of this cupboard; with or without the table."""
        if isinstance(block, Variant):
            return draw(block, self.cupboard.offer(block), self.request.child, self.things, table)
        return draw(block.variant, block, self.request.child, self.things, table)

    def picture_with(self, variant: Variant, role: str, stock_id: str) -> str:
        """A grade as a picture with another thing of this home in one role. Raises NotThere where it can't be."""
        offer, thing = self.cupboard.offer(variant), self.things.get(stock_id)
        if offer is None or thing is None or role not in {q.role for q in offer.quantities}:
            raise NotThere(f"{stock_id} can't be shown as {role} here. Choose one of the things that are offered.")
        quantities = tuple(
            replace(q, stock_id=stock_id, thing_id=thing.id, name=thing.name) if q.role == role else q
            for q in offer.quantities
        )
        return draw(variant, Laid(quantities), self.request.child, self.things)

    @property
    def things(self) -> dict[str, Thing]:
        """By stock id, the things of this home as they were measured there."""
        return {s.id: s.thing for s in self.cupboard.stock}

    def stand_all(self, planned: Iterable[PlannedBlock]) -> tuple[list[Block | Refusal], tuple[Block, ...]]:
        """Stored choices as they stand today, and of these the ones that can."""
        result = [stand(self.request, p, place) for place, p in enumerate(planned)]
        return result, tuple(b for b in result if isinstance(b, Block))


MADE_FROM = MadeFrom(
    **CHILD_ROWS,
    **SHELF_ROWS,
    planning_plan="child_id = %(child)s and used_on is not null",
    planning_planblock="plan_id in (select id from planning_plan where child_id = %(child)s and used_on is not null)",
    cupboard_stockitem="home_id = %(home)s",
)
_KEPT: Kept[Workbench] = Kept(BENCHES_KEPT)


def workbench(child: Child, home: Home, wish: Wish, on: date, locked: Sequence[PlannedBlock] = ()) -> Workbench:
    """Return the request for a child, as stored, with the cupboard to fill it from. One query where it was made before
    and still holds, else a dozen.
    """

    def make() -> Workbench:
        return _made(as_stored(child), home, wish, on, locked)

    revision = MADE_FROM.revision(clinic=child.clinic_id, child=child.pk, home=home.pk)
    return _KEPT.get((child.pk, home.pk, wish, on, tuple(locked)), revision, make)


def _made(child: Child, home: Home, wish: Wish, on: date, locked: Sequence[PlannedBlock]) -> Workbench:
    estimates, learned = estimates_of(child, on), learned_of(child)
    tasks, recent = standings(child), recent_sessions(child)
    request = SessionRequest(
        replace(with_cutting(facts_of(child, on), estimates), learned=learned),
        Setting(wish.place, wish.supervision, wish.adults),
        stock_of(home),
        MappingProxyType(estimates),
        wish.minutes,
        tuple(wish.targets),
        activities=shelf_of(child.clinic_id),
        zones=zones_of(child.clinic),
        recent=MappingProxyType(recent.activities),
        practised=MappingProxyType(recent.wishes),
        pace=MappingProxyType(paces_of(child, learned)),
        managed=frozenset(t.task for t in tasks if t.managed),
        steps_alone=MappingProxyType({t.task: t.steps_alone for t in tasks if t.steps_alone is not None}),
        locked=tuple(locked),
        excluded=frozenset(wish.excluded),
        format_id=wish.format_id,
        order=wish.order,
        task=wish.task,
        kit=wish.kit,
    )
    return Workbench(request)


def workbench_of(plan: Plan, on: date) -> Workbench:
    """The workbench for a stored plan, as the child and the cupboard are today."""
    locked = [p for p in choices_of(plan) if p.locked]
    return workbench(plan.child, plan.home, wish_of(plan), on, locked)


def home_workbench(child: Child, targets: Sequence[str], on: date, excluded: Sequence[str] = ()) -> Workbench:
    """The workbench for work in the child's own home, with the supervision it has. excluded -- activities left out"""
    wish = Wish(30, tuple(targets), "home", child.home.supervision, tuple(excluded), format_id="home")
    return workbench(child, child.home, wish, on)


def school_workbench(child: Child, school: Home, targets: Sequence[str], on: date) -> Workbench:
    """The workbench for work at school, with the supervision it has."""
    wish = Wish(30, tuple(targets), "school", school.supervision, format_id="home")
    return workbench(child, school, wish, on)


def wish_of(plan: Plan) -> Wish:
    """What was asked of a stored plan."""
    return Wish(
        plan.minutes,
        tuple(plan.targets),
        plan.place,
        plan.supervision,
        tuple(plan.excluded),
        plan.format_id,
        plan.order,
        task=plan.task,
        kit=plan.kit,
    )


def choices_of(plan: Plan) -> list[PlannedBlock]:
    """The blocks of a stored plan, in order."""
    return [planned_of(row) for row in plan.blocks.all()]


class Recent(NamedTuple):
    """How many sessions ago each activity was last done, by its line, and each wanted task practised."""

    activities: dict[str, int]
    wishes: dict[str, int]


def recent_sessions(child: Child) -> Recent:
    """What the last sessions used and practised."""
    used = (
        Plan.objects.filter(child=child, used_on__isnull=False)
        .order_by("-used_on", "-made_at")
        .prefetch_related("blocks")
    )
    recent = Recent({}, {})
    for ago, plan in enumerate(used[:SESSIONS_REMEMBERED]):
        for block in plan.blocks.all():
            recent.activities.setdefault(line_of(block.activity_id), ago)
            for task in wishes_practised(block.part, find_activity(block.activity_id), child.wanted):
                recent.wishes.setdefault(task, ago)
    return recent


def stock_stamp(home: Home) -> str:
    """A short text that changes whenever the cupboard does."""
    lines = "|".join(
        f"{i.thing_id}:{i.count}:{sorted(i.measured.items())}" + (f":{sorted(i.labels.items())}" if i.labels else "")
        for i in items(home)
    )
    return hashlib.sha256(lines.encode()).hexdigest()


def what_changed(plan: Plan) -> list[str]:
    """What changed since the plan was made: the child, the cupboard, both or nothing."""
    changed = []
    if plan.child.version != plan.child_version:
        changed.append(f"{plan.child.first_name}'s profile")
    if stock_stamp(plan.home) != plan.stock_stamp:
        changed.append(f"the cupboard of {plan.home.name}")
    if plan.worked_out < BLOCKS_ARE_SETS:
        changed.append("how sessions are worked out: blocks are whole sets now, and their minutes follow")
    elif plan.worked_out != WORKED_OUT:
        changed.append("how sessions are worked out: grades are weighted by how likely they are to fit")
    now = learned_of(plan.child).version
    if plan.learned != now:
        changed.append(f"the library: version {now}, as the clinic’s children taught it" if now else "the library")
    return changed
