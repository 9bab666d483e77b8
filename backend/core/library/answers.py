"""What somebody answered to a hazard's question, as it is kept with what a clinic made; and what a yes sets."""

from collections.abc import Iterator, Mapping
from typing import Annotated, Any

from pydantic import Field, StrictBool

from core.library.hazard_words import HAZARD_WORDS, HazardWords
from core.library.source import Source, one_of_known

GROUPS = {h.id: h for h in HAZARD_WORDS}
HazardId = Annotated[str, one_of_known(lambda: GROUPS, "This hazard")]


class AnswerSource(Source):
    """Yes or no, who answered and when; who and when are empty until the answer is saved."""

    yes: StrictBool
    by: str = Field("", max_length=80)
    on: str = Field("", pattern=r"^(\d{4}-\d{2}-\d{2})?$")


Answers = Mapping[HazardId, AnswerSource]


def properties_set(answers: Answers, values: Mapping[str, Any]) -> dict[str, Any]:
    """The properties of a thing that a yes sets, over those it has. values -- its own, as built"""
    result: dict[str, Any] = {"hazards": frozenset(h.id for h in _said_yes(answers) if not h.sets)}
    for hazard in _said_yes(answers):
        field, _, one = hazard.sets.partition(":")
        if one:
            result[field] = frozenset(result.get(field, values[field])) | {one}
        elif field and field != "cord_mm":
            result[field] = True
    return result


def tags_set(answers: Answers) -> tuple[str, ...]:
    """The hazard tags of an activity that a yes sets."""
    return tuple(h.id for h in _said_yes(answers) if not h.sets)


def _said_yes(answers: Answers) -> Iterator[HazardWords]:
    return (GROUPS[id] for id, answer in answers.items() if answer.yes)
