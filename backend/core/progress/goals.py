"""Goal attainment scaling."""

from collections.abc import Sequence
from math import sqrt


def attainment_t_score(scores: Sequence[float], weights: Sequence[float] | None = None, rho: float = 0.3) -> float:
    """Return the attainment T-score of a set of goals: 50 means all as expected, 10 is one standard deviation.

    scores  -- one for each goal, -2 (much less than expected) to +2 (much more)
    weights -- one for each goal, more than 0; equal where not given
    rho     -- assumed correlation between goals, 0 to 1
    Raises ValueError for no goals, a score off the scale or a weight that is not positive.
    Source: Kiresuk & Sherman 1968.
    """
    weighed = list(weights) if weights is not None else [1.0] * len(scores)
    if not scores:
        raise ValueError("No goals: a T-score needs at least one. Write a goal first.")
    if len(weighed) != len(scores):
        raise ValueError(f"{len(scores)} scores but {len(weighed)} weights. Give one weight for each goal.")
    for score in scores:
        if not -2 <= score <= 2:
            raise ValueError(f"score {score} is off the scale. Use -2 to +2.")
    if any(w <= 0 for w in weighed):
        raise ValueError("A weight must be more than 0. Leave a goal out instead.")
    total = sum(weighed)
    spread = sqrt((1 - rho) * sum(w * w for w in weighed) + rho * total**2)
    return 50 + 10 * sum(w * x for w, x in zip(weighed, scores, strict=True)) / spread
