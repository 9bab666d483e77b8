"""The words of the trade as the front end needs them: skills map, supports, marks, activities."""

from django.http import HttpRequest
from ninja import Router

from clinic.auth import member
from clinic.base_schema import Schema
from clinic.routes import SAYS_UNITS, marked
from core.ability import WITH_WHOM
from core.child import ALLERGENS, LONGEST_OVERRIDE, OVERLAYS, OVERRIDE_DAYS, PRECAUTIONS, TEXTURES, Supervision
from core.child import CHOICES as POLICIES
from core.library import KITS, KitKind, has_practice
from core.materials import MEASURES
from core.planner import FORMATS, ORDERS
from core.progress import WORDS, StepKind
from core.recording import SUPPORTS, SupportLevel
from core.skills import STRANDS, TARGETS, WANTED_TASKS
from shelf.queries import own_formats, own_tasks, shelf_of

router = Router(tags=["words"])


class Choice(Schema):
    """An id and its words."""

    id: str
    name: str


class SupportChoice(Schema):
    """A level of help and its words."""

    id: SupportLevel
    name: str


class StepChoice(Schema):
    """A next step and its words."""

    id: StepKind
    name: str


class RungOut(Schema):
    """One rung; age in months where it has a typical window."""

    number: int
    words: str
    age_months: float | None


class StrandWords(Schema):
    """A ladder; plain: its name in plain words."""

    id: str
    target: str
    name: str
    plain: str
    icf: list[str]
    rungs: list[RungOut]


class WantedOut(Choice):
    """A wanted daily task and the rungs it requires. has_practice: whether an activity of this clinic is the task
    itself; where none is, only the skills it needs are trained.
    """

    demands: dict[str, int]
    has_practice: bool


class FormatOut(Choice):
    """A session format and what it is for. supervision: the only one it is for; most_minutes: the longest it is asked
    for.
    """

    hint: str
    supervision: Supervision | None
    most_minutes: int | None


class PrecautionOut(Choice):
    """A precaution, what it changes in every plan, and the profile fields asked with it."""

    changes: str
    details: list[str]


class KitOut(Choice):
    """A kit, a project or an independent box, and its stages in words."""

    kind: KitKind
    about: str
    stages: list[str]


class OverrideDays(Schema):
    """For how many days a hazard rule is usually overridden, and for how many at most."""

    usual: int
    longest: int


class WordsOut(Schema):
    """Everything with a name."""

    targets: list[Choice]
    strands: list[StrandWords]
    wanted_tasks: list[WantedOut]
    supports: list[SupportChoice]
    allergens: list[Choice]
    precautions: list[PrecautionOut]
    textures: list[Choice]
    policies: dict[str, list[Choice]]
    steps: list[StepChoice]
    formats: list[FormatOut]
    orders: list[Choice]
    themes: list[str]
    measures: dict[str, str]
    kits: list[KitOut]
    overlays: list[Choice]
    with_whom: list[Choice]
    override_days: OverrideDays


@router.get("/words", response=WordsOut, openapi_extra=marked(SAYS_UNITS))
def words(request: HttpRequest) -> WordsOut:
    """The skills map and the trade's words."""
    clinic_id = member(request).clinic_id
    formats = [*(s for s in FORMATS.values() if s.planned), *own_formats(clinic_id)]
    own = shelf_of(clinic_id).values()
    tasks = [*WANTED_TASKS.values(), *own_tasks(clinic_id)]
    return WordsOut(
        targets=[Choice(id=t.id, name=t.name) for t in TARGETS.values()],
        strands=[
            StrandWords(
                id=s.id,
                target=s.target,
                name=s.name,
                plain=s.plain,
                icf=list(s.icf),
                rungs=[RungOut(number=r.number, words=r.words, age_months=r.age_months) for r in s.rungs],
            )
            for s in STRANDS.values()
        ],
        wanted_tasks=[
            WantedOut(id=t.id, name=t.name, demands=dict(t.demands), has_practice=has_practice(t, own)) for t in tasks
        ],
        supports=[SupportChoice(id=s.id, name=s.words) for s in SUPPORTS.values()],
        allergens=[Choice(id=k, name=v) for k, v in ALLERGENS.items()],
        precautions=[
            PrecautionOut(id=p.id, name=p.name, changes=p.changes, details=[p.hand] if p.hand else [])
            for p in PRECAUTIONS.values()
        ],
        textures=[Choice(id=k, name=v) for k, v in TEXTURES.items()],
        steps=[StepChoice(id=k, name=v) for k, v in WORDS.items()],
        policies={p: [Choice(id=k, name=v) for k, v in known.items()] for p, known in POLICIES.items()},
        formats=[FormatOut.model_validate(s) for s in formats],
        orders=[Choice(id=k, name=v) for k, v in ORDERS.items()],
        themes=sorted({t for activity in own for t in activity.themes}),
        measures=dict(MEASURES),
        kits=[
            KitOut(id=k.id, name=k.name, kind=k.kind, about=k.about, stages=[s.words for s in k.stages])
            for k in KITS.values()
        ],
        overlays=[Choice(id=k, name=o.name) for k, o in OVERLAYS.items()],
        with_whom=[Choice(id=k, name=v) for k, v in WITH_WHOM.items()],
        override_days=OverrideDays(usual=OVERRIDE_DAYS, longest=LONGEST_OVERRIDE),
    )
