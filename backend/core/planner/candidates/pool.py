"""Which graded activities may play which part of a session: those worth a look, those chosen by hand."""

from collections.abc import Collection
from dataclasses import replace

from core.child import Part
from core.library import find_activity
from core.offers import Offer, checked_variant
from core.planner.candidates.candidate import Candidate
from core.planner.candidates.graded import Graded, graded, one
from core.planner.candidates.suitability import DOABLE, aims, parts_of, too_young
from core.planner.candidates.weighed import Weighed
from core.planner.request import PlannedBlock, Refusal, SessionRequest


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
    parts = set(request.parts) - {"tidy"}
    return _the_wanted_task(_ready_bodies(_in_parts(request, parts), request))


def tidying(request: SessionRequest) -> list[Candidate]:
    """Every candidate for tidying up as exercise."""
    return _in_parts(request, {"tidy"})


def _in_parts(request: SessionRequest, parts: Collection[str]) -> list[Candidate]:
    locked = {b.variant.activity_id for b in request.locked}
    playing: list[Graded] = []
    playing_in: list[tuple[Part, ...]] = []
    for activity in request.activities.values():
        if activity.id in request.excluded or activity.id in locked or too_young(activity, request):
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


def _the_wanted_task(every: list[Candidate]) -> list[Candidate]:
    """Where the daily part has practice of a wanted task to offer, it offers nothing else; and of a task that can be
    practised itself nothing that is not it.
    """
    daily = [c for c in every if c.part == "daily" and c.task]
    if not daily:
        return every
    real = {c.task for c in daily if c.itself and c.expected >= DOABLE}
    return [c for c in every if c.part != "daily" or (c.task and (c.itself or c.task not in real))]


def _ready_bodies(every: list[Candidate], request: SessionRequest) -> list[Candidate]:
    """Where trunk and shoulders hold the hands back, they warm up first: with weight or a push, else on the feet."""
    if not request.child.body_first:
        return every
    warm = [c for c in every if c.part == "warm-up"]
    ready = [c for c in warm if c.activity.work == "weight"] or [c for c in warm if c.activity.moves] or warm
    return [*(c for c in every if c.part != "warm-up"), *ready]
