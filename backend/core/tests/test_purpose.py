"""What a session's main work is for: a wish, or what comes nearest to it; often enough a success; not all alike."""

from unittest import TestCase

from core.ability import Estimate, chance, start, suggested_aims
from core.child import Child, Setting
from core.library import ACTIVITIES, has_work_for
from core.offers import stock_of
from core.planner import SessionPlan, SessionRequest, plan_session
from core.planner.candidates import all_candidates
from core.skills import STRANDS, WANTED_TASKS, WantedTask
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow


def worked(task: WantedTask, strand: str) -> bool:
    """Whether the library has work for what a task asks of a strand."""
    return has_work_for(task, strand, ACTIVITIES.values())


def session(child: Child, leaving_out: frozenset[str] = frozenset(), minutes: int = 35) -> SessionPlan:
    """A session from a full house, on what is suggested for the child."""
    stock = {thing: n for thing, n in everything().items() if thing not in leaving_out}
    estimates = {s: start(child, s) for s in STRANDS}
    targets = tuple(a.target for a in suggested_aims(child.wanted, estimates, (), worked))
    return plan_session(request_for(child, stock, minutes, targets))


class PurposeTest(TestCase):
    @slow
    def test_main_work_is_for_a_wish_where_there_is_enough_of_that(self) -> None:
        for months, wanted in ((58, ("buttons", "name")), (76, ("laces", "cutlery")), (92, ("scissors", "page"))):
            plan = session(Child(months, hand="right", wanted=wanted, attention_minutes=25))
            for block in (b for b in plan.blocks if b.part in ("main", "stretch")):
                self.assertTrue(block.serves, (wanted, block.name))
                self.assertIn(block.task, (*wanted, ""))

    @slow
    def test_where_a_wish_can_not_be_practised_what_comes_nearest_is(self) -> None:
        """Scissors for the other hand: tearing along a line and tongs come before them. Common practice, no source."""
        none = frozenset({"child_scissors", "left_scissors", "spring_scissors"})
        plan = session(Child(68, hand="left", wanted=("name", "scissors"), attention_minutes=25), none)
        near = [b for b in plan.blocks if b.serves.startswith("Nearest to “Cut out what is asked at school”")]
        self.assertEqual([b.task for b in near], ["scissors"] * len(near))
        self.assertTrue({b.activity_id for b in near} & {"storm_clouds", "crane_pick", "feather_lift"})
        self.assertTrue(any(f"Meanwhile {near[0].name}" in n for n in plan.notes), plan.notes)

    def test_what_comes_nearest_are_activities_of_the_library_that_are_main_work(self) -> None:
        for task in WANTED_TASKS.values():
            for activity in task.meanwhile:
                self.assertIn("main", ACTIVITIES[activity].parts, (task.id, activity))

    @slow
    def test_openers_and_warm_ups_come_off_and_no_two_begin_alike(self) -> None:
        """Whatever else this home allows: a made-up home may have little."""
        read = 0
        for seed in range(60, 90):
            request = made_up_request(seed)
            plan = plan_session(request)
            parts = {b.part: b for b in plan.blocks if b.part in ("opener", "warm-up")}
            if len(parts) == 2:
                read += 1
                opener, warm_up = (ACTIVITIES[b.activity_id] for b in parts.values())
                self.assertNotEqual(opener.kind, warm_up.kind, seed)
            there = [c for c in all_candidates(request) if c.part == "opener"]
            if "opener" in parts and any(c.expected >= 0.75 for c in there):
                self.assertGreaterEqual(parts["opener"].expected, 0.75, seed)
        self.assertGreater(read, 8)

    @slow
    def test_a_chain_nobody_has_seen_is_not_taught_from_both_ends(self) -> None:
        for months, wanted in ((80, ("laces", "buttons")), (100, ("laces", "cutlery")), (70, ("zip", "buttons"))):
            plan = session(Child(months, hand="right", wanted=wanted, attention_minutes=30), minutes=45)
            taught: dict[str, set[tuple[str, ...]]] = {}
            for block in (b for b in plan.blocks if b.chain):
                taught.setdefault(block.task, set()).add(tuple(s.words for s in block.chain if s.who == "taught"))
            self.assertTrue(taught, wanted)
            self.assertTrue(all(len(steps) == 1 for steps in taught.values()), taught)

    def test_a_wanted_task_is_not_the_first_thing_believed(self) -> None:
        """Nobody names what a child can do already: at most about four tries in ten of the whole task come off."""
        for task in (t for t in WANTED_TASKS.values() if t.strand):
            guess = start(Child(130, wanted=(task.id,)), task.strand)
            self.assertLess(chance(guess, task.level), 0.45, task.id)


class SuggestedTest(TestCase):
    def test_no_target_is_suggested_for_which_there_is_no_work(self) -> None:
        """Typing wants both hands, each on its own side, and nothing but typing is that."""
        low = {s: Estimate(1.0, 0.5) for s in STRANDS}
        with_work = {a.target for a in suggested_aims(("keyboard",), low, (), worked)}
        self.assertIn("bilateral", {a.target for a in suggested_aims(("keyboard",), low)})
        self.assertNotIn("bilateral", with_work)

    def test_a_full_house_of_one_target_fills_its_minutes(self) -> None:
        child = Child(90, hand="right", wanted=("cutlery", "laces"), attention_minutes=30)
        estimates = {s: start(child, s) for s in STRANDS}
        request = SessionRequest(
            child, Setting("clinic", "arms_reach"), stock_of(everything()), estimates, 35, ("daily", "bilateral")
        )
        self.assertGreaterEqual(plan_session(request).minutes, 30)
