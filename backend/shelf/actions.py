"""Writing own activities and things: a draft, a shared version, put away, brought back; hiding what is never used."""

import json
import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.db.models import Max

from caseload.checks import FieldError, FieldErrors
from caseload.models import Child, TaskRecord
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core.drawing import picture_issues
from core.library import (
    ACTIVITIES,
    THINGS,
    Activity,
    Issue,
    LibraryError,
    TaskSource,
    activity_as_written,
    blank,
    issues,
    issues_of,
    own_activity,
    thing_as_written,
    thing_line,
)
from core.materials import Thing
from core.planner import blank_format, format_issues
from core.skills import WantedTask, find_task
from shelf.models import Hidden, OwnEntry, OwnKind, OwnVersion
from shelf.queries import Made, made_of

MOST_CHARACTERS = 60_000  # of one activity or thing as text
MOST_ENTRIES = 2_000  # of one clinic
_LONE = re.compile(r"(?<!\\ud[89ab]..)\\ud[c-f]|\\ud[89ab]..(?!\\ud[c-f])")  # half of a pair, as JSON spells it


@dataclass(frozen=True)
class Begun:
    """What an own activity or thing begins as: its values, and what it is a copy of."""

    values: dict[str, Any]
    copied_from: str = ""

    @classmethod
    def of_blank(cls, kind: str) -> "Begun":
        """A blank of a kind of work, of a task or of a format, without a name. Raises FieldError for any other."""
        if kind == "task":
            step = {"words": "", "demands": {}}
            return cls({"name": "", "steps": [step, step], "at_home": ""})
        if kind == "format":
            return cls(blank_format())
        try:
            return cls({**blank(kind), "id": "own", "name": ""})
        except KeyError as error:
            reason = f"There is no blank for {kind!r}."
            raise FieldError("blank", kind, reason, "Choose a kind from the list.") from error

    @classmethod
    def of_copy(cls, library_id: str) -> "Begun":
        """A copy of an activity or thing of the library. Raises FieldError where there is none of that id."""
        if library_id in ACTIVITIES:
            return cls({**activity_as_written(library_id), "id": "own"}, library_id)
        if library_id in THINGS:
            return cls({**thing_as_written(library_id), "id": "own"}, library_id)
        raise FieldError("copy_of", library_id, f"{library_id!r} is not in the library.", "Choose one from the list.")


@acting("shelf.write")
def begin(member: Member, kind: OwnKind, begun: Begun, request: UUID | None) -> Done[OwnEntry]:
    """Begin an own activity or thing as a draft; the same request begins it once."""
    _check_size(begun.values)
    entries = OwnEntry.objects.filter(clinic_id=member.clinic_id)
    before = entries.filter(request=request).first() if request else None
    if before:
        return Done(before, before, None, {"again": True})
    if entries.count() >= MOST_ENTRIES:
        raise FieldError("values", "", f"A clinic has at most {MOST_ENTRIES} of its own.", "Put some away first.")
    entry = OwnEntry.objects.create(
        clinic_id=member.clinic_id,
        kind=kind,
        name=_name(begun.values),
        draft=begun.values,
        copied_from=begun.copied_from,
        copied_values=begun.values if begun.copied_from else None,
        made_by=member,
        request=request,
    )
    return Done(entry, entry, None, {"kind": kind, "name": entry.name, "copied_from": begun.copied_from})


@acting("shelf.write")
def write_draft(member: Member, entry: OwnEntry, values: dict[str, Any], version: int) -> Done[OwnEntry]:
    """Keep what is being written, right or wrong. Raises StaleEdit when somebody else wrote since."""
    _check_size(values)
    now = _locked(entry, version, values)
    now.draft, now.name, now.version = values, _name(values), now.version + 1
    now.save()
    return Done(now, now, None, {"name": now.name})


@acting("shelf.write")
def drop_draft(member: Member, entry: OwnEntry, version: int) -> Done[OwnEntry]:
    """Go back to the version in use. Raises FieldError where there is none."""
    now = _locked(entry, version, {})
    if now.current is None:
        raise FieldError("draft", "", "It has not been shared, so there is nothing to go back to.", "Put it away.")
    now.draft, now.name, now.version = None, _name(now.current.values), now.version + 1
    now.save()
    return Done(now, now, None, {"name": now.name})


@acting("shelf.write")
def share(member: Member, entry: OwnEntry, version: int) -> Done[OwnEntry]:
    """Make the draft the version in use, for everybody in the clinic. Raises FieldErrors for what can't be shared."""
    now = _locked(entry, version, {})
    if now.draft is None:
        return Done(now, now, None, {"nothing_new": True})
    made = checked(now, now.draft)
    before = now.current
    now.current = _version(now, made, member)
    now.draft, now.name, now.is_put_away, now.version = None, made.name, False, now.version + 1
    now.save()
    if isinstance(made, WantedTask) and before:
        _want_the_newest(now, before.ref, made)
    return Done(now, now, None, {"name": now.name, "number": now.current.number})


@acting("shelf.write")
def put_away(member: Member, entry: OwnEntry, is_put_away: bool, version: int) -> Done[OwnEntry]:
    """Offer it no more, or again. What was planned and run with it stays."""
    now = _locked(entry, version, {})
    now.is_put_away, now.version = is_put_away, now.version + 1
    now.save()
    return Done(now, now, None, {"name": now.name, "is_put_away": is_put_away})


@acting("shelf.hide")
def hide(member: Member, activity_id: str, is_hidden: bool) -> Done[None]:
    """Hide an activity of the library in this clinic, or show it again. Raises FieldError for none of the library."""
    if activity_id not in ACTIVITIES:
        reason = f"{activity_id!r} is not an activity of the library."
        raise FieldError("activity_id", activity_id, reason, "Put an own activity away instead.")
    rows = Hidden.objects.filter(clinic_id=member.clinic_id, activity_id=activity_id)
    if is_hidden:
        Hidden.objects.get_or_create(clinic_id=member.clinic_id, activity_id=activity_id, defaults={"by": member})
    else:
        rows.delete()
    return Done(None, member.clinic, None, {"activity_id": activity_id, "is_hidden": is_hidden})


def checked(entry: OwnEntry, values: Mapping[str, Any]) -> Made:
    """Return what values make. Raises FieldErrors with everything that keeps them from being used."""
    wrong = all_issues(entry.kind, values, entry.belongs_to)
    if wrong:
        raise FieldErrors([FieldError(i.at or "values", "", i.reason, i.remedy) for i in wrong])
    return made_of(entry, values)


def all_issues(kind: OwnKind, values: Mapping[str, Any], belongs_to: str = "draft") -> list[Issue]:
    """Everything that keeps what a clinic made from being used, each at its field."""
    if kind == "task":
        return issues_of(TaskSource, values)
    if kind == "format":
        return format_issues(values)
    wrong = issues({**values, "id": "own"}, kind == "activity")
    if wrong or kind == "thing":
        return wrong
    try:
        return picture_issues(own_activity(values, belongs_to))
    except LibraryError as error:  # what only building it shows
        return [Issue(error.field, error.reason, error.remedy)]


def _want_the_newest(entry: OwnEntry, before: str, task: WantedTask) -> None:
    """Families who want an own task want it as it is now; what was seen of it stays where its steps are as many."""
    if before == task.id:
        return
    for child in Child.objects.select_for_update().filter(clinic_id=entry.clinic_id, wanted__contains=[before]):
        child.wanted = [task.id if t == before else t for t in child.wanted]
        child.version += 1
        child.save(update_fields=["wanted", "version"])
    if len(find_task(before).steps) == len(task.steps):
        TaskRecord.objects.filter(child__clinic_id=entry.clinic_id, task=before).update(task=task.id)


def _version(entry: OwnEntry, made: Made, member: Member) -> OwnVersion:
    """The version of what was made: a new one, or an earlier one that said just the same."""
    same = OwnVersion.objects.filter(entry=entry, ref=made.id).first()
    if same:
        return same
    number = (entry.versions.aggregate(last=Max("number"))["last"] or 0) + 1
    line = made.line if isinstance(made, Activity) else thing_line(entry.belongs_to) if isinstance(made, Thing) else ""
    return OwnVersion.objects.create(
        entry=entry, number=number, ref=made.id, line=line, values=entry.draft, made_by=member
    )


def _locked(entry: OwnEntry, version: int, yours: dict[str, Any]) -> OwnEntry:
    now = OwnEntry.objects.select_for_update(of=("self",)).select_related("current").get(pk=entry.pk)
    if now.version != version:
        raise StaleEdit({"values": now.draft, "version": now.version}, {"values": yours, "version": version})
    return now


def _check_size(values: Mapping[str, Any]) -> None:
    text = json.dumps(values)
    size = len(text)
    if "\\u0000" in text or _LONE.search(text):
        reason = "It holds a character that no text has."
        raise FieldError("values", "", reason, "Write the words again by hand, or paste them as plain text.")
    if size > MOST_CHARACTERS:
        reason = f"It has {size:,} characters; {MOST_CHARACTERS:,} is the most."
        raise FieldError("values", "", reason, "Shorten its texts, or take grades out.")


def _name(values: Mapping[str, Any]) -> str:
    return str(values.get("name") or "").strip()[:80]
