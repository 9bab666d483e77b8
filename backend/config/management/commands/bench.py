"""What things cost, as ratios wherever it can be. Run by ./pollicor bench on a database of its own."""

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction


class Command(BaseCommand):
    """Runs every measurement; what is stored for it is rolled back."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Measure, and print a line for each."""
        from django.test.utils import setup_test_environment

        from benchmarks import estimates, pages, planning, script, together

        setup_test_environment(debug=False)

        planning.expansion(self.stdout.write)
        planning.against_straightforward(self.stdout.write)
        for measure in (together.weeks, together.groups, together.caseload, together.library_size, together.checked):
            measure(self.stdout.write)
        estimates.report(self.stdout.write)
        script.first_page(self.stdout.write)
        with transaction.atomic():
            pages.pages(self.stdout.write)
            pages.taps(self.stdout.write)
            pages.growth(self.stdout.write)
            transaction.set_rollback(True)
