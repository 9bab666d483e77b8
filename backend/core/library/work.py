"""Kinds of work: how long a try takes, how many make a set, how many sets a block, and the rest between sets.

Common practice and memory, no source; a child's own clock stands in for the seconds once there is one.
"""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

WorkKind = Literal[
    "piece",
    "palm",
    "in_hand",
    "resistance",
    "hold",
    "thread",
    "snip",
    "line",
    "shape",
    "fastener",
    "lace",
    "spoon",
    "cut_food",
    "toss",
    "draw",
    "colour",
    "weight",
    "make",
    "whole_task",
]


@dataclass(frozen=True)
class Work:
    """One kind of work.

    seconds -- (fewest, most) a try usually takes
    rest    -- seconds after a set: the hand rests, pieces go back
    sets    -- most sets in one block
    tries   -- most tries in one block, whatever the sets
    tags    -- hazard tags one of which is always true of such work
    """

    words: str
    seconds: tuple[float, float]
    rest: float
    sets: int
    tries: int
    tags: tuple[str, ...] = ()


WORK = MappingProxyType[WorkKind, Work](
    {
        "piece": Work("one piece moved", (1.5, 8), 15, 6, 80),
        "palm": Work("one piece stored in the palm or brought out", (3, 8), 15, 6, 60),
        "in_hand": Work("a tool or card moved inside the hand", (3, 10), 15, 5, 50),
        "resistance": Work("work against resistance", (2, 12), 30, 3, 36, ("resistance",)),
        "hold": Work("a hold under tension", (5, 20), 30, 3, 18),
        "thread": Work("one bead threaded", (5, 15), 15, 3, 50),
        "snip": Work("one snip", (3, 5), 25, 4, 48, ("cutting_tool",)),
        "line": Work("a line cut", (10, 25), 25, 3, 16, ("cutting_tool",)),
        "shape": Work("a shape cut out", (40, 180), 30, 2, 4, ("cutting_tool",)),
        "fastener": Work("one fastener done", (5, 20), 20, 3, 20),
        "lace": Work("one step with a lace", (5, 20), 20, 3, 24),
        "spoon": Work("one load moved with a tool", (4, 8), 15, 4, 48),
        "cut_food": Work("one piece cut off", (10, 20), 15, 3, 20, ("knife",)),
        "toss": Work("one toss or catch", (2, 5), 15, 5, 60, ("wall",)),
        "draw": Work("a stroke or a shape drawn", (6, 30), 20, 3, 24),
        "colour": Work("an area or a page", (25, 180), 20, 2, 4),
        "weight": Work(
            "a hold or a way on hands or at a wall",
            (10, 60),
            25,
            4,
            16,
            ("weight_on_hands", "wall", "lying", "walking"),
        ),
        "make": Work("a step of something built, folded or turned", (8, 40), 15, 3, 24),
        "whole_task": Work("a whole daily task", (20, 60), 20, 3, 8),
    }
)
