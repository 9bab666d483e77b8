"""What the clinic's own children taught of the library, for its lead."""

from datetime import datetime

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from caseload.models import LibraryVersion, VersionStatus
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from core.refit import Correction, Kind, said
from progress import library_actions, queries

router = Router(tags=["library"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


class FindingOut(Schema):
    """One thing that was found, in words. library: what the library says; found: what the children show; sd: the doubt,
    in the same unit (of seconds: of the logarithm); moved: how far it is from the library in spreads of the doubt.
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
    """One version of what the children taught, with everything that was found."""

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
    versions = queries.library_versions(member(request))
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
    version = queries.library_version_for(who, version_id)
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


def _finding(found: Correction) -> FindingOut:
    shown = said(found)
    return FindingOut(
        kind=found.kind,
        words=shown.words,
        unit=shown.unit,
        library=shown.library,
        found=shown.found,
        sd=found.sd,
        moved=found.spreads_off,
        children=found.children,
        tries=found.tries,
        activity_id=shown.activity_id,
    )
