"""Who is asking: the member behind a session. No member, no access."""

from datetime import timedelta
from zoneinfo import ZoneInfo

from django.conf import settings
from django.contrib.auth import login, logout
from django.db import transaction
from django.http import HttpRequest
from django.utils import timezone
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from clinic.actions import log
from clinic.models import Member, SignedIn
from clinic.problems import ProblemError
from clinic.queries import member_of

SEEN_EVERY = timedelta(minutes=5)  # how closely it is kept when a device was last used


class MemberAuth(SessionAuth):
    """A signed-in user who belongs to a clinic."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Member | None:
        """Return the member, or None when nobody is signed in, or nobody has been here for too long. From here on it is
        the clinic's day and time.
        """
        device = _device(request) if request.user.is_authenticated else None
        if device is None or not _in_use(request, device):
            return None
        timezone.activate(ZoneInfo(device.member.clinic.time_zone))
        return device.member


def _device(request: HttpRequest) -> SignedIn | None:
    """The device this session belongs to, with the member who signed in on it."""
    mine = SignedIn.objects.filter(key=request.session.session_key, member__user=request.user)  # type: ignore[misc]  # somebody: asked before
    return mine.select_related("member__clinic", "member__user").first()


def _in_use(request: HttpRequest, device: SignedIn) -> bool:
    """Whether a device was used within the idle time; signs it out where it was not, and notes where it was."""
    now = timezone.now()
    if now - device.seen > timedelta(minutes=settings.IDLE_MINUTES):
        let_out(request)
        return False
    if abs(now - device.seen) > SEEN_EVERY:  # also where the clock was set back
        SignedIn.objects.filter(pk=device.pk).update(seen=now)
    return True


def member(request: HttpRequest) -> Member:
    """The member a request was let in for."""
    return request.auth  # type: ignore[attr-defined, no-any-return]  # set by ninja


def from_our_page(request: HttpRequest) -> None:
    """Raise ProblemError 403 for a request that another site's page could have sent: it lacks our token (OWASP CSRF
    prevention, login CSRF). The cookie comes with the page, and with every answer to somebody who is not signed in.
    """
    if check_csrf(request) is not None:
        reason = "This page is too old to sign in or out with."
        raise ProblemError(403, "Not let in", "", "", reason, "Reload it, then try again.")


def let_in(request: HttpRequest, member: Member) -> None:
    """Sign a member in on this device, and keep that it is."""
    device = request.headers.get("User-Agent", "")[:200]
    with transaction.atomic():
        login(request, member.user, backend="django.contrib.auth.backends.ModelBackend")
        if request.session.session_key is None:
            request.session.save()
        SignedIn.objects.update_or_create(
            key=request.session.session_key, defaults={"member": member, "device": device}
        )
        log(member, "me.sign_in", member, None, {"device": device})


def note_missed(request: HttpRequest, username: str) -> None:
    """Keep that a sign-in by the name of a member missed; a name nobody has is in no clinic's log."""
    who = Member.objects.select_related("clinic", "user").filter(user__username=username).first()
    if who is not None:
        log(who, "refused.sign_in", who, None, {"device": request.headers.get("User-Agent", "")[:200]})


def let_out(request: HttpRequest) -> None:
    """Sign whoever is signed in on this device out; nobody at all is no error."""
    who = member_of(request.user) if request.user.is_authenticated else None
    with transaction.atomic():
        SignedIn.objects.filter(key=request.session.session_key).delete()
        if who is not None:
            log(who, "me.sign_out", who, None)
        logout(request)
