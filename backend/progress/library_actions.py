"""What the clinic's own children taught of the library: worked out in the background, accepted or held by the lead."""

from django.db import transaction
from django.db.models import Max
from django.utils import timezone
from procrastinate.contrib.django import app

from caseload.checks import FieldError
from caseload.facts import facts_of, start_of
from caseload.models import Child, LibraryVersion, VersionStatus
from clinic.actions import Done, acting, log_background
from clinic.models import Clinic, Member
from core.recording import AS_SHIPPED
from core.refit import History, Refit, refit
from progress.actions import replay
from running.queries import all_sets

FEWEST_CHILDREN = 3  # who have sets on record, before anything is worked out from them; project definition


def histories(clinic: Clinic) -> list[History]:
    """Every child of a clinic with sets on record, at the library's own rungs. One query a child."""
    today, result = timezone.localdate(), []
    children = Child.objects.filter(clinic=clinic, sets__isnull=False).distinct().prefetch_related("estimates")
    for child in children.order_by("pk"):
        facts = facts_of(child, today)
        starts = {row.strand: start_of(row, facts, today, AS_SHIPPED) for row in child.estimates.all()}
        result.append(History(child.pk, starts, all_sets(child, AS_SHIPPED), child.hand))
    return result


@transaction.atomic
def work_out(clinic: Clinic) -> LibraryVersion | None:
    """Work difficulties out again and propose them where they differ from the last version; None where there is
    nothing to say. What was proposed before and not decided gives way.
    """
    known = histories(clinic)
    if len(known) < FEWEST_CHILDREN:
        return None
    found = refit(known)
    Clinic.objects.select_for_update().get(pk=clinic.pk)
    versions = LibraryVersion.objects.filter(clinic=clinic)
    decided = versions.exclude(status="proposed").order_by("-number").first()
    versions.filter(status="proposed").delete()
    if not found.differs(decided.refit if decided else Refit((), 0, 0)):
        return None
    number = (versions.aggregate(last=Max("number"))["last"] or 0) + 1
    version = LibraryVersion.objects.create(
        clinic=clinic, number=number, findings=found.plain(), children=found.children, tries=found.tries
    )
    log_background(clinic, "library.propose", version, {"number": number, "children": found.children})
    return version


@acting("library.learn")
def ask_to_work_out(member: Member) -> Done[None]:
    """Have difficulties worked out again now, in the background."""
    clinic = member.clinic
    transaction.on_commit(lambda: app.configure_task("refit_clinic").defer(clinic_id=clinic.pk))
    return Done(None, clinic)


@acting("library.learn")
def decide_version(member: Member, version: LibraryVersion, status: VersionStatus, why: str) -> Done[LibraryVersion]:
    """Accept a proposed version, or hold it back with the reason. Every child's estimates follow in the background."""
    now = LibraryVersion.objects.select_for_update().get(pk=version.pk)
    if now.status != "proposed":
        raise FieldError("status", now.status, "This version was decided already.", "Reload the page.")
    if status == "held" and not why.strip():
        raise FieldError("why", why, "A version is held back with its reason.", "Write the reason.")
    now.status, now.why, now.decided_by, now.decided_at = status, why.strip(), member, timezone.now()
    now.save(update_fields=["status", "why", "decided_by", "decided_at"])
    if status == "accepted":
        clinic = member.clinic_id
        transaction.on_commit(lambda: app.configure_task("replay_clinic").defer(clinic_id=clinic))
    return Done(now, now, None, {"number": now.number, "status": status, "why": now.why})


def replay_all(clinic: Clinic) -> int:
    """Work every child's estimates out again, each in one transaction; returns how many children."""
    children = Child.objects.filter(clinic=clinic, sets__isnull=False).distinct().order_by("pk")
    for child in children:
        with transaction.atomic():
            replay(child)
    return len(children)
