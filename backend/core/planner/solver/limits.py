"""The limits of a session, each by what it is about, and in which order they are given up where not all can hold."""

from dataclasses import dataclass
from typing import Literal

from core.child import PARTS, Part

MOST_MAIN = 4


@dataclass(frozen=True)
class PartLimit:
    """A part that has to be there."""

    part: Part


@dataclass(frozen=True)
class TargetLimit:
    """Work on a target that has to be there."""

    target: str


@dataclass(frozen=True)
class TaskLimit:
    """A wanted task itself that has to be practised."""

    task: str


@dataclass(frozen=True)
class StageLimit:
    """A stage of a kit, by its place, that has to be there."""

    place: int


@dataclass(frozen=True)
class LockLimit:
    """A locked block, by its place among those asked for."""

    place: int


@dataclass(frozen=True)
class WholeLimit:
    """A limit on the session as a whole: its minutes, its tiring minutes, tiring blocks apart, a second main block; a
    block on the feet, of many repetitions, with a job for the assisting hand.
    """

    kind: Literal["minutes", "tiring", "apart", "main", "moves", "many", "assists"]


Limit = PartLimit | TargetLimit | TaskLimit | StageLimit | LockLimit | WholeLimit
MINUTES, TIRING, APART, MAIN = (WholeLimit("minutes"), WholeLimit("tiring"), WholeLimit("apart"), WholeLimit("main"))
MOVES, MANY, ASSISTS = WholeLimit("moves"), WholeLimit("many"), WholeLimit("assists")
_CHEAPEST_FIRST: tuple[Limit | type[Limit], ...] = (
    *(MANY, MOVES, ASSISTS, PartLimit("warm-up"), PartLimit("tidy"), PartLimit("daily"), PartLimit("opener"), MAIN),
    *(TargetLimit, TaskLimit, MINUTES, TIRING, APART, LockLimit),
)
_CONTENT = _CHEAPEST_FIRST.index(TaskLimit)


def cost(limit: Limit) -> int | None:
    """Return the place of a limit among those given up, the cheapest first: 0 and up. None where it always holds.
    Project definition.
    """
    for place, known in enumerate(_CHEAPEST_FIRST):
        if known == limit or (isinstance(known, type) and isinstance(limit, known)):
            return place
    return None


def is_content(limit: Limit) -> bool:
    """Whether a limit is about what a session holds, not about its time, the hands or the locks."""
    place = cost(limit)
    return place is not None and place <= _CONTENT


@dataclass(frozen=True)
class Limits:
    """The hard limits of one session.

    must       -- parts that have to be there; for tidying, made of what is out by then, TIDY minutes are kept
    least_main -- how many main blocks there are at the least
    least      -- how many blocks there are at the least that say so in their musts
    equal      -- all main blocks have the same window of time
    """

    minutes: int
    tiring_minutes: int
    must: tuple[Part, ...]
    least_main: int
    least: tuple[tuple[Limit, int], ...] = ()
    most_main: int = MOST_MAIN
    equal: bool = False

    @property
    def blocks(self) -> int:
        """The most blocks a session can have."""
        return len(PARTS) - 1 + self.most_main
