"""Work out every set, estimate and point again from the stored taps, as the rules read them now."""

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction

from caseload.models import Child
from progress.actions import replay
from running.actions import fold_run
from running.models import Run


class Command(BaseCommand):
    """Reads all runs again. What was tapped, noted, signed and decided stays as it is."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Read the runs of one child at a time, each child in one transaction."""
        total = 0
        for child in Child.objects.filter(runs__ended_at__isnull=False).distinct().order_by("pk"):
            with transaction.atomic():
                runs = (
                    Run.objects.filter(child=child, ended_at__isnull=False).select_related("child").order_by("on", "pk")
                )
                for run in runs:
                    fold_run(run)
                replay(child)
                total += len(runs)
        self.stdout.write(f"{total} runs read again")
