"""What one activity or thing must be, whoever writes it: a file of the library, or a clinic its own.

Checks values only; where they come from is the caller's business (`files.py` reads the library's own).
"""

from collections.abc import Mapping
from typing import Any

from core.library.activity import Activity
from core.library.activity_source import ActivitySource
from core.library.source import Issue, issues_of, read
from core.library.thing_source import ThingSource
from core.materials import Thing


def issues(values: Mapping[str, Any], as_activity: bool | None = None) -> list[Issue]:
    """Return everything that is wrong with an activity or a thing as plain values, each at its field; nothing where it
    can be used.

    as_activity -- what they are meant as; by default what they look like
    """
    meant = is_activity(values) if as_activity is None else as_activity
    return issues_of(ActivitySource if meant else ThingSource, values)


def is_activity(values: Mapping[str, Any]) -> bool:
    """Whether plain values are meant as an activity: it trains something; a thing has a shape."""
    return "trains" in values or "axes" in values


def check(values: Mapping[str, Any], where: str = "") -> Activity | Thing:
    """Return the activity or the thing that plain values describe: an activity trains something, a thing has a shape.

    where -- what to call the values in an error: a file, or nothing for their id
    Raises LibraryError with field, value, reason and remedy at the first thing that is wrong.
    """
    named = where or str(values.get("id", "values"))
    if is_activity(values):
        return read(ActivitySource, values, named).build()
    return read(ThingSource, values, named).build()
