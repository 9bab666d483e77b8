"""“Races are fine” did what “against their own record” does, and nothing else: it becomes that."""

from django.db import migrations, models


def races_become_records(apps, schema_editor):
    apps.get_model("caseload", "Child").objects.filter(speed_policy="race").update(speed_policy="own_record")


class Migration(migrations.Migration):

    dependencies = [
        ('caseload', '0016_mouthing_is_asked'),
    ]

    operations = [
        migrations.RunPython(races_become_records, migrations.RunPython.noop),
        migrations.RunSQL("SET CONSTRAINTS ALL IMMEDIATE", migrations.RunSQL.noop),
        migrations.RemoveConstraint(
            model_name='child',
            name='child_speed_policy_known',
        ),
        migrations.AlterField(
            model_name='child',
            name='speed_policy',
            field=models.CharField(choices=[('off', 'Off'), ('own_record', 'Own record')], default='off', max_length=12),
        ),
        migrations.AddConstraint(
            model_name='child',
            constraint=models.CheckConstraint(condition=models.Q(('speed_policy__in', ['off', 'own_record'])), name='child_speed_policy_known'),
        ),
    ]
