"""What to ask a new child next: the few tries that take away most doubt a minute in the strands the wanted tasks
need, easy enough to be fun.

The gain of a set is the doubt it is expected to take away, over every way it may go: Lindley 1956, "On a measure of the
information provided by an experiment", with the sd in place of the entropy, since the sd is what is shown. Fun first,
project definition after common practice: the first set at 9 in 10, none under 5 in 10, five to seven activities.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from math import comb

import numpy as np
from scipy.special import ndtr

from core.ability import LOG_ODDS_PER_RUNG, DaySoFar, Estimate, Floats, SetEvidence, chance_together, update
from core.first_look.evidence import NEXT_TASK, loss_of_doubt
from core.library import find_activity, steps_of
from core.library.activity import Activity
from core.offers import Offer
from core.planner import SessionRequest, of_its_age, parts_of, plain_first, seconds_a_try, too_demanding
from core.skills import STRANDS, find_task

LOOK_MINUTES = 12  # common practice: 10 to 15
ENOUGH = 0.6  # rungs of doubt from which a strand is known well enough; the goal of a look
TRIES = 5  # of one set
FIRST_CHANCE = 0.85  # the first set: a sure win
LEAST_CHANCE = 0.5
LEAST_ITSELF = 0.3  # of a wanted task itself, the first time: it is looked at although it is hard
MOST_IN_A_ROW = 3  # sets of one activity before another one
MOST_ACTIVITIES = 7
LOSS_AT_MOST = float(np.sqrt(2 * np.pi))  # brings the loss of a doubt of one spread to 0 to 1
LEAST_SHARE = 0.1  # of a strand that can hardly be short: looked at when there is time
STEP_MINUTES = 0.2  # to change the grade of an activity already on the table
WORTH_ASKING = 0.01  # rungs of doubt a minute: less is not worth a child's time
LOOKED_INTO = 60  # candidates worked out in full, the most promising by a first estimate


@dataclass(frozen=True)
class Probe:
    """One set to ask for: an offer of this home, the strand it tells most of, and how many tries.

    expected -- the chance of success alone; tells -- doubt it is expected to take away, by strand, in rungs
    minutes  -- what it takes, with setting up; a_minute -- doubt taken away a minute, by weight of the strands
    task     -- the wanted task it is itself, where that was not looked at before
    """

    offer: Offer
    strand: str
    tries: int
    expected: float
    tells: Mapping[str, float]
    minutes: float
    a_minute: float
    task: str = ""

    @property
    def words(self) -> str:
        """What it is asked for."""
        if self.task:
            return f"Looks at “{find_task(self.task).name}” itself."
        names = [STRANDS[s].name.lower() for s, _ in sorted(self.tells.items(), key=lambda x: -x[1])][:2]
        return f"Tells most about {' and '.join(names)}."


@dataclass(frozen=True)
class Ended:
    """Why a look is over: enough is known, the time is up, or nothing else in this home would tell more."""

    why: str


def strands_that_matter(request: SessionRequest) -> dict[str, float]:
    """Return the strands a look is for, each with its weight: what the wanted tasks need, the most wanted task
    first, each strand by the chance that it is short or by what its doubt costs the task, whichever is more; without
    a wanted task every strand of the targets, alike.
    """
    weights: dict[str, float] = {}
    for at, task in enumerate(request.tasks):
        for strand, rung in find_task(task).demands.items():
            if strand in request.estimates:
                e = request.estimates[strand]
                short = float(ndtr((rung - e.mean) / e.sd))
                undecided = LOSS_AT_MOST * loss_of_doubt(e.mean, e.sd, rung) / e.sd
                share = max(short, undecided, LEAST_SHARE)
                weights[strand] = max(weights.get(strand, 0.0), share * NEXT_TASK**at)
    if weights:
        return weights
    return {s: 1.0 for s in request.estimates if STRANDS[s].target in request.targets}


def next_probe(request: SessionRequest, done: Sequence[SetEvidence], on: date, minutes_left: float) -> Probe | Ended:
    """Return the set to ask for next, or why the look is over.

    request -- the child as believed before the look, its home and its wish; done -- the sets of the look so far
    """
    so_far = DaySoFar(request.estimates, done, on)
    now = replace(request, estimates=update(request.estimates, done, on))
    weights = strands_that_matter(now)
    if all(so_far.sd(s) <= ENOUGH for s in weights):
        return Ended("Enough is known about the skills the wanted tasks need.")
    ready = [p for p in _promising(now, weights, done) if p.minutes <= minutes_left]
    first = next((t for t in request.tasks if any(p.task == t for p in ready)), "")
    if first:
        ready = [p for p in ready if p.task == first]
        ready = [p for p in ready if p.expected >= LEAST_CHANCE] or [max(ready, key=lambda p: p.expected)]
    best = max((_worked_out(p, weights, so_far) for p in ready[:LOOKED_INTO]), key=lambda p: p.a_minute, default=None)
    if best is None:
        return Ended(
            "The time is up." if minutes_left < LOOK_MINUTES / 2 else "Nothing else in this home would tell us more."
        )
    if best.a_minute < WORTH_ASKING:
        return Ended("More tries today would add little.")
    return best


def _promising(request: SessionRequest, weights: Mapping[str, float], done: Sequence[SetEvidence]) -> list[Probe]:
    """Every set that may be asked for, the most promising first by a first estimate of what it tells."""
    played = [s.activity_id.split("/")[0] for s in done]  # sets of the other hand are named "activity/hand"
    waiting = _not_looked_at(request, played) if done else []
    tired_of = {played[-1]} if len(played) >= MOST_IN_A_ROW and len(set(played[-MOST_IN_A_ROW:])) == 1 else set()
    full = len(set(played)) >= MOST_ACTIVITIES
    result: list[Probe] = []
    for activity in request.activities.values():
        told_of = [s for s in activity.trains if s in weights]
        known = activity.line in played
        if not told_of or activity.line in tired_of or (full and not known) or not _may_be_asked(activity, request):
            continue
        offers = list(_offers(activity, request))
        if not offers:
            continue
        task = next((t for t in waiting if t in activity.itself), "")
        least = LEAST_ITSELF if task else LEAST_CHANCE if done else FIRST_CHANCE
        for p in _rated(activity, offers, request, weights, least, played[-1:] == [activity.line]):
            itself = bool(task) and bool(steps_of(activity, p.offer.variant.grade, task))
            if itself or p.expected >= LEAST_CHANCE:
                result.append(replace(p, task=task if itself else ""))
    return sorted(result, key=lambda p: -p.a_minute)


def _not_looked_at(request: SessionRequest, played: Sequence[str]) -> list[str]:
    """The wanted tasks that no set of the look was itself."""
    looked_at = {t for a in request.activities.values() if a.line in played for t in a.itself}
    return [t for t in request.tasks if t not in looked_at]


def _may_be_asked(activity: Activity, request: SessionRequest) -> bool:
    plays = set(parts_of(activity, request)) - {"tidy"}
    return bool(plays) and activity.id not in request.excluded


def _offers(activity: Activity, request: SessionRequest) -> Iterator[Offer]:
    """The grades this home has of an activity that ask nothing beyond the child beside what they train."""
    plain = plain_first(activity, request)
    for offer in request.cupboard.offers([activity]):
        suits = of_its_age(activity, offer.variant.grade, request.child)
        if suits and too_demanding(offer, request) is None and not any(offer.variant.grade[at] for at in plain):
            yield offer


def _rated(
    activity: Activity,
    offers: Sequence[Offer],
    request: SessionRequest,
    weights: Mapping[str, float],
    least: float,
    stands: bool,
) -> Iterator[Probe]:
    """The grades of one activity that are easy enough, each with a first estimate of what it tells: Fisher's
    information of its tries, given to the strands that are likely to decide.
    """
    strands = [s for s in activity.trains if s in request.estimates]
    estimates = [request.estimates[s] for s in strands]
    asked = np.array([[o.rungs[s] for s in strands] for o in offers])
    chances = chance_together(estimates, asked, activity_id=activity.line)
    alike = set()
    for offer, rungs, chance in zip(offers, asked, chances, strict=True):
        key = (tuple(rungs), offer.kit)
        if chance < least or key in alike:
            continue
        alike.add(key)
        tries = min(TRIES, offer.count)
        minutes = tries * seconds_a_try(activity, offer.variant.grade, request.pace) / 60
        minutes += STEP_MINUTES if stands else max(activity.setup_minutes, 2 * STEP_MINUTES)
        tells = _first_estimate(strands, estimates, rungs, tries * chance * (1 - chance) * LOG_ODDS_PER_RUNG**2)
        worth = sum(weights.get(s, 0.0) * drop for s, drop in tells.items())
        strand = max(tells, key=lambda s: (weights.get(s, 0.0) * tells[s], tells[s]))
        yield Probe(offer, strand, tries, float(chance), tells, minutes, worth / minutes)


def _first_estimate(
    strands: Sequence[str], estimates: Sequence[Estimate], rungs: Floats, information: float
) -> dict[str, float]:
    gaps = np.array([e.mean for e in estimates]) - rungs
    share = np.exp(-2 * (gaps - gaps.min()))
    share = share / share.sum()
    tells = {}
    for strand, e, part in zip(strands, estimates, share, strict=True):
        kept = e.sd**2 / (1 + e.sd**2 * information * part**2)
        tells[strand] = e.sd - float(np.sqrt(kept))
    return tells


def _worked_out(probe: Probe, weights: Mapping[str, float], so_far: DaySoFar) -> Probe:
    """The same set with what it tells worked out in full: over every number of successes it may have."""
    activity, rungs = find_activity(probe.offer.variant.activity_id), dict(probe.offer.rungs)
    trained = {s: rungs[s] for s in activity.trains if s in probe.tells}
    chances, spread = so_far.chances(activity.line, trained)
    tells = {s: so_far.sd(s) for s in trained}
    hardest = max(trained.values())
    for won in range(probe.tries + 1):
        likely = float(spread @ (comb(probe.tries, won) * chances**won * (1 - chances) ** (probe.tries - won)))
        after = so_far.sd_after(SetEvidence(activity.line, hardest, probe.tries, won, rungs=trained))
        tells = {s: tells[s] - likely * after[s] for s in tells}
    worth = sum(weights.get(s, 0.0) * drop for s, drop in tells.items())
    strand = max(tells, key=lambda s: (weights.get(s, 0.0) * tells[s], tells[s]))
    return replace(probe, strand=strand, tells=tells, a_minute=worth / probe.minutes)
