"""The demo clinic: what it names exists, and it loads through the same actions as real use."""

from dataclasses import replace
from io import StringIO
from unittest.mock import patch

from django.core.management import CommandError, call_command
from django.db import transaction
from django.test import TestCase, tag

from caseload.models import Child, EstimatePoint, Home
from clinic.models import Clinic, Member
from core.child import ALLERGENS, PRECAUTIONS
from core.library import ACTIVITIES, THINGS
from core.skills import TARGETS, WANTED_TASKS
from cupboard.models import StockItem
from demo import clinic_data as demo
from running.models import RunEvent, SetRecord
from shelf.models import OwnVersion


class DemoDeclarationTest(TestCase):
    def test_everything_it_names_exists(self) -> None:
        themes = {t for activity in ACTIVITIES.values() for t in activity.themes}
        homes = {h.name for h in demo.HOMES}
        for home in demo.HOMES:
            self.assertEqual([thing_id for thing_id in home.stock if thing_id not in THINGS], [], home.name)
            self.assertTrue(all(count > 0 for count in home.stock.values()))
        for child in demo.CHILDREN:
            self.assertIn(child.home, homes)
            self.assertLessEqual(set(child.targets), set(TARGETS))
            self.assertLessEqual(set(child.wanted), set(WANTED_TASKS))
            self.assertLessEqual(set(child.likes), themes)
            self.assertLessEqual(set(child.allergies), set(ALLERGENS))
            self.assertLessEqual(set(child.precautions), set(PRECAUTIONS))

    def test_it_is_worth_looking_at(self) -> None:
        """At least six children in four homes; a left-hander, one who mouths, a latex allergy, siblings, a setback, a
        stall.
        """
        self.assertGreaterEqual(len(demo.CHILDREN), 6)
        self.assertGreaterEqual(sum(h.kind == "home" for h in demo.HOMES), 4)
        self.assertTrue(any(c.hand == "left" for c in demo.CHILDREN))
        self.assertTrue(any(c.mouthing == "often" for c in demo.CHILDREN))
        self.assertTrue(any("latex" in c.allergies for c in demo.CHILDREN))
        self.assertLess(len({c.home for c in demo.CHILDREN}), len(demo.CHILDREN))
        self.assertLessEqual({"setback", "plateau"}, {c.kind for c in demo.CHILDREN})


class LoadDemoTest(TestCase):
    def load(self, **options: object) -> None:
        two = tuple(replace(c, sessions=min(c.sessions, 2)) for c in demo.CHILDREN[:2])
        with patch("demo.management.commands.load_demo.CHILDREN", two):
            call_command("load_demo", password="a long enough one", stdout=StringIO(), **options)

    @tag("slow")
    def test_loads_through_the_same_actions_as_real_use(self) -> None:
        self.load()
        self.assertEqual(Member.objects.count(), len(demo.MEMBERS))
        self.assertEqual(Home.objects.count(), len(demo.HOMES))
        self.assertEqual(Child.objects.count(), 2)
        self.assertGreater(RunEvent.objects.count(), 50)
        self.assertGreater(SetRecord.objects.count(), 8)
        self.assertGreater(EstimatePoint.objects.count(), 4)
        self.assertTrue(StockItem.objects.filter(thing_id="wooden_bead_25").exists())
        shared = set(OwnVersion.objects.values_list("entry__kind", "entry__name"))
        self.assertEqual(
            shared, {("activity", "Load the barge"), ("thing", "Ribbon reels"), ("task", "Feed the ducks")}
        )

    @tag("slow")
    def test_the_same_seed_gives_the_same_histories(self) -> None:
        def loaded() -> list[tuple[str, int, int]]:
            self.load()
            return list(SetRecord.objects.order_by("pk").values_list("activity_id", "tries", "successes"))

        with transaction.atomic():
            first = loaded()
            transaction.set_rollback(True)
        self.assertEqual(loaded(), first)

    def test_refuses_a_database_that_holds_a_clinic(self) -> None:
        Clinic.objects.create(name="Somebody's")
        with self.assertRaisesRegex(CommandError, "nothing was changed"):
            self.load()
        self.load(if_empty=True)
        self.assertEqual(Child.objects.count(), 0)

    @tag("slow")
    def test_a_load_that_fails_leaves_nothing(self) -> None:
        with (
            patch("demo.management.commands.load_demo.play", side_effect=RuntimeError),
            self.assertRaises(RuntimeError),
        ):
            self.load()
        self.assertFalse(Clinic.objects.exists())
