"""The first look: what a set is expected to tell, checked against simulation; fun first, and within the time.

The expected gain of an experiment: Lindley 1956; here checked by drawing children from what is believed, who play it.
"""

from datetime import date
from unittest import TestCase

import numpy as np

from core.ability import DaySoFar, Estimate, SetEvidence, start, update
from core.ability.estimate import DAY_SD, OFFSET_SD, odds_curve
from core.child import Child, Setting
from core.first_look import ENOUGH, LOOK_MINUTES, Ended, Probe, next_probe, strands_that_matter
from core.library import ACTIVITIES, THINGS
from core.offers import stock_of
from core.planner import SessionRequest
from core.skills import STRANDS, WANTED_TASKS
from testing.tags import slow

ON = date(2026, 3, 2)
HOME = stock_of({t.id: t.typical_count for t in THINGS.values() if t.common})


def request(wanted: tuple[str, ...] = ("buttons",), age: float = 58, **changes: object) -> SessionRequest:
    child = Child(age_months=age, hand="right", wanted=wanted)
    estimates = {s: start(child, s) for s in STRANDS}
    made = SessionRequest(child, Setting("home", "arms_reach"), HOME, estimates, LOOK_MINUTES, ("grasp",))
    return SessionRequest(**{**made.__dict__, **changes})  # type: ignore[arg-type]


def played(asked: SessionRequest, share: float) -> list[tuple[Probe, SetEvidence]]:
    """A look in which a child manages this share of the tries of every set."""
    done: list[tuple[Probe, SetEvidence]] = []
    left = float(LOOK_MINUTES)
    while not isinstance(probe := next_probe(asked, [s for _, s in done], ON, left), Ended):
        rungs = {s: probe.offer.rungs[s] for s in ACTIVITIES[probe.offer.variant.activity_id].trains}
        won = round(share * probe.tries)
        done.append(
            (probe, SetEvidence(probe.offer.variant.activity_id, max(rungs.values()), probe.tries, won, rungs=rungs))
        )
        left -= probe.minutes
    return done


class DayTest(TestCase):
    def test_one_set_leaves_the_same_doubt_as_the_days_update(self) -> None:
        estimate = Estimate(3.0, 1.5)
        one = SetEvidence("peg_fence", 3.4, 5, 2, rungs={"pinch": 3.4})
        after = DaySoFar({"pinch": estimate}, (), ON).sd_after(one)["pinch"]
        self.assertAlmostEqual(after, update({"pinch": estimate}, [one], ON)["pinch"].sd, places=9)

    def test_sets_of_several_activities_one_by_one_end_where_the_day_ends(self) -> None:
        estimate = {"pinch": Estimate(3.0, 1.5)}
        sets = [SetEvidence(a, 3.0 + i / 3, 6, 4, rungs={"pinch": 3.0 + i / 3}) for i, a in enumerate("abc")]
        self.assertAlmostEqual(
            DaySoFar(estimate, sets, ON).sd("pinch"), update(estimate, sets, ON)["pinch"].sd, places=6
        )

    def test_a_hand_led_set_tells_nothing(self) -> None:
        led = SetEvidence("a", 3.0, 6, 6, "hand_over_hand", {"pinch": 3.0})
        self.assertEqual(DaySoFar({"pinch": Estimate(3.0, 1.5)}, [led], ON).sd("pinch"), 1.5)


class ProbeTest(TestCase):
    @slow
    def test_what_a_set_is_expected_to_tell_is_what_it_tells_on_the_average(self) -> None:
        """2,000 children drawn from the belief play the set; the doubt left is averaged."""
        asked = request()
        probe = next_probe(asked, (), ON, LOOK_MINUTES)
        assert isinstance(probe, Probe)
        activity = ACTIVITIES[probe.offer.variant.activity_id]
        rungs = {s: probe.offer.rungs[s] for s in activity.trains}
        random = np.random.default_rng(7)
        levels = {
            s: random.normal(e.mean, np.sqrt(e.sd**2 + DAY_SD**2 + OFFSET_SD**2), 2000)
            for s, e in asked.estimates.items()
            if s in rungs
        }
        gaps = np.min([levels[s] - rungs[s] for s in rungs], axis=0)
        wins = np.bincount(random.binomial(probe.tries, odds_curve(gaps)), minlength=probe.tries + 1) / 2000
        left = dict.fromkeys(rungs, 0.0)
        for won, share in enumerate(wins):
            after = update(asked.estimates, [SetEvidence(activity.id, 0.0, probe.tries, won, rungs=rungs)], ON)
            left = {s: left[s] + float(share) * after[s].sd for s in left}
        for strand in rungs:
            self.assertAlmostEqual(asked.estimates[strand].sd - left[strand], probe.tells[strand], delta=0.03)

    @slow
    def test_it_begins_with_a_sure_win_and_never_asks_what_is_likely_to_fail(self) -> None:
        for share in (1.0, 0.6, 0.0):
            for wanted in (("buttons",), ("scissors", "name")):
                sets = [p for p, _ in played(request(wanted), share)]
                self.assertGreaterEqual(sets[0].expected, 0.85)
                self.assertGreaterEqual(min(p.expected for p in sets if not p.task), 0.5)
                self.assertGreaterEqual(min(p.expected for p in sets), 0.3)  # a wish is looked at, though it is hard

    @slow
    def test_it_keeps_to_its_minutes_to_seven_activities_and_to_three_sets_in_a_row(self) -> None:
        done = played(request(("buttons", "laces")), 0.6)
        self.assertLessEqual(sum(p.minutes for p, _ in done), LOOK_MINUTES)
        names = [s.activity_id for _, s in done]
        self.assertLessEqual(len(set(names)), 7)
        self.assertGreaterEqual(len(set(names)), 4)
        self.assertFalse(any(len(set(names[i : i + 4])) == 1 for i in range(len(names) - 3)))

    @slow
    def test_it_steps_with_the_answers(self) -> None:
        """Who manages everything is asked harder things than who manages nothing, in the same strand."""
        hard = [p.offer.rungs[p.strand] for p, _ in played(request(), 1.0) if p.strand == "finger_isolation"]
        easy = [p.offer.rungs[p.strand] for p, _ in played(request(), 0.0) if p.strand == "finger_isolation"]
        self.assertGreater(max(hard), max(easy))

    def test_each_wanted_task_is_looked_at_itself_soonest(self) -> None:
        """After the sure win, in the family's order, though it is hard: nobody plans for a task nobody has seen."""
        asked = request(wanted=("buttons", "socks"))
        sets = [p for p, _ in played(asked, 0.6)]
        self.assertEqual([p.task for p in sets[:3]], ["", "buttons", "socks"])
        self.assertEqual(sets[1].words, "Looks at “Do own buttons” itself.")
        self.assertFalse([p.task for p in sets[3:] if p.task])

    @slow
    def test_nothing_barred_is_asked(self) -> None:
        asked = request()
        mouths = Child(age_months=30, hand="right", wanted=("buttons",), mouthing="often")
        asked = request(child=mouths, estimates={s: start(mouths, s) for s in STRANDS})
        for probe, _ in played(asked, 0.6):
            self.assertNotEqual(probe.offer.verdict.status, "barred")

    def test_it_ends_when_enough_is_known_and_when_a_home_has_nothing(self) -> None:
        known = {s: Estimate(e.mean, ENOUGH - 0.05, ON) for s, e in request().estimates.items()}
        over = next_probe(request(estimates=known), (), ON, LOOK_MINUTES)
        self.assertEqual(over, Ended("Enough is known about the skills the wanted tasks need."))
        self.assertIsInstance(next_probe(request(stock=()), (), ON, LOOK_MINUTES), Ended)
        self.assertEqual(next_probe(request(), (), ON, 0.1), Ended("The time is up."))


class WeightTest(TestCase):
    def test_the_most_wanted_task_counts_most_and_what_is_surely_there_least(self) -> None:
        weights = strands_that_matter(request(("buttons", "laces")))
        self.assertEqual(set(weights), set(WANTED_TASKS["buttons"].demands) | set(WANTED_TASKS["laces"].demands))
        first = strands_that_matter(request(("laces", "buttons")))
        self.assertGreater(first["laces"], weights["laces"])
        sure = request(estimates={**request().estimates, "pinch": Estimate(9.0, 0.6)})
        self.assertEqual(strands_that_matter(sure)["pinch"], 0.1)

    def test_without_a_wanted_task_the_targets_count_alike(self) -> None:
        weights = strands_that_matter(request(()))
        self.assertEqual({STRANDS[s].target for s in weights}, {"grasp"})
        self.assertEqual(set(weights.values()), {1.0})
