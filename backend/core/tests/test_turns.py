"""Whose turn it is: every wish that can be practised comes up, and what is said of it is true. Project definition."""

from dataclasses import replace
from unittest import TestCase

from core.child import Child
from core.library import ACTIVITIES, is_the_task
from core.planner import WeekRequest, plan_session, plan_week
from core.planner.candidates import all_candidates, doable_wishes, due_wishes
from core.planner.choice import week_options
from core.planner.week import _as_home
from core.skills import WANTED_TASKS
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

THREE = Child(76, hand="right", wanted=("zip", "scissors", "cutlery"), attention_minutes=30)


class TurnsTest(TestCase):
    def due(self, **recent: int) -> tuple[str, ...]:
        request = request_for(THREE, everything(), minutes=30, targets=("grasp",), recent=recent)
        return due_wishes(all_candidates(request), request)

    def test_the_first_wish_always_and_of_the_others_who_waited_longest(self) -> None:
        self.assertEqual(self.due(), ("zip", "scissors"))
        self.assertEqual(self.due(coat_race=0, long_lanes=0), ("cutlery", "zip"))
        self.assertEqual(self.due(coat_race=0, long_lanes=1, picnic_plate=0), ("scissors", "zip"))

    @slow
    def test_every_wish_comes_up_in_any_two_sessions(self) -> None:
        """Made-up children in made-up homes, two sessions each: of 300 children 98 and 98 in a hundred."""
        sessions = first = children = both = 0
        for seed in range(2000, 2040):
            request, recent, seen = made_up_request(seed), {}, []
            wishes = doable_wishes(all_candidates(request), request)
            for _ in range(2):
                plan = plan_session(replace(request, recent=recent))
                done = {
                    b.task for b in plan.blocks if b.part in ("daily", "main") and b.serves.startswith(("“", "Prac"))
                }
                seen.append(done)
                recent = {**{k: n + 1 for k, n in recent.items()}, **{b.activity_id: 0 for b in plan.blocks}}
            if wishes:
                sessions, first = sessions + 2, first + sum(wishes[0] in done for done in seen)
                children, both = children + 1, both + (set(wishes) <= set.union(*seen))
        self.assertGreater(children, 10)
        self.assertGreaterEqual(first / sessions, 0.85)
        self.assertGreaterEqual(both / children, 0.9)

    @slow
    def test_every_wish_has_its_day_at_home(self) -> None:
        weeks = 0
        for seed in range(2000, 2030):
            request = made_up_request(seed)
            home = _as_home(request)
            there = {o.of.task for o in week_options(all_candidates(home))} - {""}
            plan = plan_week(WeekRequest(request, (15, 15, 15, 15, 15, 20, 20)))
            if plan.status == "infeasible" or not there:
                continue
            weeks += 1
            days = [{b.task for b in d.blocks if b.serves.startswith(("“", "Prac"))} for d in plan.days]
            for task in there:
                self.assertTrue(any(task in done for done in days), (seed, task))
            for b in (b for d in plan.days for b in d.blocks):
                self.assertGreaterEqual(b.expected, 0.7, (seed, b.name))
        self.assertGreater(weeks, 5)


class SaidTest(TestCase):
    def test_a_session_says_which_wish_it_serves_which_waits_and_which_can_not_be(self) -> None:
        plan = plan_session(request_for(THREE, everything(), minutes=30, targets=("grasp",)))
        self.assertIn(
            "Today “Do own zip” and “Cut out what is asked at school”; “Eat with knife and fork” next", plan.notes[0]
        )
        poor = {k: n for k, n in everything().items() if "scissors" not in k}
        plan = plan_session(request_for(replace(THREE, wanted=("scissors",)), poor, minutes=30, targets=("grasp",)))
        self.assertTrue(plan.notes[0].startswith("“Cut out what is asked at school” can't be practised here today: "))
        self.assertIn("scissors", plan.notes[0].lower())
        hair = plan_session(request_for(replace(THREE, wanted=("hair",)), everything(), minutes=30, targets=("grasp",)))
        self.assertIn("teach it by its steps", hair.notes[0])

    def test_itself_is_the_real_thing_and_nothing_else(self) -> None:
        for task in WANTED_TASKS.values():
            for activity_id in task.itself:
                activity = ACTIVITIES[activity_id]
                self.assertTrue(any(is_the_task(activity, s, task) for s in activity.trains), (task.id, activity_id))
        self.assertNotIn("scoop_dock", WANTED_TASKS["cutlery"].itself)
        self.assertNotIn("stroke_by_stroke", WANTED_TASKS["name"].itself)

    @slow
    def test_itself_is_said_only_of_the_real_thing(self) -> None:
        said = practised = 0
        for seed in range(2000, 2030):
            plan = plan_session(made_up_request(seed))
            for b in plan.blocks:
                real = bool(b.task) and b.activity_id in WANTED_TASKS[b.task].itself
                if b.serves.endswith("itself"):
                    said += 1
                    self.assertTrue(real, (seed, b.name, b.serves))
                elif b.serves.startswith("Practises"):
                    practised += 1
                    self.assertFalse(real, (seed, b.name, b.serves))
                    self.assertEqual(b.chain, ())
        self.assertTrue(said and practised)
