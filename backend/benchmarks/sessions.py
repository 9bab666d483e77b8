"""What the planned sessions are like: 300 made-up children, in figures a supervisor asks for."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import replace
from statistics import mean, median

from core.library import ACTIVITIES, practises
from core.planner import Block, SessionPlan, SessionRequest, WeekRequest, plan_session, plan_week, wishes_practised
from core.planner.candidates import all_candidates, doable_wishes
from core.planner.choice import week_options
from core.planner.week import as_home
from core.skills import WANTED_TASKS
from testing.core_builders import made_up_request

YOUNG_GUISE_MONTHS = 66
SEEDS = range(1000, 1300)
WISHING = range(2000, 2300)
WEEK = (15, 15, 15, 15, 15, 20, 20)  # minutes a family has from day to day


def figures(say: Callable[[str], None]) -> None:
    """Dose, the wanted task, tidying, guises, setting up, well-spent minutes."""
    made = [(r, p) for r in map(made_up_request, SEEDS) if (p := plan_session(r)).status != "infeasible"]
    blocks = [b for _, p in made for b in p.blocks]
    tries = [_tries_a_minute(p) for _, p in made]
    say(f"sessions: {len(made)} of {len(SEEDS)} made-up children have one, {len(blocks)} blocks")
    say(f"  tries a working minute: median {median(tries):.1f}, lowest {min(tries):.1f}")
    say(f"  of one-piece moves: {_one_piece(blocks)}")
    for minutes in (10, 20, 30, 45):
        of_these = [sum(b.sets * b.count for b in p.blocks) for r, p in made if r.minutes == minutes]
        say(f"  tries in {minutes} minutes: median {median(of_these):.0f}")
    daily = [(r, b) for r, p in made for b in p.blocks if b.part == "daily"]
    own = sum(_own(r, b) for r, b in daily)
    say(f"  daily blocks: {len(daily)}, on the wanted task itself {own} ({100 * own / max(1, len(daily)):.0f} %)")
    say(f"  things tidying brings new: {sum(_new_things(p) for _, p in made)}")
    young = sum(
        r.child.age_months >= ACTIVITIES[b.activity_id].ages(b.variant.grade)[1] for r, p in made for b in p.blocks
    )
    say(f"  guises of a younger child: {young}")
    set_up = mean((p.minutes - sum(b.minutes for b in p.blocks)) / r.minutes for r, p in made)
    well = mean(p.well_spent / r.minutes for r, p in made)
    shares = sorted(p.work_minutes / p.minutes for _, p in made)
    say(f"  work of a session's minutes: median {100 * median(shares):.0f} %, lowest {100 * shares[0]:.0f} %")
    say(f"  setting up: {100 * set_up:.0f} % of the minutes; well spent {well:.2f} a minute")
    say(f"  seated from end to end, under five and a half, 20 minutes or more: {sum(_seated(r, p) for r, p in made)}")


def wishes(say: Callable[[str], None]) -> None:
    """Whether the family's wishes that can be practised come up: in any two sessions, and in a week at home."""
    children = [c for c in map(_two_sessions, WISHING) if c is not None]
    doable = [(wishes, done) for wishes, done in children if wishes]
    first = [wishes[0] in session for wishes, done in doable for session in done]
    both = [set(wishes) <= done[0] | done[1] for wishes, done in doable]
    say(f"wishes that can be practised: {len(doable)} children, two sessions each")
    say(f"  the first in {_share(first)} of sessions, all within two in {_share(both)} of children")
    days = [w for w in map(_week, WISHING) if w]
    often = [[sum(task in day for day in done) for task in there] for there, done in days]
    first, every, twice = [n[0] > 0 for n in often], [min(n) > 0 for n in often], [min(n) > 1 for n in often]
    say(f"  weeks at home: {len(days)}; the first in {_share(first)}, all in {_share(every)}, twice in {_share(twice)}")


def _two_sessions(seed: int) -> tuple[tuple[str, ...], list[set[str]]] | None:
    """The wishes that can be practised, and those practised in each of two sessions; None without a plan."""
    request, recent, practised = replace(made_up_request(seed), recent={}), dict[str, int](), dict[str, int]()
    there, done = doable_wishes(all_candidates(request), request), []
    for _ in range(2):
        plan = plan_session(replace(request, recent=recent, practised=practised))
        if plan.status == "infeasible":
            return None
        done.append(_practised(plan.blocks))
        recent = _one_more(recent, (b.activity_id for b in plan.blocks))
        practised = _one_more(practised, done[-1])
    return there, done


def _week(seed: int) -> tuple[list[str], list[set[str]]] | None:
    """The wishes that can be practised at home, and those practised on each day; None without a wish or a plan."""
    request = made_up_request(seed)
    home = as_home(request)
    practised = {o.of.task for o in week_options(all_candidates(home))}
    there = [task for task in home.tasks if task in practised]
    plan = plan_week(WeekRequest(request, WEEK))
    return (there, [_practised(d.blocks) for d in plan.days]) if there and plan.status != "infeasible" else None


def _practised(blocks: Iterable[Block]) -> set[str]:
    """The wishes that blocks practise, the tasks themselves or their ladders."""
    return {t for b in blocks for t in wishes_practised(b.part, ACTIVITIES[b.activity_id], [b.task] if b.task else ())}


def _one_more(ago: dict[str, int], now: Iterable[str]) -> dict[str, int]:
    return {**{k: n + 1 for k, n in ago.items()}, **dict.fromkeys(now, 0)}


def _share(said: Sequence[bool]) -> str:
    return f"{100 * mean(said):.0f} %"


def _tries_a_minute(plan: SessionPlan) -> float:
    return sum(b.sets * b.count for b in plan.blocks) / sum(b.minutes for b in plan.blocks)


def _one_piece(blocks: Sequence[Block]) -> str:
    rates = [b.sets * b.count / b.minutes for b in blocks if ACTIVITIES[b.activity_id].work == "piece"]
    return f"lowest {min(rates):.1f}, median {median(rates):.1f}"


def _own(request: SessionRequest, block: Block) -> bool:
    tasks = [WANTED_TASKS[t] for t in request.child.wanted]
    activity = ACTIVITIES[block.activity_id]
    return any(block.strand == t.strand or practises(activity, s, t) for t in tasks for s in activity.trains)


def _new_things(plan: SessionPlan) -> int:
    out = {q.stock_id for b in plan.blocks if b.part != "tidy" for q in b.quantities}
    return sum(q.stock_id not in out for b in plan.blocks if b.part == "tidy" for q in b.quantities)


def _seated(request: SessionRequest, plan: SessionPlan) -> bool:
    moves = any(ACTIVITIES[b.activity_id].moves for b in plan.blocks)
    return request.child.age_months < YOUNG_GUISE_MONTHS and request.minutes >= 20 and not moves
