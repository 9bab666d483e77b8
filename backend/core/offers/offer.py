"""An offer: a variant this home can support, with what fills each role; and what is lacking for one that is none."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from types import MappingProxyType
from typing import Literal

from core.library import find_activity, find_thing
from core.materials import cutting
from core.offers.variants import Variant, asked_rungs, difficulty, taught_rungs
from core.recording import AS_SHIPPED, Learned
from core.safety import Verdict, worst


@dataclass(frozen=True)
class Quantity:
    """How many of a thing a set wants, of how many there are; rounds > 1 uses the same things again."""

    role: str
    words: str
    stock_id: str
    thing_id: str
    name: str
    wanted: int
    have: int
    rounds: int
    single_use: bool
    pieces: int = 1

    @property
    def named(self) -> str:
        """The name for as many as are wanted, in lower case."""
        return find_thing(self.thing_id).named(self.wanted)

    @property
    def cut(self) -> str:
        """How to halve the sheets into pieces, in words; empty where nothing is cut."""
        return cutting(self.wanted * self.pieces, self.pieces).words if self.pieces > 1 else ""


@dataclass(frozen=True)
class Filling:
    """What fills the roles of all grades of an activity that ask the same: how many tries, which things.

    verdicts -- on what is done, on the things together and on each of them
    forces   -- by strength strand, the force in N of the thing that is worked
    """

    count: int
    quantities: tuple[Quantity, ...]
    verdicts: tuple[Verdict, ...]
    forces: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))

    @cached_property
    def verdict(self) -> Verdict:
        """The hazard verdict on all of it."""
        return worst(self.verdicts)

    @cached_property
    def kit(self) -> frozenset[str]:
        """The ids of what it brings to the table."""
        return frozenset(q.stock_id for q in self.quantities)

    @cached_property
    def used_up(self) -> Mapping[str, int]:
        """What one set uses up: stock id to how many."""
        result: dict[str, int] = {}
        for q in self.quantities:
            if q.single_use:
                result[q.stock_id] = result.get(q.stock_id, 0) + q.wanted
        return result

    @cached_property
    def have(self) -> Mapping[str, int]:
        """How many there are of what is used up."""
        return {q.stock_id: q.have for q in self.quantities if q.single_use}


@dataclass(frozen=True)
class Offer:
    """A variant this home can offer, with what fills its roles."""

    variant: Variant
    filling: Filling
    learned: Learned = AS_SHIPPED

    @cached_property
    def rungs(self) -> Mapping[str, float]:
        """The rung it asks in each strand, trained or demanded, as the clinic's own children taught; a strength
        strand's by the force of the very thing.
        """
        if not self.forces:
            return taught_rungs(self.variant, difficulty(self.variant), self.learned)
        asked = asked_rungs(find_activity(self.variant.activity_id), self.variant.grade, self.forces)
        return taught_rungs(self.variant, asked, self.learned, self.forces)

    @property
    def count(self) -> int:
        """How many tries a set has."""
        return self.filling.count

    @property
    def quantities(self) -> tuple[Quantity, ...]:
        """What fills each role, and how many."""
        return self.filling.quantities

    @property
    def verdict(self) -> Verdict:
        """The hazard verdict on things and steps together."""
        return self.filling.verdict

    @property
    def forces(self) -> Mapping[str, float]:
        """By strength strand, the force in N of the thing that is worked."""
        return self.filling.forces

    @property
    def kit(self) -> frozenset[str]:
        """The ids of what it brings to the table."""
        return self.filling.kit

    @property
    def used_up(self) -> Mapping[str, int]:
        """What one set uses up: stock id to how many."""
        return self.filling.used_up

    @property
    def have(self) -> Mapping[str, int]:
        """How many there are of what is used up."""
        return self.filling.have


LackKind = Literal["barred", "missing", "short", "hand"]


@dataclass(frozen=True)
class Lack:
    """Why a variant is not on offer: barred by a rule, or something missing, with what would help.

    rule -- the rule that bars it; overridable: whether a therapist may override it for this child
    """

    variant: Variant
    kind: LackKind
    reason: str
    remedy: str
    rule: str = ""
    overridable: bool = False
