"""What a referral names as hard, and what others say a child does already."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("caseload", "0021_an_override_names_its_supervision")]

    operations = [
        migrations.AddField("child", "behind", models.JSONField(default=list)),
        migrations.AddField("child", "told", models.JSONField(default=dict)),
    ]
