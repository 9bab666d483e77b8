"""The word the rest of the application uses for what is offered no more."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("shelf", "0001_the_shelf")]

    operations = [migrations.RenameField("ownentry", "is_put_away", "is_archived")]
