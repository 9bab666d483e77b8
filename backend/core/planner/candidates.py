"""Which graded activities can play which part of a session, and what a minute of each is worth."""

from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from math import prod

import numpy as np
from numpy.typing import NDArray

from core.ability import Estimate, Floats
from core.child import Part, Zone
from core.library import find_activity
from core.library.activity import Activity
from core.offers import Asked, Offer, asked_by_name, chances_of
from core.planner.dose import Dose, dose_of, seconds_a_try
from core.planner.objective import freshness, liking, strand_weight, zone_fit, zone_reason
from core.planner.options import QUALITY, STEP, Option
from core.planner.request import PlannedBlock, Reason, SessionRequest
from core.planner.suitability import (
    aims,
    minutes_of,
    outgrown,
    own_task,
    parts_of,
    plain_first,
    too_demanding,
    too_young,
)
from core.skills import STRANDS

FIT_WANTED = 0.5  # of the best fit in a part: what fits less is not looked at; project definition
SHORTEST_MAIN = 2  # minutes under which there is no main work; project definition
MANY_TRIES = 24  # tries from which a block has many repetitions; from memory


@dataclass(frozen=True)
class Candidate:
    """One offer in one part. quality is the worth of a minute at work, 0 to QUALITY.

    task      -- the wanted task it is itself; empty where it is none
    on_target -- whether it counts as work on its strand's target, in this part of this format
    """

    activity: Activity
    part: Part
    offer: Offer
    strand: str
    rung: float
    expected: float
    fit: float
    quality: int
    zone: Zone
    terms: tuple[Reason, ...]
    dose: Dose
    task: str = ""
    on_target: bool = False

    @property
    def kit(self) -> frozenset[str]:
        """What it brings to the table."""
        return self.offer.kit

    @property
    def why(self) -> tuple[Reason, ...]:
        """Every term of the worth of its minutes, the forecast's first."""
        return (zone_reason(self.expected, self.fit, self.zone, self.part), *self.terms)

    def worth(self, sets: int) -> int:
        """What so many sets are worth, of WORTH_A_MINUTE: time at work, without the rests, times its quality."""
        return self.dose.work_tenths(sets) * self.quality

    def option(self, sets: int) -> Option["Candidate"]:
        """The candidate with so many sets, as the solver chooses."""
        used = {stock_id: n * sets for stock_id, n in self.offer.used_up.items()}
        return Option(
            self,
            self.activity,
            self.part,
            sets,
            self.dose.steps(sets),
            {self.strand: self.worth(sets)},
            self.kit,
            used,
            self.offer.have,
            self.musts | {"many"} if self.dose.count * sets >= MANY_TRIES and self.part == "main" else self.musts,
        )

    @cached_property
    def musts(self) -> frozenset[str]:
        """The limits of a session that ask for at least one block like this."""
        musts = {"moves"} if self.activity.moves else set()
        if self.activity.both_hands or STRANDS[self.strand].target == "bilateral":
            musts.add("assists")
        if self.on_target:
            musts.add(f"target:{STRANDS[self.strand].target}")
        return frozenset(musts)

    def planned(self, sets: int) -> PlannedBlock:
        """It as a choice of so many sets, locked."""
        return PlannedBlock(self.part, self.offer.variant, sets, locked=True)

    def options(self) -> Iterator[Option["Candidate"]]:
        """The candidate with every number of sets a block of it may have; none where main work is over at once."""
        if self.part == "main" and self.dose.steps(self.dose.most) < SHORTEST_MAIN * STEP:
            return iter(())
        return (self.option(sets) for sets in range(self.dose.least, self.dose.most + 1))


def candidate(offer: Offer, part: Part, request: SessionRequest) -> Candidate | None:
    """Return the offer in a part, aimed at the strand where its minutes are worth most, however little; None if it has
    none.
    """
    activity = find_activity(offer.variant.activity_id)
    weights = {s: strand_weight(s, request) for s in activity.trains if s in request.estimates}
    return next(iter(_Weigher(request, activity, [offer], weights).rated(part).candidates(least_quality=0)), None)


def all_candidates(request: SessionRequest) -> list[Candidate]:
    """Every candidate worth a look: what is far from its band is left out wherever its part has something nearer.

    The daily part is for the wanted tasks themselves, wherever this home offers one of them; the tidy part is made
    of what is out by then, elsewhere.
    """
    parts = set(request.parts) - {"tidy"}
    return _the_wanted_task(_ready_bodies(_in_parts(request, parts), request))


def tidying(request: SessionRequest) -> list[Candidate]:
    """Every candidate for tidying up as exercise."""
    return _in_parts(request, {"tidy"})


def _in_parts(request: SessionRequest, parts: Collection[str]) -> list[Candidate]:
    rated: list[_Rated] = []
    weights = {s: strand_weight(s, request) for s in request.estimates}
    locked = {b.variant.activity_id for b in request.locked}
    for activity in request.activities.values():
        if activity.id in request.excluded or activity.id in locked or too_young(activity, request):
            continue
        played = [p for p in parts_of(activity, request) if p in parts]
        if not played:
            continue
        plain = plain_first(activity, request)
        offers = [
            o
            for o in request.cupboard.offers([activity])
            if too_demanding(o, request) is None
            and not any(o.variant.grade[at] for at in plain)
            and not outgrown(o, request)
        ]
        weigher = _Weigher(request, activity, offers, weights)
        rated += [weigher.rated(part) for part in played] if offers else []
    best: dict[Part, float] = {}
    for r in rated:
        best[r.part] = max(best.get(r.part, 0.0), float(r.fit.max(initial=0.0)))
    return [c for r in rated for c in r.candidates(0.0 if r.is_task else FIT_WANTED * best[r.part])]


def _the_wanted_task(every: list[Candidate]) -> list[Candidate]:
    """Where the daily part has a wanted task itself to offer, it offers nothing else."""
    if not any(c.task and c.part == "daily" for c in every):
        return every
    return [c for c in every if c.part != "daily" or c.task]


def _ready_bodies(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Where trunk and shoulders hold the hands back, they warm up first: with weight or a push, else on the feet."""
    if not request.child.body_first:
        return every
    warm = [c for c in every if c.part == "warm-up"]
    ready = [c for c in warm if c.activity.work == "weight"] or [c for c in warm if c.activity.moves] or warm
    return [*(c for c in every if c.part != "warm-up"), *ready]


class _Weigher:
    """Weighs the offers of one activity for one request, all of them at once; what parts share is worked out once."""

    def __init__(
        self, request: SessionRequest, activity: Activity, offers: list[Offer], weights: Mapping[str, Reason]
    ) -> None:
        self.request, self.activity, self.offers, self.weights = request, activity, offers, weights
        self.shared = (freshness(activity, request), liking(activity, request.child))

    @cached_property
    def chances(self) -> Floats:
        """The chance of each offer, with all the strands it trains: the weakest decides."""
        return chances_of(self._asked, self._estimates, len(self.offers))

    def fits(self, zone: Zone) -> Floats:
        """How sure it is of each offer that a set lies in a zone."""
        result = np.zeros(len(self.offers))
        for name, asked in self._asked.items():
            levels = [e.level(name) for e in self._estimates.values()]
            result[asked.places] = zone_fit(levels, asked.rungs[asked.back], self.chances[asked.places], zone)
        return result

    @cached_property
    def _asked(self) -> dict[str, Asked]:
        return asked_by_name(self.offers, list(self._estimates), self.request.child.turn_hand)

    @cached_property
    def _estimates(self) -> dict[str, Estimate]:
        return {s: self.request.estimates[s] for s in self.activity.trains if s in self.request.estimates}

    def rated(self, part: Part) -> "_Rated":
        """The offers in a part, each aimed at the strand where its minutes are worth most."""
        strands = aims(self.activity, part, self.request)
        zone = self.request.band(part)
        count = len(self.offers) if strands else 0
        fits = self.fits(zone) if count else np.zeros(0)
        best = np.full(count, -1, dtype=int)
        at, fit = np.zeros(count, dtype=int), np.zeros(count)
        for place, strand in enumerate(strands):
            weight = self.weights[strand]
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

    @property
    def is_task(self) -> bool:
        """Whether it is a wanted task itself in the daily part: practised however far from its band."""
        w = self.weigher
        return self.part == "daily" and any(own_task(w.activity, s, w.request) for s in self.strands)

    def candidates(self, least_fit: float = 0.0, least_quality: int = 1) -> Iterator[Candidate]:
        """Those worth enough and near enough to their band; of a wanted task itself always the nearest."""
        w = self.weigher
        worth = (self.quality >= least_quality) & (self.fit >= least_fit)
        if self.is_task and len(worth) and not worth.any():
            worth = self.fit >= self.fit.max()
        alike = set()
        for i in np.flatnonzero(worth).tolist():
            offer = w.offers[i]
            key = (
                self.quality[i],
                self.at[i],
                offer.kit,
                offer.count,
                seconds_a_try(w.activity, offer.variant.grade, {}),
            )
            if key not in alike:  # grades that cost and are worth the same: the first of them
                alike.add(key)
                yield self._candidate(w, i)

    def _candidate(self, w: _Weigher, i: int) -> Candidate:
        strand, offer = self.strands[self.at[i]], w.offers[i]
        task = own_task(w.activity, strand, w.request) if self.part in ("daily", "main") else ""
        child = w.request.child
        minutes = minutes_of(self.part, task, w.request)
        dose = dose_of(w.activity, offer, w.request.pace, minutes, sparing=child.spares_hands)
        return Candidate(
            w.activity,
            self.part,
            offer,
            strand,
            offer.rungs[strand],
            float(w.chances[i]),
            float(self.fit[i]),
            max(1, int(self.quality[i])) if task else int(self.quality[i]),
            self.zone,
            (w.weights[strand], *w.shared),
            dose,
            task,
            self.part in w.request.format.target_parts,
        )
