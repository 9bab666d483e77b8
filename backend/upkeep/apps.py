"""What is connected once Django knows all its models."""

from django.apps import AppConfig
from django.db.models.signals import post_save


class UpkeepConfig(AppConfig):
    """Counts plans wherever they are made: in the web, by a planner or by a worker."""

    name = "upkeep"

    def ready(self) -> None:
        """Connect the count."""
        from planning.models import Plan
        from upkeep.metrics import count_plans

        post_save.connect(count_plans, sender=Plan, dispatch_uid="upkeep.count_plans")
