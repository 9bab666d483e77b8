"""Ways of choosing the next grade, played by made-up children whose truth is known; and how often what is said comes
true.

The staircase (up after two sets at 8 in 10 or better, down under 5 in 10) is common practice, no source. The
oracle knows the truth but not the day. A set is well placed when its true chance lies between 0.65 and 0.90.
"""

from collections import Counter
from collections.abc import Callable
from datetime import date, timedelta

import numpy as np

from core.ability import Estimate, SetEvidence, chance, on_day, update
from core.ability.simulation import LEARNING, Child
from core.library import ACTIVITIES as LIBRARY
from core.offers import Variant, difficulty, variants_of
from core.progress import decide, policy_for
from core.running import SetResult
from core.running.grade_advice import fits_today

READY = 0.75  # true chance at a grade under which a step up from it was wrong; project definition
GRADES = np.arange(0.5, 9.0, 0.4)  # rungs a home offers
SETS, TRIES, SESSIONS, ACTIVITIES, LEAD_IN = 3, 8, 14, 6, 4
DAY = date(2026, 1, 5)


def by_estimate(on_the_spot: bool = True) -> Callable[[Child, int], list[float]]:
    """Likeliest to be well placed by the estimate, the activity's offset and the child's gain learned.

    on_the_spot -- choose each set's grade after the sets already done that day, as the run view does;
                   else before the session
    """
    state = {"estimate": Estimate(4.0, 1.5)}

    def session(child: Child, week: int) -> list[float]:
        day = DAY + timedelta(weeks=week)
        sets: list[SetEvidence] = []
        truths: list[float] = []
        for activity in _families(child):
            offers = [(Variant(activity, ()), float(rung)) for rung in GRADES]
            fits = fits_today(state["estimate"], sets if on_the_spot else [], day, activity, offers)
            rung = max(fits, key=lambda f: f.well_placed).rung
            truths.append(child.true_chance(week, activity, rung))
            sets.append(child.play(week, activity, rung, TRIES))
        state["estimate"] = update(state["estimate"], sets, day)
        return truths

    return session


def by_staircase() -> Callable[[Child, int], list[float]]:
    """One grade for the strand: up after two good sets, down after a bad one."""
    state = {"at": int(np.argmin(np.abs(GRADES - 4.0))), "good": 0}

    def session(child: Child, week: int) -> list[float]:
        truths = []
        for activity in _families(child):
            rung = float(GRADES[state["at"]])
            truths.append(child.true_chance(week, activity, rung))
            share = child.play(week, activity, rung, TRIES).successes / TRIES
            state["good"] = state["good"] + 1 if share >= 0.8 else 0
            if state["good"] == 2:
                state["at"], state["good"] = min(state["at"] + 1, len(GRADES) - 1), 0
            elif share < 0.5:
                state["at"] = max(state["at"] - 1, 0)
        return truths

    return session


def by_oracle() -> Callable[[Child, int], list[float]]:
    """Nearest to 8 in 10 by the truth, the day left out."""

    def session(child: Child, week: int) -> list[float]:
        truths = []
        for activity in _families(child):
            level = child.true_rung(week) + child.offset(activity)
            rung = float(GRADES[np.argmin(np.abs(GRADES - level))])
            truths.append(child.true_chance(week, activity, rung))
        return truths

    return session


def _families(child: Child) -> list[str]:
    return [f"f{child.random.integers(ACTIVITIES)}" for _ in range(SETS)]


def well_placed(way: Callable[[], Callable[[Child, int], list[float]]], kind: str, children: int = 40) -> float:
    """The share of sets after the lead-in whose true chance lies in the zone."""
    inside: list[bool] = []
    for seed in range(children):
        random = np.random.default_rng(900 + seed)
        child, session = Child(float(random.uniform(2.5, 6.0)), kind, random), way()
        for week in range(SESSIONS):
            child.new_day()
            truths = session(child, week)
            if week >= LEAD_IN:
                inside += [0.65 <= t <= 0.90 for t in truths]
    return float(np.mean(inside))


def by_age() -> Callable[[Child, int], list[float]]:
    """One grade for everybody: the middle rung of the age, whatever happens."""

    def session(child: Child, week: int) -> list[float]:
        rung = float(GRADES[np.argmin(np.abs(GRADES - 4.0))])
        return [child.true_chance(week, f"f{child.random.integers(ACTIVITIES)}", rung) for _ in range(3)]

    return session


def calibration() -> tuple[float, dict[str, tuple[float, float, int]]]:
    """Return the mean distance between forecast and outcome over ten bands, weighted, and by band
    (said, came, sets).
    """
    words, came = [], []
    for seed in range(240):
        random = np.random.default_rng(5000 + seed)
        child, estimate = (
            Child(float(random.normal(4, 1.2)), list(LEARNING)[seed % len(LEARNING)], random),
            Estimate(4.0, 1.2),
        )
        for week in range(12):
            child.new_day()
            day = DAY + timedelta(weeks=week)
            today, sets = on_day(estimate, day), []
            for _ in range(3):
                activity, rung = (
                    f"f{random.integers(ACTIVITIES)}",
                    float(random.uniform(today.mean - 1.2, today.mean + 1.2)),
                )
                words.append(float(chance(today, rung, activity_id=activity)))
                done = child.play(week, activity, rung, TRIES)
                came.append(done.successes / TRIES)
                sets.append(done)
            estimate = update(estimate, sets, day)
    forecast, outcome = np.array(words), np.array(came)
    bands = {}
    for low in np.arange(0.2, 1.0, 0.1):
        inside = (forecast >= low) & (forecast < low + 0.1)
        if inside.sum() >= 30:
            bands[f"{low:.1f}"] = (float(forecast[inside].mean()), float(outcome[inside].mean()), int(inside.sum()))
    weight = sum(n for _, _, n in bands.values())
    return sum(abs(a - b) * n for a, b, n in bands.values()) / weight, bands


def steps(children: int = 120) -> Counter[str]:
    """Follow what the decisions say on one activity: how many steps up, wrong ones, and sessions a
    ready child waited.
    """
    ladder = sorted(variants_of(LIBRARY["peg_fence"]), key=lambda v: difficulty(v)["pinch"])
    result: Counter[str] = Counter()
    for seed in range(children):
        random = np.random.default_rng(8000 + seed)
        child = Child(float(random.uniform(1.5, 4.0)), list(LEARNING)[seed % len(LEARNING)], random)
        at, estimate, history, waited = 0, Estimate(2.5, 1.2), [], 0
        for week in range(14):
            child.new_day()
            day: date = DAY + timedelta(weeks=week)
            variant, rung = ladder[at], difficulty(ladder[at])["pinch"]
            sets = [child.play(week, "peg_fence", rung, TRIES) for _ in range(2)]
            history += [
                SetResult(day, "b0", "peg_fence", variant.grade, "alone", "right", s.tries, s.successes) for s in sets
            ]
            estimate = update(estimate, [SetEvidence("peg_fence", rung, s.tries, s.successes) for s in sets], day)
            truth = _true_chance(child, week, rung)
            kind = decide(history, estimate, policy_for("pinch", day)).kind
            waited = waited + 1 if truth >= 0.9 and kind != "up" else 0
            result["sessions a ready child waited"] += waited > 0
            result["sessions"] += 1
            if kind == "up" and at < len(ladder) - 1:
                result["up"] += 1
                result["wrong"] += truth < READY
                at += 1
            elif kind == "down" and at:
                at -= 1
    return result


def _true_chance(child: Child, week: int, rung: float) -> float:
    """The truth with the day left out."""
    today, child.day = child.day, 0.0
    truth = child.true_chance(week, "peg_fence", rung)
    child.day = today
    return truth
