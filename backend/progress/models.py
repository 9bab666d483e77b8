"""What was decided after a run, and what the therapist said of it."""

from django.db import models
from django.db.models import Q

from caseload.models import Child
from clinic.queries import in_clinic
from core.progression import WORDS
from running.models import Run

ANSWERS = ["", "accepted", "declined"]


class DecisionRecord(models.Model):
    """The proposed next step in one strand, with the evidence it rested on, and the therapist's answer."""

    run = models.ForeignKey(Run, models.CASCADE, related_name="decisions")
    child = models.ForeignKey(Child, models.CASCADE, related_name="decisions")
    strand = models.CharField(max_length=24)
    on = models.DateField()
    kind = models.CharField(max_length=8)
    words = models.CharField(max_length=200)
    evidence = models.JSONField()
    would_change = models.CharField(max_length=300)
    mean_before = models.FloatField()
    mean_after = models.FloatField()
    sd_before = models.FloatField()
    sd_after = models.FloatField()
    answer = models.CharField(max_length=8, blank=True, default="")
    answer_why = models.CharField(max_length=200, blank=True, default="")

    objects = in_clinic("child__clinic").as_manager()

    class Meta:
        indexes = [models.Index(fields=["child", "strand", "-on"])]
        constraints = [
            models.UniqueConstraint(fields=["run", "strand"], name="one_decision_per_run_and_strand"),
            models.CheckConstraint(condition=Q(kind__in=list(WORDS)), name="decision_kind_known"),
            models.CheckConstraint(condition=Q(answer__in=ANSWERS), name="decision_answer_known"),
        ]
