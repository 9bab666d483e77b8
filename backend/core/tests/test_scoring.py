"""From taps to sets, to the next step, to a line of words."""

from datetime import UTC, date, datetime, timedelta
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.ability import Estimate
from core.progression import decide, policy_for
from core.scoring import Event, EventError, checked_event, fold
from core.skills import STRANDS
from core.suggestions import table
from core.summary import Level, Point, movement
from testing.core_builders import set_of

BLOCKS = {"b0": "load_the_barge"}
START = datetime(2026, 3, 2, 9, 0, tzinfo=UTC)
DAY = date(2026, 3, 2)


def tap(number: int, kind: str = "try", second: int | None = None, **value: object) -> Event:
    if kind == "try":
        value = {"outcome": "success", "support": "alone", "grade": [1, 1, 0], "hand": "right", **value}
    return Event(f"e{number}", "b0", kind, START + timedelta(seconds=number if second is None else second), value)


LOG = [
    tap(0), tap(1), tap(2, outcome="miss"), tap(3, "drop"), tap(4, support="spoken"), tap(5, "mark", mark="tires"),
    tap(6, "undo", event="e1"), tap(7, "hold", seconds=4.5), tap(8, grade=[2, 1, 0]),
]  # fmt: skip


class FoldTest(TestCase):
    def test_counts_by_grade_and_help(self) -> None:
        sets = fold(LOG, BLOCKS, DAY)
        self.assertEqual([(s.grade, s.support, s.tries, s.successes) for s in sets],
                         [((1, 1, 0), "alone", 2, 1), ((1, 1, 0), "spoken", 1, 1), ((2, 1, 0), "alone", 1, 1)])  # fmt: skip
        self.assertEqual(sets[0].drops, 1)
        self.assertEqual(sets[1].best_hold_seconds, 4.5)
        self.assertEqual(dict(sets[1].marks), {"tires": 1})

    @settings(max_examples=50, deadline=None)
    @given(st.permutations(LOG), st.lists(st.sampled_from(LOG)))
    def test_order_and_repeats_change_nothing(self, shuffled: list[Event], again: list[Event]) -> None:
        self.assertEqual(fold([*shuffled, *again], BLOCKS, DAY), fold(LOG, BLOCKS, DAY))

    def test_pauses_are_not_work(self) -> None:
        events = [tap(0, second=0), tap(1, "pause", second=10), tap(2, "resume", second=70), tap(3, second=80)]
        self.assertEqual(fold(events, BLOCKS, DAY)[0].seconds, 20)

    def test_seconds_are_never_negative(self) -> None:
        self.assertEqual(fold([tap(0, second=5)], BLOCKS, DAY)[0].seconds, 0)

    def test_two_misses_at_the_start_are_noticed(self) -> None:
        events = [tap(0, outcome="miss"), tap(1, outcome="miss"), tap(2)]
        self.assertTrue(fold(events, BLOCKS, DAY)[0].first_two_missed)

    def test_events_that_can_not_be_counted_are_refused_at_the_field(self) -> None:
        for field, event in (
            ("kind", tap(0, "jump")),
            ("outcome", tap(0, outcome="maybe")),
            ("support", tap(0, support="magic")),
            ("grade", tap(0, grade=[99, 0, 0])),
            ("mark", tap(0, "mark", mark="none")),
            ("seconds", tap(0, "hold", seconds=-2)),
            ("event", tap(0, "undo")),
            ("block", Event("e", "b9", "drop", START, {})),
        ):
            with self.assertRaises(EventError) as no:
                checked_event(event, BLOCKS)
            self.assertEqual(no.exception.field, field)


class DecideTest(TestCase):
    def decide(self, *sets, today: date = DAY, **policy: object):
        return decide(sets, Estimate(3.0, 0.5), policy_for("hold_and_act", today, **policy))

    def test_eight_of_ten_alone_on_two_days_goes_up(self) -> None:
        decision = self.decide(set_of(DAY - timedelta(7), 10, 8), set_of(DAY, 10, 9))
        self.assertEqual(decision.kind, "up")
        self.assertIn("17 of 20 alone", decision.evidence[0].words)

    def test_one_lucky_set_holds_and_says_what_is_wanting(self) -> None:
        decision = self.decide(set_of(DAY, 10, 10))
        self.assertEqual(decision.kind, "hold")
        self.assertIn("another day", decision.would_change)

    def test_under_five_of_ten_goes_down(self) -> None:
        self.assertEqual(self.decide(set_of(DAY, 10, 4)).kind, "down")

    def test_two_misses_at_the_start_go_down_unless_made_good(self) -> None:
        self.assertEqual(self.decide(set_of(DAY, 8, 5, first_two_missed=True)).kind, "down")
        self.assertNotEqual(self.decide(set_of(DAY, 10, 8, first_two_missed=True)).kind, "down")

    def test_success_with_help_fades_the_help_first(self) -> None:
        sets = (set_of(DAY - timedelta(7), 10, 9), set_of(DAY, 4, 4), set_of(DAY, 8, 8, "touch"))
        self.assertEqual(self.decide(*sets).kind, "fade")
        self.assertIn("shown once", self.decide(*sets).words)

    def test_policy_may_put_harder_before_less_help(self) -> None:
        sets = (set_of(DAY - timedelta(7), 10, 9), set_of(DAY, 4, 4), set_of(DAY, 8, 8, "touch"))
        self.assertEqual(self.decide(*sets, fade_first=False).kind, "up")

    def test_help_alone_never_goes_up(self) -> None:
        sets = [set_of(DAY - timedelta(7 * w), 10, 10, "steadied") for w in range(3)]
        self.assertEqual(self.decide(*sets).kind, "fade")

    def test_four_sessions_without_a_gain_change_the_activity(self) -> None:
        sets = [set_of(DAY - timedelta(7 * w), 10, 6) for w in range(5)]
        self.assertEqual(self.decide(*sets).kind, "change")

    def test_three_activities_without_a_gain_look_lower(self) -> None:
        families = (("load_the_barge", (1, 1, 0)), ("harbour_lights", (0, 0, 0)), ("lock_tower", (0, 1)))
        sets = [set_of(DAY - timedelta(7 * w), 10, 6, family=families[w % 3][0], grade=families[w % 3][1]) for w in range(5)]
        self.assertEqual(self.decide(*sets).kind, "lower")

    def test_old_evidence_is_checked_again(self) -> None:
        self.assertEqual(self.decide(set_of(DAY - timedelta(50), 10, 9)).kind, "recheck")
        self.assertEqual(self.decide().kind, "recheck")

    def test_catching_wants_ten_in_a_row(self) -> None:
        throws = [set_of(DAY - timedelta(7 * d), 10, 9, family="bag_over", grade=(1, 1, 0), longest_row=7) for d in range(2)]
        policy = policy_for("toss_catch", DAY)
        self.assertEqual(decide(throws, Estimate(2, 0.5), policy).kind, "hold")
        perfect = [set_of(t.on, 10, 10, family="bag_over", grade=(1, 1, 0), longest_row=10) for t in throws]
        self.assertEqual(decide(perfect, Estimate(2, 0.5), policy).kind, "up")


class SuggestionTest(TestCase):
    def say(self, tries: int, won: int, helped: bool = False, count: int = 8):
        return next((s.kind for s in table(count) if (s.tries, s.successes, s.helped) == (tries, won, helped)), None)

    def test_two_misses_step_down(self) -> None:
        self.assertEqual(self.say(2, 0), "down")

    def test_a_full_set_alone_goes_up(self) -> None:
        self.assertEqual(self.say(8, 8), "up")

    def test_good_with_help_fades(self) -> None:
        self.assertEqual(self.say(5, 5, helped=True), "fade")

    def test_in_the_zone_it_stays_quiet(self) -> None:
        self.assertIsNone(self.say(5, 4))


class MovementTest(TestCase):
    def line(self, *means: float):
        points = [Point(DAY + timedelta(7 * i), m, 0.4) for i, m in enumerate(means)]
        return movement(STRANDS["cutting"], points, [Level(p.on, p.mean) for p in points])

    def test_three_sessions_are_too_few_to_say(self) -> None:
        self.assertEqual(self.line(3, 4, 5).kind, "too_few")

    def test_a_clear_rise_is_said_with_the_rung_reached(self) -> None:
        moved = self.line(3, 3.6, 4.1, 4.5, 5.1)
        self.assertEqual(moved.kind, "up")
        self.assertIn("2.1 rungs in 4 weeks", moved.words)
        self.assertIn("straight line within 12 mm", moved.words)

    def test_a_change_inside_the_doubt_is_no_move(self) -> None:
        self.assertEqual(self.line(3, 3.2, 2.9, 3.1, 3.2).kind, "steady")

    def test_going_back_is_said(self) -> None:
        self.assertEqual(self.line(5, 4.6, 4.2, 3.9, 3.5).kind, "down")
