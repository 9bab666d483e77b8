"""A child's whole record out, or gone; and the audit log."""

from collections.abc import Sequence
from datetime import date, datetime
from typing import Any, cast

from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload.everyday import approach_out
from caseload.facts import age_months, approaches_of, overrides_of, standings
from caseload.models import Child
from caseload.queries import child_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.models import Clinic, Paper
from clinic.permissions import POLICY, require
from clinic.problems import Problem, ProblemError
from clinic.routes import LONG_WORK, marked
from core.child import ALLERGENS, OVERLAYS, PRECAUTIONS, QUESTIONS, TEXTURES, known_precautions
from core.child import CHOICES as POLICIES
from core.days import day_words
from core.library import find_activity
from core.progress import WORDS as STEP_WORDS
from core.recording import SUPPORTS, SupportLevel
from core.safety import CLOSE, RULES
from core.skills import STRANDS, find_task
from privacy import actions, queries
from progress.models import Goal, Note
from running.models import Run
from running.queries import names_of
from sheets import paper as on_paper
from visits.models import Visit

router = Router(tags=["privacy"])
BY_THEMSELVES = {
    "me.sign_in": "sign in",
    "me.sign_out": "sign out",
    "visit.feed": "read the calendar by its secret link",
    "people.join": "join the clinic by a link",
    "people.reset": "choose a new password by a link",
    "clinic.set_up": "set the clinic up",
    "library.propose": "propose what the clinic's children taught",
    "refused": "ask for what their role may not do",
    "refused.not_found": "ask for what is not in their clinic",
    "refused.sign_in": "fail to sign in, or somebody by their name",
}  # what nobody needs a policy for: each has a lock of its own, or was refused
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class Deletion(Schema):
    """The child's name once more, and the reason."""

    name: str
    reason: str = Field(max_length=500)


class Deleted(Schema):
    """Whose record is gone, and what stays."""

    name: str
    kept: str


class AuditOut(Schema):
    """One entry: when, who, what, of whom."""

    at: datetime
    member: str
    action: str
    words: str
    child: str
    detail: dict[str, Any]


class AuditPage(Schema):
    """A page of the audit log, the newest first."""

    entries: list[AuditOut]
    page: int
    pages: int
    total: int


class OldRecord(Schema):
    """A child whose record is older than records are kept here."""

    id: int
    first_name: str
    closed_on: date


@router.get("/children/{child_id}/export.json", include_in_schema=False)
def export_json(request: HttpRequest, child_id: int) -> HttpResponse:
    """Everything about one child as JSON."""
    who = member(request)
    child = child_for(who, child_id, "record.export")
    answer = JsonResponse(actions.export(who, child), json_dumps_params={"indent": 1, "ensure_ascii": False})
    answer["Content-Disposition"] = f'attachment; filename="child-{child.pk}.json"'
    return answer


@router.get("/children/{child_id}/export", include_in_schema=False)
@router.get("/children/{child_id}/export.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def export_paper(request: HttpRequest, child_id: int, paper: Paper | None = None) -> HttpResponse:
    """Everything about one child to be read: as a page or a PDF."""
    who = member(request)
    child = child_for(who, child_id, "record.export")
    actions.export(who, child)
    runs = (
        Run.objects.filter(child=child)
        .select_related("by__user")
        .prefetch_related("sets", "decisions", "events")
        .order_by("on")
    )
    notes = {n.run_id: n for n in Note.objects.filter(child=child).prefetch_related("amendments")}
    context = {
        "child": child,
        "age": age_months(child.birth_date, timezone.localdate()),
        "facts": _facts(child),
        "estimates": [(STRANDS[e.strand].name, e) for e in child.estimates.all() if e.strand in STRANDS],
        "tasks": [(find_task(t.task).name, t.words) for t in standings(child)],
        "approaches": [approach_out(a) for a in approaches_of(child)],
        "goals": Goal.objects.filter(child=child).prefetch_related("scores"),
        "runs": [(run, _sets(run), notes.get(run.pk), _steps(run), _typed(run)) for run in runs],
        "places": [child.home, *child.also_at.all()],
        "plans": child.plans.exclude(name="").order_by("made_at"),
        "visits": Visit.objects.filter(child=child).select_related("home", "therapist__user"),
    }
    on = paper or who.clinic.paper
    if request.path.endswith(".pdf"):
        return on_paper.pdf("sheets/record.html", context, on, f"record-{child.pk}")
    return on_paper.page(request, "sheets/record.html", context, on)


@router.post("/children/{child_id}/deletion", response={200: Deleted, **REFUSED})
def delete_record(request: HttpRequest, child_id: int, body: Deletion) -> Deleted:
    """Delete a child's record whole, on request, with the reason."""
    who = member(request)
    child = child_for(who, child_id, "record.delete")
    name = actions.delete_record(who, child, body.reason, body.name)
    return Deleted(
        name=name,
        kept="In the audit log it stays who did what and when, without contents, and this deletion with its reason.",
    )


@router.get("/old-records", response={200: list[OldRecord], 403: Problem})
def list_old(request: HttpRequest) -> list[OldRecord]:
    """The children whose records are older than records are kept here."""
    who = member(request)
    require(who, "record.delete")
    return [
        OldRecord(id=c.pk, first_name=c.first_name, closed_on=c.closed_on)
        for c in actions.past_keeping(who, timezone.localdate())
        if c.closed_on
    ]


@router.get("/audit", response={200: AuditPage, 403: Problem, 422: Problem})
def read_audit(
    request: HttpRequest,
    child: int | None = None,
    person: int | None = None,
    action: str = "",
    first: date | None = None,
    last: date | None = None,
    page: int = 1,
) -> AuditPage:
    """The audit log, a hundred entries a page."""
    who = member(request)
    found = queries.entries(who, queries.Asked(child, person, action, first, last))
    total = found.count()
    pages = max(1, -(-total // queries.PAGE))
    page = min(max(1, page), pages)
    rows = list(found[queries.PAGE * (page - 1) : queries.PAGE * page])
    names = queries.names_of(who, {r.child for r in rows if r.child})
    return AuditPage(
        entries=[
            AuditOut(
                at=r.at,
                member=r.member.name if r.member else "Pollicor, in the background",
                action=r.action,
                words=POLICY[r.action].words if r.action in POLICY else BY_THEMSELVES.get(r.action, r.action),
                child=names.get(r.child, f"no. {r.child}, deleted") if r.child else "",
                detail=r.detail,
            )
            for r in rows
        ],
        page=page,
        pages=pages,
        total=total,
    )


@router.delete("/demo", response={204: None, **REFUSED})
def remove_demo(request: HttpRequest) -> tuple[int, None]:
    """Remove the demo clinic with everything in it."""
    demo = Clinic.objects.filter(is_demo=True).first()
    if demo is None:
        raise ProblemError(404, "Not found", "", "", "There is no demo clinic.", "")
    actions.remove_demo(member(request), demo)
    return 204, None


def _facts(child: Child) -> list[tuple[str, str]]:
    """What is known of a child, each fact by name and in words: every field of the profile that has no line of its
    own.
    """
    hands = {"right": "right", "left": "left", "none": "neither"}
    approaches = [(QUESTIONS[p], words[getattr(child, p)]) for p, words in POLICIES.items()]
    force = f"{child.force_limit_newton:g} N" if child.force_limit_newton else "none"
    return [
        ("Hand", hands.get(child.hand, "not settled")),
        ("Mouths things", "chews sleeves and pencils" if child.mouthing == "chews" else child.mouthing),
        ("Allergies", _listed([*(ALLERGENS[a] for a in child.allergies), *child.other_allergies])),
        ("Precautions", _listed([PRECAUTIONS[p].name for p in sorted(known_precautions(child.precautions))])),
        ("Hand that assists", hands[child.assisting_hand]),
        ("Hand with a splint", hands[child.splint_hand]),
        ("Most force", force),
        ("Refuses to touch", _listed([TEXTURES[t] for t in child.refuses])),
        ("Foods the child is wary of", _listed(child.wary_of)),
        ("Food as a material", "yes" if child.food_as_material else "no"),
        ("Likes", _listed(child.likes)),
        ("Wants", _listed([find_task(t).name for t in child.wanted])),
        ("Said to be hard", _listed([STRANDS[s].name for s in child.behind])),
        ("Said to be done", _listed([STRANDS[s].rung(rung).words for s, rung in child.told.items()])),
        ("Seating", child.seating or "not noted"),
        ("Attention", f"{child.attention_minutes} min"),
        ("Seen every", f"{child.every_days} days"),
        ("Guises for younger children", "welcome" if child.young_guises else "not wanted"),
        ("Learned on the side", _listed([OVERLAYS[o].name for o in child.overlays])),
        *approaches,
        *((f"Own words at {find_activity(at).name}", said) for at, said in child.own_cues.items()),
        *(
            (
                f"Allowed by a therapist: {RULES[o.rule].about}",
                f"{o.reason.rstrip('.')}. {day_words(o.on)} to {day_words(o.review_on)}, adult {CLOSE[o.supervision]}",
            )
            for o in overrides_of(child)
        ),
    ]


def _listed(words: Sequence[str]) -> str:
    return ", ".join(words) or "none noted"


def _steps(run: Run) -> list[str]:
    """Each next step that was proposed, and what was answered, with the reason."""
    return [
        f"{STRANDS[d.strand].name}: {d.words}. {d.answer.capitalize() or 'Not answered'}"
        + (f" to “{STEP_WORDS[d.answer_kind]}”" if d.answer_kind else "")
        + (f": {d.answer_why}" if d.answer_why else "")
        for d in run.decisions.all()
    ]


def _typed(run: Run) -> list[str]:
    """What was typed at the table."""
    return [e.value["text"] for e in run.events.all() if e.kind == "note" and e.value.get("text")]


def _sets(run: Run) -> list[str]:
    """Each set of a run in words: the activity, how it went, with which help."""
    names = names_of(run)
    help_words = {level: support.words for level, support in SUPPORTS.items()}
    return [
        f"{names.get(s.block, s.activity_id)}: {s.successes} of {s.tries}, {help_words[cast(SupportLevel, s.support)]}"
        for s in run.sets.all()
    ]
