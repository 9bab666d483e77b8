"""The web entry. What is slow to import or to judge the first time is paid here, before the first request."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings.production")
application = get_wsgi_application()


def _warm_up() -> None:
    from django.conf import settings

    from core.library import THINGS, reading_grade
    from core.planner import warm_up
    from core.safety import fits_small_parts_cylinder

    for thing in THINGS.values():
        fits_small_parts_cylinder(thing.shape)
    reading_grade("One word.")  # its list of syllables takes a second to read
    if not settings.PLANNER_PORT:  # this process plans by itself
        warm_up()  # last: what is at hand by now is left out of the garbage collector's rounds


_warm_up()
