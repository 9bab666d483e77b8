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
from core.ability.gaps import WORTH_NAMING, Aim, held_back, shortfalls, suggested_aims, task_aims, wanted_rungs
from core.ability.learning import DaySoFar, level_today, update
from core.ability.tasks import PLACES, WITH_WHOM, TaskSeen, TaskStanding, Who, WithWhom, chain, standing

__all__ = [
    "AT_RUNG",
    "LOG_ODDS_PER_RUNG",
    "PLACES",
    "WITH_WHOM",
    "WORTH_NAMING",
    "Aim",
    "DaySoFar",
    "Estimate",
    "Floats",
    "SetEvidence",
    "TaskSeen",
    "TaskStanding",
    "Who",
    "WithWhom",
    "as_plain",
    "chain",
    "chance",
    "chance_in_words",
    "chance_together",
    "from_plain",
    "held_back",
    "level_today",
    "on_day",
    "shortfalls",
    "standing",
    "start",
    "suggested_aims",
    "task_aims",
    "update",
    "wanted_rungs",
]
