"""What a child is expected to do of an activity, alone, at each grade on offer."""

from collections.abc import Mapping, Sequence

import numpy as np

from core.ability import Estimate, Floats, chance_together
from core.offers.grading import evidence_name
from core.offers.offer import Offer


def chances_alone(offers: Sequence[Offer], estimates: Mapping[str, Estimate], preferred: str) -> Floats:
    """Return the chance of success alone at each offer of one activity, (n,), by every strand it trains: the weakest
    decides.

    estimates -- of the strands the activity trains
    preferred -- the child's settled hand, right or left; anything else leaves hands out of it
    """
    by_name: dict[str, list[int]] = {}
    for place, offer in enumerate(offers):
        by_name.setdefault(evidence_name(offer.variant, preferred), []).append(place)
    result = np.zeros(len(offers))
    for name, places in by_name.items():
        asked = np.array([[offers[i].rungs[s] for s in estimates] for i in places])
        rungs, back = np.unique(asked, axis=0, return_inverse=True)
        result[places] = chance_together(list(estimates.values()), rungs, activity_id=name)[back.ravel()]
    return result
