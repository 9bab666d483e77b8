"""Where own activities and things are looked up, said once when the application starts."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """The shelf."""

    name = "shelf"

    def ready(self) -> None:
        """Let the core find what clinics made."""
        from core.library import look_up_own_with
        from core.planner import look_up_formats_with
        from core.skills import look_up_tasks_with
        from shelf import queries

        look_up_own_with(queries.find_version)
        look_up_tasks_with(queries.find_own_task)
        look_up_formats_with(queries.find_own_format)
