"""Lengths as the reader has them: where answers speak of the library's things and grades, mm become inches for who
wants inches. What people wrote themselves (`OwnWords`) is never touched: it would come back changed.
"""

import re

from django.http import HttpRequest

from clinic.models import Member
from clinic.schema import CLOSES, OPENS
from core.units import in_inches

OURS = re.compile(
    r"^/api/(words|activity-words|things|shelves|recipes|bags|measuring|letters|homes/\d+/(cupboard|recipes)|cupboard-items"
    r"|(plans|weeks|groups|looks)(/.*)?|runs/[^/]+(/(next|today|results|finish))?|days/.*"
    r"|children/\d+/(library|forecast|swaps|picture|starter|plans|weeks|looks|seen|progress|aims|activities/.*)(\?.*)?)$"
)


_PEOPLES = re.compile(f"({OPENS}[^{CLOSES}]*{CLOSES})")


def said(request: HttpRequest, text: bytes) -> bytes:
    """Return an answer with its lengths as the member who asked reads them; what people wrote stays to the letter."""
    who = getattr(request, "auth", None)
    words = text.decode()
    if isinstance(who, Member) and who.units == "inch" and OURS.match(request.path):
        words = "".join(w if w.startswith(OPENS) else in_inches(w) for w in _PEOPLES.split(words))
    return words.replace(OPENS, "").replace(CLOSES, "").encode()
