"""A home week is changed by one of two people at a time."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("planning", "0009_own_formats")]

    operations = [migrations.AddField("homeweek", "version", models.PositiveIntegerField(default=1))]
