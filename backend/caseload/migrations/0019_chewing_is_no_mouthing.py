from typing import Any

from django.db import migrations, models


def as_before(apps: Any, schema_editor: Any) -> None:
    """An earlier version knows no chewing: what is nearest on the safe side."""
    apps.get_model("caseload", "Child").objects.filter(mouthing="chews").update(mouthing="sometimes")


class Migration(migrations.Migration):
    dependencies = [
        ("caseload", "0018_erasure_lasts"),
    ]

    operations = [
        migrations.RemoveConstraint(model_name="child", name="child_mouthing_known"),
        migrations.RunPython(migrations.RunPython.noop, as_before),
        migrations.AlterField(
            model_name="child",
            name="mouthing",
            field=models.CharField(
                choices=[("never", "Never"), ("chews", "Chews"), ("sometimes", "Sometimes"), ("often", "Often")],
                max_length=10,
            ),
        ),
        migrations.AddConstraint(
            model_name="child",
            constraint=models.CheckConstraint(
                condition=models.Q(("mouthing__in", ["never", "chews", "sometimes", "often"])),
                name="child_mouthing_known",
            ),
        ),
    ]
