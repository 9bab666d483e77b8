"""An override says since when and until when it holds, how close an adult is, and who allowed it."""

from datetime import date, timedelta

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

REVIEW_DAYS = 91


def with_days(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """What had no day is looked at again a quarter of a year from now."""
    today = date.today()
    for child in apps.get_model("caseload", "Child").objects.exclude(overrides={}):
        child.overrides = {
            rule: {
                "reason": reason,
                "on": today.isoformat(),
                "review_on": (today + timedelta(days=REVIEW_DAYS)).isoformat(),
                "watched": "arms_reach",
                "by": "",
            }
            for rule, reason in child.overrides.items()
        }
        child.save(update_fields=["overrides"])


def without_days(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Back to the reason alone."""
    for child in apps.get_model("caseload", "Child").objects.exclude(overrides={}):
        child.overrides = {rule: kept["reason"] for rule, kept in child.overrides.items()}
        child.save(update_fields=["overrides"])


class Migration(migrations.Migration):
    dependencies = [("caseload", "0019_chewing_is_no_mouthing")]

    operations = [migrations.RunPython(with_days, without_days)]
