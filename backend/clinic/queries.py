"""Reads that start from who is asking."""

from typing import TypeVar

from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.db import models

from clinic.models import Member

Row_co = TypeVar("Row_co", bound=models.Model, covariant=True)


class ClinicManager(models.Manager[Row_co]):
    """Rows of one clinic. clinic_path says how to get from a row to its clinic.

    Django makes managers of related rows without a path: on those, visible_to finds no such column and fails.
    """

    def __init__(self, clinic_path: str = "no_path_to_a_clinic") -> None:
        super().__init__()
        self.clinic_path = clinic_path

    def visible_to(self, member: Member) -> models.QuerySet[Row_co]:
        """Only the rows of the member's own clinic."""
        return self.filter(**{self.clinic_path: member.clinic_id})


def member_of(user: AbstractBaseUser | AnonymousUser) -> Member | None:
    """The member a signed-in user is, with the clinic; None for anybody else."""
    if user.pk is None:
        return None
    return Member.objects.select_related("clinic", "user").filter(user__pk=user.pk).first()
