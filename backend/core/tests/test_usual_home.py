"""What most homes have is enough: a usual home, and a usual kitchen alone, give a whole session for every wanted task.

Which things are common is from memory; that a session comes of them is checked here.
"""

from unittest import TestCase

from core.ability import start, suggested_aims
from core.child import Child, Setting
from core.library import THINGS
from core.materials import KEPT, Thing
from core.offers import UsableCupboard, stock_of
from core.planner import SessionRequest, plan_session
from core.skills import STRANDS, WANTED_TASKS
from testing.tags import slow

HOME = [t for t in THINGS.values() if t.common]
KITCHEN = [t for t in HOME if t.kept == "kitchen"]
ROOM = [t for t in HOME if t.kept == "room"]


def session(things: list[Thing], task: str, months: float, **changes: object) -> tuple[SessionRequest, list[str]]:
    """A request for half an hour from these things, and the activities of the session it gives."""
    child = Child(age_months=months, hand="right", wanted=(task,), **changes)  # type: ignore[arg-type]
    estimates = {s: start(child, s) for s in STRANDS}
    targets = tuple(a.target for a in suggested_aims((task,), estimates)) or ("grasp",)
    stock = stock_of({t.id: t.typical_count for t in things})
    request = SessionRequest(child, Setting("home", "arms_reach"), stock, estimates, 30, targets)
    return request, [b.activity_id for b in plan_session(request).blocks]


class UsualHomeTest(TestCase):
    def test_every_place_of_a_home_has_something_common_in_it(self) -> None:
        self.assertEqual({t.kept for t in HOME}, set(KEPT))
        for kept in KEPT:
            self.assertGreaterEqual(sum(t.kept == kept for t in HOME), 2, kept)

    def test_nothing_common_is_what_a_child_is_kept_from(self) -> None:
        for thing in HOME:
            self.assertNotIn("kept_away", thing.forms, thing.id)
            for bad in ("strong_magnet", "button_cell", "balloon", "swells_in_water"):
                self.assertFalse(getattr(thing, bad), (thing.id, bad))

    @slow
    def test_a_usual_home_gives_a_whole_session_for_every_wanted_task(self) -> None:
        for at, task in enumerate(WANTED_TASKS):
            months = (40, 58, 76, 94)[at % 4]
            with self.subTest(task=task, months=months):
                _, blocks = session(HOME, task, months)
                self.assertGreaterEqual(len(blocks), 4)

    @slow
    def test_a_usual_kitchen_alone_gives_a_session_too(self) -> None:
        for task, months in (("buttons", 48), ("zip", 60), ("scissors", 72), ("name", 66), ("laces", 84)):
            with self.subTest(task=task):
                _, blocks = session([*KITCHEN, *ROOM], task, months)
                self.assertGreaterEqual(len(blocks), 3)

    def test_a_child_who_mouths_things_still_gets_one_and_nothing_small_in_it(self) -> None:
        request, blocks = session(HOME, "buttons", 30, mouthing="often")
        self.assertGreaterEqual(len(blocks), 3)
        barred = {s.thing.id for s in request.stock} - {
            s.thing.id for s in UsableCupboard(request.stock, request.child, request.setting).stock
        }
        self.assertFalse(barred & {"sponge", "wide_bowl"})
