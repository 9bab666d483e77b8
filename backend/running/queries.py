"""Reads of runs and of the sets they folded into."""

from types import MappingProxyType
from uuid import UUID

from django.http import Http404

from caseload.models import Child
from clinic.actions import log
from clinic.models import Member
from clinic.permissions import require
from core.scoring import Event, SetResult, fold
from running.models import Run, SetRecord

WORKING_PARTS = ("main", "stretch", "daily")  # a sure win at the start says nothing about readiness


def run_for(member: Member, run_id: UUID, why: str = "run.read") -> Run:
    """Return one run, and note the read. Raises Http404."""
    require(member, why)
    found = Run.objects.visible_to(member).select_related("child__home", "plan__home").filter(pk=run_id).first()
    if found is None:
        raise Http404(f"No run {run_id} in your clinic.")
    log(member, why, found, found.child_id)
    return found


def families_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to family id."""
    return {b["id"]: b["family"] for b in run.blocks}


def parts_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to the part of the session each is."""
    return {b["id"]: b["part"] for b in run.blocks}


def strands_of(run: Run) -> dict[str, str]:
    """The run's blocks: block id to the strand each aims at."""
    return {b["id"]: b["strand"] for b in run.blocks}


def folded(run: Run) -> tuple[SetResult, ...]:
    """The run's log as sets."""
    events = [Event(str(e.pk), e.block, e.kind, e.at, e.value) for e in run.events.all()]
    return fold(events, families_of(run), run.on)


def history(child: Child, strand: str, working: bool = False) -> list[SetResult]:
    """Every set of a child in one strand, oldest first; with `working`, only those of the working parts. One query."""
    sets = SetRecord.objects.filter(child=child, strand=strand).order_by("on", "pk")
    return [set_result(r) for r in (sets.filter(part__in=WORKING_PARTS) if working else sets)]


def set_result(r: SetRecord) -> SetResult:
    """A stored set as the rules see one."""
    return SetResult(
        r.on, r.block, r.family, tuple(r.grade), r.support, r.hand, r.tries, r.successes, r.drops, r.seconds,
        r.best_hold_seconds, r.hold_seconds, MappingProxyType(r.measures), MappingProxyType(r.marks), r.first_two_missed, r.longest_row,
    )  # fmt: skip
