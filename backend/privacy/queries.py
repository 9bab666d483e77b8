"""The audit log, for the clinic's lead."""

from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from django.db.models import Q, QuerySet
from django.utils import timezone

from caseload.models import Child
from clinic.models import AuditEntry, Member
from clinic.permissions import require

EARLIEST, LATEST = date(1900, 1, 1), date(9000, 1, 1)  # no entry lies beyond
PAGE = 100  # entries


@dataclass(frozen=True)
class Asked:
    """What is looked for: of whom, by whom, which action (or its first word), from a day to a day."""

    child: int | None = None
    member: int | None = None
    action: str = ""
    first: date | None = None
    last: date | None = None


def entries(who: Member, asked: Asked) -> QuerySet[AuditEntry]:
    """The entries that fit, the newest first: as they were written, since a clock may be set back."""
    require(who, "audit.read")
    found = AuditEntry.objects.filter(clinic_id=who.clinic_id).select_related("member__user").order_by("-pk")
    if asked.child is not None:
        found = found.filter(Q(child=asked.child) | Q(child=None, detail__children__contains=[asked.child]))
    if asked.member is not None:
        found = found.filter(member=asked.member)
    if asked.action:
        found = found.filter(action__startswith=asked.action)
    if asked.first and asked.first > EARLIEST:
        found = found.filter(at__gte=_midnight(asked.first))
    if asked.last and asked.last < LATEST:
        found = found.filter(at__lt=_midnight(max(asked.last, EARLIEST) + timedelta(days=1)))
    return found


def names_of(who: Member, ids: set[int]) -> dict[int, str]:
    """The first names of children by number; those deleted have none."""
    return dict(Child.objects.visible_to(who).filter(pk__in=ids).values_list("pk", "first_name"))


def _midnight(on: date) -> datetime:
    return timezone.make_aware(datetime.combine(on, time.min))
