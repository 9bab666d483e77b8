"""Visits, and the secret links of calendar feeds."""

from typing import Literal

from django.db import models
from django.db.models import Q

from caseload.models import Child, Home
from clinic.fields import one_of, only
from clinic.managers import ClinicManager
from clinic.models import Clinic, Member

VisitStatus = Literal["planned", "done", "cancelled", "no_show"]


class Visit(models.Model):
    """One child to be seen once: the day and time are the clinic's own, so that a summer time moves no visit.

    at     -- None: some time that day
    series -- the visits that were made together and come again and again; None for one alone
    """

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    child = models.ForeignKey(Child, models.CASCADE, related_name="visits")
    home = models.ForeignKey(Home, models.PROTECT, related_name="visits")
    therapist = models.ForeignKey(Member, models.PROTECT, related_name="visits")
    on = models.DateField()
    at = models.TimeField(null=True)
    minutes = models.PositiveSmallIntegerField(default=45)
    series = models.UUIDField(null=True)
    status: "models.CharField[VisitStatus, VisitStatus]" = one_of(VisitStatus, 10, default="planned")
    reason = models.CharField(max_length=200, blank=True)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        ordering = ["on", "at", "pk"]
        indexes = [models.Index(fields=["clinic", "on"]), models.Index(fields=["therapist", "on"])]
        constraints = [
            only("status", VisitStatus, "visit_status_known"),
            models.CheckConstraint(condition=Q(minutes__gte=5) & Q(minutes__lte=240), name="visit_minutes_possible"),
        ]

    def __str__(self) -> str:
        return f"{self.child} on {self.on}"


class Feed(models.Model):
    """The secret link a person's calendar is read by. Only a digest of its token is kept."""

    member = models.OneToOneField(Member, models.CASCADE, related_name="feed")
    digest = models.CharField(max_length=64, unique=True)
    made_at = models.DateTimeField(auto_now=True)
