"""Themes that meant one thing under several names have one; what children like is carried over."""

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

NOW = {
    "ball games": "football",
    "kitchen": "cooking",
    "bakery": "cooking",
    "post office": "post",
    "fire engines": "fire engine",
    "roads": "cars",
    "town": "cars",
    "rockets": "space",
    "night": "space",
    "helicopters": "space",
    "machines": "robots",
    "jewellery": "princess",
    "theatre": "princess",
    "hedgehogs": "animals",
    "moles": "animals",
    "lion": "animals",
    "climbing": "animals",
    "fences": "garden",
    "sunshine": "weather",
    "winter": "weather",
    "magic": "circus",
    "family": "home",
}


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Each like by the name it has now, once."""
    for child in apps.get_model("caseload", "Child").objects.exclude(likes=[]):
        child.likes = list(dict.fromkeys(NOW.get(theme, theme) for theme in child.likes))
        child.save(update_fields=["likes"])


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """A name in use before stays one; a theme no activity wears is harmless."""


class Migration(migrations.Migration):
    dependencies = [("caseload", "0006_parallel_ladders")]
    operations = [migrations.RunPython(forward, backward)]
