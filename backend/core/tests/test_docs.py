"""The examples of docs/core.md run as written."""

import doctest
from pathlib import Path
from unittest import TestCase

from testing.tags import slow

CORE_MD = Path(__file__).resolve().parents[3] / "docs" / "core.md"


class DocsTest(TestCase):
    @slow
    def test_every_example_gives_what_it_says(self) -> None:
        done = doctest.testfile(str(CORE_MD), module_relative=False)
        self.assertGreater(done.attempted, 25)
        self.assertEqual(done.failed, 0)
