"""Every grade of some activities weighed for one request, all at once: what a minute of each is worth in each part."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from math import prod
from types import MappingProxyType

import numpy as np
from numpy.typing import NDArray

from core.ability import WORTH_NAMING, Floats, chances_at, most_helped
from core.child import Part, Zone
from core.library import Activity, steps_of
from core.offers import Offer, by_hand, loads_hands, try_seconds
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.graded import NOWHERE, PLACE, Graded, padded, side_by_side
from core.planner.candidates.suitability import (
    DOABLE,
    OUTGROWN,
    TOO_DEMANDING,
    aims,
    minutes_of,
    on_own_ladder,
    own_task,
    plain_first,
)
from core.planner.candidates.worth import freshness, liking, nothing_missing, strand_weight, zone_fit
from core.planner.request import Reason, SessionRequest, dose_of
from core.planner.solver import QUALITY
from core.skills import STRANDS

USUALLY: Mapping[Part, float] = MappingProxyType(
    {"opener": 0.75, "warm-up": 0.65, "main": 0.6, "stretch": DOABLE, "daily": 0.6, "tidy": 0.65}
)
"""Expected success from which a block other than a wanted task has its part; project definition."""
FIT_WANTED = 0.5  # of the best fit in a part: what fits less is not looked at; project definition


class Weighed:
    """The grades of some activities, a row each, whether the home has the things or not.

    Whether things fill a row is asked only where it is near enough to its band. every: rows of grades that are too
    demanding or outgrown too
    """

    def __init__(self, request: SessionRequest, playing: Sequence[Graded], every: bool = False) -> None:
        self.request, self.playing, self.cupboard = request, playing, request.cupboard
        sizes = [len(g.variants) for g in playing]
        of = np.repeat(np.arange(len(playing)), sizes)
        within = np.concatenate([np.arange(n) for n in (0, *sizes)])
        rungs = side_by_side([g.trained for g in playing], -np.inf)
        other = np.array([o for g in playing for o in g.other], dtype=bool)
        kept = np.ones(len(of), dtype=bool) if every else self._bearable(of, rungs)
        self.of, self.within, self.rungs = of[kept], within[kept], rungs[kept]
        self.levels = self._levels(other[kept])
        self.chances = chances_at(self.levels, self.rungs)
        self._weights: dict[tuple[str, str, bool], Reason] = {}
        self._managed = nothing_missing(request)

    def _bearable(self, of: NDArray[np.int_], trained: Floats) -> NDArray[np.bool_]:
        """Which rows ask neither too much of the child nor, where others see it, far too little (a wanted task is
        never that); are in the guise of its age; and have no pattern yet where the activity is new.
        """
        request, playing = self.request, self.playing
        means = np.full(NOWHERE + 1, np.nan)
        for strand, estimate in request.estimates.items():
            means[PLACE[strand]] = estimate.mean
        demanded = side_by_side([g.demanded for g in playing], -np.inf)
        over = demanded - means[padded([g.at_demanded for g in playing], NOWHERE)][of]
        kept = ~(over > TOO_DEMANDING).any(axis=1)
        if not request.child.young_guises:
            under = means[padded([g.at_trained for g in playing], NOWHERE)][of] - trained
            seen = padded([g.seen if not self._is_wish(g.activity) else () for g in playing], 0).astype(bool)
            kept &= ~((under > OUTGROWN) & seen[of]).any(axis=1)
        ages = np.concatenate([g.ages for g in playing]) if playing else np.empty((0, 2))
        kept &= ages[:, 0] <= request.child.age_months
        if not request.child.young_guises:
            kept &= request.child.age_months < ages[:, 1]
        new = np.array([bool(plain_first(g.activity, request)) for g in playing], dtype=bool)
        pattern = np.array([p for g in playing for p in g.pattern], dtype=bool)
        return np.asarray(kept & ~(new[of] & pattern))

    def _is_wish(self, activity: Activity) -> bool:
        return any(t in activity.itself for t in self.request.tasks)

    def _levels(self, other: NDArray[np.bool_]) -> Floats:
        """Mean and sd of the child's level in the strands each row trains, (n, strands, 2), by the name its evidence
        goes under; a strand without an estimate asks nothing.
        """
        request = self.request
        hand = {"right": "left", "left": "right"}.get(request.child.turn_hand)
        levels = np.zeros((2, len(self.playing), self.rungs.shape[1], 2))
        levels[..., 1] = 1.0
        with_other = set(self.of[other].tolist())
        for at, g in enumerate(self.playing):
            for side in (0, 1) if at in with_other else (0,):
                name = by_hand(g.activity.id, hand if side else None, request.child.turn_hand)
                for place, strand in enumerate(g.activity.trains):
                    estimate = request.estimates.get(strand)
                    levels[side, at, place] = estimate.level(name) if estimate else (np.inf, 1.0)
        return np.asarray(levels[other.astype(int), self.of])

    def weight(self, at: int, strand: str) -> Reason:
        """What a minute of an activity in a strand is worth."""
        activity = self.playing[at].activity
        key = strand, activity.jobs.get(strand, ""), on_own_ladder(activity, strand, self.request)
        if key not in self._weights:
            self._weights[key] = strand_weight(strand, self.request, *key[1:])
        return self._weights[key]

    def helps(self, at: int, strand: str) -> bool:
        """Whether an activity aimed at a strand is work on the ladder of a wanted task, or the hands do in it what one
        asks and is short of; where nothing is short, what one asks.
        """
        request, activity = self.request, self.playing[at].activity
        if on_own_ladder(activity, strand, request):
            return True
        job = activity.jobs.get(strand, "")
        helped = most_helped(strand, job, request.tasks, request.estimates)
        return helped is not None and (helped.rungs > WORTH_NAMING or self._managed)

    @cached_property
    def shared(self) -> list[tuple[Reason, Reason]]:
        """What holds for an activity in every part."""
        return [(freshness(g.activity, self.request), liking(g.activity, self.request.child)) for g in self.playing]

    def rated(self, part: Part, places: Sequence[int]) -> "Rated":
        """The grades of those activities in a part, each aimed at the strand where its minutes are worth most."""
        zone = self.request.band(part)
        strands = {at: aims(self.playing[at].activity, part, self.request) for at in places}
        factors = np.full((len(self.playing), max([1, *map(len, strands.values())])), -1.0)
        for at, aimed in strands.items():
            for place, strand in enumerate(aimed):
                factors[at, place] = prod(r.factor for r in (self.weight(at, strand), *self.shared[at]))
        rows = np.flatnonzero((factors[:, 0] >= 0)[self.of])
        fits = zone_fit(self.levels[rows], self.rungs[rows], self.chances[rows], zone)
        quality = np.rint(fits[:, None] * factors[self.of[rows]] * QUALITY).astype(int)
        at = quality.argmax(axis=1)
        return Rated(self, part, zone, strands, rows, quality[np.arange(len(rows)), at], at, fits)


@dataclass(frozen=True)
class Rated:
    """Grades in one part: the worth of a minute of each, which strand it aims at, and its fit."""

    weighed: Weighed
    part: Part
    zone: Zone
    strands: Mapping[int, list[str]]
    rows: NDArray[np.int_]
    quality: NDArray[np.int_]
    at: NDArray[np.int_]
    fit: Floats

    def near(self) -> Iterator[tuple[int, Candidate]]:
        """Those near enough to their band, where the things are here and a set is no longer than a block, with the
        place of their activity; of a wanted task always the nearest.
        """
        w = self.weighed
        of, chances = w.of[self.rows], w.chances[self.rows]
        tasks = [at for at in self.strands if self._is_task(at) or self._is_main_wish(at)]
        asked = self.part == "daily" and w.request.task in w.request.tasks  # for this very wish: then with help
        least = w.request.format.unaided or (0.0 if asked else DOABLE)
        own = np.isin(of, tasks) & (chances >= least)
        worth = (self.quality >= 1) & (self._near_enough(chances) | own)
        for at in tasks:
            mine = [i for i in np.flatnonzero((of == at) & (chances >= least)).tolist() if self._is_filled(i)]
            if mine and not worth[mine].any():
                worth[mine] = self.fit[mine] >= self.fit[mine].max()
        return ((at, c) for at, c in self._each(worth) if c.dose.fits)

    def whatever(self) -> Iterator[Candidate]:
        """All of them, however little they are worth."""
        return (c for _, c in self._each(np.ones(len(self.rows), dtype=bool)))

    def _near_enough(self, chances: Floats) -> NDArray[np.bool_]:
        """Which rows fit about as well as the best of their purpose, and come off often enough for their part; less
        often where nothing of their purpose does, but for tidying, which can do without.
        """
        unaided, any_strand = self.weighed.request.format.unaided, self.weighed.request.format.any_strand
        usual = chances >= (unaided or (DOABLE if any_strand else USUALLY[self.part]))
        near = np.zeros(len(self.rows), dtype=bool)
        for mine in self._by_purpose():
            by_fit = mine[np.argsort(-self.fit[mine], kind="stable")].tolist()
            best = next((float(self.fit[i]) for i in by_fit if self._is_filled(i)), 0.0)
            close = mine[self.fit[mine] >= FIT_WANTED * best]
            sure = close[usual[close]]
            only = unaided or self.part == "tidy" or any(map(self._is_filled, sure.tolist()))
            near[sure if only else close[chances[close] >= DOABLE]] = True
        return near

    def _by_purpose(self) -> list[NDArray[np.int_]]:
        """The rows of each target, those for a wanted task apart; all together where any target will do."""
        w = self.weighed
        if self.part not in w.request.format.target_parts:
            return [np.arange(len(self.rows))]
        purposes: dict[tuple[str, bool], int] = {}
        codes = np.zeros((len(w.playing), max([1, *map(len, self.strands.values())])), dtype=int)
        for at, aimed in self.strands.items():
            for place, strand in enumerate(aimed):
                purpose = STRANDS[strand].target, w.helps(at, strand)
                codes[at, place] = purposes.setdefault(purpose, len(purposes))
        mine = codes[w.of[self.rows], self.at]
        return [np.flatnonzero(mine == code) for code in purposes.values()]

    def _is_filled(self, i: int) -> bool:
        w, row = self.weighed, self.rows[i]
        return w.cupboard.filling(w.playing[w.of[row]].asks[w.within[row]]) is not None

    def _is_task(self, at: int) -> bool:
        """Whether it is a wanted task itself in the daily part: its nearest grade is there, however easy."""
        w = self.weighed
        return self.part == "daily" and any(own_task(w.playing[at].activity, s, w.request) for s in self.strands[at])

    def _is_main_wish(self, at: int) -> bool:
        """Whether it is a wanted task itself as main work: its nearest grade is there, however easy."""
        w = self.weighed
        return self.part == "main" and w._is_wish(w.playing[at].activity)

    def _each(self, worth: NDArray[np.bool_]) -> Iterator[tuple[int, Candidate]]:
        """Those chosen, of grades that cost and are worth the same the first."""
        w = self.weighed
        alike = set()
        chosen = np.flatnonzero(worth)
        rows = self.rows[chosen]
        each = (chosen, w.of[rows], w.within[rows], self.quality[chosen], self.at[chosen])
        for i, at, grade, quality, strand in zip(*(a.tolist() for a in each), strict=True):
            g = w.playing[at]
            filling = w.cupboard.filling(g.asks[grade])
            if filling is None:
                continue
            variant = g.variants[grade]
            seconds, loads = try_seconds(g.activity, variant.grade), loads_hands(g.activity, variant.grade)
            key = (at, quality, strand, filling.kit, filling.count, seconds, loads)
            if key not in alike:
                alike.add(key)
                yield at, self._candidate(i, at, w.cupboard.offered(variant))

    def _candidate(self, i: int, at: int, offer: Offer) -> Candidate:
        w = self.weighed
        activity, request = w.playing[at].activity, w.request
        strand = self.strands[at][self.at[i]]
        task = own_task(activity, strand, request) if self.part in ("daily", "main") else ""
        if self.part == "main" and not steps_of(activity, offer.variant.grade, task):
            task = ""  # main work on its ladder, as on any other
        minutes = minutes_of(self.part, task, request)
        sparing = request.child.spares_hands and loads_hands(activity, offer.variant.grade)
        return Candidate(
            activity,
            self.part,
            offer,
            strand,
            offer.rungs[strand],
            float(w.chances[self.rows[i]]),
            float(self.fit[i]),
            max(1, int(self.quality[i])) if task else int(self.quality[i]),
            self.zone,
            (w.weight(at, strand), *w.shared[at]),
            dose_of(activity, offer, request.pace, minutes, sparing),
            task,
            helps=bool(task) or w.helps(at, strand),
            on_target=self.part in request.format.target_parts
            or (self.part == "daily" and STRANDS[strand].target == "daily"),
        )
