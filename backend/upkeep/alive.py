"""When a background worker was last heard of, and a backup last made."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from django.conf import settings
from django.db import connection

from upkeep.backups import LATE, backups_in

QUIET = timedelta(minutes=5)  # without a sign of life: a worker gives one every ten seconds


@dataclass(frozen=True)
class Life:
    """worker: when one was last heard of; backup: when the last one was begun; None where there was none."""

    worker: datetime | None
    backup: datetime | None

    def is_quiet(self, now: datetime) -> bool:
        """Whether nothing has been heard of the workers for too long."""
        return self.worker is None or now - self.worker > QUIET

    def is_late(self, now: datetime) -> bool:
        """Whether the last backup is too old."""
        return self.backup is None or now - self.backup > LATE


def life() -> Life:
    """Return what is known of workers and backups. One query; procrastinate's workers give their sign there."""
    with connection.cursor() as cursor:
        cursor.execute("select max(last_heartbeat) from procrastinate_workers")
        worker = cursor.fetchone()[0]
    kept = backups_in(settings.BACKUP_DIR)
    return Life(worker, kept[0].at if kept else None)
