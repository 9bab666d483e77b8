"""What the solver chooses among: an activity in a part for whole sets, with what that takes and what it is worth."""

from collections import defaultdict
from collections.abc import Hashable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from math import ceil
from typing import Generic, TypeVar

from core.child import Part
from core.library.activity import Activity
from core.planner.solver.limits import Limit

QUALITY = 50  # steps the worth of a minute is rounded to
WORTH_A_MINUTE = 10 * QUALITY  # worth is counted in tenths of a minute at work, times their quality
STEP = 2  # steps of time in a minute

Of = TypeVar("Of")


@dataclass(frozen=True, eq=False, slots=True)
class Option(Generic[Of]):
    """One activity in one part for a number of sets.

    of     -- what it was made of: a candidate, or one for each child of a group
    sets   -- whole sets; 0 where children together each do what fits into the steps
    steps  -- half minutes at it, rests included
    worth  -- by strand (for children together: by child and strand), of WORTH_A_MINUTE
    uses   -- what it uses up, stock id to how many, and of those: have, how many there are
    musts  -- the limits that ask for at least some such block
    window -- half minutes of the station, where all have the same; else 0
    """

    of: Of
    activity: Activity
    part: Part
    sets: int
    steps: int
    worth: Mapping[Hashable, int]
    kit: frozenset[str]
    uses: Mapping[str, int]
    have: Mapping[str, int]
    musts: frozenset[Limit] = frozenset()
    window: int = 0

    @property
    def time(self) -> int:
        """Half minutes at it, with its own setting up and tidying."""
        return self.steps + own_steps(self.activity)

    @property
    def tiring(self) -> bool:
        """Whether it tires the hands."""
        return self.activity.tiring

    @property
    def value(self) -> int:
        """Its worth, all strands together."""
        return sum(self.worth.values())


READY = 0.5  # of setting up and tidying is left to do where the prep sheet was followed; from memory


@lru_cache(maxsize=4096)
def own_steps(activity: Activity) -> int:
    """Half minutes of an activity's own setting up and tidying, rounded up."""
    return ceil((activity.setup_minutes + activity.tidy_minutes) * READY * STEP - 1e-9)


def undominated(
    options: Iterable[Option[Of]],
    blocks: int,
    by_worth: bool = True,
    alike: bool = True,
    out: frozenset[str] | None = None,
) -> list[Option[Of]]:
    """Return the options a best session may need. Loses no optimum.

    blocks   -- the most blocks a session has
    by_worth -- whether worth counts; else only time does, where it is asked whether there is room at all
    alike    -- whether there is a limit to how many activities of one group a session has
    out      -- where things are brought once a session: those that are out whatever is chosen; else None
    An option goes when another grade or number of sets of its activity is no worse in everything, or so many other
    activities are that not all of them can be busy elsewhere in the session, nor all their kinds be full.
    """
    groups: defaultdict[tuple[Hashable, ...], list[Option[Of]]] = defaultdict(list)
    parts_of: defaultdict[str, set[str]] = defaultdict(set)
    users: defaultdict[str, set[str]] = defaultdict(set)
    for o in options:
        keys = frozenset(o.worth) if by_worth else None
        groups[o.part, keys, o.window].append(o)
        parts_of[o.activity.id].add(o.part)
        for thing in o.kit:
            users[thing].add(o.activity.id)
    brought_by_one = frozenset(thing for thing, activities in users.items() if len(activities) == 1)
    own = frozenset[str]() if out is None else brought_by_one - out
    kept: list[Option[Of]] = []
    for group in groups.values():
        best = sorted(group, key=lambda o: (-o.value if by_worth else 0, o.time, len(o.kit), *_name(o)))
        kept += _front(best, parts_of, blocks, own, by_worth, alike)
    return kept


def _name(o: Option[Of]) -> tuple[str, int]:
    return o.activity.id, o.sets


def _front(
    best: Sequence[Option[Of]],
    parts_of: Mapping[str, set[str]],
    blocks: int,
    own: frozenset[str],
    by_worth: bool,
    alike: bool,
) -> list[Option[Of]]:
    front: list[Option[Of]] = []
    times: list[int] = []
    for o in best:
        latest = o.time + len(o.kit & own)  # what takes longer than this can not stand in its place
        better = {
            p.activity.id: p.activity
            for p, time in zip(front, times, strict=True)
            if time <= latest and _no_worse(p, o, time, own, by_worth)
        }
        if o.activity.id in better:
            continue
        # any of these could take its place: those of its own group, or of a kind of which nothing is in the session
        akin = [a.id for a in better.values() if not alike or a.group == o.activity.group]
        free = o.part != "main" and any(parts_of[a] == {o.part} for a in akin)
        if len(akin) < blocks and len({a.kind for a in better.values()}) < blocks and not free:
            front.append(o)
            times.append(o.time)
    return front


def _no_worse(p: Option[Of], o: Option[Of], time: int, own: frozenset[str], by_worth: bool) -> bool:
    """Whether p, of so much time, could stand in o's place in any session o is in, and the session be no worse.

    own -- things that no other activity brings: they are spared where o goes
    """
    if p.kit != o.kit:
        time += len(p.kit - o.kit) - len((o.kit - p.kit) & own)
    if time > o.time or not o.musts <= p.musts:
        return False
    if p.tiring and (not o.tiring or p.steps > o.steps):
        return False
    if by_worth and any(p.worth[key] < worth for key, worth in o.worth.items()):
        return False
    return all(n <= o.uses.get(stock_id, 0) for stock_id, n in p.uses.items())
