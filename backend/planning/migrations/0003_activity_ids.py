"""An activity is named by activity_id, a session's format by format_id, in rows and in stored JSON alike."""

from django.db import migrations


def renamed(table: str, column: str, words: dict[str, str]) -> migrations.RunSQL:
    """Keys of a JSON column renamed, there and back."""

    def statement(pairs: list[tuple[str, str]]) -> str:
        text = f"{column}::text"
        for old, new in pairs:
            text = f"replace({text}, '\"{old}\": ', '\"{new}\": ')"
        return f"update {table} set {column} = ({text})::jsonb"

    return migrations.RunSQL(statement(list(words.items())), statement([(new, old) for old, new in words.items()]))


class Migration(migrations.Migration):
    dependencies = [("planning", "0002_weeks_groups_batches")]

    operations = [
        migrations.RenameField("planblock", "family", "activity_id"),
        migrations.RenameField("plan", "shape", "format_id"),
        renamed("planning_homeweek", "days", {"family": "activity_id"}),
        renamed("planning_groupsession", "answer", {"family": "activity_id"}),
    ]
