"""The next step: what is proposed after which sets, and whose hand's turn it is."""

from dataclasses import replace
from datetime import date, timedelta
from typing import Any
from unittest import TestCase

from core.ability import Estimate
from core.offers import Variant
from core.progress import decide, next_hand, policy_for
from core.progress.step_basis import article
from testing.core_builders import believed, set_of

DAY = date(2026, 3, 2)


class DecideTest(TestCase):
    """The belief is worked out from the sets themselves, from a first guess at the grade's own rung."""

    def decide(self, *sets, today: date = DAY, **policy: object):
        return decide(sets, believed(sets, "hold_and_act"), policy_for("hold_and_act", today, **policy))

    def test_eight_of_ten_alone_on_two_days_goes_up(self) -> None:
        decision = self.decide(set_of(DAY - timedelta(7), 10, 8), set_of(DAY, 10, 9))
        self.assertEqual(decision.kind, "up")
        self.assertIn("17 of 20 alone", decision.evidence[0].words)

    def test_one_lucky_set_holds_and_says_what_is_wanting(self) -> None:
        decision = self.decide(set_of(DAY, 10, 10))
        self.assertEqual(decision.kind, "hold")
        self.assertIn("another day", decision.would_change)

    def test_sets_lost_go_down(self) -> None:
        decision = self.decide(set_of(DAY - timedelta(7), 10, 4), set_of(DAY, 10, 3))
        self.assertEqual(decision.kind, "down")
        self.assertIn("3 of 10 last time", decision.evidence[0].words)

    def test_one_bad_day_after_many_good_ones_does_not_go_down(self) -> None:
        good = [set_of(DAY - timedelta(7 * w), 10, 9) for w in range(1, 6)]
        self.assertNotEqual(self.decide(*good, set_of(DAY, 8, 4)).kind, "down")

    def test_two_misses_at_the_start_that_are_made_good_do_not_go_down(self) -> None:
        self.assertNotEqual(self.decide(set_of(DAY, 8, 6)).kind, "down")

    def test_misses_at_a_harder_grade_do_not_count_against_this_one(self) -> None:
        here = [set_of(DAY - timedelta(7 * w), 16, 14) for w in (0, 2)]
        asked = here[0].difficulty["hold_and_act"] + 1
        harder = set_of(DAY - timedelta(7), 8, 0, asked={"hold_and_act": asked})
        self.assertEqual(self.decide(*here).kind, "up")
        self.assertIn("28 of 32 alone", self.decide(*here, harder).evidence[0].words)

    def test_hand_over_hand_neither_sets_the_level_nor_counts_as_managed(self) -> None:
        led = set_of(DAY, 8, 8, "hand_over_hand", grade=(2, 2, 1))
        lost = [set_of(DAY - timedelta(7), 8, 1), set_of(DAY, 8, 0)]
        self.assertEqual(self.decide(*lost, led).kind, "down")
        won = [set_of(DAY - timedelta(7), 10, 10), set_of(DAY, 10, 10)]
        self.assertEqual(self.decide(*won, led).kind, "up")
        self.assertEqual(self.decide(led).kind, "recheck")

    def test_a_belief_that_knows_better_steps_up_where_counts_alone_would_wait(self) -> None:
        """7 of 8 and 7 of 9 are under 8 in 10 together with a miss more; a child known to be far above goes on."""
        sets = [set_of(DAY - timedelta(7), 8, 7), set_of(DAY, 9, 7)]
        sure = believed(sets, "hold_and_act", Estimate(5.5, 0.4))
        self.assertEqual(decide(sets, sure, policy_for("hold_and_act", DAY)).kind, "up")

    def test_the_words_say_counts_and_belief(self) -> None:
        words = " ".join(e.words for e in self.decide(set_of(DAY - timedelta(7), 10, 8), set_of(DAY, 10, 9)).evidence)
        self.assertRegex(words, r"17 of 20 alone.*on 2 days.*of 10 expected alone.*chance of truly managing")

    def test_success_with_help_fades_the_help_first(self) -> None:
        sets = (set_of(DAY - timedelta(7), 10, 9), set_of(DAY, 4, 4), set_of(DAY, 8, 8, "touch"))
        self.assertEqual(self.decide(*sets).kind, "fade")
        self.assertIn("shown once", self.decide(*sets).words)

    def test_policy_may_put_harder_before_less_help(self) -> None:
        sets = (set_of(DAY - timedelta(7), 10, 9), set_of(DAY, 4, 4), set_of(DAY, 8, 8, "touch", help_first=True))
        self.assertEqual(self.decide(*sets, fade_first=False).kind, "up")

    def test_help_alone_never_goes_up(self) -> None:
        sets = [set_of(DAY - timedelta(7 * w), 10, 10, "steadied") for w in range(3)]
        self.assertEqual(self.decide(*sets).kind, "fade")

    def test_four_sessions_without_a_gain_change_the_activity(self) -> None:
        sets = [set_of(DAY - timedelta(7 * w), 10, 7) for w in range(5)]
        self.assertEqual(self.decide(*sets).kind, "change")

    def test_days_long_past_and_sets_well_managed_are_no_stall(self) -> None:
        old = [set_of(DAY - timedelta(500 + d), 10, 7) for d in range(3)]
        self.assertEqual(self.decide(*old, set_of(DAY, 10, 7)).kind, "hold")
        few = [set_of(DAY - timedelta(7 * w), 2, 2) for w in range(4)]
        self.assertNotEqual(self.decide(*few).kind, "change")

    def test_three_activities_without_a_gain_look_lower(self) -> None:
        activities = (("load_the_barge", (1, 1, 0)), ("scoop_dock", (1, 1)), ("lock_tower", (0, 1)))
        sets = [
            set_of(DAY - timedelta(7 * w), 10, 7, activity_id=activities[w % 3][0], grade=activities[w % 3][1])
            for w in range(5)
        ]
        self.assertEqual(self.decide(*sets).kind, "lower")

    def test_old_evidence_is_checked_again(self) -> None:
        self.assertEqual(self.decide(set_of(DAY - timedelta(50), 10, 9)).kind, "recheck")
        self.assertEqual(self.decide().kind, "recheck")

    def test_catching_wants_ten_in_a_row(self) -> None:
        throws = [
            set_of(DAY - timedelta(7 * d), 10, 9, activity_id="bag_over", grade=(1, 1, 0), longest_row=7)
            for d in range(2)
        ]
        policy = policy_for("toss_catch", DAY)
        self.assertEqual(decide(throws, believed(throws, "toss_catch"), policy).kind, "hold")
        perfect = [set_of(t.on, 10, 10, activity_id="bag_over", grade=(1, 1, 0), longest_row=10) for t in throws]
        self.assertEqual(decide(perfect, believed(perfect, "toss_catch"), policy).kind, "up")


class OtherHandTest(TestCase):
    """Common practice, no source: strength and transfer are trained with the other hand on purpose."""

    squeeze = {"grade": (0, 0, 0), "activity_id": "peg_fence"}

    def decide(self, *sets: Any, hand: str = "right") -> Any:
        return decide(sets, believed(sets, "pinch", preferred=hand), policy_for("pinch", DAY, hand=hand))

    def ready(self, hand: str = "right") -> list:
        return [replace(set_of(day, 10, 9, **self.squeeze), hand=hand) for day in (DAY - timedelta(7), DAY)]

    def test_one_hand_ready_swaps_before_harder(self) -> None:
        decision = self.decide(*self.ready())
        self.assertEqual(decision.kind, "swap")
        self.assertIn("left hand not tried", decision.evidence[1].words)
        self.assertIn("left", decision.words)

    def test_both_hands_ready_go_up(self) -> None:
        self.assertEqual(self.decide(*self.ready(), *self.ready("left")).kind, "up")

    def test_an_unsettled_hand_or_a_tool_strand_never_swaps(self) -> None:
        self.assertEqual(self.decide(*self.ready(), hand="not_settled").kind, "up")
        self.assertEqual(policy_for("cutting", DAY, hand="right").preferred, "")

    def test_the_next_run_starts_with_the_hand_whose_turn_it_is(self) -> None:
        self.assertEqual(next_hand(self.ready(), "pinch", "right", DAY), "left")
        self.assertEqual(next_hand([*self.ready(), *self.ready("left")], "pinch", "right", DAY), "right")
        self.assertEqual(next_hand([], "pinch", "right", DAY, Variant("peg_fence", (0, 0, 1))), "left")
        self.assertEqual(next_hand(self.ready(), "pinch", "not_settled", DAY), "not_settled")


class ArticleTest(TestCase):
    def test_a_number_has_the_article_it_is_said_with(self) -> None:
        said = {n: article(n) for n in (8, 11, 18, 63, 80, 89, 90, 95, 100)}
        self.assertEqual([n for n, word in said.items() if word == "an"], [8, 11, 18, 80, 89])
