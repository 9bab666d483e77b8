"""Estimates keep their per-activity offsets under `activities`."""

from django.db import migrations


def renamed(old: str, new: str) -> str:
    """The key of both stored states renamed."""
    sets = ", ".join(f"{c} = replace({c}::text, '\"{old}\": ', '\"{new}\": ')::jsonb" for c in ("state", "start_state"))
    return f"update caseload_strandestimate set {sets}"


class Migration(migrations.Migration):
    dependencies = [("caseload", "0002_policies")]

    operations = [migrations.RunSQL(renamed("families", "activities"), renamed("activities", "families"))]
