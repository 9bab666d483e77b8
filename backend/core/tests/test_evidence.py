"""The calendar of evidence: what a doubt costs, and when it is worth a look.

The unit normal loss integral: Raiffa & Schlaifer 1961, table of G*(D); here also against numerical integration.
"""

from datetime import date, timedelta
from unittest import TestCase

import numpy as np
from scipy.integrate import quad
from scipy.stats import norm

from core.ability import Estimate, SetEvidence, start, update
from core.child import Child
from core.first_look import loss_of_doubt, strands_that_matter, to_find_out
from core.skills import STRANDS, WANTED_TASKS
from testing.core_builders import everything, request_for

ON = date(2026, 3, 2)


class LossTest(TestCase):
    def test_agrees_with_the_published_table_and_with_integration(self) -> None:
        for away, table in ((0.0, 0.3989), (0.5, 0.1978), (1.0, 0.08332), (2.0, 0.008491)):
            self.assertAlmostEqual(loss_of_doubt(0.0, 1.0, away), table, places=4)
        lost, _ = quad(lambda x: max(0.0, x - 4.0) * norm.pdf(x, 3.2, 0.7), 4.0, 12)
        self.assertAlmostEqual(loss_of_doubt(3.2, 0.7, 4.0), lost, places=6)

    def test_a_sure_child_costs_nothing_and_one_on_the_edge_costs_most(self) -> None:
        self.assertLess(loss_of_doubt(2.0, 0.3, 5.0), 1e-6)
        self.assertGreater(loss_of_doubt(5.0, 0.8, 5.0), loss_of_doubt(4.0, 0.8, 5.0))
        self.assertGreater(loss_of_doubt(5.0, 0.8, 5.0), loss_of_doubt(5.0, 0.3, 5.0))


class CalendarTest(TestCase):
    def estimates(self, **known: Estimate) -> dict[str, Estimate]:
        """A child of whom everything is sure and there, but for what is said."""
        top = {s: Estimate(ladder.top + 1.0, 0.1) for s, ladder in STRANDS.items()}
        return {**top, **known}

    def test_a_new_child_is_asked_about_what_the_wanted_task_needs_now(self) -> None:
        child = Child(58)
        found = to_find_out(("buttons",), {s: start(child, s) for s in STRANDS}, ON)
        self.assertTrue(found)
        self.assertEqual({q.due for q in found}, {ON})
        self.assertLessEqual({q.strand for q in found}, set(WANTED_TASKS["buttons"].demands))
        self.assertEqual([q.costs for q in found], sorted((q.costs for q in found), reverse=True))
        self.assertIn("never looked at", found[0].words)

    def test_what_is_known_well_enough_is_not_asked_about(self) -> None:
        self.assertEqual(to_find_out(("buttons",), self.estimates(), ON), ())
        self.assertEqual(to_find_out((), {s: start(Child(58), s) for s in STRANDS}, ON), ())

    def test_a_doubt_that_grows_has_a_date_to_come(self) -> None:
        rung = WANTED_TASKS["buttons"].demands["hold_and_act"]
        seen = update(Estimate(rung + 0.6, 0.45), [SetEvidence("a", rung, 24, 22)], ON)
        (question,) = to_find_out(("buttons",), self.estimates(hold_and_act=seen), ON)
        self.assertGreater(question.due, ON)
        self.assertIn(f"From {question.due:%-d %b} on", question.words)
        later = to_find_out(("buttons",), self.estimates(hold_and_act=seen), question.due + timedelta(days=1))
        self.assertTrue(question.seen_on == ON and later)

    def test_the_task_wanted_most_comes_first(self) -> None:
        doubtful = {"zip": Estimate(5, 1.0), "studs": Estimate(5, 1.0)}
        orders = (("zip", "studs"), ("studs", "zip"))
        first = [to_find_out(order, self.estimates(**doubtful), ON)[0].task for order in orders]
        self.assertEqual(first, ["zip", "studs"])

    def test_the_first_look_weighs_by_the_same_loss(self) -> None:
        """A strand that is likely there but in doubt counts for more than one that is surely there."""
        demands = WANTED_TASKS["buttons"].demands
        here = {s: demands[s] + 0.5 for s in ("pinch", "finger_isolation")}
        sure = Estimate(here["finger_isolation"], 0.1)
        known = self.estimates(pinch=Estimate(here["pinch"], 1.0), finger_isolation=sure)
        request = request_for(Child(60, hand="right", wanted=("buttons",)), everything())
        request = type(request)(**{**request.__dict__, "estimates": known})
        weights = strands_that_matter(request)
        self.assertGreater(weights["pinch"], 3 * weights["finger_isolation"])
        short = float(norm.cdf(-0.5))
        self.assertAlmostEqual(weights["pinch"], max(short, float(np.sqrt(2 * np.pi)) * loss_of_doubt(0.5, 1.0, 0.0)))
