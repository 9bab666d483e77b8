"""Write the whole database into one file."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from upkeep.backups import BackupError, write


class Command(BaseCommand):
    """Writes a backup, encrypted where POLLICOR_BACKUP_PASSPHRASE says with what."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """Where to."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Write it, or say why not."""
        try:
            write(options["file"], settings.BACKUP_PASSPHRASE)
        except BackupError as error:
            raise CommandError(str(error)) from error
        sealed = "encrypted" if settings.BACKUP_PASSPHRASE else "not encrypted: POLLICOR_BACKUP_PASSPHRASE is empty"
        size = options["file"].stat().st_size / 1024 / 1024
        self.stdout.write(f"backed up to {options['file']} ({size:.1f} MB, {sealed})")
