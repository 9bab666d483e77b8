"""Taking a record out, and deleting it."""

from collections.abc import Iterable
from datetime import date, timedelta
from pathlib import Path
from typing import Literal

from django.contrib.auth.models import User
from django.db import connection, transaction
from django.db.models import ProtectedError, Q

from caseload import erased_list
from caseload.checks import FieldError
from caseload.models import Child, Erased, Home
from clinic.actions import Done, acting
from clinic.models import Answered, Clinic, Link, Member
from planning.models import Batch, GroupSession, HomeWeek, Plan
from privacy.export import everything
from running.models import Run
from shelf.models import Hidden, OwnEntry
from visits.models import Visit

LEAST_REASON = 10  # letters


@acting("record.export")
def export(member: Member, child: Child) -> Done[dict[str, object]]:
    """Return everything stored about a child, and note that it was taken out."""
    return Done(everything(child), child, child.pk, {"format": "everything"})


@acting("record.delete")
def delete_record(member: Member, child: Child, reason: str, name: str) -> Done[str]:
    """Delete a child's record whole. What stays: in the audit log, who did what and when, without its contents; the
    deletion itself with its reason. The family's places go with their cupboards, unless somebody else uses them. Plans
    for several children together go; the other children's own records stay.

    name -- the child's name once more, so that nobody deletes another child by a slip
    Raises FieldError without a reason or for another name.
    """
    if name.strip() != child.first_name:
        raise FieldError("name", name, "That is not this child's name.", f"Write {child.first_name} to go on.")
    if len(reason.strip()) < LEAST_REASON:
        raise FieldError(
            "reason", reason, "A deletion has its reason.", "Say who asked for it and when, in a few words."
        )
    pk, key = child.pk, child.key
    erase(child)
    transaction.on_commit(lambda: erased_list.note_erased(key))
    gone = Child(pk=pk)
    return Done(child.first_name, gone, pk, {"reason": reason.strip()})


def erase(child: Child) -> None:
    """Delete a child with everything that is recorded, the places nobody else uses, and the contents of the log's
    lines. Part of an action, or of a restore.
    """
    pk, places, clinic = child.pk, [child.home, *child.also_at.all()], child.clinic_id
    _empty(Q(child=child))
    GroupSession.objects.filter(children=child).delete()
    Erased.objects.create(kind="child", row=pk, key=child.key)
    child.delete()
    Answered.objects.filter(user__member__clinic_id=clinic).delete()  # the child may be in any of them
    for place in places:
        _delete_home(place)
    _from_the_log("audit_forget_child", pk)


def erase_again(lists: Iterable[Path]) -> int:
    """Erase every child of these lists that is in the database once more, as after a restore; how many there were."""
    children = list(Child.objects.filter(key__in=erased_list.listed(lists)).select_related("home"))
    for child in children:
        with transaction.atomic():
            erase(child)
    erased_list.note_all()
    return len(children)


@acting("clinic.remove_demo")
def remove_demo(member: Member, demo: Clinic) -> Done[None]:
    """Remove the demo clinic with everything in it. Raises FieldError where it is one's own."""
    if demo.pk == member.clinic_id or not demo.is_demo:
        raise FieldError("clinic", demo.name, "This is your own clinic.", "Sign in to the clinic that stays.")
    _remove(demo)
    return Done(None, Clinic(pk=member.clinic_id), None, {"demo": demo.name})


def _remove(clinic: Clinic) -> None:
    """Remove a clinic with everything in it, its people's sign-ins too. Part of an action."""
    _empty(Q(child__clinic=clinic))
    GroupSession.objects.filter(home__clinic=clinic).delete()
    Batch.objects.filter(clinic=clinic).delete()
    Child.objects.filter(clinic=clinic).delete()
    _from_the_log("audit_forget_demo", clinic.pk)
    Link.objects.filter(clinic=clinic).delete()
    Home.objects.filter(clinic=clinic).delete()
    OwnEntry.objects.filter(clinic=clinic).delete()
    Hidden.objects.filter(clinic=clinic).delete()
    User.objects.filter(member__clinic=clinic).delete()
    clinic.delete()


def _delete_home(home: Home) -> None:
    """Delete a family's place that nobody uses any more, and its name from the log. Part of an action."""
    if home.kind != "home" or home.visitors.exists():
        return
    gone = home.pk
    try:
        with transaction.atomic():
            home.delete()
    except ProtectedError:  # another child lives there, or was seen there
        return
    Erased.objects.create(kind="home", row=gone)
    _from_the_log("audit_forget_home", gone)


def _from_the_log(function: Literal["audit_forget_child", "audit_forget_home", "audit_forget_demo"], gone: int) -> None:
    """Take from the audit log what a deletion takes: by the database's own functions, since the application may only
    add to it. They do nothing for what is still there.
    """
    with connection.cursor() as cursor:
        cursor.execute(f"select {function}(%s)", [gone])  # one of three names


def _empty(whose: Q) -> None:
    """Delete what is planned and recorded about children, dependent rows first. Part of an action."""
    Visit.objects.filter(whose).delete()
    Run.objects.filter(whose).delete()
    HomeWeek.objects.filter(whose).delete()
    Plan.objects.filter(whose).delete()


def past_keeping(member: Member, today: date) -> list[Child]:
    """The children whose care ended longer ago than records are kept here, the longest first; none where nothing is
    said of keeping.
    """
    years = member.clinic.keep_years
    if years is None:
        return []
    before = today - timedelta(days=round(years * 365.2425))
    return list(Child.objects.visible_to(member).filter(closed_on__lt=before).order_by("closed_on"))
