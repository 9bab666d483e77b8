"""See whether the audit log is as it was written."""

from typing import Any

from django.core.management.base import BaseCommand, CommandError

from clinic.models import Clinic
from upkeep.audit_chain import faults


class Command(BaseCommand):
    """Works every clinic's chain out again, and holds it against the heads kept inside and outside the database."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Say which heads it does not come to; fail where there is one."""
        wrong = [fault for clinic in Clinic.objects.order_by("pk") for fault in faults(clinic)]
        for fault in wrong:
            self.stderr.write(f"clinic {fault.clinic}, line {fault.last}: {fault.words}")
        if wrong:
            raise CommandError("The audit log is not as it was written.")
        self.stdout.write("the audit log is as it was written")
