"""What the sources of the library share: its words checked, and its errors with a reason and a remedy."""

import re
from collections.abc import Callable
from typing import Annotated, Any, TypeVar

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, ValidationError
from pydantic_core import PydanticCustomError

from core.child import ALLERGENS
from core.materials import FORMS, Thing
from core.recording import KNOWN, MARKS
from core.safety import STEP_TAGS
from core.skills import STRANDS

THING_PROPERTIES = frozenset({*Thing.__dataclass_fields__, "size_mm", "longest_mm", "thin_mm", "cord_like", "rolls"})
HALVINGS = (1, 2, 4, 8, 16)
_NOT_PLAIN = re.compile(
    r"\bnewtons?\b|\d\s?N\b|g/m²|\brungs?\b|\b(?:skill|helper)(?:[- ]hand| side)\b|\d\s?mm\b"
    r"|\b(?:translation|isolation|bilateral|supination|pronation|dominant)\b",
    re.IGNORECASE,
)


class LibraryError(ValueError):
    """Values that make no activity, thing or recipe: where (a file or an id), field, value, reason and remedy."""

    def __init__(self, where: str, field: str, value: object, reason: str, remedy: str) -> None:
        super().__init__(f"{where}: {field}: {str(value)[:60]!r}: {reason} {remedy}".strip())
        self.where, self.field, self.value, self.reason, self.remedy = where, field, value, reason, remedy


def fail(reason: str, remedy: str) -> PydanticCustomError:
    return PydanticCustomError("library", "{reason}|{remedy}", {"reason": reason, "remedy": remedy})


def one_of_known(known: Callable[[], Any], what: str) -> AfterValidator:
    def check(value: str) -> str:
        if value not in known():
            raise fail(f"{what} is unknown.", f"Use one of {', '.join(known())}.")
        return value

    return AfterValidator(check)


def _plain(words: str) -> str:
    """What families read: no unit a kitchen does not use, no word of the trade's own."""
    found = _NOT_PLAIN.search(words)
    if found:
        raise fail(f"Families read “{found.group()}”.", "Say it in everyday words, with measures a kitchen uses.")
    return words


Id = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_]*$", max_length=40)]
Words = Annotated[str, Field(min_length=1, max_length=400)]
Plain = Annotated[str, Field(max_length=400), AfterValidator(_plain)]
StrandId = Annotated[str, one_of_known(lambda: STRANDS, "This strand")]
FormId = Annotated[str, one_of_known(lambda: FORMS, "This form")]
AllergenId = Annotated[str, one_of_known(lambda: ALLERGENS, "This allergen")]
MarkId = Annotated[str, one_of_known(lambda: MARKS, "This mark")]
MeasureId = Annotated[str, one_of_known(lambda: sorted(KNOWN), "This measure")]
StepTag = Annotated[str, one_of_known(lambda: STEP_TAGS, "This hazard tag")]
ThingProperty = Annotated[str, one_of_known(lambda: sorted(THING_PROPERTIES), "This property")]
Value = bool | float | str


class Source(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


S = TypeVar("S", bound=Source)


def read(source: type[S], values: object, where: str) -> S:
    """Return plain values as a checked source. Raises LibraryError."""
    try:
        return source.model_validate(values)
    except ValidationError as error:
        first = error.errors()[0]
        field = ".".join(str(part) for part in first["loc"]) or "the whole"
        if first["type"] == "library":
            reason, _, remedy = first["msg"].partition("|")
        else:
            reason, remedy = f"{first['msg']}.", "See docs/library.md for the fields."
        raise LibraryError(where, field, first["input"], reason, remedy) from error
