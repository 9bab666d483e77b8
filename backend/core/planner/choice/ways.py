"""The ways a session may go: as its format says, or as one of the kits or projects it plays; and the best of them."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from core.library import KITS, Kit, find_activity
from core.offers import variants_of
from core.planner.candidates import Candidate, all_candidates, due_wishes
from core.planner.choice.limits import limits_of, options_of
from core.planner.request import SessionRequest
from core.planner.solver import (
    MAIN,
    Choice,
    Effort,
    Limit,
    Limits,
    Option,
    PartLimit,
    StageLimit,
    TaskLimit,
    smallest,
    solve,
    undominated,
)


@dataclass(frozen=True)
class Way:
    """One way a session may go: what there is to choose among, and its limits.

    locked -- the blocks that stay, as they were chosen
    pool   -- the candidates it was made of
    kit    -- the kit or project it plays; None where the format plays none
    lacks  -- what it can't be without and is not here: why, and what would help
    dear   -- limits given up only where three others would not do
    """

    options: tuple[Option[Candidate], ...]
    locked: tuple[Option[Candidate], ...]
    limits: Limits
    pool: tuple[Candidate, ...] = ()
    kit: Kit | None = None
    lacks: tuple[str, str] | None = None
    dear: frozenset[Limit] = frozenset()

    @property
    def trains(self) -> bool:
        """Whether there is anything here to train."""
        return self.kit is not None or any(
            c.part in ("main", "stretch") for c in (*self.pool, *(o.of for o in self.locked))
        )


@dataclass(frozen=True)
class Chosen:
    """A way with what the solver chose of it, and the limits given up for it."""

    way: Way
    choice: Choice[Candidate]
    given_up: tuple[Limit, ...] = ()


def ways_of(request: SessionRequest, locked: Sequence[Option[Candidate]]) -> list[Way]:
    """Return the ways a request may be met: one for each kit of its format's kind, else the format's own."""
    if not request.format.kit_kind:
        return [_own_way(request, locked)]
    kits = (k for k in KITS.values() if k.kind == request.format.kit_kind and request.kit in ("", k.id))
    return [_kit_way(kit, request, locked) for kit in kits]


def best_of(ways: Sequence[Way], effort: Effort) -> Chosen | None:
    """Return the way that makes most of the minutes, with its choice; None where none can be."""
    best: Chosen | None = None
    for way in ways:
        if way.lacks is None and way.trains:
            made = _made(way, effort)
            if made is not None and (best is None or made.choice.well_spent > best.choice.well_spent):
                best = made
    return best


def _made(way: Way, effort: Effort) -> Chosen | None:
    """The best choice with every part wanted; where the minutes are too few, with the fewest parts given up."""
    choice = solve(way.options, way.locked, way.limits, effort)
    if choice.status != "infeasible":
        return Chosen(way, choice)
    if way.kit is not None:
        return None
    less = smallest(way.options, way.locked, way.limits, content_only=True, dear=way.dear)
    if less is None:
        return None
    kept = replace(
        way.limits,
        must=tuple(p for p in way.limits.must if PartLimit(p) not in less.given_up),
        least_main=1 if MAIN in less.given_up else way.limits.least_main,
        least=tuple((limit, n) for limit, n in way.limits.least if limit not in less.given_up),
    )
    choice = solve(way.options, way.locked, kept, effort)
    return None if choice.status == "infeasible" else Chosen(way, choice, less.given_up)


def _own_way(request: SessionRequest, locked: Sequence[Option[Candidate]]) -> Way:
    candidates = all_candidates(request)
    every = [*candidates, *(o.of for o in locked)]
    limits = limits_of(every, request)
    held = frozenset(thing for o in locked for thing in o.kit)
    options = tuple(undominated(options_of(candidates, limits), limits.blocks, out=held))
    turn = (TaskLimit(task) for task in due_wishes(every, request)[:1])
    dear = frozenset[Limit]({PartLimit("daily"), *turn} if request.tasks else ())  # a session ends on the wanted task
    return Way(options, tuple(locked), limits, tuple(candidates), dear=dear)


def _kit_way(kit: Kit, request: SessionRequest, locked: Sequence[Option[Candidate]]) -> Way:
    """The options of each stage; what is lacking for one that may not be left out."""
    stages = {s.activity_id for s in kit.stages}
    others = frozenset(request.activities) - stages
    only = replace(request, excluded=request.excluded | others, parts=("main",))
    candidates = all_candidates(only)
    options = [_as_stage(o, kit) for c in candidates for o in c.options()]
    stay = tuple(_as_stage(o, kit) for o in locked)
    needed = [at for at, s in enumerate(kit.stages) if not s.may_skip]
    limits = Limits(
        request.minutes,
        round(request.minutes * request.tiring_share),
        (),
        len(needed),
        tuple((StageLimit(at), 1) for at in needed),
        len(kit.stages),
    )
    held = frozenset(thing for o in stay for thing in o.kit)
    lacks = next(_lacks(kit, request, stay, {o.activity.id for o in (*options, *stay)}), None)
    return Way(tuple(undominated(options, limits.blocks, out=held)), stay, limits, tuple(candidates), kit, lacks)


def _as_stage(option: Option[Candidate], kit: Kit) -> Option[Candidate]:
    """The option as the stage of a kit it plays."""
    place = kit.place(option.activity.id)
    return replace(option, musts=frozenset() if place is None else frozenset({StageLimit(place)}))


def _lacks(
    kit: Kit, request: SessionRequest, locked: Sequence[Option[Candidate]], there: set[str]
) -> Iterator[tuple[str, str]]:
    """Why a kit can't be played here, and what would help: a locked block that is none of its stages, a stage nothing
    here plays.
    """
    stages = {s.activity_id for s in kit.stages}
    for option in locked:
        if option.activity.id not in stages:
            name = option.activity.name
            yield f"“{name}” is locked and is not one of its stages", "Unlock it, or choose another kit."
    for stage in kit.stages:
        if not stage.may_skip and stage.activity_id not in there:
            yield _stage_lack(stage.activity_id, request)


def _stage_lack(activity_id: str, request: SessionRequest) -> tuple[str, str]:
    """Why a stage can't be played here, and what would help."""
    if activity_id not in request.activities:
        return f"“{find_activity(activity_id).name}” is hidden in this clinic", "Show it again in the library."
    lack = request.cupboard.lack(variants_of(find_activity(activity_id))[0])
    if lack is not None:
        return lack.reason, lack.remedy
    return f"no grade of “{find_activity(activity_id).name}” suits this child", "Choose another one."
