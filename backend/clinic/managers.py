"""The wall between clinics, as a manager every clinic's rows are read through."""

from typing import Protocol, TypeVar

from django.db import models

Row_co = TypeVar("Row_co", bound=models.Model, covariant=True)


class OfAClinic(Protocol):
    """Somebody who belongs to a clinic: a member."""

    clinic_id: int


class ClinicManager(models.Manager[Row_co]):
    """Rows of one clinic. clinic_path says how to get from a row to its clinic.

    Django makes managers of related rows without a path: on those, visible_to finds no such column and fails.
    """

    def __init__(self, clinic_path: str = "no_path_to_a_clinic") -> None:
        super().__init__()
        self.clinic_path = clinic_path

    def visible_to(self, member: OfAClinic) -> models.QuerySet[Row_co]:
        """Only the rows of the member's own clinic."""
        return self.filter(**{self.clinic_path: member.clinic_id})
