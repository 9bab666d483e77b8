"""The one page of the application; its routes are the browser's."""

from django.conf import settings
from django.db import connection
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.csrf import ensure_csrf_cookie


@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """Return the page with a CSRF cookie; never cached, so a new build is seen at once."""
    response = render(request, "index.html")
    response["Cache-Control"] = "no-cache"
    return response


def keeper(request: HttpRequest) -> HttpResponse:
    """Return the service worker: from the root, so that it may look after every page; never cached, so a new one is
    seen at once.
    """
    result = settings.REPOSITORY / "frontend" / "dist" / "sw.js"
    if not result.is_file():
        raise Http404("No build of the front end. Run ./pollicor start.")
    return HttpResponse(result.read_bytes(), content_type="text/javascript", headers={"Cache-Control": "no-cache"})


def health(request: HttpRequest) -> HttpResponse:
    """Answer with this server's own token once it serves and reaches its database; an error otherwise."""
    with connection.cursor() as cursor:
        cursor.execute("select 1")
    return HttpResponse(settings.INSTANCE, content_type="text/plain", headers={"Cache-Control": "no-store"})
