"""A session: plan it, explain it, and answer when a therapist changes it."""

from dataclasses import replace

from core.child import PARTS
from core.library import ACTIVITIES
from core.offers import checked_variant
from core.planner.blocks import as_block, candidate_of, totals
from core.planner.candidates import QUALITY, Candidate, all_candidates, left_out, undominated
from core.planner.consumables import shared_out
from core.planner.formats import ORDERS
from core.planner.infeasible import LIMITS_ORDER, PARTS_ORDER, smallest
from core.planner.model import Choice, Limits, solve
from core.planner.request import LONGEST_SESSION, SHORTEST_SESSION, Refusal, SessionPlan, SessionRequest
from core.planner.solver import SESSION_EFFORT, Effort
from core.skills import STRANDS, TARGETS

LONG_ENOUGH_FOR_TWO = 28  # minutes from which a session has two main blocks; project definition
SET_MINUTES = 3  # minutes one set takes, with a breath after it; from memory


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
    locked = [candidate_of(b, request) for b in request.locked]
    for kept in locked:
        if isinstance(kept, Refusal):
            return _lock_refused(kept)
    candidates = [c for c in locked if isinstance(c, Candidate)] + undominated(all_candidates(request))
    fixed = {i: b.minutes for i, b in enumerate(request.locked)}
    if not any(c.part in ("main", "stretch") for c in candidates):
        return _nothing_to_train(request)
    choice, dropped = _roomiest(candidates, fixed, request, effort)
    if choice.status == "infeasible":
        return _no_room(candidates, fixed, request)
    plan = _plan(choice, request, locked=frozenset(b.variant.activity_id for b in request.locked), pool=candidates)
    return replace(plan, notes=(*plan.notes, *(f"No room for {d} in {request.minutes} minutes." for d in dropped)))


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
    for block in request.locked:
        if block.part not in PARTS:
            raise RequestError("locked", f"{block.part!r} is not a part of a session. Use one of {', '.join(PARTS)}.")
        checked_variant(block.variant)


def limits_of(candidates: list[Candidate], request: SessionRequest) -> Limits:
    """Which parts have to be there: in a short session only a win to open with and the main work."""
    there, session_format = {c.part for c in candidates}, request.format
    wanted = [p for p, from_minutes in session_format.must.items() if request.minutes >= from_minutes and p in there]
    if session_format.id == "parts" and not request.child.wanted:
        wanted = [p for p in wanted if p != "daily"]
    least = 1 if request.minutes < LONG_ENOUGH_FOR_TWO and session_format.id != "stations" else session_format.main[0]
    targets = () if session_format.any_strand else _coverable(candidates, request)
    return Limits(
        request.minutes,
        round(request.minutes * request.tiring_share),
        tuple(wanted),
        least,
        targets,
        session_format.main[1],
        session_format.equal,
        session_format.one_kit,
    )


def _coverable(candidates: list[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """The chosen targets that have a main block to offer; a short session covers only the first of them."""
    main = {STRANDS[c.strand].target for c in candidates if c.part == "main"}
    covered = tuple(t for t in request.targets if t in main)
    return covered if request.minutes >= 20 else covered[:1]


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
    candidates: list[Candidate], fixed: dict[int, int], request: SessionRequest, effort: Effort
) -> tuple[Choice, tuple[str, ...]]:
    """The best session with every part wanted; where the minutes are too few, the fewest parts given up, and which."""
    limits = limits_of(candidates, request)
    choice = solve(candidates, fixed, limits, effort)
    if choice.status != "infeasible":
        return choice, ()
    less = smallest(candidates, fixed, limits, PARTS_ORDER)
    if less is None:
        return choice, ()
    kept = replace(
        limits,
        must=tuple(p for p in limits.must if f"part:{p}" not in less.given_up),
        least_main=1 if "main" in less.given_up else limits.least_main,
        targets=tuple(t for t in limits.targets if f"target:{t}" not in less.given_up),
    )
    return solve(candidates, fixed, kept, effort), tuple(_given_up_words(g) for g in less.given_up)


def _given_up_words(limit: str) -> str:
    if limit.startswith("target:"):
        return f"main work on {TARGETS[limit[7:]].name.lower()}"
    return {
        "part:warm-up": "a warm-up",
        "part:daily": "a daily-life task",
        "part:tidy": "tidying as exercise",
        "part:opener": "a sure win to open with",
        "main": "a second main block",
    }[limit]


def _no_room(candidates: list[Candidate], fixed: dict[int, int], request: SessionRequest) -> SessionPlan:
    """Find by the solver the fewest limits to give up, and say what that means."""
    out = left_out(request, frozenset())
    less = smallest(candidates, fixed, limits_of(candidates, request), LIMITS_ORDER)
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
    hard = [g for g in less.given_up if g not in PARTS_ORDER and not g.startswith("target:")]
    reasons, fixes = zip(*(limit_words(g, less.minutes, request) for g in hard or less.given_up), strict=True)
    return SessionPlan("infeasible", left_out=out, reason=" and ".join(reasons), fix=" ".join(fixes))


def limit_words(limit: str, minutes: int, request: SessionRequest) -> tuple[str, str]:
    """Why a limit stands in the way, and the fix that gives it up."""
    if limit.startswith("lock:"):
        block = request.locked[int(limit[5:])]
        name = ACTIVITIES[block.variant.activity_id].name
        return f"“{name}” is locked at {block.minutes} minutes and conflicts with the other blocks", f"Unlock “{name}”."
    tiring = round(request.minutes * request.tiring_share)
    return {
        "minutes": (f"{request.minutes} minutes are too few", f"Give it {minutes} minutes."),
        "tiring": (f"the tiring blocks take more than {tiring} minutes", "Shorten or unlock a tiring block."),
        "apart": ("two tiring blocks would stand side by side", "Unlock one of them, or put something light between."),
        "kit": ("no one thing here serves every block", "Choose another format, or add to the cupboard."),
    }.get(limit) or (f"there is no room for {_given_up_words(limit)}", "Give the session more minutes.")


def _plan(choice: Choice, request: SessionRequest, locked: frozenset[str], pool: list[Candidate]) -> SessionPlan:
    pairs = in_order(list(choice.chosen), request.order)
    chosen = frozenset(c.activity.id for c, _ in pairs)
    blocks = shared_out([as_block(c, m, request, c.activity.id in locked, _beaten(c, pool, chosen)) for c, m in pairs])
    plan = totals(blocks)
    notes = tuple(
        f"Nothing here fits the {p}."
        for p in ("opener", "warm-up", "tidy")
        if p in request.parts and p in request.format.must and p not in {c.part for c in pool}
    )
    notes += (request.format.ending,) if request.format.ending else ()
    return replace(plan, status=choice.status, left_out=left_out(request, chosen), bound=choice.bound, notes=notes)


def _beaten(c: Candidate, pool: list[Candidate], chosen: frozenset[str]) -> str:
    others = [o for o in pool if o.part == c.part and o.activity.id not in chosen and o.quality <= c.quality]
    best = max(others, key=lambda o: (o.quality, o.activity.id), default=None)
    return (
        f"{best.activity.name} ({best.quality / QUALITY:.2f} a minute against {c.quality / QUALITY:.2f})"
        if best
        else ""
    )


def in_order(pairs: list[tuple[Candidate, int]], order: str = "precision_first") -> list[tuple[Candidate, int]]:
    """Parts in order; inside the main part precise work first and tiring work late (or the other way), no two tiring
    ones together.
    """
    by_part = {p: [x for x in pairs if x[0].part == p] for p in PARTS}
    main = by_part["main"]
    calm = sorted((x for x in main if not x[0].activity.tiring), key=lambda x: (-x[0].expected, x[0].activity.id))
    tiring = sorted((x for x in main if x[0].activity.tiring), key=lambda x: (-x[0].expected, x[0].activity.id))
    rest = next((by_part[p] for p in ("stretch", "daily", "tidy") if by_part[p]), [])
    last = len(main) - 1 - int(any(c.activity.tiring for c, _ in rest))
    before = next((by_part[p] for p in ("warm-up", "opener") if by_part[p]), [])
    first = int(any(c.activity.tiring for c, _ in before))
    slots = {first + 2 * i if order == "strength_first" else last - 2 * i for i in range(len(tiring))}
    tired, easy = iter(tiring), iter(calm)
    by_part["main"] = [next(tired) if i in slots else next(easy) for i in range(len(main))]
    return [x for p in PARTS for x in by_part[p]]
