"""What values make, shown while they are being written: pictures, words, what fits, where they are used."""

from collections.abc import Iterator, Mapping
from typing import Any

from clinic.base_schema import Schema
from core.child import Child, Setting
from core.drawing import draw, draw_thing
from core.library import THINGS, Activity, Issue, own_activity, own_thing, reading_grade
from core.materials import Thing
from core.offers import UsableCupboard, Variant, difficulty, fillers, reach_of_thing, stock_of, told, variants_of
from core.safety import Status, assess, fits_small_parts_cylinder
from core.skills import STRANDS
from shelf.actions import DRAFT, all_issues
from shelf.models import OwnKind

FIVE = Child(age_months=60, hand="right")
SOMEBODY_CLOSE = Setting("clinic", "arms_reach")
CHILDREN = (
    ("a child of 5, an adult close by", FIVE, SOMEBODY_CLOSE),
    ("a child of 2 who mouths, an adult close by", Child(age_months=24, mouthing="often"), SOMEBODY_CLOSE),
    ("a child of 5 with a box, alone", FIVE, Setting("home", "box")),
)
PLENTY = 60  # of each thing, in the house an activity is looked at in
NAMED = 6  # things that are named for a role
FAMILY_GRADE = 6.0  # reading grade of what families read, at the most; project definition


class FillerOut(Schema):
    """What fills a role: the things the library knows that do, the first few by name."""

    role: str
    words: str
    count: int
    names: list[str]


class OwnGrade(Schema):
    """One grade in the order of difficulty: its words and the rung it asks in the first strand."""

    words: str
    rung: float
    grade: list[int]


class ToldPreview(Schema):
    """What a family reads at the easiest grade."""

    does: str
    grade: list[str]
    steps: list[str]
    counts_when: str
    grip: str
    why: str
    stop: str


class OwnAdvice(Schema):
    """What could be better, without being wrong."""

    at: str
    reason: str
    remedy: str


class ActivityPreview(Schema):
    """An activity as a house with everything and a child of five would have it."""

    picture: str
    hardest_picture: str
    told: ToldPreview
    fills: list[FillerOut]
    grades: list[OwnGrade]
    strand_name: str
    minutes: list[float]
    advice: list[OwnAdvice]


class JudgedHit(Schema):
    """One hazard rule that speaks: why, after which source, and what to do."""

    rule: str
    status: Status
    reason: str
    source: str
    remedy: str


class JudgedOut(Schema):
    """A thing as the hazard rules see it for one child in one setting."""

    who: str
    status: Status
    hits: list[JudgedHit]


class ThingPreview(Schema):
    """A thing as it is drawn and judged, and where it is used. passes_ring: goes into the small-parts cylinder."""

    picture: str
    measure_words: str
    passes_ring: bool
    part_passes_ring: bool | None
    judged: list[JudgedOut]
    used_by: list[str]


def preview_activity(values: Mapping[str, Any]) -> ActivityPreview:
    """Return an activity as it looks. The values are those of a whole one."""
    activity = own_activity(values, DRAFT)
    variants = _easiest_first(activity)
    house = full_house(activity)
    easiest, hardest = variants[0], variants[-1]
    return ActivityPreview(
        picture=_picture(easiest, house),
        hardest_picture=_picture(hardest, house) if hardest != easiest else "",
        told=ToldPreview.model_validate(told(easiest, FIVE), from_attributes=True),
        fills=[_filler(activity, role.id) for role in activity.roles],
        grades=[
            OwnGrade(words=_grade_words(activity, v), rung=difficulty(v)[activity.strand], grade=list(v.grade))
            for v in variants
        ],
        strand_name=STRANDS[activity.strand].name,
        minutes=list(activity.minutes),
        advice=[OwnAdvice(at=i.at, reason=i.reason, remedy=i.remedy) for i in _advice(activity, values)],
    )


def preview_thing(values: Mapping[str, Any]) -> ThingPreview:
    """Return a thing as it is drawn, judged and used. The values are those of a whole one."""
    thing = own_thing(values, DRAFT)
    part = thing.loose_part
    return ThingPreview(
        picture=draw_thing(thing),
        measure_words=thing.measure_words,
        passes_ring=fits_small_parts_cylinder(thing.shape),
        part_passes_ring=fits_small_parts_cylinder(part.shape) if part else None,
        judged=[_judged(thing, who, child, setting) for who, child, setting in CHILDREN],
        used_by=sorted(a.name for a in reach_of_thing(thing)),
    )


def small_picture(kind: OwnKind, values: Mapping[str, Any]) -> str:
    """An activity at its easiest grade, without the table, or a thing; nothing for what can't be drawn yet."""
    if kind not in ("activity", "thing") or all_issues(kind, values):
        return ""
    if kind == "thing":
        return draw_thing(own_thing(values, DRAFT))
    activity = own_activity(values, DRAFT)
    easiest = _easiest_first(activity)[0]
    return draw(easiest, full_house(activity).offer(easiest), FIVE, table=False)


def full_house(activity: Activity) -> UsableCupboard:
    """A house with everything, for a child of five; of what most homes have, more, so that it comes first."""
    stock = stock_of({t.id: PLENTY * (2 if t.common else 1) for t in THINGS.values()})
    return UsableCupboard(stock, FIVE, SOMEBODY_CLOSE, {activity.id: activity})


def _easiest_first(activity: Activity) -> list[Variant]:
    return sorted(variants_of(activity), key=lambda v: (difficulty(v)[activity.strand], v.grade))


def _picture(variant: Variant, house: UsableCupboard) -> str:
    return draw(variant, house.offer(variant), FIVE)


def _filler(activity: Activity, role_id: str) -> FillerOut:
    role = next(r for r in activity.roles if r.id == role_id)
    things = fillers(role)
    names = [t.name for t in sorted(things, key=lambda t: (not t.common, t.name))]
    return FillerOut(role=role.id, words=role.words, count=len(things), names=names[:NAMED])


def _grade_words(activity: Activity, variant: Variant) -> str:
    chosen = (axis.steps[at].words for axis, at in zip(activity.axes, variant.grade, strict=True))
    return ", ".join(chosen)


def _judged(thing: Thing, who: str, child: Child, setting: Setting) -> JudgedOut:
    verdict = assess(thing, child, setting)
    return JudgedOut(who=who, status=verdict.status, hits=[JudgedHit.model_validate(h) for h in verdict.hits])


def _advice(activity: Activity, values: Mapping[str, Any]) -> Iterator[Issue]:
    for field in ("does", "counts_when", "why", "say", "stop"):
        grade = reading_grade(str(values.get(field, "")))
        if grade > FAMILY_GRADE:
            reason = f"Reads like school grade {grade:.0f}; families read grade 6 without effort."
            yield Issue(field, reason, "Use shorter sentences and everyday words.")
    for i, role in enumerate(activity.roles):
        if not role.optional and not fillers(role):
            yield Issue(
                f"roles.{i}", "Nothing in the library fills this.", "Ask less of it, or add a thing of your own."
            )
