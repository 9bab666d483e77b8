"""Own activities and things as a file, exported and imported: plain JSON, the values as the library has them."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any, get_args

from caseload.checks import FieldError
from caseload.plain_values import wrong
from clinic.actions import Done, acting
from clinic.models import Member
from core.library import Issue
from shelf.actions import Begun, all_issues, begin, checked_size
from shelf.models import OwnEntry, OwnKind
from shelf.queries import entries

FORMAT = "pollicor own library 1"
MOST_IN_A_FILE = 500


@dataclass(frozen=True)
class Refused:
    """One entry of a file that can't be used, and everything that is wrong with it."""

    name: str
    issues: list[Issue]


@dataclass(frozen=True)
class TakenIn:
    """What a file brought: drafts that were begun, what was here already, what was refused."""

    begun: list[OwnEntry]
    known: list[str]
    refused: list[Refused]


def as_file(of: Iterable[OwnEntry]) -> dict[str, Any]:
    """Entries as a file has them: as they are in use, else as they are being written."""
    return {"format": FORMAT, "entries": [{"kind": e.kind, "values": values_of(e)} for e in of]}


def values_of(entry: OwnEntry) -> dict[str, Any]:
    """The values that are in use, else those being written."""
    values: dict[str, Any] | None = entry.current.values if entry.current else entry.draft
    return values or {}


@acting("shelf.write")
def take_in(member: Member, file: Mapping[str, Any]) -> Done[TakenIn]:
    """Begin a draft for each entry of a file that can be used, all of them or, where something breaks, none. Raises
    FieldError for any other file.

    Nothing of it is shared before somebody has looked.
    """
    here = [(e.kind, _plain(values_of(e))) for e in entries(member)]
    taken = TakenIn([], [], [])
    for kind, values in _rows(file):
        name = str(values.get("name") or "without a name")[:80]
        found = _issues(kind, values)
        if found:
            taken.refused.append(Refused(name, found))
        elif (kind, _plain(values)) in here:
            taken.known.append(name)
        else:
            taken.begun.append(begin(member, kind, Begun(_plain(values)), None))
            here.append((kind, _plain(values)))
    detail = {"begun": len(taken.begun), "known": len(taken.known), "refused": len(taken.refused)}
    return Done(taken, member.clinic, None, detail)


def _issues(kind: OwnKind, values: dict[str, Any]) -> list[Issue]:
    """Everything that keeps one entry from being used."""
    odd = next(wrong(values), None)
    if odd:
        return [Issue(odd.field, odd.reason, odd.remedy)]
    try:
        checked_size(values)
    except FieldError as error:
        return [Issue(error.field, error.reason, error.remedy)]
    return all_issues(kind, values)


def _rows(file: Mapping[str, Any]) -> list[tuple[OwnKind, dict[str, Any]]]:
    if file.get("format") != FORMAT:
        raise FieldError(
            "file",
            str(file.get("format", ""))[:60],
            "This file was not exported from Our library.",
            f"It has to say “{FORMAT}”.",
        )
    rows = file.get("entries")
    if not isinstance(rows, list) or not all(isinstance(e, dict) for e in rows):
        raise FieldError("file", "", "It has no list of entries.", "Export it again where it came from.")
    if len(rows) > MOST_IN_A_FILE:
        reason = f"It holds {len(rows)} entries; {MOST_IN_A_FILE} is the most."
        raise FieldError("file", len(rows), reason, "Send it in several files.")
    return [_row(at, e) for at, e in enumerate(rows, start=1)]


def _row(at: int, entry: dict[str, Any]) -> tuple[OwnKind, dict[str, Any]]:
    kind: Any = entry.get("kind")
    values = entry.get("values")
    if kind not in get_args(OwnKind) or not isinstance(values, dict):
        reason = f"Entry {at} can't be imported: it is of no known kind, or has no values."
        raise FieldError("file", str(kind)[:60], reason, "Export it again where it came from.")
    known: OwnKind = kind
    return known, values


def _plain(values: Mapping[str, Any]) -> dict[str, Any]:
    """Without a name of its own, and without another clinic's answers: what its words ask is asked again."""
    return {k: v for k, v in values.items() if k not in ("id", "answers")}
