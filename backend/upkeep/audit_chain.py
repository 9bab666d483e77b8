"""A chain over each clinic's audit log, and its head of every day kept outside the database: who changed, removed or
slipped in a line afterwards can't make the chain come out the same.

A line's link is the SHA-256 of the link before it and of what the line says (NIST FIPS 180-4); of its contents it has
the digest that the database set, so that contents that go with a child's record leave the chain whole.
"""

import json
import os
from collections.abc import Iterator
from dataclasses import dataclass
from hashlib import sha256
from pathlib import Path
from typing import Any

from django.conf import settings

from clinic.models import AuditEntry, AuditHead, Clinic

START = "0" * 64
FIELDS = ("pk", "clinic_id", "member_id", "at", "action", "subject", "child", "digest")


@dataclass(frozen=True)
class Fault:
    """A head that the log does not come to any more."""

    clinic: int
    last: int
    words: str


def link(before: str, row: tuple[object, ...]) -> str:
    """Return the link of a line after another's."""
    words = json.dumps([before, *(str(value) for value in row)], separators=(",", ":"))
    return sha256(words.encode()).hexdigest()


def extend(clinic: Clinic) -> AuditHead | None:
    """Carry a clinic's chain on to its newest line, and keep the head in the database and outside; None where nothing
    was added since the last one.
    """
    head = AuditHead.objects.filter(clinic=clinic).last()
    digest, lines, last = (head.digest, head.lines, head.last) if head else (START, 0, 0)
    for row in _rows(clinic.pk, after=last):
        digest, lines, last = link(digest, row), lines + 1, int(str(row[0]))
    if head is not None and last == head.last:
        return None
    made = AuditHead.objects.create(clinic=clinic, last=last, lines=lines, digest=digest)
    _write_down(made)
    return made


def extend_all() -> None:
    """The chain of every clinic."""
    for clinic in Clinic.objects.all():
        extend(clinic)


def faults(clinic: Clinic) -> list[Fault]:
    """Return every head, of the database's and of the file's, that the log does not come to any more."""
    heads = {(h.last, h.lines): h.digest for h in AuditHead.objects.filter(clinic=clinic)}
    outside = {(h["last"], h["lines"]): h["digest"] for h in _written_down() if h["clinic"] == clinic.pk}
    result = [
        Fault(clinic.pk, place[0], "The database's own head is not the one that was written down outside.")
        for place, digest in outside.items()
        if heads.get(place) != digest
    ]
    wanted = {**heads, **outside}
    digest, lines, last, met = START, 0, 0, set()
    for row in _rows(clinic.pk, after=0):
        digest, lines, last = link(digest, row), lines + 1, int(str(row[0]))
        if wanted.get((last, lines)) == digest:
            met.add((last, lines))
    missed = [place for place in wanted if place not in met]
    return result + [
        Fault(clinic.pk, place[0], "A line up to this one was changed, removed or added.") for place in missed
    ]


def _rows(clinic: int, after: int) -> Iterator[tuple[object, ...]]:
    rows = AuditEntry.objects.filter(clinic=clinic, pk__gt=after).order_by("pk")
    return rows.values_list(*FIELDS).iterator(chunk_size=5000)


def _write_down(head: AuditHead) -> None:
    path: Path = settings.AUDIT_HEADS
    path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    line = {"clinic": head.clinic_id, "last": head.last, "lines": head.lines, "digest": head.digest, "at": str(head.at)}
    with os.fdopen(os.open(path, os.O_WRONLY | os.O_APPEND | os.O_CREAT, 0o600), "a") as out:
        out.write(json.dumps(line) + "\n")
        out.flush()
        os.fsync(out.fileno())


def _written_down() -> list[dict[str, Any]]:
    path: Path = settings.AUDIT_HEADS
    return [json.loads(line) for line in path.read_text().splitlines()] if path.is_file() else []
