"""A finding in words: what it is about, what the library says, what the children show."""

from dataclasses import dataclass

from core.library import activity_or_none
from core.recording import SUPPORTS, lift
from core.refit.difficulties import Correction
from core.skills import STRANDS


@dataclass(frozen=True)
class Said:
    """A finding as it is shown. library, found -- in `unit`; activity_id -- empty where it is about none."""

    words: str
    unit: str
    library: float
    found: float
    activity_id: str = ""


def said(finding: Correction) -> Said:
    """Return a finding in words; one about an activity that is no longer in the library by its id."""
    return {"help": _help, "seconds": _seconds, "base": _base, "step": _step}[finding.kind](finding)


def _help(finding: Correction) -> Said:
    level = next(s for s in SUPPORTS.values() if s.id == finding.key)
    usual = lift(level.id)
    return Said(f"Help: {level.words}", "rungs easier", usual, usual + finding.shift)


def _seconds(finding: Correction) -> Said:
    words = f"{_name(finding.key)}: time a try takes"
    return Said(words, "times the library's", 1.0, finding.shift, finding.key)


def _base(finding: Correction) -> Said:
    activity, strand = finding.key.split("/")
    known = activity_or_none(activity)
    usual = known.trains.get(strand, 0.0) if known else 0.0
    words = f"{_name(activity)}, {STRANDS[strand].name.lower()}"
    return Said(words, "rung", usual, usual + finding.shift, activity)


def _step(finding: Correction) -> Said:
    activity, axis_id, place, strand = finding.key.split("/")
    known = activity_or_none(activity)
    axes = {a.id: a for a in known.axes} if known else {}
    axis, at = axes.get(axis_id), int(place)
    if axis is None or at >= len(axis.steps):
        return Said(f"{_name(activity)}, {axis_id} {at + 1}", "rungs harder", 0.0, finding.shift, activity)
    usual = axis.steps[at].rungs.get(strand, 0.0)
    words = f"{_name(activity)}, {axis.words.lower()}: {axis.steps[at].words} ({STRANDS[strand].name.lower()})"
    return Said(words, "rungs harder", usual, usual + finding.shift, activity)


def _name(activity: str) -> str:
    known = activity_or_none(activity)
    return known.name if known else activity
