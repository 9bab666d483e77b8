"""The list of erased children beside the database: what restores and recoveries go by, so that nobody comes back.

A line is a child's key as JSON, and nothing else about the child.
"""

import json
import logging
import os
from collections.abc import Iterable
from pathlib import Path
from uuid import UUID

from django.conf import settings

from caseload.models import Erased

log = logging.getLogger(__name__)
BESIDE_BACKUPS = "erased.jsonl"  # in a folder of backups: whom none of them brings back


def note(keys: Iterable[UUID], file: Path | None = None) -> None:
    """Add children to the list, and see that it lies on the disk."""
    path = file or settings.ERASED_LIST
    path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    known = listed([path])
    lines = [json.dumps({"key": str(key)}) + "\n" for key in keys if key not in known]
    if not lines:
        return
    with os.fdopen(os.open(path, os.O_WRONLY | os.O_APPEND | os.O_CREAT, 0o600), "a") as out:
        out.writelines(lines)
        out.flush()
        os.fsync(out.fileno())
        if os.geteuid() == 0:  # as in a backup by hand: the server goes on writing here
            owner = path.parent.stat()
            os.fchown(out.fileno(), owner.st_uid, owner.st_gid)


def note_erased(key: UUID) -> None:
    """Note a child on the list beside the database, and at once on the one beside the backups."""
    for file in (settings.ERASED_LIST, settings.BACKUP_DIR / BESIDE_BACKUPS):
        try:
            if file == settings.ERASED_LIST or file.parent.is_dir():
                note([key], file)
        except OSError:  # the record is gone already; what is on the list in the database is written with a backup
            log.exception("The list of erased children in %s can't be written: the next backup does.", file.parent)


def note_all(file: Path | None = None) -> None:
    """Bring the list up to date with the database: what a process that died could not write."""
    note([e.key for e in Erased.objects.filter(kind="child") if e.key], file)


def listed(files: Iterable[Path]) -> set[UUID]:
    """Every key on these lists; a list that is not there says nothing. Raises ValueError for a line that is none."""
    lines = (line for file in files if file.is_file() for line in file.read_text().splitlines() if line.strip())
    return {UUID(json.loads(line)["key"]) for line in lines}
