"""What may be recorded of a try: the help given, what was observed, what was measured."""

from core.recording.graded_approach import RULES as APPROACH_RULES
from core.recording.graded_approach import STEPS as APPROACH_STEPS
from core.recording.graded_approach import ApproachKind, ApproachStanding, Met, approach_standing
from core.recording.learned import AS_SHIPPED, Learned
from core.recording.measures import AUTOMATIC, KNOWN, MEASURED, Measured, folded, read_off
from core.recording.observations import MARKS, OTHER_GRIP
from core.recording.support import LEVELS, SUPPORTS, SupportLevel, less_help, lift

__all__ = [
    "APPROACH_RULES",
    "APPROACH_STEPS",
    "AS_SHIPPED",
    "AUTOMATIC",
    "KNOWN",
    "LEVELS",
    "MARKS",
    "MEASURED",
    "OTHER_GRIP",
    "SUPPORTS",
    "ApproachKind",
    "ApproachStanding",
    "Learned",
    "Measured",
    "Met",
    "SupportLevel",
    "approach_standing",
    "folded",
    "less_help",
    "lift",
    "read_off",
]
