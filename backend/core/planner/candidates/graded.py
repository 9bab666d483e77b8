"""Every grade an activity has, as arrays: what it asks of a child, so that the whole library is weighed at once."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from core.ability import Floats
from core.library.activity import Activity
from core.offers import (
    Ask,
    Offer,
    UsableCupboard,
    Variant,
    ask_of,
    asks_of,
    asks_other_hand,
    difficulty,
    taught_rungs,
)
from core.planner.candidates.suitability import PATTERN_AXES, SEEN_BY_OTHERS
from core.recording import Learned
from core.skills import STRANDS

PLACE = {strand: at for at, strand in enumerate(STRANDS)}
NOWHERE = len(PLACE)  # the place of a strand that is none: nothing is asked of it


@dataclass(frozen=True, eq=False)
class Graded:
    """The grades of one activity, n of them.

    asks    -- (n) what each asks of a cupboard
    trained, demanded -- (n, strands) the rung each asks of the strands at these places, of PLACE
    seen    -- which of the trained strands other children see
    other   -- (n) whether it asks for the hand the child does not prefer
    pattern -- (n) whether it has a pattern to copy
    ages    -- (n, 2) the months from which and until which its guise is a child's own
    """

    activity: Activity
    variants: Sequence[Variant]
    asks: Sequence[Ask]
    trained: Floats
    demanded: Floats
    at_trained: tuple[int, ...]
    at_demanded: tuple[int, ...]
    seen: tuple[bool, ...]
    other: NDArray[np.bool_]
    pattern: NDArray[np.bool_]
    ages: Floats


def graded(activity: Activity, cupboard: UsableCupboard) -> Graded:
    """The grades of an activity as this child's clinic knows them; where the force of the very thing says the rung,
    those on offer.
    """
    if not any(role.works for role in activity.roles):
        return _listed(activity, cupboard.child.learned)
    filled = [(ask, v) for ask, variants in asks_of(activity) if cupboard.filling(ask) for v in variants]
    offers = [offer for _, v in filled if (offer := cupboard.offer(v))]
    return _as_arrays(activity, [v for _, v in filled], [ask for ask, _ in filled], [o.rungs for o in offers])


@lru_cache(4096)
def _listed(activity: Activity, learned: Learned) -> Graded:
    pairs = [(ask, v) for ask, variants in asks_of(activity) for v in variants]
    return _as_arrays(
        activity,
        [v for _, v in pairs],
        [ask for ask, _ in pairs],
        [taught_rungs(v, difficulty(v), learned) for _, v in pairs],
    )


def one(offer: Offer, activity: Activity) -> Graded:
    """One offer alone."""
    return _as_arrays(activity, [offer.variant], [ask_of(activity, offer.variant.grade)], [offer.rungs])


def _as_arrays(
    activity: Activity, variants: Sequence[Variant], asks: Sequence[Ask], rungs: Sequence[Mapping[str, float]]
) -> Graded:
    patterned = [at for at, a in enumerate(activity.axes) if a.id in PATTERN_AXES]
    return Graded(
        activity,
        variants,
        asks,
        _columns(rungs, list(activity.trains)),
        _columns(rungs, list(activity.demands)),
        tuple(PLACE[s] for s in activity.trains),
        tuple(PLACE[s] for s in activity.demands),
        tuple(STRANDS[s].target in SEEN_BY_OTHERS for s in activity.trains),
        np.array([asks_other_hand(v) for v in variants], dtype=bool),
        np.array([any(v.grade[at] for at in patterned) for v in variants], dtype=bool),
        np.array([activity.ages(v.grade) for v in variants], dtype=float).reshape(len(variants), 2),
    )


def _columns(rungs: Sequence[Mapping[str, float]], strands: Sequence[str]) -> Floats:
    return np.array([[r[strand] for strand in strands] for r in rungs], dtype=float).reshape(len(rungs), len(strands))


def side_by_side(arrays: Sequence[Floats], empty: float) -> Floats:
    """Return arrays one below the other, each filled up on the right to the widest of them."""
    widest = max((a.shape[1] for a in arrays), default=0)
    result = np.full((sum(map(len, arrays)), widest), empty)
    start = 0
    for a in arrays:
        result[start : start + len(a), : a.shape[1]] = a
        start += len(a)
    return result


def padded(rows: Sequence[Sequence[int]], empty: int) -> NDArray[np.int_]:
    """Return rows of whole numbers as one array, each filled up on the right."""
    widest = max(map(len, rows), default=0)
    return np.array([[*row, *(empty,) * (widest - len(row))] for row in rows], dtype=int).reshape(len(rows), widest)
