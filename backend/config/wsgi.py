"""The web entry. What is slow to import or to judge the first time is paid here, before the first request."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings.production")
application = get_wsgi_application()


def _warm_up() -> None:
    import ortools.sat.python.cp_model  # noqa: F401  half a second, once, before the workers part

    from core.library import THINGS, reading_grade
    from core.safety import fits_small_parts_cylinder

    for thing in THINGS.values():
        fits_small_parts_cylinder(thing.shape)
    reading_grade("One word.")  # its list of syllables takes a second to read


_warm_up()
