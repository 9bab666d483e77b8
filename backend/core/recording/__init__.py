"""What may be recorded of a try: the help given, what was observed, what was measured."""

from core.recording.measures import AUTOMATIC, KNOWN, MEASURED, Measured, folded, read_off
from core.recording.observations import MARKS
from core.recording.support import LEVELS, SUPPORTS, SupportLevel, less_help, lift

__all__ = [
    "AUTOMATIC",
    "KNOWN",
    "LEVELS",
    "MARKS",
    "MEASURED",
    "SUPPORTS",
    "Measured",
    "SupportLevel",
    "folded",
    "less_help",
    "lift",
    "read_off",
]
