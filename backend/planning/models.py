"""Plans and their blocks."""

import uuid
from typing import Literal

from django.db import models
from django.db.models import Q

from caseload.models import Child, Home
from clinic.fields import one_of, only
from clinic.managers import ClinicManager
from clinic.models import Clinic, Member
from core.child import Part, Place, Supervision
from core.planner import WORKED_OUT, Block, PlanStatus

MOST_SETS = 20  # sets of one block arranged by hand; project definition
BatchStatus = Literal["waiting", "planned", "refused"]


class Plan(models.Model):
    """A session as planned, and what it was planned from. worked_out -- the way it was worked out, as core.planner
    counts them; learned -- the version of the library the clinic's children taught; empty: as it ships
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    child = models.ForeignKey(Child, models.CASCADE, related_name="plans")
    home = models.ForeignKey(Home, models.PROTECT)
    made_by = models.ForeignKey(Member, models.PROTECT)
    made_at = models.DateTimeField(auto_now_add=True)
    place: "models.CharField[Place, Place]" = one_of(Place, 8)
    supervision: "models.CharField[Supervision, Supervision]" = one_of(Supervision, 12)
    minutes = models.PositiveSmallIntegerField()
    targets = models.JSONField()
    task = models.CharField(max_length=24, blank=True)
    kit = models.CharField(max_length=24, blank=True)
    format_id = models.CharField(max_length=24, default="parts")
    order = models.CharField(max_length=16, default="precision_first")
    name = models.CharField(max_length=60, blank=True)
    excluded = models.JSONField(default=list)
    status: "models.CharField[PlanStatus, PlanStatus]" = one_of(PlanStatus, 10)
    bound = models.FloatField(default=0)
    notes = models.JSONField(default=list)
    child_version = models.PositiveIntegerField()
    stock_stamp = models.CharField(max_length=64)
    used_on = models.DateField(null=True)
    worked_out = models.PositiveSmallIntegerField(default=WORKED_OUT)
    learned = models.CharField(max_length=40, blank=True)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("child__clinic")

    class Meta:
        indexes = [models.Index(fields=["child", "-made_at"])]
        constraints = [
            models.CheckConstraint(condition=Q(minutes__gte=5) & Q(minutes__lte=90), name="plan_minutes_possible"),
            only("place", Place, "plan_place_known"),
            only("supervision", Supervision, "plan_supervision_known"),
            only("status", PlanStatus, "plan_status_known"),
        ]


class HomeWeek(models.Model):
    """A home week as planned: which days, which graded activities, how many sets. The rest is worked out by the core.

    clinic_day, clinic_plan -- the day of the clinic's session (0: Monday) and what is done there
    school, school_minutes, school_days -- the school's part: its cupboard, its minutes, and what is done there
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    child = models.ForeignKey(Child, models.CASCADE, related_name="weeks")
    made_by = models.ForeignKey(Member, models.PROTECT)
    made_at = models.DateTimeField(auto_now_add=True)
    starts_on = models.DateField()
    supervision: "models.CharField[Supervision, Supervision]" = one_of(Supervision, 12)
    targets = models.JSONField()
    minutes_by_day = models.JSONField()
    a_day = models.PositiveSmallIntegerField()
    status: "models.CharField[PlanStatus, PlanStatus]" = one_of(PlanStatus, 10)
    well_spent = models.FloatField(default=0)
    bound = models.FloatField(default=0)
    days = models.JSONField()
    clinic_day = models.PositiveSmallIntegerField(null=True)
    clinic_plan = models.ForeignKey("Plan", models.SET_NULL, null=True, related_name="+")
    school = models.ForeignKey(Home, models.PROTECT, null=True, related_name="+")
    school_minutes = models.JSONField(default=list)
    school_days = models.JSONField(default=list)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("child__clinic")

    class Meta:
        indexes = [models.Index(fields=["child", "-starts_on"])]
        constraints = [
            models.CheckConstraint(condition=Q(a_day__in=(1, 2)), name="week_one_or_two_a_day"),
            models.CheckConstraint(condition=Q(clinic_day__isnull=True) | Q(clinic_day__lte=6), name="week_clinic_day"),
        ]


class GroupSession(models.Model):
    """Children together, as planned: which activities, each child's grade, how long. The rest is worked out by the
    core.

    child_ids -- the children in the order they were chosen; with turns, the first half begins
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    home = models.ForeignKey(Home, models.PROTECT)
    children = models.ManyToManyField(Child, related_name="groups")
    made_by = models.ForeignKey(Member, models.PROTECT)
    made_at = models.DateTimeField(auto_now_add=True)
    minutes = models.PositiveSmallIntegerField()
    supervision: "models.CharField[Supervision, Supervision]" = one_of(Supervision, 12)
    adults = models.PositiveSmallIntegerField(default=1)
    targets = models.JSONField(default=list)
    child_ids = models.JSONField(default=list)
    status: "models.CharField[PlanStatus, PlanStatus]" = one_of(PlanStatus, 10)
    well_spent = models.FloatField(default=0)
    bound = models.FloatField(default=0)
    blocks = models.JSONField(default=list)

    objects = ClinicManager("home__clinic")


class Batch(models.Model):
    """A caseload planned in the background: which children, how far it is."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    clinic = models.ForeignKey(Clinic, models.CASCADE)
    asked_by = models.ForeignKey(Member, models.PROTECT)
    asked_at = models.DateTimeField(auto_now_add=True)
    minutes = models.PositiveSmallIntegerField(null=True)

    objects = ClinicManager("clinic")


class BatchLine(models.Model):
    """One child of a batch: waiting, planned (with the plan) or refused (with the reason)."""

    batch = models.ForeignKey(Batch, models.CASCADE, related_name="lines")
    child = models.ForeignKey(Child, models.CASCADE)
    status: "models.CharField[BatchStatus, BatchStatus]" = one_of(BatchStatus, 8, default="waiting")
    plan = models.ForeignKey("Plan", models.SET_NULL, null=True)
    words = models.CharField(max_length=500, blank=True)
    seen = models.BooleanField(default=False)

    class Meta:
        ordering = ["pk"]
        constraints = [
            models.UniqueConstraint(fields=["batch", "child"], name="one_line_per_child"),
            only("status", BatchStatus, "batch_status_known"),
        ]


class PlanBlock(models.Model):
    """One block of a plan: what was chosen. Everything else about it is worked out by the core."""

    plan = models.ForeignKey(Plan, models.CASCADE, related_name="blocks")
    position = models.PositiveSmallIntegerField()
    part: "models.CharField[Part, Part]" = one_of(Part, 8)
    activity_id = models.CharField(max_length=40)
    grade = models.JSONField()
    sets = models.PositiveSmallIntegerField()
    locked = models.BooleanField(default=False)
    strand = models.CharField(max_length=24)
    expected = models.FloatField()

    class Meta:
        ordering = ["position"]
        constraints = [
            models.UniqueConstraint(
                fields=["plan", "position"], name="one_block_per_position", deferrable=models.Deferrable.DEFERRED
            ),
            only("part", Part, "block_part_known"),
            models.CheckConstraint(condition=Q(sets__gte=1) & Q(sets__lte=MOST_SETS), name="block_sets_possible"),
        ]

    @classmethod
    def of(cls, plan: Plan, position: int, block: Block) -> "PlanBlock":
        """The row of a block that stands, unsaved."""
        return cls(
            plan=plan,
            position=position,
            part=block.part,
            activity_id=block.activity_id,
            grade=list(block.grade),
            sets=block.sets,
            locked=block.locked,
            strand=block.strand,
            expected=block.expected,
        )
