"""The one page of the application; its routes are the browser's."""

from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.csrf import ensure_csrf_cookie


@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """Return the page with a CSRF cookie; never cached, so a new build is seen at once."""
    response = render(request, "index.html")
    response["Cache-Control"] = "no-cache"
    return response
