"""Each line of the audit log has the digest of its contents, and each day of a clinic's log a head of its chain."""

import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('clinic', '0010_audit_by_number'),
    ]

    operations = [
        migrations.AddField(
            model_name='auditentry',
            name='digest',
            field=models.CharField(default='', editable=False, max_length=64),
        ),
        migrations.CreateModel(
            name='AuditHead',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('last', models.BigIntegerField()),
                ('lines', models.BigIntegerField()),
                ('digest', models.CharField(max_length=64)),
                ('at', models.DateTimeField(auto_now_add=True)),
                ('clinic', models.ForeignKey(on_delete=django.db.models.deletion.DO_NOTHING, to='clinic.clinic')),
            ],
            options={
                'ordering': ['pk'],
            },
        ),
    ]
