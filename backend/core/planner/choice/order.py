"""The order of a session's blocks: parts in order, and inside the main part what the trade asks for."""

from collections.abc import Mapping
from itertools import pairwise, permutations

from core.child import PARTS
from core.planner.candidates import Candidate
from core.planner.solver import Option
from core.skills import STRANDS

Row = list[Option[Candidate]]


def in_order(chosen: Row, order: str, known: Mapping[str, int] | None = None) -> Row:
    """Return the blocks in the order they are done.

    order -- one of formats.ORDERS: precise work first and tiring work after, or the other way
    known -- for a child who keeps the order of last time: activity line to its place then
    Inside the main part, by weight: no two tiring blocks together; the order of last time; the longest stretch on
    the chair as short as can be; precise before tiring, or the other way; of one ladder the lower rung first.
    """
    by_part = {p: [o for o in chosen if o.part == p] for p in PARTS}
    before = [o for p in ("opener", "warm-up") for o in by_part[p]]
    after = [o for p in ("stretch", "daily", "tidy") for o in by_part[p]]
    main = sorted(by_part["main"], key=lambda o: (-o.of.expected, o.activity.id))
    last = 1 if order == "precision_first" else -1

    def faults(row: tuple[Option[Candidate], ...]) -> tuple[float, ...]:
        whole = [*before, *row, *after]
        return (
            sum(a.tiring and b.tiring for a, b in pairwise(whole)),
            _out_of_order(row, known or {}),
            _longest_seated(whole),
            sum(last * (a.tiring - b.tiring) > 0 for a, b in pairwise(row)),
            sum(_same_ladder(a, b) and a.of.rung > b.of.rung for i, a in enumerate(row) for b in row[i + 1 :]),
        )

    best = min(permutations(main), key=faults)
    return [*before, *best, *after]


def _out_of_order(row: tuple[Option[Candidate], ...], known: Mapping[str, int]) -> int:
    places = [known[o.activity.line] for o in row if o.activity.line in known]
    return sum(a > b for i, a in enumerate(places) for b in places[i + 1 :])


def _longest_seated(row: Row) -> int:
    """Half minutes of the longest stretch without a block on the feet."""
    longest = here = 0
    for o in row:
        here = 0 if o.activity.moves else here + o.time
        longest = max(longest, here)
    return longest


def _same_ladder(a: Option[Candidate], b: Option[Candidate]) -> bool:
    return STRANDS[a.of.strand] is STRANDS[b.of.strand]
