"""How far the estimate and the steps can be trusted: made-up children of known truth, every kind,
against other ways.
"""

from collections.abc import Callable
from datetime import timedelta

import numpy as np

from benchmarks.choosing import (
    ACTIVITIES,
    DAY,
    TRIES,
    by_age,
    by_estimate,
    by_oracle,
    by_staircase,
    calibration,
    steps,
    well_placed,
)
from core.ability import Estimate, on_day, update
from core.ability.simulation import LEARNING, Child

Say = Callable[[str], object]


def placed(say: Say, children: int = 40) -> None:
    """The share of sets whose true chance lies in the zone, after four sessions."""
    ways = {
        "on the spot": by_estimate,
        "before the session": lambda: by_estimate(on_the_spot=False),
        "staircase": by_staircase,
        "by age": by_age,
        "oracle": by_oracle,
    }
    shares = {name: {kind: well_placed(way, kind, children) for kind in LEARNING} for name, way in ways.items()}
    for kind in LEARNING:
        ours, best, stairs = shares["on the spot"][kind], shares["oracle"][kind], shares["staircase"][kind]
        listed = ", ".join(f"{name} {shares[name][kind]:.2f}" for name in ways)
        say(
            f"well-placed sets, {kind}: {listed}; {ours / best:.2f} of the oracle, {ours / stairs:.2f} times the "
            "staircase"
        )
    mean = {name: float(np.mean(list(by_kind.values()))) for name, by_kind in shares.items()}
    say(
        f"well-placed sets, all kinds: {mean['on the spot'] / mean['oracle']:.2f} of the oracle, "
        f"{mean['on the spot'] / mean['staircase']:.2f} times the staircase"
    )


def error_by_session(say: Say) -> None:
    """How far the estimate is from the truth after each session, in rungs, and how often it claims to be that near."""
    errors: list[list[float]] = [[] for _ in range(12)]
    for seed in range(120):
        random = np.random.default_rng(seed)
        child, estimate = (
            Child(float(random.uniform(2.5, 6)), list(LEARNING)[seed % len(LEARNING)], random),
            Estimate(4.0, 1.5),
        )
        for week in range(12):
            child.new_day()
            estimate = _session(child, estimate, week)
            errors[week].append(estimate.mean - child.true_rung(week))
    result = ", ".join(f"{w + 1}: {np.sqrt(np.mean(np.square(errors[w]))):.2f}" for w in (0, 1, 3, 5, 7, 11))
    say(f"error of the estimate in rungs, by session (root mean square): {result}")


def _session(child: Child, estimate: Estimate, week: int) -> Estimate:
    day = DAY + timedelta(weeks=week)
    rung = on_day(estimate, day).mean
    sets = [child.play(week, f"f{child.random.integers(ACTIVITIES)}", rung, TRIES) for _ in range(3)]
    return update(estimate, sets, day)


def calibrated(say: Say) -> None:
    """Of all forecasts of so many in ten, how many came true."""
    error, bands = calibration()
    words, came, sets = bands["0.8"]
    say(
        f"calibration: forecasts miss by {error:.3f} in the mean; of {sets} forecasts near {words:.2f}, {came:.2f} "
        "came true"
    )


def stepped(say: Say) -> None:
    """Steps up that the truth did not bear out, and waits of children long ready."""
    result = steps()
    say(
        f"steps up: {result['up']}, wrong {result['wrong'] / max(result['up'], 1):.1%}; a child with 9 of 10 waited "
        f"in {result['sessions a ready child waited'] / result['sessions']:.0%} of sessions"
    )


def report(say: Say) -> None:
    """All of it."""
    for part in (placed, error_by_session, calibrated, stepped):
        part(say)
