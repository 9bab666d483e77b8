"""Which graded activities can play which part of a session, and what a minute of each is worth."""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from math import prod

import numpy as np
from numpy.typing import NDArray

from core.ability import Floats, chance_together
from core.child import Part, Zone
from core.library import ACTIVITIES
from core.library.activity import Activity
from core.offers import Offer, difficulty, variants_of
from core.planner.objective import freshness, liking, strand_weight, zone_fit, zone_reason
from core.planner.request import LeftOut, LeftOutKind, Reason, SessionRequest
from core.skills import STRANDS

QUALITY = 50  # steps the worth of a minute is rounded to
FIT_WANTED = 0.4  # fit below which a part looks no further while anything better is there
TOO_DEMANDING = 1.0  # rungs a demanded strand may be above the child
ANY_STRAND_PARTS = ("opener", "warm-up", "daily", "tidy")


@dataclass(frozen=True)
class Candidate:
    """One offer in one part. quality is the worth of a minute, 0 to QUALITY."""

    activity: Activity
    part: Part
    offer: Offer
    strand: str
    rung: float
    expected: float
    quality: int
    zone: Zone
    terms: tuple[Reason, ...]
    least: int
    most: int

    @property
    def kit(self) -> frozenset[str]:
        """What it brings to the table."""
        return self.offer.kit

    @property
    def used_up(self) -> Mapping[str, int]:
        """What one set uses up: stock id to how many."""
        return self.offer.used_up

    @property
    def why(self) -> tuple[Reason, ...]:
        """Every term of the worth of its minutes, the forecast's first."""
        return (zone_reason(self.expected, self.zone, self.part), *self.terms)


def aims(activity: Activity, part: Part, request: SessionRequest) -> list[str]:
    """The strands an activity may be aimed at in a part: those of the targets; in lighter parts its first one too."""
    trained = [s for s in activity.trains if s in request.estimates]
    wanted = [s for s in trained if STRANDS[s].target in request.targets]
    return wanted or (trained[:1] if part in ANY_STRAND_PARTS or request.format.any_strand else [])


def minutes_of(activity: Activity, part: Part, request: SessionRequest) -> tuple[int, int]:
    """The fewest and most minutes of an activity in a part; no block asks for more than half the child's attention."""
    fewest, most = request.format.minutes[part]
    least = max(fewest, min(activity.minutes[0], most))
    return least, max(least, min(activity.minutes[1], most, round(request.child.attention_minutes / 2)))


def too_demanding(offer: Offer, request: SessionRequest) -> tuple[str, float] | None:
    """The strand an offer demands that is furthest above the child, and by how many rungs; None if none is."""
    over = [
        (request_gap, strand)
        for strand in ACTIVITIES[offer.variant.activity_id].demands
        if strand in request.estimates
        and (request_gap := offer.rungs[strand] - request.estimates[strand].mean) > TOO_DEMANDING
    ]
    if not over:
        return None
    gap, strand = max(over)
    return strand, gap


def too_young(activity: Activity, request: SessionRequest) -> bool:
    """Whether an activity's guise is a younger child's: banging lids at eight. It may still be chosen by hand."""
    return activity.until_months is not None and request.child.age_months >= activity.until_months


def candidate(offer: Offer, part: Part, request: SessionRequest) -> Candidate | None:
    """Return the offer in a part, aimed at the strand where its minutes are worth most, however little; None if it has
    none.
    """
    activity = ACTIVITIES[offer.variant.activity_id]
    return next(iter(_Weigher(request, activity, [offer]).rated(part).candidates(least_quality=0)), None)


def all_candidates(request: SessionRequest) -> list[Candidate]:
    """Every candidate worth a look: what is far from its band is left out wherever its part has something nearer."""
    rated: list[_Rated] = []
    locked = {b.variant.activity_id for b in request.locked}
    for activity in ACTIVITIES.values():
        if activity.id in request.excluded or activity.id in locked or too_young(activity, request):
            continue
        offers = [o for o in request.cupboard.offers([activity]) if too_demanding(o, request) is None]
        weigher = _Weigher(request, activity, offers)
        for part in request.format.plays(activity) if offers else ():
            if part in request.parts and (part != "daily" or _is_daily(activity, request)):
                rated.append(weigher.rated(part))
    near = {r.part for r in rated if len(r.fit) and r.fit.max() >= FIT_WANTED}
    return [c for r in rated for c in r.candidates(FIT_WANTED if r.part in near else 0.0)]


class _Weigher:
    """Weighs the offers of one activity for one request, all of them at once; what parts share is worked out once."""

    def __init__(self, request: SessionRequest, activity: Activity, offers: list[Offer]) -> None:
        self.request, self.activity, self.offers = request, activity, offers
        self.shared = (freshness(activity, request), liking(activity, request.child))
        self._by_strand: dict[str, tuple[Floats, Floats, Reason]] = {}

    def of(self, strand: str) -> tuple[Floats, Floats, Reason]:
        """The rung each offer asks in a strand, the chance of it, and how much the strand is wanted."""
        if strand not in self._by_strand:
            rungs = np.array([o.rungs[strand] for o in self.offers])
            self._by_strand[strand] = rungs, self._chances, strand_weight(strand, self.request)
        return self._by_strand[strand]

    @cached_property
    def _chances(self) -> Floats:
        """The chance of each offer, with all the strands it trains: the weakest decides."""
        strands = [s for s in self.activity.trains if s in self.request.estimates]
        rungs = np.array([[o.rungs[s] for s in strands] for o in self.offers])
        return chance_together([self.request.estimates[s] for s in strands], rungs, activity_id=self.activity.id)

    def rated(self, part: Part) -> "_Rated":
        """The offers in a part, each aimed at the strand where its minutes are worth most."""
        strands = aims(self.activity, part, self.request)
        zone = self.request.band(part)
        count = len(self.offers) if strands else 0
        best = np.full(count, -1, dtype=int)
        at, fit = np.zeros(count, dtype=int), np.zeros(count)
        for place, strand in enumerate(strands):
            _, chances, weight = self.of(strand)
            fits = zone_fit(chances, zone)
            quality = np.rint(fits * prod(r.factor for r in (weight, *self.shared)) * QUALITY).astype(int)
            better = quality > best
            best[better], at[better], fit[better] = quality[better], place, fits[better]
        return _Rated(self, part, zone, strands, best, at, fit)


@dataclass(frozen=True)
class _Rated:
    """The offers of one activity in one part: the worth of a minute of each, which strand it aims at, and its fit."""

    weigher: _Weigher
    part: Part
    zone: Zone
    strands: list[str]
    quality: NDArray[np.int_]
    at: NDArray[np.int_]
    fit: Floats

    def candidates(self, least_fit: float = 0.0, least_quality: int = 1) -> Iterator[Candidate]:
        """Those worth enough and near enough to their band."""
        w = self.weigher
        least, most = minutes_of(w.activity, self.part, w.request)
        for i in np.flatnonzero((self.quality >= least_quality) & (self.fit >= least_fit)).tolist():
            strand = self.strands[self.at[i]]
            rungs, chances, weight = w.of(strand)
            yield Candidate(
                w.activity,
                self.part,
                w.offers[i],
                strand,
                float(rungs[i]),
                float(chances[i]),
                int(self.quality[i]),
                self.zone,
                (weight, *w.shared),
                least,
                most,
            )


def _is_daily(activity: Activity, request: SessionRequest) -> bool:
    return (
        activity.target == "daily"
        or any(STRANDS[s].target == "daily" for s in activity.trains)
        or "daily" in request.targets
    )


def undominated(candidates: Iterable[Candidate]) -> list[Candidate]:
    """Keep, for each activity, part and strand, what no other beats with the same or less kit. Loses no optimum."""
    groups = defaultdict(list)
    for c in candidates:
        groups[c.activity.id, c.part, c.strand].append(c)
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


GRAVEST: tuple[LeftOutKind, ...] = (
    "barred",
    "hand",
    "short",
    "missing",
    "too_hard",
    "too_easy",
    "not_chosen",
    "excluded",
)


def left_out(request: SessionRequest, chosen: frozenset[str]) -> tuple[LeftOut, ...]:
    """What a therapist may miss: activities that train a target strand and are not in the plan, with why."""
    result = []
    for activity in ACTIVITIES.values():
        strands = [s for s in activity.trains if STRANDS[s].target in request.targets and s in request.estimates]
        if strands and activity.id not in chosen:
            result.append(_why_left_out(activity, strands[0], request))
    return gravest_first(result)


def gravest_first(result: Iterable[LeftOut]) -> tuple[LeftOut, ...]:
    """What was left out in the order it is shown: barred first, what merely was not chosen last."""
    return tuple(sorted(result, key=lambda item: (GRAVEST.index(item.kind), item.name)))


def _why_left_out(activity: Activity, strand: str, request: SessionRequest) -> LeftOut:
    kind, reason, remedy = _why(activity, strand, request)
    return LeftOut(activity.id, activity.name, kind, reason, remedy, strand)


def _why(activity: Activity, strand: str, request: SessionRequest) -> tuple[LeftOutKind, str, str]:
    """Kind, reason and remedy, looking at the grade nearest to the child first."""
    mean = request.estimates[strand].mean
    ranked = sorted(variants_of(activity), key=lambda v: (abs(difficulty(v)[strand] - mean - 0.1), v.grade))
    if activity.id in request.excluded:
        return "excluded", "Taken out by you.", "Put it back in the plan."
    offered = next((o for v in ranked if (o := request.cupboard.offer(v))), None)
    lack = request.cupboard.lack(ranked[0])
    if offered is None:
        assert lack is not None
        return lack.kind, lack.reason, lack.remedy
    if too_young(activity, request):
        return "too_easy", "Its guise is a younger child's.", "Choose it by hand if this child enjoys it."
    demand = too_demanding(offered, request)
    if demand:
        name = STRANDS[demand[0]].name.lower()
        return "too_hard", f"Too hard by {demand[1]:.1f} rungs in {name}.", f"Work on {name} first."
    remedy = lack.remedy if lack else "Choose another activity for this strand."
    gap = offered.rungs[strand] - mean
    if gap > 1.0:
        return "too_hard", f"Its easiest grade here is {gap:.1f} rungs too hard.", remedy
    if gap < -1.5:
        return "too_easy", f"Its hardest grade here is {-gap:.1f} rungs too easy.", remedy
    return (
        "not_chosen",
        "Fits, but others made better use of the minutes.",
        "Swap it in, or give the session more minutes.",
    )
