"""What was worked out before, used again while nothing it came from has changed: whoever turns a dial, or goes
back to a page, asks for the same thing every second or two.

Whether anything has changed is asked of the database each time, in one query: a row that is written again has another
place or another transaction number. What is kept is worked out from rows read after that answer, so that at worst it is
newer than what it is kept under, and is then worked out once more.
"""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from functools import cache
from threading import Lock
from typing import Generic, TypeVar

from django.db import connection

T = TypeVar("T")

Revision = tuple[str | None, ...]


class MadeFrom(dict[str, str]):
    """The rows that something is worked out from: by table, which, in SQL with named parameters."""

    def revision(self, **which: int) -> Revision:
        """What these rows are like now: another one as soon as any of them is. One query."""
        with connection.cursor() as cursor:
            cursor.execute(_sql(tuple(self.items())), which)
            return tuple(row[0] for row in cursor.fetchall())


@cache
def _sql(rows: tuple[tuple[str, str], ...]) -> str:
    each = "select md5(string_agg(xmin::text || ctid::text, ' ')) from {} where {}"
    return " union all ".join(each.format(table, which) for table, which in rows)


class Kept(Generic[T]):
    """The last so many things worked out, by what was asked, each with the revision it was worked out under."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._known: OrderedDict[Hashable, tuple[Revision, T]] = OrderedDict()
        self._lock = Lock()

    def get(self, asked: Hashable, revision: Revision, work_out: Callable[[], T]) -> T:
        """What was worked out before under this revision, else what is worked out now."""
        with self._lock:
            known = self._known.get(asked)
            if known is not None and known[0] == revision:
                self._known.move_to_end(asked)
                return known[1]
        result = work_out()
        with self._lock:
            self._known[asked] = revision, result
            self._known.move_to_end(asked)
            if len(self._known) > self._most:
                self._known.popitem(last=False)
        return result
