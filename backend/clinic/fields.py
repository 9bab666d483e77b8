"""Columns of closed sets, whose one list is a Literal of the core, in Python, in forms and in the database; and columns
of values in order.
"""

import json
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


class OrderedJSONField(models.JSONField):
    """Values kept as text in the order they were written in, which a jsonb column does not keep. Nothing is looked up
    inside it.
    """

    def db_type(self, connection: Any) -> str:
        """A column of text."""
        return "text"

    def from_db_value(self, value: str | None, expression: Any, connection: Any) -> Any:
        """Return what was stored."""
        return None if value is None else json.loads(value)

    def get_db_prep_value(self, value: Any, connection: Any, prepared: bool = False) -> str | None:
        """Return what is stored."""
        return None if value is None else json.dumps(value, ensure_ascii=False)
