"""A child's whole record out, or gone; and the audit log."""

from datetime import date, datetime
from typing import Any, cast

from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from ninja import Router
from pydantic import Field

from caseload.everyday import approach_out
from caseload.facts import age_months, approaches_of, standings
from caseload.models import Child
from caseload.queries import child_for
from clinic.auth import member
from clinic.models import Clinic, Paper
from clinic.permissions import POLICY, require
from clinic.problems import Problem, ProblemError
from clinic.schema import Schema
from core.child import ALLERGENS, PRECAUTIONS, TEXTURES
from core.recording import SUPPORTS, SupportLevel
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
@router.get("/children/{child_id}/export.pdf", include_in_schema=False)
def export_paper(request: HttpRequest, child_id: int, paper: Paper | None = None) -> HttpResponse:
    """Everything about one child to be read: as a page or a PDF."""
    who = member(request)
    child = child_for(who, child_id, "record.export")
    actions.export(who, child)
    runs = Run.objects.filter(child=child).select_related("by__user").prefetch_related("sets").order_by("on")
    notes = {n.run_id: n for n in Note.objects.filter(child=child).prefetch_related("amendments")}
    context = {
        "child": child,
        "age": age_months(child.birth_date, timezone.localdate()),
        "facts": _facts(child),
        "estimates": [(STRANDS[e.strand].name, e) for e in child.estimates.all() if e.strand in STRANDS],
        "tasks": [(find_task(t.task).name, t.words) for t in standings(child)],
        "approaches": [approach_out(a) for a in approaches_of(child)],
        "goals": Goal.objects.filter(child=child).prefetch_related("scores"),
        "runs": [(run, _sets(run), notes.get(run.pk)) for run in runs],
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
    """What is known of a child, each fact by name and in words."""
    allergies = [*(ALLERGENS[a] for a in child.allergies), *child.other_allergies]
    return [
        ("Hand", {"right": "right", "left": "left"}.get(child.hand, "not settled")),
        ("Mouths things", child.mouthing),
        ("Allergies", ", ".join(allergies) or "none noted"),
        ("Precautions", ", ".join(PRECAUTIONS[p].name for p in child.precautions) or "none noted"),
        ("Refuses to touch", ", ".join(TEXTURES[t] for t in child.refuses) or "nothing noted"),
    ]


def _sets(run: Run) -> list[str]:
    """Each set of a run in words: the activity, how it went, with which help."""
    names = names_of(run)
    help_words = {level: support.words for level, support in SUPPORTS.items()}
    return [
        f"{names.get(s.block, s.activity_id)}: {s.successes} of {s.tries}, {help_words[cast(SupportLevel, s.support)]}"
        for s in run.sets.all()
    ]
