"""Where own activities and things are looked up, said once when the application starts."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """The shelf."""

    name = "shelf"

    def ready(self) -> None:
        """Let the core find what clinics made."""
        from core.library import look_up_own_with
        from shelf.queries import find_version

        look_up_own_with(find_version)
