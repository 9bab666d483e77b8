"""Clinics, who works in them, and the audit log."""

from django.conf import settings
from django.db import models

ROLES = [("lead", "Lead"), ("therapist", "Therapist"), ("assistant", "Assistant")]


class Clinic(models.Model):
    """A wall: nobody sees across it."""

    name = models.CharField(max_length=120)

    def __str__(self) -> str:
        return self.name


class Member(models.Model):
    """One person's place in one clinic."""

    user = models.OneToOneField(settings.AUTH_USER_MODEL, models.CASCADE, related_name="member")
    clinic = models.ForeignKey(Clinic, models.PROTECT, related_name="members")
    role = models.CharField(max_length=12, choices=ROLES)
    run_hand = models.CharField(max_length=5, default="right")

    class Meta:
        constraints = [
            models.CheckConstraint(condition=models.Q(role__in=[r for r, _ in ROLES]), name="member_role_known"),
        ]

    def __str__(self) -> str:
        return f"{self.user} ({self.role})"

    @property
    def name(self) -> str:
        """What this person is called."""
        return self.user.get_full_name() or self.user.get_username()


class AuditEntry(models.Model):
    """One read of a child's record, or one write of anything. Never changed, never removed."""

    clinic = models.ForeignKey(Clinic, models.PROTECT)
    member = models.ForeignKey(Member, models.PROTECT)
    at = models.DateTimeField(auto_now_add=True)
    action = models.CharField(max_length=40)
    subject = models.CharField(max_length=60)
    child = models.BigIntegerField(null=True)
    detail = models.JSONField(default=dict)

    class Meta:
        indexes = [models.Index(fields=["clinic", "child", "-at"])]
