"""The first look: a new child placed by play, each try chosen by what it would tell."""

from core.first_look.evidence import Question, loss_of_doubt, to_find_out
from core.first_look.probes import (
    ENOUGH,
    LOOK_MINUTES,
    Ended,
    Probe,
    next_probe,
    strands_that_matter,
)

__all__ = [
    "ENOUGH",
    "LOOK_MINUTES",
    "Ended",
    "Probe",
    "Question",
    "loss_of_doubt",
    "next_probe",
    "strands_that_matter",
    "to_find_out",
]
