"""A run at the table: events, the sets they fold into, what to say, the grade that suits today."""

from core.running.events import EVENT, HANDS, Event, EventError, read_event
from core.running.grade_advice import ASKED_AFTER, WELL_PLACED, Fits, fits_today, step_today, well_placed
from core.running.log_words import tap_words
from core.running.pace import paces
from core.running.prompts import REST, STEPS, TABLET_RULES, Ladder, PromptKind, Rest, Suggestion, table
from core.running.sets import SetResult, WorkingHand, fold, without_undone

__all__ = [
    "ASKED_AFTER",
    "EVENT",
    "HANDS",
    "REST",
    "STEPS",
    "TABLET_RULES",
    "WELL_PLACED",
    "Event",
    "EventError",
    "Fits",
    "Ladder",
    "PromptKind",
    "Rest",
    "SetResult",
    "Suggestion",
    "WorkingHand",
    "fits_today",
    "fold",
    "paces",
    "read_event",
    "step_today",
    "table",
    "tap_words",
    "well_placed",
    "without_undone",
]
