"""What a clinic chooses from as it writes: forms, properties, kinds of work, acts of the picture, hazards."""

from functools import cache

from django.http import HttpRequest
from ninja import Router

from clinic.base_schema import Schema
from core.child import PARTS, Zones
from core.drawing import ACTS, InputKind, draw
from core.library import (
    ACTIVITIES,
    HAZARD_WORDS,
    PROPERTY_WORDS,
    WORK,
    PropertyKind,
    WorkKind,
    asked_of_forms,
    blank,
    own_activity,
)
from core.materials import FORMS, KEPT
from core.offers import variants_of
from core.planner import PART_NAMES
from core.recording import AUTOMATIC, MARKS, MEASURED
from core.safety import STEP_TAGS, UNANSWERED
from shelf.preview import FIVE, full_house

router = Router(tags=["own"])


class Named(Schema):
    """An id and its words."""

    id: str
    name: str


class FormWords(Named):
    """What a thing can serve as, and the properties that decide where a thing of that form is used."""

    asks: list[str]


class PropertyOut(Named):
    """One property of a thing. is_hazard: a hazard rule reads it, so that it is asked of every thing."""

    kind: PropertyKind
    unit: str
    options: list[str]
    is_hazard: bool


class WorkOut(Named):
    """One kind of work, and how many seconds a try of it usually takes, at least and at most. blank, picture: the blank
    to begin with.
    """

    blank: str
    picture: str
    low: float
    high: float


class ActInput(Schema):
    """One thing an act of the picture takes."""

    key: str
    kind: InputKind
    options: list[str]


class ActOut(Named):
    """One act of the picture, and what it takes."""

    takes: list[ActInput]


class PartWords(Named):
    """A part of a session. low, high: the band of chances of success alone it usually aims for."""

    low: float
    high: float


class OwnWords(Schema):
    """Everything a clinic's own activity or thing can be written with."""

    forms: list[FormWords]
    properties: list[PropertyOut]
    works: list[WorkOut]
    acts: list[ActOut]
    tags: list[Named]
    hazards: list[Named]
    marks: list[Named]
    measures: list[Named]
    parts: list[PartWords]
    kept: list[Named]
    groups: list[str]
    postures: list[str]


@router.get("/own-words", response=OwnWords)
def own_words(request: HttpRequest) -> OwnWords:
    """The words a clinic's own activity or thing is written in."""
    return _words()


def _work(kind: WorkKind) -> WorkOut:
    work, begun = WORK[kind], own_activity(blank(kind), "blank")
    easiest = variants_of(begun)[0]
    picture = draw(easiest, full_house(begun).offer(easiest), FIVE, table=False)
    return WorkOut(
        id=kind, name=work.words, blank=begun.name, picture=picture, low=work.seconds[0], high=work.seconds[1]
    )


USUAL = Zones()


@cache
def _words() -> OwnWords:
    asked = asked_of_forms(tuple(ACTIVITIES.values()))
    return OwnWords(
        forms=[FormWords(id=id, name=form.words, asks=list(asked.get(id, ()))) for id, form in FORMS.items()],
        properties=[
            PropertyOut(id=k, name=p.words, kind=p.kind, unit=p.unit, options=list(p.options), is_hazard=p.is_hazard)
            for k, p in PROPERTY_WORDS.items()
        ],
        works=[_work(kind) for kind in WORK],
        acts=[
            ActOut(
                id=a.id,
                name=a.words,
                takes=[ActInput(key=k, kind=t.kind, options=list(t.options)) for k, t in a.takes.items()],
            )
            for _, a in sorted(ACTS.items())
        ],
        tags=[Named(id=k, name=r.about) for k, r in STEP_TAGS.items() if k != UNANSWERED],
        hazards=[Named(id=h.id, name=h.what) for h in HAZARD_WORDS],
        marks=[Named(id=k, name=m.words) for k, m in MARKS.items()],
        measures=[
            *(Named(id=k, name=m.name) for k, m in MEASURED.items()),
            *(Named(id=k, name=name) for k, name in AUTOMATIC.items()),
        ],
        parts=[PartWords(id=p, name=PART_NAMES[p], low=USUAL.of(p).low, high=USUAL.of(p).high) for p in PARTS],
        kept=[Named(id=k, name=name) for k, name in KEPT.items()],
        groups=sorted({a.group for a in ACTIVITIES.values()}),
        postures=sorted({a.posture for a in ACTIVITIES.values()}),
    )
