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
from core.planner.candidates.suitability import DOABLE, aims, parts_of
from core.planner.candidates.weighed import Weighed
from core.planner.request import PlannedBlock, Refusal, SessionRequest
from core.skills import TARGETS, find_task


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


def all_candidates(request: SessionRequest) -> list[Candidate]:
    """Every candidate worth a look: what is far from its band is left out wherever its part has something nearer.

    The daily part is for the wanted tasks themselves, wherever this home offers one of them; the tidy part is made
    of what is out by then, elsewhere.
    """
    every = _in_parts(request, set(request.parts) - {"tidy"})
    main = [c for c in every if c.part == "main"]
    if main and not any(True for c in main for _ in c.options()):  # all of it over at once: other work rather than none
        every += _in_parts(replace(request, targets=tuple(TARGETS)), {"main"})
    return _at_the_taught_step(_the_wanted_task(_ready_bodies(every, request), request), request)


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
    """Where the daily part has practice of a wanted task to offer, it offers nothing else; and of a task that can be
    practised itself nothing that is not it. Of one that can't, main work on its ladder practises it too.
    """
    real = {c.task for c in every if c.itself and c.expected >= DOABLE}
    every = [_practising(c, real, request) for c in every]
    if not any(c.part == "daily" and c.task for c in every):
        return every
    return [c for c in every if c.part != "daily" or (c.task and (c.itself or c.task not in real))]


def _practising(c: Candidate, real: Collection[str], request: SessionRequest) -> Candidate:
    if c.part != "main" or c.task:
        return c
    ladders = (t for t in map(find_task, request.tasks) if t.strand == c.strand and t.id not in real)
    task = next((t.id for t in ladders if practises(c.activity, c.strand, t)), "")
    return replace(c, task=task) if task else c


def _at_the_taught_step(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Of a wanted task whose steps were seen only the grades that contain the step that is taught now, and as few
    others as this home allows; the adult does the rest. All of them where no grade contains it. Of one that nobody has
    seen, and that has no ladder to go by, those with the fewest steps.
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
    return [c for c in kept if not c.itself or c.expected >= min(DOABLE, likeliest[c.part, c.task])]


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
