"""A session format of a clinic's own, as it is written: its parts, from how many minutes each is wanted, how long."""

import json
from collections.abc import Mapping
from hashlib import sha256
from types import MappingProxyType
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, ValidationError, model_validator

from core.child import PARTS, Part, Zone
from core.library import Activity, Issue, LibraryError, fail_all, issues_in
from core.own import OWN, SHELF
from core.planner.request.formats import PART_MINUTES, PART_NAMES, Format

Minutes = Annotated[int, Field(ge=1, le=60)]
Chance = Annotated[float, Field(ge=0.3, le=0.995)]


class PartSource(BaseModel):
    """One part: what it is called, the session's minutes from which it has to be there, how long a block of it is, and
    the band of expected success, where it is another than the child's own.
    """

    model_config = ConfigDict(extra="forbid", frozen=True)

    name: str = Field("", max_length=40)
    wanted_from: Annotated[int, Field(ge=0, le=90)] | None = None
    fewest: Minutes
    most: Minutes
    low: Chance | None = None
    high: Chance | None = None


class FormatSource(BaseModel):
    """One session format."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    name: Annotated[str, Field(min_length=1, max_length=40)]
    hint: Annotated[str, Field(max_length=120)] = ""
    parts: Mapping[Part, PartSource] = Field(min_length=1)
    fewest_main: Annotated[int, Field(ge=1, le=6)] = 1
    most_main: Annotated[int, Field(ge=1, le=6)] = 4
    any_strand: bool = False
    ending: Annotated[str, Field(max_length=200)] = ""

    @model_validator(mode="after")
    def _holds_together(self) -> "FormatSource":
        issues = []
        for part, p in self.parts.items():
            if p.fewest > p.most:
                issues.append(
                    Issue(f"parts.{part}.most", "The longest block is shorter than the shortest.", "Swap them.")
                )
            if (p.low is None) != (p.high is None) or (p.low is not None and p.high is not None and p.low >= p.high):
                issues.append(Issue(f"parts.{part}.low", "A band runs from a lower to a higher chance.", "Give both."))
        if self.fewest_main > self.most_main:
            issues.append(Issue("most_main", "The maximum is below the minimum.", "Swap them."))
        if "main" not in self.parts:
            issues.append(Issue("parts", "There is no main work.", "Every session needs main work."))
        if issues:
            raise fail_all(issues)
        return self


def format_issues(values: Mapping[str, Any]) -> list[Issue]:
    """Everything that keeps a format from being used, each at its field."""
    try:
        FormatSource.model_validate(values)
    except ValidationError as error:
        return issues_in(error)
    return []


def own_format(values: Mapping[str, Any], belongs_to: str) -> Format:
    """Return a clinic's own format, checked and named by what it holds. Raises LibraryError.

    belongs_to -- what tells it from others with the same words
    """
    try:
        source = FormatSource.model_validate(values)
    except ValidationError as error:
        first = issues_in(error)[0]
        raise LibraryError("the format", first.at, "", first.reason, first.remedy) from error
    holds = json.dumps([belongs_to, values], sort_keys=True, ensure_ascii=False)
    parts = source.parts
    wanted = frozenset(parts)

    def plays(activity: Activity) -> tuple[Part, ...]:
        return tuple(p for p in activity.parts if p in wanted)

    return SHELF.hold(
        Format(
            OWN + sha256(holds.encode()).hexdigest()[:16],
            source.name,
            source.hint,
            plays,
            MappingProxyType({p: s.wanted_from for p, s in parts.items() if s.wanted_from is not None and p != "main"}),
            (source.fewest_main, source.most_main),
            MappingProxyType({**PART_MINUTES, **{p: (s.fewest, s.most) for p, s in parts.items()}}),
            MappingProxyType(
                {p: Zone(s.low, s.high) for p, s in parts.items() if s.low is not None and s.high is not None}
            ),
            MappingProxyType({**PART_NAMES, **{p: s.name for p, s in parts.items() if s.name}}),
            any_strand=source.any_strand,
            has_task="daily" in parts,
            task_only=True,
            wants_movement=True,
            wants_many=True,
            wants_assisting=True,
            ending=source.ending,
        )
    )


def blank_format() -> dict[str, Any]:
    """A format to be written over: the usual one, without its name."""
    usual = {"opener": 12, "warm-up": 25, "daily": 20, "tidy": 15}
    return {
        "name": "",
        "hint": "",
        "parts": {
            p: {"wanted_from": usual.get(p), "fewest": PART_MINUTES[p][0], "most": PART_MINUTES[p][1]} for p in PARTS
        },
        "fewest_main": 2,
        "most_main": 4,
        "any_strand": False,
        "ending": "",
    }
