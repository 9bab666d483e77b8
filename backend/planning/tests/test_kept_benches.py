"""A bench is used again only while nothing it was made from has changed."""

from collections.abc import Callable
from datetime import timedelta

from caseload.models import LibraryVersion
from planning import workbench as benches
from planning.models import Plan
from planning.workbench import MADE_FROM, Wish, Workbench, workbench
from shelf.models import Hidden
from testing.builders import TODAY, make_child, make_home, plan_for_child
from testing.own import REEL, OwnTest, pot_drop
from testing.queries import tables_read
from testing.tags import slow

WISH = Wish(30, ("grasp",))


class KeptBenchesTest(OwnTest):
    def setUp(self) -> None:
        super().setUp()
        self.home = make_home(self.lead)
        self.child = make_child(self.lead, self.home)

    def bench(self, wish: Wish = WISH) -> Workbench:
        return workbench(self.child, self.home, wish, TODAY)

    def test_the_same_one_is_used_again(self) -> None:
        first = self.bench()
        with self.assertNumQueries(1):
            self.assertTrue(self.bench() is first)
        self.assertTrue(self.bench(Wish(40, ("grasp",))) is not first)
        self.assertTrue(workbench(self.child, self.home, WISH, TODAY + timedelta(1)) is not first)

    @slow
    def test_whatever_it_is_made_from_makes_another_one(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        changes: dict[str, Callable[[], object]] = {
            "child": self.child.save,
            "estimate": lambda: self.child.estimates.filter(strand="pinch").update(tries=3),
            "cupboard": lambda: self.home.stock.filter(thing_id="common_peg").update(count=2),
            "nothing left": lambda: self.home.stock.all().delete(),
            "hidden": lambda: Hidden.objects.create(clinic=self.child.clinic, activity_id="peg_fence", by=self.lead),
            "clinic": self.child.clinic.save,
            "task": lambda: self.child.tasks.create(
                task="buttons", on=TODAY, steps_alone=2, place="home", with_whom="family", by=self.lead
            ),
            "used": lambda: Plan.objects.filter(pk=plan.pk).update(used_on=TODAY),
            "pace": lambda: self.child.paces.create(activity_id="peg_fence", ratio=1.5, tries=20),
            "learned": lambda: LibraryVersion.objects.create(
                clinic=self.child.clinic, number=1, findings={}, children=3, tries=90
            ),
        }
        for what, change in changes.items():
            before = self.bench()
            self.assertTrue(self.bench() is before, what)
            change()
            self.assertTrue(self.bench() is not before, what)

    def test_a_change_is_seen_at_once(self) -> None:
        self.assertFalse(self.bench().request.child.allergies)
        type(self.child).objects.filter(pk=self.child.pk).update(allergies=["latex"])
        self.assertEqual(self.bench().request.child.allergies, {"latex"})

    def test_what_the_clinic_makes_itself_is_in_it_at_once(self) -> None:
        before = self.bench().request
        activity, thing = self.shared(pot_drop()), self.shared(REEL, "thing")
        self.home.stock.create(thing_id=thing["ref"], count=8)
        after = self.bench().request
        self.assertEqual(set(after.activities) - set(before.activities), {activity["ref"]})
        self.assertEqual({s.id for s in after.stock} - {s.id for s in before.stock}, {thing["ref"]})
        self.written(thing, {**REEL, "hole_mm": 9})
        self.assertIn(9, {s.usual.hole_mm for s in self.bench().request.stock})

    @slow
    def test_it_reads_no_row_that_is_not_looked_at(self) -> None:
        self.shared(pot_drop())
        self.home.stock.create(thing_id=self.shared(REEL, "thing")["ref"], count=8)
        plan = plan_for_child(self.lead, self.child)
        Plan.objects.filter(pk=plan.pk).update(used_on=TODAY)
        read = tables_read(lambda: benches._made(self.child, self.home, WISH, TODAY, ()))
        self.assertIn("planning_planblock", read)
        self.assertEqual(read - set(MADE_FROM), set())
