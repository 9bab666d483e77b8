"""The clinic's people: invited, let in, changed, let go; and everybody's own account."""

from typing import Any

from django.contrib.auth.models import User
from django.contrib.sessions.models import Session
from django.db import IntegrityError, transaction
from django.utils import timezone

from clinic.actions import Done, StaleEdit, acting, log
from clinic.links import make_link, open_link
from clinic.mail import checked_email
from clinic.models import Clinic, Link, LinkKind, Member, Role, SignedIn, Theme, Thumb, Units
from clinic.passwords import checked_full_name, checked_password, checked_username, taken
from clinic.problems import ProblemError
from clinic.second_factor import take_away


@acting("people.invite")
def invite(member: Member, name: str, role: Role, email: str = "") -> Done[tuple[Link, str]]:
    """Make an invitation; with the link comes its token, shown once."""
    first, last = checked_full_name(name)
    link, token = make_link(member, "invitation", f"{first} {last}".strip()[:80], role, email=checked_email(email))
    return Done((link, token), link, None, {"for": link.for_name, "role": role})


@acting("people.invite")
def offer_reset(member: Member, colleague: Member) -> Done[tuple[Link, str]]:
    """Make a link with which a colleague chooses a new password; an earlier one is withdrawn."""
    Link.objects.visible_to(member).filter(member=colleague, used_at=None, withdrawn_at=None).update(
        withdrawn_at=timezone.now()
    )
    link, token = make_link(member, "reset", colleague.name[:80], member=colleague, email=colleague.user.email)
    return Done((link, token), link, None, {"for": colleague.pk})


@acting("people.invite")
def withdraw(member: Member, link: Link) -> Done[Link]:
    """Make a link useless. One that was used stays as it is."""
    now = Link.objects.select_for_update().get(pk=link.pk)
    if now.used_at is None and now.withdrawn_at is None:
        now.withdrawn_at = timezone.now()
        now.save(update_fields=["withdrawn_at"])
    return Done(now, now, None, {"for": now.for_name})


def join(token: str, name: str, username: str, password: str) -> Member:
    """Use up an invitation: a new person with a sign-in of their own. Raises ProblemError at the field."""
    with transaction.atomic():
        link = _link(token, "invitation")
        made = new_member(link.clinic, link.role or "assistant", name, username, password, link.email)
        _use(link)
        log(made, "people.join", made, None, {"link": link.pk, "role": made.role})
    return made


def choose_password(token: str, password: str) -> Member:
    """Use up a reset link: a new password, every device signed out, and the second factor taken away: somebody who lost
    a phone asks the lead for this link, too. Raises ProblemError at the field.
    """
    with transaction.atomic():
        link = _link(token, "reset")
        member = Member.objects.select_related("user", "clinic").get(links=link)
        user = member.user
        user.set_password(checked_password(password, user))
        user.save(update_fields=["password"])
        end_all(member)
        take_away(user)
        _use(link)
        log(member, "people.reset", member, None, {"link": link.pk})
    return member


def new_member(clinic: Clinic, role: Role, name: str, username: str, password: str, email: str = "") -> Member:
    """A person with a place in a clinic. Part of an action. Raises ProblemError at the field."""
    first, last = checked_full_name(name)
    user = User(username=checked_username(username), first_name=first, last_name=last, email=email)
    user.set_password(checked_password(password, user))
    try:
        with transaction.atomic():
            user.save()
    except IntegrityError as error:  # two people chose the same name at the same moment
        raise taken(user.username) from error
    return Member.objects.create(user=user, clinic=clinic, role=role, units=clinic.units)


@acting("people.edit")
def edit_member(member: Member, colleague: Member, role: Role, active: bool, version: int) -> Done[Member]:
    """Change a colleague's role, or whether they may sign in. What they did stays under their name.

    Raises StaleEdit where another lead changed them meanwhile, ProblemError where no lead would be left.
    """
    leads = list(
        Member.objects.select_for_update().filter(clinic_id=member.clinic_id, role="lead", user__is_active=True)
    )
    now = Member.objects.select_for_update(of=("self",)).select_related("user").get(pk=colleague.pk)
    if now.version != version:
        raise StaleEdit(_plain(now), {"role": role, "active": active})
    if (role != "lead" or not active) and [m.pk for m in leads] == [now.pk]:
        raise ProblemError(
            422, "Not saved", "role", role, f"{now.name} is the clinic's only lead.", "Make somebody else a lead first."
        )
    before = _plain(now)
    now.role, now.user.is_active = role, active
    now.version += 1
    now.save(update_fields=["role", "version"])
    now.user.save(update_fields=["is_active"])
    if not active:
        end_all(now)
        Link.objects.filter(member=now, used_at=None, withdrawn_at=None).update(withdrawn_at=timezone.now())
    return Done(now, now, None, {"before": before, "after": _plain(now)})


@acting("me.edit")
def edit_me(member: Member, name: str, run_hand: Thumb, theme: Theme, units: Units) -> Done[Member]:
    """Change what one is called, the side one's thumb taps on, light or dark, mm or inches."""
    before = {"name": member.name, "run_hand": member.run_hand, "theme": member.theme, "units": member.units}
    member.user.first_name, member.user.last_name = checked_full_name(name)
    member.user.save(update_fields=["first_name", "last_name"])
    member.run_hand, member.theme, member.units = run_hand, theme, units
    member.save(update_fields=["run_hand", "theme", "units"])
    after = {"name": member.name, "run_hand": run_hand, "theme": theme, "units": units}
    return Done(member, member, None, {"before": before, "after": after})


@acting("me.edit")
def change_password(member: Member, now: str, password: str) -> Done[Member]:
    """Change one's own password; every device is signed out by it. Raises ProblemError at `now`, `password`."""
    user = member.user
    if not user.check_password(now):
        raise ProblemError(422, "Not saved", "now", "", "That is not your password now.", "Type it once more.")
    user.set_password(checked_password(password, user))
    user.save(update_fields=["password"])
    end_all(member)
    return Done(member, member, None, {"password": "changed"})


@acting("me.edit")
def sign_out_device(member: Member, device: SignedIn) -> Done[None]:
    """End one's session on a device."""
    Session.objects.filter(session_key=device.key).delete()
    SignedIn.objects.filter(pk=device.pk).delete()
    return Done(None, member, None, {"device": device.device})


def end_all(member: Member) -> None:
    """End a person's sessions on every device. Part of an action."""
    gone = SignedIn.objects.filter(member=member)
    Session.objects.filter(session_key__in=[s.key for s in gone]).delete()
    gone.delete()


def _link(token: str, kind: LinkKind) -> Link:
    link = open_link(token, lock=True)
    if link.kind != kind:
        raise ProblemError(
            410, "This link no longer works", "token", "", "This link is for something else.", "Open it again."
        )
    return link


def _use(link: Link) -> None:
    link.used_at = timezone.now()
    link.save(update_fields=["used_at"])


def _plain(member: Member) -> dict[str, Any]:
    return {"role": member.role, "active": member.user.is_active, "version": member.version}
