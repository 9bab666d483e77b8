"""The library's word for a household thing is thing."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("cupboard", "0001_initial")]

    operations = [
        migrations.RemoveConstraint("stockitem", "one_line_per_material"),
        migrations.RenameField("stockitem", "material", "thing_id"),
        migrations.AddConstraint(
            "stockitem", models.UniqueConstraint(fields=["home", "thing_id"], name="one_line_per_thing")
        ),
    ]
