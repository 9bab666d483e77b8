"""Children at one table: what suits them all, with the things that are safe for each of them and go round.

Hazards are judged by the child most at risk within reach. Tools that do not go round are shared by turns without
waiting: two activities run side by side for the same minutes, half of the children at each, then they change over.
"""

from collections import Counter
from collections.abc import Hashable, Iterator, Sequence
from dataclasses import dataclass, replace
from math import ceil

from core.child import Part
from core.library.activity import Activity
from core.materials import Stock
from core.offers import Offer, roles_of
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.pool import all_candidates, tidying
from core.planner.request import GroupRequest, SessionRequest, Shared
from core.planner.solver import STEP, Option
from core.safety import RULES, assess_within_reach

PARTS: tuple[Part, ...] = ("opener", "main", "tidy")
STANDING = frozenset({"wall", "floor", "water", "tube", "edge"})  # forms several children use at once
WATCHED_MONTHS = 72  # months: under this one adult watches one child with a blade or small parts; common practice


@dataclass(frozen=True)
class Together:
    """One activity in one part for all children: a candidate each, and whether there is enough for all or for half.

    watched -- how many at once want an adult of their own within reach, by turns
    """

    activity: Activity
    part: Part
    each: tuple[Candidate, ...]
    for_all: bool
    watched: int = 0

    def sets(self, minutes: int) -> tuple[int, ...]:
        """How many sets each child does in so many minutes: whole ones, one at the least."""
        return tuple(max(1, min(c.dose.most, c.dose.sets_within(minutes * STEP))) for c in self.each)

    def options(self) -> Iterator[Option["Together"]]:
        """The activity for every number of minutes that suits all."""
        one = ceil(max(c.dose.steps(1) for c in self.each) / STEP)
        most = max(one, ceil(min(c.dose.steps(c.dose.most) for c in self.each) / STEP))
        least = min(most, max(one, *(ceil(c.dose.steps(c.dose.least) / STEP) for c in self.each)))
        kit = frozenset(thing for c in self.each for thing in c.kit)
        have = {stock_id: n for c in self.each for stock_id, n in c.offer.have.items()}
        before: tuple[int, ...] = ()
        for minutes in range(least, most + 1):
            sets = self.sets(minutes)
            if self.for_all and sets == before:
                continue  # nobody does a set more in it
            before = sets
            uses: Counter[str] = Counter()
            for c, n in zip(self.each, sets, strict=True):
                uses.update({stock_id: n * used for stock_id, used in c.offer.used_up.items()})
            worth: dict[Hashable, int] = {
                (at, c.strand): c.worth(n) for at, (c, n) in enumerate(zip(self.each, sets, strict=True))
            }
            window = 0 if self.for_all else minutes * STEP
            yield Option(self, self.activity, self.part, 0, minutes * STEP, worth, kit, uses, have, window=window)


def safe_for_all(request: GroupRequest) -> tuple[tuple[Stock, ...], tuple[str, ...]]:
    """Return the cupboard without what is barred for any child in reach, and what was taken away, with why."""
    kept, away = [], []
    for line in request.sessions[0].stock:
        why = _barred_for(line, request)
        if why:
            away.append(f"{line.thing.name}: {why}")
        else:
            kept.append(line)
    return tuple(kept), tuple(away)


def _barred_for(line: Stock, request: GroupRequest) -> str:
    for name, session in zip(request.names, request.sessions, strict=True):
        verdict = assess_within_reach(line.thing, session.child, session.setting)
        if verdict.status == "barred":
            return f"{name} is within reach. {verdict.hits[0].reason}"
    return ""


def table_for_all(request: GroupRequest) -> tuple[SessionRequest, ...]:
    """Each child's session with the one cupboard that is safe for all of them."""
    stock, _ = safe_for_all(request)
    return tuple(replace(s, stock=stock, format_id="parts", parts=PARTS, locked=()) for s in request.sessions)


def shared_candidates(sessions: Sequence[SessionRequest]) -> list[Together]:
    """Every activity and part in which each child has its own grade, with enough for all or for half of them."""
    best, adults = [best_each(s) for s in sessions], sessions[0].setting.adults
    result = []
    for key in sorted(best[0]):
        if all(key in b for b in best):
            each = tuple(b[key] for b in best)
            half = ceil(len(each) / 2)
            halves = [slice(i, i + half) for i in (0, len(each) - half)]
            most = max(watched(each[h], sessions[h]) for h in halves)
            if enough(each, len(each)) and watched(each, sessions) <= adults:
                result.append(Together(each[0].activity, key[1], each, True))
            elif key[1] == "main" and all(enough(each[h], half) for h in halves) and most <= adults:
                result.append(Together(each[0].activity, key[1], each, False, most))
    return result


def best_each(session: SessionRequest) -> dict[tuple[str, Part], Candidate]:
    """A child's best grade of each activity in each part, by (activity, part)."""
    best: dict[tuple[str, Part], Candidate] = {}
    for c in [*all_candidates(session, together=True), *tidying(session)]:
        key = (c.activity.id, c.part)
        if key not in best or (-c.quality, c.offer.variant.grade) < (-best[key].quality, best[key].offer.variant.grade):
            best[key] = c
    return best


def wanted_by(each: Sequence[Candidate]) -> dict[str, Shared]:
    """What children at one activity want at once: their own count of everything, but one wall, floor or tub for all."""
    result: dict[str, Shared] = {}
    for c in each:
        roles = {r.id: r for r in roles_of(c.activity, c.offer.variant.grade)}
        for q in c.offer.quantities:
            role, before = roles[q.role], result.get(q.stock_id)
            least = q.wanted if q.single_use else role.least(c.offer.count)
            standing = role.form in STANDING
            total = max(least, before.wanted if before else 0) if standing else least + (before.wanted if before else 0)
            own = _own_pot(c.offer) and not standing
            result[q.stock_id] = Shared(q.thing_id, total, q.have, own)
    return result


def _own_pot(offer: Offer) -> bool:
    return any(h.rule == "shared" for h in offer.verdict.hits)


def enough(each: Sequence[Candidate], children: int) -> bool:
    """Whether there is enough of everything for these children at once."""
    return children > 0 and all(s.wanted <= s.have or (s.own_pot and s.have >= 1) for s in wanted_by(each).values())


def watched(each: Sequence[Candidate], sessions: Sequence[SessionRequest]) -> int:
    """How many children of an activity want an adult of their own within reach: under six, a blade or small parts. Who
    wants one in the room shares that one: one to eight children, and a table has fewer.
    """
    return sum(
        s.child.age_months < WATCHED_MONTHS
        and any(
            RULES[h.rule].watched and h.wants == "arms_reach" for h in c.offer.verdict.hits if h.status == "caution"
        )
        for c, s in zip(each, sessions, strict=True)
    )
