"""What a target, a strand and a rung are."""

from dataclasses import dataclass

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


@dataclass(frozen=True)
class Strand:
    """A ladder within a target: its name in the trade, and in plain words for those who read beside."""

    id: str
    target: str
    name: str
    plain: str
    icf: tuple[str, ...]
    rungs: tuple[Rung, ...]

    @property
    def top(self) -> int:
        """The number of the highest rung."""
        return len(self.rungs)

    def rung(self, number: int) -> Rung:
        """Return one rung. Raises NotThere where the ladder has no such rung."""
        if not 1 <= number <= self.top:
            raise NotThere(f"rung {number}: {self.name} has rungs 1 to {self.top}. Choose one of these.")
        return self.rungs[number - 1]

    def nearest(self, level: float) -> Rung:
        """Return the rung nearest to a level, a float in rungs."""
        return self.rungs[min(max(round(level), 1), self.top) - 1]
