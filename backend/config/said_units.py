"""Lengths as the reader has them: where answers speak of the library's things and grades, mm become inches for who
wants inches. What people wrote themselves is never touched: it would come back changed.
"""

import re

from django.http import HttpRequest

from clinic.models import Member
from core.units import in_inches

OURS = re.compile(
    r"^/api/(words|activity-words|things|shelves|recipes|bags|measuring|letters|homes/\d+/(cupboard|recipes)|cupboard-items"
    r"|(plans|weeks|groups|looks)(/.*)?|runs/[^/]+(/(next|today|results|finish))?|days/.*"
    r"|children/\d+/(library|forecast|swaps|picture|starter|plans|weeks|looks|seen|progress|aims|activities/.*)(\?.*)?)$"
)


def said(request: HttpRequest, text: bytes) -> bytes:
    """Return an answer with its lengths as the member who asked reads them."""
    who = getattr(request, "auth", None)
    if not isinstance(who, Member) or who.units != "inch" or not OURS.match(request.path):
        return text
    return in_inches(text.decode()).encode()
