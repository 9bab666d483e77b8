"""What the lead is told of the backups."""

from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

from django.test import TestCase, override_settings

from testing.builders import Api, make_member


class UpkeepTest(TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.lead = make_member()

    def test_the_lead_sees_when_the_last_backup_was_made(self) -> None:
        with override_settings(BACKUP_DIR=self.folder):
            self.assertEqual(Api(self.lead)("get", "/upkeep")[1]["last"], None)
            for name in ("2026-03-01T0240Z.dump", "2026-03-02T0240Z.dump.gpg"):
                (self.folder / f"pollicor-{name}").touch()
            status, out = Api(self.lead)("get", "/upkeep")
        self.assertEqual((status, out["kept"], out["is_sealed"]), (200, 2, True))
        self.assertEqual(datetime.fromisoformat(out["last"]), datetime(2026, 3, 2, 2, 40, tzinfo=UTC))

    def test_nobody_else_does(self) -> None:
        for role in ("therapist", "assistant"):
            self.assertEqual(Api(make_member(role, self.lead.clinic, role))("get", "/upkeep")[0], 403)
