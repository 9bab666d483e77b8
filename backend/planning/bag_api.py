"""The visit bag for a day's children."""

from django.http import HttpRequest
from ninja import Router

from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, LONG_WORK, SAYS_UNITS, marked
from planning.bag import packed
from planning.schemas import BagIn, BagOut

router = Router(tags=["bag"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}


@router.post("/bags", response={200: BagOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS, KEEPS_NO_KEY))
def pack(request: HttpRequest, body: BagIn) -> BagOut:
    """Pack the fewest things for the newest plan of each child; nothing is kept."""
    return packed(member(request), list(dict.fromkeys(body.children)), body.store_id)
