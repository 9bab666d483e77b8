"""Every shape in which a run's blocks were ever stored is read: one fixture a version, made by that version. No
database.
"""

import json
from dataclasses import MISSING, fields, make_dataclass
from pathlib import Path
from typing import Any
from unittest import TestCase
from unittest.mock import patch

from core.child import Child
from core.planner import Block, plan_session
from running import stored
from running.frozen import FrozenBlock
from running.stored import Stored, StoredBlock
from testing.core_builders import everything, request_for
from testing.tags import slow

FIXTURES = sorted((Path(__file__).parent / "fixtures" / "runs").glob("version_*.json"))


def _of_the_same_keys(new: Any, old: Any) -> Any:
    """`new` without what `old` has no key for: a field that came later, with a default."""
    if isinstance(old, dict):
        return {key: _of_the_same_keys(new[key], value) for key, value in old.items()}
    if isinstance(old, list) and len(old) == len(new):
        return [_of_the_same_keys(n, o) for n, o in zip(new, old, strict=True)]
    return new


class StoredShapesTest(TestCase):
    def test_there_is_a_fixture_of_this_version_and_every_one_is_read(self) -> None:
        self.assertIn(f"version_{FrozenBlock.model_fields['version'].default}", [f.stem for f in FIXTURES])
        for path in FIXTURES:
            plain = json.loads(path.read_text())
            frozen = FrozenBlock.model_validate(plain)
            self.assertIsInstance(frozen.block, Block)
            self.assertEqual(_of_the_same_keys(frozen.plain(), plain), plain, path.stem)

    @slow
    def test_what_is_stored_of_a_plans_blocks_comes_back_as_it_was(self) -> None:
        child = Child(64, hand="left", precautions=frozenset({"joint_laxity"}), wanted=("buttons", "name"))
        for block in plan_session(request_for(child, everything(), 35, ("grasp", "bilateral"))).blocks:
            again = StoredBlock.model_validate_json(StoredBlock.model_validate(block).model_dump_json()).core()
            self.assertEqual(again, block)

    def test_a_field_the_core_adds_to_a_block_leaves_old_runs_readable(self) -> None:
        """As when a kind of work comes to stand on every block: old runs have none, and get the core's default."""
        more = make_dataclass("Block", [("kind_of_work", str, "piece")], bases=(Block,), frozen=True)
        plain = json.loads(FIXTURES[-1].read_text())
        with patch.object(StoredBlock, "of", more):
            self.assertEqual(FrozenBlock.model_validate(plain).block.kind_of_work, "piece")  # type: ignore[attr-defined]

    def test_every_field_that_the_core_wants_is_stored(self) -> None:
        """A field without a default that is added to a value of the core has to be given one here, or be stored."""
        every = [s for s in vars(stored).values() if isinstance(s, type) and issubclass(s, Stored) and s is not Stored]
        self.assertGreater(len(every), 10)
        for one in every:
            wanted = {f.name for f in fields(one.of) if f.default is MISSING and f.default_factory is MISSING}
            self.assertLessEqual(wanted, set(one.model_fields), one.__name__)
