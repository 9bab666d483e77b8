"""Reads of children and homes; each read of a child's record is in the audit log."""

from django.db.models import Q, QuerySet
from django.http import Http404

from caseload.models import Child, Home
from clinic.actions import log
from clinic.models import Member
from clinic.permissions import require


def children(member: Member) -> QuerySet[Child]:
    """The children this member may see."""
    require(member, "caseload.read")
    return Child.objects.visible_to(member).select_related("home")


def found(member: Member, letters: str, most: int = 8) -> QuerySet[Child]:
    """The children one of whose names begins with these letters; all of them for none. At most `most`."""
    words = letters.split()
    matching = children(member)
    for word in words:
        matching = matching.filter(Q(first_name__istartswith=word) | Q(first_name__icontains=f" {word}"))
    return matching[:most]


def child_for(member: Member, child_id: int, why: str = "child.read") -> Child:
    """Return one child, its home and estimates with it, and note the read. Raises Http404."""
    require(member, why)
    child = (
        Child.objects.visible_to(member)
        .select_related("home")
        .prefetch_related("estimates", "also_at")
        .filter(pk=child_id)
        .first()
    )
    if child is None:
        raise Http404(f"No child {child_id} in your clinic.")
    log(member, why, child, child.pk)
    return child


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
