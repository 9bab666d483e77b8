"""A child's care: who looks after it, and how it ends and begins again."""

from datetime import date

from caseload.checks import FieldError, checked_therapist
from caseload.models import Care, Child
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member

LEAST_WORDS = 10  # letters of a summary


@acting("child.assign")
def assign(member: Member, child: Child, therapist: Member | None, version: int) -> Done[Child]:
    """Say who looks after a child. Raises StaleEdit when somebody else changed the child since `version`, FieldError
    for somebody who does not see children any more.
    """
    now = _locked(child, version)
    before = now.therapist_id
    now.therapist = checked_therapist(therapist) if therapist else None
    now.save(update_fields=["therapist", "version"])
    return Done(now, now, now.pk, {"therapist": {"before": before, "after": now.therapist_id}})


@acting("people.edit")
def hand_over(member: Member, from_whom: Member, to: Member) -> Done[int]:
    """Give every child one colleague looks after to another; return how many. Raises FieldError as assign does."""
    checked_therapist(to)
    children = list(Child.objects.visible_to(member).select_for_update(of=("self",)).filter(therapist=from_whom))
    for child in children:
        child.therapist, child.version = to, child.version + 1
    Child.objects.bulk_update(children, ["therapist", "version"])
    detail = {"from": from_whom.pk, "to": to.pk, "children": [c.pk for c in children]}
    return Done(len(children), to, None, detail)


@acting("child.close")
def close(member: Member, child: Child, care: Care, words: str, version: int, on: date) -> Done[Child]:
    """Discharge a child with a summary, or archive it. The record stays. Raises StaleEdit, and FieldError for a
    discharge without a summary or a child whose care has ended already.
    """
    now = _locked(child, version)
    if now.care != "open":
        raise FieldError("care", care, f"{now.first_name}'s care has ended already.", "Bring the child back first.")
    if care == "discharged" and len(words.strip()) < LEAST_WORDS:
        raise FieldError("words", words, "A discharge has a summary.", "Say what changed and what was agreed.")
    now.care, now.closed_on, now.closing_words = care, on, words.strip()
    now.save(update_fields=["care", "closed_on", "closing_words", "version"])
    return Done(now, now, now.pk, {"care": care, "words": now.closing_words})


@acting("child.close")
def reopen(member: Member, child: Child, version: int) -> Done[Child]:
    """Bring a child back to the list; the summary of the care that ended stays in the audit log."""
    now = _locked(child, version)
    before = {"care": now.care, "closed_on": str(now.closed_on), "words": now.closing_words}
    now.care, now.closed_on, now.closing_words = "open", None, ""
    now.save(update_fields=["care", "closed_on", "closing_words", "version"])
    return Done(now, now, now.pk, {"before": before})


def _locked(child: Child, version: int) -> Child:
    """The child as it stands, held, with its next version. Raises StaleEdit."""
    now = Child.objects.select_for_update().get(pk=child.pk)
    if now.version != version:
        raise StaleEdit(
            {"therapist_id": now.therapist_id, "care": now.care, "version": now.version}, {"version": version}
        )
    now.version += 1
    return now
