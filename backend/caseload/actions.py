"""Adding and changing children, and setting a starting rung."""

from collections.abc import Iterable, Mapping, Sequence
from datetime import date, timedelta
from typing import Any, NamedTuple
from uuid import UUID

from django.db import IntegrityError, transaction
from procrastinate.contrib.django import app

from caseload.checks import FieldError, checked_home, checked_meeting, checked_profile, checked_steps
from caseload.facts import facts_of, set_start
from caseload.models import ActivityPace, Child, EstimatePoint, Home, MeetingRecord, StrandEstimate, TaskRecord
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core import ability
from core.ability import Estimate, TaskSeen
from core.child import CHOICES as POLICIES
from core.child import LONGEST_OVERRIDE, Nearby, Place, Supervision
from core.planner import Pace
from core.recording import Met
from core.safety import RULES
from core.skills import STRANDS


class NewPlace(NamedTuple):
    """A place to be added with the child: what it is called, its kind, how close an adult is."""

    name: str
    kind: Place
    supervision: Supervision


PROFILE = (
    "first_name",
    "birth_date",
    "hand",
    "mouthing",
    "allergies",
    "other_allergies",
    "precautions",
    "assisting_hand",
    "splint_hand",
    "refuses",
    "likes",
    "wanted",
    "behind",
    "told",
    "reason",
    "family_words",
    "seating",
    "attention_minutes",
    "force_limit_newton",
    "food_as_material",
    "every_days",
    "referral",
    "consent_on",
    "consent_words",
    "wary_of",
    "young_guises",
    "overlays",
    *POLICIES,
)


GUESSED_FROM = frozenset({"birth_date", "precautions", "wanted", "behind", "told"})
"""What first guesses are worked out from."""


def profile_of(child: Child) -> dict[str, Any]:
    """The editable part of a child, as plain values."""
    return {name: getattr(child, name) for name in PROFILE}


@acting("home.add")
def add_home(
    member: Member, name: str, kind: Place, supervision: Supervision, adults: int = 1, who: str = ""
) -> Done[Home]:
    """Add a place with an empty cupboard. Raises FieldError for a name or a kind that can't be kept."""
    home = Home.objects.create(clinic_id=member.clinic_id, **checked_home(name, kind, supervision, adults, who))
    return Done(home, home, None, {"name": home.name, "kind": home.kind})


@acting("home.edit")
def edit_home(
    member: Member,
    home: Home,
    name: str,
    kind: Place,
    supervision: Supervision,
    adults: int,
    who: str,
    is_archived: bool,
    version: int,
) -> Done[Home]:
    """Change a place, or archive it. Raises StaleEdit when somebody else did so since `version`, FieldError for what
    can't be: a place somebody lives in is not archived.
    """
    now = Home.objects.select_for_update().get(pk=home.pk)
    before = _plain_home(now)
    checked = checked_home(name, kind, supervision, adults, who)
    if now.version != version:
        raise StaleEdit(before, {**checked, "is_archived": is_archived})
    living = [c.first_name for c in now.children.all()[:4]]
    if is_archived and living:
        raise FieldError(
            "is_archived",
            is_archived,
            f"{now.name} is where {' and '.join(living[:3])}{' and others' if living[3:] else ''} live.",
            "Give them another place first.",
        )
    for field, value in {**checked, "is_archived": is_archived}.items():
        setattr(now, field, value)
    now.version += 1
    now.save()
    if is_archived:
        now.visitors.clear()
    return Done(now, now, None, {"before": before, "after": _plain_home(now)})


@acting("child.move")
def set_places(member: Member, child: Child, home: Home, also: Sequence[Home], version: int) -> Done[Child]:
    """Say where a child lives and where else it has sessions. Plans made before stay where they were made.

    Raises StaleEdit when somebody else changed the child since `version`, FieldError for an archived place.
    """
    now = Child.objects.select_for_update().get(pk=child.pk)
    before = {"home": now.home_id, "also_at": sorted(now.also_at.values_list("pk", flat=True))}
    others = sorted({h.pk for h in also} - {home.pk})
    after = {"home": home.pk, "also_at": others}
    if now.version != version:
        raise StaleEdit(plain({**before, "version": now.version}), plain(after))
    for field, places in (("home_id", [home]), ("also_at", also)):
        for place in places:
            if place.is_archived:
                raise FieldError(field, place.pk, f"{place.name} is archived.", "Choose another place.")
    now.home = home
    now.version += 1
    now.save(update_fields=["home", "version"])
    now.also_at.set(others)
    return Done(now, now, now.pk, {"before": before, "after": after})


@acting("child.add")
def add_child(
    member: Member, home: Home | NewPlace, profile: Mapping[str, Any], on: date, request: UUID | None = None
) -> Done[Child]:
    """Add a child with a first guess in every strand, from age; with a new place where none is there yet.

    The same request sent again gives the child it made. Raises FieldError for what can't be kept.
    """
    made = Child.objects.visible_to(member).select_for_update().filter(request=request).first() if request else None
    if made is not None:
        return Done(made, made, made.pk, {"sent_again": True})
    checked = checked_profile(profile, on, member.clinic_id)
    place = home if isinstance(home, Home) else Home.objects.create(clinic_id=member.clinic_id, **checked_home(*home))
    try:
        with transaction.atomic():
            child = Child.objects.create(
                clinic_id=member.clinic_id, home=place, therapist=member, request=request, **checked
            )
    except IntegrityError as error:  # the same form, sent twice at the same moment
        raise FieldError(
            "first_name", checked["first_name"], "This child is being added already.", "Wait a moment."
        ) from error
    facts = facts_of(child, on)
    StrandEstimate.objects.bulk_create(
        [set_start(StrandEstimate(child=child, strand=s), ability.start(facts, s, on=on)) for s in STRANDS]
    )
    return Done(child, child, child.pk, {"first_name": child.first_name, "home": place.name})


@acting("child.edit")
def edit_child(member: Member, child: Child, profile: Mapping[str, Any], version: int, on: date) -> Done[Child]:
    """Change a child, and the first guesses where they rest on what was changed. Raises StaleEdit when somebody else
    did so since `version`.
    """
    now = Child.objects.select_for_update().get(pk=child.pk)
    checked = checked_profile(profile, on, member.clinic_id)
    if now.version != version:
        raise StaleEdit(plain({**profile_of(now), "version": now.version}), plain(dict(profile)))
    before = profile_of(now)
    changed = {k: v for k, v in checked.items() if before[k] != v}
    for name, value in changed.items():
        setattr(now, name, value)
    now.version += 1
    now.save()
    if GUESSED_FROM & changed.keys():
        _guess_again(now, on)
    return Done(now, now, now.pk, {"before": plain({k: before[k] for k in changed}), "after": plain(changed)})


def _guess_again(child: Child, on: date) -> None:
    """Work out the first guesses anew, where nothing was seen yet."""
    facts = facts_of(child, on)
    unseen = StrandEstimate.objects.select_for_update().filter(child=child, seen_rung=None, as_of=None, tries=0)
    rows = [set_start(row, ability.start(facts, row.strand, on=on)) for row in unseen]
    StrandEstimate.objects.bulk_update(rows, ["start_state", "state", "mean", "sd", "as_of", "tries"])


@acting("child.set_rung")
def set_rung(member: Member, child: Child, strand: str, rung: int, on: date) -> Done[StrandEstimate]:
    """Start a strand from what the child was seen to do. Raises NotThere for a rung that does not exist."""
    if strand not in STRANDS:
        raise FieldError(
            "strand", strand, f"{strand!r} is not a strand of the skills map.", "Choose one of its ladders."
        )
    ability.start(facts_of(child, on), strand, seen_rung=rung)  # refuses a rung the ladder does not have
    row = StrandEstimate.objects.select_for_update().get(child=child, strand=strand)
    before, known = row.mean, ability.from_plain(row.state)
    if known.as_of is not None and known.as_of >= on:  # today's sets will be counted again, from the new start on
        known = ability.from_plain(row.start_state)
    estimate = ability.seen_at(known, rung, on)
    set_start(row, estimate).seen_rung = rung
    row.save()
    keep_point(child, strand, on, estimate)
    return Done(row, child, child.pk, {"strand": strand, "rung": rung, "before": round(before, 2)})


@acting("child.override_hazard")
def override_hazard(
    member: Member, child: Child, rule: str, reason: str, review_on: date, supervision: Nearby, on: date
) -> Done[Child]:
    """Allow this child what a rule bars, with the reason, who allows it, and the last day it holds; again to renew it.

    Raises FieldError for a rule nobody may override, a reason too short or a day that can't be.
    """
    if rule not in RULES:
        raise FieldError("rule", rule, f"There is no rule {rule!r}.", "Choose one that bars something.")
    if fixed := RULES[rule].fixed:
        about = RULES[rule].about
        raise FieldError("rule", rule, f"Nobody can override this rule: {about}.", fixed)
    if len(reason.strip()) < 10:
        raise FieldError(
            "reason",
            reason,
            "An override needs its reason, in at least a few words.",
            "Say who watches, and why it is safe.",
        )
    if not on < review_on <= on + timedelta(days=LONGEST_OVERRIDE):
        raise FieldError(
            "review_on",
            review_on.isoformat(),
            "An override is reviewed within a year.",
            "Choose a day after today and within a year.",
        )
    now = Child.objects.select_for_update().get(pk=child.pk)
    kept = {
        "reason": reason.strip(),
        "on": on.isoformat(),
        "review_on": review_on.isoformat(),
        "supervision": supervision,
        "by": member.name,
    }
    now.overrides = {**now.overrides, rule: kept}
    now.version += 1
    now.save(update_fields=["overrides", "version"])
    return Done(now, now, now.pk, {"rule": rule, **kept})


@acting("child.withdraw_override")
def withdraw_override(member: Member, child: Child, rule: str) -> Done[Child]:
    """Let a rule bar again for this child. Raises FieldError where it was not overridden."""
    now = Child.objects.select_for_update().get(pk=child.pk)
    if rule not in now.overrides:
        raise FieldError("rule", rule, "No override of this rule to withdraw.", "Nothing to do: the rule holds.")
    before = now.overrides[rule]
    now.overrides = {other: kept for other, kept in now.overrides.items() if other != rule}
    now.version += 1
    now.save(update_fields=["overrides", "version"])
    return Done(now, now, now.pk, {"rule": rule, "was": before})


@acting("child.note_mouthing")
def note_mouthing(member: Member, child: Child) -> Done[Child]:
    """Keep that a child was seen to mouth a thing: never, and chewing, become sometimes; what was said before is not
    made less.
    """
    now = Child.objects.select_for_update().get(pk=child.pk)
    before = now.mouthing
    if before in ("never", "chews"):
        now.mouthing = "sometimes"
        now.version += 1
        now.save(update_fields=["mouthing", "version"])
    return Done(now, now, now.pk, {"mouthing": {"from": before, "to": now.mouthing}})


@acting("child.note_task")
def note_task(member: Member, child: Child, seen: TaskSeen) -> Done[TaskRecord]:
    """Keep that a wanted task was seen: steps alone, where, with whom; the estimates follow in the background. Raises
    FieldError where that can't be.
    """
    checked_steps(seen.task, child.wanted, seen.steps_alone)
    made = keep_task(member, child, seen)
    transaction.on_commit(lambda: app.configure_task("replay_child").defer(child_id=child.pk))
    return Done(made, child, child.pk, {"task": seen.task, "steps_alone": seen.steps_alone, "place": seen.place})


@acting("child.note_meeting")
def note_meeting(member: Member, child: Child, met: Met) -> Done[MeetingRecord]:
    """Keep how far a child went with a food or a texture. Raises FieldError where that can't be."""
    checked_meeting(met, child.wary_of, child.refuses, child.precautions)
    made = MeetingRecord.objects.create(
        child=child, what=met.what, kind=met.kind, on=met.on, step=met.step, seconds=met.seconds, by=member
    )
    return Done(made, child, child.pk, {"what": met.what, "step": met.step, "seconds": met.seconds})


def _plain_home(home: Home) -> dict[str, Any]:
    return {
        "name": home.name,
        "kind": home.kind,
        "supervision": home.supervision,
        "adults": home.adults,
        "who": home.who,
        "is_archived": home.is_archived,
        "version": home.version,
    }


def keep_task(member: Member, child: Child, seen: TaskSeen) -> TaskRecord:
    """Keep how a wanted task was seen; of one day, place and person the last word stands. Part of an action."""
    made, _ = TaskRecord.objects.update_or_create(
        child=child,
        task=seen.task,
        on=seen.on,
        place=seen.place,
        with_whom=seen.with_whom,
        defaults={"steps_alone": seen.steps_alone, "unasked": seen.unasked, "by": member},
    )
    return made


def keep_point(child: Child, strand: str, on: date, estimate: Estimate) -> None:
    """Keep where the estimate stood on a day; the last word of the day wins."""
    EstimatePoint.objects.update_or_create(
        child=child, strand=strand, on=on, defaults={"mean": estimate.mean, "sd": estimate.sd}
    )


def keep_points(child: Child, points: Iterable[tuple[str, date, Estimate]]) -> None:
    """Keep where estimates stood on days, (strand, day, estimate) each; one query."""
    EstimatePoint.objects.bulk_create(
        [EstimatePoint(child=child, strand=s, on=on, mean=e.mean, sd=e.sd) for s, on, e in points],
        update_conflicts=True,
        unique_fields=["child", "strand", "on"],
        update_fields=["mean", "sd"],
    )


def keep_paces(child: Child, paces: Mapping[str, Pace]) -> None:
    """Keep what the child's clock says of activities; part of the action that ends a run. One query."""
    ActivityPace.objects.bulk_create(
        [ActivityPace(child=child, activity_id=a, ratio=p.ratio, tries=p.tries) for a, p in paces.items()],
        update_conflicts=True,
        unique_fields=["child", "activity_id"],
        update_fields=["ratio", "tries"],
    )


def plain(values: Mapping[str, Any]) -> dict[str, Any]:
    """Dates as text, so that values go into JSON."""
    return {k: v.isoformat() if isinstance(v, date) else v for k, v in values.items()}
