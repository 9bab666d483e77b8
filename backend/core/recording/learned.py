"""What a clinic's own children have taught of the library: how far its rungs, lifts and seconds are from what was seen.

One version of it is in use at a time; the empty one is the library as it ships.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from types import MappingProxyType

from core.recording.support import SupportLevel, lift

NOTHING: Mapping[str, float] = MappingProxyType({})


@dataclass(frozen=True)
class Learned:
    """One version of it. Two of the same version are the same.

    version -- its name; empty for the library as it ships
    bases   -- rungs an activity is harder in a strand than the library says, by "activity/strand"
    steps   -- rungs a step of an axis is harder, by "activity/axis/step/strand"
    lifts   -- what a level of help lifts the chance by, in rungs
    seconds -- by how much a try takes longer, by activity
    """

    version: str = ""
    bases: Mapping[str, float] = field(default_factory=lambda: NOTHING, compare=False)
    steps: Mapping[str, float] = field(default_factory=lambda: NOTHING, compare=False)
    lifts: Mapping[str, float] = field(default_factory=lambda: NOTHING, compare=False)
    seconds: Mapping[str, float] = field(default_factory=lambda: NOTHING, compare=False)

    def harder(self, activity_id: str, strand: str, steps: Sequence[tuple[str, int]]) -> float:
        """Rungs a grade is harder in a strand than the library says. steps -- the axis and the step of each."""
        if not self.version:
            return 0.0
        base = self.bases.get(f"{activity_id}/{strand}", 0.0)
        return base + sum(self.steps.get(f"{activity_id}/{axis}/{step}/{strand}", 0.0) for axis, step in steps)

    def knows(self, activity_id: str) -> bool:
        """Whether anything was found of how hard an activity is."""
        return any(key.startswith(f"{activity_id}/") for key in self.bases)

    def lift(self, level: SupportLevel) -> float:
        """Rungs a level of help lifts the chance by. Raises NotThere for an unknown level."""
        return self.lifts[level] if level in self.lifts else lift(level)


AS_SHIPPED = Learned()
