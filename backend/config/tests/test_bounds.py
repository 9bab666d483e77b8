"""What no column can hold is a 422 at its field, never a 500: each cause that was found, and every field there is."""

from typing import Any

from django.apps import apps
from django.db import models
from django.test import TestCase

from clinic.bounds import bounds_of, within
from clinic.problems import ProblemError
from testing.builders import Api, make_child, make_member, plan_for_child
from testing.tags import slow


class TooMuchTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def refused(self, method: str, path: str, body: Any = None) -> dict[str, Any]:
        status, problem = self.api(method, path, body)
        self.assertEqual(status, 422, (path, problem))
        self.assertTrue(problem["detail"])
        return problem

    @slow
    def test_each_cause_that_was_found(self) -> None:
        home, child = self.child.home_id, self.child.pk
        plan = {"home_id": home, "minutes": 20, "targets": ["grasp"]}
        goal = {"words": "x" * 201, "levels": list("abcde")}
        for minutes in (-1, 32768, 0):
            self.refused("post", "/batches", {"children": [child], "minutes": minutes})
        self.assertEqual(self.refused("post", f"/children/{child}/goals", goal)["fields"][0]["field"], "words")
        self.refused("post", f"/children/{child}/plans", {**plan, "task": "t" * 25})
        for text in ("cork," + "9" * 5000, "\n\r\t"):
            self.refused("post", f"/homes/{home}/list", {"text": text})
        for values in ({"format": "\ud800"}, {"format": "pollicor-library-1", "entries": [{"kind": "\ud800"}]}):
            self.assertIn(self.api("post", "/own-file", values)[0], (400, 422))
        self.assertEqual(self.api("get", "/audit?last=9999-12-31&first=0001-01-01")[0], 200)
        anonymous = Api(None).client
        body = {"username": "x" * 300, "password": "y"}
        self.assertEqual(anonymous.post("/api/session", body, content_type="application/json").status_code, 422)

    def test_a_thousand_names_that_are_nearly_right_are_read_at_once(self) -> None:
        """Twenty are held against the checklist, and twenty are said."""
        text = "\n".join(f"wooden spoom {n}, 2" for n in range(900))
        problem = self.refused("post", f"/homes/{self.child.home_id}/list", {"text": text})
        self.assertEqual(len(problem["fields"]), 20)

    def test_every_bound_of_every_model_is_kept(self) -> None:
        """Text one letter too long and a number one too large, for each field of each of our models."""
        tried = 0
        for model in apps.get_models():
            if model.__module__.split(".")[0] not in OURS:
                continue
            for name, most, span in bounds_of(model):
                row = model()
                too_much: Any = "x" * (most + 1) if most is not None else span[1] + 1 if span else 0
                setattr(row, name, too_much)
                for other, most_other, _ in bounds_of(model):
                    if other != name and most_other is not None:
                        setattr(row, other, "")
                with self.subTest(model=model.__name__, field=name), self.assertRaises(ProblemError) as refused:
                    within(model, row)
                self.assertEqual(refused.exception.problem.fields[0].field, name)
                tried += 1
        self.assertGreater(tried, 60)

    def test_what_fits_is_let_through(self) -> None:
        plan = plan_for_child(self.lead, self.child)
        for field in plan._meta.concrete_fields:
            if isinstance(field, models.CharField) and field.max_length:
                self.assertLessEqual(len(getattr(plan, field.attname)), field.max_length)
        within(type(plan), plan)


OURS = {"caseload", "clinic", "cupboard", "planning", "progress", "running", "shelf", "visits"}
