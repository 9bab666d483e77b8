"""A stored child as the rules see one."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import date
from types import MappingProxyType

from caseload.models import Child, Home, LibraryVersion, StrandEstimate
from clinic.models import Clinic
from core import ability
from core.ability import Estimate, TaskSeen, TaskStanding, standing
from core.child import Child as Facts
from core.child import Hand, Override, Setting, Zone, Zones, holding, known_precautions
from core.planner import Pace
from core.recording import AS_SHIPPED, ApproachKind, ApproachStanding, Learned, Met, approach_standing
from core.safety import RULES

DAYS_PER_MONTH = 365.2425 / 12


def age_months(birth_date: date, on: date) -> float:
    """Age in months on a day: whole calendar months, and the days left as a share of a mean month."""
    months = (on.year - birth_date.year) * 12 + on.month - birth_date.month
    if on.day < birth_date.day:
        months -= 1
    year, month = divmod(birth_date.year * 12 + birth_date.month - 1 + months, 12)
    turned = date(year, month + 1, min(birth_date.day, 28))
    return months + min(max((on - turned).days, 0) / DAYS_PER_MONTH, 0.999)


def facts_of(child: Child, on: date) -> Facts:
    """The child as the core's rules see it on a day."""
    return Facts(
        age_months=age_months(child.birth_date, on),
        hand=child.hand,
        mouthing=child.mouthing,
        allergies=frozenset(child.allergies),
        other_allergies=tuple(child.other_allergies),
        precautions=known_precautions(child.precautions),
        assisting_hand=child.assisting_hand,
        splint_hand=child.splint_hand,
        refuses=frozenset(child.refuses),
        likes=frozenset(child.likes),
        wanted=tuple(child.wanted),
        behind=frozenset(child.behind),
        told=tuple(sorted(child.told.items())),
        attention_minutes=child.attention_minutes,
        force_limit_newton=child.force_limit_newton,
        food_as_material=child.food_as_material,
        overrides=holding(overrides_of(child), on, "arms_reach"),
        overrides_in_room=holding(overrides_of(child), on, "room"),
        prompt_policy=child.prompt_policy,
        grip_policy=child.grip_policy,
        lace_method=child.lace_method,
        correct_policy=child.correct_policy,
        speed_policy=child.speed_policy,
        sameness_policy=child.sameness_policy,
        chaining_policy=child.chaining_policy,
        young_guises=child.young_guises,
        overlays=frozenset(child.overlays),
        favourites=frozenset(child.favourites),
        own_cues=tuple(child.own_cues.items()),
    )


def overrides_of(child: Child) -> list[Override]:
    """What a therapist allowed this child although a rule bars it, whether it still holds or not; by rule."""
    return [
        Override(
            rule,
            o["reason"],
            date.fromisoformat(o["on"]),
            date.fromisoformat(o["review_on"]),
            o["supervision"],
            o["by"],
        )
        for rule, o in sorted(child.overrides.items())
        if rule in RULES
    ]


def skill_hand(child: Child) -> Hand:
    """The hand that does the skilled part, on any day."""
    return facts_of(child, child.birth_date).skill_hand


def zones_of(clinic: Clinic) -> Zones:
    """The bands of expected success a clinic aims for; the usual ones where it says nothing."""
    own = {part: Zone(low, high) for part, (low, high) in clinic.zones.items()}
    return Zones(MappingProxyType({**Zones().bands, **own}))


def setting_of(home: Home) -> Setting:
    """Where a session in this place happens, with the supervision it usually has."""
    return Setting(home.kind, home.supervision)


def with_cutting(facts: Facts, estimates: Mapping[str, Estimate]) -> Facts:
    """The child with the rung of cutting that is sure by now, where anything at all was seen of it."""
    cutting = estimates.get("cutting")
    if cutting is None or not (cutting.tries or cutting.as_of):
        return facts
    return replace(facts, cutting_rung=cutting.mean - cutting.sd)


def learned_of(child: Child) -> Learned:
    """What the child's clinic has accepted of what its own children taught of the library. One query."""
    latest = LibraryVersion.objects.filter(clinic_id=child.clinic_id, status="accepted").order_by("-number").first()
    return latest.learned if latest else AS_SHIPPED


def start_of(row: StrandEstimate, child: Facts, on: date, learned: Learned) -> Estimate:
    """The first guess of a strand, with what its ladder, the child's age on a day and the clinic's children say."""
    return replace(ability.with_limits(ability.from_plain(row.start_state), child, row.strand, on), learned=learned)


def estimates_of(child: Child, on: date) -> dict[str, Estimate]:
    """Every strand's estimate, widened to a day. One query."""
    return {e.strand: ability.on_day(ability.from_plain(e.state), on) for e in child.estimates.all()}


def paces_of(child: Child, learned: Learned) -> dict[str, Pace]:
    """What the child's own clock says of each activity, and beside it the clocks of the clinic's others. One query."""
    others = {activity: Pace(1.0, 0, usual) for activity, usual in learned.seconds.items()}
    own = {p.activity_id: Pace(p.ratio, p.tries, learned.seconds.get(p.activity_id, 1.0)) for p in child.paces.all()}
    return {**others, **own}


def tasks_seen(child: Child) -> list[TaskSeen]:
    """Every time a wanted task was seen, oldest first. One query."""
    return [TaskSeen(t.task, t.on, t.steps_alone, t.place, t.with_whom, t.unasked) for t in child.tasks.all()]


def standings(child: Child) -> list[TaskStanding]:
    """Where each wanted task stands. One query."""
    seen = tasks_seen(child)
    return [standing(task, seen) for task in child.wanted]


def approaches_of(child: Child) -> list[ApproachStanding]:
    """Where the approach to each food and texture the child is wary of stands. One query."""
    met = [Met(m.what, m.kind, m.on, m.step, m.seconds) for m in child.meetings.all()]
    wary: list[tuple[str, ApproachKind]] = [(what, "food") for what in child.wary_of]
    wary += [(what, "texture") for what in child.refuses]
    return [approach_standing(what, kind, met) for what, kind in wary]


def set_start(row: StrandEstimate, estimate: Estimate) -> StrandEstimate:
    """Put a starting estimate into its row, unsaved; evidence counts from its day on."""
    row.start_state = dict(ability.as_plain(estimate))
    return set_estimate(row, estimate)


def set_estimate(row: StrandEstimate, estimate: Estimate) -> StrandEstimate:
    """Put an estimate into its row, unsaved."""
    row.mean, row.sd, row.as_of, row.tries = estimate.mean, estimate.sd, estimate.as_of, estimate.tries
    row.state = dict(ability.as_plain(estimate))
    return row
