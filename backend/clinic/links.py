"""Links that work once: made, looked up by their token, used up."""

import hashlib
import secrets
from datetime import timedelta

from django.utils import timezone

from clinic.models import Link, LinkKind, Member, Role
from clinic.problems import ProblemError

LIVES = {"invitation": timedelta(days=7), "reset": timedelta(days=1)}


def make_link(
    by: Member,
    kind: LinkKind,
    for_name: str,
    role: Role | None = None,
    member: Member | None = None,
    email: str = "",
) -> tuple[Link, str]:
    """Keep a new link and return it with its token, which is shown now and never again. Part of an action."""
    token = secrets.token_urlsafe(24)  # 192 bits: not to be guessed
    link = Link.objects.create(
        clinic_id=by.clinic_id,
        kind=kind,
        digest=digest(token),
        for_name=for_name,
        email=email,
        role=role,
        member=member,
        made_by=by,
        expires_at=timezone.now() + LIVES[kind],
    )
    return link, token


def digest(token: str) -> str:
    """What is kept of a token: who reads the database can't use it."""
    return hashlib.sha256(token.encode()).hexdigest()


def open_link(token: str, lock: bool = False) -> Link:
    """Return the link of a token that still works. Raises ProblemError 410, saying whom to ask, for any other."""
    links = Link.objects.select_related("clinic", "made_by__user")
    if lock:
        links = links.select_for_update(of=("self",))
    link = links.filter(digest=digest(token)).first()
    reason = _why_closed(link)
    if link is None or reason:
        ask = (
            f"Ask {link.made_by.name} of {link.clinic} for a new one." if link else "Ask whoever sent it for a new one."
        )
        raise ProblemError(410, "This link no longer works", "token", "", reason, ask)
    return link


def _why_closed(link: Link | None) -> str:
    if link is None:
        return "There is no such link; perhaps part of it was lost in copying."
    if link.withdrawn_at:
        return "This link was withdrawn."
    if link.used_at:
        return "This link was used already, and each works once only."
    if link.expires_at <= timezone.now():
        return f"This link was good until {timezone.localtime(link.expires_at):%-d %B %Y, %H:%M}."
    return ""
