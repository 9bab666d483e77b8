"""How the apps are laid out: one offers another its queries, its actions and what it shows, never its views."""

import ast
import re
from pathlib import Path
from unittest import TestCase

from testing.tags import slow

BACKEND = Path(__file__).resolve().parents[2]
VIEWS = re.compile(r"^(?!playwright)[a-z]+\.([a-z_]+_)?api$")


class HouseTest(TestCase):
    @slow
    def test_no_module_but_the_list_of_routes_imports_views(self) -> None:
        found = []
        for path in sorted(BACKEND.glob("*/*.py")):
            if path.parent.name == "config":
                continue
            for node in ast.walk(ast.parse(path.read_text("utf-8"))):
                if isinstance(node, ast.ImportFrom) and node.level == 0 and VIEWS.match(node.module or ""):
                    found.append(f"{path.parent.name}/{path.name} imports {node.module}")
        self.assertEqual(found, [])
        self.assertTrue(VIEWS.match("planning.weeks_api") and not VIEWS.match("playwright.sync_api"))
