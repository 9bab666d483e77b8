"""Columns of closed sets: a core Literal is the one list of what may stand in them, in Python, in forms and in the
database.
"""

from typing import Any, get_args

from django.db import models


def one_of(literal: Any, max_length: int, **options: Any) -> Any:
    """A text column for the values of a Literal. Annotate it: `part: models.CharField[Part, Part] =
    one_of(Part, 8)`.
    """
    choices = [(value, value.replace("_", " ").capitalize()) for value in get_args(literal) if value]
    return models.CharField(max_length=max_length, choices=choices, **options)


def only(column: str, literal: Any, name: str) -> models.CheckConstraint:
    """The same closed set as a constraint of the table."""
    return models.CheckConstraint(condition=models.Q(**{f"{column}__in": list(get_args(literal))}), name=name)
