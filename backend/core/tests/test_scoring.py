"""From taps to sets, to the next step, to a line of words."""

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.ability import Estimate, SetEvidence
from core.progress import decide, policy_for
from core.running import Event, EventError, Ladder, fold, read_event, step_today, table
from testing.core_builders import believed, set_of
from testing.tags import slow

BLOCKS = {"b0": "load_the_barge"}
START = datetime(2026, 3, 2, 9, 0, tzinfo=UTC)
DAY = date(2026, 3, 2)


def plain(
    number: int, kind: str = "try", second: int | None = None, block: str = "b0", **value: object
) -> dict[str, object]:
    """A tap as it comes in."""
    if kind == "try":
        value = {"outcome": "success", "support": "alone", "grade": [1, 1, 0], "hand": "right", **value}
    at = START + timedelta(seconds=number if second is None else second)
    return {"id": f"e{number}", "block": block, "kind": kind, "at": at, "value": value}


def tap(number: int, kind: str = "try", second: int | None = None, **value: object) -> Event:
    """A tap as it is counted."""
    return read_event(plain(number, kind, second, **value), BLOCKS)


LOG = [
    tap(0),
    tap(1),
    tap(2, outcome="miss"),
    tap(3, "drop"),
    tap(4, support="spoken"),
    tap(5, "mark", mark="tires"),
    tap(6, "undo", event="e1"),
    tap(7, "hold", seconds=4.5),
    tap(8, grade=[2, 1, 0]),
]


class FoldTest(TestCase):
    def test_counts_by_grade_and_help(self) -> None:
        sets = fold(LOG, BLOCKS, DAY)
        self.assertEqual(
            [(s.grade, s.support, s.tries, s.successes) for s in sets],
            [((1, 1, 0), "alone", 2, 1), ((1, 1, 0), "spoken", 1, 1), ((2, 1, 0), "alone", 1, 1)],
        )
        self.assertEqual(sets[0].drops, 1)
        self.assertEqual(sets[1].best_hold_seconds, 4.5)
        self.assertEqual(dict(sets[1].marks), {"tires": 1})

    def test_a_try_with_another_grip_is_no_success_and_is_told_apart_from_a_miss(self) -> None:
        sets = fold([tap(0), tap(1, outcome="miss", other_grip=True), tap(2, outcome="miss")], BLOCKS, DAY)
        self.assertEqual([(s.tries, s.successes, dict(s.marks)) for s in sets], [(3, 1, {"other_grip": 1})])
        undone = fold([tap(0), tap(1, outcome="miss", other_grip=True), tap(2, "undo", event="e1")], BLOCKS, DAY)
        self.assertEqual([(s.tries, dict(s.marks)) for s in undone], [(1, {})])
        with self.assertRaises(EventError):
            tap(1, outcome="miss", other_grip="yes")

    @settings(max_examples=50, deadline=None)
    @given(st.permutations(LOG), st.lists(st.sampled_from(LOG)))
    def test_order_and_repeats_change_nothing(self, shuffled: list[Event], again: list[Event]) -> None:
        self.assertEqual(fold([*shuffled, *again], BLOCKS, DAY), fold(LOG, BLOCKS, DAY))

    def test_pauses_are_not_work(self) -> None:
        events = [tap(0, second=0), tap(1, "pause", second=10), tap(2, "resume", second=70), tap(3, second=80)]
        self.assertEqual(fold(events, BLOCKS, DAY)[0].seconds, 20)

    def test_seconds_are_never_negative(self) -> None:
        self.assertEqual(fold([tap(0, second=5)], BLOCKS, DAY)[0].seconds, 0)

    def test_events_that_can_not_be_counted_are_refused_at_the_field(self) -> None:
        for field, event in (
            ("kind", plain(0, "jump")),
            ("outcome", plain(0, outcome="maybe")),
            ("support", plain(0, support="magic")),
            ("support", plain(0, support=[])),
            ("grade", plain(0, grade=[99, 0, 0])),
            ("mark", plain(0, "mark", mark="none")),
            ("mark", plain(0, "mark", mark={})),
            ("seconds", plain(0, "hold", seconds=-2)),
            ("seconds", plain(0, "hold", seconds=float("nan"))),
            ("event", plain(0, "undo")),
            ("text", plain(0, "note", text="half an emoji \ud83d")),
            ("text", plain(0, "note", text="nothing \0 here")),
            ("block", plain(0, "drop", block="b9")),
            ("block", plain(0, "drop", block="b" * 9)),
            ("at", {**plain(0, "drop"), "at": datetime.fromisoformat("0001-01-01T00:00:00+14:00")}),
            ("at", {**plain(0, "drop"), "at": datetime.fromisoformat("9999-12-31T23:59:59-14:00")}),
            ("at", {**plain(0, "drop"), "at": "yesterday"}),
        ):
            with self.subTest(field=field, event=event), self.assertRaises(EventError) as context:
                read_event(event, BLOCKS)
            self.assertEqual(context.exception.field, field)


class HelpTest(TestCase):
    """What a tap of help or of "not yet" says of what the child does alone."""

    STRAND = "hold_and_act"

    def helped(self, help_first: bool | None, miss_support: str = "alone") -> list[Event]:
        more = {} if help_first is None else {"help_first": help_first}
        won = [tap(i, support="spoken", **more) for i in range(6)]
        return [*won, *(tap(i, outcome="miss", support=miss_support, **more) for i in range(6, 9))]

    def test_help_after_a_failed_try_leaves_a_failure_alone(self) -> None:
        sets = fold(self.helped(False), BLOCKS, DAY)
        evidence = [s.evidence(self.STRAND) for s in sets]
        self.assertEqual([(e.support, e.tries, e.successes) for e in evidence], [("alone", 6, 0), ("alone", 3, 0)])
        self.assertEqual([(s.alone_tries, s.alone_successes) for s in sets], [(6, 0), (3, 0)])

    def test_help_from_the_start_stays_on_what_is_missed(self) -> None:
        sets = fold(self.helped(True, "spoken"), BLOCKS, DAY)
        self.assertEqual([(s.support, s.tries, s.successes, s.alone_tries) for s in sets], [("spoken", 9, 6, 0)])
        self.assertEqual(sets[0].evidence(self.STRAND).support, "spoken")

    def test_help_from_the_start_fades_when_less_of_it_is_likely_to_do(self) -> None:
        sets = [set_of(DAY - timedelta(7 * w), 10, 9, "steadied", help_first=True) for w in range(3)]
        rung = sets[0].difficulty[self.STRAND]
        for level, kind in ((rung - 0.2, "fade"), (rung - 2.0, "hold")):
            belief = Estimate(level, 0.3)
            self.assertEqual(decide(sets, belief, policy_for(self.STRAND, DAY)).kind, kind, level)

    def test_runs_from_before_are_read_by_the_childs_policy(self) -> None:
        least = fold(self.helped(None), BLOCKS, DAY, "least_first")
        most = fold(self.helped(None), BLOCKS, DAY, "most_first")
        self.assertEqual([s.alone_tries for s in least], [6, 3])
        self.assertEqual([(s.support, s.tries, s.successes) for s in most], [("spoken", 9, 6)])

    def test_hand_over_hand_says_nothing(self) -> None:
        done = fold([tap(0, support="hand_over_hand", help_first=False)], BLOCKS, DAY)[0]
        self.assertEqual((done.alone_tries, done.evidence(self.STRAND).support), (0, "hand_over_hand"))

    def test_help_is_faded_only_where_it_mostly_does(self) -> None:
        for misses, kind in ((1, "fade"), (5, "down")):
            sets = [set_of(DAY, 6, 6, "spoken"), set_of(DAY, misses, 0)]
            belief = believed(sets, self.STRAND, Estimate(2.5, 0.5))
            self.assertEqual(decide(sets, belief, policy_for(self.STRAND, DAY)).kind, kind, misses)

    def test_tries_that_needed_help_count_against_readiness(self) -> None:
        days = [DAY, DAY + timedelta(days=7)]
        alone = [set_of(day, 8, 8) for day in days]
        helped = [set_of(day, 5, 5, "spoken") for day in days]
        policy = policy_for(self.STRAND, days[1])
        for sets, up in ((alone, True), ([*alone, *helped], False)):
            self.assertEqual(decide(sets, believed(sets, self.STRAND), policy).kind == "up", up)


class MeasuredTest(TestCase):
    def test_several_readings_of_a_set_become_one(self) -> None:
        log = [
            tap(0),
            tap(1, "measure", measure="off_line", value=4),
            tap(2, "measure", measure="off_line", value=7),
            tap(3, "measure", measure="tokens", value=3),
            tap(4, "measure", measure="tokens", value=5),
            tap(5, "hold", seconds=2.5),
            tap(6, "hold", seconds=4),
        ]
        done = fold(log, BLOCKS, DAY)[0]
        self.assertEqual(dict(done.measures), {"off_line": 5.5, "tokens": 5.0})
        self.assertEqual((done.hold_seconds, done.best_hold_seconds), (6.5, 4.0))

    def test_a_reading_taken_back_does_not_count(self) -> None:
        log = [tap(0), tap(1, "measure", measure="tokens", value=9), tap(2, "undo", event="e1")]
        self.assertEqual(dict(fold(log, BLOCKS, DAY)[0].measures), {})

    def test_what_can_not_be_read_off_is_refused_at_the_field(self) -> None:
        for field, value in (
            ("measure", {"measure": "luck", "value": 3}),
            ("value", {"measure": "tokens", "value": -1}),
            ("value", {"measure": "on_line", "value": 101}),
            ("value", {"measure": "tower", "value": "high"}),
            ("value", {"measure": "tokens", "value": True}),
        ):
            with self.assertRaises(EventError) as context:
                read_event(plain(0, "measure", **value), BLOCKS)
            self.assertEqual(context.exception.field, field)

    def test_a_hand_is_right_or_left(self) -> None:
        read_event(plain(0, "hand", hand="left"), BLOCKS)
        for event in (plain(0, "hand", hand="both"), plain(0, hand="foot")):
            with self.assertRaises(EventError) as context:
                read_event(event, BLOCKS)
            self.assertEqual(context.exception.field, "hand")

    def test_the_other_hand_is_evidence_with_an_offset_of_its_own(self) -> None:
        right = set_of(DAY, 10, 8)
        left = replace(right, hand="left")
        self.assertEqual(right.evidence("hold_and_act", "right").activity_id, "load_the_barge")
        self.assertEqual(left.evidence("hold_and_act", "right").activity_id, "load_the_barge/left")
        self.assertEqual(left.evidence("hold_and_act", "not_settled").activity_id, "load_the_barge")


class SuggestionTest(TestCase):
    LADDER = Ladder(Estimate(3.0, 0.7), DAY, "load_the_barge", (2.2, 2.6, 3.0, 3.4, 3.8))

    def say(self, tries: int, won: int, helped: bool = False, count: int = 8, at: int | None = 2):
        rows = table(count, self.LADDER if at is not None else None)
        return next(
            (
                s
                for s in rows
                if s.tries == tries and s.successes <= won <= s.most and s.helped == helped and s.at in (None, at)
            ),
            None,
        )

    @slow
    def test_the_table_says_what_the_belief_would_say_of_these_tries(self) -> None:
        for at, rung in enumerate(self.LADDER.rungs):
            for tries in (2, 5, 8):
                for won in range(tries + 1):
                    done = [SetEvidence("load_the_barge", rung, tries, won)]
                    args = (self.LADDER.estimate, done, DAY, "load_the_barge", self.LADDER.rungs)
                    step, row = step_today(*args, at), self.say(tries, won, at=at)
                    to = row.to if row and row.to is not None else at
                    self.assertEqual(to - at, step, (at, tries, won))

    def test_two_misses_and_a_lost_set_step_down_a_full_set_goes_up(self) -> None:
        kinds = [getattr(self.say(*asked), "kind", None) for asked in ((2, 0), (8, 1), (8, 8))]
        self.assertEqual(kinds, ["down", "down", "up"])
        self.assertIn("8 of 8 alone", self.say(8, 8).words)

    def test_a_sure_win_at_the_start_only_ever_steps_down_and_by_counts(self) -> None:
        asked = ((2, 0), (5, 2), (5, 3), (8, 8))
        kinds = [getattr(self.say(*a, at=None), "kind", None) for a in asked]
        self.assertEqual(kinds, ["down", "down", None, "stop"])

    def test_good_with_help_fades(self) -> None:
        self.assertEqual(
            [getattr(self.say(5, won, helped=True), "kind", None) for won in (3, 4, 5)], [None, "fade", "fade"]
        )

    def test_in_the_zone_it_stays_quiet_until_the_set_is_done(self) -> None:
        self.assertIsNone(self.say(5, 4))
        self.assertEqual(self.say(8, 6).kind, "stop")
