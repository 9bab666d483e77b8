"""Who is asking: the member behind a session. No member, no access."""

from django.http import HttpRequest
from ninja.security import SessionAuth

from clinic.models import Member
from clinic.queries import member_of


class MemberAuth(SessionAuth):
    """A signed-in user who belongs to a clinic."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Member | None:
        """Return the member, or None when nobody is signed in."""
        return member_of(request.user) if request.user.is_authenticated else None


def member(request: HttpRequest) -> Member:
    """The member a request was let in for."""
    return request.auth  # type: ignore[attr-defined, no-any-return]  # set by ninja
