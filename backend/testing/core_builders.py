"""Plain values the core's tests share. No database."""

import random
from collections.abc import Iterable
from datetime import date
from itertools import groupby
from typing import Any

from core import ability
from core.child import Child, Setting
from core.library import ACTIVITIES, THINGS
from core.offers import UsableCupboard
from core.offers.usable_cupboard import stock_of
from core.planner import SessionRequest
from core.recording import SupportLevel
from core.running import SetResult
from core.skills import STRANDS, WANTED_TASKS

CLINIC = Setting("clinic", "arms_reach")


def everything() -> dict[str, int]:
    """One of every known thing, in its usual number."""
    return {m.id: m.typical_count for m in THINGS.values()}


def full_house(child: Child | None = None, setting: Setting = CLINIC) -> UsableCupboard:
    """A house that has everything."""
    return UsableCupboard(stock_of(everything()), child or Child(72, hand="right"), setting)


def request_for(
    child: Child, stock: dict[str, int], minutes: int = 35, targets: tuple[str, ...] = ("grasp",), **more: Any
) -> SessionRequest:
    """A request with every strand guessed from age."""
    estimates = {s: ability.start(child, s) for s in STRANDS}
    return SessionRequest(child, CLINIC, stock_of(stock), estimates, minutes, targets, **more)


def made_up_request(seed: int) -> SessionRequest:
    """A made-up child in a made-up home, the same for the same seed."""
    rng = random.Random(seed)
    ids = rng.sample(sorted(THINGS), rng.choice([25, 50, 90, 150]))
    child = Child(
        rng.randint(20, 120),
        hand=rng.choice(["right", "left", "not_settled"]),
        mouthing=rng.choice(["never", "never", "sometimes", "often"]),
        allergies=frozenset(rng.sample(["wheat", "latex", "egg", "milk"], rng.choice([0, 0, 1, 2]))),
        precautions=frozenset(rng.sample(["wrist_weight", "joint_laxity", "pain"], rng.choice([0, 0, 0, 1]))),
        likes=frozenset({"boats"}),
        wanted=tuple(rng.sample(sorted(WANTED_TASKS), 2)),
        attention_minutes=rng.choice([10, 20, 30, 40]),
    )
    estimates = {
        s: ability.Estimate(max(0.5, ability.start(child, s).mean + rng.gauss(0, 0.7)), rng.uniform(0.3, 1.2))
        for s in STRANDS
    }
    setting = Setting(rng.choice(["home", "clinic", "school"]), rng.choice(["arms_reach", "arms_reach", "room"]))
    recent = {activity: rng.randint(0, 3) for activity in rng.sample(sorted(ACTIVITIES), 8)}
    targets = tuple(rng.sample(["grasp", "strength", "in_hand", "bilateral", "scissors"], rng.choice([1, 2])))
    stock = stock_of({i: max(1, THINGS[i].typical_count // rng.choice([1, 2])) for i in ids})
    return SessionRequest(child, setting, stock, estimates, rng.choice([10, 20, 30, 45]), targets, recent=recent)


def believed(
    sets: Iterable[SetResult], strand: str, first: ability.Estimate | None = None, preferred: str = ""
) -> ability.Estimate:
    """What is believed after sets, from a first guess: by default a wide one at the rung of the first set."""
    done = sorted((s for s in sets), key=lambda s: s.on)
    estimate = first or ability.Estimate(done[0].difficulty[strand] if done else 3.0, 1.2)
    for on, day in groupby(done, key=lambda s: s.on):
        estimate = ability.update(estimate, [s.evidence(strand, preferred) for s in day], on)
    return estimate


def set_of(
    on: date,
    tries: int,
    successes: int,
    support: SupportLevel = "alone",
    grade: tuple[int, ...] = (1, 1, 0),
    activity_id: str = "load_the_barge",
    **more: Any,
) -> SetResult:
    """A set result."""
    return SetResult(on, "b0", activity_id, grade, support, "right", tries, successes, **more)
