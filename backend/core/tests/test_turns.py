"""Whose turn it is: every wish that can be practised comes up, and what is said of it is true. Project definition."""

from collections.abc import Sequence
from dataclasses import replace
from unittest import TestCase

from core.ability import Estimate
from core.child import Child
from core.library import ACTIVITIES, own_task, practises, steps_of
from core.planner import Block, WeekRequest, plan_session, plan_week, wishes_practised
from core.planner.candidates import all_candidates, doable_wishes, due_wishes
from core.planner.choice import week_options
from core.planner.week import TOO_HARD_AT_HOME, as_home
from core.skills import STRANDS, WANTED_TASKS
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

THREE = Child(76, hand="right", wanted=("zip", "scissors", "cutlery"), attention_minutes=30)


def practised(blocks: Sequence[Block]) -> set[str]:
    """The wishes that blocks practise."""
    return {t for b in blocks for t in wishes_practised(b.part, ACTIVITIES[b.activity_id], [b.task] if b.task else ())}


class TurnsTest(TestCase):
    def due(self, **practised: int) -> tuple[str, ...]:
        request = request_for(THREE, everything(), minutes=30, targets=("grasp",), practised=practised)
        return due_wishes(all_candidates(request), request)

    def test_the_first_wish_always_and_of_the_others_who_waited_longest(self) -> None:
        self.assertEqual(self.due(), ("zip", "scissors"))
        self.assertEqual(self.due(zip=0, scissors=0), ("cutlery", "zip"))
        self.assertEqual(self.due(zip=0, scissors=1, cutlery=0), ("scissors", "zip"))

    @slow
    def test_every_wish_comes_up_in_any_two_sessions(self) -> None:
        """Made-up children in made-up homes, two sessions each: from 20 minutes on there always is room."""
        children = 0
        for seed in range(2000, 2050):
            request, recent, ago, seen = made_up_request(seed), {}, {}, []
            wishes = doable_wishes(all_candidates(request), request)
            if not wishes or request.minutes < 20 or plan_session(request).status == "infeasible":
                continue
            for _ in range(2):
                plan = plan_session(replace(request, recent=recent, practised=ago))
                seen.append(practised(plan.blocks))
                recent = {**{k: n + 1 for k, n in recent.items()}, **{b.activity_id: 0 for b in plan.blocks}}
                ago = {**{k: n + 1 for k, n in ago.items()}, **dict.fromkeys(seen[-1], 0)}
            children += 1
            self.assertTrue(all(wishes[0] in done for done in seen), (seed, wishes, seen))
            self.assertLessEqual(set(wishes), set.union(*seen), seed)
        self.assertGreater(children, 10)

    @slow
    def test_every_wish_has_its_day_at_home(self) -> None:
        weeks = 0
        for seed in range(2000, 2030):
            request = made_up_request(seed)
            home = as_home(request)
            there = {o.of.task for o in week_options(all_candidates(home))} - {""}
            plan = plan_week(WeekRequest(request, (15, 15, 15, 15, 15, 20, 20)))
            if plan.status == "infeasible" or not there:
                continue
            weeks += 1
            days = [practised(d.blocks) for d in plan.days]
            for task in there:
                self.assertTrue(any(task in done for done in days), (seed, task))
            for b in (b for d in plan.days for b in d.blocks):
                self.assertGreaterEqual(b.expected, 0.7, (seed, b.name))
        self.assertGreater(weeks, 5)


class SaidTest(TestCase):
    def test_a_session_says_which_wish_it_serves_which_waits_and_which_can_not_be(self) -> None:
        plan = plan_session(request_for(THREE, everything(), minutes=30, targets=("grasp",)))
        today = (
            "Wishes today: “Do own zip”, “Cut out what is asked at school”; next session: “Eat with knife and fork”."
        )
        self.assertEqual(plan.notes[0], today)
        poor = {k: n for k, n in everything().items() if "scissors" not in k}
        plan = plan_session(request_for(replace(THREE, wanted=("scissors",)), poor, minutes=30, targets=("grasp",)))
        self.assertTrue(plan.notes[0].startswith("“Cut out what is asked at school” can't be practised here today: "))
        self.assertIn("scissors", plan.notes[0].lower())
        steps = [{"words": "Cross one over.", "demands": {"take_turns": 3}}, {"words": "Pull it snug.", "demands": {}}]
        own = own_task({"name": "Plait own hair", "steps": steps}, "here", "clinic").id
        plan = plan_session(request_for(replace(THREE, wanted=(own,)), everything(), minutes=30, targets=("grasp",)))
        self.assertIn("teach it by its steps", plan.notes[0])

    @slow
    def test_no_wish_is_put_off_that_a_block_works_towards(self) -> None:
        """Where the real thing can't be done here, main work on its ladder is its practice."""
        towards = 0
        for seed in range(2090, 2110):
            plan = plan_session(made_up_request(seed))
            later = " ".join(note.split("next session: ")[1] for note in plan.notes if "next session: " in note)
            real = {b.task for b in plan.blocks if b.chain}
            for b in plan.blocks:
                if ", towards “" in b.serves and b.part == "main" and b.task not in real:
                    towards += 1
                    self.assertNotIn(WANTED_TASKS[b.task].name, later, (seed, b.name))
        self.assertGreater(towards, 3)

    @slow
    def test_what_can_not_be_practised_is_never_said_to_fit(self) -> None:
        said = 0
        for seed in range(2000, 2030):
            for note in plan_session(made_up_request(seed)).notes:
                if "can't be practised here" in note:
                    said += 1
                    self.assertNotIn("Fits", note, seed)
        self.assertGreater(said, 10)

    def test_a_week_too_hard_for_home_says_so_and_does_not_call_it_unsafe(self) -> None:
        child = Child(30, hand="right", wanted=())
        low = {s: Estimate(0.5, 0.3) for s in STRANDS}
        request = replace(request_for(child, {"marble": 12, "egg_box": 1, "child_scissors": 1}), estimates=low)
        plan = plan_week(WeekRequest(request, (15,) * 7))
        self.assertEqual(plan.status, "infeasible")
        offered = bool(all_candidates(as_home(request)))
        self.assertEqual(plan.reason == TOO_HARD_AT_HOME, offered)

    def test_itself_is_the_real_thing_and_nothing_else(self) -> None:
        itself = {task: {a.id for a in ACTIVITIES.values() if task in a.itself} for task in WANTED_TASKS}
        for task, activities in itself.items():
            for activity_id in activities:
                activity = ACTIVITIES[activity_id]
                self.assertTrue(any(practises(activity, s, WANTED_TASKS[task]) for s in activity.trains), activity_id)
        self.assertNotIn("scoop_dock", itself["cutlery"])
        self.assertNotIn("stroke_by_stroke", itself["name"])
        self.assertNotIn("lock_tower", itself["bricks"])

    def test_a_grade_is_the_task_itself_by_the_steps_the_child_does_there(self) -> None:
        """Undoing is not yet doing up; the last pull is the last step of a bow."""
        cardigan, bow = ACTIVITIES["cardigan_bridge"], ACTIVITIES["two_colour_lace"]
        self.assertEqual(steps_of(cardigan, (0, 0, 0), "buttons"), frozenset())
        self.assertEqual(steps_of(cardigan, (0, 1, 0), "buttons"), frozenset(range(5)))
        self.assertEqual(steps_of(bow, (0, 0), "laces"), {7})
        self.assertEqual(steps_of(bow, (1, 0), "laces"), {6, 7})
        self.assertEqual(steps_of(bow, (0, 0), "zip"), frozenset())

    @slow
    def test_itself_is_said_only_of_the_real_thing(self) -> None:
        said = practised = 0
        for seed in range(2000, 2030):
            plan = plan_session(made_up_request(seed))
            for b in plan.blocks:
                real = bool(b.task and steps_of(ACTIVITIES[b.activity_id], b.variant.grade, b.task))
                if b.serves.endswith("itself"):
                    said += 1
                    self.assertTrue(real, (seed, b.name, b.serves))
                elif b.serves.startswith("Practises"):
                    practised += 1
                    self.assertFalse(real, (seed, b.name, b.serves))
                    self.assertEqual(b.chain, ())
        self.assertTrue(said and practised)
