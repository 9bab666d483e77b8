"""The same asked by several at the same time: one run, one note, and every other a plain answer."""

from collections.abc import Callable
from threading import Barrier, Thread
from uuid import uuid4

from django.db import connection
from django.test import TransactionTestCase, tag

from progress.models import Note
from running.models import Run
from testing.builders import Api, make_child, make_member, plan_for_child, run_for_child

AT_ONCE = 3  # with the test itself, as many as a process has connections


def all_at_once(ask: Callable[[], int]) -> list[int]:
    """Ask from several threads that start together; returns what each was told."""
    start, told = Barrier(AT_ONCE), list[int]()

    def one() -> None:
        start.wait()
        told.append(ask())
        connection.close()

    threads = [Thread(target=one) for _ in range(AT_ONCE)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return sorted(told)


@tag("slow")
class AtOnceTest(TransactionTestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)

    def test_one_run_is_begun(self) -> None:
        plan, run = plan_for_child(self.lead, self.child), uuid4()
        asks = [Api(self.lead) for _ in range(AT_ONCE)]
        connection.close()
        told = all_at_once(lambda: asks.pop()("post", f"/plans/{plan.pk}/runs", {"id": run})[0])
        self.assertEqual((told, Run.objects.count()), ([200] * AT_ONCE, 1))

    def test_of_two_first_texts_one_is_kept_and_the_other_a_conflict(self) -> None:
        run = run_for_child(self.lead, self.child)
        asks = [Api(self.lead) for _ in range(AT_ONCE)]
        connection.close()
        told = all_at_once(lambda: asks.pop()("put", f"/runs/{run.pk}/note", {"text": "Well.", "version": 0})[0])
        self.assertEqual((told, Note.objects.count()), ([200, 409, 409], 1))

    def test_another_plans_run_of_that_id_is_said(self) -> None:
        run = run_for_child(self.lead, self.child)
        other = plan_for_child(self.lead, self.child)
        status, problem = Api(self.lead)("post", f"/plans/{other.pk}/runs", {"id": run.pk})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "id"))
