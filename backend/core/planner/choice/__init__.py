"""Which of the candidates, for how long and in what order: a session, children together, a week."""

from core.planner.choice.group import Solved, group_in_order, set_up_steps, solve_group
from core.planner.choice.limits import limits_of, options_of
from core.planner.choice.row import keeps_tidying, row_of
from core.planner.choice.ways import Chosen, Way, best_of, ways_of
from core.planner.choice.week import MOST_DAY, Site, solve_week, week_options

__all__ = [
    "MOST_DAY",
    "Chosen",
    "Site",
    "Solved",
    "Way",
    "best_of",
    "group_in_order",
    "keeps_tidying",
    "limits_of",
    "options_of",
    "row_of",
    "set_up_steps",
    "solve_group",
    "solve_week",
    "ways_of",
    "week_options",
]
