"""A write that is sent twice is done once: a POST may carry an Idempotency-Key, and the same key of the same person
gets the first answer again, from however many tries and at the same time. After the IETF draft
draft-ietf-httpapi-idempotency-key-header-07.
"""

from collections.abc import Callable
from hashlib import sha256
from uuid import UUID

from django.core.exceptions import RequestDataTooBig
from django.db import transaction
from django.http import HttpRequest, HttpResponse

from clinic.models import Answered
from clinic.routes import KEEPS_NO_KEY, with_mark
from config.incoming import GONE, refusal

HEADER = "Idempotency-Key"
MOST_BYTES = 2 * 1024 * 1024  # of an answer that is kept

Handler = Callable[[HttpRequest], HttpResponse]


def once(get_response: Handler) -> Handler:
    """The middleware. Everything a write does is one transaction with the note that it was done."""
    from config.api import api  # the routes are there once the applications are

    keeps_no_key = with_mark(api, KEEPS_NO_KEY)

    def answer(request: HttpRequest) -> HttpResponse:
        key = request.headers.get(HEADER)
        if request.method != "POST" or key is None or not request.user.is_authenticated:
            return get_response(request)
        if keeps_no_key.fullmatch(f"POST {request.path}"):
            return get_response(request)
        try:
            asked = UUID(key)
        except ValueError:
            return refusal(422, HEADER, "This is not a UUID.", "Send one made for this write, or none.")
        try:
            what = sha256(f"{request.path}?{request.META['QUERY_STRING']}\n".encode() + request.body).hexdigest()
        except RequestDataTooBig:
            return refusal(413)
        with transaction.atomic():
            return _answer(get_response, request, asked, what)

    return answer


def _answer(get_response: Handler, request: HttpRequest, key: UUID, what: str) -> HttpResponse:
    mine = {"user_id": request.user.pk, "key": key}
    # Waits here while the same write is under way elsewhere.
    Answered.objects.bulk_create([Answered(**mine, what=what)], ignore_conflicts=True)
    known = Answered.objects.select_for_update().get(**mine)
    if known.what != what:
        return refusal(422, HEADER, "This key belongs to another write.", "Make a new one for each write.")
    if known.status is not None:
        return HttpResponse(known.body, status=known.status, content_type="application/json")
    response = get_response(request)
    if response.status_code >= GONE:  # given up, or a fault
        transaction.set_rollback(True)  # nothing of it happened
    elif response.status_code >= 400 or len(response.content) > MOST_BYTES:
        known.delete()  # what was refused may be tried again
    else:
        done = {"status": response.status_code, "body": response.content.decode()}
        Answered.objects.filter(pk=known.pk).update(**done)  # none is left where the write deleted a record
    return response
