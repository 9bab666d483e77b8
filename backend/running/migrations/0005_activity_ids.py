"""An activity is named by activity_id and a thing by thing_id, in rows and in frozen blocks alike."""

from importlib import import_module

from django.db import migrations

renamed = import_module("planning.migrations.0003_activity_ids").renamed


class Migration(migrations.Migration):
    dependencies = [("running", "0004_help_first"), ("planning", "0003_activity_ids")]

    operations = [
        migrations.RenameField("setrecord", "family", "activity_id"),
        renamed("running_run", "blocks", {"family": "activity_id", "material": "thing_id"}),
    ]
