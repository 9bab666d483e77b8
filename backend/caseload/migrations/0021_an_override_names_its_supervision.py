"""An override calls how close an adult is its supervision, as everything else does."""

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor


def _rename(apps: Apps, old: str, new: str) -> None:
    for child in apps.get_model("caseload", "Child").objects.exclude(overrides={}):
        child.overrides = {
            rule: {new if key == old else key: value for key, value in kept.items()}
            for rule, kept in child.overrides.items()
        }
        child.save(update_fields=["overrides"])


def to_supervision(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """From “watched”."""
    _rename(apps, "watched", "supervision")


def to_watched(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Back to it."""
    _rename(apps, "supervision", "watched")


class Migration(migrations.Migration):
    dependencies = [("caseload", "0020_overrides_come_up_for_review")]

    operations = [migrations.RunPython(to_supervision, to_watched)]
