"""Say what is in a database, so that whoever checks a backup sees that it is theirs."""

from typing import Any

from django.core.management.base import BaseCommand

from caseload.models import Child
from clinic.models import AuditEntry, Clinic
from running.models import Run, RunEvent


class Command(BaseCommand):
    """Counts clinics, children, sessions and taps, and says when the last thing was done."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Print a line of each."""
        last = AuditEntry.objects.order_by("-pk").values_list("at", flat=True).first()
        for what, number in (
            ("clinics", Clinic.objects.count()),
            ("children", Child.objects.count()),
            ("sessions", Run.objects.count()),
            ("taps", RunEvent.objects.count()),
            ("lines of the audit log", AuditEntry.objects.count()),
        ):
            self.stdout.write(f"  {what}: {number}")
        self.stdout.write(f"  last change or read: {last:%Y-%m-%d %H:%M} UTC" if last else "  nothing was done yet")
