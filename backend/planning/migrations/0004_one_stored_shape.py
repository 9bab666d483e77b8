"""Blocks of weeks and groups are stored as they were chosen, in one shape; groups know their children by id."""

import django.db.models.deletion  # noqa: F401
from django.apps.registry import Apps
from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

PLACES = ["clinic", "home", "school"]
SUPERVISIONS = ["arms_reach", "room", "box"]
STATUSES = ["optimal", "feasible", "infeasible", "given"]


def weeks_forward(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Every block of a week says its part and whether it is locked."""
    for week in apps.get_model("planning", "HomeWeek").objects.all():
        week.days = [[{"part": "main", **b, "locked": False} for b in day] for day in week.days]
        week.save(update_fields=["days"])


def weeks_back(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Blocks of a week as they were: activity, grade and minutes."""
    for week in apps.get_model("planning", "HomeWeek").objects.all():
        kept = ("activity_id", "grade", "minutes")
        week.days = [[{k: b[k] for k in kept} for b in day] for day in week.days]
        week.save(update_fields=["days"])


def groups_forward(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """From the answer as it was shown to what was chosen, grades by child id."""
    for group in apps.get_model("planning", "GroupSession").objects.all():
        shown = group.answer
        names = dict(zip(shown.get("children", []), shown.get("child_ids", []), strict=False))
        group.child_ids = shown.get("child_ids", [])
        group.supervision = shown.get("supervision", "arms_reach")
        group.status, group.well_spent, group.bound = shown["status"], shown["well_spent"], shown["bound"]
        group.targets = sorted({b["target"] for b in shown["blocks"] if b["target"] != "daily"}) or ["grasp"]
        group.blocks = [
            {
                **{key: b[key] for key in ("part", "activity_id", "minutes", "turns")},
                "grades": {str(names[c["child"]]): c["grade"] for c in b["children"] if c["child"] in names},
            }
            for b in shown["blocks"]
            if all(c.get("grade") for c in b["children"])
        ]
        group.save()


def groups_back(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """An answer again, with what is known: forecasts and words that were only shown are left empty."""
    children = apps.get_model("caseload", "Child").objects.in_bulk()
    for group in apps.get_model("planning", "GroupSession").objects.select_related("home"):
        called = {str(pk): children[pk].first_name for pk in group.child_ids if pk in children}
        group.answer = {
            "home_name": group.home.name,
            "supervision": group.supervision,
            "child_ids": group.child_ids,
            "children": list(called.values()),
            "status": group.status,
            "minutes": sum(b["minutes"] for b in group.blocks),
            "minutes_asked": group.minutes,
            "well_spent": group.well_spent,
            "bound": group.bound,
            "kept_away": [],
            "left_out": [],
            "blocks": [
                {
                    **{key: b[key] for key in ("part", "activity_id", "minutes", "turns")},
                    "name": b["activity_id"],
                    "target": (group.targets or ["grasp"])[0],
                    "setup": "",
                    "tidy": "",
                    "things": [],
                    "cautions": [],
                    "children": [
                        {
                            "child": called[pk],
                            "grade": grade,
                            "grade_words": [],
                            "rung": 0,
                            "strand": "",
                            "strand_name": "",
                            "expected": 0,
                            "count": 0,
                            "unit": "",
                        }
                        for pk, grade in b["grades"].items()
                        if pk in called
                    ],
                }
                for b in group.blocks
            ],
        }
        group.save(update_fields=["answer"])


def choice(values: list[str], length: int, **options: object) -> models.CharField:
    """A column of a closed set, as clinic.fields makes one."""
    return models.CharField(
        max_length=length, choices=[(v, v.replace("_", " ").capitalize()) for v in values], **options
    )


def only(model: str, column: str, values: list[str], name: str) -> migrations.AddConstraint:
    """The closed set as a constraint."""
    condition = models.Q(**{f"{column}__in": values})
    return migrations.AddConstraint(model, models.CheckConstraint(condition=condition, name=name))


class Migration(migrations.Migration):
    dependencies = [("planning", "0003_activity_ids"), ("caseload", "0003_activities_in_estimates")]

    operations = [
        migrations.RenameField("homeweek", "free", "minutes_by_day"),
        migrations.RunPython(weeks_forward, weeks_back),
        migrations.AddField(
            "groupsession", "supervision", choice(SUPERVISIONS, 12, default="arms_reach"), preserve_default=False
        ),
        migrations.AddField("groupsession", "targets", models.JSONField(default=list)),
        migrations.AddField("groupsession", "child_ids", models.JSONField(default=list)),
        migrations.AddField("groupsession", "status", choice(STATUSES, 10, default="given"), preserve_default=False),
        migrations.AddField("groupsession", "well_spent", models.FloatField(default=0)),
        migrations.AddField("groupsession", "bound", models.FloatField(default=0)),
        migrations.AddField("groupsession", "blocks", models.JSONField(default=list)),
        migrations.AlterField("groupsession", "answer", models.JSONField(default=dict)),
        migrations.RunPython(groups_forward, groups_back),
        migrations.RemoveField("groupsession", "answer"),
        migrations.AlterField("plan", "place", choice(PLACES, 8)),
        migrations.AlterField("plan", "supervision", choice(SUPERVISIONS, 12)),
        migrations.AlterField("plan", "status", choice(STATUSES, 10)),
        migrations.AlterField("homeweek", "supervision", choice(SUPERVISIONS, 12)),
        migrations.AlterField("homeweek", "status", choice(STATUSES, 10)),
        migrations.AlterField("batchline", "status", choice(["waiting", "planned", "refused"], 8, default="waiting")),
        migrations.AlterField(
            "planblock", "part", choice(["opener", "warm-up", "main", "stretch", "daily", "tidy"], 8)
        ),
        only("plan", "place", PLACES, "plan_place_known"),
        only("plan", "supervision", SUPERVISIONS, "plan_supervision_known"),
        only("plan", "status", STATUSES, "plan_status_known"),
    ]
