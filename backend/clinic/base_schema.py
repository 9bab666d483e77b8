"""The base of every shape of the API, and what people wrote themselves."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, PlainSerializer

OPENS, CLOSES = "\ue000", "\ue001"  # of Unicode's private use: they go out of every answer before it is sent


def own_words(text: str) -> str:
    """Return what somebody wrote, marked so that an answer says it to the letter and turns none of its lengths."""
    return f"{OPENS}{text.replace(OPENS, '').replace(CLOSES, '')}{CLOSES}"


OwnWords = Annotated[str, PlainSerializer(own_words, return_type=str)]
"""Text that a person wrote: a plan's name, a child's, a reason."""


class Schema(BaseModel):
    """Plain pydantic, read from the attributes of core values: `BlockOut.model_validate(block)` is how one becomes
    the other. In the document of the API a field of an answer is always there, whatever its default.

    The framework's own base looks attributes up again for every nested shape of every answer; this one does not.
    """

    model_config = ConfigDict(from_attributes=True, json_schema_serialization_defaults_required=True)
