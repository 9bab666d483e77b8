"""What a child or a therapist is fond of, and how a family says it."""

from collections.abc import Iterable

from caseload.checks import FieldError
from caseload.models import Child
from clinic.actions import Done, acting
from clinic.models import Member
from core.library import Activity

MOST = 200  # favourites of one child or one person
LONGEST_CUE = 120  # letters


@acting("child.love")
def love(member: Member, child: Child, activity: Activity, is_favourite: bool) -> Done[Child]:
    """Say that a child loves an activity, or no longer."""
    now = Child.objects.select_for_update().get(pk=child.pk)
    now.favourites = _with(now.favourites, activity.line, is_favourite)
    now.save(update_fields=["favourites"])
    return Done(now, now, now.pk, {"favourite": activity.line, "is_favourite": is_favourite})


@acting("me.edit")
def like(member: Member, activity: Activity, is_favourite: bool) -> Done[Member]:
    """Keep an activity among one's own favourites, or no longer."""
    now = Member.objects.select_for_update().get(pk=member.pk)
    now.favourites = _with(now.favourites, activity.line, is_favourite)
    now.save(update_fields=["favourites"])
    return Done(now, now, None, {"favourite": activity.line, "is_favourite": is_favourite})


@acting("child.love")
def set_cue(member: Member, child: Child, activity: Activity, words: str) -> Done[Child]:
    """Keep what this family says at an activity in place of its spoken cue; empty: what everybody says. Raises
    FieldError for more than fits in a breath.
    """
    said = " ".join(words.split())
    if len(said) > LONGEST_CUE:
        reason = f"A cue of {len(said)} letters is not said in one breath."
        raise FieldError("words", words, reason, f"Use {LONGEST_CUE} or fewer.")
    now = Child.objects.select_for_update().get(pk=child.pk)
    others = {line: cue for line, cue in now.own_cues.items() if line != activity.line}
    now.own_cues = {**others, activity.line: said} if said else others
    now.save(update_fields=["own_cues"])
    return Done(now, now, now.pk, {"activity": activity.line, "cue": said})


def _with(lines: Iterable[str], line: str, is_favourite: bool) -> list[str]:
    others = [known for known in lines if known != line]
    if is_favourite and len(others) >= MOST:
        raise FieldError("is_favourite", line, f"There are {MOST} favourites already.", "Let go of some first.")
    return [*others, line] if is_favourite else others
