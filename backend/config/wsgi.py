"""The web entry. What is slow to import or to judge the first time is paid here, before the first request."""

import os

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings.production")

from django.core.wsgi import get_wsgi_application

application = get_wsgi_application()

import ortools.sat.python.cp_model  # noqa: E402, F401

from core import cylinder  # noqa: E402
from core.library.things import MATERIALS  # noqa: E402

for _material in MATERIALS.values():
    cylinder.fits(_material.shape)
