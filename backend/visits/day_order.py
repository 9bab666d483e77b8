"""In which order a day's visits are driven to, and which of them clash. Common practice."""

from collections.abc import Hashable, Sequence
from dataclasses import dataclass
from datetime import time
from itertools import permutations


@dataclass(frozen=True)
class Stop:
    """A visit at a place. at -- None: some time that day; minutes -- how long; who -- the therapist"""

    id: int
    place: Hashable
    at: time | None
    minutes: int = 0
    who: Hashable = None

    @property
    def begins(self) -> int | None:
        """When it begins, in minutes after midnight; None for some time that day."""
        return None if self.at is None else 60 * self.at.hour + self.at.minute


def travel_order(stops: Sequence[Stop]) -> list[Stop]:
    """Return the stops as they are driven to: by time; one without a time right after the last one at the same place,
    or else after all that have one, place by place.
    """
    result = sorted((s for s in stops if s.begins is not None), key=lambda s: s.begins or 0)
    for stop in (s for s in stops if s.begins is None):
        same = [i for i, s in enumerate(result) if s.place == stop.place]
        result.insert(same[-1] + 1 if same else len(result), stop)
    return result


def clashes(stops: Sequence[Stop]) -> dict[int, tuple[int, ...]]:
    """Return, by stop, the others that the same therapist has at another place at the same time. Several children at
    one table are no clash, nor is a stop without a time.
    """
    found: dict[int, tuple[int, ...]] = {s.id: () for s in stops}
    for one, other in permutations(stops, 2):
        if one.who != other.who or one.place == other.place or one.begins is None or other.begins is None:
            continue
        if other.begins < one.begins + one.minutes and one.begins < other.begins + other.minutes:
            found[one.id] += (other.id,)
    return found
