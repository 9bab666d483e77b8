"""What a child is expected to do of an activity, alone, at each grade on offer."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.ability import Estimate, Floats, chance_together
from core.offers.grading import evidence_name
from core.offers.offer import Offer


@dataclass(frozen=True)
class Asked:
    """What offers ask of a child under one name of evidence.

    places -- (m,) where each stands among all offers
    rungs  -- (n, strands), what they ask of the strands, each combination once
    back   -- (m,) which of these each asks
    """

    places: list[int]
    rungs: Floats
    back: NDArray[np.int_]


def asked_by_name(offers: Sequence[Offer], strands: Sequence[str], preferred: str) -> dict[str, Asked]:
    """Return what offers ask, by the name evidence goes under: the other hand has one of its own.

    preferred -- the child's settled hand, right or left; anything else leaves hands out of it
    """
    by_name: dict[str, list[int]] = {}
    for place, offer in enumerate(offers):
        by_name.setdefault(evidence_name(offer.variant, preferred), []).append(place)
    result = {}
    for name, places in by_name.items():
        asked = np.array([[offers[i].rungs[s] for s in strands] for i in places])
        rungs, back = np.unique(asked, axis=0, return_inverse=True)
        result[name] = Asked(places, rungs, back.ravel())
    return result


def chances_alone(offers: Sequence[Offer], estimates: Mapping[str, Estimate], preferred: str) -> Floats:
    """Return the chance of success alone at each offer of one activity, (n,), by every strand it trains: the weakest
    decides.

    estimates -- of the strands the activity trains; preferred -- as above
    """
    return chances_of(asked_by_name(offers, list(estimates), preferred), estimates, len(offers))


def chances_of(asked_of: Mapping[str, Asked], estimates: Mapping[str, Estimate], count: int) -> Floats:
    """Return the same where what is asked has been worked out already; count -- how many offers there are."""
    result = np.zeros(count)
    for name, asked in asked_of.items():
        chances = chance_together(list(estimates.values()), asked.rungs, activity_id=name)
        result[asked.places] = chances[asked.back]
    return result
