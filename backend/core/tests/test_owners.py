"""What is true of a rule, a precaution, a format, an act stands there: no list of such ids is kept elsewhere."""

import ast
import re
from collections.abc import Iterator, Mapping
from pathlib import Path
from unittest import TestCase

from core.child import PRECAUTIONS
from core.drawing import ACTS
from core.planner import FORMATS
from core.safety import RULES, STEP_TAGS
from testing.tags import slow

BACKEND = Path(__file__).resolve().parents[2]
ROOT = BACKEND.parent
# Whose ids, and the folder that may list them.
OWNERS: Mapping[str, tuple[frozenset[str], str]] = {
    "hazard rules": (frozenset(RULES) - frozenset(STEP_TAGS) - frozenset(PRECAUTIONS), "core/safety"),
    "precautions": (frozenset(PRECAUTIONS), "core/child"),
    "formats": (frozenset(FORMATS) - {"home", "parts", "kit", "look"}, "core/planner/request"),
    "acts": (frozenset(ACTS), "core/drawing"),
}
# Read by hand: what each of these lists is, and why it is none of those ids' facts.
MEANT = {
    ("core/safety/step_rules.py", "precautions"): "the rules' own conditions, with the words they say",
    ("core/child/precautions.py", "hazard rules"): "which rules a precaution makes speak, held against the verdicts",
}
FEWEST = 2  # ids side by side that make a list


def lists_in(tree: ast.AST) -> Iterator[tuple[int, frozenset[str]]]:
    """Every display of strings: (line, its strings), those of a mapping's keys too."""
    for node in ast.walk(tree):
        items = node.elts if isinstance(node, ast.Set | ast.List | ast.Tuple) else ()
        items = [k for k in node.keys if k] if isinstance(node, ast.Dict) else items
        words = [i.value for i in items if isinstance(i, ast.Constant) and isinstance(i.value, str)]
        if len(words) == len(items) and words:
            yield node.lineno, frozenset(words)


class OwnersTest(TestCase):
    @slow
    def test_no_module_outside_the_owner_holds_a_list_of_its_ids(self) -> None:
        found = []
        for path in sorted(BACKEND.rglob("*.py")):
            name = path.relative_to(BACKEND).as_posix()
            if re.search(r"(^|/)(tests|migrations|e2e|testing|demo|benchmarks)/", name):
                continue
            for line, words in lists_in(ast.parse(path.read_text("utf-8"))):
                for what, (ids, owner) in OWNERS.items():
                    if (
                        len(words) >= FEWEST
                        and words <= ids
                        and not name.startswith(owner)
                        and (name, what) not in MEANT
                    ):
                        found.append(f"{name}:{line} lists {what}: {', '.join(sorted(words))}")
        self.assertEqual(found, [])

    def test_a_list_kept_elsewhere_would_be_found(self) -> None:
        (found,) = lists_in(ast.parse('HARD = frozenset({"pain", "fracture"})'))
        self.assertLessEqual(found[1], OWNERS["precautions"][0])


class GuideTest(TestCase):
    def test_every_place_the_guide_names_is_there(self) -> None:
        guide = (ROOT / "CONTRIBUTING.md").read_text("utf-8")
        named = set(re.findall(r"`((?:backend|frontend|docs|scripts)/[^`*]*)`", guide))
        self.assertGreater(len(named), 20)
        self.assertEqual([p for p in sorted(named) if not (ROOT / p).exists()], [])

    def test_every_decision_has_its_number_its_status_and_its_day(self) -> None:
        for path in sorted((ROOT / "docs" / "decisions").glob("*.md")):
            head = path.read_text("utf-8").split("\n")
            self.assertRegex(head[0], rf"^# {path.name[:4]}\. [A-Z]", path.name)
            self.assertRegex(head[2], r"^Status: .*\. Date: \d{4}-\d\d-\d\d\.$", path.name)
