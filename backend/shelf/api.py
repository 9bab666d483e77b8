"""What a clinic made itself: written, looked at, shared, archived; and what it hides of the library."""

from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from ninja import Field, Query, Router

from caseload.checks import FieldError
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, marked
from shelf import actions, queries
from shelf.actions import Begun, all_issues, checked_size, questions_of
from shelf.files import as_file, take_in
from shelf.models import OwnEntry, OwnKind, OwnVersion
from shelf.preview import ActivityPreview, ThingPreview, preview_activity, preview_thing, small_picture

router = Router(tags=["own"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
READ = {403: Problem, 404: Problem}
BIGGEST_ID = 2**63 - 1
Values = dict[str, Any]


class IssueOut(Schema):
    """One thing that keeps it from being used: where, why, and what to do."""

    at: str
    reason: str
    remedy: str


class HazardQuestionOut(IssueOut):
    """What its words ask of a hazard: the hazard an answer is kept under, and the word that asked."""

    hazard: str
    word: str


class OwnLine(Schema):
    """One own activity or thing in the list. about: what it is, in a line; ref: the id it is planned or stocked by;
    number: of the version in use; asks: how many questions its words ask are open, while which it is barred.
    """

    id: int
    kind: OwnKind
    name: str
    about: str
    ref: str
    number: int | None
    has_draft: bool
    asks: int
    is_archived: bool
    copied_from: str
    changed_at: datetime
    made_by: str
    version: int


class PictureIds(Schema):
    """The numbers of what is to be drawn, up to a dozen."""

    id: list[Annotated[int, Field(ge=1, le=BIGGEST_ID)]] = Field(max_length=12)


class OwnPictures(Schema):
    """Pictures as SVG, by the number of what the clinic made; nothing for what can't be drawn yet."""

    pictures: dict[str, str]


class VersionLine(Schema):
    """One version as it was shared."""

    number: int
    ref: str
    made_at: datetime
    made_by: str
    values: Values


class OwnOut(OwnLine):
    """One own activity or thing in full. values: as it is being written, else as it is in use; copied_values: what it
    began as a copy of, as the library had it then.
    """

    values: Values
    issues: list[IssueOut]
    questions: list[HazardQuestionOut]
    versions: list[VersionLine]
    library_changes: list["ChangeOut"]


class ChangeOut(Schema):
    """One field of the library's own activity that has changed since it was copied: as it was, as it is, and yours."""

    field: str
    was: Any
    now: Any
    yours: Any


class NewOwn(Schema):
    """Begin with a blank of a kind of work, with a copy, or with values; request: made by the page, once a form."""

    kind: OwnKind
    blank: str = ""
    copy_of: str = ""
    values: Values | None = None
    request: UUID | None = None


class OwnDraft(Schema):
    """What is being written, and the version it was written over."""

    values: Values
    version: int


class OwnAt(Schema):
    """The version that is acted on."""

    version: int


class Archive(OwnAt):
    """Whether it is archived."""

    is_archived: bool


class HiddenIn(Schema):
    """Whether this clinic hides an activity of the library."""

    activity_id: str
    is_hidden: bool


class HiddenActivity(Schema):
    """One activity this clinic hides."""

    id: str
    name: str


class HiddenOut(Schema):
    """The activities this clinic hides."""

    activities: list[HiddenActivity]


class FileEntry(Schema):
    """One own activity or thing in a file."""

    kind: OwnKind
    values: Values


class OwnFile(Schema):
    """Own activities and things as a file."""

    format: str
    entries: list[FileEntry]


class FileIn(Schema):
    """A file to take in, as it was exported."""

    file: Values


class RefusedEntry(Schema):
    """One entry of a file that can't be used, and everything that is wrong with it."""

    name: str
    issues: list[IssueOut]


class TakenInOut(Schema):
    """What a file brought: drafts begun, names that were here already, and what was refused."""

    begun: list[OwnLine]
    known: list[str]
    refused: list[RefusedEntry]


class Looked(Schema):
    """Values to look at, nothing kept."""

    kind: OwnKind
    values: Values


class LookedOut(Schema):
    """What they are as they stand: what is wrong, what could be better, and what they make where they can be used."""

    issues: list[IssueOut]
    questions: list[HazardQuestionOut]
    advice: list[IssueOut]
    activity: ActivityPreview | None
    thing: ThingPreview | None


@router.get("/own", response={200: list[OwnLine], 403: Problem})
def list_own(request: HttpRequest) -> list[OwnLine]:
    """Everything the clinic made."""
    return [OwnLine(**_line(e)) for e in queries.entries(member(request))]


@router.get("/own-pictures", response={200: OwnPictures, **REFUSED})
def list_pictures(request: HttpRequest, ids: Query[PictureIds]) -> OwnPictures:
    """What the clinic made, drawn small as it is being written."""
    found = queries.entries(member(request)).filter(pk__in=ids.id)
    return OwnPictures(pictures={str(e.pk): small_picture(e.kind, queries.written(e)) for e in found})


@router.post("/own", response={201: OwnOut, **REFUSED})
def begin(request: HttpRequest, body: NewOwn) -> tuple[int, OwnOut]:
    """Begin an activity or thing of the clinic's own, as a draft."""
    if body.blank:
        begun = Begun.of_blank(body.kind, body.blank)
    elif body.copy_of:
        begun = Begun.of_copy(body.kind, body.copy_of)
    elif body.values is not None:
        begun = Begun(body.values)
    else:
        raise FieldError("values", "", "There is nothing to begin with.", "Choose a blank or something to copy.")
    return 201, _out(actions.begin(member(request), body.kind, begun, body.request))


@router.get("/own/{entry_id}", response={200: OwnOut, **READ})
def read_own(request: HttpRequest, entry_id: int) -> OwnOut:
    """One of them in full, with what is wrong with it as it stands."""
    return _out(queries.entry_for(member(request), entry_id))


@router.put("/own/{entry_id}", response={200: OwnOut, **REFUSED})
def write_draft(request: HttpRequest, entry_id: int, body: OwnDraft) -> OwnOut:
    """Keep what is being written, right or wrong; what is in use stays as it is."""
    who = member(request)
    return _out(actions.write_draft(who, queries.entry_for(who, entry_id), body.values, body.version))


@router.post("/own/{entry_id}/share", response={200: OwnOut, **REFUSED})
def share(request: HttpRequest, entry_id: int, body: OwnAt) -> OwnOut:
    """Make the draft the version in use, for everybody in the clinic; 422 with every field that is wrong."""
    who = member(request)
    return _out(actions.share(who, queries.entry_for(who, entry_id), body.version))


@router.post("/own/{entry_id}/drop-draft", response={200: OwnOut, **REFUSED})
def drop_draft(request: HttpRequest, entry_id: int, body: OwnAt) -> OwnOut:
    """Go back to the version in use."""
    who = member(request)
    return _out(actions.drop_draft(who, queries.entry_for(who, entry_id), body.version))


@router.post("/own/{entry_id}/archive", response={200: OwnOut, **REFUSED})
def archive(request: HttpRequest, entry_id: int, body: Archive) -> OwnOut:
    """Offer it no more, or again."""
    who = member(request)
    return _out(actions.archive(who, queries.entry_for(who, entry_id), body.is_archived, body.version))


@router.get("/own/{entry_id}/file", response={200: OwnFile, **READ})
def export_one(request: HttpRequest, response: HttpResponse, entry_id: int) -> OwnFile:
    """One of them as a file, to be imported elsewhere."""
    entry = queries.entry_for(member(request), entry_id)
    response["Content-Disposition"] = f'attachment; filename="pollicor-own-{entry.pk}.json"'
    return OwnFile.model_validate(as_file([entry]))


@router.get("/own-file", response={200: OwnFile, 403: Problem})
def export_all(request: HttpRequest, response: HttpResponse) -> OwnFile:
    """Everything the clinic made and has not archived, as one file."""
    response["Content-Disposition"] = 'attachment; filename="pollicor-our-library.json"'
    return OwnFile.model_validate(as_file(queries.entries(member(request)).filter(is_archived=False)))


@router.post("/own-file", response={200: TakenInOut, 403: Problem, 422: Problem})
def import_file(request: HttpRequest, body: FileIn) -> TakenInOut:
    """Take a file in: each entry that can be used becomes a draft, the others are said with what is wrong."""
    taken = take_in(member(request), body.file)
    return TakenInOut(
        begun=[OwnLine(**_line(e)) for e in taken.begun],
        known=taken.known,
        refused=[RefusedEntry.model_validate(r) for r in taken.refused],
    )


@router.post("/own-look", response={200: LookedOut, 403: Problem, 422: Problem}, openapi_extra=marked(KEEPS_NO_KEY))
def look(request: HttpRequest, body: Looked) -> LookedOut:
    """What values make, as they are being written: nothing is kept."""
    queries.require_reader(member(request))
    checked_size(body.values)
    wrong = all_issues(body.kind, body.values)
    activity = preview_activity(body.values) if body.kind == "activity" and not wrong else None
    thing = preview_thing(body.values) if body.kind == "thing" and not wrong else None
    advice = activity.advice if activity else []
    return LookedOut(
        issues=[IssueOut.model_validate(i) for i in wrong],
        questions=[HazardQuestionOut.model_validate(q) for q in questions_of(body.kind, body.values)],
        advice=[IssueOut.model_validate(i) for i in advice],
        activity=activity,
        thing=thing,
    )


@router.get("/hidden", response={200: HiddenOut, 403: Problem})
def list_hidden(request: HttpRequest) -> HiddenOut:
    """The activities of the library this clinic hides."""
    hidden = queries.hidden_by(member(request))
    return HiddenOut(activities=[HiddenActivity(id=a.id, name=a.name) for a in hidden])


@router.put("/hidden", response={200: HiddenOut, **REFUSED})
def hide(request: HttpRequest, body: HiddenIn) -> HiddenOut:
    """Hide an activity of the library in this clinic, or show it again."""
    actions.hide(member(request), body.activity_id, body.is_hidden)
    return list_hidden(request)


def _line(entry: OwnEntry) -> dict[str, Any]:
    current = entry.current
    return {
        "id": entry.pk,
        "kind": entry.kind,
        "name": entry.name,
        "about": queries.about(entry),
        "ref": (current.line if entry.kind == "thing" else current.ref) if current else "",
        "number": current.number if current else None,
        "has_draft": entry.draft is not None,
        "asks": len(questions_of(entry.kind, queries.written(entry))),
        "is_archived": entry.is_archived,
        "copied_from": entry.copied_from,
        "changed_at": entry.changed_at,
        "made_by": entry.made_by.name,
        "version": entry.version,
    }


def _out(entry: OwnEntry) -> OwnOut:
    values = queries.written(entry)
    return OwnOut(
        **_line(entry),
        values=values,
        issues=[IssueOut.model_validate(i) for i in all_issues(entry.kind, values, entry.belongs_to)],
        questions=[HazardQuestionOut.model_validate(q) for q in questions_of(entry.kind, values)],
        versions=[_version(v) for v in entry.versions.select_related("made_by__user").order_by("-number")],
        library_changes=[ChangeOut.model_validate(c) for c in queries.library_changes(entry, values)],
    )


def _version(v: OwnVersion) -> VersionLine:
    return VersionLine(number=v.number, ref=v.ref, made_at=v.made_at, made_by=v.made_by.name, values=v.values)
