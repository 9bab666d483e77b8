"""Reads of what a clinic made and of what it works with."""

import logging
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from types import MappingProxyType
from typing import Any

from django.db.models import Q, QuerySet
from django.http import Http404

from caseload.checks import FieldError
from clinic.kept import MadeFrom
from clinic.models import Member
from clinic.permissions import require
from core.library import (
    ACTIVITIES,
    THINGS,
    Activity,
    LibraryError,
    activity_as_written,
    as_it_was,
    find_activity,
    own_activity,
    own_task,
    own_thing,
    thing_as_written,
)
from core.materials import Thing
from core.own import SHELF
from core.planner import Format, format_of, own_format
from core.skills import WantedTask, find_task, is_own
from shelf.models import Hidden, OwnEntry, OwnVersion

log = logging.getLogger(__name__)


Made = Activity | Thing | WantedTask | Format


def made_of(entry: OwnEntry, values: Mapping[str, Any]) -> Made:
    """What values make, as the core sees it. Raises LibraryError."""
    if entry.kind == "task":
        return own_task(values, entry.belongs_to, entry.owner)
    if entry.kind == "format":
        return own_format(values, entry.belongs_to)
    return (own_activity if entry.kind == "activity" else own_thing)(values, entry.belongs_to)


def written(entry: OwnEntry) -> dict[str, Any]:
    """The values that are being written, else those in use."""
    values: dict[str, Any] | None = entry.draft
    if values is None and entry.current:
        values = entry.current.values
    return values or {}


def about(entry: OwnEntry) -> str:
    """What it is, in a line, out of its own words."""
    values = written(entry)
    if entry.kind == "task":
        written_steps = values.get("steps")
        steps = written_steps if isinstance(written_steps, list) else []  # a draft may be anything
        return ", ".join(str(s.get("words", "")) for s in steps if isinstance(s, dict))[:200]
    return str(values.get("hint" if entry.kind == "format" else "does") or "")[:200]


def own_tasks(clinic_id: int) -> list[WantedTask]:
    """The clinic's own wanted tasks in use. One query, and one for each not at hand."""
    return [find_task(ref) for ref in in_use(clinic_id).filter(kind="task").values_list("current__ref", flat=True)]


def own_formats(clinic_id: int) -> list[Format]:
    """The clinic's own session formats in use. One query, and one for each not at hand."""
    return [format_of(ref) for ref in in_use(clinic_id).filter(kind="format").values_list("current__ref", flat=True)]


def checked_format(member: Member, format_id: str) -> None:
    """Raise Http404 for another clinic's own format."""
    if is_own(format_id) and not OwnVersion.objects.visible_to(member).filter(ref=format_id).exists():
        raise Http404(f"No session format {format_id} in your clinic.")


def find_made(own_id: str) -> Made | None:
    """Return what has this id, or is the newest of this line: where the core finds what clinics made. One query.

    What the checks no longer let through comes back as it was, gone: an activity with nothing to do it with, a task
    without steps, a format in the usual shape. Nothing plans with it; every record of it stays readable. A thing that
    is gone is none.
    """
    versions = OwnVersion.objects.filter(Q(ref=own_id) | Q(line=own_id)).select_related("entry")
    version = versions.order_by("-number").first()
    if version is None:
        return None
    made, why = built(version)
    return made or _gone(version, why)


def _gone(version: OwnVersion, why: str) -> Made | None:
    match version.entry.kind:
        case "activity":
            return as_it_was(version.ref, version.line, version.values, why)
        case "task":
            return WantedTask(version.ref, _name_of(version), ())
        case "format":
            hint = "Gone; the usual shape instead."
            return replace(format_of("parts"), id=version.ref, name=_name_of(version), hint=hint)
        case _:
            return None


def _name_of(version: OwnVersion) -> str:
    return str(version.values.get("name") or "Gone")[:80]


def built(version: OwnVersion) -> tuple[Made | None, str]:
    """A version as the core sees it; where the rules would no longer let it be made nothing, why, and a line in the
    log.
    """
    try:
        return made_of(version.entry, version.values), ""
    except LibraryError as error:
        log.error("Version %s of own entry %s can't be read: %s", version.number, version.entry_id, error.reason)
        return None, error.reason


SHELF_ROWS = MadeFrom(
    shelf_hidden="clinic_id = %(clinic)s",
    shelf_ownentry="clinic_id = %(clinic)s",
    shelf_ownversion="entry_id in (select id from shelf_ownentry where clinic_id = %(clinic)s)",
)
"""The rows that tell what a clinic hides and what it made itself."""


def shelf_of(clinic_id: int) -> Mapping[str, Activity]:
    """The activities a clinic works with, by id: the library's it does not hide, and its own in use. Two queries."""
    hidden = set(Hidden.objects.filter(clinic_id=clinic_id).values_list("activity_id", flat=True))
    own = in_use(clinic_id).filter(kind="activity").values_list("current__ref", flat=True)
    found = {ref: activity for ref in own if (activity := SHELF.find(ref, Activity)) and not activity.gone}
    if not hidden and not found:
        return ACTIVITIES
    return MappingProxyType({**{i: a for i, a in ACTIVITIES.items() if i not in hidden}, **found})


def things_in_use(clinic_id: int) -> dict[str, Thing]:
    """The clinic's own things that are offered, by their name in cupboards. One query, and one for each not at hand."""
    return dict(_things(in_use(clinic_id)))


def own_things(clinic_id: int) -> dict[str, Thing]:
    """The clinic's own things by their name in cupboards, the archived ones too. One query."""
    return dict(_things(OwnEntry.objects.filter(clinic_id=clinic_id, current__isnull=False)))


class KnownThings:
    """The things that may be in a clinic's cupboards, by their name there. Its own are read when one is first asked
    for.
    """

    def __init__(self, clinic_id: int) -> None:
        self._clinic_id = clinic_id

    @cached_property
    def _own(self) -> dict[str, Thing]:
        return own_things(self._clinic_id)

    def get(self, thing_id: str) -> Thing | None:
        """The thing of that name, the clinic's own as it is now; None for none."""
        return self._own.get(thing_id) if is_own(thing_id) else THINGS.get(thing_id)

    def checked(self, thing_id: str) -> Thing:
        """The same. Raises FieldError for none."""
        thing = self.get(thing_id)
        if thing is None:
            raise FieldError("thing_id", thing_id, f"{thing_id!r} is not a known thing.", "Choose one from the list.")
        return thing


def _things(of: QuerySet[OwnEntry]) -> list[tuple[str, Thing]]:
    rows = of.filter(kind="thing").values_list("current__line", "current__ref")
    return [(line, thing) for line, ref in rows if (thing := SHELF.find(ref, Thing))]


def in_use(clinic_id: int) -> QuerySet[OwnEntry]:
    """What a clinic made and uses."""
    return OwnEntry.objects.filter(clinic_id=clinic_id, is_archived=False, current__isnull=False)


def entries(member: Member) -> QuerySet[OwnEntry]:
    """Everything the member's clinic made."""
    require_reader(member)
    return OwnEntry.objects.visible_to(member).select_related("current", "made_by__user")


def require_reader(member: Member) -> None:
    """Raise NotAllowed for who may not see what the clinic made."""
    require(member, "shelf.read")


def entry_for(member: Member, entry_id: int) -> OwnEntry:
    """Return one thing the clinic made. Raises Http404."""
    entry = entries(member).filter(pk=entry_id).first()
    if entry is None:
        raise Http404(f"Your clinic has no own activity or thing {entry_id}.")
    return entry


@dataclass(frozen=True)
class LibraryChange:
    """One field of an activity of the library that changed since it was copied: as it was, as it is, and the copy's."""

    field: str
    was: Any
    now: Any
    yours: Any


def library_changes(entry: OwnEntry, values: Mapping[str, Any]) -> list[LibraryChange]:
    """What has changed in the library since an entry was copied from it; nothing where it is no copy. A change to the
    library never touches the copy.
    """
    was, now = entry.copied_values, _as_written(entry.copied_from)
    if was is None or now is None:
        return []
    fields = [f for f in {**was, **now} if f != "id" and was.get(f) != now.get(f) != values.get(f)]
    return [LibraryChange(f, was.get(f), now.get(f), values.get(f)) for f in fields]


def _as_written(library_id: str) -> dict[str, Any] | None:
    if library_id in ACTIVITIES:
        return activity_as_written(library_id)
    return thing_as_written(library_id) if library_id in THINGS else None


def hidden_by(member: Member) -> list[Activity]:
    """What the member's clinic hides of the library, by name."""
    require_reader(member)
    ids = Hidden.objects.visible_to(member).values_list("activity_id", flat=True)
    return sorted((ACTIVITIES[i] for i in ids if i in ACTIVITIES), key=lambda a: a.name)


def checked_activity(member: Member, activity_id: str) -> Activity:
    """Return an activity the member's clinic may use: one of the library, or any version of its own.

    Raises Http404 for another clinic's own, NotThere for none at all.
    """
    if is_own(activity_id) and not OwnVersion.objects.visible_to(member).filter(ref=activity_id).exists():
        raise Http404(f"No activity {activity_id} in your clinic.")
    return find_activity(activity_id)
