"""The base of every shape of the API."""

from pydantic import BaseModel


class Schema(BaseModel):
    """Plain pydantic: shapes are built from plain values, so the attribute look-ups of the framework's own base,
    which run again for every nested shape of every answer, are not needed."""
