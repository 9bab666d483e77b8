"""How long judgement takes: a tap's advice, a year of a child worked out again, a clinic's difficulties."""

from collections.abc import Callable
from datetime import timedelta
from time import perf_counter

import numpy as np

from benchmarks.choosing import DAY, GRADES, TRIES
from benchmarks.refit import FIRST, STRAND, Clinic, strand_activities
from core.ability import Estimate, SetEvidence, update
from core.ability.simulation import Child
from core.progress import smoothed
from core.refit import History, refit
from core.running import fits_today

Say = Callable[[str], object]


def timed(work: Callable[[], object], rounds: int = 5) -> float:
    """The median time of some work, in milliseconds."""
    times = []
    for _ in range(rounds):
        began = perf_counter()
        work()
        times.append(1000 * (perf_counter() - began))
    return float(np.median(times))


def a_year() -> list[list[SetEvidence]]:
    """Fifty sessions of four sets, half of them asking of two strands."""
    random = np.random.default_rng(3)
    child, days = Child(4.0, "slow", random), []
    for week in range(50):
        child.new_day()
        sets = []
        for n in range(4):
            activity = f"f{random.integers(12)}"
            s = child.play(week, activity, 4.0 + float(random.normal(0, 0.4)), TRIES)
            rungs = {"a": s.difficulty} if n % 2 else {"a": s.difficulty, "b": s.difficulty}
            sets.append(SetEvidence(activity, s.difficulty, TRIES, s.successes, rungs=rungs))
        days.append(sets)
    return days


def figures(say: Say) -> None:
    """Goals: advice of a tap 10 ms, a year's replay 100 ms, 30 children of 50 sessions 10 s."""
    days = a_year()

    def replay() -> dict[str, Estimate]:
        now = {"a": Estimate(4.0, 1.5), "b": Estimate(4.0, 1.5)}
        for week, sets in enumerate(days):
            now = update(now, sets, DAY + timedelta(weeks=week))
        return now

    known = replay()["a"]
    today, today_sets = DAY + timedelta(weeks=51), days[0][:3]
    say(f"estimate and advice of a tap: {timed(lambda: fits_today(known, today_sets, today, 'f0', GRADES)):.1f} ms")
    say(f"a year of one child worked out again (50 sessions, 200 sets): {timed(replay):.0f} ms")
    clinic = Clinic(STRAND, dict.fromkeys(strand_activities(STRAND), 0.0), np.random.default_rng(9))
    played = [clinic.play(clinic.child(), 50)[0] for _ in range(30)]
    backwards = timed(lambda: smoothed({STRAND: FIRST}, played[0]))
    say(f"where one child stood, backwards too (50 sessions): {backwards:.0f} ms")
    histories = [History(n, {STRAND: FIRST}, sets) for n, sets in enumerate(played)]
    say(f"a clinic's difficulties (30 children of 50 sessions): {timed(lambda: refit(histories), 1) / 1000:.1f} s")
