"""Work for the background: what the clinics' own children taught, every night and when asked for."""

from django.db import transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from caseload.models import Child
from clinic.models import Clinic
from progress.actions import count_late_taps, replay
from progress.library_actions import replay_all, work_out
from running.models import Run


@app.task(name="refit_clinic", retry=2)
def refit_clinic(clinic_id: int) -> None:
    """Work one clinic's difficulties out again; a clinic that has gone since needs none."""
    clinic = Clinic.objects.filter(pk=clinic_id).first()
    if clinic is not None:
        with timezone.override(clinic.time_zone):
            work_out(clinic)


@app.task(name="replay_clinic", retry=2)
def replay_clinic(clinic_id: int) -> None:
    """Work every estimate of one clinic out again, after another version of the library came into use."""
    clinic = Clinic.objects.filter(pk=clinic_id).first()
    if clinic is not None:
        with timezone.override(clinic.time_zone):
            replay_all(clinic)


@app.task(name="replay_child", retry=2)
def replay_child(child_id: int) -> None:
    """Work one child's estimates out again; a child who has gone since needs none."""
    child = Child.objects.select_related("clinic").filter(pk=child_id).first()
    if child is not None:
        with timezone.override(child.clinic.time_zone), transaction.atomic():
            replay(child)


@app.task(name="count_late_taps", retry=5)
def count_late(run_id: str) -> None:
    """Count what a tablet sent after its run had ended; a run that has gone since needs nothing."""
    run = Run.objects.select_related("child__clinic").filter(pk=run_id).first()
    if run is not None:
        with timezone.override(run.child.clinic.time_zone):
            count_late_taps(run.pk)


@app.periodic(cron="30 2 * * *")
@app.task(name="refit_every_clinic", queueing_lock="refit_every_clinic")
def refit_every_clinic(timestamp: int) -> None:
    """Every night, hand out each clinic."""
    for clinic_id in Clinic.objects.values_list("pk", flat=True):
        refit_clinic.defer(clinic_id=clinic_id)
