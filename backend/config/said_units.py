"""Lengths as the reader has them: where answers speak of the library's things and grades, mm become inches for who
wants inches. What people wrote themselves (`OwnWords`) is never touched: it would come back changed.
"""

import re

from django.http import HttpRequest

from clinic.base_schema import CLOSES, OPENS
from clinic.models import Member
from core.units import in_inches

_PEOPLES = re.compile(f"({OPENS}[^{CLOSES}]*{CLOSES})")


def said(request: HttpRequest, text: bytes, speaks_of_things: bool) -> bytes:
    """Return an answer with its lengths as the member who asked reads them; what people wrote stays to the letter.

    speaks_of_things -- whether the route speaks of the library's things and grades
    """
    who = getattr(request, "auth", None)
    words = text.decode()
    if isinstance(who, Member) and who.units == "inch" and speaks_of_things:
        words = "".join(w if w.startswith(OPENS) else in_inches(w) for w in _PEOPLES.split(words))
    return words.replace(OPENS, "").replace(CLOSES, "").encode()
