"""What a target, a strand and a rung are."""

from dataclasses import dataclass
from math import log

from core.errors import NotThere


@dataclass(frozen=True)
class Target:
    """One of the five aims of the trade, or the daily-life tasks they serve."""

    id: str
    name: str


@dataclass(frozen=True)
class Rung:
    """One step of a ladder that can be seen; age_months is where the window typically opens."""

    number: int
    words: str
    age_months: float | None


LOWEST_SHOWN = 0.45  # rungs: what is less is under the first rung, and as much over the top is over it
OVER_TOP = 0.5  # rungs: no grade asks more than this above the highest rung of a ladder; project definition


@dataclass(frozen=True)
class Strand:
    """A ladder within a target: its name in the trade, and in plain words for those who read beside.

    newtons -- of a strength ladder: the force each rung stands for, in N
    """

    id: str
    target: str
    name: str
    plain: str
    icf: tuple[str, ...]
    rungs: tuple[Rung, ...]
    newtons: tuple[float, ...] = ()

    def rung_of(self, newton: float) -> float:
        """Return the rung, between rungs in proportion to the logarithm of the force, at which a force in N stands.

        Not below 0, not over half a rung above the top. Raises ValueError where the ladder has no forces.
        """
        if not self.newtons:
            raise ValueError(f"{self.name} is not a ladder of forces.")
        steps = [log(n) for n in self.newtons]
        at = log(newton)
        if at < steps[0]:
            return max(0.0, 1 - (steps[0] - at) / (steps[1] - steps[0]))
        if at > steps[-1]:
            return min(self.top + OVER_TOP, self.top + (at - steps[-1]) / (steps[-1] - steps[-2]))
        place = next(i for i in range(1, len(steps)) if at <= steps[i])
        return place + (at - steps[place - 1]) / (steps[place] - steps[place - 1])

    @property
    def top(self) -> int:
        """The number of the highest rung."""
        return len(self.rungs)

    def level_words(self, level: float) -> str:
        """Return where a level stands on this ladder, in words: never more rungs than it has."""
        if level < LOWEST_SHOWN:
            return "under 1"
        return f"over {self.top}" if level >= self.top + LOWEST_SHOWN else f"{level:.1f}"

    def rung(self, number: int) -> Rung:
        """Return one rung. Raises NotThere where the ladder has no such rung."""
        if not 1 <= number <= self.top:
            raise NotThere(f"rung {number}: {self.name} has rungs 1 to {self.top}. Choose one of these.")
        return self.rungs[number - 1]

    def nearest(self, level: float) -> Rung:
        """Return the rung nearest to a level, a float in rungs."""
        return self.rungs[min(max(round(level), 1), self.top) - 1]
