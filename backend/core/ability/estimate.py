"""What a child can do in a strand: the chance of success, the first guess, and time that passes.

The curve is Rasch's (Rasch 1960), in rungs instead of logits: a child at rung k succeeds alone 8 times
in 10 on rung-k work, 5 in 10 one rung up, 9.4 in 10 one rung down.

The estimate is a normal belief about the child's rung, together with what practice brings this child a week,
an offset for each activity (this child, better or worse at this activity than at its equals) and
their covariances. What sets change of it is in `learning.py`.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from functools import reduce
from math import log
from types import MappingProxyType
from typing import Any

import numpy as np
from numpy.typing import ArrayLike, NDArray

from core.child import Child
from core.recording import SupportLevel, lift
from core.skills import STRANDS, Strand
from core.units import in_proportion

LOG_ODDS_PER_RUNG = log(4)  # logit(0.8) - logit(0.5): what one rung is, by definition
AT_RUNG = log(4)  # logit(0.8): the chance on work at the child's own rung

AGE_GUESS_SD = 1.5  # rungs, project definition
SEEN_SD = 0.6  # rungs: the therapist chose the rung from what was seen; project definition
STRENGTH_GUESS_SD = 1.6  # rungs: strength differs widely at one age; project definition
PINCH_SHARE = 0.4  # of a whole hand's usual force that thumb and finger give; from memory
STAYING_BY_AGE = ((18, 0.8), (36, 1.8), (60, 2.8), (96, 3.8), (144, 4.5))
"""Rung of keeping hold and of weight through the arms by age in months; from memory, and wide."""
OFFSET_SD = 0.5  # rungs between a child's equals-by-design activities; from memory
DAY_SD = 0.35  # rungs from day to day; from memory
DRIFT_SD_PER_WEEK = 0.18  # rungs a week without evidence; project definition
GAIN_PER_WEEK = 0.025  # rungs a week that practice is first taken to bring; project definition
GAIN_SD = 0.025  # rungs a week between children; project definition
GAIN_WEEKS = 2.0  # weeks without a session beyond which no more gain is expected; project definition
WIDEST_SD = 1.8  # rungs: forgetting goes no further than this

_NODES, _WEIGHTS = np.polynomial.hermite_e.hermegauss(21)
_WEIGHTS = _WEIGHTS / _WEIGHTS.sum()
FEW_NODES, FEW_WEIGHTS = np.polynomial.hermite_e.hermegauss(9)
FEW_WEIGHTS = FEW_WEIGHTS / FEW_WEIGHTS.sum()

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Estimate:
    """A belief about one child in one strand.

    mean, sd  -- rungs
    as_of     -- the day of the last evidence, or None before any
    activities -- the activities with an offset of their own, in the order of `offsets` and `cov`
    offsets   -- their means, rungs
    cov       -- covariance of (rung, offsets..., gain), rungs squared, row by row; empty before any set
    tries     -- how many informative tries it rests on
    gain      -- rungs a week that practice brings this child, as far as is known
    carried   -- the day it was carried on to since the last evidence, or None
    """

    mean: float
    sd: float
    as_of: date | None = None
    activities: tuple[str, ...] = ()
    offsets: tuple[float, ...] = ()
    cov: tuple[tuple[float, ...], ...] = ()
    tries: int = 0
    gain: float = GAIN_PER_WEEK
    carried: date | None = None

    def offset(self, activity_id: str | None) -> tuple[float, float]:
        """Return (shift, variance) to add to the rung for one activity: its offset, and what it adds to the doubt."""
        if activity_id is None:
            return 0.0, 0.0
        if activity_id not in self.activities:
            return 0.0, OFFSET_SD**2
        at = self.activities.index(activity_id) + 1
        return self.offsets[at - 1], self.cov[at][at] + 2 * self.cov[0][at]


@dataclass(frozen=True)
class SetEvidence:
    """One set as evidence: what was asked, with what help, and how it went.

    difficulty -- the rung asked in the one strand that is looked at
    rungs      -- the rung asked in every strand it trains, for an update of all of them together
    """

    activity_id: str
    difficulty: float
    tries: int
    successes: int
    support: SupportLevel = "alone"
    rungs: Mapping[str, float] = field(default_factory=lambda: MappingProxyType({}))

    def __post_init__(self) -> None:
        if not 0 <= self.successes <= self.tries:
            raise ValueError(
                f"{self.successes} successes in {self.tries} tries cannot be. Count again: 0 up to the number of tries."
            )


def odds_curve(gap: ArrayLike) -> Floats:
    """Return the chance of success for a child `gap` rungs above the work (negative: below it)."""
    return np.asarray(1.0 / (1.0 + np.exp(-(LOG_ODDS_PER_RUNG * np.asarray(gap, dtype=float) + AT_RUNG))))


def start(child: Child, strand: str, seen_rung: int | None = None) -> Estimate:
    """Return the first guess, in rungs: from the rung the therapist saw, else from age, wide.

    Raises ValueError for a rung the ladder does not have.
    """
    ladder = STRANDS[strand]
    if seen_rung is not None:
        return Estimate(float(ladder.rung(seen_rung).number), SEEN_SD)
    if ladder.newtons:
        share = 1.0 if ladder.id == "squeeze" else PINCH_SHARE
        return Estimate(max(0.5, ladder.rung_of(share * child.usual_force_newton)), STRENGTH_GUESS_SD)
    if ladder.rungs[0].age_months is None:
        return Estimate(in_proportion(child.age_months, STAYING_BY_AGE), STRENGTH_GUESS_SD)
    return Estimate(rung_for_age(ladder, child.age_months), AGE_GUESS_SD)


def rung_for_age(ladder: Strand, age_months: float) -> float:
    """Return the rung whose window opens at an age, between rungs in proportion; 0 before the first."""
    ages = [r.age_months for r in ladder.rungs if r.age_months is not None]
    first = 2 * ages[0] - ages[1]
    return float(np.interp(age_months, [first, *ages], range(len(ages) + 1)))


def chance(
    estimate: Estimate, rung: ArrayLike, support: SupportLevel = "alone", activity_id: str | None = None
) -> NDArray[np.float64] | float:
    """Return the chance of success on rung-`rung` work, integrated over what is not known of the child.

    rung    -- a float or an array, in rungs
    support -- a level of the support ladder; hand over hand tells nothing and lifts nothing
    activity_id -- where given, the child's own offset for that activity counts
    Returns -- a float for a float, else an array of the same shape
    Source: Rasch 1960; Gauss-Hermite quadrature with 21 nodes.
    """
    shift, extra = estimate.offset(activity_id)
    spread = float(np.sqrt(max(estimate.sd**2 + extra, 0.0)))
    gap = estimate.mean + shift + lift(support) - np.asarray(rung, dtype=float)
    chances = odds_curve(gap[..., None] + spread * _NODES) @ _WEIGHTS
    return float(chances) if np.ndim(rung) == 0 else chances


def chance_together(
    estimates: Sequence[Estimate], rungs: ArrayLike, support: SupportLevel = "alone", activity_id: str | None = None
) -> Floats:
    """Return the chance of success on work that asks of several strands at once: the weakest decides.

    rungs   -- (n, strands), the rung each piece of work asks of each strand, in the order of `estimates`
    Returns -- (n,) chances, integrated over what is not known of the child, strands taken as independent
    Limits: Gauss-Hermite quadrature with 9 nodes a strand, good to about 0.005 where several strands count.
    """
    asked = np.asarray(rungs, dtype=float)
    if len(estimates) == 1:
        return np.asarray(chance(estimates[0], asked[:, 0], support, activity_id))
    count = len(estimates)
    gaps, weights = [], np.ones(())
    for i, e in enumerate(estimates):
        shift, extra = e.offset(activity_id)
        spread = float(np.sqrt(max(e.sd**2 + extra, 0.0)))
        shape = (1,) * i + (-1,) + (1,) * (count - 1 - i)
        level = e.mean + shift + lift(support) + (spread * FEW_NODES).reshape(shape)
        gaps.append(level[None] - asked[:, i].reshape((-1, *(1,) * count)))
        weights = weights * FEW_WEIGHTS.reshape(shape)
    chances: Floats = (odds_curve(reduce(np.minimum, gaps)) * weights[None]).reshape(len(asked), -1).sum(axis=1)
    return chances


def on_day(estimate: Estimate, on: date) -> Estimate:
    """Return the estimate as it stands on a later day: on by what practice brings, wider with the weeks gone by.

    Practice is taken to go on for GAIN_WEEKS after the last session. Before any evidence nothing moves.
    """
    since = estimate.carried or estimate.as_of
    if estimate.as_of is None or since is None or on <= since:
        return estimate
    weeks = (on - since).days / 7
    practised = max(0.0, min((on - estimate.as_of).days / 7, GAIN_WEEKS) - (since - estimate.as_of).days / 7)
    cov = covariance_of(estimate)
    step = np.eye(len(cov))
    step[0, -1] = practised
    cov = step @ cov @ step.T
    cov[0, 0] = min(cov[0, 0] + DRIFT_SD_PER_WEEK**2 * weeks, max(WIDEST_SD, estimate.sd) ** 2)
    mean = estimate.mean + estimate.gain * practised
    return replace(estimate, mean=mean, sd=float(np.sqrt(cov[0, 0])), cov=as_rows(cov), carried=on)


def covariance_of(estimate: Estimate) -> Floats:
    """The covariance of (rung, offsets..., gain); before any set, rung and gain know nothing of each other."""
    if estimate.cov:
        return np.array(estimate.cov, dtype=float)
    return np.diag([estimate.sd**2, *(OFFSET_SD**2 for _ in estimate.activities), GAIN_SD**2])


def as_rows(cov: Floats) -> tuple[tuple[float, ...], ...]:
    return tuple(tuple(float(c) for c in row) for row in cov)


def chance_in_words(chance: float) -> str:
    """Return a chance from 0 to 1 as tries of ten: "8 of 10", or "7 to 8 of 10" near the middle between two."""
    tenths = chance * 10
    if chance > 0.93:
        return "9 to 10 of 10"
    low = int(tenths)
    if 0.3 < tenths - low < 0.7 and low < 9:
        return f"{low} to {low + 1} of 10"
    return f"{min(10, round(tenths))} of 10"


def as_plain(estimate: Estimate) -> Mapping[str, object]:
    """The estimate as plain values that go into JSON and come back by from_plain."""
    return {
        "mean": estimate.mean,
        "sd": estimate.sd,
        "tries": estimate.tries,
        "gain": estimate.gain,
        "as_of": estimate.as_of.isoformat() if estimate.as_of else None,
        "carried": estimate.carried.isoformat() if estimate.carried else None,
        "activities": list(estimate.activities),
        "offsets": list(estimate.offsets),
        "cov": [list(row) for row in estimate.cov],
    }


def from_plain(plain: Mapping[str, Any]) -> Estimate:
    """The estimate from what as_plain made; one from before gains were learned starts from the usual gain."""
    activities = tuple(plain["activities"])
    cov = tuple(tuple(row) for row in plain["cov"])
    if cov and len(cov) == len(activities) + 1:
        cov = (*((*row, 0.0) for row in cov), (*(0.0 for _ in cov), GAIN_SD**2))
    return Estimate(
        mean=float(plain["mean"]),
        sd=float(plain["sd"]),
        as_of=_day(plain["as_of"]),
        activities=activities,
        offsets=tuple(plain["offsets"]),
        cov=cov,
        tries=int(plain["tries"]),
        gain=float(plain.get("gain", GAIN_PER_WEEK)),
        carried=_day(plain.get("carried")),
    )


def _day(text: object) -> date | None:
    return date.fromisoformat(str(text)) if text else None
