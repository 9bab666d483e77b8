"""What holds a wanted task back, and the targets that follow. Project definitions."""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

from core.ability import Estimate, chain, held_back, proven_steps, shortfalls, suggested_aims
from core.child import Child
from core.library import ACTIVITIES, has_practice
from core.planner import plan_session
from core.planner.candidates.suitability import own_task
from core.progress import WORDS, Latest, statuses
from core.skills import STRANDS, WANTED_TASKS
from testing.core_builders import everything, made_up_request, request_for
from testing.tags import slow

AT = {s: Estimate(float(r), 0.4) for s, r in WANTED_TASKS["buttons"].demands.items()}


class WantedTest(TestCase):
    def test_nothing_missing_holds_nothing_back(self) -> None:
        self.assertEqual(held_back("buttons", AT), [])

    def test_the_shortest_strand_comes_first_in_rungs(self) -> None:
        short = held_back("buttons", {**AT, "pinch": Estimate(0.5, 0.4), "object_grasp": Estimate(3.0, 0.4)})
        self.assertEqual([(s.strand, s.rungs) for s in short], [("object_grasp", 3.0), ("pinch", 1.5)])

    def test_a_strand_without_an_estimate_says_nothing(self) -> None:
        self.assertEqual({s.strand for s in shortfalls(("buttons",), {"pinch": Estimate(1, 0.4)})}, {"pinch"})

    def test_targets_follow_the_gaps_and_are_never_the_daily_task_itself(self) -> None:
        low = {**AT, "fasteners": Estimate(0.0, 0.4), "pinch": Estimate(0.5, 0.4), "object_grasp": Estimate(3.0, 0.4)}
        self.assertEqual([a.target for a in suggested_aims(("buttons",), low)], ["grasp", "strength"])
        self.assertEqual(suggested_aims((), low), ())

    def test_what_holds_a_task_back_comes_before_what_was_begun_and_that_before_what_is_managed(self) -> None:
        one_short = {**AT, "pinch": Estimate(0.5, 0.4)}
        aims = suggested_aims(("buttons",), one_short, ("scissors", "strength"))
        self.assertEqual([a.target for a in aims], ["strength", "scissors"])
        self.assertEqual(
            aims[0].words, "“Do own buttons”: pinch strength is 1.5 rungs short, to pinch the button by its edge."
        )
        self.assertEqual(
            [a.target for a in suggested_aims(("buttons",), AT, ("scissors", "in_hand"))], ["scissors", "in_hand"]
        )

    def test_writing_is_practised_with_a_pen_and_never_with_dough(self) -> None:
        request = made_up_request(1000)
        request = replace(request, child=replace(request.child, wanted=("name",)), task="")
        tasks = {a.id: own_task(a, "writing", request) for a in ACTIVITIES.values() if "writing" in a.trains}
        self.assertEqual((tasks["rope_letters"], tasks["name_planks"]), ("", ""))
        self.assertEqual(tasks["stroke_by_stroke"], "name")

    def test_where_nothing_is_missing_the_task_itself_is_what_there_is_to_practise(self) -> None:
        aim, more = suggested_aims(("buttons",), AT)
        self.assertNotEqual(more.target, "daily")
        self.assertEqual(aim.target, "daily")
        self.assertEqual(aim.words, "“Do own buttons”: the skills it needs are there; practise the task itself.")
        self.assertEqual(aim.task, "buttons")


TODAY = date(2026, 3, 2)


class StandingsTest(TestCase):
    def ids(self, days_ago: int | None, *kinds: str, step_days_ago: int | None = None) -> tuple[str, ...]:
        on = TODAY - timedelta(days=days_ago or 0)
        step_on = on if step_days_ago is None else TODAY - timedelta(days=step_days_ago)
        latest = [
            Latest(strand, step_on, kind, WORDS[kind], "8 of 10")
            for strand, kind in zip(("cutting", "pinch", "hold"), kinds, strict=False)
        ]
        return tuple(s.id for s in statuses(None if days_ago is None else on, latest, TODAY))

    def test_never_seen_and_long_unseen_come_before_everything(self) -> None:
        self.assertEqual(self.ids(None, "up"), ("new",))
        self.assertEqual(self.ids(43, "up"), ("recheck",))
        self.assertEqual(self.ids(42, "up"), ("ready",))

    def test_a_child_may_be_set_back_stuck_and_ready_in_different_strands(self) -> None:
        self.assertEqual(self.ids(7, "up", "down", "change"), ("setback", "stuck", "ready"))
        self.assertEqual(self.ids(7, "hold"), ("steady",))

    def test_a_step_older_than_six_weeks_says_nothing_any_more(self) -> None:
        self.assertEqual(self.ids(3, "up", step_days_ago=50), ("steady",))

    def test_the_reason_names_the_newest_step_its_number_and_what_else_stands_so(self) -> None:
        latest = [
            Latest("pinch", TODAY - timedelta(days=9), "up", WORDS["up"], "18 of 20 alone"),
            Latest("cutting", TODAY, "fade", "Same grade, less help: on their own", "7 of 7 with spoken cue."),
        ]
        result = statuses(TODAY, latest, TODAY)
        self.assertEqual(
            result[0].words,
            "Cutting: same grade, less help: on their own. 7 of 7 with spoken cue. Also pinch strength.",
        )


class PracticeTest(TestCase):
    def test_every_task_has_an_activity_of_its_own(self) -> None:
        for task in WANTED_TASKS.values():
            self.assertTrue(has_practice(task, ACTIVITIES.values()), task.id)
            self.assertTrue([a.id for a in ACTIVITIES.values() if task.id in a.itself], task.id)

    def test_scissors_are_a_target_of_their_own_where_they_are_wanted(self) -> None:
        """Where only they are short, what else they need stands second: there may be no scissors in the house."""
        enough = {s: Estimate(9.0, 0.4) for s in STRANDS} | {"cutting": Estimate(4.0, 0.4)}
        aims = suggested_aims(("scissors",), enough)
        self.assertEqual([a.target for a in aims], ["scissors", "bilateral"])
        self.assertEqual(aims[0].words, "“Cut out what is asked at school”: cutting is 6.0 rungs short.")

    def test_who_cuts_a_circle_is_not_taught_to_open_the_blades(self) -> None:
        """A step that the rung proves is the child's own, whatever the order of teaching; a guess proves nothing."""
        for chaining, taught in (("backward", "turn the paper with the other hand"), ("forward", "cut along the line")):
            now = {"cutting": Estimate(5.0, 0.4, tries=40)}
            steps = chain("scissors", 0, chaining, proven_steps("scissors", now))  # type: ignore[arg-type]
            self.assertEqual([who for _, who in steps[:2]], ["alone", "alone"])
            self.assertEqual([words for words, who in steps if who == "taught"], [taught])
        self.assertEqual(proven_steps("scissors", {"cutting": Estimate(12.0, 0.4)}), frozenset())
        sure = proven_steps("scissors", {"cutting": Estimate(12.0, 0.4, tries=40)})
        self.assertEqual({who for _, who in chain("scissors", 0, "backward", sure)}, {"alone"})

    @slow
    def test_no_card_teaches_what_its_own_grade_takes_for_granted(self) -> None:
        child = Child(90, hand="right", wanted=("scissors",))
        request = request_for(child, everything(), 35, ("scissors",))
        seen = {**request.estimates, "cutting": Estimate(11.0, 0.4, tries=60)}
        for block in plan_session(replace(request, estimates=seen)).blocks:
            taught = [s.words for s in block.chain if s.who == "taught"]
            self.assertNotIn("open and close the blades", taught)
            self.assertNotIn("hold the scissors thumb up", taught)
