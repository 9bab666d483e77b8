"""How many taps of a run were counted, and which arrived after signing: from when a run ended and when taps came."""

from django.db import migrations, models
from django.db.models import Count, OuterRef, Q, Subquery
from django.db.models.functions import Coalesce


def count_what_was_counted(apps, schema_editor):
    """Of a run that ended, the taps that had arrived by then; of a signed one all of them, since it stays as it is."""
    run, event = apps.get_model("running", "Run"), apps.get_model("running", "RunEvent")
    ended = run.objects.filter(ended_at__isnull=False)
    for runs, which in (
        (ended.filter(frozen=True), Q()),
        (ended.filter(frozen=False), Q(received_at__lte=OuterRef("ended_at"))),
    ):
        mine = event.objects.filter(which, run=OuterRef("pk")).order_by().values("run")
        runs.update(counted_taps=Coalesce(Subquery(mine.annotate(n=Count("pk")).values("n")), 0))


class Migration(migrations.Migration):

    dependencies = [
        ('running', '0012_drop_first_two'),
    ]

    operations = [
        migrations.AddField(
            model_name='run',
            name='counted_taps',
            field=models.PositiveIntegerField(null=True),
        ),
        migrations.AddField(
            model_name='runevent',
            name='after_signing',
            field=models.BooleanField(default=False),
        ),
        migrations.RunPython(count_what_was_counted, migrations.RunPython.noop),
    ]
