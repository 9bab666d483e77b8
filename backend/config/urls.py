"""The API under /api/, everything else is the application's one page."""

from django.urls import path, re_path

from config.api import api
from config.page import health, keeper, page
from upkeep.pages import metrics, ready

handler500 = "config.incoming.failed"
urlpatterns = [
    path("api/", api.urls),
    path("sw.js", keeper),
    path("health", health),
    path("ready", ready),
    path("metrics", metrics),
    re_path(r"^(?!api/|static/).*$", page),
]
