"""What a child can do: the estimate, what holds a wanted task back, and made-up children whose truth is known."""

from core.ability.estimate import (
    AT_RUNG,
    LOG_ODDS_PER_RUNG,
    Estimate,
    Floats,
    SetEvidence,
    as_plain,
    chance,
    chance_in_words,
    chance_together,
    from_plain,
    on_day,
    start,
)
from core.ability.gaps import Aim, held_back, shortfalls, suggested_aims, wanted_rungs
from core.ability.learning import level_today, update

__all__ = [
    "AT_RUNG",
    "LOG_ODDS_PER_RUNG",
    "Aim",
    "Estimate",
    "Floats",
    "SetEvidence",
    "as_plain",
    "chance",
    "chance_in_words",
    "chance_together",
    "from_plain",
    "held_back",
    "level_today",
    "on_day",
    "shortfalls",
    "start",
    "suggested_aims",
    "update",
    "wanted_rungs",
]
