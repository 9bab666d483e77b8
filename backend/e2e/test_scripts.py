"""What the commands refuse: nothing that is not theirs is touched."""

import os
import socket
import subprocess
import tempfile
from pathlib import Path
from unittest import TestCase

ROOT = Path(__file__).resolve().parents[2]


class RefusalTest(TestCase):
    def setUp(self) -> None:
        self.var = tempfile.mkdtemp(prefix="pollicor-scripts-")
        os.chmod(self.var, 0o755)
        self.env = {**os.environ, "POLLICOR_VAR": self.var}

    def tearDown(self) -> None:
        subprocess.run(["rm", "-rf", self.var], check=True)

    def run_script(self, script: str) -> subprocess.CompletedProcess[str]:
        command = f"source {ROOT}/scripts/common.sh; source {ROOT}/scripts/database.sh; {script}"
        return subprocess.run(["bash", "-c", command], env=self.env, check=False, capture_output=True, text=True)

    def test_a_folder_that_holds_something_else_is_never_made_into_a_database(self) -> None:
        folder = Path(self.var) / "other"
        folder.mkdir()
        (folder / "letters.txt").write_text("keep me")
        done = self.run_script("db_start other 54729")
        self.assertNotEqual(done.returncode, 0)
        self.assertIn("nothing was touched", done.stderr)
        self.assertEqual((folder / "letters.txt").read_text(), "keep me")

    def test_an_unknown_command_is_refused_with_the_list(self) -> None:
        done = subprocess.run([ROOT / "pollicor", "dance"], env=self.env, check=False, capture_output=True, text=True)
        self.assertEqual(done.returncode, 2)
        self.assertIn("unknown command: dance", done.stderr)
        self.assertIn("./pollicor COMMAND", done.stdout)

    def test_a_secret_is_made_once_and_kept_from_others(self) -> None:
        first = self.run_script("secret one").stdout
        self.assertGreater(len(first.strip()), 20)
        self.assertEqual(self.run_script("secret one").stdout, first)
        self.assertEqual((Path(self.var) / "secrets" / "one").stat().st_mode & 0o077, 0)

    def test_a_taken_port_is_passed_over(self) -> None:
        with socket.socket() as held:
            held.bind(("127.0.0.1", 0))
            held.listen()
            taken = held.getsockname()[1]
            free = int(self.run_script(f"free_port {taken}").stdout)
        self.assertGreater(free, taken)
        self.assertEqual(int(self.run_script(f"free_port {free}").stdout), free)
