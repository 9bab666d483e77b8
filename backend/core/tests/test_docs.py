"""The examples of docs/core.md run as written."""

import doctest
from pathlib import Path
from textwrap import dedent
from unittest import TestCase

import yaml

from core.library import check
from testing.tags import slow

CORE_MD = Path(__file__).resolve().parents[3] / "docs" / "core.md"


class DocsTest(TestCase):
    @slow
    def test_every_example_gives_what_it_says(self) -> None:
        done = doctest.testfile(str(CORE_MD), module_relative=False)
        self.assertGreater(done.attempted, 25)
        self.assertEqual(done.failed, 0)

    def test_the_example_of_an_activity_is_one(self) -> None:
        example = (CORE_MD.parent / "library.md").read_text().split("## An activity, field by field\n\n")[1]
        activity = check(yaml.safe_load(dedent(example.split("\n\n")[0])))
        self.assertEqual((activity.id, activity.name), ("peg_fence", "Pegs on an edge"))
