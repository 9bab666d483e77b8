"""What is special about a route, said at the route and read from there: by the middlewares, by the renderer, and
through the document of the API by the front end.

    @router.post("/plans/{plan_id}/again", openapi_extra=marked(LONG_WORK, SAYS_UNITS))
"""

import re
from collections.abc import Iterator
from typing import Literal

from ninja import NinjaAPI
from ninja.operation import Operation

Mark = Literal["x-long-work", "x-says-units", "x-keeps-no-key"]

LONG_WORK: Mark = "x-long-work"
"""Planned, printed or worked through a cupboard: handed on to the processes that do such work."""
SAYS_UNITS: Mark = "x-says-units"
"""Speaks of the library's things and grades: lengths are said as the reader has them."""
KEEPS_NO_KEY: Mark = "x-keeps-no-key"
"""A POST whose answer is never kept to be given again: a code or a link may be in it, it only reads, or what it writes
has ids of its own.
"""


def marked(*marks: Mark) -> dict[str, bool]:
    """Return the marks of a route as its document takes them."""
    return dict.fromkeys(marks, True)


def operations(api: NinjaAPI) -> Iterator[tuple[str, Operation]]:
    """Every route of an API with its path, as /api/plans/{plan_id}."""
    for prefix, router in api._routers:
        for path, view in router.path_operations.items():
            whole = "/" + "/".join(p.strip("/") for p in ("api", prefix, path) if p.strip("/"))
            for operation in view.operations:
                yield whole, operation


def with_mark(api: NinjaAPI, mark: Mark) -> re.Pattern[str]:
    """Return what matches “METHOD /path” of every route that has a mark."""
    ways = [
        f"{method} {re.sub(r'{[^}]*}', '[^/]+', path)}"
        for path, operation in operations(api)
        for method in operation.methods
        if (operation.openapi_extra or {}).get(mark)
    ]
    return re.compile(f"({'|'.join(sorted(ways))})/?")
