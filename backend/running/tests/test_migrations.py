"""Rows stored by an earlier version become what this one reads, and go back to what that one read.

The fixture was taken from a database of that version: a frozen block, the days of a home week, a session together.
"""

import json
from datetime import date
from importlib import import_module
from pathlib import Path
from typing import Any

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase, tag

from planning.stored import from_json, group_from_json
from running.frozen import FrozenBlock

BEFORE = [  # dependent apps are rolled back first
    ("progress", "0003_changed_answers"),
    ("running", "0004_help_first"),
    ("planning", "0002_weeks_groups_batches"),
    ("cupboard", "0001_initial"),
    ("caseload", "0002_policies"),
    ("clinic", "0001_initial"),
]
STORED = json.loads((Path(__file__).parent / "fixtures" / "stored_before_one_shape.json").read_text())


FROM_FASTENERS = import_module("caseload.migrations.0006_parallel_ladders").FROM_FASTENERS


@tag("slow")
class StoredShapesTest(TransactionTestCase):
    def migrate(self, targets: list[tuple[str, str | None]]) -> Any:
        executor = MigrationExecutor(connection)
        executor.migrate(targets)
        return MigrationExecutor(connection).loader.project_state(targets).apps

    def tearDown(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(executor.loader.graph.leaf_nodes())

    def latest(self) -> list[tuple[str, str]]:
        apps = {app for app, _ in BEFORE} | {"clinic"}
        return [node for node in MigrationExecutor(connection).loader.graph.leaf_nodes() if node[0] in apps]

    def fill(self, apps: Any) -> None:
        clinic = apps.get_model("clinic", "Clinic").objects.create(name="Clinic")
        user = apps.get_model("auth", "User").objects.create(username="wren")
        member = apps.get_model("clinic", "Member").objects.create(user=user, clinic=clinic, role="lead")
        home = apps.get_model("caseload", "Home").objects.create(clinic=clinic, name="Lock cottage")
        answer = STORED["group_answer"]
        child_model = apps.get_model("caseload", "Child")
        born = {"clinic": clinic, "home": home, "birth_date": date(2020, 1, 1)}
        for pk, name in zip(answer["child_ids"], answer["children"], strict=True):
            child_model.objects.create(pk=pk, first_name=name, **born)
        child = child_model.objects.get(pk=answer["child_ids"][0])
        state = {
            "mean": 3.0,
            "sd": 0.5,
            "tries": 0,
            "gain": 0.1,
            "as_of": None,
            "carried": None,
            "families": ["peg_fence"],
            "offsets": [0.0],
            "cov": [],
        }
        apps.get_model("caseload", "StrandEstimate").objects.create(
            child=child, strand="pinch", mean=3, sd=1, state=state, start_state=state
        )
        apps.get_model("caseload", "StrandEstimate").objects.create(
            child=child,
            strand="fasteners",
            mean=5,
            sd=1,
            state={**state, "mean": 5.0},
            start_state={**state, "mean": 5.0},
        )
        apps.get_model("cupboard", "StockItem").objects.create(home=home, material="cork", count=3)
        self.fill_planned(apps, child, home, member, answer)

    def fill_planned(self, apps: Any, child: Any, home: Any, member: Any, answer: Any) -> None:
        """A plan, a home week, a group and a run as the version before stored them."""
        made = {"made_by": member}
        plan = apps.get_model("planning", "Plan").objects.create(
            child=child,
            home=home,
            **made,
            place="home",
            supervision="arms_reach",
            minutes=30,
            targets=["grasp"],
            status="given",
            child_version=1,
            stock_stamp="x",
        )
        apps.get_model("planning", "PlanBlock").objects.create(
            plan=plan,
            position=0,
            part="main",
            family="peg_fence",
            grade=[0, 0, 0],
            minutes=4,
            strand="pinch",
            expected=0.8,
        )
        apps.get_model("planning", "HomeWeek").objects.create(
            child=child,
            **made,
            starts_on=date(2026, 3, 2),
            supervision="arms_reach",
            targets=["grasp"],
            free=[10] * 7,
            a_day=1,
            status="optimal",
            days=STORED["week_days"],
        )
        apps.get_model("planning", "GroupSession").objects.create(home=home, **made, minutes=30, answer=answer)
        apps.get_model("running", "Run").objects.create(
            plan=plan, child=child, by=member, on=date(2026, 3, 2), blocks=[STORED["run_block"]]
        )

    def test_what_an_earlier_version_stored_is_read_and_goes_back(self) -> None:
        self.fill(self.migrate(BEFORE))
        apps = self.migrate(self.latest())

        frozen = FrozenBlock.model_validate(apps.get_model("running", "Run").objects.get().blocks[0])
        old = STORED["run_block"]
        self.assertEqual(
            (frozen.id, frozen.block.activity_id, list(frozen.block.grade)), (old["id"], old["family"], old["grade"])
        )
        self.assertEqual([q.thing_id for q in frozen.block.quantities], [q["material"] for q in old["quantities"]])
        self.assertEqual((frozen.block.say != "", len(frozen.says)), (True, len(old["says"])))

        week = apps.get_model("planning", "HomeWeek").objects.get()
        blocks = [from_json(b) for day in week.days for b in day]
        was = [b for day in STORED["week_days"] for b in day]
        self.assertEqual([(b.variant.activity_id, b.part) for b in blocks], [(b["family"], "main") for b in was])
        self.assertEqual(week.minutes_by_day, [10] * 7)

        group = apps.get_model("planning", "GroupSession").objects.get()
        planned = group_from_json(group.blocks[0], group.child_ids)
        self.assertEqual(
            [list(v.grade) for v in planned.variants],
            [c["grade"] for c in STORED["group_answer"]["blocks"][0]["children"]],
        )
        estimates = apps.get_model("caseload", "StrandEstimate").objects
        self.assertEqual(estimates.get(strand="pinch").state["activities"], ["peg_fence"])
        self.assertEqual({e.strand for e in estimates.all()} - {"pinch"}, {"key_pinch", "endurance", *FROM_FASTENERS})
        means = {e.strand: e.mean for e in estimates.all()}
        self.assertEqual((means["buttons"], means["zip"], means["studs"]), (2.0, 2 + 2 / 5 * 3, 4.5))
        self.assertEqual(apps.get_model("cupboard", "StockItem").objects.get().thing_id, "cork")

        apps = self.migrate(BEFORE)
        again = apps.get_model("running", "Run").objects.get().blocks[0]
        kept = ("id", "family", "grade", "part", "strand", "rung", "minutes", "count", "says", "grades", "hand")
        self.assertEqual({k: again[k] for k in kept}, {k: old[k] for k in kept})
        days = [[{**b, "minutes": max(1, b["minutes"] // 3) * 3} for b in day] for day in STORED["week_days"]]
        self.assertEqual(apps.get_model("planning", "HomeWeek").objects.get().days, days)  # whole sets of three minutes
        answer = apps.get_model("planning", "GroupSession").objects.get().answer
        self.assertEqual(
            [[c["grade"] for c in b["children"]] for b in answer["blocks"]],
            [[c["grade"] for c in b["children"]] for b in STORED["group_answer"]["blocks"]],
        )
        estimates = apps.get_model("caseload", "StrandEstimate").objects
        self.assertEqual(estimates.get(strand="pinch").state["families"], ["peg_fence"])
        self.assertEqual(estimates.get(strand="fasteners").mean, 5.0)
        self.assertEqual(estimates.count(), 2)
