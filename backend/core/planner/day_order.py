"""In which order a day's visits are driven to. Common practice."""

from collections.abc import Hashable, Sequence
from dataclasses import dataclass
from datetime import time


@dataclass(frozen=True)
class Stop:
    """A visit at a place; at -- None: some time that day."""

    id: Hashable
    place: Hashable
    at: time | None


def travel_order(stops: Sequence[Stop]) -> list[Stop]:
    """Return the stops as they are driven to: by time; one without a time right after the last one at the same place,
    or else after all that have one, place by place.
    """
    result = sorted((s for s in stops if s.at is not None), key=lambda s: s.at or time.min)
    for stop in (s for s in stops if s.at is None):
        same = [i for i, s in enumerate(result) if s.place == stop.place]
        result.insert(same[-1] + 1 if same else len(result), stop)
    return result
