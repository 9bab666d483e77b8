"""What clinics made themselves, kept at hand by id: activities, things, wanted tasks, session formats.

An id says what it holds, so what is found once never changes. What is stored elsewhere is found through a source that
the application gives once, when it starts. Every thread of a process looks here, so everything is under one lock; while
the source is asked, nobody waits.
"""

from collections import OrderedDict
from collections.abc import Callable
from threading import Lock
from typing import Protocol, TypeVar

OWN = "own-"  # with a hyphen, which no id of the library may have
MOST_HELD = 4096  # kept at hand in one process


class Named(Protocol):
    """Whatever has an id."""

    @property
    def id(self) -> str:
        """What it is called by."""


T = TypeVar("T", bound=Named)
Source = Callable[[str], Named | None]


def is_own(name: str) -> bool:
    """Whether an id, or a name that work counts under, is of something a clinic made itself."""
    return name.startswith(OWN)


class OwnShelf:
    """What clinics made, the latest used kept at hand. source -- where the rest is found by its id"""

    def __init__(self, most: int = MOST_HELD, source: Source | None = None) -> None:
        self._most, self._source = most, source
        self._held: OrderedDict[str, Named] = OrderedDict()
        self._lock = Lock()

    def look_up_with(self, source: Source | None) -> Source | None:
        """Say where the rest is found, and return where it was found before."""
        before, self._source = self._source, source
        return before

    def hold(self, own: T, name: str = "") -> T:
        """Keep something at hand under its id, or under another name it is asked by; return it, the same as before
        where it was held already.
        """
        with self._lock:
            held = self._held.setdefault(name or own.id, own)
            self._held.move_to_end(name or own.id)
            while len(self._held) > self._most:
                self._held.popitem(last=False)
        return held  # type: ignore[return-value]  # an id says what it holds

    def find(self, own_id: str, kind: type[T]) -> T | None:
        """Return what has this id, or what the source says is the newest of this name; None where there is none of
        that kind.
        """
        if not is_own(own_id):
            return None
        with self._lock:
            found = self._held.get(own_id)
        if found is None and self._source is not None and (stored := self._source(own_id)) is not None:
            found = self.hold(self.hold(stored), own_id)
        return found if isinstance(found, kind) else None

    def clear(self) -> None:
        """Forget all that is at hand."""
        with self._lock:
            self._held.clear()


SHELF = OwnShelf()
"""The one of this process."""
