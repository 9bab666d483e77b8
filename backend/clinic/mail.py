"""Mail to colleagues, by Django's backend: to a mail server where one is set up, else into a folder."""

import logging
from typing import Literal

from django.conf import settings
from django.core.exceptions import ValidationError
from django.core.mail import send_mail
from django.core.validators import validate_email

from clinic.models import Link
from clinic.problems import ProblemError

Mailed = Literal["", "sent", "written", "failed"]
log = logging.getLogger(__name__)


def checked_email(email: str) -> str:
    """Return an address, or nothing for none. Raises ProblemError at `email` for what is none."""
    address = email.strip()
    if not address:
        return ""
    try:
        validate_email(address)
    except ValidationError as error:
        raise ProblemError(
            422, "Not saved", "email", email, "That is not an e-mail address.", "Write it as name@example.org."
        ) from error
    return address


def mail_link(link: Link, address: str) -> Mailed:
    """Mail a link's address to whom it is for; return what became of it. A failure is logged and leaves the link."""
    if not link.email:
        return ""
    what = "join" if link.kind == "invitation" else "choose a new password at"
    words = (
        f"Hello {link.for_name},\n\n{link.made_by.name} sends you a link to {what} {link.clinic} in Pollicor.\n"
        f"It works once, until {link.expires_at:%-d %B %Y, %H:%M} UTC:\n\n{address}\n\n"
        "If you did not expect it, ignore this mail: nothing happens until the link is used.\n"
    )
    try:
        send_mail(f"Pollicor: a link from {link.clinic}", words, None, [link.email])
    except OSError:  # the server can't be reached, or refuses: smtplib's errors are OSErrors
        log.exception("mail to a colleague failed")
        return "failed"
    return "sent" if settings.MAIL_HOST else "written"
