"""A page asks the database the same few questions however much there is."""

from datetime import timedelta

from django.test import TestCase, tag

from progress.actions import finish_run
from testing.builders import (
    STOCK,
    TODAY,
    Api,
    make_child,
    make_home,
    make_member,
    plan_for_child,
    run_for_child,
    tap_all,
)


class QueryCountTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.api = Api(self.lead)

    def count(self, path: str) -> int:
        from django.db import connection
        from django.test.utils import CaptureQueriesContext

        self.assertEqual(self.api("get", path)[0], 200)
        with CaptureQueriesContext(connection) as caught:
            self.api("get", path)
        return len(caught)

    def child_with(self, sessions: int, things: int):
        home = make_home(self.lead, dict(list(STOCK.items())[:things]))
        child = make_child(self.lead, home)
        for week in range(sessions):
            run = run_for_child(self.lead, child, TODAY - timedelta(days=7 * (sessions - week)))
            tap_all(self.lead, run, "1101")
            finish_run(self.lead, run)
        return child

    @tag("slow")
    def test_one_session_or_four_cost_the_same_queries(self) -> None:
        little, much = self.child_with(1, 30), self.child_with(4, 30)
        for path in ("/children/{}", "/children/{}/progress", "/children/{}/plans"):
            self.assertEqual(self.count(path.format(little.pk)), self.count(path.format(much.pk)), path)

    @tag("slow")
    def test_a_small_or_a_full_cupboard_costs_the_same_queries(self) -> None:
        little, much = self.child_with(0, 12), self.child_with(0, 30)
        for path in ("/homes/{home}/cupboard?child_id={child}", "/children/{child}/library?home_id={home}"):
            costs = {self.count(path.format(home=c.home_id, child=c.pk)) for c in (little, much)}
            self.assertEqual(len(costs), 1, path)

    @tag("slow")
    def test_a_plan_costs_the_same_queries_whatever_came_before_it(self) -> None:
        new, old = self.child_with(0, 30), self.child_with(3, 30)
        plans = [plan_for_child(self.lead, c) for c in (new, old)]
        costs = [self.count(f"/plans/{p.pk}") for p in plans]
        self.assertLessEqual(abs(costs[0] - costs[1]), 1)
