"""Which graded activities can play which part of a session, and what a minute of each is worth."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property
from math import prod

from core.ability import chance
from core.grading import difficulty
from core.house import House, Offer, Variant, variants_of
from core.library import FAMILIES
from core.library.declare import Family
from core.planner.request import LeftOut, Reason, SessionRequest
from core.planner.worth import freshness, liking, strand_weight, zone_reason
from core.skills import STRANDS

QUALITY = 50  # steps the worth of a minute is rounded to
FIT_WANTED = 0.4  # fit below which a part looks no further while anything better is there
TOO_DEMANDING = 1.0  # rungs a demanded strand may be above the child
ANY_STRAND_PARTS = ("opener", "warm-up", "daily", "tidy")


@dataclass(frozen=True)
class Candidate:
    """One offer in one part. quality is the worth of a minute, 0 to QUALITY."""

    family: Family
    part: str
    offer: Offer
    strand: str
    rung: float
    expected: float
    quality: int
    why: tuple[Reason, ...]
    least: int
    most: int

    @property
    def kit(self) -> frozenset[str]:
        """What it brings to the table."""
        return frozenset(q.stock_id for q in self.offer.quantities)

    @cached_property
    def used_up(self) -> dict[str, int]:
        """What one set uses up: stock id to how many."""
        found: dict[str, int] = {}
        for q in self.offer.quantities:
            if q.single_use:
                found[q.stock_id] = found.get(q.stock_id, 0) + q.wanted
        return found


def aims(family: Family, part: str, request: SessionRequest) -> list[str]:
    """The strands a family may be aimed at in a part: those of the targets; in the lighter parts its first one too."""
    trained = [s for s in family.trains if s in request.estimates]
    wanted = [s for s in trained if STRANDS[s].target in request.targets]
    return wanted or (trained[:1] if part in ANY_STRAND_PARTS or request.form.any_strand else [])


def minutes_of(family: Family, part: str, request: SessionRequest) -> tuple[int, int]:
    """The fewest and most minutes of a family in a part; no block asks for more than half the child's attention."""
    fewest, most = request.form.minutes[part]
    least = max(fewest, min(family.minutes[0], most))
    return least, max(least, min(family.minutes[1], most, round(request.child.attention_minutes / 2)))


def too_demanding(variant: Variant, request: SessionRequest) -> tuple[str, float] | None:
    """The strand a variant demands that is furthest above the child, and by how many rungs; None if none is."""
    over = [
        (request_gap, strand)
        for strand, rung in FAMILIES[variant.family].demands.items()
        if strand in request.estimates and (request_gap := rung - request.estimates[strand].mean) > TOO_DEMANDING
    ]
    if not over:
        return None
    gap, strand = max(over)
    return strand, gap


def candidate(offer: Offer, part: str, request: SessionRequest) -> Candidate | None:
    """Return the offer in a part, aimed at the strand where its minutes are worth most; None if it has none."""
    family = FAMILIES[offer.variant.family]
    asked = difficulty(offer.variant)
    shared = (freshness(family, request), liking(family, request.child))
    best = None
    for strand in aims(family, part, request):
        expected = float(chance(request.estimates[strand], asked[strand], family=family.id))
        why = (zone_reason(expected, request.band(part), part), strand_weight(strand, request), *shared)
        quality = round(prod(r.factor for r in why) * QUALITY)
        if best is None or quality > best.quality:
            best = Candidate(
                family, part, offer, strand, asked[strand], expected, quality, why, *minutes_of(family, part, request)
            )
    return best


def all_candidates(house: House, request: SessionRequest) -> list[Candidate]:
    """Every candidate worth a look, part by part; forecasts are worked out a family at a time."""
    found: list[Candidate] = []
    locked = {b.variant.family for b in request.locked}
    for family in FAMILIES.values():
        if family.id in request.excluded or family.id in locked:
            continue
        offers = [o for o in house.offers([family]) if too_demanding(o.variant, request) is None]
        for part in request.form.plays(family):
            if part in request.parts:
                found += _of_family(family, part, offers, request)
    return _fit_enough(found)


def _of_family(family: Family, part: str, offers: list[Offer], request: SessionRequest) -> Iterable[Candidate]:
    """Candidates of one family in one part, their chances computed at once."""
    if part == "daily" and not _is_daily(family, request):
        return []
    best: dict[Variant, Candidate] = {}
    shared = (freshness(family, request), liking(family, request.child))
    least, most = minutes_of(family, part, request)
    for strand in aims(family, part, request):
        rungs = [difficulty(o.variant)[strand] for o in offers]
        if not rungs:
            continue
        chances = chance(request.estimates[strand], rungs, family=family.id)
        weight = strand_weight(strand, request)
        for offer, rung, expected in zip(offers, rungs, chances, strict=True):  # type: ignore[arg-type]
            why = (zone_reason(float(expected), request.band(part), part), weight, *shared)
            made = Candidate(
                family, part, offer, strand, rung, float(expected), round(prod(r.factor for r in why) * QUALITY), why, least, most
            )
            if offer.variant not in best or made.quality > best[offer.variant].quality:
                best[offer.variant] = made
    return best.values()


def _is_daily(family: Family, request: SessionRequest) -> bool:
    return family.target == "daily" or any(STRANDS[s].target == "daily" for s in family.trains) or "daily" in request.targets


def _fit_enough(found: list[Candidate]) -> list[Candidate]:
    """Drop what is far from its zone wherever the part has something nearer."""
    near = {c.part for c in found if c.why[0].factor >= FIT_WANTED}
    return [c for c in found if c.quality > 0 and (c.why[0].factor >= FIT_WANTED or c.part not in near)]


def undominated(found: Iterable[Candidate]) -> list[Candidate]:
    """Keep, for each family, part and strand, what no other beats with the same or less kit. Loses no optimum."""
    groups = defaultdict(list)
    for c in found:
        groups[c.family.id, c.part, c.strand].append(c)
    kept = []
    for key in sorted(groups):
        front: list[Candidate] = []
        for c in sorted(groups[key], key=lambda c: (-c.quality, len(c.kit), c.offer.variant.grade)):
            if not any(better.kit <= c.kit and _uses_no_more(better, c) for better in front):
                front.append(c)
        kept += front
    return kept


def _uses_no_more(better: Candidate, c: Candidate) -> bool:
    return all(n <= c.used_up.get(stock_id, 0) for stock_id, n in better.used_up.items())


GRAVEST = ("barred", "hand", "short", "missing", "too_hard", "too_easy", "not_chosen", "excluded")


def left_out(house: House, request: SessionRequest, chosen: frozenset[str]) -> tuple[LeftOut, ...]:
    """What a therapist may miss: families that train a target strand and are not in the plan, with why."""
    found = []
    for family in FAMILIES.values():
        strands = [s for s in family.trains if STRANDS[s].target in request.targets and s in request.estimates]
        if strands and family.id not in chosen:
            found.append(_why_left_out(family, strands[0], house, request))
    return gravest_first(found)


def gravest_first(found: Iterable[LeftOut]) -> tuple[LeftOut, ...]:
    """What was left out in the order it is told: barred first, what merely was not chosen last."""
    return tuple(sorted(found, key=lambda item: (GRAVEST.index(item.kind), item.name)))


def _why_left_out(family: Family, strand: str, house: House, request: SessionRequest) -> LeftOut:
    kind, reason, remedy = _why(family, strand, house, request)
    return LeftOut(family.id, family.name, kind, reason, remedy, strand)


def _why(family: Family, strand: str, house: House, request: SessionRequest) -> tuple[str, str, str]:
    """Kind, reason and remedy, looking at the grade nearest to the child first."""
    mean = request.estimates[strand].mean
    ranked = sorted(variants_of(family), key=lambda v: (abs(difficulty(v)[strand] - mean - 0.1), v.grade))
    if family.id in request.excluded:
        return "excluded", "Taken out by you.", "Put it back in the tray."
    offers = [v for v in ranked if house.offer(v)]
    lack = house.lack(ranked[0])
    if not offers:
        assert lack is not None
        return lack.kind, lack.reason, lack.remedy
    demand = too_demanding(offers[0], request)
    if demand:
        name = STRANDS[demand[0]].name.lower()
        return "too_hard", f"Too hard by {demand[1]:.1f} rungs in {name}.", f"Work on {name} first."
    remedy = lack.remedy if lack else "Choose another activity for this strand."
    gap = difficulty(offers[0])[strand] - mean
    if gap > 1.0:
        return "too_hard", f"Its easiest grade here is {gap:.1f} rungs too hard.", remedy
    if gap < -1.5:
        return "too_easy", f"Its hardest grade here is {-gap:.1f} rungs too easy.", remedy
    return "not_chosen", "Fits, but others made better use of the minutes.", "Swap it in, or give the session more minutes."
