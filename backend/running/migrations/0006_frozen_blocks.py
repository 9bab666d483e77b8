"""Frozen blocks hold the core's own values, with a version, in place of a shape of the API."""

from typing import Any

from django.apps.registry import Apps
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

SAME = (
    "part",
    "name",
    "strand",
    "rung",
    "grade_words",
    "minutes",
    "sets",
    "count",
    "unit",
    "expected",
    "tiring",
    "setup_minutes",
    "well_spent",
    "beat",
    "setup",
    "posture",
    "tidy",
    "locked",
    "why",
)
NUMBERS = ("rung", "minutes", "sets", "count", "expected", "setup_minutes", "well_spent")
USUAL = {
    **dict.fromkeys(NUMBERS, 0),
    "tiring": False,
    "locked": False,
    "why": [],
    "grade_words": [],
}  # where an old run has none
BESIDE = {"says": [], "grades": [], "if_mouthed": [], "rest": None, "measures": [], "hand": "", "record": None}


def frozen(flat: dict[str, Any]) -> dict[str, Any]:
    """A block as the API once showed it, as a frozen block of version 2."""
    block = {key: flat.get(key, USUAL.get(key, "")) for key in SAME}
    block["variant"] = {"activity_id": flat["activity_id"], "grade": flat["grade"]}
    block["quantities"] = [
        {
            **{k: q[k] for k in ("role", "words", "thing_id", "name", "wanted", "have", "rounds", "single_use")},
            "stock_id": q["thing_id"],
            "pieces": 1,
        }
        for q in flat["quantities"]
    ]
    verdict = flat["verdict"]
    block["verdict"] = {"status": verdict["status"], "hits": [{**h, "wants": None} for h in verdict["hits"]]}
    block["cues"] = [{"support": c["support"], "words": c["words"]} for c in flat["cues"]]
    block["watch"] = [{"id": w["id"], "cue": w["cue"]} for w in flat["watch"]]
    return {"version": 2, "id": flat["id"], "block": block, **{k: flat.get(k, usual) for k, usual in BESIDE.items()}}


def flat(frozen: dict[str, Any]) -> dict[str, Any]:
    """A frozen block as the API once showed it; words that can be worked out again are left empty."""
    block = frozen["block"]
    shown = {key: block[key] for key in SAME}
    shown |= {"id": frozen["id"], "activity_id": block["variant"]["activity_id"], "grade": block["variant"]["grade"]}
    shown["quantities"] = [
        {k: v for k, v in {**q, "cut": ""}.items() if k not in ("stock_id", "pieces")} for q in block["quantities"]
    ]
    hits = [{k: v for k, v in h.items() if k != "wants"} for h in block["verdict"]["hits"]]
    shown["verdict"] = {"status": block["verdict"]["status"], "hits": hits}
    shown["cues"] = [{**c, "support_words": c["support"]} for c in block["cues"]]
    shown["watch"] = [{**w, "words": w["id"], "may_mean": ""} for w in block["watch"]]
    return {**shown, "strand_name": block["strand"], "target": "", "problem": "", **{k: frozen[k] for k in BESIDE}}


def forward(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Every stored run."""
    for run in apps.get_model("running", "Run").objects.all():
        run.blocks = [frozen(b) for b in run.blocks]
        run.save(update_fields=["blocks"])


def back(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Every stored run, as it was."""
    for run in apps.get_model("running", "Run").objects.all():
        run.blocks = [flat(b) for b in run.blocks]
        run.save(update_fields=["blocks"])


class Migration(migrations.Migration):
    dependencies = [("running", "0005_activity_ids")]

    operations = [migrations.RunPython(forward, back)]
