"""The base of every shape of the API."""

from pydantic import BaseModel, ConfigDict


class Schema(BaseModel):
    """Plain pydantic, read from the attributes of core values: `BlockOut.model_validate(block)` is how one becomes
    the other.

    The framework's own base looks attributes up again for every nested shape of every answer; this one does not.
    """

    model_config = ConfigDict(from_attributes=True)
