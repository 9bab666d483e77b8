"""What `./pollicor start` runs: the key and the password come from var/, never from the code."""

import os

from django.core.exceptions import ImproperlyConfigured

from config.settings.base import *  # noqa: F403
from config.settings.base import ALLOWED_HOSTS, SECRET_KEY

if not SECRET_KEY:
    raise ImproperlyConfigured(
        "POLLICOR_SECRET_KEY is empty: sessions can't be signed. Start with ./pollicor start, which makes one."
    )

# Behind a front that speaks TLS (docs/deploy.md). Without one, on this machine alone, cookies have to go over HTTP.
if os.environ.get("POLLICOR_HTTPS") == "1":
    BEHIND_FRONT = True
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    SECURE_SSL_REDIRECT = True
    SECURE_REDIRECT_EXEMPT = [r"^health$"]
    SECURE_HSTS_SECONDS = 365 * 24 * 60 * 60
    SECURE_HSTS_INCLUDE_SUBDOMAINS = True
    SESSION_COOKIE_SECURE = True
    CSRF_COOKIE_SECURE = True
    CSRF_TRUSTED_ORIGINS = [f"https://{host}" for host in ALLOWED_HOSTS]
SILENCED_SYSTEM_CHECKS = ["security.W021"]  # being on the browsers' preload list is for each domain's owner to decide
