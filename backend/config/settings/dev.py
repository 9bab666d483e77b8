"""For work on the code: debug on, a fixed key."""

from config.settings.base import *  # noqa: F403
from config.settings.base import INSTALLED_APPS

INSTALLED_APPS = [*INSTALLED_APPS, "benchmarks"]

DEBUG = True
SECRET_KEY = "only-for-development"
