"""What a child can do in a strand: the chance of success, the first guess, and time that passes.

The curve is Rasch's (Rasch 1960), in rungs instead of logits: a child at rung k succeeds alone 8 times
in 10 on rung-k work, 5 in 10 one rung up, 9.4 in 10 one rung down.

One try in sixty goes the other way for no reason that has to do with the child's rung: a slip, a lucky hit, a tap on
the wrong button. So one odd miss moves nothing far.

The estimate is a normal belief about the child's rung, together with what practice brings this child a week,
an offset for each activity (this child, better or worse at this activity than at its equals), what help brings this
child beyond the usual, and their covariances. What sets change of it is in `learning.py`.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, timedelta
from math import hypot, inf, isfinite, log
from types import MappingProxyType
from typing import Any

import numpy as np
from numpy.typing import ArrayLike, NDArray
from scipy.special import ndtr

from core.ability.referral import never_assumed, referred
from core.child import Child
from core.recording import AS_SHIPPED, Learned, SupportLevel
from core.skills import OVER_TOP, STRANDS, Strand, is_own
from core.units import in_proportion

LOG_ODDS_PER_RUNG = log(4)  # logit(0.8) - logit(0.5): what one rung is, by definition
AT_RUNG = log(4)  # logit(0.8): the chance on work at the child's own rung

AGE_GUESS_SD = 1.5  # rungs, project definition
TOLD_SD = 1.0  # rungs: others say it is done, with whatever help they give; project definition
SEEN_SD = 0.6  # rungs: the therapist chose the rung from what was seen; project definition
STRENGTH_GUESS_SD = 1.6  # rungs: strength differs widely at one age; project definition
PINCH_SHARE = 0.4  # of a whole hand's usual force that thumb and finger give; from memory
STAYING_BY_AGE = ((18, 0.8), (36, 1.8), (60, 2.8), (96, 3.8), (144, 4.5))
"""Rung of keeping hold and of weight through the arms by age in months; from memory, and wide."""
OFFSET_SD = 0.5  # rungs between a child's equals-by-design activities; from memory
OWN_OFFSET_SD = 1.1  # the same of a clinic's own activity, its rungs being one therapist's guess; project definition
DAY_SD = 0.35  # rungs from day to day; from memory
DRIFT_SD_PER_WEEK = 0.15  # rungs a week without evidence; project definition
GAIN_PER_WEEK = 0.025  # rungs a week that practice is first taken to bring; project definition
GAIN_SD = 0.025  # rungs a week between children; project definition
GAIN_DRIFT_SD = 0.008  # rungs a week, a square-root week: a pace may change; by the bench, see docs/numbers.md
GAIN_WEEKS = 2.0  # weeks without a session beyond which no more gain is expected; project definition
WIDEST_SD = 1.8  # rungs: forgetting goes no further than this
SLIP = 0.015  # of tries that go the other way for no reason; by the bench, see docs/numbers.md
HELP_SD = 0.4  # of a level's usual lift between children: what help brings this child beyond it; project definition
GROWTH_SD = 0.5  # of what age alone is expected to bring while there are no sessions; project definition
BEYOND_TOP = 1.0  # rungs above the hardest grade there is, beyond which nothing can be told; project definition
LOWEST = -1.0  # rungs: two below the first rung nothing can be told; project definition

DAYS_A_MONTH = 365.25 / 12

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
    cov       -- covariance of (rung, offsets..., gain, reliance), row by row; empty before any set
    tries     -- how many informative tries it rests on
    gain      -- rungs a week that practice brings this child, as far as is known
    carried   -- the day it was carried on to since the last evidence, or None
    reliance   -- what help brings this child beyond the usual, as a share of each level's usual lift
    highest   -- rungs beyond which the ladder can tell nothing
    usual     -- (day, rung) pairs: when a usual child of this age comes to each rung; empty where no age is known
    learned   -- the version of what the clinic taught that it was worked out with; its lifts of help are used here
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
    reliance: float = 0.0
    highest: float = 99.0
    usual: tuple[tuple[date, float], ...] = ()
    learned: Learned = AS_SHIPPED

    def counts(self, on: date) -> bool:
        """Whether what was seen on a day counts for a first guess: not what came before the day it was set anew."""
        return self.as_of is None or on >= self.as_of

    def offset(self, activity_id: str | None) -> tuple[float, float]:
        """Return (shift, variance) to add to the rung for one activity: its offset, and what it adds to the doubt."""
        if activity_id is None:
            return 0.0, 0.0
        if activity_id not in self.activities:
            return 0.0, offset_sd(activity_id, self.learned) ** 2
        at = self.activities.index(activity_id) + 1
        return self.offsets[at - 1], self.cov[at][at] + 2 * self.cov[0][at]

    def level(self, activity_id: str | None = None, support: SupportLevel = "alone") -> tuple[float, float]:
        """Return (mean, sd), in rungs, of what the child can do on a day still to come, with some help: the doubt about
        rung, activity and help, and the day's swing.
        """
        shift, extra = self.offset(activity_id)
        help_sd = HELP_SD if not self.cov else float(np.sqrt(max(self.cov[-1][-1], 0.0)))
        usual = self.learned.lift(support)
        variance = max(self.sd**2 + extra, 0.0) + (usual * help_sd) ** 2 + DAY_SD**2
        return self.mean + shift + usual * (1 + self.reliance), float(np.sqrt(variance))


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
        if not all(isfinite(rung) for rung in (self.difficulty, *self.rungs.values())):
            raise ValueError(f"A rung of {self.activity_id} is not a number. Give every rung as a number.")


def odds_curve(gap: ArrayLike) -> Floats:
    """Return the chance of success for a child `gap` rungs above the work (negative: below it), slips left out."""
    return np.asarray(1.0 / (1.0 + np.exp(-(LOG_ODDS_PER_RUNG * np.asarray(gap, dtype=float) + AT_RUNG))))


def with_slips(chances: ArrayLike) -> Floats:
    """Return the chance that a try is a success once slips and lucky hits are counted."""
    return np.asarray(SLIP + (1 - 2 * SLIP) * np.asarray(chances, dtype=float))


def gap_at(chance: float, slips: bool = True) -> float:
    """Return how many rungs above the work a child is whose chance is this, slips counted or left out; without end
    where no such child can be.
    """
    plain = (chance - SLIP) / (1 - 2 * SLIP) if slips else chance
    if not 0 < plain < 1:
        return inf if plain >= 1 else -inf
    return (log(plain / (1 - plain)) - AT_RUNG) / LOG_ODDS_PER_RUNG


def start(child: Child, strand: str, seen_rung: int | None = None, on: date | None = None) -> Estimate:
    """Return the first guess, in rungs: from the rung the therapist saw, less surely from the one that others say is
    done, else from age and referral, wide.

    on -- the day of the child's age; where it is given, the estimate grows with the child while there are no sessions
    Raises ValueError for a rung the ladder does not have.
    """
    ladder = STRANDS[strand]
    return with_limits(Estimate(*_first_guess(child, ladder, seen_rung)), child, strand, on)


def _first_guess(child: Child, ladder: Strand, seen_rung: int | None) -> tuple[float, float]:
    if seen_rung is not None:
        return float(ladder.rung(seen_rung).number), SEEN_SD
    told = dict(child.told).get(ladder.id)
    if told is not None:
        return float(ladder.rung(told).number), TOLD_SD
    lag, spread = referred(child, ladder.id)
    mean, sd = _usual_at(replace(child, age_months=child.age_months - lag), ladder)
    return min(mean, never_assumed(child, ladder.id)), hypot(sd, spread)


def _usual_at(child: Child, ladder: Strand) -> tuple[float, float]:
    """What a child of that age usually manages, and how widely children differ."""
    if ladder.newtons:
        share = 1.0 if ladder.id == "squeeze" else PINCH_SHARE
        return max(0.5, ladder.rung_of(share * child.usual_force_newton)), STRENGTH_GUESS_SD
    if ladder.rungs[0].age_months is None:
        return in_proportion(child.age_months, STAYING_BY_AGE), STRENGTH_GUESS_SD
    return rung_for_age(ladder, child.age_months), AGE_GUESS_SD


def with_limits(estimate: Estimate, child: Child, strand: str, on: date | None) -> Estimate:
    """Return an estimate with what its ladder and the child's age say of it; on -- the day of the child's age, None
    where it is not to grow.
    """
    ladder = STRANDS[strand]
    return replace(estimate, highest=ladder.top + OVER_TOP + BEYOND_TOP, usual=_usual(ladder, child, on))


def _usual(ladder: Strand, child: Child, on: date | None) -> tuple[tuple[date, float], ...]:
    """When a usual child comes to each rung: by the ladder's ages, where it has them."""
    if on is None or ladder.rungs[0].age_months is None:
        return ()
    ages = [(r.age_months, r.number) for r in ladder.rungs if r.age_months is not None]
    return tuple((on + timedelta(days=(age - child.age_months) * DAYS_A_MONTH), float(rung)) for age, rung in ages)


def seen_at(estimate: Estimate, rung: int, on: date) -> Estimate:
    """Return an estimate set anew to a rung that was seen on a day; what was learned of the child's activities, pace
    and reliance on help is kept.
    """
    if not estimate.cov:
        return replace(estimate, mean=float(rung), sd=SEEN_SD, as_of=on, carried=None)
    cov = covariance_of(estimate)
    cov[0, :] = cov[:, 0] = 0.0
    cov[0, 0] = SEEN_SD**2
    return replace(estimate, mean=float(rung), sd=SEEN_SD, as_of=on, cov=as_rows(cov), carried=None)


def rung_for_age(ladder: Strand, age_months: float) -> float:
    """Return the rung whose window opens at an age, between rungs in proportion; 0 before the first."""
    ages = [r.age_months for r in ladder.rungs if r.age_months is not None]
    first = 2 * ages[0] - ages[1]
    return float(np.interp(age_months, [first, *ages], range(len(ages) + 1)))


def chance(
    estimate: Estimate, rung: ArrayLike, support: SupportLevel = "alone", activity_id: str | None = None
) -> NDArray[np.float64] | float:
    """Return the chance of success on rung-`rung` work on a day still to come, integrated over what is not known.

    rung    -- a float or an array, in rungs
    support -- a level of the support ladder; hand over hand tells nothing and lifts nothing
    activity_id -- where given, the child's own offset for that activity counts
    Returns -- a float for a float, else an array of the same shape
    Source: Rasch 1960; Gauss-Hermite quadrature with 21 nodes.
    """
    mean, sd = estimate.level(activity_id, support)
    gap = mean - np.asarray(rung, dtype=float)
    chances = with_slips(odds_curve(gap[..., None] + sd * _NODES) @ _WEIGHTS)
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
    return chances_at([e.level(activity_id, support) for e in estimates], asked)


def chances_at(levels: ArrayLike, rungs: Floats) -> Floats:
    """Return chance_together of n pieces of work.

    levels -- (mean, sd) of the child's level in each strand, (strands, 2), or for each piece of work its own,
              (n, strands, 2); a mean of infinity asks nothing of a strand
    rungs  -- (n, strands); minus infinity asks nothing of a strand
    """
    every = np.broadcast_to(np.asarray(levels, dtype=float), (*rungs.shape, 2))
    means, sds = every[..., 0], every[..., 1]
    result = np.zeros(len(rungs))
    asks = np.isfinite(means - rungs)
    counts = asks.sum(axis=1)
    for count in np.unique(counts).tolist():
        rows = np.flatnonzero(counts == count)
        cols = np.argsort(~asks[rows], axis=1, kind="stable")[:, :count]
        gaps = np.take_along_axis(means[rows] - rungs[rows], cols, axis=1)
        spread = np.take_along_axis(sds[rows], cols, axis=1)
        if count == 1:
            result[rows] = with_slips(odds_curve(gaps + spread * _NODES) @ _WEIGHTS)
            continue
        weakest, weights = np.full((len(rows), *(1,) * count), np.inf), np.ones(())
        for i in range(count):
            shape = (1,) * i + (-1,) + (1,) * (count - 1 - i)
            own = (gaps[:, i, None] + spread[:, i, None] * FEW_NODES).reshape(len(rows), *shape)
            weakest, weights = np.minimum(weakest, own), weights * FEW_WEIGHTS.reshape(shape)
        chances = (odds_curve(weakest) * weights[None]).reshape(len(rows), -1).sum(axis=1)
        result[rows] = with_slips(chances)
    return result


def chance_between(levels: ArrayLike, rungs: ArrayLike, low: float, high: float) -> Floats:
    """Return the chance that a child stands between so many rungs above the work and so many: how sure it is that the
    work is well placed.

    levels    -- (mean, sd) of the child's level in each strand the work asks of, in rungs, taken as independent; for
                 all the work, (strands, 2), or for each piece its own, (n, strands, 2)
    rungs     -- (n, strands), what each piece of work asks of them; the weakest strand decides
    low, high -- rungs above the work; gap_at says them for a chance
    Returns   -- (n,) chances
    """
    asked = np.asarray(rungs, dtype=float)
    means, sds = np.moveaxis(np.asarray(levels, dtype=float), -1, 0)
    above_low, above_high = (np.prod(ndtr((means - asked - gap) / sds), axis=1) for gap in (low, high))
    return np.asarray(above_low - above_high)


def on_day(estimate: Estimate, on: date) -> Estimate:
    """Return the estimate as it stands on a later day: on by what practice brings, wider with the weeks gone by.

    Practice is taken to go on for GAIN_WEEKS after the last session; after that the child grows as children do, at the
    share of the usual rung the child stands at, as far as the ladder knows ages. Nothing goes beyond what the ladder
    can tell. Before any evidence nothing moves.
    """
    since = estimate.carried or estimate.as_of
    if estimate.as_of is None or since is None or on <= since:
        return estimate
    weeks = (on - since).days / 7
    practised = max(0.0, min((on - estimate.as_of).days / 7, GAIN_WEEKS) - (since - estimate.as_of).days / 7)
    grown = _grown(estimate, since, on)
    cov = covariance_of(estimate)
    step = np.eye(len(cov))
    step[0, -2] = practised
    cov = step @ cov @ step.T
    pace = GAIN_DRIFT_SD**2 * practised  # a pace that wanders, and what it adds up to (integrated Wiener process)
    cov[0, 0] += pace * practised**2 / 3
    cov[0, -2] = cov[-2, 0] = cov[0, -2] + pace * practised / 2
    cov[-2, -2] += GAIN_DRIFT_SD**2 * weeks
    wider = cov[0, 0] + DRIFT_SD_PER_WEEK**2 * weeks + (GROWTH_SD * grown) ** 2
    cov[0, 0] = min(wider, max(WIDEST_SD, estimate.sd) ** 2)
    lowest, highest = min(LOWEST, estimate.mean), max(estimate.highest, estimate.mean)
    mean = float(np.clip(estimate.mean + estimate.gain * practised + grown, lowest, highest))
    return replace(estimate, mean=mean, sd=float(np.sqrt(cov[0, 0])), cov=as_rows(cov), carried=on)


def _grown(estimate: Estimate, since: date, on: date) -> float:
    """Rungs that age alone is expected to bring between two days, once practice is over."""
    assert estimate.as_of is not None
    over = max(since, estimate.as_of + timedelta(weeks=GAIN_WEEKS))
    if not estimate.usual or on <= over:
        return 0.0
    then, now = (usual_rung(estimate.usual, day) for day in (over, on))
    share = min(1.0, max(0.0, estimate.mean) / then) if then > 0 else 0.0
    return share * (now - then)


def usual_rung(usual: Sequence[tuple[date, float]], on: date) -> float:
    """Return the rung of a usual child on a day, between rungs in proportion."""
    days = [day.toordinal() for day, _ in usual]
    return float(np.interp(on.toordinal(), [2 * days[0] - days[1], *days], [0.0, *(rung for _, rung in usual)]))


def offset_sd(name: str, learned: Learned) -> float:
    """Return how far, in rungs, a child's work at one activity may be from its rung, before anything was seen of it.

    name -- what the work counts under: an activity, or an activity and the other hand
    A clinic's own activity starts wide, until the clinic's children have taught how hard it is.
    """
    activity = name.split("/", maxsplit=1)[0]
    return OWN_OFFSET_SD if is_own(activity) and not learned.knows(activity) else OFFSET_SD


def covariance_of(estimate: Estimate) -> Floats:
    """The covariance of (rung, offsets..., gain, reliance); before any set they know nothing of each other."""
    if estimate.cov:
        return np.array(estimate.cov, dtype=float)
    offsets = (offset_sd(a, estimate.learned) ** 2 for a in estimate.activities)
    return np.diag([estimate.sd**2, *offsets, GAIN_SD**2, HELP_SD**2])


def as_rows(cov: Floats) -> tuple[tuple[float, ...], ...]:
    return tuple(tuple(row) for row in cov.tolist())


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
        "reliance": estimate.reliance,
        "highest": estimate.highest,
        "learned": {"version": estimate.learned.version, "lifts": dict(estimate.learned.lifts)},
        "usual": [[day.isoformat(), rung] for day, rung in estimate.usual],
        "as_of": estimate.as_of.isoformat() if estimate.as_of else None,
        "carried": estimate.carried.isoformat() if estimate.carried else None,
        "activities": list(estimate.activities),
        "offsets": list(estimate.offsets),
        "cov": [list(row) for row in estimate.cov],
    }


def from_plain(plain: Mapping[str, Any]) -> Estimate:
    """The estimate from what as_plain made; one from before gains or reliance were learned starts from the usual."""
    activities = tuple(plain["activities"])
    cov = tuple(tuple(row) for row in plain["cov"])
    for size, sd in ((1, GAIN_SD), (2, HELP_SD)):
        if cov and len(cov) == len(activities) + size:
            cov = (*((*row, 0.0) for row in cov), (*(0.0 for _ in cov), sd**2))
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
        reliance=float(plain.get("reliance", 0.0)),
        highest=float(plain.get("highest", 99.0)),
        learned=Learned(**plain["learned"]) if plain.get("learned") else AS_SHIPPED,
        usual=tuple((date.fromisoformat(day), float(rung)) for day, rung in plain.get("usual", ())),
    )


def _day(text: object) -> date | None:
    return date.fromisoformat(str(text)) if text else None
