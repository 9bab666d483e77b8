"""A run at the table: events, the sets they fold into, what to say, the grade that suits today."""

from core.running.events import EVENT, HANDS, Event, EventError, read_event
from core.running.grade_advice import step_today
from core.running.pace import paces
from core.running.prompts import REST, TABLET_RULES, PromptKind, Rest, Suggestion, table
from core.running.sets import SetResult, WorkingHand, fold, without_undone

__all__ = [
    "EVENT",
    "HANDS",
    "REST",
    "TABLET_RULES",
    "Event",
    "EventError",
    "PromptKind",
    "Rest",
    "SetResult",
    "Suggestion",
    "WorkingHand",
    "fold",
    "paces",
    "read_event",
    "step_today",
    "table",
    "without_undone",
]
