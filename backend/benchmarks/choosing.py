"""Ways of choosing the next grade, played by made-up children whose truth is known; and how often what is said comes
true.

Each way plays the same children: three sets of eight tries a session, of six activities, on a ladder of grades a third
of a rung apart. A try is well placed when its true chance lies between 0.65 and 0.90. The staircase (up after two sets
at 8 in 10 or better, down under 5 in 10) is common practice, no source.
"""

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from datetime import date, timedelta
from typing import Protocol

import numpy as np

from core.ability import Estimate, Floats, SetEvidence, chance, on_day, update
from core.ability.simulation import LEARNING, Child
from core.library import ACTIVITIES as LIBRARY
from core.offers import Variant, difficulty, variants_of
from core.planner.candidates.worth import FRESHNESS
from core.progress import decide, policy_for
from core.running import ASKED_AFTER, WELL_PLACED, SetResult, fits_today

GRADES = tuple(float(g) for g in np.arange(0.5, 9.0, 0.3))  # rungs a home offers: the library's own mean spacing
SETS, TRIES, SESSIONS, ACTIVITIES, LEAD_IN = 3, 8, 14, 6, 4
KNOWN = tuple(f"f{n}" for n in range(ACTIVITIES))
READY = 0.75  # true chance at a grade under which a step up from it was wrong; project definition
DAY = date(2026, 1, 5)
FIRST = Estimate(4.0, 1.5)
HELP_AFTER = 0.6  # share of failed tries after which a child who relies on prompts is helped; made up


@dataclass(frozen=True)
class Session:
    """One session to play: the child, the week, the day, its activities."""

    child: Child
    week: int
    on: date
    activities: tuple[str, ...]

    def attempt(self, activity: str, rung: float) -> tuple[float, bool]:
        """The true chance of a try alone, and how it went.

        Whether help follows a failed try makes no difference here: either way it was not managed alone.
        """
        return self.child.attempt(self.week, activity, rung)


class Way(Protocol):
    """A way of choosing: plays a session, try by try, and says the true chance of each."""

    def play(self, session: Session) -> list[float]:
        """The true chance, today, of each try alone."""
        ...


@dataclass
class Tries:
    """What a set has come to, try by try."""

    activity: str
    won: dict[float, list[int]] = field(default_factory=dict)

    def made(self, rung: float, success: bool) -> None:
        count = self.won.setdefault(rung, [0, 0])
        count[0], count[1] = count[0] + success, count[1] + 1

    def evidence(self) -> list[SetEvidence]:
        return [SetEvidence(self.activity, rung, n, won) for rung, (won, n) in self.won.items()]


@dataclass
class ByEstimate:
    """As the application does: planned by the chance of being well placed, the activities too, those of the last
    sessions a little less; then asked on going to an activity and after two and five tries; up to two grades at once.

    asked_after -- tries of a set after which it is asked, beside its start; None: the plan is kept
    chooses     -- whether it takes the three of the six activities whose level is surest; else those it is given
    """

    asked_after: tuple[int, ...] | None = ASKED_AFTER
    chooses: bool = True
    estimate: Estimate = FIRST
    ago: dict[str, int] = field(default_factory=dict)

    def play(self, session: Session) -> list[float]:
        truths: list[float] = []
        done: list[SetEvidence] = []
        for activity, at in self._planned(session).items():
            now = Tries(activity)
            for n in range(TRIES):
                if self.asked_after is not None and (done or n) and n in (0, *self.asked_after):
                    evidence = [*done, *now.evidence()]
                    at += fits_today(self.estimate, evidence, session.on, activity, GRADES).step(at)
                truth, success = session.attempt(activity, GRADES[at])
                truths.append(truth)
                now.made(GRADES[at], success)
            done += now.evidence()
        self.estimate = update(self.estimate, done, session.on)
        return truths

    def _planned(self, session: Session) -> dict[str, int]:
        """The activities of the session, each with the place of its grade."""
        offered = KNOWN if self.chooses else session.activities
        fits = {a: fits_today(self.estimate, [], session.on, a, GRADES) for a in offered}
        best = {a: f.best(at=0) for a, f in fits.items()}
        fresh = dict(enumerate(FRESHNESS))
        worth = {a: fits[a].well_placed[best[a]] * fresh.get(self.ago.get(a, len(fresh)), 1.0) for a in offered}
        chosen = sorted(offered, key=lambda a: -worth[a])[:SETS]
        self.ago = {**{a: ago + 1 for a, ago in self.ago.items()}, **dict.fromkeys(chosen, 0)}
        return {a: best[a] for a in chosen}


@dataclass
class ByStaircase:
    """One grade for the strand: up after two good sets, down after a bad one."""

    at: int = int(np.argmin(np.abs(np.array(GRADES) - 4.0)))
    good: int = 0

    def play(self, session: Session) -> list[float]:
        truths = []
        for activity in session.activities:
            tries = [session.attempt(activity, GRADES[self.at]) for _ in range(TRIES)]
            truths += [truth for truth, _ in tries]
            share = sum(success for _, success in tries) / TRIES
            self.good = self.good + 1 if share >= 0.8 else 0
            if self.good == 2:
                self.at, self.good = min(self.at + 1, len(GRADES) - 1), 0
            elif share < 0.5:
                self.at = max(self.at - 1, 0)
        return truths


@dataclass
class ByOracle:
    """Knows the child's rung, how well each activity suits the child and how far prompts help, but not whether the day
    is a good or a bad one.

    asked_after -- tries of a set after which it may learn the day from its tries, as the application does; none: never
    """

    asked_after: tuple[int, ...] = ()

    def play(self, session: Session) -> list[float]:
        truths: list[float] = []
        done: list[SetEvidence] = []
        for activity in session.activities:
            now, at = Tries(activity), 0
            for n in range(TRIES):
                if n in (0, *self.asked_after):
                    at = self._best(session, activity, [*done, *now.evidence()] if self.asked_after else [])
                truth, success = session.attempt(activity, GRADES[at])
                truths.append(truth)
                now.made(GRADES[at], success)
            done += now.evidence()
        return truths

    def _best(self, session: Session, activity: str, done: list[SetEvidence]) -> int:
        """The grade that suits best, by a belief that is sure of all but the day."""
        child, week = session.child, session.week
        sure = Estimate(0.0, 1e-3, cov=((1e-6, 0.0, 0.0), (0.0, 0.0, 0.0), (0.0, 0.0, 0.0)))
        level = child.level(week, activity)
        moved = [
            SetEvidence("", s.difficulty - child.level(week, s.activity_id), s.tries, s.successes) for s in done
        ]  # every activity's work as if the child were at rung 0
        return fits_today(sure, moved, session.on, "", [g - level for g in GRADES]).best(at=0)


@dataclass
class ByAge:
    """One grade for everybody: the middle rung of the age, whatever happens."""

    def play(self, session: Session) -> list[float]:
        rung = float(GRADES[int(np.argmin(np.abs(np.array(GRADES) - 4.0)))])
        return [session.attempt(activity, rung)[0] for activity in session.activities for _ in range(TRIES)]


def made(seed: int, kind: str) -> Child:
    """One made-up child, by its seed and its way of learning."""
    random = np.random.default_rng(900 + seed)
    return Child(float(random.uniform(2.5, 6.0)), kind, random)


def sessions(child: Child, weeks: int = SESSIONS) -> Iterator[Session]:
    """The sessions of one made-up child, each on a day of its own."""
    for week in range(weeks):
        child.new_day()
        activities = tuple(KNOWN[n] for n in child.random.choice(ACTIVITIES, SETS, replace=False))
        yield Session(child, week, DAY + timedelta(weeks=week), activities)


def well_placed(
    way: Callable[[], Way], kind: str, children: int = 40, born: Callable[[int, str], Child] = made
) -> tuple[float, float]:
    """Return (share, standard error) of the tries after the lead-in whose true chance lies in the zone.

    born -- makes a child from its seed and its kind
    """
    shares = []
    for seed in range(children):
        chooser, inside = way(), []
        for session in sessions(born(seed, kind)):
            truths = chooser.play(session)
            if session.week >= LEAD_IN:
                inside += [WELL_PLACED.low <= t <= WELL_PLACED.high for t in truths]
        shares.append(np.mean(inside))
    return float(np.mean(shares)), float(np.std(shares, ddof=1) / np.sqrt(children))


def made_for_forecasts(seed: int, kind: str) -> Child:
    """One made-up child whose rung is drawn from the first guess."""
    random = np.random.default_rng(5000 + seed)
    return Child(float(random.normal(4, 1.2)), kind, random)


def calibration(
    children: int = 240, kinds: Sequence[str] = tuple(LEARNING), born: Callable[[int, str], Child] = made_for_forecasts
) -> tuple[float, dict[str, tuple[float, float, int]]]:
    """Return how far forecasts are from what came, in the mean over ten bands, and by band (said, came, sets)."""
    words, came = [], []
    for seed in range(children):
        child, estimate = born(seed, kinds[seed % len(kinds)]), Estimate(4.0, 1.2)
        for session in sessions(child, weeks=12):
            today, sets = on_day(estimate, session.on), []
            for activity in session.activities:
                rung = float(child.random.uniform(today.mean - 1.2, today.mean + 1.2))
                words.append(float(chance(today, rung, activity_id=activity)))
                won = sum(session.attempt(activity, rung)[1] for _ in range(TRIES))
                came.append(won / TRIES)
                sets.append(SetEvidence(activity, rung, TRIES, won))
            estimate = update(estimate, sets, session.on)
    return gap_of(np.array(words), np.array(came))


def gap_of(forecast: Floats, outcome: Floats) -> tuple[float, dict[str, tuple[float, float, int]]]:
    """How far forecasts are from what came, in the mean over bands a tenth wide; and each band."""
    bands = {}
    for low in np.arange(0.2, 1.0, 0.1):
        inside = (forecast >= low) & (forecast < low + 0.1)
        if inside.sum() >= 30:
            bands[f"{low:.1f}"] = (float(forecast[inside].mean()), float(outcome[inside].mean()), int(inside.sum()))
    weight = sum(n for _, _, n in bands.values())
    return sum(abs(a - b) * n for a, b, n in bands.values()) / weight, bands


def steps(children: int = 120, weeks: int = 14) -> Counter[str]:
    """Follow what the decisions say on one activity: steps up and down and how many of them the truth does not bear
    out, and sessions a ready child waited. A child who relies on prompts gets one after most failed tries.
    """
    by_rung = {round(difficulty(v)["pinch"], 2): v for v in variants_of(LIBRARY["peg_fence"])}
    ladder = [by_rung[rung] for rung in sorted(by_rung)]
    result: Counter[str] = Counter()
    for seed in range(children):
        random = np.random.default_rng(8000 + seed)
        child = Child(float(random.uniform(1.5, 4.0)), list(LEARNING)[seed % len(LEARNING)], random)
        at, estimate, history = 0, Estimate(2.5, 1.2), []
        for week in range(weeks):
            child.new_day()
            day = DAY + timedelta(weeks=week)
            sets = [s for n in range(2) for s in _set(child, week, ladder[at], day, f"b{n}")]
            history += sets
            estimate = update(estimate, [s.evidence("pinch") for s in sets], day)
            today, child.day = child.day, 0.0
            truth = child.true_chance(week, "peg_fence", difficulty(ladder[at])["pinch"])
            child.day = today
            kind = decide(history, estimate, policy_for("pinch", day)).kind
            top = at == len(ladder) - 1
            ready = truth >= 0.9 and not top
            result["ready sessions"] += ready
            result["ready and not moved up"] += ready and kind != "up"
            result["sessions"] += 1
            result["well placed"] += WELL_PLACED.low <= truth <= WELL_PLACED.high
            if kind == "up" and not top:
                result["up"] += 1
                result["wrong up"] += truth < READY
                at += 1
            elif kind == "down" and at:
                result["down"] += 1
                result["wrong down"] += truth >= READY
                at -= 1
    return result


def _set(child: Child, week: int, variant: Variant, day: date, block: str) -> list[SetResult]:
    """One set as it would be recorded: what was managed alone, and what came right with a cue after failing."""
    truth = child.true_chance(week, variant.activity_id, difficulty(variant)["pinch"])
    tries = [bool(child.random.random() < truth) for _ in range(TRIES)]
    cued = sum(not won and child.kind == "prompt_dependent" and child.random.random() < HELP_AFTER for won in tries)
    alone = SetResult(
        day,
        block,
        variant.activity_id,
        variant.grade,
        "alone",
        "right",
        TRIES - cued,
        sum(tries),
    )
    with_cue = SetResult(day, block, variant.activity_id, variant.grade, "spoken", "right", cued, cued)
    return [alone, with_cue] if cued else [alone]
