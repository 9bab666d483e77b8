"""What an activity is looked for by: where it is done, with whom, and the words it is found with."""

from typing import Literal

from core.library.activity import Activity

Where = Literal["table", "standing", "floor", "outdoors"]
Company = Literal["adult", "partner"]

_ON_THE_FLOOR = ("floor", "hands and", "propped", "squatting", "on the hands", "low seat")
_TOGETHER = frozenset({"toss and catch", "pass along"})


def where_of(activity: Activity) -> Where:
    """Where it is done, by its posture."""
    if activity.group == "outdoors":
        return "outdoors"
    if any(words in activity.posture for words in _ON_THE_FLOOR):
        return "floor"
    return "standing" if activity.posture.startswith("standing") else "table"


def company_of(activity: Activity) -> Company:
    """With whom: an adult close by, or a partner who plays, too."""
    together = activity.group in _TOGETHER or "partner" in activity.posture or "facing you" in activity.posture
    return "partner" if together else "adult"


def said_of(activity: Activity) -> str:
    """Everything it says of what is done, for a search: what the child does, step by step and grade by grade."""
    words = [activity.does, *activity.steps, activity.unit.many]
    for axis in activity.axes:
        words += [axis.words, *(s.words for s in axis.steps), *(s.tell for s in axis.steps)]
    return " ".join(words)
