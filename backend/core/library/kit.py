"""What is played in stages: a kit played through, an independent box, a project."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

KitKind = Literal["kit", "box", "project"]
BoxLevel = Literal["explore", "put_in", "sort", "match", "copy", "job"]

LEVELS = MappingProxyType[BoxLevel, str](
    {
        "explore": "explore: feel and find",
        "put_in": "put in",
        "sort": "sort",
        "match": "match and count",
        "copy": "copy a picture",
        "job": "a daily job",
    }
)
"""The levels of independent boxes, easiest first; common practice."""


@dataclass(frozen=True)
class Stage:
    """One stage: an activity of the library, what it is in this kit, and whether it may be left out."""

    activity_id: str
    words: str
    may_skip: bool = False


@dataclass(frozen=True)
class Kit:
    """One kit, box or project, its stages in order.

    beforehand -- what an adult does before the child comes; ending -- how it ends
    level, lid -- of a box: its level, and the picture of the end result that is on its lid
    """

    id: str
    name: str
    kind: KitKind
    about: str
    stages: tuple[Stage, ...]
    beforehand: tuple[str, ...] = ()
    ending: str = ""
    level: BoxLevel | None = None
    lid: str = ""

    def place(self, activity_id: str) -> int | None:
        """The place of the stage an activity is, from 0; None where it is none."""
        return next((at for at, s in enumerate(self.stages) if s.activity_id == activity_id), None)

    def words_for(self, activity_id: str) -> str:
        """What an activity is in it, in words; empty where it is no stage."""
        at = self.place(activity_id)
        if at is None:
            return ""
        if self.level:
            return f"Box “{LEVELS[self.level]}”. On the lid: a picture of {self.lid}."
        return f"Stage {at + 1} of {len(self.stages)}: {self.stages[at].words}"
