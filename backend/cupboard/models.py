"""What is in a cupboard."""

from django.db import models
from django.db.models import Q

from caseload.models import Home
from clinic.managers import ClinicManager


class StockItem(models.Model):
    """A household thing, how many of it, what was measured here and what its label says.

    thing_id -- an id of the library
    labels   -- whether it holds what some makes of it hold, by allergen
    """

    home = models.ForeignKey(Home, models.CASCADE, related_name="stock")
    thing_id = models.CharField(max_length=40)
    count = models.PositiveIntegerField()
    measured = models.JSONField(default=dict)
    labels = models.JSONField(default=dict)
    version = models.PositiveIntegerField(default=1)
    changed_at = models.DateTimeField(auto_now=True)

    objects = ClinicManager("home__clinic")

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["home", "thing_id"], name="one_line_per_thing"),
            models.CheckConstraint(condition=Q(count__lte=9999), name="stock_count_possible"),
        ]

    def __str__(self) -> str:
        return f"{self.count} {self.thing_id}"
