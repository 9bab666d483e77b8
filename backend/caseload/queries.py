"""Reads of children and homes; each read of a child's record is in the audit log."""

from collections.abc import Sequence

from django.db.models import Case, Q, QuerySet, When
from django.http import Http404

from caseload.checks import may_see_children
from caseload.models import Child, Home
from clinic.actions import log
from clinic.kept import MadeFrom
from clinic.models import Member
from clinic.permissions import require
from clinic.queries import fellow
from core.skills import Said, read_said


def children(member: Member) -> QuerySet[Child]:
    """The children this member may see whose care is open."""
    return _all(member).filter(care="open")


def closed(member: Member) -> QuerySet[Child]:
    """The children whose care has ended, the latest first."""
    return _all(member).exclude(care="open").order_by("-closed_on", "first_name")


def therapists(member: Member) -> list[Member]:
    """Who may look after a child, by name."""
    require(member, "caseload.read")
    able = filter(may_see_children, Member.objects.visible_to(member).select_related("user"))
    return sorted(able, key=lambda m: m.name.lower())


def therapist_for(member: Member, member_id: int) -> Member:
    """A colleague a child may be given to. Raises Http404 for somebody of another clinic."""
    require(member, "caseload.read")
    return fellow(member, member_id)


def _all(member: Member) -> QuerySet[Child]:
    require(member, "caseload.read")
    return Child.objects.visible_to(member).select_related("home", "therapist__user")


def found(member: Member, letters: str, most: int = 8) -> QuerySet[Child]:
    """The children one of whose names begins with these letters, those whose care is open first; all of them for none.
    At most `most`.
    """
    matching = _all(member).order_by(Case(When(care="open", then=0), default=1), "first_name", "pk")
    return named(matching, letters)[:most]


def named(matching: QuerySet[Child], letters: str) -> QuerySet[Child]:
    """Those of these children one of whose names begins with each of these words."""
    for word in letters.split():
        matching = matching.filter(Q(first_name__istartswith=word) | Q(first_name__icontains=f" {word}"))
    return matching


BESIDE = ("estimates", "also_at")


def child_for(member: Member, child_id: int, why: str = "child.read", beside: Sequence[str] = BESIDE) -> Child:
    """Return one child, its home and what is beside it, and note the read. Raises Http404."""
    require(member, why)
    child = (
        Child.objects.visible_to(member)
        .select_related("home", "therapist__user")
        .prefetch_related(*beside)
        .filter(pk=child_id)
        .first()
    )
    if child is None:
        raise Http404(f"No child {child_id} in your clinic.")
    log(member, why, child, child.pk)
    return child


CHILD_ROWS = MadeFrom(
    clinic_clinic="id = %(clinic)s",
    caseload_libraryversion="clinic_id = %(clinic)s",
    caseload_child="id = %(child)s",
    caseload_strandestimate="child_id = %(child)s",
    caseload_taskrecord="child_id = %(child)s",
    caseload_activitypace="child_id = %(child)s",
)
"""The rows that tell what a child can do, and of the clinic what bears on it."""


def as_stored(child: Child) -> Child:
    """The same child, read anew with its clinic and its estimates. Whoever has one was let in to it before."""
    return Child.objects.select_related("clinic").prefetch_related("estimates").get(pk=child.pk)


def said(member: Member, words: str) -> tuple[Said, ...]:
    """What is read in the words of a referral or a family."""
    require(member, "child.edit")
    return read_said(words)


def homes(member: Member) -> QuerySet[Home]:
    """The homes, clinic rooms and schools this member may see."""
    require(member, "cupboard.read")
    return Home.objects.visible_to(member).order_by("kind", "name")


def home_for(member: Member, home_id: int) -> Home:
    """Return one home. Raises Http404."""
    require(member, "cupboard.read")
    home = Home.objects.visible_to(member).filter(pk=home_id).first()
    if home is None:
        raise Http404(f"No home {home_id} in your clinic.")
    return home
