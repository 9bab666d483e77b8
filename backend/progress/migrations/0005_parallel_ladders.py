"""Steps proposed for fasteners become steps of the ladder their run worked on."""

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

ITS = ("buttons", "zip", "studs", "buckles")


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """The strand of the run's sets, where the run has no step of that strand yet; else the step of buttons."""
    decisions = apps.get_model("progress", "DecisionRecord").objects
    sets = apps.get_model("running", "SetRecord").objects
    for decision in decisions.filter(strand="fasteners"):
        worked = sets.filter(run_id=decision.run_id, strand__in=ITS).values_list("strand", flat=True)
        decision.strand = next(iter(worked), "buttons")
        decision.save(update_fields=["strand"])


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """One ladder again: one step for it in each run, the first."""
    decisions = apps.get_model("progress", "DecisionRecord").objects
    for run in set(decisions.filter(strand__in=ITS).values_list("run_id", flat=True)):
        first, *rest = decisions.filter(run_id=run, strand__in=ITS).order_by("pk")
        for one in rest:
            one.delete()
        first.strand = "fasteners"
        first.save(update_fields=["strand"])


class Migration(migrations.Migration):
    dependencies = [("progress", "0004_closed_sets"), ("running", "0008_parallel_ladders")]
    operations = [migrations.RunPython(forward, backward)]
