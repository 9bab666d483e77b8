"""What a clinic made itself, version by version, and what it hides of the library."""

from typing import Literal

from django.db import models
from django.db.models import Q

from clinic.fields import OrderedJSONField, one_of, only
from clinic.managers import ClinicManager
from clinic.models import Clinic, Member

OwnKind = Literal["activity", "thing", "task", "format"]


class OwnEntry(models.Model):
    """What a clinic made: an activity, a thing, a wanted task, a session format. What is being written, and the version
    that is in use.

    draft        -- the values as they are being written, right or wrong; None: nothing is, beyond the version in use
    current      -- the version that is in use; None: not shared yet
    copied_from  -- the activity or thing of the library it began as a copy of, and copied_values as that was then
    is_archived  -- offered no more; what was planned and run with it stays
    request      -- made by the page that added it: the same form sent twice makes one
    """

    clinic = models.ForeignKey(Clinic, models.CASCADE, related_name="own_entries")
    kind: "models.CharField[OwnKind, OwnKind]" = one_of(OwnKind, 10)
    name = models.CharField(max_length=80, blank=True)
    draft = OrderedJSONField(null=True)
    current = models.ForeignKey("OwnVersion", models.RESTRICT, null=True, related_name="+")
    copied_from = models.CharField(max_length=40, blank=True)
    copied_values = OrderedJSONField(null=True)
    is_archived = models.BooleanField(default=False)
    made_by = models.ForeignKey(Member, models.PROTECT, related_name="+")
    changed_at = models.DateTimeField(auto_now=True)
    request = models.UUIDField(null=True)
    version = models.PositiveIntegerField(default=1)

    objects = ClinicManager("clinic")

    class Meta:
        ordering = ["kind", "name", "pk"]
        constraints = [
            only("kind", OwnKind, "own_kind_known"),
            models.UniqueConstraint(fields=["clinic", "request"], name="one_own_entry_per_request"),
            models.CheckConstraint(
                condition=Q(draft__isnull=False) | Q(current__isnull=False), name="own_entry_holds_something"
            ),
        ]

    def __str__(self) -> str:
        return self.name

    @property
    def owner(self) -> str:
        """The clinic, as what it made names it."""
        return f"clinic {self.clinic_id}"

    @property
    def belongs_to(self) -> str:
        """What tells its versions from those of any other with the same words."""
        return f"clinic {self.clinic_id} entry {self.pk}"


class OwnVersion(models.Model):
    """One version, as it was shared. Never changed afterwards: what was planned and run with it keeps it.

    ref  -- the id the core gives what it holds
    line -- of an activity what its sets count under; of a thing its name in cupboards, whatever the version
    """

    entry = models.ForeignKey(OwnEntry, models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    ref = models.CharField(max_length=40, unique=True)
    line = models.CharField(max_length=40, db_index=True)
    values = OrderedJSONField()
    made_by = models.ForeignKey(Member, models.PROTECT, related_name="+")
    made_at = models.DateTimeField(auto_now_add=True)

    objects = ClinicManager("entry__clinic")

    class Meta:
        ordering = ["entry", "number"]
        constraints = [models.UniqueConstraint(fields=["entry", "number"], name="own_version_counts_up")]


class Hidden(models.Model):
    """An activity of the library a clinic never uses."""

    clinic = models.ForeignKey(Clinic, models.CASCADE, related_name="hidden")
    activity_id = models.CharField(max_length=40)
    by = models.ForeignKey(Member, models.PROTECT, related_name="+")
    at = models.DateTimeField(auto_now_add=True)

    objects = ClinicManager("clinic")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["clinic", "activity_id"], name="hidden_once")]
