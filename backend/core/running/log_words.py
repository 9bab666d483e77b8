"""A tap in words, for whoever reads the log."""

from core.recording import MARKS, MEASURED, SUPPORTS
from core.running.events import Event, GradeEvent, HandEvent, HoldEvent, MarkEvent, MeasureEvent, TryEvent

_PLAIN = {
    "drop": "dropped",
    "support": "another kind of help",
    "pause": "paused",
    "resume": "went on",
    "skip": "left out",
    "note": "a note",
    "undo": "took the last tap back",
}


def tap_words(event: Event) -> str:
    """Return what was tapped: how a try went, what was seen, what was measured."""
    if isinstance(event, TryEvent):
        support = event.value.support
        how = "alone" if support == "alone" else f"with {SUPPORTS[support].words}"
        return f"done {how}" if event.value.outcome == "success" else f"not yet, {how}"
    if isinstance(event, HoldEvent):
        return f"held {event.value.seconds:.0f} s"
    if isinstance(event, MarkEvent):
        return f"seen: {MARKS[event.value.mark].words}"
    if isinstance(event, MeasureEvent):
        measure = MEASURED[event.value.measure]
        return f"{measure.name}: {measure.in_words(event.value.value)}"
    if isinstance(event, HandEvent):
        return f"{event.value.hand} hand from here on"
    if isinstance(event, GradeEvent):
        return "another grade from here on"
    return _PLAIN[event.kind]
