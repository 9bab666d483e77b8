"""Draw the packages of the back end and what imports what, as docs/packages.svg.

    python scripts/draw_packages.py [--check]

--check writes nothing, and fails where the picture kept is not the one the code gives.
"""

import ast
import sys
from html import escape
from pathlib import Path
from textwrap import shorten

import grimp

ROOT = Path(__file__).resolve().parents[1]
BACKEND = ROOT / "backend"
PICTURE = ROOT / "docs" / "packages.svg"
APPS = (
    *("config", "demo", "privacy", "upkeep", "reference", "sheets", "visits", "progress", "running", "planning"),
    *("cupboard", "shelf", "caseload", "clinic"),
)
CORE = (
    *("paper", "letters", "progress", "refit", "running", "first_look", "planner", "drawing", "offers", "library"),
    *("ability", "safety", "child", "materials", "recording", "skills"),
)
ROW, WIDTH, LEFT = 46, 480, 20


def about(package: str) -> str:
    """The first sentence of a package's docstring."""
    tree = ast.parse((BACKEND / package.replace(".", "/") / "__init__.py").read_text())
    words = " ".join((ast.get_docstring(tree) or "").split())
    return shorten(words.split(". ")[0].split("; ")[0].rstrip("."), 68, placeholder=" …")


def imports(packages: list[str]) -> dict[tuple[int, int], int]:
    """(row, row imported) to how many modules import across, tests left out."""
    graph = grimp.build_graph("core", *(p for p in packages if not p.startswith("core.")))
    found: dict[tuple[int, int], int] = {}
    of = {p: i for i, p in enumerate(packages)}

    def row(module: str) -> int | None:
        parts = module.split(".")
        return of.get(".".join(parts[:2]) if parts[0] == "core" else parts[0])

    for module in graph.modules:
        here = row(module)
        if here is None or ".tests" in module:
            continue
        for other in {row(m) for m in graph.find_modules_directly_imported_by(module)} - {None, here}:
            found[here, other] = found.get((here, other), 0) + 1
    return found


def column(x: int, title: str, packages: list[str], edges: dict[tuple[int, int], int]) -> list[str]:
    """One stack of packages, top to bottom, with an arc from each to those it imports."""
    out = [f'<text x="{x}" y="26" class="title">{escape(title)}</text>']
    for (here, other), count in sorted(edges.items()):
        y1, y2 = (60 + ROW * i for i in (here, other))
        bend = x + WIDTH + 14 + 9 * abs(other - here)
        kind = "down" if other > here else "up"
        out.append(
            f'<path class="{kind}" stroke-width="{min(0.6 + count * 0.35, 4):.1f}" '
            f'd="M{x + WIDTH} {y1} C{bend} {y1} {bend} {y2} {x + WIDTH} {y2}"/>'
        )
    for i, package in enumerate(packages):
        y = 60 + ROW * i
        out.append(f'<rect x="{x}" y="{y - 18}" width="{WIDTH}" height="36" rx="6"/>')
        out.append(f'<text x="{x + 12}" y="{y - 2}" class="name">{package.removeprefix("core.")}</text>')
        out.append(f'<text x="{x + 12}" y="{y + 13}">{escape(about(package))}</text>')
    return out


def picture() -> str:
    """The whole drawing."""
    apps, core = list(APPS), [f"core.{p}" for p in CORE]
    everything = imports(apps + core)
    n = len(apps)
    left = {e: c for e, c in everything.items() if e[0] < n and e[1] < n}
    right = {(a - n, b - n): c for (a, b), c in everything.items() if a >= n and b >= n}
    across = sum(c for (a, b), c in everything.items() if a < n <= b)
    back = sum(1 for (a, b) in (*left, *right) if b < a) + sum(1 for a, b in everything if b < n <= a)
    height = 60 + ROW * len(core) + 20
    body = [
        *column(LEFT, "Apps: Django, stored things, the API", apps, left),
        *column(680, "Core: rules and computation, no Django", core, right),
        f'<text x="{LEFT}" y="{height - 44}" class="foot">Each imports only what stands below it: '
        f"{back} imports lead up or back.</text>",
        f'<text x="{LEFT}" y="{height - 28}" class="foot">{across} lead from the apps into the core. '
        "The thicker an arc, the more modules import.</text>",
    ]
    style = (
        "svg{background:#fbfaf6}text{font:12px sans-serif;fill:#243036}.title{font-size:16px;font-weight:bold}"
        ".name{font-size:14px;font-weight:bold}.foot{fill:#4c5a61}rect{fill:#fff;stroke:#9fb1b8}"
        "path{fill:none;stroke:#2b6f7f;opacity:.55}.up{stroke:#c0392b;opacity:1}"
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1290 {height}" role="img" '
        f'aria-label="The packages and what imports what"><style>{style}</style>\n' + "\n".join(body) + "\n</svg>\n"
    )


def main() -> None:
    """Write the picture, or check it."""
    sys.path.insert(0, str(BACKEND))
    drawn = picture()
    if "--check" in sys.argv:
        if not PICTURE.exists() or PICTURE.read_text() != drawn:
            sys.exit("docs/packages.svg is out of date: run  .venv/bin/python scripts/draw_packages.py  and commit it")
        return
    PICTURE.write_text(drawn)


if __name__ == "__main__":
    main()
