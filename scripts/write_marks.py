"""Write the marks of routes that the front end reads, from the document of the API.

python scripts/write_marks.py [--check]
"""

import json
import sys
from pathlib import Path

API = Path(__file__).resolve().parents[1] / "frontend" / "src" / "api"

if __name__ == "__main__":
    paths = json.loads((API / "openapi.json").read_text())["paths"]
    marked = sorted(path for path, ways in paths.items() if ways.get("post", {}).get("x-keeps-no-key"))
    text = "".join(
        (
            "// Made by scripts/write_marks.py from the document of the API.\n",
            "/** Routes whose answers are never kept to be given again: a write there carries no key. */\n",
            "export const KEEPS_NO_KEY: ReadonlySet<string> = new Set([\n",
            *(f"  '{path}',\n" for path in marked),
            "])\n",
        )
    )
    page = API / "marks.ts"
    if "--check" in sys.argv and page.read_text() != text:
        sys.exit("frontend/src/api/marks.ts is out of date: run ./pollicor client and commit what it writes")
    page.write_text(text)
