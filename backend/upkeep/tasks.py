"""Backups that nobody has to think of."""

import logging

from django.conf import settings
from django.utils import timezone
from procrastinate.contrib.django import app

from upkeep.audit_chain import extend_all
from upkeep.backups import nightly

log = logging.getLogger(__name__)


@app.periodic(cron="40 * * * *")
@app.task(name="back_up", queueing_lock="back_up", lock="back_up")
def back_up(timestamp: int) -> None:
    """At night, and an hour at most after a night that was missed, write a backup and delete those past keeping."""
    made = nightly(settings.BACKUP_DIR, timezone.now())
    if made is not None:
        log.info("backed up to %s", made.file)


@app.periodic(cron="20 1 * * *")
@app.task(name="chain_audit", queueing_lock="chain_audit", lock="chain_audit")
def chain_audit(timestamp: int) -> None:
    """Every night, carry the chains over the audit logs on, and keep their heads outside the database."""
    extend_all()
