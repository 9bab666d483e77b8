"""Plays the demo's histories: made-up children run their plans, tap by tap, through the real actions."""

from collections.abc import Iterator, Mapping
from datetime import UTC, date, datetime, time, timedelta
from typing import Any
from uuid import UUID

import numpy as np

from caseload.actions import add_child, note_task, set_rung
from caseload.models import Child, Home, StrandEstimate
from clinic.models import Member
from core.ability import TaskSeen, WithWhom
from core.ability.simulation import Child as MadeUp
from core.child import DEFAULTS
from core.library import find_activity
from core.offers import difficulty
from core.recording import SupportLevel
from core.running import HANDS
from core.skills import STRANDS
from demo.clinic_data import DemoChild
from planning.actions import Infeasible, make_plan
from planning.models import Plan
from planning.workbench import Wish
from progress.actions import finish_run
from running.actions import keep_events, start_run
from running.frozen import FrozenBlock
from running.models import Run
from running.queries import blocks_of
from visits.actions import When, add_visits

MADE_UP_READINGS = {
    # what a made-up child reads at its worst and at its best, in the measure's own unit
    "newton": (4, 14),
    "tokens": (1, 7),
    "off_line": (12, 1),
    "on_line": (50, 100),
    "overshoot": (15, 0),
    "filled": (50, 100),
    "over_edge": (30, 0),
    "tower": (60, 240),
    "spills": (6, 0),
    "grip": (2, 5),
    "grip_minutes": (1, 12),
    "task_seconds": (120, 20),
    "steps_alone": (0, 5),
    "legible": (3, 10),
    "pain": (2, 0),
    "effort": (8, 3),
    "own_rating": (4, 9),
    "unasked": (1, 8),
    "gauge": (20, 90),
}
OTHER_HAND_RUNGS = 0.5  # how much harder made-up work is for the other hand, in rungs


def born(months_old: int, today: date) -> date:
    """A birth date that makes a child that many months old today, and a few days."""
    year, month = divmod(today.year * 12 + today.month - 1 - months_old, 12)
    return date(year, month + 1, min(today.day, 28)) - timedelta(days=6)


def add_demo_child(member: Member, homes: dict[str, Home], demo: DemoChild, today: date) -> Child:
    """Add one child of the demo, as known on the day of the first session."""
    profile = {
        "first_name": demo.first_name,
        "birth_date": born(demo.age_months, today),
        "hand": demo.hand,
        "mouthing": demo.mouthing,
        "allergies": list(demo.allergies),
        "other_allergies": [],
        "precautions": list(demo.precautions),
        "assisting_hand": demo.assisting_hand,
        "splint_hand": "none",
        "refuses": list(demo.refuses),
        "likes": list(demo.likes),
        "wanted": list(demo.wanted),
        "reason": demo.reason,
        "family_words": demo.family_words,
        "wary_of": list(demo.wary_of),
        "seating": demo.seating,
        "attention_minutes": demo.attention_minutes,
        "force_limit_newton": None,
        **DEFAULTS,
        "sameness_policy": demo.sameness,
        "overlays": list(demo.overlays),
        "young_guises": False,
        "food_as_material": True,
        "every_days": demo.every_days,
        "consent_on": first_day(demo, today),
        "consent_words": "Parents, on paper: sessions, notes, sheets sent home.",
    }
    return add_child(member, homes[demo.home], profile, first_day(demo, today))


def show_tasks(member: Member, child: Child, demo: DemoChild, today: date) -> None:
    """Keep how the wanted tasks were seen in daily life."""
    for task, days_ago, steps_alone, place in demo.tasks:
        with_whom: WithWhom = "family" if place == "home" else "therapist" if place == "clinic" else "school"
        note_task(member, child, TaskSeen(task, today - timedelta(days=days_ago), steps_alone, place, with_whom))


def first_day(demo: DemoChild, today: date) -> date:
    """The day of the first session."""
    return today - timedelta(days=demo.last_days_ago + demo.every_days * max(demo.sessions - 1, 0))


def play(member: Member, child: Child, demo: DemoChild, today: date, random: np.random.Generator) -> int:
    """Play every session of one child; returns how many runs were stored."""
    truth = _truth(child, demo, today, random)
    start = first_day(demo, today)
    for strand in sorted(s for s in STRANDS if STRANDS[s].target in demo.targets):
        seen = round(min(max(truth[strand].true_rung(0) + random.normal(0, 0.4), 1), STRANDS[strand].top))
        set_rung(member, child, strand, int(seen), start)
    played = 0
    for number in range(demo.sessions):
        on = start + timedelta(days=number * demo.every_days)
        played += _session(member, child, demo, on, number, truth, random)
    return played


def _truth(child: Child, demo: DemoChild, today: date, random: np.random.Generator) -> dict[str, MadeUp]:
    """The made-up truth of each strand: near the guess, moved by how this child is."""
    truth = {}
    rows = {r.strand: r for r in StrandEstimate.objects.filter(child=child)}
    for strand in STRANDS:
        shift = demo.start_shift if STRANDS[strand].target in demo.targets else 0.0
        rung = min(max(rows[strand].mean + shift + float(random.normal(0, 0.3)), 1.0), STRANDS[strand].top - 0.5)
        truth[strand] = MadeUp(rung, demo.kind, random, per_week=demo.per_week)
    return truth


def _session(
    member: Member,
    child: Child,
    demo: DemoChild,
    on: date,
    number: int,
    truth: dict[str, MadeUp],
    random: np.random.Generator,
) -> int:
    child = Child.objects.select_related("home").prefetch_related("estimates").get(pk=child.pk)
    wish = Wish(demo.minutes, demo.targets, "home", child.home.supervision)
    try:
        plan = make_plan(member, child, child.home, wish, on)
    except Infeasible:
        return 0
    run = start_run(member, plan, _id(random), on)
    week = number * demo.every_days / 7
    for made_up in truth.values():
        made_up.new_day()
    keep_events(member, run, list(_taps(run, child, demo, week, truth, random)))
    finish_run(member, run)
    _date_back(run, datetime.combine(on, time(15, 0), tzinfo=UTC))
    return 1


def _date_back(run: Run, then: datetime) -> None:
    """Stored times of the demo's past sessions are those of the session, not of the loading."""
    Plan.objects.filter(pk=run.plan_id).update(made_at=then)
    Run.objects.filter(pk=run.pk).update(started_at=then, ended_at=then)
    run.events.update(received_at=then)


def asked_by(frozen: FrozenBlock) -> Mapping[str, float]:
    """The rung a block asks of every strand it trains, by the force of the things at hand."""
    here = next(g for g in frozen.grades if g.here)
    asked = {**difficulty(frozen.block.variant), **here.rungs}
    return {s: asked[s] for s in find_activity(frozen.block.activity_id).trains}


def _weakest(
    truth: Mapping[str, MadeUp],
    asked: Mapping[str, float],
    week: float,
    activity_id: str,
    harder: float,
    support: SupportLevel,
) -> float:
    """The true chance of a try: the strand furthest below what is asked decides."""
    return min(truth[s].true_chance(week, activity_id, rung + harder, support) for s, rung in asked.items())


def _taps(
    run: Run, child: Child, demo: DemoChild, week: float, truth: dict[str, MadeUp], random: np.random.Generator
) -> Iterator[dict[str, Any]]:
    """What would be tapped in one session, second by second: least help first, so help comes after a failed try."""
    at = datetime.combine(run.on, time(14, 5), tzinfo=UTC)
    for frozen in blocks_of(run):
        block = frozen.block
        trained = asked_by(frozen)
        hand = frozen.hand if frozen.hand in HANDS else "right"
        harder = OTHER_HAND_RUNGS if child.hand in HANDS and hand != child.hand else 0.0
        for _ in range(block.sets):
            misses = 0
            for _ in range(block.count):
                helps = misses >= 2 or (demo.helped and random.random() < 0.75)
                chances = [_weakest(truth, trained, week, block.activity_id, harder, s) for s in ("alone", "spoken")]
                luck = float(random.random())
                support = "spoken" if chances[0] <= luck < chances[1] and helps else "alone"
                won = luck < chances[helps]
                misses = 0 if won else misses + 1
                at += timedelta(seconds=max(1.0, block.seconds_a_try * float(random.lognormal(0, 0.25))))
                yield _event(
                    frozen,
                    "try",
                    at,
                    random,
                    {
                        "outcome": "success" if won else "miss",
                        "support": support,
                        "grade": block.grade,
                        "hand": hand,
                        "help_first": False,
                    },
                )
                if not won and random.random() < 0.2 and block.watch:
                    mark = block.watch[int(random.integers(len(block.watch)))].id
                    yield _event(frozen, "mark", at, random, {"mark": mark})
            skill = _weakest(truth, trained, week, block.activity_id, harder, "alone")
            for kind, value in _read_off(frozen, skill, random):
                yield _event(frozen, kind, at, random, value)
            at += timedelta(seconds=block.rest_seconds)
        at += timedelta(seconds=90)


def _event(
    block: FrozenBlock, kind: str, at: datetime, random: np.random.Generator, value: Mapping[str, object]
) -> dict[str, Any]:
    return {"id": str(_id(random)), "block": block.id, "kind": kind, "at": at, "value": value}


def _read_off(
    frozen: FrozenBlock, skill: float, random: np.random.Generator
) -> Iterator[tuple[str, dict[str, object]]]:
    """What would be measured after a set, better with skill (the true chance, 0 to 1)."""
    for asked in frozen.measures:
        worst, best = MADE_UP_READINGS[asked.id]
        best = int(asked.highest) - 1 if asked.id == "steps_alone" else best
        read = asked.usual or worst + (best - worst) * min(max(skill + random.normal(0, 0.1), 0), 1)
        step = asked.step
        yield (
            "measure",
            {"measure": asked.id, "value": min(max(round(read / step) * step, asked.lowest), asked.highest)},
        )
    if "hold" in find_activity(frozen.block.activity_id).measures:
        for _ in range(3):
            yield "hold", {"seconds": round(max(0.5, 2 + 8 * skill + float(random.normal(0, 1))), 1)}


def _id(random: np.random.Generator) -> UUID:
    return UUID(bytes=random.bytes(16), version=4)


def visit_weekly(member: Member, child: Child, demo: DemoChild, number: int, today: date) -> None:
    """Put a child's next visits into the calendar: due ones today, the others when they come round."""
    due = first_day(demo, today) + timedelta(days=demo.every_days * max(demo.sessions, 1))
    on = max(today, due)
    at = time(9 + number % 7, 30 * (number % 2))
    add_visits(member, child, When(child.home, member, on, at, demo.minutes), max(1, demo.every_days // 7), 6, today)
