"""What a caller asked for and cannot have, and what a checker says of a value, in plain words."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Any


class NotThere(ValueError):
    """A rung, grade, activity or thing that does not exist; the text says what to choose instead.

    Apart from other errors of value, which are faults of the program and never shown as the user's.
    """


_NO_DAY = ("This is not a day.", "Enter day, month and year.")
_NO_NUMBER = ("This is not a number.", "Enter a number.")
_NO_WHOLE_NUMBER = ("This is not a whole number.", "Enter a whole number.")
_NO_MOMENT = ("This is not a date and time.", "Enter both.")
_NOT_CHOSEN = ("Nothing is chosen here.", "Choose one.")
_OTHER = ("This can't be used here.", "Correct it, then try again.")
_PLAINLY = MappingProxyType(
    {
        "missing": ("This is missing.", "Fill it in."),
        "string_too_short": ("This is empty.", "Fill it in."),
        "string_too_long": ("This is longer than {max_length} characters.", "Say it more briefly."),
        "string_type": ("This is not text.", "Write a few words."),
        "too_short": ("There are fewer than {min_length} of these.", "Add one."),
        "too_long": ("There are more than {max_length} of these.", "Remove one."),
        "greater_than": ("This has to be more than {gt}.", "Enter a larger number."),
        "greater_than_equal": ("This is less than {ge}.", "Enter {ge} or more."),
        "less_than": ("This has to be less than {lt}.", "Enter a smaller number."),
        "less_than_equal": ("This is more than {le}.", "Enter {le} or less."),
        "int_parsing": _NO_WHOLE_NUMBER,
        "int_type": _NO_WHOLE_NUMBER,
        "int_from_float": _NO_WHOLE_NUMBER,
        "int_parsing_size": ("This number is too large.", "Use a smaller one."),
        "float_parsing": _NO_NUMBER,
        "float_type": _NO_NUMBER,
        "finite_number": _NO_NUMBER,
        "bool_parsing": _NOT_CHOSEN,
        "bool_type": _NOT_CHOSEN,
        "date_type": _NO_DAY,
        "date_parsing": _NO_DAY,
        "date_from_datetime_parsing": _NO_DAY,
        "date_from_datetime_inexact": _NO_DAY,
        "datetime_type": _NO_MOMENT,
        "datetime_parsing": _NO_MOMENT,
        "datetime_from_date_parsing": _NO_MOMENT,
        "time_parsing": ("This is not a time of day.", "Enter hours and minutes."),
        "extra_forbidden": ("There is no such field.", "Leave it out."),
    }
)


def plainly(kind: str, value: Any, context: Mapping[str, Any]) -> tuple[str, str]:
    """Return what pydantic says of a value as one says it to the person who wrote it: why, and what to do.

    kind -- the type of its error; context: the limits that go with it
    """
    if kind == "literal_error":
        choices = str(context["expected"]).replace("'", "")
        if value in (None, ""):
            return "Nothing is chosen here.", f"Choose one: {choices}."
        return f"{str(value)[:80]!r} is not a choice here.", f"Use one of {choices}."
    context = {k: f"{v:g}" if isinstance(v, float) else v for k, v in context.items()}
    if value in (None, "") and kind != "missing" and kind in _PLAINLY:
        return "This is empty.", _PLAINLY[kind][1].format(**context)
    reason, remedy = _PLAINLY.get(kind, _OTHER)
    return reason.format(**context), remedy.format(**context)
