"""What a first look finds out in twelve minutes: made-up children whose truth is known, against the same minutes of a
usual first session and against rungs set by eye.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import date
from time import perf_counter

import numpy as np

from core.ability import Estimate, SetEvidence, start, suggested_aims, update
from core.ability.estimate import DAY_SD, OFFSET_SD, SEEN_SD, odds_curve
from core.child import Child, Setting
from core.first_look import ENOUGH, LOOK_MINUTES, Ended, next_probe
from core.library import ACTIVITIES, THINGS
from core.offers import stock_of
from core.planner import SessionRequest, plan_session
from core.skills import STRANDS, WANTED_TASKS

ON = date(2026, 3, 2)
CHILDREN = 60
HELD_BACK_BY = 2  # strands, each half a rung or more short
USUAL_HOME = {t.id: t.typical_count for t in THINGS.values() if t.common}


@dataclass
class Truth:
    """A made-up child on one day: true rungs by strand, the day's swing, and what suits or does not."""

    rungs: Mapping[str, float]
    day: Mapping[str, float]
    random: np.random.Generator
    offsets: dict[tuple[str, str], float] = field(default_factory=dict)

    def play(self, activity_id: str, rungs: Mapping[str, float], tries: int) -> SetEvidence:
        """One set as it would go: the strand furthest below what is asked decides."""
        gap = min(self._level(s, activity_id) - r for s, r in rungs.items())
        won = int(self.random.binomial(tries, float(odds_curve(gap))))
        return SetEvidence(activity_id, max(rungs.values()), tries, won, rungs=rungs)

    def _level(self, strand: str, activity_id: str) -> float:
        key = (strand, activity_id)
        if key not in self.offsets:
            self.offsets[key] = float(self.random.normal(0, OFFSET_SD))
        return self.rungs[strand] + self.offsets[key] + self.day[strand]


def made_up(seed: int) -> tuple[SessionRequest, Truth]:
    """A child nobody has seen, in a usual home, and its truth, drawn from what age says."""
    random = np.random.default_rng(seed)
    task = list(WANTED_TASKS)[seed % len(WANTED_TASKS)]
    while True:  # until something holds the task back: nobody refers a child to whom nothing is hard
        child = Child(age_months=float(random.uniform(36, 96)), hand="right", wanted=(task,))
        guess = {s: start(child, s) for s in STRANDS}
        rungs = {s: float(np.clip(random.normal(e.mean, e.sd), 0, STRANDS[s].top)) for s, e in guess.items()}
        if sum(rung - rungs[s] > 0.5 for s, rung in WANTED_TASKS[task].demands.items()) >= HELD_BACK_BY:
            break
    day = {s: float(random.normal(0, DAY_SD)) for s in STRANDS}
    targets = tuple(a.target for a in suggested_aims((task,), guess)) or ("grasp",)
    request = SessionRequest(child, Setting("home", "arms_reach"), stock_of(USUAL_HOME), guess, LOOK_MINUTES, targets)
    return request, Truth(rungs, day, random)


def look(request: SessionRequest, truth: Truth) -> tuple[dict[str, Estimate], list[float], int]:
    """Play a first look to its end; return what is believed then, the chances that were asked, and the seconds a step
    took.
    """
    done: list[SetEvidence] = []
    chances: list[float] = []
    left = float(LOOK_MINUTES)
    while not isinstance(probe := next_probe(request, done, ON, left), Ended):
        activity = ACTIVITIES[probe.offer.variant.activity_id]
        rungs = {s: probe.offer.rungs[s] for s in activity.trains}
        done.append(truth.play(activity.id, rungs, probe.tries))
        chances.append(probe.expected)
        left -= probe.minutes
    return update(request.estimates, done, ON), chances, len({s.activity_id for s in done})


def usual(request: SessionRequest, truth: Truth) -> dict[str, Estimate]:
    """The same minutes of a session as it would be planned without a look."""
    plan = plan_session(request)
    sets = []
    for block in plan.blocks:
        activity = ACTIVITIES[block.activity_id]
        offer = request.cupboard.offer(block.variant)
        rungs = {s: offer.rungs[s] for s in activity.trains} if offer else {}
        sets += [truth.play(activity.id, rungs, block.count) for _ in range(block.sets)]
    return update(request.estimates, sets, ON)


def by_eye(request: SessionRequest, truth: Truth) -> dict[str, Estimate]:
    """Every strand set to the rung a therapist saw, as near as seeing goes."""
    seen = {
        s: float(np.clip(round(truth.rungs[s] + truth.random.normal(0, SEEN_SD)), 1, STRANDS[s].top))
        for s in request.estimates
    }
    return {s: start(request.child, s, int(rung)) for s, rung in seen.items()}


def report(say: Callable[[str], None], children: int = CHILDREN) -> None:
    """Doubt and error in the strands that hold the wanted task back, before and after."""
    doubt: dict[str, list[float]] = {}
    error: dict[str, list[float]] = {}
    every: list[float] = []
    activities, seconds, steps = [], 0.0, 0
    for seed in range(children):
        request, truth = made_up(seed)
        begun = perf_counter()
        after, chances, kinds = look(request, truth)
        seconds, steps = seconds + perf_counter() - begun, steps + len(chances) + 1
        every += chances
        activities.append(kinds)
        ways = {
            "guessed from age": dict(request.estimates),
            "first look": after,
            "usual session": usual(request, truth),
            "by eye": by_eye(request, truth),
        }
        demands = WANTED_TASKS[request.child.wanted[0]].demands
        held = sorted(demands, key=lambda s: truth.rungs[s] - demands[s])[:HELD_BACK_BY]
        for name, believed in ways.items():
            doubt.setdefault(name, []).extend(believed[s].sd for s in held)
            error.setdefault(name, []).extend(believed[s].mean - truth.rungs[s] for s in held)
    for name, sds in doubt.items():
        off = np.sqrt(np.mean(np.square(error[name])))
        known = np.mean(np.array(sds) <= ENOUGH)
        say(f"first look, {name}: doubt {np.mean(sds):.2f} rungs, off by {off:.2f} (rms), {100 * known:.0f} % known")
    ratio = np.mean(doubt["first look"]) / np.mean(doubt["usual session"])
    say(f"  {100 * (1 - ratio):.0f} % less doubt than the same minutes of a usual session")
    say(
        f"  {len(every) / children:.1f} sets of {np.mean(activities):.1f} activities; expected alone "
        f"{np.mean(every):.2f}, least {min(every):.2f}; {1000 * seconds / steps:.0f} ms to choose a set"
    )
