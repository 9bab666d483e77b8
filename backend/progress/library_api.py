"""What the clinic's own children taught of the library, for its lead."""

from datetime import datetime

from django.http import Http404, HttpRequest
from ninja import Router
from pydantic import Field

from caseload.models import LibraryVersion, VersionStatus
from clinic.actions import log
from clinic.auth import member
from clinic.permissions import require
from clinic.problems import Problem
from clinic.schema import Schema
from core.library import ACTIVITIES
from core.recording import SUPPORTS, lift
from core.refit import Finding, Kind
from core.skills import STRANDS
from progress import library_actions

router = Router(tags=["library"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class FindingOut(Schema):
    """One thing that was found, in words. library: what the library says; found: what the children show; sd: the doubt,
    in the same unit; moved: how far it is from the library in spreads of the doubt.
    """

    kind: Kind
    words: str
    unit: str
    library: float
    found: float
    sd: float
    moved: float
    children: int
    tries: int
    activity_id: str


class VersionOut(Schema):
    """One version of what the children taught. shown: how many findings are clearly elsewhere than the library."""

    id: int
    number: int
    name: str
    status: VersionStatus
    made_at: datetime
    decided_by: str
    decided_at: datetime | None
    why: str
    children: int
    tries: int
    findings: list[FindingOut]


class LearnedOut(Schema):
    """What is in use (none: the library as it ships), what is proposed, and what was decided before, newest first."""

    in_use: VersionOut | None
    proposed: VersionOut | None
    earlier: list[VersionOut]
    fewest_children: int


class VersionAnswer(Schema):
    """Accept, or hold back with the reason."""

    status: VersionStatus
    why: str = Field("", max_length=500)


@router.get("/library/learned", response={200: LearnedOut, 403: Problem})
def learned(request: HttpRequest) -> LearnedOut:
    """What the clinic's own children taught of the library."""
    who = member(request)
    require(who, "library.read_learned")
    versions = list(LibraryVersion.objects.visible_to(who).select_related("decided_by__user").order_by("-number"))
    log(who, "library.read_learned", who.clinic, None)
    in_use = next((v for v in versions if v.status == "accepted"), None)
    proposed = next((v for v in versions if v.status == "proposed"), None)
    return LearnedOut(
        in_use=_out(in_use) if in_use else None,
        proposed=_out(proposed) if proposed else None,
        earlier=[_out(v) for v in versions if v not in (in_use, proposed)],
        fewest_children=library_actions.FEWEST_CHILDREN,
    )


@router.post("/library/learned", response={202: None, 403: Problem})
def work_out(request: HttpRequest) -> tuple[int, None]:
    """Have it worked out again now, in the background."""
    library_actions.ask_to_work_out(member(request))
    return 202, None


@router.post("/library/learned/{version_id}/answer", response={200: VersionOut, **REFUSED})
def answer(request: HttpRequest, version_id: int, body: VersionAnswer) -> VersionOut:
    """Accept a proposed version, or hold it back."""
    who = member(request)
    require(who, "library.learn")
    version = LibraryVersion.objects.visible_to(who).filter(pk=version_id).first()
    if version is None:
        raise Http404(f"No version {version_id} in your clinic.")
    return _out(library_actions.decide_version(who, version, body.status, body.why))


def _out(version: LibraryVersion) -> VersionOut:
    return VersionOut(
        id=version.pk,
        number=version.number,
        name=version.name,
        status=version.status,
        made_at=version.made_at,
        decided_by=version.decided_by.name if version.decided_by else "",
        decided_at=version.decided_at,
        why=version.why,
        children=version.children,
        tries=version.tries,
        findings=[_finding(f) for f in version.refit.findings],
    )


def _finding(found: Finding) -> FindingOut:
    activity, _, rest = found.key.partition("/")
    words, unit, library, now = _said(found, activity, rest)
    return FindingOut(
        kind=found.kind,
        words=words,
        unit=unit,
        library=library,
        found=now,
        sd=found.sd,
        moved=abs(now - library) / found.sd,
        children=found.children,
        tries=found.tries,
        activity_id="" if found.kind == "help" else activity,
    )


def _said(found: Finding, activity: str, rest: str) -> tuple[str, str, float, float]:
    """What was found in words, its unit, what the library says and what was found."""
    if found.kind == "help":
        usual = lift(activity)  # type: ignore[arg-type]
        return f"Help: {SUPPORTS[activity].words}", "rungs easier", usual, usual + found.shift  # type: ignore[index]
    known = ACTIVITIES.get(activity)
    name = known.name if known else activity
    if found.kind == "seconds":
        return f"{name}: time a try takes", "times the library's", 1.0, found.shift
    if found.kind == "base" or known is None:
        strand = STRANDS[rest.rpartition("/")[2]]
        library = known.trains.get(strand.id, 0.0) if known else 0.0
        return f"{name}, {strand.name.lower()}", "rung", library, library + found.shift
    axis_id, step, strand_id = rest.split("/")
    axis = next(a for a in known.axes if a.id == axis_id)
    usual = axis.steps[int(step)].rungs.get(strand_id, 0.0)
    words = f"{name}, {axis.words.lower()}: {axis.steps[int(step)].words} ({STRANDS[strand_id].name.lower()})"
    return words, "rungs harder", usual, usual + found.shift
