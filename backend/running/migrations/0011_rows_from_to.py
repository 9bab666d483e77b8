"""Rows of what to say hold from so many successes to so many, at one grade or at all."""

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Version 4."""
    for run in apps.get_model("running", "Run").objects.all().iterator():
        for frozen in run.blocks:
            frozen["version"] = 4
            frozen["says"] = [{**row, "most": row["successes"], "at": None, "to": None} for row in frozen["says"]]
        run.save(update_fields=["blocks"])


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Version 3: a row for every number of successes; those of one grade only are left out."""
    for run in apps.get_model("running", "Run").objects.all().iterator():
        for frozen in run.blocks:
            frozen["version"] = 3
            frozen["says"] = [
                {**{k: row[k] for k in ("tries", "helped", "kind", "words")}, "successes": won}
                for row in frozen["says"]
                if row["at"] is None
                for won in range(row["successes"], row["most"] + 1)
            ]
        run.save(update_fields=["blocks"])


class Migration(migrations.Migration):
    dependencies = [("running", "0010_frozen_sets")]

    operations = [migrations.RunPython(forward, backward)]
