"""Backups: the whole database in one file, encrypted where there is a passphrase, and which of them are kept.

A file is PostgreSQL's own custom format (pg_restore reads it), or that inside an OpenPGP message (RFC 9580; gpg reads
it). scripts/backups.sh opens them again, where nothing of this is installed yet.
"""

import os
import shutil
import subprocess
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from pathlib import Path
from tempfile import NamedTemporaryFile, TemporaryDirectory

from django.conf import settings
from django.db import connection
from django.utils import timezone

from caseload.erased_list import BESIDE_BACKUPS, listed, note, note_all

SEALED, PART = ".gpg", ".part"
NIGHT = 2  # the hour, UTC, of the nightly one
ENOUGH = timedelta(hours=12)  # newer than this needs no other at night
LATE = timedelta(hours=26)  # older than this is made up for at once, at any hour
DAYS, WEEKS, MONTHS = 7, 5, 12  # kept: the newest of each of the last so many


class BackupError(Exception):
    """No backup was made, and nothing is left of it. Says why."""


@dataclass(frozen=True)
class Backup:
    """A backup that lies in the backups' folder. at: when it was begun."""

    file: Path
    at: datetime

    @property
    def is_sealed(self) -> bool:
        """Whether it is encrypted."""
        return self.file.suffix == SEALED


def write(file: Path, passphrase: str = "") -> None:
    """Dump the database into a file that only its owner may read: all of it, or no file at all. Raises BackupError
    where it is there already, can't be written or the database can't be read to its end.
    """
    try:
        with NamedTemporaryFile(dir=file.parent, prefix=file.name, suffix=PART) as out:
            _dump(out.fileno(), passphrase)
            os.fsync(out.fileno())
            os.link(out.name, file)  # unlike a rename, never over another
        note_all()
        note(listed([settings.ERASED_LIST]), file.parent / BESIDE_BACKUPS)
    except FileExistsError as error:
        raise BackupError(f"{file} exists already: choose another name. Nothing was written.") from error
    except OSError as error:
        raise BackupError(f"{file} can't be written ({error.strerror}). Nothing was kept.") from error


def nightly(folder: Path, now: datetime) -> Backup | None:
    """Make the backup that is due, then delete those that are past keeping; None where none is due. Raises BackupError,
    and deletes nothing then.
    """
    kept = backups_in(folder)
    if not is_due(kept[0].at if kept else None, now):
        return None
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    for broken in folder.glob(f"pollicor-*{PART}"):
        broken.unlink()  # of a night that was cut short
    passphrase = settings.BACKUP_PASSPHRASE
    made = folder / f"pollicor-{now:%Y-%m-%dT%H%M}Z.dump{SEALED if passphrase else ''}"
    write(made, passphrase)
    kept = backups_in(folder)
    days = to_keep([b.at.date() for b in kept])
    newest = {b.at.date(): b for b in reversed(kept)}  # of one day, the newest
    for old in kept:
        if old.at.date() not in days or newest[old.at.date()] is not old:
            old.file.unlink()
    return kept[0]


def backups_in(folder: Path) -> list[Backup]:
    """What lies in the backups' folder, newest first; files of other names are nobody's business here."""
    found = []
    for file in folder.glob("pollicor-*.dump*") if folder.is_dir() else ():
        try:
            at = datetime.strptime(file.name.split(".")[0], "pollicor-%Y-%m-%dT%H%MZ")
        except ValueError:
            continue
        if file.name.endswith((".dump", f".dump{SEALED}")):
            found.append(Backup(file, timezone.make_aware(at, timezone.get_fixed_timezone(0))))
    return sorted(found, key=lambda b: b.at, reverse=True)


def is_due(newest: datetime | None, now: datetime) -> bool:
    """Whether a backup is to be made now: at night, or as soon as can be where a night was missed."""
    if newest is None:
        return True
    return now - newest > (ENOUGH if now.hour == NIGHT else LATE)


def to_keep(days: list[date]) -> set[date]:
    """Of days with a backup, those whose backup is kept: the last DAYS, and the newest of each of the last WEEKS weeks
    and MONTHS months that have one (common practice: grandfather, father, son).
    """
    newest_first = sorted(set(days), reverse=True)
    weeks = {d.isocalendar()[:2]: d for d in reversed(newest_first)}
    months = {(d.year, d.month): d for d in reversed(newest_first)}
    last = [sorted(group.values(), reverse=True) for group in (weeks, months)]
    return {*newest_first[:DAYS], *last[0][:WEEKS], *last[1][:MONTHS]}


def _dump(out: int, passphrase: str) -> None:
    """Write pg_dump's output to a file descriptor, through gpg where there is a passphrase."""
    at = connection.settings_dict
    command = ["pg_dump", "-h", str(at["HOST"]), "-p", str(at["PORT"]), "-U", str(at["USER"])]
    command += ["-Fc", "--no-privileges", "--no-owner", str(at["NAME"])]
    environment = {**os.environ, "PGPASSWORD": str(at["PASSWORD"])}
    output = subprocess.PIPE if passphrase else out
    with subprocess.Popen(command, env=environment, stdout=output, stderr=subprocess.PIPE) as dump:
        if dump.stdout is not None:
            try:
                _seal(dump.stdout.fileno(), out, passphrase)
            finally:
                dump.stdout.close()  # one that nobody reads any more would wait for ever, in a transaction of its own
        assert dump.stderr is not None
        why = dump.stderr.read().decode(errors="replace").strip()
    if dump.returncode:
        raise BackupError(f"The database could not be read ({why.splitlines()[0] if why else 'pg_dump failed'}).")


def _seal(source: int, out: int, passphrase: str) -> None:
    """Encrypt what comes from one descriptor into another: OpenPGP, AES-256, the key from the passphrase."""
    reading, writing = os.pipe()
    with TemporaryDirectory(prefix="pollicor-gpg-") as home:
        try:
            os.write(writing, passphrase.encode())
            os.close(writing)
            command = ["gpg", "--batch", "--quiet", "--homedir", home, "--pinentry-mode", "loopback"]
            command += ["--passphrase-fd", str(reading), "--cipher-algo", "AES256", "--s2k-digest-algo", "SHA512"]
            command += ["--s2k-count", "65011712", "--compress-algo", "none", "--symmetric", "--output", "-"]
            done = subprocess.run(
                command, stdin=source, stdout=out, stderr=subprocess.PIPE, pass_fds=[reading], check=False
            )
        finally:
            os.close(reading)
            if shutil.which("gpgconf"):
                subprocess.run(["gpgconf", "--homedir", home, "--kill", "all"], capture_output=True, check=False)
    if done.returncode:
        lines = done.stderr.decode(errors="replace").strip().splitlines()
        raise BackupError(f"The backup could not be encrypted ({lines[-1] if lines else 'gpg failed'}).")
