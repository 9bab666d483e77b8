"""What a column can hold, worked out from the models for every field and every row: what is longer or larger is refused
at its field, before the database has to.
"""

from collections.abc import Iterator
from functools import cache
from typing import Any

from django.db import connection, models
from django.db.models.signals import pre_save

from clinic.problems import ProblemError


@cache
def bounds_of(model: type[models.Model]) -> tuple[tuple[str, int | None, tuple[int, int] | None], ...]:
    """Return each field of a model that has a bound: its name, the most characters, the lowest and highest number."""
    return tuple(_bounds(model))


def _bounds(model: type[models.Model]) -> Iterator[tuple[str, int | None, tuple[int, int] | None]]:
    for field in model._meta.concrete_fields:
        if isinstance(field, models.CharField) and field.max_length:
            yield field.attname, field.max_length, None
        elif isinstance(field, models.IntegerField) and not isinstance(field, models.AutoField):
            low, high = connection.ops.integer_field_range(field.get_internal_type())
            yield field.attname, None, (low if low is not None else -(2**63), high if high is not None else 2**63 - 1)


def within(sender: type[models.Model], instance: models.Model, **more: Any) -> None:
    """Raise ProblemError 422 where a row holds what its column can't."""
    for name, most, span in bounds_of(sender):
        value = getattr(instance, name)
        if most is not None and isinstance(value, str) and len(value) > most:
            reason = f"This is {len(value):,} characters; {most} is the most."
            raise ProblemError(422, "Not saved", name, value[:40], reason, "Say it more briefly.")
        if span is not None and isinstance(value, int) and not span[0] <= value <= span[1]:
            reason = f"This number is {'less' if value < span[0] else 'more'} than can be kept."
            raise ProblemError(422, "Not saved", name, value, reason, f"Use one from {span[0]} to {span[1]}.")


def look_at_every_row() -> None:
    """From now on, every row is looked at before it is saved."""
    pre_save.connect(within, dispatch_uid="clinic.bounds")
