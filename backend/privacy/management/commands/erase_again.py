"""Erase again, after a restore, whom a list says was erased."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandParser

from privacy.actions import erase_again


class Command(BaseCommand):
    """Goes by the list beside this database and by those beside the backups that are named."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """More lists."""
        parser.add_argument("lists", nargs="*", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Erase, and say how many came back and went again."""
        gone = erase_again([settings.ERASED_LIST, *options["lists"]])
        if gone:
            self.stdout.write(f"erased again, as the list says: {gone}")
