"""How much script the first page takes, gzipped: the entry and everything it imports at once."""

import gzip
import re
from collections.abc import Callable
from pathlib import Path

DIST = Path(__file__).resolve().parents[2] / "frontend" / "dist"


def first_page(say: Callable[[str], None]) -> None:
    """Sum the entry's static imports."""
    html = (DIST / "index.html").read_text()
    waiting = re.findall(r'/static/(assets/[^"]+\.js)', html)
    seen: set[str] = set()
    while waiting:
        name = waiting.pop()
        if name not in seen:
            seen.add(name)
            code = (DIST / name).read_text()
            waiting += [f"assets/{m}" for m in re.findall(r'(?:from|import)\s*"\./([^"]+\.js)"', code)]
    size = sum(len(gzip.compress((DIST / n).read_bytes())) for n in seen)
    say(f"script for the first page: {size / 1000:.0f} kB gzipped in {len(seen)} files")
