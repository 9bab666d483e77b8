"""An independent reading of finished session plans: every limit a plan has to keep, sharing no code with the model."""

from collections.abc import Iterator
from itertools import pairwise

import numpy as np

from core.ability import Estimate
from core.child import PARTS
from core.library import ACTIVITIES
from core.offers import evidence_name
from core.planner import SessionPlan, SessionRequest
from core.safety import assess


def broken_limits(request: SessionRequest, plan: SessionPlan) -> list[str]:
    """Return what a plan breaks, in words; nothing where it keeps every limit."""
    return [*_of_the_whole(request, plan), *_of_each_block(request, plan)]


def _of_the_whole(request: SessionRequest, plan: SessionPlan) -> Iterator[str]:
    places = [PARTS.index(b.part) for b in plan.blocks]
    if plan.minutes > request.minutes + 1e-9:
        yield f"takes {plan.minutes} of {request.minutes} minutes"
    if sum(b.minutes for b in plan.blocks if b.tiring) > round(request.minutes * 0.45):
        yield "too many tiring minutes"
    if places != sorted(places):
        yield "parts out of order"
    if len({b.variant.activity_id for b in plan.blocks}) != len(plan.blocks):
        yield "one activity twice"
    main = [b for b in plan.blocks if b.part in ("main", "stretch") and not b.chain]
    groups = [ACTIVITIES[b.activity_id].group for b in main]
    if request.format_id == "parts" and any(groups.count(g) > 1 for g in groups):
        yield "two alike in the main part"
    kinds = [ACTIVITIES[b.activity_id].kind for b in plan.blocks]
    if request.format_id == "parts" and any(kinds.count(k) > 3 for k in kinds):
        yield "four of a kind"
    if any(a.tiring and b.tiring for a, b in pairwise(plan.blocks)):
        yield "two tiring blocks together"
    used: dict[str, int] = {}
    for q in (q for b in plan.blocks for q in b.quantities if q.single_use):
        used[q.stock_id] = used.get(q.stock_id, 0) + q.wanted
    out = {q.stock_id for b in plan.blocks if b.part != "tidy" for q in b.quantities}
    if any(q.stock_id not in out for b in plan.blocks if b.part == "tidy" for q in b.quantities):
        yield "tidying brings something new"
    for line in request.stock:
        if used.get(line.id, 0) > line.count:
            yield f"uses up {used[line.id]} {line.thing.name}, {line.count} here"
    if not any(b.part in ("main", "stretch") for b in plan.blocks):
        yield "no main work"


def _weakest(estimates: list[Estimate], rungs: list[float], activity_id: str) -> float:
    """The chance where the weakest strand decides, by a fine grid of levels in place of quadrature."""
    z = np.linspace(-6, 6, 121 if len(estimates) < 3 else 41)
    weight, best = np.ones(1), np.full(1, np.inf)
    for e, rung in zip(estimates, rungs, strict=True):
        shift, extra = e.offset(activity_id)
        gap = e.mean + shift + np.sqrt(e.sd**2 + extra + 0.35**2) * z - rung  # the day's swing
        best = np.minimum(best[:, None], gap[None, :]).ravel()
        weight = (weight[:, None] * np.exp(-(z**2) / 2)[None, :]).ravel()
    plain = float((weight / weight.sum()) @ (1 / (1 + 4.0 ** -(best + 1))))  # ln 4 a rung, 0.8 at the own rung
    return 0.015 + 0.97 * plain  # one try in sixty goes the other way


def _of_each_block(request: SessionRequest, plan: SessionPlan) -> Iterator[str]:
    have = {s.id: s for s in request.stock}
    for block in plan.blocks:
        long = block.sets * (block.count * block.seconds_a_try + block.rest_seconds) / 60
        if request.format_id != "stations" and not 0 <= block.minutes - long < 0.5:
            yield f"{block.name} says {block.minutes} minutes, {block.sets} sets take {long}"
        if block.verdict.status == "barred":
            yield f"{block.name} is barred"
        for q in block.quantities:
            if q.wanted > have[q.stock_id].count:
                yield f"{block.name} wants {q.wanted} {q.name}"
            if assess(have[q.stock_id].thing, request.child, request.setting).status == "barred":
                yield f"{q.name} is barred"
        for strand, rung in ACTIVITIES[block.variant.activity_id].demands.items():
            if rung > request.estimates[strand].mean + 1:
                yield f"{block.name} demands too much of {strand}"
        offer, activity_id = request.cupboard.offer(block.variant), block.variant.activity_id
        assert offer
        strands = [s for s in ACTIVITIES[activity_id].trains if s in request.estimates]
        name = evidence_name(block.variant, request.child.turn_hand)
        expected = _weakest([request.estimates[s] for s in strands], [offer.rungs[s] for s in strands], name)
        if abs(block.expected - expected) > (1e-4 if len(strands) == 1 else 0.01):
            yield f"{block.name} says {block.expected}, is {expected}"
