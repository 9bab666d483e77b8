"""A kit or a project played through: every stage at the child's own grade, in its order, within the minutes."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from core.library import KITS, Kit, find_activity
from core.offers import variants_of
from core.planner.blocks import as_block, totals
from core.planner.candidates import Candidate, all_candidates
from core.planner.model import Choice, Limits, solve
from core.planner.options import Option, undominated
from core.planner.request import SessionPlan, SessionRequest
from core.planner.solver import Effort


@dataclass(frozen=True)
class Played:
    """One kit as it could be played here: the options of its stages, or what is lacking."""

    kit: Kit
    options: tuple[Option[Candidate], ...]
    locked: tuple[Option[Candidate], ...]
    limits: Limits
    lacks: tuple[str, str] | None = None


def plan_kit(request: SessionRequest, locked: Sequence[Option[Candidate]], effort: Effort) -> SessionPlan:
    """Return the best kit or project of a request's format that this home can play, or the one that was chosen.

    locked: the blocks that stay, as they were chosen. Every stage that may not be left out is in the plan. Infeasible
    where no kit has all its stages here, or none fits the minutes: with the reason and the fix of the first kit that
    lacks something.
    """
    kits = [k for k in KITS.values() if k.kind == request.format.kit_kind and request.kit in ("", k.id)]
    ready = [_ready(k, request, locked) for k in kits]
    best: tuple[Choice[Candidate], Kit] | None = None
    for played in ready:
        if played.lacks is None:
            choice = solve(played.options, played.locked, played.limits, effort)
            if choice.status != "infeasible" and (best is None or choice.well_spent > best[0].well_spent):
                best = choice, played.kit
    if best is None:
        return _impossible(ready)
    choice, kit = best
    chosen = replace(request, kit=kit.id)
    row = sorted(choice.chosen, key=lambda o: kit.place(o.activity.id) or 0)
    blocks = tuple(as_block(o.of, o.sets, chosen, place) for place, o in enumerate(row))
    stay = {b.variant.activity_id for b in request.locked}
    blocks = tuple(replace(b, locked=b.activity_id in stay) for b in blocks)
    notes = (kit.about, *kit.beforehand, *([kit.ending] if kit.ending else []))
    return replace(totals(blocks), status=choice.status, bound=choice.bound, notes=notes, kit=kit.id)


def _ready(kit: Kit, request: SessionRequest, locked: Sequence[Option[Candidate]]) -> Played:
    """The options of each stage, or what is lacking for one that may not be left out."""
    stages = {s.activity_id for s in kit.stages}
    foreign = next((o.activity for o in locked if o.activity.id not in stages), None)
    others = frozenset(request.activities) - stages
    only = replace(request, excluded=request.excluded | others, parts=("main",))
    options = [_as_stage(o, kit) for c in all_candidates(only) for o in c.options()]
    stay = tuple(_as_stage(o, kit) for o in locked)
    needed = [at for at, s in enumerate(kit.stages) if not s.may_skip]
    limits = Limits(
        request.minutes,
        round(request.minutes * request.tiring_share),
        (),
        len(needed),
        tuple((f"stage:{at}", 1) for at in needed),
        len(kit.stages),
    )
    there = {o.activity.id for o in (*options, *stay)}
    missing = [kit.stages[at].activity_id for at in needed if kit.stages[at].activity_id not in there]
    lacks = _lack(missing[0], request) if missing else None
    if foreign is not None:
        lacks = f"“{foreign.name}” is locked and is not one of its stages", "Unlock it, or choose another kit."
    held = frozenset(thing for o in stay for thing in o.kit)
    return Played(kit, tuple(undominated(options, limits.blocks, out=held)), stay, limits, lacks)


def _as_stage(option: Option[Candidate], kit: Kit) -> Option[Candidate]:
    """The option as the stage of a kit it plays."""
    return replace(option, musts=frozenset({f"stage:{kit.place(option.activity.id)}"}))


def _lack(activity_id: str, request: SessionRequest) -> tuple[str, str]:
    """Why a stage can't be played here, and what would help."""
    if activity_id not in request.activities:
        return f"“{find_activity(activity_id).name}” is hidden in this clinic", "Show it again in the library."
    lack = request.cupboard.lack(variants_of(find_activity(activity_id))[0])
    if lack is not None:
        return lack.reason, lack.remedy
    return f"no grade of “{find_activity(activity_id).name}” suits this child", "Choose another one."


def _impossible(ready: list[Played]) -> SessionPlan:
    lacking = [p for p in ready if p.lacks is not None]
    if len(lacking) < len(ready) or not ready:
        return SessionPlan(
            "infeasible", reason="the minutes are too few for all its stages", fix="Give it ten minutes more."
        )
    first = lacking[0]
    assert first.lacks is not None
    reason, fix = first.lacks
    return SessionPlan("infeasible", reason=f"“{first.kit.name}” can't be played here: {reason}", fix=fix)
