"""What may be tapped at the table: each kind of event checks itself.

Ids are made on the tablet and `at` is the tablet's clock, so that nothing here depends on the order of arrival.
"""

from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from pydantic import (
    AfterValidator,
    AwareDatetime,
    BaseModel,
    ConfigDict,
    Field,
    StrictBool,
    TypeAdapter,
    ValidationError,
)
from pydantic_core import PydanticCustomError

from core.library import find_activity
from core.recording import MARKS, MEASURED, SupportLevel

HANDS = ("right", "left")
LONGEST_HOLD_SECONDS = 600.0  # s: longer is a forgotten timer
LONGEST_NOTE = 2000  # characters
EARLIEST, LATEST = (
    datetime(2000, 1, 1, tzinfo=UTC),
    datetime(2100, 1, 1, tzinfo=UTC),
)  # a tablet's clock outside is broken


class EventError(ValueError):
    """An event that can't be counted: says which field, what is wrong and what to send instead."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


def _storable(text: str) -> str:
    if "\0" in text or any("\ud800" <= c <= "\udfff" for c in text):
        raise PydanticCustomError("text", "it holds a character that can't be stored. Type it again without it")
    return text


def _on_the_clock(at: datetime) -> datetime:
    if not EARLIEST <= at <= LATEST:
        raise PydanticCustomError("clock", "the tablet's clock is wrong. Set its date and time")
    return at


def _known(table: Mapping[str, object], what: str) -> AfterValidator:
    def check(value: str) -> str:
        if value not in table:
            raise PydanticCustomError(
                "known",
                "{what} {value} is not known. Use one of {known}",
                {"what": what, "value": repr(value), "known": ", ".join(table)},
            )
        return value

    return AfterValidator(check)


Text = Annotated[str, AfterValidator(_storable)]
Hand = Literal["right", "left"]


class _Value(BaseModel):
    model_config = ConfigDict(frozen=True)


class TryValue(_Value):
    """How one try went.

    help_first -- whether help was on from the start; None in events from before that was kept
    other_grip -- a miss for the strand that was done all the same, with another grip than the one that counts
    """

    outcome: Literal["success", "miss"]
    support: SupportLevel
    grade: tuple[Annotated[int, Field(strict=True, ge=0)], ...]
    hand: Hand | Literal[""] | None = ""
    help_first: StrictBool | None = None
    other_grip: StrictBool = False


class HoldValue(_Value):
    """Seconds under tension."""

    seconds: Annotated[float, Field(strict=True, gt=0, le=LONGEST_HOLD_SECONDS)]


class MarkValue(_Value):
    """A mark of core.marks."""

    mark: Annotated[Text, _known(MARKS, "mark")]


class SupportValue(_Value):
    """A level of help."""

    support: SupportLevel


class GradeValue(_Value):
    """One step for each axis."""

    grade: tuple[Annotated[int, Field(strict=True, ge=0)], ...]


class HandValue(_Value):
    """The hand at work."""

    hand: Hand


class MeasureValue(_Value):
    """A reading, in the measure's own unit."""

    measure: Annotated[Text, _known(MEASURED, "measure")]
    value: Annotated[float, Field(strict=True, allow_inf_nan=False)]


class NoteValue(_Value):
    """A line of words."""

    text: Annotated[Text, Field(max_length=LONGEST_NOTE)] = ""


class UndoValue(_Value):
    """The event it takes back."""

    event: Text


class NoValue(_Value):
    """Nothing beside the tap itself."""


class _Event(BaseModel):
    """One tap. id: made on the tablet; block: of the run; at: the tablet's clock."""

    model_config = ConfigDict(frozen=True)

    id: Text
    block: Annotated[Text, Field(max_length=8)]
    at: Annotated[AwareDatetime, AfterValidator(_on_the_clock)]


class TryEvent(_Event):
    """One try."""

    kind: Literal["try"]
    value: TryValue


class HoldEvent(_Event):
    """One hold."""

    kind: Literal["hold"]
    value: HoldValue


class MarkEvent(_Event):
    """Something seen."""

    kind: Literal["mark"]
    value: MarkValue


class SupportEvent(_Event):
    """The help chosen from here on."""

    kind: Literal["support"]
    value: SupportValue


class GradeEvent(_Event):
    """The grade from here on."""

    kind: Literal["grade"]
    value: GradeValue


class HandEvent(_Event):
    """The hand from here on."""

    kind: Literal["hand"]
    value: HandValue


class MeasureEvent(_Event):
    """Something read off."""

    kind: Literal["measure"]
    value: MeasureValue


class NoteEvent(_Event):
    """Something written."""

    kind: Literal["note"]
    value: NoteValue = NoteValue()


class UndoEvent(_Event):
    """An event taken back."""

    kind: Literal["undo"]
    value: UndoValue


class PlainEvent(_Event):
    """A drop, a pause, a skip: the tap says it all."""

    kind: Literal["drop", "pause", "resume", "begin", "end", "skip"]
    value: NoValue = NoValue()


Event = (
    TryEvent
    | HoldEvent
    | MarkEvent
    | SupportEvent
    | GradeEvent
    | HandEvent
    | MeasureEvent
    | NoteEvent
    | UndoEvent
    | PlainEvent
)
EVENT: TypeAdapter[Event] = TypeAdapter(Annotated[Event, Field(discriminator="kind")])


def read_event(plain: Mapping[str, Any], blocks: Mapping[str, str]) -> Event:
    """Return the event that plain values describe. Raises EventError, with its field, when it can't be counted.

    plain  -- id, block, kind, at and value, as they are sent or stored
    blocks -- the run's blocks: block id to activity id
    """
    try:
        event = EVENT.validate_python(plain)
    except ValidationError as error:
        raise _refusal(error) from error
    if event.block not in blocks:
        raise EventError("block", f"block {event.block!r} is not part of this run. Reload the run.")
    if isinstance(event, TryEvent | GradeEvent):
        _check_grade(event.value.grade, blocks[event.block])
    if isinstance(event, MeasureEvent):
        _check_reading(event.value)
    return event


def _refusal(error: ValidationError) -> EventError:
    first = error.errors()[0]
    if first["type"].startswith("union_tag"):
        return EventError("kind", "this is no event Pollicor knows. Reload the run.")
    names = [str(part) for part in first["loc"][1:] if isinstance(part, str) and part != "value"]
    field = names[0] if names else "value"
    return EventError(field, f"{field}: {first['msg']}.")


def _check_grade(grade: tuple[int, ...], activity_id: str) -> None:
    axes = find_activity(activity_id).axes
    if len(grade) != len(axes) or not all(step < len(a.steps) for step, a in zip(grade, axes, strict=True)):
        raise EventError(
            "grade",
            f"grade {list(grade)} does not exist for this activity. Send one step for each of its {len(axes)} axes.",
        )


def _check_reading(reading: MeasureValue) -> None:
    try:
        MEASURED[reading.measure].checked(reading.value)
    except ValueError as error:
        raise EventError("value", str(error)) from error
