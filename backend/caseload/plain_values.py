"""What can be kept of plain values as they come in: text that a database, a sheet and a screen can hold, lists and
numbers with an end.
"""

import re
from collections.abc import Iterator
from math import isfinite
from typing import Any

from caseload.checks import FieldError

LONGEST_TEXT = 20_000  # letters of one text: a long note has 5,000
LONGEST_LIST = 5_000  # entries of one list
BIGGEST_NUMBER = 2**53  # what JSON's readers agree on (RFC 8259, section 6)
DEEPEST = 40  # lists and objects within each other
# Control characters but tab and new line, and half pairs.
NO_TEXT = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff]")


def wrong(values: Any, at: str = "", depth: int = 0) -> Iterator[FieldError]:
    """Everything in plain values that can't be kept, each at its path."""
    if isinstance(values, str):
        yield from wrong_text(values, at)
    elif isinstance(values, bool) or values is None:
        return
    elif isinstance(values, int | float):
        if abs(values) > BIGGEST_NUMBER or not isfinite(values):
            yield FieldError(at, str(values)[:40], "This number is too large.", "Use a smaller one.")
    elif depth >= DEEPEST:
        yield FieldError(at, "", f"It is nested more than {DEEPEST} deep.", "Send it flatter.")
    elif isinstance(values, list):
        if len(values) > LONGEST_LIST:
            reason = f"It has {len(values):,} entries; {LONGEST_LIST:,} is the most."
            yield FieldError(at, len(values), reason, "Send it in several parts.")
        for i, value in enumerate(values):
            yield from wrong(value, f"{at}.{i}" if at else str(i), depth + 1)
    else:
        for key, value in values.items():
            inside = f"{at}.{key}" if at else key
            yield from wrong_text(key, at)
            yield from wrong(value, inside, depth + 1)


def wrong_text(text: str, at: str) -> Iterator[FieldError]:
    """Everything in one text that can't be kept."""
    if NO_TEXT.search(text):
        shown = NO_TEXT.sub("�", text)[:80]
        yield FieldError(at, shown, "It holds a character that no text has.", "Write it again by hand.")
    if len(text) > LONGEST_TEXT:
        reason = f"It has {len(text):,} letters; {LONGEST_TEXT:,} is the most."
        yield FieldError(at, text[:80], reason, "Shorten it.")
