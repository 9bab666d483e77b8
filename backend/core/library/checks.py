"""What one activity or thing must be, whoever writes it: a file of the library, or a clinic its own.

Checks values only; where they come from is the caller's business (`files.py` reads the library's own).
"""

from collections.abc import Mapping
from typing import Any

from core.library.activity import Activity
from core.library.activity_source import ActivitySource
from core.library.source import read
from core.library.thing_source import ThingSource
from core.materials import Thing


def check(values: Mapping[str, Any], where: str = "") -> Activity | Thing:
    """Return the activity or the thing that plain values describe: an activity trains something, a thing has a shape.

    where -- what to call the values in an error: a file, or nothing for their id
    Raises LibraryError with field, value, reason and remedy at the first thing that is wrong.
    """
    named = where or str(values.get("id", "values"))
    if "trains" in values or "axes" in values:
        return read(ActivitySource, values, named).build()
    return read(ThingSource, values, named).build()
