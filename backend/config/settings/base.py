"""Settings every environment shares. Nothing here touches the disk."""

import os
from pathlib import Path
from typing import Any

from csp.constants import NONE, SELF

REPOSITORY = Path(__file__).resolve().parents[3]
BACKEND = REPOSITORY / "backend"
VAR = Path(os.environ.get("POLLICOR_VAR", REPOSITORY / "var"))

INSTANCE = os.environ.get("POLLICOR_INSTANCE", "")  # which of several servers answers; made anew at every start

SETUP_CODE = os.environ.get("POLLICOR_SETUP_CODE", "")  # whoever has it may set up the first clinic; empty: nobody
SECRET_KEY = os.environ.get("POLLICOR_SECRET_KEY", "")
DEBUG = False
# This machine asks itself whether it answers, whatever names others know it by.
ALLOWED_HOSTS = [*os.environ.get("POLLICOR_HOSTS", "localhost").split(","), "127.0.0.1"]

MAIL_HOST = os.environ.get("POLLICOR_MAIL_HOST", "")  # empty: mail is written to var/mail/
EMAIL_BACKEND = f"django.core.mail.backends.{'smtp' if MAIL_HOST else 'filebased'}.EmailBackend"
EMAIL_FILE_PATH = VAR / "mail"
EMAIL_HOST = MAIL_HOST
EMAIL_PORT = int(os.environ.get("POLLICOR_MAIL_PORT", "587"))
EMAIL_HOST_USER = os.environ.get("POLLICOR_MAIL_USER", "")
EMAIL_HOST_PASSWORD = os.environ.get("POLLICOR_MAIL_PASSWORD", "")
EMAIL_USE_TLS = os.environ.get("POLLICOR_MAIL_TLS", "1") == "1"
EMAIL_TIMEOUT = 10  # seconds
DEFAULT_FROM_EMAIL = os.environ.get("POLLICOR_MAIL_FROM", "pollicor@localhost")

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "ninja",
    "axes",
    "django_otp",
    "django_otp.plugins.otp_totp",
    "django_otp.plugins.otp_static",
    "csp",
    "procrastinate.contrib.django",
    "clinic",
    "caseload",
    "shelf",
    "cupboard",
    "planning",
    "running",
    "progress",
    "privacy",
    "visits",
    "sheets",
    "upkeep",
    "demo",
]

# Where long work is handed on to, on this machine; 0: nowhere, it is done here.
PLANNER_PORT = int(os.environ.get("POLLICOR_HAND_ON_TO", "0"))

MIDDLEWARE = [
    "upkeep.metrics.counted",
    "upkeep.logs.logged",
    "config.forwarding.forwarding",
    "django.middleware.security.SecurityMiddleware",
    "csp.middleware.CSPMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
    "config.clinic_time.clinic_time",
    "config.once.once",
    "config.incoming.incoming",
]

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
PASSWORD_HASHERS = ["django.contrib.auth.hashers.Argon2PasswordHasher"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "django.contrib.auth.password_validation.NumericPasswordValidator"},
]
OTP_TOTP_ISSUER = "Pollicor"
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = 0.25  # hours
AXES_RESET_ON_SUCCESS = True
AXES_LOCKOUT_CALLABLE = "clinic.lockout.answer"
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_CLIENT_IP_CALLABLE = "clinic.lockout.address_of"
BEHIND_FRONT = False  # whether visitors come through a front of ours that says their address

ROOT_URLCONF = "config.urls"
WSGI_APPLICATION = "config.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [REPOSITORY / "frontend" / "dist"],
        "APP_DIRS": True,
    }
]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.postgresql",
        "NAME": os.environ.get("POLLICOR_DB_NAME", "pollicor"),
        "USER": os.environ.get("POLLICOR_DB_USER", "pollicor"),
        "PASSWORD": os.environ.get("POLLICOR_DB_PASSWORD", ""),
        "HOST": os.environ.get("POLLICOR_DB_HOST", "127.0.0.1"),
        "PORT": os.environ.get("POLLICOR_DB_PORT", "54329"),
        "CONN_HEALTH_CHECKS": True,
        # After five seconds of trying in vain the next request begins anew: a database that was away for long is not
        # tried ever more seldom. Whoever asks waits for ten at most.
        "OPTIONS": {
            "pool": {
                "min_size": 1,
                "max_size": int(os.environ.get("POLLICOR_DB_POOL", "4")),
                "timeout": 10,
                "reconnect_timeout": 5,
            }
        },
    }
}
METRICS_TOKEN = os.environ.get("POLLICOR_METRICS_TOKEN", "")  # empty: there is no page of metrics
BACKUP_DIR = Path(os.environ.get("POLLICOR_BACKUP_DIR", VAR / "backups"))
ERASED_LIST = Path(
    os.environ.get("POLLICOR_ERASED_LIST", VAR / "lists" / "erased.jsonl")
)  # see caseload/erased_list.py
AUDIT_HEADS = Path(
    os.environ.get("POLLICOR_AUDIT_HEADS", VAR / "lists" / "audit-heads.jsonl")
)  # see upkeep/audit_chain.py
BACKUP_PASSPHRASE = os.environ.get("POLLICOR_BACKUP_PASSPHRASE", "")  # empty: backups are not encrypted
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

LANGUAGE_CODE = "en-gb"
TIME_ZONE = "UTC"
USE_TZ = True

STATIC_URL = "/static/"
STATIC_ROOT = BACKEND / "static"
STATICFILES_DIRS = [d for d in [REPOSITORY / "frontend" / "dist"] if d.exists()]
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"},
}
WHITENOISE_IMMUTABLE_FILE_TEST = r"^.+[.-][0-9a-zA-Z_-]{8}\..+$"

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [SELF],
        "script-src": [SELF],
        "style-src": [SELF],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "object-src": [NONE],
        "base-uri": [NONE],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
    }
}
SESSION_COOKIE_AGE = 12 * 60 * 60  # seconds
IDLE_MINUTES = int(os.environ.get("POLLICOR_IDLE_MINUTES", "60"))  # without use, after which a device is signed out
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
DATA_UPLOAD_MAX_MEMORY_SIZE = 2 * 1024 * 1024  # bytes

LOGGING: dict[str, Any] = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {
        "json": {
            "()": "upkeep.logs.CarefulFormatter",
            "fmt": ["asctime", "levelname", "name", "message"],
            "rename_fields": {"asctime": "at", "levelname": "level", "name": "logger"},
        }
    },
    "handlers": {"stderr": {"class": "logging.StreamHandler", "formatter": "json"}},
    "root": {"handlers": ["stderr"], "level": "WARNING"},
    "loggers": {
        "django.request": {"handlers": ["stderr"], "level": "ERROR", "propagate": False},
        "pollicor.requests": {"level": "INFO"},
        "upkeep": {"level": "INFO"},
    },
}
