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
    ByAge,
    ByEstimate,
    ByOracle,
    ByStaircase,
    Way,
    calibration,
    steps,
    well_placed,
)
from benchmarks.others import WAYS_TO_DIFFER, other
from core.ability import Estimate, on_day, update
from core.ability.simulation import LEARNING, Child
from core.running import ASKED_AFTER

Say = Callable[[str], object]
WAYS: dict[str, Callable[[], Way]] = {
    "as the application": ByEstimate,
    "activities given": lambda: ByEstimate(chooses=False),
    "before the session": lambda: ByEstimate(asked_after=None, chooses=False),
    "staircase": ByStaircase,
    "by age": ByAge,
    "fair oracle": ByOracle,
    "oracle that learns the day": lambda: ByOracle(ASKED_AFTER),
}


def placed(say: Say, children: int = 100) -> None:
    """The share of tries whose true chance lies in the zone, after four sessions, with its standard error."""
    shares = {name: {kind: well_placed(way, kind, children) for kind in LEARNING} for name, way in WAYS.items()}
    for kind in LEARNING:
        ours, best, stairs = (shares[n][kind][0] for n in ("as the application", "fair oracle", "staircase"))
        listed = ", ".join(f"{name} {s[kind][0]:.3f} ± {s[kind][1]:.3f}" for name, s in shares.items())
        say(
            f"well-placed tries, {kind}: {listed}; {ours / best:.2f} of the fair oracle, {ours / stairs:.2f} times the "
            "staircase"
        )
    mean = {name: float(np.mean([share for share, _ in by_kind.values()])) for name, by_kind in shares.items()}
    ours = mean["as the application"]
    say(
        "well-placed tries, all kinds: "
        + ", ".join(f"{name} {share:.3f}" for name, share in mean.items())
        + f"; {ours / mean['fair oracle']:.2f} of the fair oracle, {ours / mean['staircase']:.2f} times the staircase"
    )


def made_otherwise(say: Say, children: int = 60) -> None:
    """Children made in other ways than the estimate assumes: well-placed tries, and how far forecasts miss."""
    for way in WAYS_TO_DIFFER:
        ours, error = well_placed(ByEstimate, way, children, other)
        stairs, _ = well_placed(ByStaircase, way, children, other)
        missed, _ = calibration(children, (way,), other)
        say(
            f"made otherwise, {way}: well placed {ours:.3f} ± {error:.3f}, {ours / stairs:.2f} times the staircase; "
            f"forecasts miss by {missed:.3f}"
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
    """Steps up and down that the truth did not bear out, and waits of children long ready."""
    r = steps(360)
    wrong_up, wrong_down = r["wrong up"] / max(r["up"], 1), r["wrong down"] / max(r["down"], 1)
    late = r["ready and not moved up"] / max(r["ready sessions"], 1)
    say(
        f"steps up: {r['up']}, wrong {wrong_up:.1%}; steps down: {r['down']}, wrong {wrong_down:.0%}; "
        f"{late:.0%} of {r['ready sessions']} sessions of children with a true 9 of 10 brought no step up; "
        f"well placed by the next steps alone {r['well placed'] / r['sessions']:.2f}"
    )


def report(say: Say) -> None:
    """All of it."""
    for part in (placed, made_otherwise, error_by_session, calibrated, stepped):
        part(say)
