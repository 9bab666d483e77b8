"""What `./pollicor start` runs: the key and the password come from var/, never from the code."""

from django.core.exceptions import ImproperlyConfigured

from config.settings.base import *  # noqa: F403
from config.settings.base import SECRET_KEY

if not SECRET_KEY:
    raise ImproperlyConfigured(
        "POLLICOR_SECRET_KEY is empty: sessions can't be signed. Start with ./pollicor start, which makes one."
    )
