"""The whole likelihood: every set of one child or of many at once, with what stays and what moves.

The estimate goes on day by day and looks back no further than it must. Here everything is unknown at the same time: the
child's rung on every day, the day's swing, each activity's offset, reliance on help, the pace, and, where asked, what
is common to all children. The most likely values are found by Fisher scoring on a sparse system, and their doubt from
the curvature there (Laplace; a penalised logistic regression with random effects, as in de Boeck & Wilson 2004).

Where a set asks of several strands, the weakest decides; strands as good as equally weak decide together.
"""

from collections.abc import Hashable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from functools import cached_property
from types import MappingProxyType

import numpy as np
from numpy.typing import NDArray
from scipy.sparse import coo_matrix, csc_matrix, csr_matrix
from scipy.sparse.linalg import SuperLU, splu

from core.ability.estimate import (
    DAY_SD,
    DRIFT_SD_PER_WEEK,
    GAIN_WEEKS,
    HELP_SD,
    LOG_ODDS_PER_RUNG,
    OFFSET_SD,
    SLIP,
    Estimate,
    Floats,
    SetEvidence,
    odds_curve,
    offset_sd,
    with_slips,
)
from core.recording import SUPPORTS

MOST_ROUNDS = 100
SETTLED = 1e-4  # by how much the last round raised the log of the posterior, at the most
LONGEST_STEP = 3.0  # rungs a round may move anything by
SHORTEST = 2.0**-12  # of a step that makes nothing better, before it is given up
TOGETHER = 0.05  # rungs: strands whose gaps differ by no more decide together
SAME_DAY = 1 / 7  # weeks: two days in a row are this far apart at the least

Name = Hashable


@dataclass(frozen=True)
class Common:
    """Something common to many children: its name, and by how much it may be from 0, in rungs. Each unit of it makes
    work a rung harder.
    """

    name: Name
    sd: float


@dataclass(frozen=True)
class FitDay:
    """One child's sets of one day. common: for each set and strand, the names of what is common that bear on it."""

    on: date
    sets: Sequence[SetEvidence]
    common: Sequence[Mapping[str, Sequence[Name]]] = ()


@dataclass(frozen=True)
class Gain:
    """What is believed before of how a child's rung moves: the pace and its doubt, in rungs a week, and how far it
    strays from an even pace, in rungs a square-root week.
    """

    mean: float
    sd: float
    drift: float = DRIFT_SD_PER_WEEK


@dataclass
class _Rows:
    """What is known before, as rows of a sparse system: (row, column, value), with a mean and a spread for each row."""

    columns: list[list[int]] = field(default_factory=list)
    values: list[list[float]] = field(default_factory=list)
    means: list[float] = field(default_factory=list)
    sds: list[float] = field(default_factory=list)

    def add(self, columns: list[int], values: list[float], mean: float, sd: float) -> None:
        self.columns.append(columns)
        self.values.append(values)
        self.means.append(mean)
        self.sds.append(sd)

    def matrix(self, width: int) -> csc_matrix:
        rows = np.repeat(np.arange(len(self.columns)), [len(c) for c in self.columns])
        flat = np.concatenate([np.array(v, dtype=float) for v in self.values])
        at = np.concatenate([np.array(c, dtype=int) for c in self.columns])
        return coo_matrix((flat, (rows, at)), shape=(len(self.columns), width)).tocsc()


class JointFit:
    """Everything unknown about some children, and how it was found out. Add the children, then `solve`."""

    def __init__(self, common: Iterable[Common] = ()) -> None:
        self._common: list[Name] = []
        self._at: dict[Name, int] = {}
        self._prior = _Rows()
        self._sets = _Rows()
        self._tries: list[tuple[int, int]] = []
        self._of_set: list[int] = []
        for c in common:
            self._common.append(c.name)
            self._prior.add([self._new(c.name)], [1.0], 0.0, c.sd)

    def add_child(self, child: Name, starts: Mapping[str, Estimate], days: Iterable[FitDay], gain: Gain) -> None:
        """Take in one child's days, oldest first.

        starts -- the first guess of each strand; what was seen of it before its own day says nothing any more
        """
        last: dict[str, date] = {}
        for day in days:
            counted = {st: e for st, e in starts.items() if e.counts(day.on)}
            informative = [
                (s, day.common[i] if day.common else {})
                for i, s in enumerate(day.sets)
                if SUPPORTS[s.support].informative and s.tries
            ]
            for strand in sorted({st for s, _ in informative for st in s.rungs if st in counted}):
                self._move_on(child, strand, counted[strand], last, day.on, gain)
            for s, common in informative:
                self._add_set(child, counted, s, day.on, common)

    def _move_on(self, child: Name, strand: str, start: Estimate, last: dict[str, date], on: date, gain: Gain) -> None:
        here = self._new(("rung", child, strand, on))
        self._prior.add([self._new(("day", child, strand, on))], [1.0], 0.0, DAY_SD)
        if strand not in last:
            self._prior.add([self._new(("pace", child, strand))], [1.0], gain.mean, gain.sd)
            self._prior.add([self._new(("reliance", child, strand))], [1.0], 0.0, HELP_SD)
            self._prior.add([here], [1.0], start.mean, start.sd)
        else:
            weeks = max((on - last[strand]).days / 7, SAME_DAY)
            before, gained = self._at["rung", child, strand, last[strand]], self._at["pace", child, strand]
            drift = gain.drift * weeks**0.5
            self._prior.add([here, before, gained], [1.0, -1.0, -min(weeks, GAIN_WEEKS)], 0.0, drift)
        last[strand] = on

    def _add_set(
        self,
        child: Name,
        starts: Mapping[str, Estimate],
        s: SetEvidence,
        on: date,
        common: Mapping[str, Sequence[Name]],
    ) -> None:
        rungs = sorted((st, rung) for st, rung in s.rungs.items() if st in starts)
        if not rungs:
            return
        for strand, rung in rungs:
            helped = starts[strand].learned.lift(s.support)
            offset = ("offset", child, strand, s.activity_id)
            if offset not in self._at:
                is_common = any(isinstance(name, tuple) and name[0] == "base" for name in common.get(strand, ()))
                sd = OFFSET_SD if is_common else offset_sd(s.activity_id, starts[strand].learned)
                self._prior.add([self._new(offset)], [1.0], 0.0, sd)
            names: list[tuple[Name, float]] = [
                (("rung", child, strand, on), 1.0),
                (("day", child, strand, on), 1.0),
                (offset, 1.0),
            ]
            if helped:
                names.append((("reliance", child, strand), helped))
            names += [(name, -1.0) for name in common.get(strand, ())]
            columns = [self._at[name] for name, _ in names]
            self._sets.add(columns, [value for _, value in names], rung - helped, 1.0)
            self._of_set.append(len(self._tries))
        self._tries.append((s.successes, s.tries))

    def _new(self, name: Name) -> int:
        return self._at.setdefault(name, len(self._at))

    def solve(self, sds: Mapping[Name, float] = MappingProxyType({}), near: "Found | None" = None) -> "Found":
        """Return the most likely values of everything, with their doubt. Raises ValueError where no set tells anything.

        sds  -- other spreads of what is common, by name; near -- values found before with others, to begin from
        Source: Fisher scoring, each step shortened until it makes nothing worse (backtracking; Nocedal & Wright 2006,
        ch. 3); checked against scipy.optimize and girth in core/tests/test_joint_fit.py.
        """
        if not self._tries:
            raise ValueError("No set tells anything. Add a child with at least one try alone or with help.")
        prior, asked = self._matrices
        spreads = np.array([*(sds.get(c, self._prior.sds[i]) for i, c in enumerate(self._common)), *self._rest_sds])
        means, weights = np.array(self._prior.means), spreads**-2
        won, tries = (np.array(column, dtype=float) for column in zip(*self._tries, strict=True))
        rungs, first = np.array(self._sets.means), np.searchsorted(self._of_set, np.arange(len(tries) + 1))

        def judged(values: Floats) -> tuple[float, Floats, Floats]:
            """The log of the posterior at some values, each set's gap, and the share each row has in it."""
            gaps, shares = _weakest(asked @ values - rungs, first)
            return _likelihood(gaps, won, tries) - weights @ (prior @ values - means) ** 2 / 2, gaps, shares

        fixed = (prior.T.multiply(weights)) @ prior
        theta = near.values if near else splu(csc_matrix(fixed)).solve(prior.T @ (weights * means))
        good, gaps, shares = judged(theta)
        for _ in range(MOST_ROUNDS):
            slope, information = _scores(gaps, won, tries)
            rows = csr_matrix((shares, np.arange(len(shares)), first), shape=(len(tries), len(shares))) @ asked
            factor = splu(csc_matrix(fixed + (rows.T.multiply(information)) @ rows))
            step = factor.solve(rows.T @ slope - prior.T @ (weights * (prior @ theta - means)))
            step *= min(1.0, LONGEST_STEP / max(np.abs(step).max(), SHORTEST))
            length = 1.0
            while (better := judged(theta + length * step))[0] < good and length > SHORTEST:
                length /= 2
            raised = better[0] - good
            if raised > 0:
                theta, (good, gaps, shares) = theta + length * step, better
            if raised < SETTLED:
                break
        return Found(self._at, theta, factor)

    @cached_property
    def _matrices(self) -> tuple[csc_matrix, csr_matrix]:
        """What is known before and what the sets ask, as sparse matrices; made when all the children are there."""
        return self._prior.matrix(len(self._at)), self._sets.matrix(len(self._at)).tocsr()

    @property
    def _rest_sds(self) -> list[float]:
        """The spreads of what is not common."""
        return self._prior.sds[len(self._common) :]


def _weakest(gaps: Floats, first: NDArray[np.intp]) -> tuple[Floats, Floats]:
    """For each set, the gap of the strand that is furthest below what is asked, and each row's share in deciding it.

    gaps -- of each strand a set asks of, set by set; first -- where each set's rows begin, and the end of the last
    Softened (the log of summed exponentials): where two strands took turns at deciding, no round would be the last.
    """
    lowest = np.minimum.reduceat(gaps, first[:-1])
    nearness = np.exp((np.repeat(lowest, np.diff(first)) - gaps) / TOGETHER)
    summed = np.add.reduceat(nearness, first[:-1])
    return lowest - TOGETHER * np.log(summed), nearness / np.repeat(summed, np.diff(first))


def _likelihood(gaps: Floats, won: Floats, tries: Floats) -> float:
    """The log of how likely what was seen is, but for what is the same at any gap; slips counted."""
    chances = with_slips(odds_curve(gaps))
    return float(won @ np.log(chances) + (tries - won) @ np.log1p(-chances))


def _scores(gaps: Floats, won: Floats, tries: Floats) -> tuple[Floats, Floats]:
    """Slope of the log-likelihood in each gap, and its expected curvature; slips counted."""
    plain = odds_curve(gaps)
    chances = with_slips(plain)
    steep = (1 - 2 * SLIP) * plain * (1 - plain) * LOG_ODDS_PER_RUNG
    spread = chances * (1 - chances)
    return (won - tries * chances) / spread * steep, tries * steep**2 / spread


class Found:
    """The most likely values by name, with their doubt. What was not looked at stands at its prior of 0."""

    def __init__(self, at: Mapping[Name, int], values: Floats, factor: SuperLU) -> None:
        self._at, self.values, self._factor = at, values, factor

    def value(self, name: Name) -> float:
        """The most likely value."""
        return float(self.values[self._at[name]])

    def sd(self, weights: Mapping[Name, float]) -> float:
        """The doubt about a weighted sum of values."""
        reach = np.zeros(len(self.values))
        for name, weight in weights.items():
            reach[self._at[name]] = weight
        return float(np.sqrt(max(reach @ self._factor.solve(reach), 0.0)))

    def __contains__(self, name: Name) -> bool:
        return name in self._at
