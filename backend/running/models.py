"""Runs: an append-only log of what was tapped, and the sets it folds into."""

import uuid

from django.db import models
from django.db.models import F, Q

from caseload.models import Child
from clinic.managers import ClinicManager
from clinic.models import Member
from planning.models import GroupSession, Plan


class Run(models.Model):
    """A plan at the table. `blocks` is the plan as it stood when the run began, and never changes.

    frozen       -- its note is signed: what is tapped from then on is kept apart
    counted_taps -- how many taps its log had when it was last folded into sets
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    plan = models.ForeignKey(Plan, models.PROTECT, related_name="runs")
    child = models.ForeignKey(Child, models.CASCADE, related_name="runs")
    by = models.ForeignKey(Member, models.PROTECT)
    on = models.DateField()
    started_at = models.DateTimeField(auto_now_add=True)
    ended_at = models.DateTimeField(null=True)
    blocks = models.JSONField()
    frozen = models.BooleanField(default=False)
    counted_taps = models.PositiveIntegerField(null=True)
    group = models.ForeignKey(GroupSession, models.SET_NULL, null=True, related_name="runs")

    objects = ClinicManager("child__clinic")

    class Meta:
        indexes = [models.Index(fields=["child", "-on"])]

    @property
    def late_taps(self) -> int:
        """How many taps of an ended run are in its log and not yet in its results. One query."""
        if self.ended_at is None or self.frozen:
            return 0
        return self.events.filter(after_signing=False).count() - (self.counted_taps or 0)


class RunEvent(models.Model):
    """One tap. Its id was made on the tablet; it is kept once, and never changed.

    after_signing -- it arrived when the note was signed already: kept apart, and never counted
    """

    id = models.UUIDField(primary_key=True)
    run = models.ForeignKey(Run, models.CASCADE, related_name="events")
    block = models.CharField(max_length=8)
    kind = models.CharField(max_length=10)
    at = models.DateTimeField()
    received_at = models.DateTimeField(auto_now_add=True)
    value = models.JSONField(default=dict)
    after_signing = models.BooleanField(default=False)

    class Meta:
        indexes = [models.Index(fields=["run", "at"])]


class SetRecord(models.Model):
    """One set, folded from the log: one block at one grade with one kind of help and one hand."""

    run = models.ForeignKey(Run, models.CASCADE, related_name="sets")
    child = models.ForeignKey(Child, models.CASCADE, related_name="sets")
    on = models.DateField()
    block = models.CharField(max_length=8)
    part = models.CharField(max_length=8)
    activity_id = models.CharField(max_length=40)
    grade = models.JSONField()
    strand = models.CharField(max_length=24)
    difficulty = models.FloatField()
    support = models.CharField(max_length=16)
    hand = models.CharField(max_length=12, blank=True)
    tries = models.PositiveSmallIntegerField()
    successes = models.PositiveSmallIntegerField()
    drops = models.PositiveSmallIntegerField(default=0)
    seconds = models.FloatField(default=0)
    gap_seconds = models.FloatField(null=True)
    best_hold_seconds = models.FloatField(default=0)
    hold_seconds = models.FloatField(default=0)
    measures = models.JSONField(default=dict)
    marks = models.JSONField(default=dict)
    longest_row = models.PositiveSmallIntegerField(default=0)
    help_first = models.BooleanField(default=False)
    asked = models.JSONField(default=dict)

    class Meta:
        indexes = [models.Index(fields=["child", "strand", "on"])]
        constraints = [
            models.CheckConstraint(condition=Q(successes__lte=F("tries")), name="set_successes_within_tries"),
            models.CheckConstraint(condition=Q(seconds__gte=0), name="set_seconds_possible"),
        ]
