"""Stored blocks of plans and runs, and sets, name the strand their activity trains by now. `read_runs_again` works the rungs out anew."""

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

# (activity, the strand it was aimed at): the strand it trains in its place
MOVED = {
    ("buckle_up", "fasteners"): "buckles",
    ("hook_and_eye", "fasteners"): "buckles",
    ("cardigan_bridge", "fasteners"): "buttons",
    ("porthole_buttons", "fasteners"): "buttons",
    ("flag_tabs", "fasteners"): "studs",
    ("strap_down", "fasteners"): "studs",
    ("strap_down", "together"): "hold_and_act",
    ("pocket_post", "fasteners"): "studs",
    ("snap_harbour", "fasteners"): "studs",
    ("zip_train", "fasteners"): "zip",
    ("zip_train", "pinch"): "key_pinch",
    ("sausage_snips", "hold"): "cutting",
    ("spiral_spring", "midline"): "hold_and_act",
    ("signal_string", "shift"): "hold_and_act",
    ("pancake_flip", "finger_isolation"): "complex_rotation",
    ("stick_signs", "midline"): "writing",
}
BACK = {(activity, new): old for (activity, old), new in MOVED.items()}


def renamed(apps: Apps, moved: dict[tuple[str, str], str]) -> None:
    runs = apps.get_model("running", "Run").objects
    for model in (apps.get_model("running", "SetRecord"), apps.get_model("planning", "PlanBlock")):
        for (activity, old), new in moved.items():
            model.objects.filter(activity_id=activity, strand=old).update(strand=new)
    for run in runs.all().iterator():
        changed = False
        for frozen in run.blocks:
            block = frozen["block"]
            new = moved.get((block["variant"]["activity_id"], block["strand"]))
            if new:
                block["strand"], changed = new, True
        if changed:
            run.save(update_fields=["blocks"])


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """From what was trained to what is."""
    renamed(apps, MOVED)


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Back again; where two strands became one, the first of them."""
    renamed(apps, BACK)


class Migration(migrations.Migration):
    dependencies = [
        ("running", "0007_rungs_by_force"),
        ("planning", "0004_one_stored_shape"),
        ("caseload", "0006_parallel_ladders"),
    ]
    operations = [migrations.RunPython(forward, backward)]
