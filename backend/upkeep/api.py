"""Whether all is well, for the clinic's lead."""

from datetime import datetime

from django.conf import settings
from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from clinic.auth import member
from clinic.base_schema import Schema
from clinic.permissions import require
from clinic.problems import Problem
from upkeep.alive import life
from upkeep.backups import LATE, backups_in

router = Router(tags=["upkeep"])


class UpkeepOut(Schema):
    """The backups made by themselves, and when a background worker was last heard of.

    last: when the newest backup was begun, none where there is none; late_after: hours; is_sealed: whether the newest
    is encrypted; worker_is_quiet: whether nothing was heard of the workers for too long.
    """

    last: datetime | None
    kept: int
    late_after: int
    is_sealed: bool
    worker_seen: datetime | None
    worker_is_quiet: bool


@router.get("/upkeep", response={200: UpkeepOut, 403: Problem})
def read_upkeep(request: HttpRequest) -> UpkeepOut:
    """When the last backup was made."""
    require(member(request), "upkeep.read")
    kept, now = backups_in(settings.BACKUP_DIR), life()
    return UpkeepOut(
        last=kept[0].at if kept else None,
        kept=len(kept),
        late_after=int(LATE.total_seconds() / 3600),
        is_sealed=bool(kept) and kept[0].is_sealed,
        worker_seen=now.worker,
        worker_is_quiet=now.is_quiet(timezone.now()),
    )
