"""What was decided after a run, and what the therapist said of it."""

from typing import Literal, get_args

from django.db import models
from django.db.models import Q

from caseload.models import Child
from clinic.fields import one_of, only
from clinic.managers import ClinicManager
from clinic.models import Member
from core.progress import WORDS, Latest, StepKind
from running.models import Run

Answer = Literal["", "accepted", "changed", "declined"]
ANSWERS: tuple[Answer, ...] = get_args(Answer)
NoStep = Literal[""]


class DecisionRecord(models.Model):
    """The proposed next step in one strand, with the evidence it rested on, and the therapist's answer."""

    run = models.ForeignKey(Run, models.CASCADE, related_name="decisions")
    child = models.ForeignKey(Child, models.CASCADE, related_name="decisions")
    strand = models.CharField(max_length=24)
    on = models.DateField()
    kind: "models.CharField[StepKind, StepKind]" = one_of(StepKind, 8)
    words = models.CharField(max_length=200)
    evidence = models.JSONField()
    would_change = models.CharField(max_length=300)
    mean_before = models.FloatField()
    mean_after = models.FloatField()
    sd_before = models.FloatField()
    sd_after = models.FloatField()
    answer: "models.CharField[Answer, Answer]" = one_of(Answer, 8, blank=True, default="")
    answer_kind: "models.CharField[StepKind | NoStep, StepKind | NoStep]" = one_of(StepKind, 8, blank=True, default="")
    answer_why = models.CharField(max_length=200, blank=True, default="")

    objects = ClinicManager("child__clinic")

    class Meta:
        indexes = [models.Index(fields=["child", "strand", "-on"])]
        constraints = [
            models.UniqueConstraint(fields=["run", "strand"], name="one_decision_per_run_and_strand"),
            only("kind", StepKind, "decision_kind_known"),
            only("answer", Answer, "decision_answer_known"),
            models.CheckConstraint(
                condition=Q(answer="changed", answer_kind__in=list(WORDS)) | (~Q(answer="changed") & Q(answer_kind="")),
                name="decision_changed_to_something",
            ),
        ]

    @property
    def settled_kind(self) -> StepKind:
        """What is done next, after the therapist's answer: a declined step leaves things as they are."""
        if self.answer == "changed" and self.answer_kind:
            return self.answer_kind
        return "hold" if self.answer == "declined" else self.kind

    @property
    def latest(self) -> Latest:
        """This step as the list of children tells it."""
        if self.answer == "changed":
            why = f"Changed by the therapist: {self.answer_why}"
            return Latest(self.strand, self.on, self.settled_kind, WORDS[self.settled_kind], why)
        why = self.evidence[0]["words"] if self.evidence else ""
        return Latest(self.strand, self.on, self.settled_kind, self.words, why)


class Note(models.Model):
    """A session's note: drafted, edited, then signed and frozen. Afterwards only amended.

    drafted_from -- the draft its text was written from, so that it can follow the record while it is unsigned
    """

    run = models.OneToOneField(Run, models.CASCADE, related_name="note")
    child = models.ForeignKey(Child, models.CASCADE, related_name="notes")
    text = models.TextField()
    drafted_from = models.TextField(blank=True, default="")
    version = models.PositiveIntegerField(default=1)
    signed_by = models.ForeignKey(Member, models.PROTECT, null=True, related_name="+")
    signed_at = models.DateTimeField(null=True)

    objects = ClinicManager("child__clinic")

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(signed_by=None, signed_at=None) | (~Q(signed_by=None) & ~Q(signed_at=None)),
                name="note_signed_whole",
            ),
        ]


class Amendment(models.Model):
    """What was added to a signed note. Never changed."""

    note = models.ForeignKey(Note, models.CASCADE, related_name="amendments")
    text = models.TextField()
    by = models.ForeignKey(Member, models.PROTECT)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["pk"]


class Goal(models.Model):
    """A goal scaled before it starts: what each level from -2 to +2 would look like, its weight, where it starts."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="goals")
    words = models.CharField(max_length=200)
    levels = models.JSONField()
    weight = models.FloatField(default=1)
    baseline = models.SmallIntegerField(default=-2)
    written_on = models.DateField()
    written_by = models.ForeignKey(Member, models.PROTECT)

    objects = ClinicManager("child__clinic")

    class Meta:
        ordering = ["written_on", "pk"]
        constraints = [
            models.CheckConstraint(condition=Q(weight__gt=0), name="goal_weight_positive"),
            models.CheckConstraint(condition=Q(baseline__gte=-2) & Q(baseline__lte=2), name="goal_baseline_on_scale"),
        ]


class GoalScore(models.Model):
    """Where a goal stood on a day."""

    goal = models.ForeignKey(Goal, models.CASCADE, related_name="scores")
    on = models.DateField()
    score = models.SmallIntegerField()
    by = models.ForeignKey(Member, models.PROTECT)

    class Meta:
        ordering = ["on", "pk"]
        constraints = [
            models.UniqueConstraint(fields=["goal", "on"], name="one_score_a_day"),
            models.CheckConstraint(condition=Q(score__gte=-2) & Q(score__lte=2), name="score_on_scale"),
        ]
