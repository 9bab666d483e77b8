"""Plans and their blocks."""

import uuid

from django.db import models
from django.db.models import Q

from caseload.models import Child, Home
from clinic.models import Member
from clinic.queries import in_clinic
from core.library.declare import PARTS


class Plan(models.Model):
    """A session as planned, and what it was planned from."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    child = models.ForeignKey(Child, models.CASCADE, related_name="plans")
    home = models.ForeignKey(Home, models.PROTECT)
    made_by = models.ForeignKey(Member, models.PROTECT)
    made_at = models.DateTimeField(auto_now_add=True)
    place = models.CharField(max_length=8)
    supervision = models.CharField(max_length=12)
    minutes = models.PositiveSmallIntegerField()
    targets = models.JSONField()
    excluded = models.JSONField(default=list)
    status = models.CharField(max_length=10)
    bound = models.FloatField(default=0)
    notes = models.JSONField(default=list)
    child_version = models.PositiveIntegerField()
    stock_stamp = models.CharField(max_length=64)
    used_on = models.DateField(null=True)
    version = models.PositiveIntegerField(default=1)

    objects = in_clinic("child__clinic").as_manager()

    class Meta:
        indexes = [models.Index(fields=["child", "-made_at"])]
        constraints = [models.CheckConstraint(condition=Q(minutes__gte=5) & Q(minutes__lte=90), name="plan_minutes_possible")]


class PlanBlock(models.Model):
    """One block of a plan: what was chosen. Everything else about it is worked out by the core."""

    plan = models.ForeignKey(Plan, models.CASCADE, related_name="blocks")
    position = models.PositiveSmallIntegerField()
    part = models.CharField(max_length=8)
    family = models.CharField(max_length=40)
    grade = models.JSONField()
    minutes = models.PositiveSmallIntegerField()
    locked = models.BooleanField(default=False)
    strand = models.CharField(max_length=24)
    expected = models.FloatField()

    class Meta:
        ordering = ["position"]
        constraints = [
            models.UniqueConstraint(
                fields=["plan", "position"], name="one_block_per_position", deferrable=models.Deferrable.DEFERRED
            ),
            models.CheckConstraint(condition=Q(part__in=PARTS), name="block_part_known"),
            models.CheckConstraint(condition=Q(minutes__gte=1) & Q(minutes__lte=60), name="block_minutes_possible"),
        ]
