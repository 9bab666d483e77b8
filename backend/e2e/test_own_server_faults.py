"""What happens to a run while the database is away, its disk is full or the machine's clock is wrong: what was answered
stays, what was not is refused in words and goes through later, and nobody has to start anything again.
"""

import json
import os
import subprocess
import time
import unittest
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from uuid import uuid4

from e2e.own_server import FILL, OwnServerTest

MB = 1024 * 1024


class FaultsTest(OwnServerTest):
    def begin(self) -> None:
        """A served clinic with one run under way."""
        self.start()
        self.manage("migrate", "--verbosity", "0")
        filled = self.manage("shell", "--verbosity", "0", "-c", FILL).strip().splitlines()[-1]
        self.run_id, self.block, grade = filled.split(" ", 2)
        self.grade = json.loads(grade)
        self.made = 0
        self.serve()

    def taps(self, count: int, note: str = "") -> list[dict[str, object]]:
        value = {"outcome": "success", "support": "alone", "grade": self.grade}
        made = []
        for _ in range(count):
            self.made += 1
            at = f"2026-03-02T09:{self.made // 60 % 60:02}:{self.made % 60:02}Z"
            made.append({"id": str(uuid4()), "block": self.block, "kind": "try", "at": at, "value": value})
        if note:
            made.append({"id": str(uuid4()), "block": self.block, "kind": "note", "at": at, "value": {"text": note}})
        return made

    def send(self, taps: list[dict[str, object]]) -> None:
        kept = self.ask("POST", f"/runs/{self.run_id}/events", taps)
        assert isinstance(kept, dict)
        self.assertEqual((sorted(kept["kept"]), kept["refused"]), (sorted(str(t["id"]) for t in taps), []))

    def kept(self) -> list[str]:
        result = self.ask("GET", f"/runs/{self.run_id}")
        assert isinstance(result, dict)
        return sorted(e["id"] for e in result["events"])

    def test_a_database_that_is_away_is_said_and_comes_back_by_itself(self) -> None:
        self.begin()
        before, during, after = self.taps(5), self.taps(5), self.taps(5)
        self.send(before)
        self.database("db_stop crash")
        status, words = self.refused("POST", f"/runs/{self.run_id}/events", during)
        self.assertEqual(status, 503)
        self.assertIn("database can't be reached", words)
        time.sleep(40)  # long enough for a pool to try only every half a minute
        self.database("db_start crash 0")
        self.send(during)  # the very first one: no connection of before is handed out again
        self.send(before + after)
        self.assertEqual(self.kept(), sorted(str(t["id"]) for t in before + during + after))

    @contextmanager
    def small_disk(self, size: int) -> Iterator[Path]:
        """A disk of its own for the database."""
        disk = Path(self.var) / "crash"
        disk.mkdir()
        subprocess.run(["mount", "-t", "tmpfs", "-o", f"size={size},mode=700", "tmpfs", str(disk)], check=True)
        try:
            yield disk
        finally:
            self.kill()
            self.database("db_stop crash")
            subprocess.run(["umount", str(disk)], check=True)

    @unittest.skipUnless(os.getuid() == 0, "mounting a small disk takes root")
    def test_a_full_disk_is_said_and_nothing_that_was_answered_is_lost(self) -> None:
        with self.small_disk(200 * MB) as disk:
            self.begin()
            answered = self.taps(5)
            self.send(answered)
            filler = disk / "filler"
            filler.write_bytes(bytes(self.left(disk)))
            refused: list[dict[str, object]] = []
            for _ in range(80):
                batch = self.taps(100, note="x" * 400)
                try:
                    self.send(batch)
                    answered += batch
                except OSError:
                    refused = batch
                    break
            self.assertTrue(refused, "the disk was never full")
            status, words = self.refused("POST", f"/runs/{self.run_id}/events", refused)
            self.assertEqual(status, 503)
            self.assertIn("can't be reached or written to", words)
            filler.unlink()
            self.send(refused)
            self.assertEqual(self.kept(), sorted(str(t["id"]) for t in answered + refused))

    def left(self, disk: Path) -> int:
        state = os.statvfs(disk)
        return state.f_bavail * state.f_frsize

    def test_a_clock_set_back_by_a_day_loses_and_doubles_nothing(self) -> None:
        self.begin()
        first, second = self.taps(5), self.taps(5)
        self.send(first)
        self.kill()
        self.serve(before=["faketime", "-f", "-1d"])
        self.send(first[3:] + second)
        self.assertEqual(self.kept(), sorted(str(t["id"]) for t in first + second))
        result = self.ask("POST", f"/runs/{self.run_id}/finish")
        assert isinstance(result, dict)
        self.assertEqual([(s["tries"], s["successes"]) for s in result["sets"]], [(10, 10)])
        audit = self.ask("GET", "/audit")
        assert isinstance(audit, dict)
        newest = [e["action"] for e in audit["entries"][:2]]
        self.assertEqual(newest, ["run.read", "run.finish"], "in the order written, whatever the clock said")

    def test_a_plan_is_not_made_for_somebody_who_hung_up(self) -> None:
        self.begin()
        run = self.ask("GET", f"/runs/{self.run_id}")
        assert isinstance(run, dict)
        child = self.ask("GET", f"/children/{run['child_id']}")
        assert isinstance(child, dict)
        plans = f"/children/{child['id']}/plans"
        wish = {"minutes": 30, "targets": ["grasp", "bilateral"], "home_id": child["home_id"]}
        before = self.ask("GET", plans)
        assert isinstance(before, list)
        self.visitor.ask_and_leave("POST", plans, wish)
        made = self.ask("POST", plans, wish)
        assert isinstance(made, dict)
        after = self.ask("GET", plans)
        assert isinstance(after, list)
        self.assertEqual([p["id"] for p in after], [made["id"], *(p["id"] for p in before)])
