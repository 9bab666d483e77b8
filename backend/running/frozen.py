"""A plan's block as it stood when a run began, with a version and fields of its own, so that old runs stay readable."""

from functools import cached_property
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from core.offers import Variant, difficulty, taught_rungs
from core.planner import Block
from core.recording import Learned
from running.stored import StoredBlock, StoredRest, StoredSuggestion


class FrozenGrade(BaseModel):
    """One rung of a block's ladder of one-step changes. here: the planned one; change: what to change to get there;
    rungs: what it asks in strands of strength, by the force of the thing in use.
    """

    grade: tuple[int, ...]
    words: tuple[str, ...]
    change: str
    here: bool
    rungs: dict[str, float] = {}


class FrozenMeasure(BaseModel):
    """A measure that is read off by hand. usual: what it most likely is; choices: words in place of numbers."""

    id: str
    name: str
    unit: str
    lowest: float
    highest: float
    step: float
    usual: float | None
    choices: tuple[str, ...]


class FrozenBlock(BaseModel):
    """One block of a run.

    says       -- what to say after so many tries and successes of a set
    if_mouthed -- what of it is barred once the child is seen to mouth things
    hand       -- whose turn it is; record: own best pace in items a minute, where this child plays with speed
    """

    model_config = ConfigDict(frozen=True, ignored_types=(cached_property,))

    version: Literal[4] = 4
    id: str
    stored: StoredBlock = Field(alias="block")
    says: tuple[StoredSuggestion, ...]
    grades: tuple[FrozenGrade, ...]
    if_mouthed: tuple[str, ...]
    rest: StoredRest | None
    measures: tuple[FrozenMeasure, ...]
    hand: str
    record: float | None

    @cached_property
    def block(self) -> Block:
        """The block as the core sees it."""
        block: Block = self.stored.core()
        return block

    def rungs(self, strand: str, learned: Learned) -> list[float]:
        """What each grade of the ladder asks in a strand, easiest first: of a strength by the very thing in use,
        else as the clinic's children taught.
        """
        variants = [(Variant(self.block.activity_id, g.grade), g.rungs) for g in self.grades]
        return [taught_rungs(v, {**difficulty(v), **forced}, learned, forced)[strand] for v, forced in variants]

    def plain(self) -> dict[str, Any]:
        """As plain values that go into JSON and come back by model_validate."""
        return self.model_dump(mode="json", by_alias=True)
