"""What things cost, as ratios wherever it can be. Run by ./pollicor bench on a database of its own."""

from collections.abc import Callable
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import transaction


class Command(BaseCommand):
    """Runs every measurement, or those named; what is stored for it is rolled back."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """Which measurements; none: all but the clinics."""
        parser.add_argument(
            "only",
            nargs="*",
            help="library, plans, sessions, together, estimates, refit, movement, speed, look, pictures, script, "
            "pages, taps, year, growth, children, clinics, browser or load",
        )

    def handle(self, *args: Any, only: list[str], **options: Any) -> None:
        """Measure, and print a line for each."""
        from django.test.utils import setup_test_environment

        from benchmarks import (
            browser,
            clinics,
            estimates,
            first_look,
            load,
            movement,
            pages,
            pictures,
            planning,
            refit,
            script,
            sessions,
            speed,
            together,
        )

        setup_test_environment(debug=False)
        every: dict[str, list[Callable[[Callable[[str], None]], None]]] = {
            "library": [planning.expansion],
            "plans": [planning.against_straightforward, planning.whole],
            "sessions": [sessions.figures, sessions.wishes],
            "together": [together.weeks, together.groups, together.caseload, together.library_size, together.checked],
            "estimates": [estimates.report],
            "refit": [refit.report],
            "movement": [movement.report],
            "speed": [speed.figures],
            "look": [first_look.report],
            "pictures": [pictures.figures],
            "script": [script.first_page],
            "pages": [pages.pages],
            "taps": [pages.taps],
            "year": [pages.year],
            "growth": [pages.growth],
            "children": [pages.many_children],
            "clinics": [clinics.report],
            "browser": [browser.report],
            "load": [load.report],
        }
        unknown = [name for name in only if name not in every]
        if unknown:
            raise CommandError(f"No measurement called {', '.join(unknown)}. Use {', '.join(every)}.")
        wanted = only or [name for name in every if name != "clinics"]  # eight gigabytes are for who asks for them
        for measure in (m for name, measures in every.items() if name in wanted for m in measures):
            with transaction.atomic():
                measure(self.stdout.write)
                transaction.set_rollback(True)
