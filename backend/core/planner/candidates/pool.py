"""Which graded activities may play which part of a session: those worth a look, those chosen by hand."""

from collections.abc import Collection
from dataclasses import replace
from math import inf

from core.ability import extra_steps, proven_steps
from core.child import Part
from core.library import find_activity, practises
from core.offers import Offer, checked_variant
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.graded import Graded, graded, one
from core.planner.candidates.suitability import DOABLE, REAL, aims, comes_nearest, is_short, on_own_ladder, parts_of
from core.planner.candidates.turns import doable_wishes
from core.planner.candidates.weighed import USUALLY, Weighed
from core.planner.request import PlannedBlock, Reason, Refusal, SessionRequest
from core.skills import STRANDS, TARGETS, find_task

ENOUGH_OF_USE = 3  # activities for wishes from which main work is nothing else; project definition
WITH_A_PENCIL = frozenset({"writing", "endurance"})  # ladders of daily life that many other skills are worked on by
NEAR = 0.95  # of the chance of its likeliest grade, at which a wanted task that comes off seldom is there still


def candidate(offer: Offer, part: Part, request: SessionRequest) -> Candidate | None:
    """Return the offer in a part, aimed at the strand where its minutes are worth most, however little; None if it has
    none.
    """
    activity = find_activity(offer.variant.activity_id)
    if not aims(activity, part, request):
        return None
    return next(Weighed(request, [one(offer, activity)], every=True).rated(part, [0]).whatever(), None)


def candidate_of(planned: PlannedBlock, request: SessionRequest) -> Candidate | Refusal:
    """Return what a chosen block is for this child in its part; where its minutes are worth nothing there, as a sure
    win.
    """
    activity = checked_variant(planned.variant)
    offer = request.cupboard.offer(planned.variant)
    if offer is None:
        lack = request.cupboard.lack(planned.variant)
        assert lack is not None
        return Refusal(activity.id, activity.name, lack.reason, lack.remedy)
    result = candidate(offer, planned.part, request) or candidate(offer, "opener", request)
    if result is None:
        reason = f"{activity.name} trains nothing this child has an estimate for."
        return Refusal(activity.id, activity.name, reason, "Choose another activity.")
    return replace(result, part=planned.part)


def all_candidates(request: SessionRequest, together: bool = False) -> list[Candidate]:
    """Every candidate worth a look: what is far from its band is left out wherever its part has something nearer.

    together -- for children at one table, who come for different things: then not everything is for a wish
    The daily part is for the wanted tasks themselves, wherever this home offers one of them; the tidy part is made
    of what is out by then, elsewhere.
    """
    every = _in_parts(request, set(request.parts) - {"tidy"})
    main = [c for c in every if c.part == "main"]
    if main and not any(True for c in main for _ in c.options()):  # all of it over at once: other work rather than none
        every += _in_parts(replace(request, targets=tuple(TARGETS)), {"main"})
    every = _the_wanted_task(_ready_bodies(every, request), request)
    every = _nearest(every, request)
    every = every if together else _of_use(every, request)
    return _at_the_taught_step(every, request)


def tidying(request: SessionRequest) -> list[Candidate]:
    """Every candidate for tidying up as exercise."""
    return _in_parts(request, {"tidy"})


def _in_parts(request: SessionRequest, parts: Collection[str]) -> list[Candidate]:
    locked = {b.variant.activity_id for b in request.locked}
    playing: list[Graded] = []
    playing_in: list[tuple[Part, ...]] = []
    for activity in request.activities.values():
        if activity.id in request.excluded or activity.id in locked:
            continue
        played = tuple(p for p in parts_of(activity, request) if p in parts)
        if played:
            playing.append(graded(activity, request.cupboard))
            playing_in.append(played)
    weighed = Weighed(request, playing)
    result: list[tuple[int, int, Candidate]] = []
    for part in dict.fromkeys(p for played in playing_in for p in played):
        rated = weighed.rated(part, [at for at, played in enumerate(playing_in) if part in played])
        result += [(at, playing_in[at].index(part), c) for at, c in rated.near()]
    return [c for _, _, c in sorted(result, key=lambda r: r[:2])]


def _the_wanted_task(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Where the daily part has practice of a wanted task to offer, it offers nothing else; and of a task that comes off
    itself often enough nothing that is not it. Of one that does not, main work on its ladder practises it too. Where
    none can be practised it is for what helps one, or for nothing.
    """
    least = max(REAL, request.format.unaided)
    real = {c.task for c in every if c.itself and c.expected >= least}
    every = [_practising(c, real, request) for c in every]
    if not any(c.part == "daily" and c.task for c in every):
        return [c for c in every if c.part != "daily" or not request.tasks or c.helps]
    return [c for c in every if c.part != "daily" or (c.task and (c.itself or c.task not in real))]


def _nearest(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """What comes nearest to a wish that can't be practised here counts like the wish itself, and what it needs of the
    hands helps it, short or not; what is nearest to one that can is work like any other, on the targets alone.
    """
    doable = doable_wishes(every, request)
    waiting = [t for t in request.tasks if t not in doable]
    result = []
    for c in every:
        job = c.activity.jobs.get(c.strand, "")
        if not c.helps and any(find_task(t).helped_by(c.strand, job) for t in waiting):
            c = replace(c, helps=True)
        if c.part not in request.format.target_parts or c.task or not comes_nearest(c.activity, request):
            result.append(c)
            continue
        task = next((t for t in waiting if c.activity.id in find_task(t).meanwhile), "")
        if task:
            words = f"Comes nearest to “{find_task(task).name}”, which can't be practised here"
            terms = (Reason("wanted", 1.0, words), *c.terms[1:])
            quality = round(c.quality / c.terms[0].factor)
            result.append(replace(c, nearest=task, helps=True, quality=quality, terms=terms))
        elif _target_of(c) in request.targets:
            result.append(c)
    return result


def _of_use(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Main work is for a wanted task wherever several activities are that were not done last time: on each target only
    what is most for one, and no other task of everyday life; beside what somebody does on the feet who needs to move.
    """
    if request.format.any_strand or not request.tasks:
        return every
    parts = {*request.format.target_parts, "stretch"}
    asked = [c for c in every if c.part not in parts or not _nobody_asked(c, request)]
    if len({c.activity.id for c in asked if c.part in parts}) >= ENOUGH_OF_USE:
        every = asked
    work = [c for c in every if c.part in parts]
    new = {c.activity.id for c in work if c.helps and request.recent.get(c.activity.line) != 0}
    if len(new) < ENOUGH_OF_USE:
        return every
    moving = request.child.needs_to_move
    best = {_target_of(c): 0 for c in work}
    for c in work:
        best[_target_of(c)] = max(best[_target_of(c)], _use(c, request))
    return [
        c
        for c in every
        if c.part not in parts or (moving and c.activity.moves) or _use(c, request) == best[_target_of(c)]
    ]


def _use(c: Candidate, request: SessionRequest) -> int:
    """What main work is for: 2 a wish, 1 what a wish needs though it is not short of it, 0 neither."""
    return 2 if c.helps else 1 if _is_needed(c, request) else 0


def _is_needed(c: Candidate, request: SessionRequest) -> bool:
    """Whether the hands do what a wanted task asks, short or not."""
    job = c.activity.jobs.get(c.strand, "")
    return any(find_task(t).helped_by(c.strand, job) for t in request.tasks)


def _nobody_asked(c: Candidate, request: SessionRequest) -> bool:
    """Whether a candidate is a task of everyday life that is no wish, and trains nothing a wish is short of: a zip for
    somebody who wants a T-shirt.
    """
    ladders = any(STRANDS[s].target == "daily" and s not in WITH_A_PENCIL for s in c.activity.trains)
    own = c.task or c.nearest or on_own_ladder(c.activity, c.strand, request)
    return (ladders or c.activity.kind == "clothes") and not (
        own or is_short(c.strand, c.activity.jobs.get(c.strand, ""), request)
    )


def _target_of(c: Candidate) -> str:
    """The target a candidate works on."""
    return STRANDS[c.strand].target


def _practising(c: Candidate, real: Collection[str], request: SessionRequest) -> Candidate:
    if c.part != "main" or c.task:
        return c
    ladders = (t for t in map(find_task, request.tasks) if t.strand == c.strand and t.id not in real)
    task = next((t.id for t in ladders if practises(c.activity, c.strand, t)), "")
    return replace(c, task=task, helps=True) if task else c


def _at_the_taught_step(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Of a wanted task whose steps were seen only the grades that contain the step that is taught now, and as few
    others as this home allows; the adult does the rest. All of them where no grade contains it. Of one that nobody has
    seen those with the fewest steps, or on a ladder the steps that fit best: one chain is not taught from both ends.
    Of all that come off too seldom only the likeliest.
    """
    fewest: dict[tuple[Part, str], float] = {}
    extra = {id(c): _extra(c, request) for c in every if c.itself}
    for c in every:
        if id(c) in extra and c.expected >= DOABLE:
            key = c.part, c.task
            fewest[key] = min(fewest.get(key, inf), extra[id(c)])
    kept = [c for c in every if id(c) not in extra or extra[id(c)] <= fewest.get((c.part, c.task), inf)]
    likeliest: dict[tuple[Part, str], float] = {}
    for c in kept:
        likeliest[c.part, c.task] = max(likeliest.get((c.part, c.task), 0.0), c.expected)
    kept = [c for c in kept if not c.task or c.expected >= min(USUALLY[c.part], NEAR * likeliest[c.part, c.task])]
    taught = _steps_that_fit(kept, request)
    return [c for c in kept if not c.itself or c.steps == taught.get(c.task, c.steps)]


def _steps_that_fit(every: list[Candidate], request: SessionRequest) -> dict[str, frozenset[int]]:
    """Of each wanted task on a ladder whose steps nobody has seen the steps in the grade that fits best, in the daily
    part where it has some.
    """
    best: dict[str, Candidate] = {}
    for c in every:
        if c.itself and c.task not in request.steps_alone and find_task(c.task).strand:
            best[c.task] = max(best.get(c.task, c), c, key=lambda o: (o.part == "daily", o.fit))
    return {task: c.steps for task, c in best.items()}


def _extra(c: Candidate, request: SessionRequest) -> float:
    if c.task not in request.steps_alone:
        return 0.0 if find_task(c.task).strand else float(len(c.steps))
    proven = proven_steps(c.task, request.estimates)
    return extra_steps(c.task, request.steps_alone[c.task], request.child.chaining_policy, proven, c.steps)


def _ready_bodies(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Where trunk and shoulders hold the hands back, they warm up first: with weight or a push, else on the feet."""
    if not request.child.body_first:
        return every
    warm = [c for c in every if c.part == "warm-up"]
    ready = [c for c in warm if c.activity.work == "weight"] or [c for c in warm if c.activity.moves] or warm
    return [*(c for c in every if c.part != "warm-up"), *ready]
