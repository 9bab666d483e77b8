"""Reads that start from who is asking."""

from django.db import models

from clinic.models import Member


class InClinic(models.QuerySet):  # type: ignore[type-arg]
    """Rows of one clinic. `clinic_path` says how to get from a row to its clinic."""

    clinic_path = "clinic"

    def visible_to(self, member: Member) -> "InClinic":
        """Only the rows of the member's own clinic."""
        return self.filter(**{self.clinic_path: member.clinic_id})


def in_clinic(path: str) -> type[InClinic]:
    """A queryset class whose rows reach their clinic by `path`."""
    return type("InClinic", (InClinic,), {"clinic_path": path})


def member_of(user: object) -> Member | None:
    """The member a signed-in user is, with the clinic; None for anybody else."""
    return Member.objects.select_related("clinic", "user").filter(user=user).first()
