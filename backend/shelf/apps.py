"""Where own activities and things are looked up, said once when the application starts."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """The shelf."""

    name = "shelf"

    def ready(self) -> None:
        """Let the core find what clinics made."""
        from core.own import SHELF
        from shelf import queries

        SHELF.look_up_with(queries.find_made)
