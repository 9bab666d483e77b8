"""Write the tables of docs/sources.md that are made from the code: the hazard rules and the precautions.

    python scripts/write_tables.py [--check]

--check writes nothing, and fails where a table kept is not the one the code gives.
"""

import sys
from collections.abc import Iterable
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
PAGE = ROOT / "docs" / "sources.md"
sys.path.insert(0, str(ROOT / "backend"))

from core.child import PRECAUTIONS  # noqa: E402
from core.safety import RULES  # noqa: E402


def table(heads: tuple[str, ...], rows: Iterable[tuple[str, ...]]) -> str:
    """A table in Markdown."""
    lines = [heads, ("---",) * len(heads), *rows]
    return "\n".join(
        f"|{'|'.join('---' for _ in row)}|" if row[0] == "---" else f"| {' | '.join(row)} |" for row in lines
    )


def within_reach(rule_id: str) -> str:
    """Whether a rule of a thing holds for a child beside the one who works with it."""
    rule = RULES[rule_id]
    return ("yes" if rule.in_reach else "no") if rule.scope == "thing" else ""


def tables() -> dict[str, str]:
    """Each table by the name its place is marked with."""
    rules = ((f"`{r.id}`", r.source, r.about, within_reach(r.id)) for r in RULES.values())
    return {
        "rules": table(("Rule", "Source", "About", "Within reach"), rules),
        "precautions": table(("Precaution", "Changes"), ((p.name, p.changes) for p in PRECAUTIONS.values())),
    }


def filled(text: str) -> str:
    """The page with every table as the code gives it."""
    for name, made in tables().items():
        begin, end = f"<!-- {name}: made by scripts/write_tables.py -->\n", f"\n<!-- end of {name} -->"
        before, rest = text.split(begin)
        text = f"{before}{begin}\n{made}\n{end}{rest.split(end)[1]}"
    return text


if __name__ == "__main__":
    kept = PAGE.read_text()
    now = filled(kept)
    if "--check" in sys.argv and now != kept:
        sys.exit("docs/sources.md is out of date: run python scripts/write_tables.py and commit it")
    PAGE.write_text(now)
