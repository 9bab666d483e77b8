"""Writing own activities and things: a draft, a shared version, archived, restored; hiding what is never used."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.db.models import Max
from django.utils import timezone

from caseload.checks import FieldError, FieldErrors
from caseload.models import Child, TaskRecord
from clinic.actions import Done, StaleEdit, acting, log
from clinic.models import Member
from core.drawing import picture_issues
from core.library import (
    ACTIVITIES,
    THINGS,
    WORK,
    Activity,
    HazardQuestion,
    Issue,
    LibraryError,
    TaskSource,
    activity_as_written,
    blank,
    hazard_questions,
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
from shelf.queries import Made, made_of, written

DRAFT = "draft"  # what values belong to while they are looked at, before anything is kept
MOST_CHARACTERS = 60_000  # of one activity or thing as text
MOST_ENTRIES = 2_000  # of one clinic


@dataclass(frozen=True)
class Begun:
    """What a clinic's own activity or thing begins as: its values, and what it is a copy of."""

    values: dict[str, Any]
    copied_from: str = ""

    @classmethod
    def of_blank(cls, kind: OwnKind, name: str) -> "Begun":
        """A blank without a name: of a kind of work for an activity, else of the kind itself. Raises FieldError where
        there is none.
        """
        if kind == name == "task":
            step: dict[str, Any] = {"words": "", "demands": {}}
            return cls({"name": "", "steps": [step, step], "at_home": ""})
        if kind == name == "format":
            return cls(blank_format())
        if kind == "activity" and name in WORK:
            return cls({**blank(name), "id": "own", "name": ""})
        raise FieldError(
            "blank", name, f"There is no {kind} to begin with called {name!r}.", "Choose one from the list."
        )

    @classmethod
    def of_copy(cls, kind: OwnKind, library_id: str) -> "Begun":
        """A copy of an activity or thing of the library. Raises FieldError where there is none of that id."""
        if kind == "activity" and library_id in ACTIVITIES:
            return cls({**activity_as_written(library_id), "id": "own"}, library_id)
        if kind == "thing" and library_id in THINGS:
            return cls({**thing_as_written(library_id), "id": "own"}, library_id)
        reason = f"The library has no {kind} {library_id!r}."
        raise FieldError("copy_of", library_id, reason, "Choose one from the list.")


@acting("shelf.write")
def begin(member: Member, kind: OwnKind, begun: Begun, request: UUID | None) -> Done[OwnEntry]:
    """Begin an activity or thing of the clinic's own as a draft; the same request begins it once."""
    checked_size(begun.values)
    if OwnEntry.objects.visible_to(member).filter(is_archived=False).count() >= MOST_ENTRIES:
        raise FieldError("values", "", f"A clinic has at most {MOST_ENTRIES} in use.", "Archive some first.")
    values = {
        "kind": kind,
        "name": _name(begun.values),
        "draft": begun.values,
        "copied_from": begun.copied_from,
        "copied_values": begun.values if begun.copied_from else None,
        "made_by": member,
    }
    if request is None:
        entry, new = OwnEntry.objects.create(clinic_id=member.clinic_id, **values), True
    else:
        entry, new = OwnEntry.objects.get_or_create(clinic_id=member.clinic_id, request=request, defaults=values)
    detail = {"kind": kind, "name": entry.name, "copied_from": begun.copied_from} if new else {"sent_again": True}
    return Done(entry, entry, None, detail)


@acting("shelf.write")
def write_draft(member: Member, entry: OwnEntry, values: dict[str, Any], version: int) -> Done[OwnEntry]:
    """Keep what is being written, right or wrong. Raises StaleEdit when somebody else wrote since."""
    checked_size(values)
    now = _locked(entry, version, values)
    values = _signed(values, written(now), member)
    now.draft, now.name, now.version = values, _name(values), now.version + 1
    now.save()
    return Done(now, now, None, {"name": now.name})


@acting("shelf.write")
def drop_draft(member: Member, entry: OwnEntry, version: int) -> Done[OwnEntry]:
    """Go back to the version in use. Raises FieldError where there is none."""
    now = _locked(entry, version, {})
    if now.current is None:
        raise FieldError("draft", "", "It has not been shared, so there is nothing to go back to.", "Archive it.")
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
    now.draft, now.name, now.is_archived, now.version = None, made.name, False, now.version + 1
    now.save()
    if isinstance(made, WantedTask) and before:
        _want_the_newest(member, now, before.ref, made)
    changed = _changed(before.values if before else {}, now.current.values)
    return Done(now, now, None, {"name": now.name, "number": now.current.number, "changed": changed})


@acting("shelf.write")
def archive(member: Member, entry: OwnEntry, is_archived: bool, version: int) -> Done[OwnEntry]:
    """Offer it no more, or again. What was planned and run with it stays."""
    now = _locked(entry, version, {})
    now.is_archived, now.version = is_archived, now.version + 1
    now.save()
    return Done(now, now, None, {"name": now.name, "is_archived": is_archived})


@acting("shelf.hide")
def hide(member: Member, activity_id: str, is_hidden: bool) -> Done[None]:
    """Hide an activity of the library in this clinic, or show it again. Raises FieldError for none of the library."""
    if activity_id not in ACTIVITIES:
        reason = f"{activity_id!r} is not an activity of the library."
        raise FieldError("activity_id", activity_id, reason, "Archive your own activity instead.")
    rows = Hidden.objects.visible_to(member).filter(activity_id=activity_id)
    if is_hidden:
        Hidden.objects.get_or_create(clinic_id=member.clinic_id, activity_id=activity_id, defaults={"by": member})
    else:
        rows.delete()
    return Done(None, member.clinic, None, {"activity_id": activity_id, "is_hidden": is_hidden})


def checked(entry: OwnEntry, values: Mapping[str, Any]) -> Made:
    """Return what values make. Raises FieldErrors with everything that keeps them from being used, and with every
    question their words ask that is not answered.
    """
    wrong = [*all_issues(entry.kind, values, entry.belongs_to), *questions_of(entry.kind, values)]
    if wrong:
        raise FieldErrors([FieldError(i.at or "values", "", i.reason, i.remedy) for i in wrong])
    return made_of(entry, values)


def all_issues(kind: OwnKind, values: Mapping[str, Any], belongs_to: str = DRAFT) -> list[Issue]:
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


def questions_of(kind: OwnKind, values: Mapping[str, Any]) -> list[HazardQuestion]:
    """What the words of an entry ask of hazards, not answered yet."""
    return list(hazard_questions(kind, values))


def _signed(values: dict[str, Any], before: Mapping[str, Any], member: Member) -> dict[str, Any]:
    """The values with who gave each answer and on which day; an answer that stays stays whose it was."""
    answers, earlier = values.get("answers"), before.get("answers")
    if not isinstance(answers, dict):
        return values
    kept = earlier if isinstance(earlier, dict) else {}
    now = {"by": member.name, "on": timezone.localdate().isoformat()}
    signed = {}
    for hazard, answer in answers.items():
        yes = answer.get("yes") if isinstance(answer, dict) else None
        same = isinstance(kept.get(hazard), dict) and kept[hazard].get("yes") is yes
        signed[hazard] = kept[hazard] if same else {"yes": yes, **now}
    return {**values, "answers": signed}


def _changed(before: Mapping[str, Any], after: Mapping[str, Any]) -> list[str]:
    """The fields in which two versions differ."""
    return sorted(f for f in {**before, **after} if f != "id" and before.get(f) != after.get(f))


def _want_the_newest(member: Member, entry: OwnEntry, before: str, task: WantedTask) -> None:
    """Families who want a task of the clinic's own want it as it is now; what was seen of it stays where it has as many
    steps. Part of an action.
    """
    if before == task.id:
        return
    for child in Child.objects.select_for_update().filter(clinic_id=entry.clinic_id, wanted__contains=[before]):
        child.wanted = [task.id if t == before else t for t in child.wanted]
        child.version += 1
        child.save(update_fields=["wanted", "version"])
        log(member, "child.edit", child, child.pk, {"wanted": {"before": before, "after": task.id}})
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


def checked_size(values: Mapping[str, Any]) -> None:
    """Raise FieldError for more text than an activity has."""
    size = len(json.dumps(values))
    if size > MOST_CHARACTERS:
        reason = f"It has {size:,} characters; {MOST_CHARACTERS:,} is the most."
        raise FieldError("values", "", reason, "Shorten its texts, or remove some grades.")


def _name(values: Mapping[str, Any]) -> str:
    return str(values.get("name") or "").strip()[:80]
