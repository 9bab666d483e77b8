"""What a day's sets change in what is believed of a child.

A day's sets are taken in by expectation propagation (Minka 2001): what each set says of the level at its activity is
worked out exactly on a fixed grid, and handed back to rung, offset, reliance on help and the day's own swing in
proportion to their share of the doubt; then each set is looked at once more in the light of the others, until nothing
moves. So the order of sets and of names does not count.

A set tells of every strand its activity trains, each at the rung the grade asks in it. A try goes as the strand that
is furthest below what is asked lets it (the weakest decides), so a success lifts all of them and a failure is put
down mostly to the one likeliest to be short: the same tries are never counted twice.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from functools import reduce
from typing import overload

import numpy as np
from scipy.special import ndtr

from core.ability.estimate import (
    DAY_SD,
    FEW_NODES,
    FEW_WEIGHTS,
    LOWEST,
    Estimate,
    Floats,
    SetEvidence,
    as_rows,
    covariance_of,
    odds_curve,
    offset_sd,
    on_day,
    with_slips,
)
from core.recording import SUPPORTS, Learned, SupportLevel

JOINT_SHARE = 0.5  # of the doubt a set of several strands would take away that it does; by core/tests/test_ranks.py
MOST_SWEEPS = 12  # through a day's sets; they nearly always settle within four
SETTLED = 2e-2  # rungs that the last sweep moved a level by, at the most
LEAST_LEFT = 1e-3  # of the doubt about a level that one set leaves at the least

_ONE = np.linspace(-5.0, 5.0, 61)  # spreads of the belief around its mean
_ONE_WEIGHT = np.exp(-0.5 * _ONE**2)
_SPREADS, _STEPS = 5.0, 129  # the grid of several strands at once
_UNIT = np.linspace(0.0, 1.0, _STEPS)


@overload
def update(estimates: Estimate, sets: Iterable[SetEvidence], on: date) -> Estimate: ...
@overload
def update(estimates: Mapping[str, Estimate], sets: Iterable[SetEvidence], on: date) -> dict[str, Estimate]: ...
def update(
    estimates: Estimate | Mapping[str, Estimate], sets: Iterable[SetEvidence], on: date
) -> Estimate | dict[str, Estimate]:
    """Return the estimate after one day's sets of one strand; or, given estimates by strand, all of them after one
    day's sets, each at the rungs it asks.

    Hand-over-hand sets change nothing. The order in which sets arrive does not matter, nor do the names of activities.
    Raises ValueError for a day before the estimate's last: work it out again from its start, day by day.
    Limits: assumes one day's sets share one good or bad day in a strand, and that strands are good or bad days apart;
    what two strands of one set say of each other is dropped once the set is taken in, and a share of the doubt is kept
    in its place.
    """
    result = [s for s in sets if SUPPORTS[s.support].informative and s.tries]
    if isinstance(estimates, Estimate):
        one = update({"": estimates}, [replace(s, rungs={"": s.difficulty}) for s in result], on)
        return one[""]
    tries: dict[str, int] = {}
    for s in result:
        for strand in s.rungs.keys() & estimates.keys():
            tries[strand] = tries.get(strand, 0) + s.tries
    for strand in tries:
        _check_day(estimates[strand], on)
    states = {st: _State.of(on_day(estimates[st], on)) for st in tries}
    _take_in(states, result)
    changed = {st: s.estimate(on, estimates[st], tries[st]) for st, s in states.items()}
    return {**estimates, **changed}


def _check_day(estimate: Estimate, on: date) -> None:
    if estimate.as_of is not None and on < estimate.as_of:
        raise ValueError(
            f"The estimate knows {estimate.as_of} already; {on} is before it. Work it out again from its start."
        )


def level_today(estimate: Estimate, sets: Iterable[SetEvidence], on: date, activity_id: str) -> tuple[float, float]:
    """Return (mean, sd), in rungs, of what the child can do today at one activity, after today's sets so far.

    Unlike an estimate it counts the day's own swing: what a good or a bad day has shown already.
    """
    result = [replace(s, rungs={"": s.difficulty}) for s in sets if SUPPORTS[s.support].informative and s.tries]
    state = _State.of(on_day(estimate, on)).with_activity(activity_id)
    _take_in({"": state}, result)
    return state.level(activity_id)


class DaySoFar:
    """A day's sets taken in one after the other, the day's own swing carried along: for what one more set would tell.

    The belief kept after the day comes from `update`, which takes all its sets at once.
    """

    def __init__(self, estimates: Mapping[str, Estimate], done: Iterable[SetEvidence], on: date) -> None:
        self._states = {strand: _State.of(on_day(e, on)) for strand, e in estimates.items()}
        _take_in(self._states, [s for s in done if SUPPORTS[s.support].informative and s.tries])

    def sd(self, strand: str) -> float:
        """The doubt about a strand's rung, in rungs, the day's swing and the activities' offsets taken out."""
        return self._states[strand].rung_sd

    def level(self, strand: str, activity_id: str) -> tuple[float, float]:
        """Return (mean, sd), in rungs, of what the child can do today at one activity in a strand."""
        return self._with(strand, activity_id).level(activity_id)

    def chances(self, activity_id: str, rungs: Mapping[str, float]) -> tuple[Floats, Floats]:
        """Return (chances, weights), each (n,), of success alone today on work that asks these rungs: the spread of
        what is believed, the weakest strand deciding.
        """
        gaps, weights = [], np.ones(())
        levels = [(self.level(st, activity_id), rung) for st, rung in rungs.items()]
        for i, ((mean, sd), rung) in enumerate(levels):
            shape = (1,) * i + (-1,) + (1,) * (len(levels) - 1 - i)
            gaps.append((mean - rung + sd * FEW_NODES).reshape(shape))
            weights = weights * FEW_WEIGHTS.reshape(shape)
        return with_slips(odds_curve(reduce(np.minimum, gaps)).ravel()), weights.ravel()

    def sd_after(self, one: SetEvidence) -> dict[str, float]:
        """The doubt of each strand a set asks of, in rungs, were it to go as given."""
        states = {st: self._with(st, one.activity_id) for st in one.rungs if st in self._states}
        _take_in(states, [one])
        return {st: s.rung_sd for st, s in states.items()}

    def _with(self, strand: str, activity_id: str) -> "_State":
        return self._states[strand].copy().with_activity(activity_id)


@dataclass(frozen=True)
class _Site:
    """All tries of one day at the same work with the same help: what they say of a level."""

    activity_id: str
    support: SupportLevel
    rungs: tuple[tuple[str, float], ...]

    @property
    def strands(self) -> tuple[str, ...]:
        return tuple(strand for strand, _ in self.rungs)


def _take_in(states: Mapping[str, "_State"], sets: Iterable[SetEvidence]) -> None:
    """Take a day's sets into the strands they ask something of, again and again until nothing moves."""
    counts: dict[_Site, list[int]] = {}
    for s in sets:
        rungs = tuple(sorted((st, rung) for st, rung in s.rungs.items() if st in states))
        if rungs:
            count = counts.setdefault(_Site(s.activity_id, s.support, rungs), [0, 0])
            count[0], count[1] = count[0] + s.successes, count[1] + s.tries
    counts = dict(sorted(counts.items(), key=lambda c: (c[0].activity_id, c[0].support, c[0].rungs)))
    for site in counts:
        for strand in site.strands:
            states[strand].with_activity(site.activity_id)
    said: dict[_Site, list[tuple[float, float]]] = {site: [(0.0, 0.0)] * len(site.rungs) for site in counts}
    for _ in range(MOST_SWEEPS if len(counts) > 1 else 1):
        furthest = 0.0
        for site, (won, tries) in counts.items():
            furthest = max(furthest, _look_again(states, site, won, tries, said[site]))
        if furthest < SETTLED:
            return


def _look_again(
    states: Mapping[str, "_State"], site: _Site, won: int, tries: int, said: list[tuple[float, float]]
) -> float:
    """Work out what a site says in the light of all the others, in place of what it said before; return how far a level
    moved. said -- for each strand, precision and precision times mean of what it said.
    """
    before, without = [], []
    for strand, (precision, weighted) in zip(site.strands, said, strict=True):
        mean, sd = states[strand].level(site.activity_id, site.support)
        left = max(1 / sd**2 - precision, LEAST_LEFT / sd**2)
        before.append(mean)
        without.append(((mean / sd**2 - weighted) / left, left**-0.5))
    told = _told(without, [rung for _, rung in site.rungs], won, tries)
    furthest = 0.0
    for at, (strand, (mean, variance)) in enumerate(zip(site.strands, told, strict=True)):
        own_mean, own_sd = without[at]
        said[at] = (1 / variance - 1 / own_sd**2, mean / variance - own_mean / own_sd**2)
        states[strand].move(site.activity_id, site.support, mean, variance)
        furthest = max(furthest, abs(mean - before[at]))
    return furthest


def _told(
    levels: Sequence[tuple[float, float]], asked: Sequence[float], won: int, tries: int
) -> list[tuple[float, float]]:
    """Mean and variance of each strand's level after tries that went as the weakest of them let them.

    levels -- (mean, sd) of each strand's level before; asked -- the rung asked in each
    """
    if len(levels) == 1:
        (mean, sd), rung = levels[0], asked[0]
        values = mean + sd * _ONE
        return [_moments(values, _ONE_WEIGHT * _likelihood(values - rung, won, tries), sd)]
    gaps = np.array([mean - rung for (mean, _), rung in zip(levels, asked, strict=True)])
    sds = np.array([sd for _, sd in levels])
    lowest, highest = float((gaps - _SPREADS * sds).min()), float((gaps + _SPREADS * sds).max())
    grid = lowest + (highest - lowest) * _UNIT
    away = (grid - gaps[:, None]) / sds[:, None]
    density, above = np.exp(-0.5 * away**2), ndtr(-away)
    likely = _likelihood(grid, won, tries)
    middle = (likely[1:] + likely[:-1]) / 2
    told = []
    for i, ((_, sd), rung) in enumerate(zip(levels, asked, strict=True)):
        stronger = reduce(np.multiply, [row for j, row in enumerate(above) if j != i])  # no other strand is weaker
        weaker = np.empty(_STEPS)  # what the weakest of the others makes of the tries, summed up to each point
        weaker[0] = (1 - stronger[0]) * likely[0]
        weaker[1:] = (stronger[:-1] - stronger[1:]) * middle
        after, variance = _moments(grid + rung, density[i] * (likely * stronger + weaker.cumsum()), sd)
        told.append((after, sd**2 - JOINT_SHARE * (sd**2 - variance)))
    return told


def _likelihood(gap: Floats, won: int, tries: int) -> Floats:
    chances = with_slips(odds_curve(gap))
    log_likely = won * np.log(chances) + (tries - won) * np.log1p(-chances)
    return np.asarray(np.exp(log_likely - log_likely.max()))


def _moments(values: Floats, weight: Floats, sd: float) -> tuple[float, float]:
    """Mean and variance of a belief on a grid; never wider than before, since slips may make evidence contradict."""
    weight = weight / weight.sum()
    mean = float(weight @ values)
    variance = float(weight @ (values - mean) ** 2)
    return mean, min(variance, sd**2 * (1 - LEAST_LEFT))


class _State:
    """Mean and covariance of (rung, activity offsets..., gain, reliance, the day's swing) while one day is added."""

    def __init__(self, activities: tuple[str, ...], mean: Floats, cov: Floats, learned: Learned) -> None:
        self.activities, self.mean, self.cov, self.learned = activities, mean, cov, learned
        self._reaches: dict[tuple[str, SupportLevel], Floats] = {}

    @classmethod
    def of(cls, estimate: Estimate) -> "_State":
        mean = np.array([estimate.mean, *estimate.offsets, estimate.gain, estimate.reliance, 0.0])
        cov = np.zeros((len(mean), len(mean)))
        cov[:-1, :-1] = covariance_of(estimate)
        cov[-1, -1] = DAY_SD**2
        return cls(estimate.activities, mean, cov, estimate.learned)

    def copy(self) -> "_State":
        return _State(self.activities, self.mean, self.cov, self.learned)

    def with_activity(self, activity_id: str) -> "_State":
        """The same, knowing an activity, too."""
        if activity_id not in self.activities:
            at = len(self.activities) + 1
            self.mean = np.insert(self.mean, at, 0.0)
            self.cov = np.insert(np.insert(self.cov, at, 0.0, axis=0), at, 0.0, axis=1)
            self.cov[at, at] = offset_sd(activity_id, self.learned) ** 2
            self.activities = (*self.activities, activity_id)
            self._reaches = {}
        return self

    @property
    def rung_sd(self) -> float:
        """The doubt about the rung itself."""
        return float(np.sqrt(self.cov[0, 0]))

    def level(self, activity_id: str, support: SupportLevel = "alone") -> tuple[float, float]:
        """Mean and sd of today's level at one activity with some help."""
        reach = self._reach(activity_id, support)
        return float(reach @ self.mean) + self.learned.lift(support), float(np.sqrt(reach @ self.cov @ reach))

    def _reach(self, activity_id: str, support: SupportLevel) -> Floats:
        """How much each of what is unknown counts for the level at one activity with some help."""
        known = self._reaches.get((activity_id, support))
        if known is None:
            known = np.zeros(len(self.mean))
            known[[0, self.activities.index(activity_id) + 1, -1]] = 1.0
            known[-2] = self.learned.lift(support)
            self._reaches[activity_id, support] = known
        return known

    def move(self, activity_id: str, support: SupportLevel, new_mean: float, new_variance: float) -> None:
        """Hand what was told of the level at one activity back to rung, offset, gain, reliance and the day's swing."""
        reach = self._reach(activity_id, support)
        towards = self.cov @ reach
        variance = float(reach @ towards)
        gain = towards / variance
        self.mean = self.mean + gain * (new_mean - self.learned.lift(support) - float(reach @ self.mean))
        self.cov = self.cov - gain[:, None] * (gain * (variance - new_variance))

    def estimate(self, on: date, before: Estimate, tries: int) -> Estimate:
        cov = self.cov[:-1, :-1]
        return replace(
            before,
            mean=float(np.clip(self.mean[0], LOWEST, before.highest)),
            sd=float(np.sqrt(cov[0, 0])),
            as_of=on,
            activities=self.activities,
            offsets=tuple(float(o) for o in self.mean[1:-3]),
            cov=as_rows(cov),
            tries=before.tries + tries,
            gain=float(self.mean[-3]),
            carried=None,
            reliance=float(self.mean[-2]),
        )
