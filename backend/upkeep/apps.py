"""What is connected once Django knows all its models."""

from django.apps import AppConfig
from django.db.models.signals import post_save


class UpkeepConfig(AppConfig):
    """Counts plans wherever they are made, in the web, by a planner or by a worker; and looks at every row before it is
    saved.
    """

    name = "upkeep"

    def ready(self) -> None:
        """Connect both."""
        from clinic.bounds import look_at_every_row
        from planning.models import Plan
        from upkeep.metrics import count_plans

        look_at_every_row()
        post_save.connect(count_plans, sender=Plan, dispatch_uid="upkeep.count_plans")
