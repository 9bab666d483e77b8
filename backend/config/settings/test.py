"""For the tests: a fast password hasher, a plain static storage, no lock-out."""

import logging

from config.settings.base import *  # noqa: F403
from config.settings.base import INSTALLED_APPS, LOGGING, VAR

INSTALLED_APPS = [*INSTALLED_APPS, "benchmarks"]

SECRET_KEY = "only-for-tests"
SETUP_CODE = "only-for-tests"
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
AXES_ENABLED = False
logging.getLogger("axes").setLevel(logging.CRITICAL)  # its warnings are what some tests are about
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
LOGGING["loggers"]["pollicor.requests"] = {"level": "WARNING"}  # a line for each would drown what the tests say
TEST_RUNNER = "testing.runner.OneDayRunner"
# Children that tests erase are on no list of a real database.
ERASED_LIST = VAR / "test-lists" / "erased.jsonl"
AUDIT_HEADS = VAR / "test-lists" / "audit-heads.jsonl"
