"""A session: plan it, explain it, and answer when a hand changes it."""

from dataclasses import replace
from itertools import pairwise
from math import ceil

from core.child import PARTS, Part, cue_for, for_child
from core.library import ACTIVITIES, Activity
from core.offers import Offer, Quantity, UsableCupboard, Variant, checked_variant, grade_words
from core.planner.candidates import QUALITY, Candidate, all_candidates, candidate, left_out, undominated
from core.planner.consumables import shared_out
from core.planner.formats import ORDERS
from core.planner.infeasible import LIMITS_ORDER, PARTS_ORDER, smallest
from core.planner.model import SET_OUT, STEP, Choice, Limits, solve
from core.planner.objective import STRAND_STEPS
from core.planner.request import LONGEST_SESSION, SHORTEST_SESSION, Block, LockedBlock, SessionPlan, SessionRequest
from core.recording import SupportLevel
from core.skills import STRANDS, TARGETS

LONG_ENOUGH_FOR_TWO = 28  # minutes from which a session has two main blocks; project definition
SET_MINUTES = 3  # minutes one set takes, with a breath after it; from memory


class RequestError(ValueError):
    """A request that makes no sense as asked. `field` names what to change."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


def plan_session(request: SessionRequest, cupboard: UsableCupboard | None = None) -> SessionPlan:
    """Return the best session for a request: blocks in order, each with why, and what was left out.

    house -- the cupboard already judged for this child and setting, where the caller has it
    The same request always gives the same plan. A request nothing can satisfy gives status
    `impossible`, with the reason and the shortest fix.
    Raises RequestError for minutes out of range or an unknown target.
    """
    check_request(request)
    cupboard = cupboard or UsableCupboard(request.stock, request.child, request.setting)
    locked = [_locked_candidate(b, cupboard, request) for b in request.locked]
    missing = [b for b, c in zip(request.locked, locked, strict=True) if c is None]
    if missing:
        return _lock_impossible(missing[0].variant, cupboard)
    found = [c for c in locked if c] + undominated(all_candidates(cupboard, request))
    fixed = {i: b.minutes for i, b in enumerate(request.locked)}
    if not any(c.part in ("main", "stretch") for c in found):
        return _nothing_to_train(cupboard, request)
    choice, dropped = _roomiest(found, fixed, request)
    if choice.status == "infeasible":
        return _no_room(found, fixed, cupboard, request)
    plan = _plan(choice, cupboard, request, locked=frozenset(b.variant.activity_id for b in request.locked), pool=found)
    return replace(plan, notes=(*plan.notes, *(f"No room for {d} in {request.minutes} minutes." for d in dropped)))


def check_request(request: SessionRequest) -> None:
    """Raise RequestError where a request makes no sense."""
    if not SHORTEST_SESSION <= request.minutes <= LONGEST_SESSION:
        raise RequestError(
            "minutes",
            f"{request.minutes} minutes: a session has {SHORTEST_SESSION} to {LONGEST_SESSION}. Choose a number between these.",
        )
    if not request.targets:
        raise RequestError("targets", "No target chosen: a session aims at one or two. Choose at least one.")
    for target in request.targets:
        if target not in TARGETS:
            raise RequestError("targets", f"{target!r} is not a target. Use one of {', '.join(TARGETS)}.")
    if request.format.id == "alone" and request.setting.supervision != "box":
        raise RequestError(
            "format_id", "An independent box is for when no adult helps. Choose “independent box” as supervision too."
        )
    if request.order not in ORDERS:
        raise RequestError("order", f"{request.order!r} is not an order of work. Use one of {', '.join(ORDERS)}.")
    for block in request.locked:
        if block.part not in PARTS:
            raise RequestError("locked", f"{block.part!r} is not a part of a session. Use one of {', '.join(PARTS)}.")
        checked_variant(block.variant)


def limits_of(found: list[Candidate], request: SessionRequest) -> Limits:
    """Which parts have to be there: in a short session only a win to open with and the main work."""
    there, session_format = {c.part for c in found}, request.format
    wanted = [p for p, from_minutes in session_format.must.items() if request.minutes >= from_minutes and p in there]
    if session_format.id == "parts" and not request.child.wanted:
        wanted = [p for p in wanted if p != "daily"]
    least = 1 if request.minutes < LONG_ENOUGH_FOR_TWO and session_format.id != "stations" else session_format.main[0]
    targets = () if session_format.any_strand else _coverable(found, request)
    return Limits(
        request.minutes, round(request.minutes * request.tiring_share), tuple(wanted), least, targets,
        session_format.main[1], session_format.equal, session_format.one_kit,
    )  # fmt: skip


def _coverable(found: list[Candidate], request: SessionRequest) -> tuple[str, ...]:
    """The chosen targets that have a main block to offer; a short session covers only the first of them."""
    main = {STRANDS[c.strand].target for c in found if c.part == "main"}
    covered = tuple(t for t in request.targets if t in main)
    return covered if request.minutes >= 20 else covered[:1]


def _locked_candidate(block: LockedBlock, cupboard: UsableCupboard, request: SessionRequest) -> Candidate | None:
    offer = cupboard.offer(block.variant)
    made = candidate(offer, block.part, request) if offer else None
    if made is None and offer is not None:
        made = candidate(offer, "opener", request)
        made = replace(made, part=block.part) if made else None
    return made


def _lock_impossible(variant: Variant, cupboard: UsableCupboard) -> SessionPlan:
    lack = cupboard.lack(variant)
    name = ACTIVITIES[variant.activity_id].name
    reason = lack.reason if lack else "it trains nothing this child has an estimate for."
    return SessionPlan("infeasible", reason=f"“{name}” is locked, but {reason[0].lower()}{reason[1:]}",
                       fix=lack.remedy if lack else f"Unlock “{name}”.")  # fmt: skip


def _nothing_to_train(cupboard: UsableCupboard, request: SessionRequest) -> SessionPlan:
    """Say what stops most of the target's activities, and the one thing that would open one."""
    out = left_out(cupboard, request, frozenset())
    names = " and ".join(TARGETS[t].name.lower() for t in request.targets)
    first = next((o for o in out if o.kind in ("missing", "short", "hand")), out[0] if out else None)
    reason = f"nothing in this house trains {names} safely at this child's rung"
    fix = f"{first.remedy} (for “{first.name}”: {first.reason})" if first else "Choose another target."
    return SessionPlan("infeasible", left_out=out, reason=reason, fix=fix)


def _roomiest(found: list[Candidate], fixed: dict[int, int], request: SessionRequest) -> tuple[Choice, tuple[str, ...]]:
    """The best session with every part wanted; where the minutes are too few, the fewest parts given up, and which."""
    limits = limits_of(found, request)
    choice = solve(found, fixed, limits)
    if choice.status != "infeasible":
        return choice, ()
    less = smallest(found, fixed, limits, PARTS_ORDER)
    if less is None:
        return choice, ()
    kept = replace(
        limits,
        must=tuple(p for p in limits.must if f"part:{p}" not in less.given_up),
        least_main=1 if "main" in less.given_up else limits.least_main,
        targets=tuple(t for t in limits.targets if f"target:{t}" not in less.given_up),
    )
    return solve(found, fixed, kept), tuple(_given_up_words(g) for g in less.given_up)


def _given_up_words(limit: str) -> str:
    if limit.startswith("target:"):
        return f"main work on {TARGETS[limit[7:]].name.lower()}"
    return {
        "part:warm-up": "a warm-up", "part:daily": "a daily-life task", "part:tidy": "tidying as exercise",
        "part:opener": "a sure win to open with", "main": "a second main block",
    }[limit]  # fmt: skip


def _no_room(found: list[Candidate], fixed: dict[int, int], cupboard: UsableCupboard, request: SessionRequest) -> SessionPlan:
    """Find by the solver the fewest limits to give up, and say what that means."""
    out = left_out(cupboard, request, frozenset())
    less = smallest(found, fixed, limits_of(found, request), LIMITS_ORDER)
    if less is None:
        return SessionPlan(
            "infeasible", left_out=out, reason="no choice of limits leaves a session", fix="Choose another target or format."
        )
    if not less.given_up:
        return SessionPlan(
            "infeasible",
            left_out=out,
            reason="no session was found in the time for looking",
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
        return f"“{name}” is locked at {block.minutes} minutes and does not go with the rest", f"Unlock “{name}”."
    tiring = round(request.minutes * request.tiring_share)
    return {
        "minutes": (f"{request.minutes} minutes are too few", f"Give it {minutes} minutes."),
        "tiring": (f"the tiring blocks take more than {tiring} minutes", "Shorten or unlock a tiring block."),
        "apart": ("two tiring blocks would stand side by side", "Unlock one of them, or put something light between."),
        "kit": ("no one thing here serves every block", "Choose another format, or add to the cupboard."),
    }.get(limit) or (f"there is no room for {_given_up_words(limit)}", "Give the session more minutes.")


def _plan(
    choice: Choice, cupboard: UsableCupboard, request: SessionRequest, locked: frozenset[str], pool: list[Candidate]
) -> SessionPlan:
    pairs = in_order(list(choice.chosen), request.order)
    chosen = frozenset(c.activity.id for c, _ in pairs)
    blocks = shared_out([_block(c, m, request, c.activity.id in locked, _beaten(c, pool, chosen)) for c, m in pairs])
    plan = totals(blocks)
    notes = tuple(
        f"Nothing here fits the {p}."
        for p in ("opener", "warm-up", "tidy")
        if p in request.parts and p in request.format.must and p not in {c.part for c in pool}
    )
    notes += (request.format.ending,) if request.format.ending else ()
    return replace(plan, status=choice.status, left_out=left_out(cupboard, request, chosen), bound=choice.bound, notes=notes)


def _beaten(c: Candidate, pool: list[Candidate], chosen: frozenset[str]) -> str:
    others = [o for o in pool if o.part == c.part and o.activity.id not in chosen and o.quality <= c.quality]
    best = max(others, key=lambda o: (o.quality, o.activity.id), default=None)
    return f"{best.activity.name} ({best.quality / QUALITY:.2f} a minute against {c.quality / QUALITY:.2f})" if best else ""


def in_order(pairs: list[tuple[Candidate, int]], order: str = "precision_first") -> list[tuple[Candidate, int]]:
    """Parts in order; inside the main part precise work first and tiring work late (or the other way), no two tiring ones together."""
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


def block_of(
    request: SessionRequest, cupboard: UsableCupboard, part: Part, variant: Variant, minutes: int, locked: bool = False
) -> Block | None:
    """Return a block as it would stand in a plan, for any grade this house offers; None where it offers none."""
    offer = cupboard.offer(variant)
    made = candidate(offer, part, request) if offer else None
    if made is None and offer is not None:
        made = candidate(offer, "opener", request)
        made = replace(made, part=part) if made else None
    return _block(made, minutes, request, locked, "") if made else None


def block_from(c: Candidate, minutes: int, request: SessionRequest, sets: int = 1) -> Block:
    """Return a candidate as a block with this many sets: the session_format of home, group and bag plans."""
    made = _block(c, minutes, request, False, "")
    return replace(made, sets=sets, quantities=tuple(_for_sets(q, sets) for q in c.offer.quantities))


def _block(c: Candidate, minutes: int, request: SessionRequest, locked: bool, beat: str) -> Block:
    f, offer = c.activity, c.offer
    sets = _sets(offer, minutes)
    return Block(
        c.part, offer.variant, f.name, c.strand, c.rung, grade_words(offer.variant, request.child), minutes, sets,
        offer.count, f.unit, tuple(_for_sets(q, sets) for q in offer.quantities), c.expected, f.tiring,
        ceil((f.setup_minutes + f.tidy_minutes) * STEP - 1e-9) / STEP, minutes * c.quality / QUALITY, offer.verdict, c.why, beat,
        for_child(f.setup, request.child), f.posture, _cues(f, request),
        _watch(f, request), f.tidy, locked,
    )  # fmt: skip


def _sets(offer: Offer, minutes: int) -> int:
    """How many sets fit the minutes, and the consumables."""
    room = [q.have // max(q.wanted, 1) for q in offer.quantities if q.single_use]
    return max(1, min([minutes // SET_MINUTES, *room]))


def _for_sets(q: Quantity, sets: int) -> Quantity:
    return replace(q, wanted=q.wanted * sets) if q.single_use else q


def _cues(f: Activity, request: SessionRequest) -> tuple[tuple[SupportLevel, str], ...]:
    """Each cue's help and words, in the order this child's prompt policy goes: least help first, or most."""
    said = tuple((q.support, for_child(q.words, request.child)) for q in f.cues)
    return said if request.child.prompt_policy == "least_first" else said[::-1]


def _watch(f: Activity, request: SessionRequest) -> tuple[tuple[str, str], ...]:
    """Each mark to watch and what to do when it is seen, by this child's policies."""
    on_tool = "tool_grasp" in f.trains or "tool_grasp" in f.demands
    return tuple((mark, cue_for(mark, request.child, on_tool)) for mark in f.watch)


def totals(blocks: tuple[Block, ...]) -> SessionPlan:
    """Return the sums of a row of blocks: minutes with setting up, well-spent and tiring minutes."""
    things = {q.stock_id for b in blocks for q in b.quantities}
    minutes = sum(b.minutes + b.setup_minutes for b in blocks) + SET_OUT * len(things)
    by_strand: dict[str, float] = {}
    for b in blocks:
        by_strand[b.strand] = by_strand.get(b.strand, 0.0) + b.well_spent
    return SessionPlan("given", blocks, minutes=minutes, well_spent=sum(map(_counted, by_strand.values())),
                       tiring_minutes=sum(b.minutes for b in blocks if b.tiring), notes=_order_notes(blocks))  # fmt: skip


def _counted(minutes: float) -> float:
    """Minutes of one strand after each further one counts less."""
    total = 0.0
    for wide, share in STRAND_STEPS:
        total += min(minutes, wide) * share
        minutes = max(0.0, minutes - wide)
    return total


def _order_notes(blocks: tuple[Block, ...]) -> tuple[str, ...]:
    return tuple(
        f"Two tiring blocks together: {a.name}, then {b.name}. Put something light between them."
        for a, b in pairwise(blocks)
        if a.tiring and b.tiring
    )
