"""What a day's sets change in what is believed of a child.

A day's sets are taken in activity by activity: the likelihood is worked out exactly on a fixed grid of rungs, and what
it says is handed back to rung, offset and the day's own swing in proportion to their share of the
doubt (assumed-density filtering; Opper 1998).

A set tells of every strand its activity trains, each at the rung the grade asks in it. A try goes as the strand that
is furthest below what is asked lets it (the weakest decides), so a success lifts all of them and a failure is put
down mostly to the one likeliest to be short: the same tries are never counted twice.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace
from datetime import date
from functools import reduce
from typing import overload

import numpy as np

from core.ability.estimate import (
    AT_RUNG,
    DAY_SD,
    FEW_NODES,
    FEW_WEIGHTS,
    LOG_ODDS_PER_RUNG,
    OFFSET_SD,
    Estimate,
    Floats,
    SetEvidence,
    as_rows,
    covariance_of,
    odds_curve,
    on_day,
)
from core.recording import SUPPORTS, lift

JOINT_SHARE = 0.6  # of the doubt a set of several strands would take away that it does; by core/tests/test_ranks.py

_GRIDS = (np.linspace(-6.0, 6.0, 481), np.linspace(-5.0, 5.0, 61), np.linspace(-5.0, 5.0, 31))
"""Spreads of the belief around its mean, for one, two, and three or more strands at once."""


@overload
def update(estimates: Estimate, sets: Iterable[SetEvidence], on: date) -> Estimate: ...
@overload
def update(estimates: Mapping[str, Estimate], sets: Iterable[SetEvidence], on: date) -> dict[str, Estimate]: ...
def update(
    estimates: Estimate | Mapping[str, Estimate], sets: Iterable[SetEvidence], on: date
) -> Estimate | dict[str, Estimate]:
    """Return the estimate after one day's sets of one strand; or, given estimates by strand, all of them after one
    day's sets, each at the rungs it asks.

    Hand-over-hand sets change nothing. Sets of one activity are taken together, activities in name order,
    so the order in which sets arrive does not matter.
    Limits: assumes one day's sets share one good or bad day in a strand, and that strands are good or bad days apart;
    what two strands of one set say of each other is dropped once the set is taken in, and a share of the doubt is kept
    in its place.
    """
    result = [s for s in sets if SUPPORTS[s.support].informative and s.tries]
    if isinstance(estimates, Estimate):
        one = update({"": estimates}, [replace(s, rungs={"": s.difficulty}) for s in result], on)
        return one[""]
    by_activity: dict[str, list[SetEvidence]] = {}
    for s in result:
        by_activity.setdefault(s.activity_id, []).append(s)
    touched: dict[str, dict[str, int]] = {}  # strand: tries by activity
    for activity, mine in by_activity.items():
        for strand in {st for s in mine for st in s.rungs if st in estimates}:
            touched.setdefault(strand, {})[activity] = sum(s.tries for s in mine if strand in s.rungs)
    states = {st: _State.of(on_day(estimates[st], on), sorted(by)) for st, by in touched.items()}
    for activity in sorted(by_activity):
        _take_in(states, activity, by_activity[activity])
    changed = {st: s.estimate(on, estimates[st].tries + sum(touched[st].values())) for st, s in states.items()}
    return {**estimates, **changed}


def _take_in(states: Mapping[str, "_State"], activity: str, sets: Sequence[SetEvidence]) -> None:
    """Take one activity's sets of a day into the strands they ask something of; those asking of the same strands
    together.
    """
    by_strands: dict[tuple[str, ...], list[SetEvidence]] = {}
    for s in sets:
        by_strands.setdefault(tuple(sorted(st for st in s.rungs if st in states)), []).append(s)
    for strands, mine in sorted(by_strands.items()):
        if strands:
            levels = [states[st].level(activity) for st in strands]
            told = _told_together([[s.rungs[st] for st in strands] for s in mine], mine, levels)
            for strand, (mean, variance) in zip(strands, told, strict=True):
                states[strand].move(activity, mean, variance)


def level_today(estimate: Estimate, sets: Iterable[SetEvidence], on: date, activity_id: str) -> tuple[float, float]:
    """Return (mean, sd), in rungs, of what the child can do today at one activity, after today's sets so far.

    Unlike an estimate it counts the day's own swing: what a good or a bad day has shown already.
    """
    result = [s for s in sets if SUPPORTS[s.support].informative and s.tries]
    state = _State.of(on_day(estimate, on), sorted({activity_id, *(s.activity_id for s in result)}))
    for done in sorted({s.activity_id for s in result}):
        _take_in({"": state}, done, [replace(s, rungs={"": s.difficulty}) for s in result if s.activity_id == done])
    return state.level(activity_id)


class DaySoFar:
    """A day's sets taken in one after the other, the day's own swing carried along: for what one more set would tell.

    The belief kept after the day comes from `update`, which takes all its sets at once.
    """

    def __init__(self, estimates: Mapping[str, Estimate], done: Iterable[SetEvidence], on: date) -> None:
        self._states = {strand: _State.of(on_day(e, on), ()) for strand, e in estimates.items()}
        for s in done:
            if SUPPORTS[s.support].informative and s.tries:
                self._take(s)

    def sd(self, strand: str) -> float:
        """The doubt about a strand's rung, in rungs, the day's swing and the activities' offsets taken out."""
        return self._states[strand].rung_sd

    def chances(self, activity_id: str, rungs: Mapping[str, float]) -> tuple[Floats, Floats]:
        """Return (chances, weights), each (n,), of success alone today on work that asks these rungs: the spread of
        what is believed, the weakest strand deciding.
        """
        gaps, weights = [], np.ones(())
        levels = [(self._with(st, activity_id).level(activity_id), rung) for st, rung in rungs.items()]
        for i, ((mean, sd), rung) in enumerate(levels):
            shape = (1,) * i + (-1,) + (1,) * (len(levels) - 1 - i)
            gaps.append((mean - rung + sd * FEW_NODES).reshape(shape))
            weights = weights * FEW_WEIGHTS.reshape(shape)
        return odds_curve(reduce(np.minimum, gaps)).ravel(), weights.ravel()

    def sd_after(self, one: SetEvidence) -> dict[str, float]:
        """The doubt of each strand a set asks of, in rungs, were it to go as given."""
        states = {st: self._with(st, one.activity_id) for st in one.rungs if st in self._states}
        _take_in(states, one.activity_id, [one])
        return {st: s.rung_sd for st, s in states.items()}

    def _take(self, one: SetEvidence) -> None:
        states = {st: self._with(st, one.activity_id) for st in one.rungs if st in self._states}
        _take_in(states, one.activity_id, [one])
        self._states.update(states)

    def _with(self, strand: str, activity_id: str) -> "_State":
        return self._states[strand].with_activity(activity_id)


class _State:
    """Mean and covariance of (rung, activity offsets..., gain, the day's swing) while one day is added."""

    def __init__(self, activities: tuple[str, ...], mean: Floats, cov: Floats) -> None:
        self.activities, self.mean, self.cov = activities, mean, cov

    @classmethod
    def of(cls, estimate: Estimate, today: Iterable[str]) -> "_State":
        new = [f for f in today if f not in estimate.activities]
        activities = (*estimate.activities, *new)
        size, known = len(activities) + 3, len(estimate.activities) + 1
        places = [*range(known), size - 2]
        mean, cov = np.zeros(size), np.zeros((size, size))
        mean[places] = (estimate.mean, *estimate.offsets, estimate.gain)
        cov[np.ix_(places, places)] = covariance_of(estimate)
        for at in range(known, size - 2):
            cov[at, at] = OFFSET_SD**2
        cov[-1, -1] = DAY_SD**2
        return cls(activities, mean, cov)

    def with_activity(self, activity_id: str) -> "_State":
        """A copy that knows an activity, too."""
        if activity_id in self.activities:
            return _State(self.activities, self.mean, self.cov)
        at = len(self.activities) + 1
        mean = np.insert(self.mean, at, 0.0)
        cov = np.insert(np.insert(self.cov, at, 0.0, axis=0), at, 0.0, axis=1)
        cov[at, at] = OFFSET_SD**2
        return _State((*self.activities, activity_id), mean, cov)

    @property
    def rung_sd(self) -> float:
        """The doubt about the rung itself."""
        return float(np.sqrt(self.cov[0, 0]))

    def level(self, activity_id: str) -> tuple[float, float]:
        """Mean and sd of today's level at one activity."""
        reach = self._reach(activity_id)
        return float(reach @ self.mean), float(np.sqrt(reach @ self.cov @ reach))

    def _reach(self, activity_id: str) -> Floats:
        reach = np.zeros(len(self.mean))
        reach[[0, self.activities.index(activity_id) + 1, -1]] = 1.0
        return reach

    def move(self, activity_id: str, new_mean: float, new_variance: float) -> None:
        """Hand what was told of the level at one activity back to rung, offset, gain and the day's swing."""
        reach = self._reach(activity_id)
        mean, variance = float(reach @ self.mean), float(reach @ self.cov @ reach)
        gain = self.cov @ reach / variance
        self.mean = self.mean + gain * (new_mean - mean)
        self.cov = self.cov - np.outer(gain, gain) * (variance - new_variance)

    def estimate(self, on: date, tries: int) -> Estimate:
        cov = self.cov[:-1, :-1]
        return Estimate(
            float(self.mean[0]),
            float(np.sqrt(cov[0, 0])),
            on,
            self.activities,
            tuple(float(o) for o in self.mean[1:-2]),
            as_rows(cov),
            tries,
            float(self.mean[-2]),
        )


def _told_together(
    asked: Sequence[Sequence[float]], sets: Sequence[SetEvidence], levels: Sequence[tuple[float, float]]
) -> list[tuple[float, float]]:
    """Mean and variance of each strand's level after the sets, worked out on a grid of all of them at once.

    asked  -- for each set, the rung it asks in each strand
    levels -- (mean, sd) of each strand's level before
    """
    grid = _GRIDS[min(len(levels), len(_GRIDS)) - 1]
    shape = [(1,) * i + (-1,) + (1,) * (len(levels) - 1 - i) for i in range(len(levels))]
    axes = [(mean + sd * grid).reshape(s) for (mean, sd), s in zip(levels, shape, strict=True)]
    log_weight = sum(((-0.5 * grid**2).reshape(s) for s in shape), np.zeros(()))
    for s, rungs in zip(sets, asked, strict=True):
        gap = reduce(np.minimum, [axis - rung for axis, rung in zip(axes, rungs, strict=True)])
        logit = LOG_ODDS_PER_RUNG * (gap + lift(s.support)) + AT_RUNG
        log_weight = log_weight + s.successes * logit - s.tries * np.logaddexp(0, logit)
    weight = np.exp(log_weight - log_weight.max())
    weight /= weight.sum()
    told = []
    for i, axis in enumerate(axes):
        own, values = weight.sum(axis=tuple(j for j in range(len(axes)) if j != i)), axis.ravel()
        middle = float(own @ values)
        variance = float(own @ (values - middle) ** 2)
        before = levels[i][1] ** 2
        told.append((middle, before - JOINT_SHARE * (before - variance) if len(axes) > 1 else variance))
    return told
