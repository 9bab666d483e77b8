"""The clinic teaches the library: difficulties, lifts of help and seconds a try, worked out again from its children."""

from core.refit.difficulties import Finding, History, Kind, Refit, refit
from core.refit.saying import Said, said

__all__ = ["Finding", "History", "Kind", "Refit", "Said", "refit", "said"]
