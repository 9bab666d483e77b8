"""Backups: written whole or not at all, encrypted so that gpg alone opens them, and kept for as long as is said."""

import resource
import subprocess
import time
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from django.db import connection
from django.test import SimpleTestCase, TestCase, override_settings

from testing.tags import slow
from upkeep.backups import BackupError, backups_in, is_due, nightly, to_keep, write

NIGHT = datetime(2026, 3, 2, 2, 40, tzinfo=UTC)
PASSPHRASE = "a passphrase of several words"


def opened(file: Path, passphrase: str) -> tuple[int, bytes]:
    """What gpg by itself makes of a file: its exit code and the first bytes."""
    with TemporaryDirectory() as home:
        command = ["gpg", "--batch", "--quiet", "--homedir", home, "--pinentry-mode", "loopback"]
        command += ["--passphrase", passphrase, "--decrypt", str(file)]
        done = subprocess.run(command, capture_output=True, check=False)
        subprocess.run(["gpgconf", "--homedir", home, "--kill", "all"], check=False, capture_output=True)
    return done.returncode, done.stdout[:5]


@contextmanager
def full_disk(after: int) -> Iterator[None]:
    """Let no process that is started here write more than so many bytes into one file."""
    soft, hard = resource.getrlimit(resource.RLIMIT_FSIZE)
    resource.setrlimit(resource.RLIMIT_FSIZE, (after, hard))
    try:
        yield
    finally:
        resource.setrlimit(resource.RLIMIT_FSIZE, (soft, hard))


class FolderTest(TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        lists = TemporaryDirectory()  # of its own: a test that erases somebody may have run before
        self.addCleanup(lists.cleanup)
        self.enterContext(override_settings(ERASED_LIST=Path(lists.name) / "erased.jsonl"))

    def names(self) -> list[str]:
        return sorted(f.name for f in self.folder.iterdir())


class WriteTest(FolderTest):
    def test_a_backup_is_one_file_for_its_owner_alone(self) -> None:
        file = self.folder / "a.dump"
        write(file)
        self.assertEqual((file.read_bytes()[:5], file.stat().st_mode & 0o777), (b"PGDMP", 0o600))
        self.assertEqual(self.names(), ["a.dump"])
        listed = subprocess.run(["pg_restore", "--list", str(file)], capture_output=True, text=True, check=True).stdout
        for table in ("clinic_auditentry", "caseload_child", "running_runevent"):
            self.assertIn(f"TABLE DATA public {table} ", listed)

    @slow
    def test_with_a_passphrase_only_that_passphrase_opens_it(self) -> None:
        file = self.folder / "a.dump.gpg"
        write(file, PASSPHRASE)
        self.assertEqual(opened(file, PASSPHRASE), (0, b"PGDMP"))
        self.assertEqual(opened(file, PASSPHRASE + "x"), (2, b""))

    @slow
    def test_a_file_that_was_tampered_with_is_refused(self) -> None:
        file = self.folder / "a.dump.gpg"
        write(file, PASSPHRASE)
        content = bytearray(file.read_bytes())
        content[len(content) // 2] ^= 1
        file.write_bytes(content)
        self.assertNotEqual(opened(file, PASSPHRASE)[0], 0)

    def test_nothing_is_written_over(self) -> None:
        file = self.folder / "a.dump"
        file.write_text("somebody's letter")
        with self.assertRaisesMessage(BackupError, "exists already"):
            write(file)
        self.assertEqual((file.read_text(), self.names()), ("somebody's letter", ["a.dump"]))

    def test_a_folder_that_is_not_there_is_said(self) -> None:
        with self.assertRaisesMessage(BackupError, "No such file or directory"):
            write(self.folder / "gone" / "a.dump")

    @slow
    def test_a_disk_that_is_full_leaves_no_half_of_it(self) -> None:
        for passphrase in ("", PASSPHRASE):
            with full_disk(after=20_000), self.assertRaises(BackupError) as caught:
                write(self.folder / "a.dump", passphrase)
            self.assertTrue(str(caught.exception))
            self.assertEqual(self.names(), [])
        for _ in range(100):  # its end reaches the server a moment later
            if not self.dumps():
                break
            time.sleep(0.1)
        self.assertEqual(self.dumps(), 0, "no dump is left behind in its transaction")

    def dumps(self) -> int:
        with connection.cursor() as cursor:
            cursor.execute("select pg_stat_clear_snapshot()")  # else a transaction sees what it saw first
            here = "application_name = 'pg_dump' and datname = current_database()"
            cursor.execute(f"select count(*) from pg_stat_activity where {here}")
            return int(cursor.fetchone()[0])

    def test_a_database_that_can_t_be_read_is_said(self) -> None:
        gone = {"HOST": "127.0.0.1", "PORT": "1", "USER": "nobody", "PASSWORD": "", "NAME": "none"}
        with patch("upkeep.backups.connection.settings_dict", gone), self.assertRaisesMessage(BackupError, "refused"):
            write(self.folder / "a.dump")
        self.assertEqual(self.names(), [])


class NightlyTest(FolderTest):
    def made_on(self, *days: date) -> None:
        for day in days:
            (self.folder / f"pollicor-{day}T0240Z.dump").write_text("an earlier one")

    def test_one_is_made_at_night_and_named_by_when(self) -> None:
        made = nightly(self.folder / "new", NIGHT)
        assert made is not None
        self.assertEqual((made.file.name, made.at, made.is_sealed), ("pollicor-2026-03-02T0240Z.dump", NIGHT, False))
        self.assertEqual((self.folder / "new").stat().st_mode & 0o777, 0o700)
        self.assertIsNone(nightly(self.folder / "new", NIGHT + timedelta(hours=1)))

    @override_settings(BACKUP_PASSPHRASE=PASSPHRASE)
    @slow
    def test_it_is_encrypted_where_there_is_a_passphrase(self) -> None:
        made = nightly(self.folder, NIGHT)
        assert made is not None
        self.assertEqual((made.is_sealed, opened(made.file, PASSPHRASE)[1]), (True, b"PGDMP"))

    def test_what_is_past_keeping_goes_and_other_files_stay(self) -> None:
        self.made_on(*(NIGHT.date() - timedelta(days=n) for n in range(1, 400)))
        (self.folder / "pollicor-notes.dump.txt").write_text("not ours")
        nightly(self.folder, NIGHT)
        kept = [b.at.date() for b in backups_in(self.folder)]
        self.assertEqual(kept[:7], [NIGHT.date() - timedelta(days=n) for n in range(7)])
        self.assertEqual(len(kept), 7 + 3 + 10, "days, Sundays before them, ends of months before those")
        self.assertIn("pollicor-notes.dump.txt", self.names())

    def test_what_a_night_that_was_cut_short_left_is_cleared_away(self) -> None:
        (self.folder / "pollicor-2026-03-01T0240Z.dump4711.part").write_text("half of it")
        nightly(self.folder, NIGHT)
        self.assertEqual(self.names(), ["pollicor-2026-03-02T0240Z.dump"])

    def test_where_none_could_be_made_none_is_deleted(self) -> None:
        self.made_on(*(NIGHT.date() - timedelta(days=n) for n in range(1, 40)))
        with full_disk(after=20_000), self.assertRaises(BackupError):
            nightly(self.folder, NIGHT)
        self.assertEqual(len(self.names()), 39)

    def test_of_one_day_the_newest_is_kept(self) -> None:
        (self.folder / "pollicor-2026-03-02T0040Z.dump").write_text("made up for a missed night")
        self.made_on(NIGHT.date() - timedelta(days=1))
        nightly(self.folder, NIGHT + timedelta(hours=30))
        self.assertEqual(self.names(), [f"pollicor-2026-03-0{d}.dump" for d in ("1T0240Z", "2T0040Z", "3T0840Z")])


class WhenTest(SimpleTestCase):
    def test_a_night_that_was_missed_is_made_up_for_at_any_hour(self) -> None:
        day = NIGHT.replace(hour=11)
        for newest, now, due in (
            (None, day, True),
            (NIGHT, day, False),
            (NIGHT, NIGHT + timedelta(days=1), True),
            (NIGHT, NIGHT + timedelta(hours=25), False),
            (NIGHT, NIGHT + timedelta(hours=27), True),
            (NIGHT + timedelta(hours=20), NIGHT + timedelta(days=1), False),
        ):
            self.assertEqual(is_due(newest, now), due, (newest, now))

    def test_kept_are_seven_days_five_weeks_and_twelve_months(self) -> None:
        """Counted by hand on the calendar of early 2026; common practice, no source."""
        every = [date(2026, 3, 4) - timedelta(days=n) for n in range(800)]  # back from a Wednesday
        kept = sorted(to_keep(every), reverse=True)
        self.assertEqual(kept[:7], every[:7])
        weeks = [date(2026, 2, 22), date(2026, 2, 15), date(2026, 2, 8)]  # Sundays before the seven days
        months = [date(2026, 1, 31), date(2025, 12, 31), date(2025, 11, 30), date(2025, 10, 31), date(2025, 9, 30)]
        self.assertEqual(kept[7:15], [*weeks, *months])
        self.assertEqual(kept[-1], date(2025, 4, 30))

    def test_old_ones_stay_where_no_new_ones_are_made(self) -> None:
        days = [date(2020, 1, 1), date(2021, 5, 5)]
        self.assertEqual(to_keep(days), set(days))
        self.assertEqual(to_keep([]), set())
