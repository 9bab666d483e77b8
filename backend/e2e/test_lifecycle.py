"""Start, crash, back up, restore and stop, through the commands themselves, in folders and on ports of their own."""

import json
import os
import pwd
import signal
import socket
import subprocess
import tempfile
import time
import urllib.request
from pathlib import Path
from typing import Any
from unittest import TestCase
from uuid import uuid4

from django.test import tag

from e2e.own_server import FILL, free_port
from e2e.visitor import Visitor

ROOT = Path(__file__).resolve().parents[2]
PORT = "8590"
TABLES = "select count(*) from information_schema.tables where table_schema='public'"
ADD_CLINIC = (
    "from clinic.models import Clinic; from clinic.people_actions import new_member;"
    "new_member(Clinic.objects.create(name='Larkwater'), 'lead', 'Ada Weir', 'ada', 'three boats in a row')"
)
SEALED = {"POLLICOR_BACKUP_PASSPHRASE": "a passphrase of several words"}


def listens(port: int) -> bool:
    """Whether a server has come up there: it listens once the application is loaded."""
    with socket.socket() as probe:
        return probe.connect_ex(("127.0.0.1", port)) == 0


@tag("slow")
class LifecycleTest(TestCase):
    def setUp(self) -> None:
        self.folders: list[str] = []
        self.served: list[subprocess.Popen[str]] = []
        self.files = self.new_folder()

    def tearDown(self) -> None:
        for served in self.served:
            served.send_signal(signal.SIGTERM)
            self.assertEqual(served.wait(timeout=120), 0)
            served.communicate(timeout=120)  # ends once nobody holds its output any more
        for folder in self.folders[1:]:
            self.pollicor(folder, "stop")
        for folder in self.folders:
            where = Path(folder) / "postgres.where"
            home = where.read_text().strip() if where.exists() else folder
            subprocess.run(["rm", "-rf", folder, home], check=True)

    def new_folder(self) -> str:
        folder = tempfile.mkdtemp(prefix="pollicor-life-")
        os.chmod(folder, 0o755)
        self.folders.append(folder)
        return folder

    def environment(self, var: str) -> dict[str, str]:
        own = {k: v for k, v in os.environ.items() if not k.startswith(("POLLICOR_", "DJANGO_"))}
        return {**own, "POLLICOR_VAR": var, "POLLICOR_PORT": PORT}

    def pollicor(self, var: str, *words: str, **settings: str) -> subprocess.CompletedProcess[str]:
        command = [str(ROOT / "pollicor"), *words]
        return subprocess.run(
            command,
            env={**self.environment(var), **settings},
            cwd=self.files,
            check=False,
            capture_output=True,
            text=True,
        )

    def done(self, var: str, *words: str, **settings: str) -> str:
        result = self.pollicor(var, *words, **settings)
        self.assertEqual(result.returncode, 0, result.stdout + result.stderr)
        return result.stdout

    def sourced(self, var: str, helpers: str, command: str) -> str:
        script = f"source {ROOT}/scripts/common.sh; source {ROOT}/scripts/{helpers}; {command}"
        result = subprocess.run(
            ["bash", "-ec", script], env=self.environment(var), check=True, capture_output=True, text=True
        )
        return result.stdout.strip()

    def tables(self, var: str) -> int:
        ask = f'db_start postgres 54329; psql_as_owner -d pollicor -tAc "{TABLES}"'
        return int(self.sourced(var, "database.sh", ask))

    def address(self, started: str) -> str:
        return started.split("Pollicor is at ")[1].split(maxsplit=1)[0]

    def pid_of(self, var: str, program: str) -> int:
        return int(self.sourced(var, "supervise.sh", f"supervisor pid {program}"))

    def wait_for_another(self, var: str, program: str, than: int) -> None:
        for _ in range(600):
            if self.pid_of(var, program) not in (0, than):
                return
            time.sleep(0.2)
        self.fail(f"{program} was not started again")

    def check_owners(self, var: str) -> None:
        """Started by root, the server and its workers are somebody else, who can't read the secrets."""
        runs_as = self.sourced(var, "supervise.sh", "run_as")
        if os.getuid() == 0 and all(p.stat().st_mode & 0o001 for p in (ROOT, *ROOT.parents)):
            self.assertEqual(runs_as, "pollicor")
        for program in ("web", "planner", "worker:worker-0", "worker:worker-1"):
            owner = os.stat(f"/proc/{self.pid_of(var, program)}").st_uid
            self.assertEqual(pwd.getpwuid(owner).pw_name, runs_as, program)
        self.assertEqual((Path(var) / "secrets").stat().st_mode & 0o077, 0)
        self.assertEqual((Path(var) / "log" / "server.log").stat().st_mode & 0o077, 0)

    def test_what_dies_is_started_again_and_stop_ends_all_of_it(self) -> None:
        var = self.new_folder()
        address = self.address(self.done(var, "start", "--empty"))
        for program in ("worker:worker-1", "web"):
            pid = self.pid_of(var, program)
            os.kill(pid, signal.SIGKILL)
            self.wait_for_another(var, program, pid)
        self.check_owners(var)
        self.assertIn("running already", self.done(var, "start", "--empty"))
        self.done(var, "stop")
        with self.assertRaises(OSError):
            urllib.request.urlopen(address, timeout=5)

    def check_nightly(self, var: str) -> Path:
        """The backup that nobody asks for can be made by the role that may do least; where it lies."""
        folder = Path(self.files) / "nightly"
        make = "from upkeep.tasks import back_up; back_up(0)"
        with_role = f"db_start postgres 54329; as_web; export POLLICOR_SECRET_KEY=k POLLICOR_BACKUP_DIR={folder}"
        self.sourced(var, "database.sh", f'{with_role}; manage shell --verbosity 0 -c "{make}"')
        made = list(folder.iterdir())
        self.assertEqual([(f.suffix, f.stat().st_mode & 0o077) for f in made], [(".dump", 0)])
        self.assertIn("clinics: 1", self.done(var, "check-backup", str(made[0])))
        return made[0]

    def tree(self, pid: int) -> list[int]:
        """A process and all that it started."""
        children = subprocess.run(["pgrep", "-P", str(pid)], capture_output=True, text=True, check=False).stdout.split()
        return [pid, *(p for child in children for p in self.tree(int(child)))]

    def left_over(self, var: str) -> list[str]:
        return self.sourced(var, "supervise.sh", "left_over").split()

    def test_a_power_cut_loses_nothing_that_was_answered(self) -> None:
        var = self.new_folder()
        address = self.address(self.done(var, "start", "--empty"))
        run, taps = self.run_to_tap(var)
        maren = Visitor(address)
        maren.sign_in("maren", "a long enough one")
        maren.ask("POST", f"/runs/{run}/events", taps[:25])

        database = Path((Path(var) / "postgres.where").read_text().strip()) / "postmaster.pid"
        supervisor = int((Path(var) / "supervisord.pid").read_text())
        for pid in (*self.tree(supervisor), *self.tree(int(database.read_text().splitlines()[0]))):
            os.kill(pid, signal.SIGKILL)
        self.assertEqual(self.address(self.done(var, "start", "--empty")), address)
        maren.ask("POST", f"/runs/{run}/events", taps[20:])  # still signed in
        self.assertEqual(self.kept(maren, run), sorted(t["id"] for t in taps))

        supervisor, before = int((Path(var) / "supervisord.pid").read_text()), self.left_over(var)
        os.kill(supervisor, signal.SIGKILL)
        self.assertEqual(self.left_over(var), before, "they go on by themselves")
        self.assertEqual(self.address(self.done(var, "start", "--empty")), address)
        self.assertFalse(set(before) & set(self.left_over(var)))
        self.done(var, "stop")
        self.assertEqual(self.left_over(var), [])

    def clinics(self, var: str) -> list[str]:
        names = "from clinic.models import Clinic; print(*Clinic.objects.order_by('pk').values_list('name', flat=True))"
        return self.done(var, "manage", "shell", "--verbosity", "0", "-c", names).split()

    def test_a_database_is_put_back_as_it_was_at_a_moment(self) -> None:
        var, fresh, wal = self.new_folder(), self.new_folder(), self.new_folder()
        archiving = f"export POLLICOR_WAL_DIR={wal}; db_start postgres 54329"
        self.sourced(var, "database.sh", f"{archiving}; db_create pollicor")
        self.done(var, "manage", "migrate", "--verbosity", "0")
        self.done(var, "base-backup", "base")
        self.assertEqual((Path(self.files) / "base").stat().st_mode & 0o077, 0)
        add = "from clinic.models import Clinic; Clinic.objects.create(name='{}')"
        self.done(var, "manage", "shell", "--verbosity", "0", "-c", add.format("Larkwater"))
        ask = f"{archiving}; psql_as_owner -d pollicor -tAc"
        moment = self.sourced(var, "database.sh", f"{ask} 'select now()'")
        self.done(var, "manage", "shell", "--verbosity", "0", "-c", add.format("Mistake"))
        self.sourced(var, "database.sh", f"{ask} 'select pg_switch_wal()'")
        self.done(var, "stop")  # which waits until all of it is kept

        late = self.pollicor(fresh, "recover", "base", wal, "2200-01-01 00:00:00+00")
        self.assertIn("recovery ended before configured recovery target was reached", late.stderr)
        self.done(fresh, "recover", "base", wal, moment)
        self.assertEqual(self.clinics(fresh), ["Larkwater"])
        again = self.pollicor(fresh, "recover", "base", wal, moment)
        self.assertIn("there is a database already", again.stderr)

    def test_two_machines_on_one_database(self) -> None:
        elsewhere, one, two = self.new_folder(), self.new_folder(), self.new_folder()
        command = "db_start postgres 54329; db_create pollicor; echo $POLLICOR_DB_PORT $POLLICOR_DB_PASSWORD"
        port, password = self.sourced(elsewhere, "database.sh", command).splitlines()[-1].split()
        shared = {"POLLICOR_DB_HOST": "127.0.0.1", "POLLICOR_DB_PORT": port, "POLLICOR_DB_PASSWORD": password}
        shared |= {"POLLICOR_SECRET_KEY": "k" * 50, "POLLICOR_WEB_DB_PASSWORD": "of both"}
        first = f"http://127.0.0.1:{free_port()}/"
        self.serve(one, "", **shared, POLLICOR_PORT=first.split(":")[2][:-1])
        self.done(two, "prepare", **shared)
        second = f"http://127.0.0.1:{free_port()}/"
        no_owner = {k: v for k, v in shared.items() if k != "POLLICOR_DB_PASSWORD"}
        self.serve(two, "web", **no_owner, POLLICOR_PORT=second.split(":")[2][:-1])
        self.assertFalse((Path(one) / "postgres").exists(), "no database of its own")
        run, taps = self.run_to_tap(one, **shared)

        maren = Visitor(first)
        maren.sign_in("maren", "a long enough one")
        maren.ask("POST", f"/runs/{run}/events", taps[:25])
        maren.address = second  # the same session
        maren.ask("POST", f"/runs/{run}/events", taps[20:30])
        self.done(one, "stop")
        maren.ask("POST", f"/runs/{run}/events", taps[25:])
        self.assertEqual(self.kept(maren, run), sorted(t["id"] for t in taps))

        children = [c["id"] for c in self.asked(maren, "/children")]
        maren.ask("POST", "/batches", {"children": children})
        self.assertEqual({line["status"] for line in self.asked(maren, "/batches/latest")["lines"]}, {"waiting"})
        self.serve(self.new_folder(), "workers", **no_owner)  # the only ones that are left
        for _ in range(600):
            if {line["status"] for line in self.asked(maren, "/batches/latest")["lines"]} == {"planned"}:
                break
            time.sleep(0.2)
        else:
            self.fail("nothing was planned in the background")

    def asked(self, who: Visitor, path: str) -> Any:
        return who.ask("GET", path)

    def serve(self, var: str, what: str, **settings: str) -> None:
        """Serve in the foreground, all of it where nothing is named, until the test ends; nothing may be left then."""
        command = [str(ROOT / "pollicor"), "serve", *what.split()]
        env = {**self.environment(var), **settings}
        served = subprocess.Popen(command, env=env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True)
        self.served.append(served)
        program = "worker:worker-0" if what == "workers" else "web"
        for _ in range(600):
            if self.sourced(var, "supervise.sh", f"is_running {program} && echo yes || true") == "yes" and (
                what == "workers" or listens(int(settings["POLLICOR_PORT"]))
            ):
                return
            time.sleep(0.2)
        self.fail(f"{what} did not come up")

    def run_to_tap(self, var: str, **settings: str) -> tuple[str, list[dict[str, Any]]]:
        """A run in a started Pollicor, for maren, and forty taps for it."""
        filled = self.done(var, "manage", "shell", "--verbosity", "0", "-c", FILL, **settings).strip().splitlines()[-1]
        run, block, grade = filled.split(" ", 2)
        value = {"outcome": "success", "support": "alone", "grade": json.loads(grade)}
        times = (f"2026-03-02T09:00:{i:02}Z" for i in range(40))
        return run, [{"id": str(uuid4()), "block": block, "kind": "try", "at": at, "value": value} for at in times]

    def kept(self, who: Visitor, run: str) -> list[str]:
        result = who.ask("GET", f"/runs/{run}")
        assert isinstance(result, dict)
        return sorted(e["id"] for e in result["events"])

    def test_a_backup_goes_into_a_fresh_copy_and_a_damaged_one_leaves_nothing(self) -> None:
        var, fresh = self.new_folder(), self.new_folder()
        self.done(var, "start", "--empty")
        self.done(var, "manage", "shell", "--verbosity", "0", "-c", ADD_CLINIC)
        self.assertIn("encrypted)", self.done(var, "backup", "good.dump", **SEALED))
        good = Path(self.files) / "good.dump"
        self.assertEqual(good.stat().st_mode & 0o077, 0)
        self.assertNotIn(b"PGDMP", good.read_bytes()[:200])
        (Path(self.files) / "cut.dump").write_bytes(good.read_bytes()[:-2000])
        self.assertIn("clinics: 1", self.done(var, "check-backup", "good.dump", **SEALED))
        self.assertIn("could not be decrypted", self.pollicor(var, "check-backup", "cut.dump", **SEALED).stderr)
        self.assertIn("is encrypted", self.pollicor(var, "check-backup", "good.dump").stderr)
        plain = self.check_nightly(var)

        damaged = self.pollicor(fresh, "restore", "cut.dump", **SEALED)
        self.assertNotEqual(damaged.returncode, 0)
        self.assertIn("could not be decrypted", damaged.stderr)
        self.assertEqual(self.tables(fresh), 0)
        (Path(self.files) / "short.dump").write_bytes(plain.read_bytes()[:-2000])
        self.assertIn("nothing was restored", self.pollicor(fresh, "restore", "short.dump").stderr)
        self.assertEqual(self.tables(fresh), 0)

        self.done(fresh, "restore", "good.dump", **SEALED)
        started = self.done(fresh, "start")
        self.assertNotIn("password", started, "that of a demo which was not loaded here")
        me = Visitor(self.address(started)).sign_in("ada", "three boats in a row")
        assert isinstance(me, dict)
        self.assertEqual(me["clinic"], "Larkwater")
        again = self.pollicor(fresh, "restore", "good.dump")
        self.assertIn("already holds data", again.stderr)
