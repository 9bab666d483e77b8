"""A write sent twice is done once (draft-ietf-httpapi-idempotency-key-header-07)."""

from threading import Barrier, Thread
from typing import Any
from unittest.mock import patch
from uuid import uuid4

from django.db import connection
from django.test import Client, TestCase, TransactionTestCase, tag

from caseload.models import Child
from clinic.models import Answered, AuditEntry, Link
from clinic.tasks import KEPT, forget_answers
from planning.models import Batch, Plan
from testing.builders import make_child, make_member, sign_in
from testing.tags import slow


def post(client: Client, path: str, body: Any, key: object) -> Any:
    return client.post(f"/api{path}", body, content_type="application/json", headers={"Idempotency-Key": str(key)})


class OnceTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        sign_in(self.client, self.lead)

    @slow
    def test_the_same_key_gets_the_first_answer_and_does_nothing_again(self) -> None:
        wish = {"minutes": 20, "targets": ["grasp"], "home_id": self.child.home_id}
        for path, body, made in (
            (f"/children/{self.child.pk}/plans", wish, Plan),
            ("/batches", {"children": [self.child.pk]}, Batch),
        ):
            key = uuid4()
            answers = [post(self.client, path, body, key) for _ in range(3)]
            with self.subTest(path):
                self.assertEqual({a.status_code for a in answers} & {200, 201}, {answers[0].status_code})
                self.assertEqual({a.content for a in answers}, {answers[0].content})
                self.assertEqual(made.objects.count(), 1)
                post(self.client, path, body, uuid4())
                self.assertEqual(made.objects.count(), 2, "another key is another write")

    @slow
    def test_a_refused_write_can_be_tried_again_with_its_key(self) -> None:
        key, path = uuid4(), f"/children/{self.child.pk}/plans"
        body = {"minutes": -5, "targets": ["grasp"], "home_id": self.child.home_id}
        self.assertEqual(post(self.client, path, body, key).status_code, 422)
        self.assertEqual(post(self.client, path, {**body, "minutes": 20}, key).status_code, 200)

    def test_a_key_is_for_one_write_and_of_one_person(self) -> None:
        key = uuid4()
        post(self.client, "/batches", {"children": [self.child.pk]}, key)
        answer = post(self.client, "/batches", {"children": [self.child.pk], "minutes": 20}, key)
        self.assertEqual((answer.status_code, answer.json()["fields"][0]["field"]), (422, "Idempotency-Key"))
        tove = Client()
        sign_in(tove, make_member("therapist", self.lead.clinic, "tove"))
        post(tove, "/batches", {"children": [self.child.pk]}, key)
        self.assertEqual(Batch.objects.count(), 2)

    def test_what_is_no_key_is_said(self) -> None:
        self.assertEqual(post(self.client, "/batches", {"children": []}, "again").status_code, 422)

    def test_a_write_that_breaks_leaves_nothing_and_can_be_tried_again(self) -> None:
        key, before = uuid4(), AuditEntry.objects.count()
        self.client.raise_request_exception = False
        with patch("planning.batch_actions.Batch.objects.create", side_effect=RuntimeError):
            self.assertEqual(post(self.client, "/batches", {"children": [self.child.pk]}, key).status_code, 500)
        self.assertEqual((Answered.objects.count(), AuditEntry.objects.count()), (0, before))
        self.assertLess(post(self.client, "/batches", {"children": [self.child.pk]}, key).status_code, 300)

    def test_an_answer_with_a_secret_in_it_is_never_kept(self) -> None:
        post(self.client, "/links", {"name": "Tove", "role": "therapist"}, uuid4())
        post(self.client, "/me/second-factor", {}, uuid4())
        self.assertEqual((Link.objects.count(), Answered.objects.count()), (1, 0))

    @slow
    def test_a_deleted_record_is_in_no_answer_that_is_kept(self) -> None:
        wish = {"minutes": 20, "targets": ["grasp"], "home_id": self.child.home_id}
        post(self.client, f"/children/{self.child.pk}/plans", wish, uuid4())
        self.assertEqual(Answered.objects.count(), 1)
        body = {"name": self.child.first_name, "reason": "Asked for by the mother on 2 March."}
        self.assertEqual(post(self.client, f"/children/{self.child.pk}/deletion", body, uuid4()).status_code, 200)
        self.assertEqual((Answered.objects.count(), Child.objects.count()), (0, 0))

    def test_answers_are_forgotten_after_two_days(self) -> None:
        post(self.client, "/batches", {"children": [self.child.pk]}, uuid4())
        forget_answers(0)
        self.assertEqual(Answered.objects.count(), 1)
        Answered.objects.update(at=Answered.objects.get().at - KEPT * 1.01)
        forget_answers(0)
        self.assertEqual(Answered.objects.count(), 0)


@tag("slow")
class AtOnceTest(TransactionTestCase):
    def test_three_at_the_same_time_are_one_write_with_one_answer(self) -> None:
        lead = make_member()
        child = make_child(lead)
        key, start, answers = uuid4(), Barrier(3), []

        def send() -> None:
            client = Client()
            sign_in(client, lead)
            connection.close()  # the pool has few, and all wait for each other here
            start.wait()
            answer = post(client, "/batches", {"children": [child.pk]}, key)
            answers.append((answer.status_code, answer.content))
            connection.close()

        threads = [Thread(target=send) for _ in range(3)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        self.assertEqual((len(answers), len(set(answers)), Batch.objects.count()), (3, 1, 1))
        self.assertEqual(Child.objects.count(), 1)
