"""How often a move is said of children who did not move, and found of those who did: children of known truth."""

from collections.abc import Callable
from datetime import timedelta

import numpy as np

from benchmarks.choosing import DAY, TRIES
from core.ability import Estimate, on_day, update
from core.ability.simulation import Child
from core.library import ACTIVITIES
from core.progress import day_levels, moved, smoothed
from core.running import SetResult
from core.skills import STRANDS

Say = Callable[[str], object]
WEEKS = 10
STRAND = "hold_and_act"
PLAYED = ("load_the_barge", "drop_anchor", "clip_chain")
FIRST = Estimate(3.0, 0.6)


def one(seed: int, gained: float, doubt: float = 0.6) -> tuple[str, float]:
    """Return what is said of a child who gains so many rungs in ten weeks, and by how much it is said to have moved.

    Three sets a session at the rung that is believed. doubt -- of the first guess
    """
    random = np.random.default_rng(7000 + seed)
    child = Child(float(random.normal(3.0, doubt)), "slow", random, per_week=gained / (WEEKS - 1))
    start = Estimate(3.0, doubt)
    estimate, sets = start, []
    for week in range(WEEKS):
        child.new_day()
        on = DAY + timedelta(weeks=week)
        rung = on_day(estimate, on).mean
        today = []
        for n, activity in enumerate(PLAYED):
            won = child.play(week, activity, rung, TRIES).successes
            grade = (0,) * len(ACTIVITIES[activity].axes)
            today.append(SetResult(on, f"b{n}", activity, grade, "alone", "", TRIES, won, asked={STRAND: rung}))
        estimate = update(estimate, [s.evidence(STRAND) for s in today], on)
        sets += today
    path = smoothed({STRAND: start}, sets)[STRAND]
    said = moved(STRANDS[STRAND], path, day_levels(STRAND, sets))
    return said.kind, said.change


def shares(gained: float, children: int = 200) -> dict[str, float]:
    """The share of children of whom each kind of movement is said."""
    kinds = [one(seed, gained)[0] for seed in range(children)]
    return {kind: kinds.count(kind) / children for kind in ("up", "steady", "down", "too_few")}


def report(say: Say, children: int = 400) -> None:
    """Of children who stood still, who gained a rung, and who lost one."""
    for gained, words in (
        (0.0, "stood still"),
        (0.5, "gained half a rung"),
        (1.0, "gained a rung"),
        (-1.0, "lost a rung"),
    ):
        found = shares(gained, children)
        say(f"of children who {words} in {WEEKS} weeks: said up {found['up']:.0%}, down {found['down']:.0%}")
