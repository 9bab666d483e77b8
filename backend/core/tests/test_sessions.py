"""What a good session holds, over many made-up children: dose, the wanted task, movement, tidying, guises.

Numbers of dose: common practice, no source. The rest: project definitions after common practice.
"""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

from core.ability import Estimate, SetEvidence, TaskSeen, chain, standing, update
from core.child import Child, overlay_for
from core.library import ACTIVITIES
from core.library.work import WORK
from core.offers import UsableCupboard, Variant, difficulty, loads_hands, try_seconds, variants_of
from core.planner import Pace, PlannedBlock, plan_session, stand
from core.planner.candidates import all_candidates
from core.planner.candidates.suitability import own_task
from core.planner.request.dose import dose_of
from core.running import paces
from core.skills import STRANDS, WANTED_TASKS
from testing.cases import cases
from testing.core_builders import everything, full_house, made_up_request, request_for, set_of
from testing.tags import slow

FIVE = Child(64, hand="right", wanted=("buttons", "name"), likes=frozenset({"boats"}), attention_minutes=30)
LEAST_RATE = 3.0  # tries a minute of one-piece moves, rests included


class MadeUpSessionsTest(TestCase):
    """Three in ten of the bench's made-up children; all of them stand in ./pollicor bench sessions."""

    @classmethod
    def setUpClass(cls) -> None:
        every = (made_up_request(seed) for seed in range(1000, 1090))
        cls.made = [(r, p) for r in every if (p := plan_session(r)).status != "infeasible"]

    @slow
    def test_one_piece_moves_give_three_tries_a_minute(self) -> None:
        for _, plan in self.made:
            for b in plan.blocks:
                if ACTIVITIES[b.activity_id].work == "piece":
                    self.assertGreaterEqual(b.tries / b.minutes, LEAST_RATE, b.name)

    @slow
    def test_where_the_wanted_task_has_an_offer_the_daily_block_is_it(self) -> None:
        there = 0
        for request, plan in self.made:
            itself = any(c.task for c in all_candidates(request) if c.part == "daily")
            for b in plan.blocks:
                if b.part == "daily" and itself:
                    there += 1
                    self.assertTrue(own_task(ACTIVITIES[b.activity_id], b.strand, request), b.name)
                    self.assertEqual(b.task, own_task(ACTIVITIES[b.activity_id], b.strand, request))
        self.assertGreater(there, 30)

    @slow
    def test_tidying_brings_nothing_new(self) -> None:
        for _, plan in self.made:
            out = {q.stock_id for b in plan.blocks if b.part != "tidy" for q in b.quantities}
            for b in plan.blocks:
                if b.part == "tidy":
                    self.assertLessEqual({q.stock_id for q in b.quantities}, out, b.name)

    @slow
    def test_the_young_are_on_their_feet_wherever_this_home_lets_them(self) -> None:
        for request, plan in self.made:
            could = any(c.activity.moves for c in all_candidates(request))
            said = "No room for a block on the feet in" in " ".join(plan.notes)
            if request.child.needs_to_move and request.minutes >= 20 and could and not said:
                self.assertTrue(any(ACTIVITIES[b.activity_id].moves for b in plan.blocks))

    @slow
    def test_no_guise_of_a_younger_child(self) -> None:
        for request, plan in self.made:
            for b in plan.blocks:
                youngest, oldest = ACTIVITIES[b.activity_id].ages(b.variant.grade)
                self.assertTrue(youngest <= request.child.age_months < oldest, (b.name, b.grade_words))


class CasesTest(TestCase):
    @slow
    def test_each_case_holds_what_its_reading_says(self) -> None:
        read = cases()
        self.assertGreaterEqual(len(read), 12)
        for case in read:
            plan = plan_session(case.request)
            with self.subTest(case=case.name):
                self.assertEqual(plan.status, "optimal")
                daily = next(b for b in plan.blocks if b.part == "daily")
                self.assertEqual(daily.task, case.expect["ends_on"])
                moving = sum(ACTIVITIES[b.activity_id].moves for b in plan.blocks)
                self.assertGreaterEqual(moving, case.expect.get("moves", 0))
                kept = {b.activity_id for b in plan.blocks} & set(case.expect.get("keeps", ()))
                self.assertEqual(len(kept), len(case.expect.get("keeps", ())))
                both = sum(
                    STRANDS[b.strand].target == "bilateral" or ACTIVITIES[b.activity_id].both_hands for b in plan.blocks
                )
                self.assertGreaterEqual(both, case.expect.get("assists", 0))


class DoseTest(TestCase):
    def dose(self, pace: dict[str, Pace] | None = None, activity_id: str = "letter_box", **more: object):
        activity = ACTIVITIES[activity_id]
        offer = next(o for o in full_house(FIVE).offers([activity]))
        return offer, dose_of(activity, offer, pace or {}, (4, 12), **more)

    def test_a_set_is_its_tries_and_its_rest(self) -> None:
        offer, dose = self.dose()
        self.assertEqual(dose.set_seconds, offer.count * 4 + min(offer.count, WORK["piece"].rest))
        self.assertEqual(dose.steps(2), -(-2 * dose.set_seconds // 30))
        self.assertEqual(dose.work_tenths(3), round(3 * offer.count * 4 / 6))
        self.assertLessEqual(dose.steps(dose.most), 12 * 2)
        self.assertGreaterEqual(dose.steps(dose.least), 4 * 2)

    def test_a_child_s_own_clock_is_believed_more_the_more_it_has_seen(self) -> None:
        usual = self.dose()[1].seconds
        few, many = (self.dose({"letter_box": Pace(2.0, n)})[1].seconds for n in (2, 200))
        self.assertLess(usual, few)
        self.assertLess(few, many)
        self.assertAlmostEqual(many, 2 * usual, delta=0.15 * usual)
        self.assertAlmostEqual(self.dose({"letter_box": Pace(2.0, 20)})[1].seconds, usual * 2**0.5)

    def test_hands_to_be_spared_do_half_the_sets_and_rest_longer(self) -> None:
        _, usual = self.dose()
        _, sparing = self.dose(sparing=True)
        self.assertLess(sparing.most, usual.most)
        _, loaded = self.dose(activity_id="clay_quarry")
        _, spared = self.dose(activity_id="clay_quarry", sparing=True)
        self.assertLess(loaded.rest, spared.rest)
        self.assertGreaterEqual(spared.rest, 30)

    def test_only_a_load_is_rested_from_and_less_after_few_tries(self) -> None:
        offer, light = self.dose()
        self.assertEqual(light.rest, offer.count)  # the pieces go back, a second each
        offer, loaded = self.dose(activity_id="clay_quarry")
        self.assertEqual(loaded.rest, max(15, 30 * min(1, offer.count / 6)))

    def test_what_takes_longer_than_a_block_is_not_planned_as_one(self) -> None:
        page = ACTIVITIES["page_a_day"]
        offers = {o.variant.grade[0]: o for o in full_house(Child(100, hand="right")).offers([page])}
        fits = {at: dose_of(page, o, {}, (4, 12)).fits for at, o in offers.items()}
        self.assertTrue(fits[1])  # five minutes
        self.assertFalse(fits[4])  # twenty

    @slow
    def test_only_work_that_loads_the_joints_is_spared(self) -> None:
        """A rest of half a minute after three scarves is for nobody."""
        for precaution in ("joint_laxity", "pain"):
            child = replace(FIVE, precautions=frozenset({precaution}))
            rests: dict[bool, set[float]] = {True: set(), False: set()}
            for c in all_candidates(request_for(child, everything())):
                loads = loads_hands(c.activity, c.offer.variant.grade)
                rests[loads].add(c.dose.rest)
            self.assertLess(max(rests[False]), 30, precaution)
            self.assertEqual(bool(rests[True]), precaution == "joint_laxity", "pain bars what loads")
            self.assertGreaterEqual(min(rests[True], default=30), 30)

    def test_the_minutes_and_the_paper_follow_the_sets(self) -> None:
        request = request_for(FIVE, everything())
        one, three = (stand(request, PlannedBlock("main", Variant("sail_fold", (0, 0)), n)) for n in (1, 3))
        self.assertGreater(three.minutes, one.minutes)
        self.assertAlmostEqual(three.work_minutes, 3 * one.work_minutes, delta=0.11)
        self.assertEqual(three.tries, 3 * one.tries)

    def test_a_step_may_say_what_a_try_takes(self) -> None:
        request = request_for(FIVE, everything())
        short, long = variants_of(ACTIVITIES["statue_grip"])[0], variants_of(ACTIVITIES["statue_grip"])[-1]
        seconds = [stand(request, PlannedBlock("main", v, 1)).seconds_a_try for v in (short, long)]
        self.assertEqual(seconds, [5, 24])


class WantedTaskTest(TestCase):
    def test_about_thirty_tasks_each_a_chain_of_possible_steps(self) -> None:
        self.assertGreaterEqual(len(WANTED_TASKS), 30)
        for task in WANTED_TASKS.values():
            self.assertGreaterEqual(len(task.steps), 2, task.id)
            self.assertTrue(task.demands and task.at_home, task.id)
            for strand, rung in task.demands.items():
                self.assertTrue(1 <= rung <= STRANDS[strand].top, (task.id, strand))
        for activity in ACTIVITIES.values():
            if activity.itself:
                self.assertTrue({"main", "daily"} & set(activity.parts), activity.id)

    def test_backward_forward_and_whole(self) -> None:
        steps = len(WANTED_TASKS["zip"].steps)
        who = {way: [w for _, w in chain("zip", 2, way)] for way in ("backward", "forward", "whole")}
        self.assertEqual(who["backward"], ["adult"] * (steps - 3) + ["taught", "alone", "alone"])
        self.assertEqual(who["forward"], ["alone", "alone", "taught"] + ["adult"] * (steps - 3))
        self.assertEqual(who["whole"], ["alone", "alone"] + ["taught"] * (steps - 2))
        self.assertEqual({w for _, w in chain("zip", steps, "backward")}, {"alone"})

    def test_managed_wants_two_places_and_two_weeks(self) -> None:
        steps, first = len(WANTED_TASKS["zip"].steps), date(2026, 3, 2)
        home = TaskSeen("zip", first, steps, "home", "family")
        soon = TaskSeen("zip", first + timedelta(days=5), steps, "school", "school", unasked=True)
        later = replace(soon, on=first + timedelta(days=14))
        for seen, managed in (
            ([home], False),
            ([home, soon], False),
            ([home, replace(later, place="home")], False),
            ([home, later], True),
            ([later, home], True),
            ([home, later, TaskSeen("zip", first + timedelta(days=30), steps - 1, "home")], False),
        ):
            self.assertEqual(standing("zip", seen).managed, managed, seen)
        self.assertIn("still wanted: a second place and two weeks", standing("zip", [home]).words)

    def test_a_knife_is_not_yet_the_spoon(self) -> None:
        for task, itself in (("spoon", False), ("cutlery", True)):
            request = request_for(replace(FIVE, wanted=(task,)), everything())
            self.assertEqual(own_task(ACTIVITIES["butter_the_bread"], "cutlery", request) == task, itself)
            self.assertEqual(own_task(ACTIVITIES["soup_kitchen"], "cutlery", request), task)

    def test_a_component_says_what_it_is_for(self) -> None:
        request = request_for(replace(FIVE, wanted=("zip",)), everything(), targets=("strength",))
        weak = replace(request, estimates={**request.estimates, "key_pinch": Estimate(0.6, 0.4)})
        block = stand(weak, PlannedBlock("main", variants_of(ACTIVITIES["thumb_post"])[0], 2))
        self.assertEqual(block.task, "zip")
        self.assertEqual(
            block.serves,
            "Key pinch, because “Do own zip” needs more of it to hold the tag between thumb and the side of the finger",
        )


class WaysTest(TestCase):
    @slow
    def test_who_needs_sameness_keeps_what_is_known_and_everybody_else_gets_variety(self) -> None:
        first = plan_session(request_for(FIVE, everything(), minutes=30))
        recent = {b.activity_id: 0 for b in first.blocks}
        shared = {}
        for policy in ("new_guises", "keep_same"):
            child = replace(FIVE, sameness_policy=policy)
            again = plan_session(request_for(child, everything(), minutes=30, recent=recent))
            shared[policy] = len({b.activity_id for b in again.blocks} & set(recent))
        self.assertGreater(shared["keep_same"], shared["new_guises"])

    @slow
    def test_low_tone_warms_up_with_the_whole_body(self) -> None:
        child = replace(FIVE, precautions=frozenset({"low_tone"}))
        plan = plan_session(request_for(child, everything(), minutes=40))
        warm = next(b for b in plan.blocks if b.part == "warm-up")
        self.assertEqual(ACTIVITIES[warm.activity_id].work, "weight")
        self.assertGreaterEqual(sum(ACTIVITIES[b.activity_id].moves for b in plan.blocks), 2)

    def test_a_pattern_waits_until_the_activity_is_known(self) -> None:
        child = Child(80, hand="right", wanted=("laces",))
        request = request_for(child, everything(), targets=("bilateral",))

        def patterned(request) -> bool:
            return any(c.offer.variant.grade[0] for c in all_candidates(request) if c.activity.id == "signal_string")

        axis = next(i for i, a in enumerate(ACTIVITIES["signal_string"].axes) if a.id == "pattern")
        self.assertEqual(axis, 0)
        self.assertFalse(patterned(request))
        strand = ACTIVITIES["signal_string"].strand
        asked = difficulty(Variant("signal_string", (1, *(0 for _ in ACTIVITIES["signal_string"].axes[1:]))))[strand]
        known = update(Estimate(asked, 0.5), [SetEvidence("signal_string", asked, 10, 8)], date(2026, 3, 2))
        self.assertTrue(patterned(replace(request, estimates={**request.estimates, strand: known})))

    def test_who_writes_words_draws_no_free_marks(self) -> None:
        ten = Child(122, hand="right", wanted=("page",))
        request = request_for(ten, everything(), targets=("grasp", "daily"))
        trained = [c for c in all_candidates(request) if "writing" in c.activity.trains]
        writing = {c.offer.variant: c.offer.rungs["writing"] for c in trained}
        self.assertGreater(min(writing.values()), request.estimates["writing"].mean - 2.5)

    @slow
    def test_overlays_take_turns_and_are_never_scored(self) -> None:
        self.assertEqual(overlay_for((), 0), "")
        words = [overlay_for(("count", "sides"), place) for place in range(3)]
        self.assertEqual(words[0], words[2])
        self.assertNotEqual(words[0], words[1])
        child = replace(FIVE, overlays=frozenset({"count"}))
        with_it, without = (plan_session(request_for(c, everything())) for c in (child, FIVE))
        self.assertEqual(with_it.well_spent, without.well_spent)
        self.assertTrue(all(b.overlay for b in with_it.blocks))


class TidyTest(TestCase):
    @slow
    def test_a_locked_tidying_is_the_only_one(self) -> None:
        lock = PlannedBlock("tidy", variants_of(ACTIVITIES["sock_twins"])[0], 1)
        plan = plan_session(request_for(FIVE, everything(), minutes=30, locked=(lock,)))
        self.assertEqual([b.activity_id for b in plan.blocks if b.part == "tidy"], ["sock_twins"])

    @slow
    def test_it_tidies_what_is_out(self) -> None:
        stock = {
            k: n
            for k, n in everything().items()
            if k in {"counter", "wide_bowl", "dish_cloth", "playing_cards", "pencil", "table_tray"}
        }
        child = replace(FIVE, wanted=())
        plan = plan_session(request_for(child, stock, minutes=30, targets=("in_hand",)))
        cupboard = UsableCupboard(request_for(child, stock).stock, child, request_for(child, stock).setting)
        tidy = next((b for b in plan.blocks if b.part == "tidy"), None)
        self.assertIsNotNone(tidy, [b.name for b in plan.blocks])
        self.assertTrue(cupboard.offer(tidy.variant))


class ClockTest(TestCase):
    def test_taps_faster_than_a_hand_works_teach_no_pace(self) -> None:
        """Eight tries tapped in a second after the set: counted first, tapped in afterwards."""
        on = date(2026, 3, 2)
        usual = try_seconds(ACTIVITIES["load_the_barge"], (1, 1, 0))
        slow, hurried = (set_of(on, 8, 6, gap_seconds=g) for g in (usual * 1.5, 0.1))
        line = ACTIVITIES["load_the_barge"].line
        self.assertEqual(paces([hurried]), {})
        self.assertAlmostEqual(paces([slow, hurried, hurried])[line].ratio, 1.5)
