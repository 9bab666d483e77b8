"""A block is so many whole sets; its minutes follow. Plans from before are marked as worked out the earlier way."""

from django.apps.registry import Apps
from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

SET_MINUTES = 3  # minutes a set was said to take before
EARLIER = 1


def to_sets(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """As many sets as a block of these minutes was said to have."""
    for block in apps.get_model("planning", "PlanBlock").objects.all().iterator():
        block.sets = min(20, max(1, block.minutes // SET_MINUTES))
        block.save(update_fields=["sets"])
    apps.get_model("planning", "Plan").objects.update(worked_out=EARLIER)
    for week in apps.get_model("planning", "HomeWeek").objects.all().iterator():
        week.days = [[_with_sets(b) for b in day] for day in week.days]
        week.save(update_fields=["days"])


def to_minutes(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Back again: three minutes a set."""
    for block in apps.get_model("planning", "PlanBlock").objects.all().iterator():
        block.minutes = min(60, block.sets * SET_MINUTES)
        block.save(update_fields=["minutes"])
    for week in apps.get_model("planning", "HomeWeek").objects.all().iterator():
        week.days = [[_with_minutes(b) for b in day] for day in week.days]
        week.save(update_fields=["days"])


def _with_sets(block: dict[str, object]) -> dict[str, object]:
    minutes = block["minutes"]
    assert isinstance(minutes, int)
    return {**{k: v for k, v in block.items() if k != "minutes"}, "sets": max(1, minutes // SET_MINUTES)}


def _with_minutes(block: dict[str, object]) -> dict[str, object]:
    sets = block["sets"]
    assert isinstance(sets, int)
    return {**{k: v for k, v in block.items() if k != "sets"}, "minutes": sets * SET_MINUTES}


class Migration(migrations.Migration):
    dependencies = [("planning", "0005_adults")]

    operations = [
        migrations.AddField("plan", "worked_out", models.PositiveSmallIntegerField(default=2)),
        migrations.AddField("plan", "task", models.CharField(blank=True, default="", max_length=24), False),
        migrations.AddField("plan", "kit", models.CharField(blank=True, default="", max_length=24), False),
        migrations.AddField("planblock", "sets", models.PositiveSmallIntegerField(default=1), preserve_default=False),
        migrations.RemoveConstraint("planblock", "block_minutes_possible"),
        migrations.AlterField("planblock", "minutes", models.PositiveSmallIntegerField(default=3)),
        migrations.RunPython(to_sets, to_minutes),
        migrations.RemoveField("planblock", "minutes"),
        migrations.AddConstraint(
            "planblock",
            models.CheckConstraint(condition=models.Q(sets__gte=1) & models.Q(sets__lte=20), name="block_sets_possible"),
        ),
    ]
