"""Fasteners as five ladders, two new ones, and a longer one for writing: what was seen and believed is carried over."""

from typing import Any

import numpy as np
from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

# Rungs of the one ladder of fasteners (0 to 8), and where each stood on the ladders that took its place: an old rung
# names the fastener it was about, so a strand moves most where its own fastener was.
FROM_FASTENERS = {
    "studs": ([0, 1, 2, 8], [0.5, 2, 4, 5]),
    "zip": ([0, 3, 8], [0.5, 2, 5]),
    "buckles": ([0, 4, 7, 8], [0.3, 2.5, 4, 4.5]),
    "buttons": ([0, 5, 6, 8], [0.3, 2, 3, 4]),
}
WRITING = ([0, 1, 2, 3, 4, 5, 6, 7], [0, 1, 2, 3, 4, 6, 7, 9])
NEW = ("endurance", "key_pinch")
ENDURANCE_AT_FIRST = 1.5  # rungs, wide: nobody has timed it yet
WIDE = 1.5  # rungs


def mapped(state: dict[str, Any], scale: tuple[list[int], list[float]], widen: float = 0.0) -> dict[str, Any]:
    """An estimate's state on another scale; what it learned of activities is of the old scale and begins anew."""
    mean = float(np.interp(state["mean"], *scale))
    sd = float(np.hypot(state["sd"], widen))
    return {**state, "mean": mean, "sd": sd, "activities": [], "offsets": [], "cov": []}


def put(row: Any, state: dict[str, Any], start: dict[str, Any]) -> Any:
    row.state, row.start_state = state, start
    row.mean, row.sd = state["mean"], state["sd"]
    return row


def forward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """Every child's estimates and points on the new ladders."""
    estimates = apps.get_model("caseload", "StrandEstimate").objects
    points = apps.get_model("caseload", "EstimatePoint").objects
    for row in list(estimates.filter(strand="writing")):
        if row.seen_rung:
            row.seen_rung = round(float(np.interp(row.seen_rung, *WRITING)))
        put(row, mapped(row.state, WRITING), mapped(row.start_state, WRITING)).save()
    for point in points.filter(strand="writing"):
        point.mean = float(np.interp(point.mean, *WRITING))
        point.save()
    for row in list(estimates.filter(strand="fasteners")):
        for strand, scale in FROM_FASTENERS.items():
            new = estimates.model(
                child_id=row.child_id, strand=strand, as_of=row.as_of, tries=row.tries, seen_rung=None
            )
            put(new, mapped(row.state, scale, 0.5), mapped(row.start_state, scale, 0.5)).save()
        for point in points.filter(strand="fasteners", child_id=row.child_id):
            points.bulk_create(
                points.model(
                    child_id=row.child_id, strand=s, on=point.on, mean=float(np.interp(point.mean, *scale)), sd=point.sd
                )
                for s, scale in FROM_FASTENERS.items()
            )
        row.delete()
    points.filter(strand="fasteners").delete()
    for row in list(estimates.filter(strand="pinch")):
        fresh = {**row.start_state, "tries": 0, "as_of": None, "carried": None, "activities": [], "offsets": [], "cov": []}
        for strand in NEW:
            mean = ENDURANCE_AT_FIRST if strand == "endurance" else min(row.start_state["mean"], 4.0)
            state = {**fresh, "mean": mean, "sd": WIDE}
            put(estimates.model(child_id=row.child_id, strand=strand, as_of=None, tries=0), state, state).save()


def backward(apps: Apps, schema_editor: BaseDatabaseSchemaEditor) -> None:
    """The one ladder again, from buttons; the new strands go."""
    estimates = apps.get_model("caseload", "StrandEstimate").objects
    points = apps.get_model("caseload", "EstimatePoint").objects
    old, new = WRITING
    for row in list(estimates.filter(strand="writing")):
        if row.seen_rung:
            row.seen_rung = round(float(np.interp(row.seen_rung, new, old)))
        put(row, mapped(row.state, (new, old)), mapped(row.start_state, (new, old))).save()
    for point in points.filter(strand="writing"):
        point.mean = float(np.interp(point.mean, new, old))
        point.save()
    old, new = FROM_FASTENERS["buttons"]
    for row in list(estimates.filter(strand="buttons")):
        row.strand = "fasteners"
        put(row, mapped(row.state, (new, old)), mapped(row.start_state, (new, old))).save()
    for point in points.filter(strand="buttons"):
        point.strand, point.mean = "fasteners", float(np.interp(point.mean, new, old))
        point.save()
    gone = [*NEW, *(s for s in FROM_FASTENERS if s != "buttons")]
    estimates.filter(strand__in=gone).delete()
    points.filter(strand__in=gone).delete()


class Migration(migrations.Migration):
    dependencies = [("caseload", "0005_hands_and_allergies")]
    operations = [migrations.RunPython(forward, backward)]
