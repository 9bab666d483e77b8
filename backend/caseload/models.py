"""Homes, children, and what each child is thought able to do."""

import uuid
from typing import Literal

from django.db import models
from django.db.models import Q

from clinic.fields import one_of, only
from clinic.managers import ClinicManager
from clinic.models import Clinic, Member
from core.ability import WithWhom
from core.child import (
    CHOICES,
    Chaining,
    CorrectPolicy,
    GripPolicy,
    Hand,
    LaceMethod,
    Mouthing,
    Place,
    PromptPolicy,
    SamenessPolicy,
    Side,
    SpeedPolicy,
    Supervision,
)
from core.recording import ApproachKind, Learned
from core.refit import Refit

VersionStatus = Literal["proposed", "accepted", "held"]
Care = Literal["open", "discharged", "archived"]


class Home(models.Model):
    """A place with a cupboard: a family's home, the clinic's room, a school.

    adults      -- how many are at the table as a rule; who: who else is there, in words
    is_archived -- offered no more
    """

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    name = models.CharField(max_length=80)
    kind: "models.CharField[Place, Place]" = one_of(Place, 8, default="home")
    supervision: "models.CharField[Supervision, Supervision]" = one_of(Supervision, 12, default="arms_reach")
    adults = models.PositiveSmallIntegerField(default=1)
    who = models.CharField(max_length=120, blank=True)
    is_archived = models.BooleanField(default=False)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        constraints = [
            only("kind", Place, "home_kind_known"),
            only("supervision", Supervision, "home_supervision_known"),
            models.CheckConstraint(condition=Q(adults__gte=1) & Q(adults__lte=6), name="home_adults_possible"),
        ]

    def __str__(self) -> str:
        return self.name


class Child(models.Model):
    """One child. Lists hold ids of core.child, core.skills and the library's themes.

    also_at      -- other places the child has sessions in: grandparents, a second home
    wanted       -- the tasks the family wants, the most wanted first
    behind       -- strands the referral or the family names as hard; told -- rungs others say are done, by strand
    therapist    -- who looks after the child; None: nobody in particular
    favourites   -- lines of the activities the child loves; own_cues -- what this family says at one, by its line
    care         -- open; discharged, with a summary in closing_words; archived: put away without one
    consent_on   -- when the family agreed, and consent_words to what
    key          -- the child's own in every copy of the database, so that one who was erased is known in a backup
    request      -- made by the page that added the child: the same form sent twice makes one child
    """

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    key = models.UUIDField(default=uuid.uuid4, unique=True, editable=False)
    home = models.ForeignKey(Home, models.PROTECT, related_name="children")
    also_at: "models.ManyToManyField[Home, models.Model]" = models.ManyToManyField(
        Home, related_name="visitors", blank=True
    )
    first_name = models.CharField(max_length=60)
    birth_date = models.DateField()
    hand: "models.CharField[Hand, Hand]" = one_of(Hand, 12, default="not_settled")
    mouthing: "models.CharField[Mouthing, Mouthing]" = one_of(Mouthing, 10)
    allergies = models.JSONField(default=list)
    other_allergies = models.JSONField(default=list)
    precautions = models.JSONField(default=list)
    assisting_hand: "models.CharField[Side, Side]" = one_of(Side, 8, default="none")
    splint_hand: "models.CharField[Side, Side]" = one_of(Side, 8, default="none")
    refuses = models.JSONField(default=list)
    likes = models.JSONField(default=list)
    wanted = models.JSONField(default=list)
    behind = models.JSONField(default=list)
    told = models.JSONField(default=dict)
    reason = models.CharField(max_length=200, blank=True)
    family_words = models.CharField(max_length=200, blank=True)
    wary_of = models.JSONField(default=list)
    seating = models.CharField(max_length=200, blank=True)
    attention_minutes = models.PositiveSmallIntegerField(default=30)
    force_limit_newton = models.FloatField(null=True, blank=True)
    prompt_policy: "models.CharField[PromptPolicy, PromptPolicy]" = one_of(PromptPolicy, 12, default="least_first")
    grip_policy: "models.CharField[GripPolicy, GripPolicy]" = one_of(GripPolicy, 12, default="by_age")
    lace_method: "models.CharField[LaceMethod, LaceMethod]" = one_of(LaceMethod, 12, default="undecided")
    correct_policy: "models.CharField[CorrectPolicy, CorrectPolicy]" = one_of(CorrectPolicy, 12, default="stop_and_fix")
    speed_policy: "models.CharField[SpeedPolicy, SpeedPolicy]" = one_of(SpeedPolicy, 12, default="off")
    sameness_policy: "models.CharField[SamenessPolicy, SamenessPolicy]" = one_of(
        SamenessPolicy, 12, default="new_guises"
    )
    chaining_policy: "models.CharField[Chaining, Chaining]" = one_of(Chaining, 12, default="backward")
    young_guises = models.BooleanField(default=False)
    overlays = models.JSONField(default=list)
    food_as_material = models.BooleanField(default=True)
    overrides = models.JSONField(default=dict)
    favourites = models.JSONField(default=list)
    own_cues = models.JSONField(default=dict)
    every_days = models.PositiveSmallIntegerField(default=7)
    referral = models.CharField(max_length=500, blank=True)
    consent_on = models.DateField(null=True, blank=True)
    consent_words = models.CharField(max_length=300, blank=True)
    therapist = models.ForeignKey(Member, models.SET_NULL, null=True, related_name="caseload")
    care: "models.CharField[Care, Care]" = one_of(Care, 10, default="open")
    closed_on = models.DateField(null=True)
    closing_words = models.TextField(blank=True)
    request = models.UUIDField(null=True)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        ordering = ["first_name", "id"]
        indexes = [models.Index(fields=["clinic", "care", "first_name"])]
        constraints = [
            only("hand", Hand, "child_hand_known"),
            only("mouthing", Mouthing, "child_mouthing_known"),
            only("assisting_hand", Side, "child_assisting_hand_known"),
            only("splint_hand", Side, "child_splint_hand_known"),
            only("care", Care, "child_care_known"),
            models.CheckConstraint(
                condition=Q(care="open", closed_on=None) | (~Q(care="open") & Q(closed_on__isnull=False)),
                name="child_closed_on_a_day",
            ),
            models.UniqueConstraint(fields=["clinic", "request"], name="one_child_per_request"),
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


class Erased(models.Model):
    """What was deleted for good. Only ever added to; nothing with its number comes back.

    row -- the number it had; key -- of a child, known in every copy of the database
    """

    kind = models.CharField(max_length=5, choices=[("child", "Child"), ("home", "Home")])
    row = models.BigIntegerField()
    key = models.UUIDField(null=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["kind", "row"], name="erased_once")]


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


class LibraryVersion(models.Model):
    """What a clinic's own children taught of the library, at one time: proposed by the background, and by the lead
    accepted, or held back with the reason. Never changed afterwards.

    number   -- counts up within the clinic; findings -- core.refit's, in full
    children, tries -- what it rests on
    """

    clinic = models.ForeignKey(Clinic, models.CASCADE, related_name="library_versions")
    number = models.PositiveIntegerField()
    made_at = models.DateTimeField(auto_now_add=True)
    status: "models.CharField[VersionStatus, VersionStatus]" = one_of(VersionStatus, 10, default="proposed")
    findings = models.JSONField()
    children = models.PositiveIntegerField()
    tries = models.PositiveIntegerField()
    decided_by = models.ForeignKey(Member, models.SET_NULL, null=True)
    decided_at = models.DateTimeField(null=True)
    why = models.CharField(max_length=500, blank=True)

    objects = ClinicManager("clinic")

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["clinic", "number"], name="library_version_counts_up"),
            only("status", VersionStatus, "library_version_status_known"),
        ]

    @property
    def name(self) -> str:
        """What plans and estimates say they were worked out with."""
        return f"{self.number}, {self.made_at:%-d %b %Y}"

    @property
    def refit(self) -> Refit:
        """What was found, as the core has it."""
        return Refit.from_plain(self.findings, self.children, self.tries)

    @property
    def learned(self) -> Learned:
        """What is used where it is accepted."""
        return self.refit.learned(self.name)


class EstimatePoint(models.Model):
    """The estimate as it stood after one day: the line of the progress page."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="points")
    strand = models.CharField(max_length=24)
    on = models.DateField()
    mean = models.FloatField()
    sd = models.FloatField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["child", "strand", "on"], name="one_point_a_day")]


class TaskRecord(models.Model):
    """A wanted task as it was seen once: steps done alone, where, with whom, unasked or not."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="tasks")
    task = models.CharField(max_length=24)
    on = models.DateField()
    steps_alone = models.PositiveSmallIntegerField()
    place: "models.CharField[Place, Place]" = one_of(Place, 8)
    with_whom: "models.CharField[WithWhom, WithWhom]" = one_of(WithWhom, 10)
    unasked = models.BooleanField(default=False)
    by = models.ForeignKey(Member, models.PROTECT)

    objects = ClinicManager("child__clinic")

    class Meta:
        ordering = ["on", "pk"]
        indexes = [models.Index(fields=["child", "task", "on"])]
        constraints = [
            models.UniqueConstraint(
                fields=["child", "task", "on", "place", "with_whom"], name="one_task_record_a_day_place_and_person"
            ),
            only("place", Place, "task_place_known"),
            only("with_whom", WithWhom, "task_with_whom_known"),
        ]


class ActivityPace(models.Model):
    """What a child's own clock says of one activity: the gap between tries over what the library expects."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="paces")
    activity_id = models.CharField(max_length=40)
    ratio = models.FloatField()
    tries = models.PositiveIntegerField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["child", "activity_id"], name="one_pace_per_activity"),
            models.CheckConstraint(condition=Q(ratio__gt=0), name="pace_ratio_positive"),
        ]


class MeetingRecord(models.Model):
    """One meeting with a food or a texture a child is wary of: how far it went, and for how many seconds."""

    child = models.ForeignKey(Child, models.CASCADE, related_name="meetings")
    what = models.CharField(max_length=40)
    kind: "models.CharField[ApproachKind, ApproachKind]" = one_of(ApproachKind, 8)
    on = models.DateField()
    step = models.PositiveSmallIntegerField()
    seconds = models.FloatField(default=0)
    by = models.ForeignKey(Member, models.PROTECT)

    objects = ClinicManager("child__clinic")

    class Meta:
        ordering = ["on", "pk"]
        indexes = [models.Index(fields=["child", "on"])]
        constraints = [
            only("kind", ApproachKind, "meeting_kind_known"),
            models.CheckConstraint(condition=Q(seconds__gte=0), name="meeting_seconds_possible"),
        ]
