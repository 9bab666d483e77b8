"""One kit, box or project, as a file or a clinic writes it."""

from collections.abc import Mapping

from pydantic import Field, model_validator

from core.library.activity import Activity
from core.library.kit import BoxLevel, Kit, KitKind, Stage
from core.library.source import Id, LibraryError, Source, Words, fail


class StageSource(Source):
    """One stage: an activity of the library and what it is here."""

    activity: Id
    words: Words
    may_skip: bool = False


class KitSource(Source):
    """A kit, a box or a project. A box has a level and a lid, and one stage; the others have several."""

    id: Id
    name: Words
    kind: KitKind
    about: Words
    level: BoxLevel | None = None
    lid: str = ""
    beforehand: tuple[Words, ...] = ()
    stages: tuple[StageSource, ...] = Field(min_length=1, max_length=6)
    ending: str = ""

    @model_validator(mode="after")
    def _is_of_its_kind(self) -> "KitSource":
        of_a_box = (self.level is not None, bool(self.lid), len(self.stages) == 1)
        if any(given != (self.kind == "box") for given in of_a_box):
            raise fail("A box has one stage, a level and a lid.", "Give all three to a box, and none to another kind.")
        if all(s.may_skip for s in self.stages):
            raise fail("Every stage may be left out.", "At least one has to be played.")
        if len({s.activity for s in self.stages}) < len(self.stages):
            raise fail("Two stages are one activity.", "Give one of them another.")
        return self

    def build(self, activities: Mapping[str, Activity], where: str) -> Kit:
        """The kit as the core sees it. Raises LibraryError for an activity that does not exist."""
        for stage in self.stages:
            if stage.activity not in activities:
                raise LibraryError(where, "stages", stage.activity, "No activity has this id.", "Name one that is.")
        stages = tuple(Stage(s.activity, s.words, s.may_skip) for s in self.stages)
        return Kit(
            self.id, self.name, self.kind, self.about, stages, self.beforehand, self.ending, self.level, self.lid
        )
