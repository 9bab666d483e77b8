"""Clinics, who works in them, and the audit log."""

from typing import Literal

from django.conf import settings
from django.db import models
from django.utils import timezone

from clinic.fields import one_of, only
from clinic.managers import ClinicManager

Role = Literal["lead", "therapist", "assistant"]
Paper = Literal["A4", "Letter"]
LinkKind = Literal["invitation", "reset"]
Thumb = Literal["left", "right"]
Theme = Literal["auto", "light", "dark"]
Units = Literal["mm", "inch"]


class Clinic(models.Model):
    """A wall: nobody sees across it.

    is_demo    -- made up, to look round in, and may be removed whole
    approaches -- how this clinic works where the schools differ, for every new child: a choice for each of core.child's
    zones      -- the bands of expected success this clinic aims for, by part of a session: (low, high); else the usual
    keep_years -- how long after its care has ended a child's record is to be kept; None: nothing is said of it
    """

    name = models.CharField(max_length=120)
    is_demo = models.BooleanField(default=False)
    paper: "models.CharField[Paper, Paper]" = one_of(Paper, 8, default="A4")
    time_zone = models.CharField(max_length=60, default="UTC")
    units: "models.CharField[Units, Units]" = one_of(Units, 4, default="mm")
    keep_years = models.PositiveSmallIntegerField(null=True)
    approaches = models.JSONField(default=dict)
    zones = models.JSONField(default=dict)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        constraints = [
            only("paper", Paper, "clinic_paper_known"),
            only("units", Units, "clinic_units_known"),
            models.CheckConstraint(
                condition=models.Q(keep_years=None) | models.Q(keep_years__gte=1, keep_years__lte=100),
                name="clinic_keep_years_possible",
            ),
        ]

    def __str__(self) -> str:
        return self.name


class Member(models.Model):
    """One person's place in one clinic. favourites -- lines of the activities this person likes to run."""

    user = models.OneToOneField(settings.AUTH_USER_MODEL, models.CASCADE, related_name="member")
    clinic = models.ForeignKey(Clinic, models.PROTECT, related_name="members")
    role: "models.CharField[Role, Role]" = one_of(Role, 12)
    run_hand: "models.CharField[Thumb, Thumb]" = one_of(Thumb, 5, default="right")
    theme: "models.CharField[Theme, Theme]" = one_of(Theme, 5, default="auto")
    units: "models.CharField[Units, Units]" = one_of(Units, 4, default="mm")
    favourites = models.JSONField(default=list)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        constraints = [
            only("theme", Theme, "member_theme_known"),
            only("units", Units, "member_units_known"),
            only("role", Role, "member_role_known"),
            only("run_hand", Thumb, "member_run_hand_known"),
        ]

    def __str__(self) -> str:
        return f"{self.user} ({self.role})"

    @property
    def name(self) -> str:
        """What this person is called."""
        return self.user.get_full_name() or self.user.get_username()


class Link(models.Model):
    """A link that works once: to join the clinic, or to choose a new password. Only a digest of its token is kept.

    role -- what the invited person will be; member -- whose password a reset is for
    """

    clinic = models.ForeignKey(Clinic, models.CASCADE, related_name="links")
    kind: "models.CharField[LinkKind, LinkKind]" = one_of(LinkKind, 12)
    digest = models.CharField(max_length=64, unique=True)
    for_name = models.CharField(max_length=80)
    email = models.EmailField(blank=True)
    role: "models.CharField[Role | None, Role | None]" = one_of(Role, 12, null=True)
    member = models.ForeignKey(Member, models.CASCADE, null=True, related_name="links")
    made_by = models.ForeignKey(Member, models.PROTECT, related_name="links_made")
    made_at = models.DateTimeField(auto_now_add=True)
    expires_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True)
    withdrawn_at = models.DateTimeField(null=True)

    objects = ClinicManager("clinic")

    class Meta:
        ordering = ["-made_at"]
        constraints = [
            only("kind", LinkKind, "link_kind_known"),
            models.CheckConstraint(
                condition=models.Q(kind="invitation", member=None, role__isnull=False)
                | models.Q(kind="reset", member__isnull=False, role=None),
                name="link_has_its_object",
            ),
        ]

    def __str__(self) -> str:
        return f"{self.kind} for {self.for_name}"


class SignedIn(models.Model):
    """One device a person is signed in on. key: of Django's session, which holds everything else; seen: when it was
    last used, to within a few minutes
    """

    member = models.ForeignKey(Member, models.CASCADE, related_name="signed_in")
    key = models.CharField(max_length=40, unique=True)
    device = models.CharField(max_length=200, blank=True)
    at = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField(default=timezone.now)

    class Meta:
        ordering = ["-at"]


class Answered(models.Model):
    """A write that was done, so that it is not done again when it is sent again. key: made by who sent it; what: a hash
    of address and body; status -- None: under way
    """

    user = models.ForeignKey(settings.AUTH_USER_MODEL, models.CASCADE, related_name="+")
    key = models.UUIDField()
    what = models.CharField(max_length=64)
    status = models.PositiveSmallIntegerField(null=True)
    body = models.TextField(blank=True)
    at = models.DateTimeField(auto_now_add=True, db_index=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["user", "key"], name="answered_once")]


class AuditEntry(models.Model):
    """One read of a child's record, or one write of anything. Never changed, never removed.

    member -- None: the background did it by itself
    digest -- of the contents, set by the database: it stays when they are taken out with a child's record
    """

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    member = models.ForeignKey(Member, models.PROTECT, null=True)
    at = models.DateTimeField(auto_now_add=True)
    action = models.CharField(max_length=40)
    subject = models.CharField(max_length=60)
    child = models.BigIntegerField(null=True)
    detail = models.JSONField(default=dict)
    digest = models.CharField(max_length=64, editable=False, default="")

    class Meta:
        indexes = [
            models.Index(fields=["clinic", "child", "-at"]),
            models.Index(fields=["clinic", "-at"]),
            models.Index(fields=["clinic", "-id"]),
        ]


class AuditHead(models.Model):
    """Where the chain over a clinic's audit log stood on a day: over how many lines, up to which, and its digest. The
    same is written to a file outside the database. A demo clinic's go with its log.
    """

    clinic = models.ForeignKey(Clinic, models.DO_NOTHING)
    last = models.BigIntegerField()
    lines = models.BigIntegerField()
    digest = models.CharField(max_length=64)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["pk"]
