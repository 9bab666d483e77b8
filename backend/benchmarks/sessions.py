"""What the planned sessions are like: 300 made-up children, in figures a supervisor asks for."""

from collections.abc import Callable, Sequence
from statistics import mean, median

from core.library import ACTIVITIES
from core.planner import Block, SessionPlan, SessionRequest, plan_session
from core.skills import WANTED_TASKS
from testing.core_builders import made_up_request

YOUNG_GUISE_MONTHS = 66
SEEDS = range(1000, 1300)


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
        (until := ACTIVITIES[b.activity_id].until_months) is not None and r.child.age_months >= until
        for r, p in made
        for b in p.blocks
    )
    say(f"  guises of a younger child: {young}")
    set_up = mean((p.minutes - sum(b.minutes for b in p.blocks)) / r.minutes for r, p in made)
    well = mean(p.well_spent / r.minutes for r, p in made)
    shares = sorted(p.work_minutes / p.minutes for _, p in made)
    say(f"  work of a session's minutes: median {100 * median(shares):.0f} %, lowest {100 * shares[0]:.0f} %")
    say(f"  setting up: {100 * set_up:.0f} % of the minutes; well spent {well:.2f} a minute")
    say(f"  seated from end to end, under five and a half, 20 minutes or more: {sum(_seated(r, p) for r, p in made)}")


def _tries_a_minute(plan: SessionPlan) -> float:
    return sum(b.sets * b.count for b in plan.blocks) / sum(b.minutes for b in plan.blocks)


def _one_piece(blocks: Sequence[Block]) -> str:
    rates = [b.sets * b.count / b.minutes for b in blocks if ACTIVITIES[b.activity_id].work == "piece"]
    return f"lowest {min(rates):.1f}, median {median(rates):.1f}"


def _own(request: SessionRequest, block: Block) -> bool:
    tasks = [WANTED_TASKS[t] for t in request.child.wanted]
    return any(block.strand == t.strand or block.activity_id in t.practised_by for t in tasks)


def _new_things(plan: SessionPlan) -> int:
    out = {q.stock_id for b in plan.blocks if b.part != "tidy" for q in b.quantities}
    return sum(q.stock_id not in out for b in plan.blocks if b.part == "tidy" for q in b.quantities)


def _seated(request: SessionRequest, plan: SessionPlan) -> bool:
    moves = any(ACTIVITIES[b.activity_id].moves for b in plan.blocks)
    return request.child.age_months < YOUNG_GUISE_MONTHS and request.minutes >= 20 and not moves
