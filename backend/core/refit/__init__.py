"""The clinic teaches the library: difficulties, lifts of help and seconds a try, worked out again from its children."""

from core.refit.correction_words import Said, said
from core.refit.difficulties import Correction, History, Kind, Refit, refit

__all__ = [
    "Correction",
    "History",
    "Kind",
    "Refit",
    "Said",
    "refit",
    "said",
]
