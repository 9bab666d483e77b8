"""A session: plan it, explain it, and answer when a therapist changes it."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from core.child import PARTS
from core.library import KITS, find_activity
from core.offers import checked_variant
from core.planner.blocks import as_block, candidate_of, totals
from core.planner.candidates import Candidate, all_candidates
from core.planner.formats import ORDERS
from core.planner.infeasible import LIMITS_ORDER, PARTS_ORDER, smallest
from core.planner.kits import plan_kit
from core.planner.model import Choice, Limits, solve
from core.planner.options import QUALITY, STEP, Option, undominated
from core.planner.order import in_order
from core.planner.request import LONGEST_SESSION, SHORTEST_SESSION, Refusal, SessionPlan, SessionRequest
from core.planner.solver import SESSION_EFFORT, Effort
from core.planner.tidying import tidied
from core.planner.why_left_out import left_out
from core.skills import STRANDS, TARGETS

LONG_ENOUGH_FOR_TWO = 28  # minutes from which a session has two main blocks; project definition
BODY_FIRST_MINUTES = 15  # minutes from which the whole body warms up first, where it has to; project definition
LONG_ENOUGH_TO_MOVE = 20  # minutes from which somebody who needs to move has a block on the feet; project definition
LONG_ENOUGH_TO_MOVE_TWICE = 35
LONG_ENOUGH_FOR_BOTH = 20  # minutes from which each of two targets has a block of its own; project definition
STATION_MINUTES = (3, 11)  # the windows of a station, the last one excluded; common practice
TIDY_TOGETHER = "Tidy up together: everything back in its box, the child carries."


class RequestError(ValueError):
    """A request that makes no sense as asked. `field` names what to change."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


def plan_session(request: SessionRequest, effort: Effort = SESSION_EFFORT) -> SessionPlan:
    """Return the best session for a request: blocks in order, each with why, and what was left out.

    The same request always gives the same plan. A request nothing can satisfy gives status
    `infeasible`, with the reason and the shortest fix.
    Raises RequestError for minutes out of range or an unknown target.
    """
    check_request(request)
    locked = []
    for block in request.locked:
        result = candidate_of(block, request)
        if isinstance(result, Refusal):
            return _lock_refused(result)
        locked.append(result.option(block.sets))
    if request.format.kit_kind:
        return plan_kit(request, locked, effort)
    candidates = all_candidates(request)
    if not any(c.part in ("main", "stretch") for c in [*candidates, *(o.of for o in locked)]):
        return _nothing_to_train(request)
    limits = limits_of([*candidates, *(o.of for o in locked)], request)
    held = frozenset(thing for o in locked for thing in o.kit)
    options = undominated(options_of(candidates, limits), limits.blocks, out=held)
    dear = frozenset({"part:daily"}) if request.tasks else frozenset()  # a session ends on the wanted task
    choice, dropped = _roomiest(options, locked, limits, effort, dear)
    if choice.status == "infeasible":
        return _no_room(options, locked, limits, request)
    plan = _plan(choice, request, candidates, tidy="tidy" in limits.must and "tidying as exercise" not in dropped)
    return replace(plan, notes=(*plan.notes, *(f"No room for {d} in {request.minutes} minutes." for d in dropped)))


def options_of(candidates: Iterable[Candidate], limits: Limits) -> list[Option[Candidate]]:
    """What the solver chooses among. Where all stations have the same time, each takes every window of it."""
    if not limits.equal:
        return [o for c in candidates for o in c.options()]
    return [o for c in candidates for o in (stations(c) if c.part == "main" else c.options())]


def stations(c: Candidate) -> Iterator[Option[Candidate]]:
    """A candidate as a station: as many sets as fit into each whole minute there may be."""
    for minutes in range(*STATION_MINUTES):
        sets = min(c.dose.most, c.dose.sets_within(minutes * STEP))
        if sets:
            yield replace(c.option(sets), steps=minutes * STEP, window=minutes * STEP)


def check_request(request: SessionRequest) -> None:
    """Raise RequestError where a request makes no sense."""
    if not SHORTEST_SESSION <= request.minutes <= LONGEST_SESSION:
        raise RequestError(
            "minutes",
            f"{request.minutes} minutes: a session has {SHORTEST_SESSION} to {LONGEST_SESSION}. Choose a number "
            "between these.",
        )
    if not request.targets:
        raise RequestError("targets", "No target chosen: a session aims at one or two. Choose at least one.")
    for target in request.targets:
        if target not in TARGETS:
            raise RequestError("targets", f"{target!r} is not a target. Use one of {', '.join(TARGETS)}.")
    if request.format.supervision not in (None, request.setting.supervision):
        raise RequestError(
            "format_id", "An independent box is for when no adult helps. Choose “independent box” as supervision too."
        )
    if request.order not in ORDERS:
        raise RequestError("order", f"{request.order!r} is not an order of work. Use one of {', '.join(ORDERS)}.")
    if request.kit and request.kit not in KITS:
        raise RequestError("kit", f"{request.kit!r} is not a kit of the library. Use one of {', '.join(KITS)}.")
    for block in request.locked:
        if block.part not in PARTS:
            raise RequestError("locked", f"{block.part!r} is not a part of a session. Use one of {', '.join(PARTS)}.")
        checked_variant(block.variant)


def limits_of(candidates: list[Candidate], request: SessionRequest) -> Limits:
    """Which parts and which kinds of block have to be there: in a short session only a win to open with and the main
    work.
    """
    session_format = request.format
    there = {c.part for c in candidates} - {"tidy"}
    if "tidy" in request.parts and not any(b.part == "tidy" for b in request.locked):
        there.add("tidy")  # kept for it; a locked one takes its own time
    must = dict(session_format.must)
    if request.child.body_first and "warm-up" in must:
        must["warm-up"] = BODY_FIRST_MINUTES
    wanted = [p for p, from_minutes in must.items() if request.minutes >= from_minutes and p in there]
    if session_format.task_only and not request.tasks:
        wanted = [p for p in wanted if p != "daily"]
    short = request.minutes < LONG_ENOUGH_FOR_TWO and not session_format.least_always
    least = 1 if short else session_format.main[0]
    return Limits(
        request.minutes,
        round(request.minutes * request.tiring_share),
        tuple(wanted),
        least,
        tuple(_at_least(candidates, request)),
        session_format.main[1],
        session_format.equal,
    )


def _at_least(candidates: list[Candidate], request: SessionRequest) -> Iterator[tuple[str, int]]:
    """The kinds of block a session has at least some of: work on each target; something on the feet for who needs
    to move; a job for the hand that assists.
    """
    musts: dict[str, set[str]] = {}
    for c in candidates:
        for must in c.musts:
            musts.setdefault(must, set()).add(c.activity.id)
    session_format, long_enough = request.format, request.minutes >= LONG_ENOUGH_TO_MOVE
    targets = [f"target:{t}" for t in request.targets if f"target:{t}" in musts]
    yield from ((t, 1) for t in (targets if request.minutes >= LONG_ENOUGH_FOR_BOTH else targets[:1]))
    if session_format.wants_many and long_enough and any(_has_many(c) for c in candidates):
        yield "many", 1
    if session_format.wants_movement and request.child.needs_to_move and long_enough:
        wanted = 2 if request.child.body_first and request.minutes >= LONG_ENOUGH_TO_MOVE_TWICE else 1
        yield "moves", min(wanted, len(musts.get("moves", ())))
    if session_format.wants_assisting and request.child.assisting_hand != "none" and "assists" in musts:
        yield "assists", 1


def _has_many(c: Candidate) -> bool:
    return any("many" in o.musts for o in c.options())


def _lock_refused(refusal: Refusal) -> SessionPlan:
    reason = f"“{refusal.name}” is locked, but {refusal.reason[0].lower()}{refusal.reason[1:]}"
    return SessionPlan("infeasible", reason=reason, fix=refusal.remedy)


def _nothing_to_train(request: SessionRequest) -> SessionPlan:
    """Say what stops most of the target's activities, and the one thing that would open one."""
    out = left_out(request, frozenset())
    names = " and ".join(TARGETS[t].name.lower() for t in request.targets)
    first = next((o for o in out if o.kind in ("missing", "short", "hand")), out[0] if out else None)
    reason = f"nothing in this home trains {names} safely at this child's rung"
    fix = f"{first.remedy} (for “{first.name}”: {first.reason})" if first else "Choose another target."
    return SessionPlan("infeasible", left_out=out, reason=reason, fix=fix)


def _roomiest(
    options: Sequence[Option[Candidate]],
    locked: Sequence[Option[Candidate]],
    limits: Limits,
    effort: Effort,
    dear: frozenset[str],
) -> tuple[Choice[Candidate], tuple[str, ...]]:
    """The best session with every part wanted; where the minutes are too few, the fewest parts given up, and which."""
    choice = solve(options, locked, limits, effort)
    if choice.status != "infeasible":
        return choice, ()
    less = smallest(options, locked, limits, PARTS_ORDER, dear=dear)
    if less is None:
        return choice, ()
    kept = replace(
        limits,
        must=tuple(p for p in limits.must if f"part:{p}" not in less.given_up),
        least_main=1 if "main" in less.given_up else limits.least_main,
        least=tuple((must, n) for must, n in limits.least if must not in less.given_up),
    )
    return solve(options, locked, kept, effort), tuple(_given_up_words(g) for g in less.given_up)


def _given_up_words(limit: str) -> str:
    if limit.startswith("target:"):
        return f"work on {TARGETS[limit[7:]].name.lower()}"
    return {
        "part:warm-up": "a warm-up",
        "part:daily": "a daily-life task",
        "part:tidy": "tidying as exercise",
        "part:opener": "a sure win to open with",
        "main": "a second main block",
        "moves": "a block on the feet",
        "many": "a block of many repetitions",
        "assists": "a job for the hand that assists",
    }[limit]


def _no_room(
    options: Sequence[Option[Candidate]], locked: Sequence[Option[Candidate]], limits: Limits, request: SessionRequest
) -> SessionPlan:
    """Find by the solver the fewest limits to give up, and say what that means."""
    out = left_out(request, frozenset())
    less = smallest(options, locked, limits, LIMITS_ORDER)
    if less is None:
        return SessionPlan(
            "infeasible",
            left_out=out,
            reason="no session satisfies these requirements",
            fix="Choose another target or format.",
        )
    if not less.given_up:
        return SessionPlan(
            "infeasible",
            left_out=out,
            reason="no session was found in time",
            fix="Ask again with a few minutes more.",
        )
    hard = [g for g in less.given_up if _is_hard(g)]
    reasons, fixes = zip(*(limit_words(g, less.minutes, request) for g in hard or less.given_up), strict=True)
    return SessionPlan("infeasible", left_out=out, reason=" and ".join(reasons), fix=" ".join(fixes))


def _is_hard(limit: str) -> bool:
    """Whether a limit is one of time, hands or locks, not of what a session should hold."""
    return limit not in PARTS_ORDER and not limit.startswith("target:")


def limit_words(limit: str, minutes: int, request: SessionRequest) -> tuple[str, str]:
    """Why a limit stands in the way, and the fix that gives it up."""
    if limit.startswith("lock:"):
        block = request.locked[int(limit[5:])]
        name = find_activity(block.variant.activity_id).name
        sets = "1 set" if block.sets == 1 else f"{block.sets} sets"
        return f"“{name}” is locked at {sets} and conflicts with the other blocks", f"Unlock “{name}”."
    tiring = round(request.minutes * request.tiring_share)
    return {
        "minutes": (f"{request.minutes} minutes are too few", f"Give it {minutes} minutes."),
        "tiring": (f"the tiring blocks take more than {tiring} minutes", "Shorten or unlock a tiring block."),
        "apart": ("two tiring blocks would stand side by side", "Unlock one of them, or put something light between."),
    }.get(limit) or (f"there is no room for {_given_up_words(limit)}", "Give the session more minutes.")


def _plan(choice: Choice[Candidate], request: SessionRequest, pool: list[Candidate], tidy: bool) -> SessionPlan:
    last = tidied(choice.chosen, request) if tidy else None
    known = {a: place for place, a in enumerate(request.recent)} if request.child.sameness_policy == "own_order" else {}
    row = in_order([*choice.chosen, *([last] if last else [])], request.order, known)
    chosen = frozenset(o.activity.id for o in row)
    locked = {b.variant.activity_id for b in request.locked}
    blocks = tuple(
        replace(as_block(o.of, o.sets, request, place, _beaten(o.of, pool, chosen)), locked=o.activity.id in locked)
        for place, o in enumerate(row)
    )
    if choice.chosen and any(o.window for o in choice.chosen):
        blocks = tuple(replace(b, minutes=o.steps / STEP) for b, o in zip(blocks, row, strict=True))
    notes = [
        f"Nothing here fits the {p}."
        for p in ("opener", "warm-up")
        if p in request.parts and p in request.format.must and p not in {c.part for c in pool}
    ]
    notes += [
        f"No work on {TARGETS[t].name.lower()}: nothing here trains it safely at this child's rung."
        for t in request.targets
        if not any(c.on_target and STRANDS[c.strand].target == t for c in pool)
    ]
    notes += [TIDY_TOGETHER] if tidy and last is None else []
    notes += [request.format.ending] if request.format.ending else []
    return replace(
        totals(blocks),
        status=choice.status,
        left_out=left_out(request, chosen),
        bound=choice.bound,
        notes=tuple(notes),
    )


def _beaten(c: Candidate, pool: list[Candidate], chosen: frozenset[str]) -> str:
    others = [o for o in pool if o.part == c.part and o.activity.id not in chosen and o.quality <= c.quality]
    best = max(others, key=lambda o: (o.quality, o.activity.id), default=None)
    return (
        f"{best.activity.name} ({best.quality / QUALITY:.2f} a minute against {c.quality / QUALITY:.2f})"
        if best
        else ""
    )
