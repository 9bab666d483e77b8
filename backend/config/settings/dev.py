"""For work on the code: debug on, a fixed key."""

from config.settings.base import *  # noqa: F403

DEBUG = True
SECRET_KEY = "only-for-development"
