"""Frozen blocks say what a try takes, the rest after a set and the time at work; those from before, as far as known."""

from typing import Any

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

NEW: dict[str, Any] = {
    "seconds_a_try": 0.0,
    "rest_seconds": 0.0,
    "task": "",
    "serves": "",
    "chain": [],
    "overlay": "",
    "stage": "",
}


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Version 3; the whole of a block counts as time at work where nobody said otherwise."""
    for run in apps.get_model("running", "Run").objects.all().iterator():
        for frozen in run.blocks:
            block = frozen["block"]
            frozen["version"], frozen["block"] = 3, {**NEW, "work_minutes": block["minutes"], **block}
        run.save(update_fields=["blocks"])


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Version 2: whole minutes, and nothing of the rest."""
    for run in apps.get_model("running", "Run").objects.all().iterator():
        for frozen in run.blocks:
            block = frozen["block"]
            kept = {k: v for k, v in block.items() if k not in NEW and k != "work_minutes"}
            frozen["version"], frozen["block"] = 2, {**kept, "minutes": round(block["minutes"])}
        run.save(update_fields=["blocks"])


class Migration(migrations.Migration):
    dependencies = [("running", "0009_gap_seconds")]

    operations = [migrations.RunPython(forward, backward)]
