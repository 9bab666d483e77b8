"""Homes, children, and what each child is thought able to do."""

from django.db import models
from django.db.models import Q

from clinic.fields import one_of, only
from clinic.models import Clinic
from clinic.queries import ClinicManager
from core.child import (
    CHOICES,
    CorrectPolicy,
    GripPolicy,
    Hand,
    LaceMethod,
    Mouthing,
    Place,
    PromptPolicy,
    Side,
    SpeedPolicy,
    Supervision,
)


class Home(models.Model):
    """A place with a cupboard: a family's home, the clinic's room, a school."""

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    name = models.CharField(max_length=80)
    kind: "models.CharField[Place, Place]" = one_of(Place, 8, default="home")
    supervision: "models.CharField[Supervision, Supervision]" = one_of(Supervision, 12, default="arms_reach")

    objects = ClinicManager("clinic")

    class Meta:
        constraints = [
            only("kind", Place, "home_kind_known"),
            only("supervision", Supervision, "home_supervision_known"),
        ]

    def __str__(self) -> str:
        return self.name


class Child(models.Model):
    """One child. Lists hold ids of core.child, core.skills and the library's themes."""

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    home = models.ForeignKey(Home, models.PROTECT, related_name="children")
    first_name = models.CharField(max_length=60)
    birth_date = models.DateField()
    hand: "models.CharField[Hand, Hand]" = one_of(Hand, 12, default="not_settled")
    mouthing: "models.CharField[Mouthing, Mouthing]" = one_of(Mouthing, 10, default="never")
    allergies = models.JSONField(default=list)
    other_allergies = models.JSONField(default=list)
    precautions = models.JSONField(default=list)
    assisting_hand: "models.CharField[Side, Side]" = one_of(Side, 8, default="none")
    splint_hand: "models.CharField[Side, Side]" = one_of(Side, 8, default="none")
    refuses = models.JSONField(default=list)
    likes = models.JSONField(default=list)
    wanted = models.JSONField(default=list)
    family_words = models.CharField(max_length=200, blank=True)
    seating = models.CharField(max_length=200, blank=True)
    attention_minutes = models.PositiveSmallIntegerField(default=30)
    force_limit_newton = models.FloatField(null=True, blank=True)
    prompt_policy: "models.CharField[PromptPolicy, PromptPolicy]" = one_of(PromptPolicy, 12, default="least_first")
    grip_policy: "models.CharField[GripPolicy, GripPolicy]" = one_of(GripPolicy, 12, default="by_age")
    lace_method: "models.CharField[LaceMethod, LaceMethod]" = one_of(LaceMethod, 12, default="undecided")
    correct_policy: "models.CharField[CorrectPolicy, CorrectPolicy]" = one_of(CorrectPolicy, 12, default="stop_and_fix")
    speed_policy: "models.CharField[SpeedPolicy, SpeedPolicy]" = one_of(SpeedPolicy, 12, default="off")
    food_as_material = models.BooleanField(default=True)
    overrides = models.JSONField(default=dict)
    every_days = models.PositiveSmallIntegerField(default=7)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        ordering = ["first_name", "id"]
        constraints = [
            only("hand", Hand, "child_hand_known"),
            only("mouthing", Mouthing, "child_mouthing_known"),
            only("assisting_hand", Side, "child_assisting_hand_known"),
            only("splint_hand", Side, "child_splint_hand_known"),
            models.CheckConstraint(
                condition=Q(attention_minutes__gte=2) & Q(attention_minutes__lte=120), name="child_attention_possible"
            ),
            models.CheckConstraint(condition=Q(every_days__gte=1), name="child_every_days_possible"),
            *(
                models.CheckConstraint(condition=Q(**{f"{policy}__in": list(known)}), name=f"child_{policy}_known")
                for policy, known in CHOICES.items()
            ),
        ]

    def __str__(self) -> str:
        return self.first_name


class StrandEstimate(models.Model):
    """The estimate in one strand as it stands; `state` is core.ability's, in full."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="estimates")
    strand = models.CharField(max_length=24)
    mean = models.FloatField()
    sd = models.FloatField()
    as_of = models.DateField(null=True)
    tries = models.PositiveIntegerField(default=0)
    seen_rung = models.PositiveSmallIntegerField(null=True)
    state = models.JSONField()
    start_state = models.JSONField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["child", "strand"], name="one_estimate_per_strand"),
            models.CheckConstraint(condition=Q(sd__gt=0), name="estimate_sd_positive"),
        ]


class EstimatePoint(models.Model):
    """The estimate as it stood after one day: the line of the progress page."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="points")
    strand = models.CharField(max_length=24)
    on = models.DateField()
    mean = models.FloatField()
    sd = models.FloatField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["child", "strand", "on"], name="one_point_a_day")]
