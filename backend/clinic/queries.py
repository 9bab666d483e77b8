"""Reads that start from who is asking."""

from datetime import timedelta

from django.conf import settings
from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.contrib.sessions.models import Session
from django.db.models import QuerySet
from django.http import Http404
from django.utils import timezone

from clinic.models import Link, Member, SignedIn
from clinic.permissions import require


def member_of(user: AbstractBaseUser | AnonymousUser) -> Member | None:
    """The member a signed-in user is, with the clinic; None for anybody else."""
    if user.pk is None:
        return None
    return Member.objects.select_related("clinic", "user").filter(user__pk=user.pk).first()


def people(who: Member) -> QuerySet[Member]:
    """Everybody in the clinic, those who left last."""
    require(who, "people.read")
    return Member.objects.visible_to(who).select_related("user").order_by("-user__is_active", "user__first_name", "pk")


def colleague(who: Member, member_id: int) -> Member:
    """A colleague by number, for who may see the clinic's people. Raises Http404 for anybody else."""
    require(who, "people.read")
    return fellow(who, member_id)


def fellow(who: Member, member_id: int) -> Member:
    """Somebody of the same clinic by number; what of it may be asked is the caller's to check. Raises Http404."""
    found = Member.objects.visible_to(who).select_related("user").filter(pk=member_id).first()
    if found is None:
        raise Http404(f"Nobody with the number {member_id} in your clinic.")
    return found


def open_links(who: Member) -> QuerySet[Link]:
    """The links that still work."""
    require(who, "people.read")
    return Link.objects.visible_to(who).filter(used_at=None, withdrawn_at=None, expires_at__gt=timezone.now())


def link_for(who: Member, link_id: int) -> Link:
    """A link by number, open or not. Raises Http404 for any other."""
    require(who, "people.read")
    found = Link.objects.visible_to(who).filter(pk=link_id).first()
    if found is None:
        raise Http404(f"No link {link_id} in your clinic.")
    return found


def devices_of(who: Member) -> QuerySet[SignedIn]:
    """Where a person is signed in, newest first; sessions that ran out, or lay idle too long, are left away."""
    now = timezone.now()
    alive = Session.objects.filter(expire_date__gt=now).values("session_key")
    return SignedIn.objects.filter(member=who, key__in=alive, seen__gte=now - timedelta(minutes=settings.IDLE_MINUTES))


def device_for(who: Member, device_id: int) -> SignedIn:
    """One of a person's own devices. Raises Http404 for any other."""
    found = SignedIn.objects.filter(member=who, pk=device_id).first()
    if found is None:
        raise Http404("You are not signed in there any more.")
    return found
