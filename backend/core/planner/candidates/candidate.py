"""One graded activity in one part of a session, and what a minute of it is worth."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

from core.child import Part, Zone
from core.library import steps_of
from core.library.activity import Activity
from core.offers import Offer
from core.planner.candidates.worth import zone_reason
from core.planner.request import Dose, PlannedBlock, Reason
from core.planner.solver import ASSISTS, MANY, MOVES, STEP, Limit, Option, TargetLimit, TaskLimit
from core.skills import STRANDS

SHORTEST_MAIN = 2  # minutes under which there is no main work; project definition
MANY_TRIES = 24  # tries from which a block has many repetitions; from memory


@dataclass(frozen=True)
class Candidate:
    """One offer in one part. quality is the worth of a minute at work, 0 to QUALITY.

    task      -- the wanted task it practises; empty where it is none
    nearest   -- the wanted task that can't be practised here and to which it comes nearest; empty where it is none
    helps     -- whether it is for a wanted task: is one, comes nearest to one, or trains what one is short of
    on_target -- whether it counts as work on its strand's target, in this part of this format
    """

    activity: Activity
    part: Part
    offer: Offer
    strand: str
    rung: float
    expected: float
    fit: float
    quality: int
    zone: Zone
    terms: tuple[Reason, ...]
    dose: Dose
    task: str = ""
    nearest: str = ""
    helps: bool = False
    on_target: bool = False

    @property
    def itself(self) -> bool:
        """Whether it is the wanted task itself, with its own things, and not only practice for it."""
        return bool(self.steps)

    @cached_property
    def steps(self) -> frozenset[int]:
        """The places of the steps of the wanted task the child does in it; none where it is not the task itself."""
        return steps_of(self.activity, self.offer.variant.grade, self.task)

    @property
    def kit(self) -> frozenset[str]:
        """What it brings to the table."""
        return self.offer.kit

    @property
    def why(self) -> tuple[Reason, ...]:
        """Every term of the worth of its minutes, the forecast's first."""
        return (zone_reason(self.expected, self.fit, self.zone, self.part), *self.terms)

    def worth(self, sets: int) -> int:
        """What so many sets are worth, of WORTH_A_MINUTE: time at work, without the rests, times its quality."""
        return self.dose.work_tenths(sets) * self.quality

    def option(self, sets: int) -> Option["Candidate"]:
        """The candidate with so many sets, as the solver chooses."""
        used = {stock_id: n * sets for stock_id, n in self.offer.used_up.items()}
        return Option(
            self,
            self.activity,
            self.part,
            sets,
            self.dose.steps(sets),
            {self.strand: self.worth(sets)},
            self.kit,
            used,
            self.offer.have,
            self.musts | {MANY} if self.dose.count * sets >= MANY_TRIES and self.part == "main" else self.musts,
        )

    @cached_property
    def musts(self) -> frozenset[Limit]:
        """The limits of a session that ask for at least one block like this."""
        target = STRANDS[self.strand].target
        musts: set[Limit] = {MOVES} if self.activity.moves else set()
        if self.activity.both_hands or target == "bilateral":
            musts.add(ASSISTS)
        if self.on_target:
            musts.add(TargetLimit(target))
        if self.task:
            musts.add(TaskLimit(self.task))
        return frozenset(musts)

    def planned(self, sets: int) -> PlannedBlock:
        """It as a choice of so many sets, locked."""
        return PlannedBlock(self.part, self.offer.variant, sets, locked=True)

    def options(self, least: int = 0) -> Iterator[Option["Candidate"]]:
        """The candidate with every number of sets a block of it may have, from the least on; none where main work is
        over at once and is no wish itself.
        """
        if self.part == "main" and not self.task and self.dose.steps(self.dose.most) < SHORTEST_MAIN * STEP:
            return iter(())
        return (self.option(sets) for sets in range(max(least, self.dose.least), self.dose.most + 1))
