"""Who may do what, and that nobody sees across a clinic's wall."""

from uuid import uuid4

from django.test import TestCase

from clinic.actions import Done, acting
from clinic.models import AuditEntry, Member
from clinic.permissions import POLICY, NotAllowed, may
from config.api import api
from progress.models import DecisionRecord
from testing.builders import Api, make_child, make_member, plan_for_child, profile, run_for_child


class PermissionMatrixTest(TestCase):
    def test_user_by_action(self) -> None:
        everyone = {"lead": True, "therapist": True, "assistant": True}
        therapists = {**everyone, "assistant": False}
        open_to_all = {
            "caseload.read",
            "child.read",
            "child.note_mouthing",
            "cupboard.read",
            "cupboard.edit",
            "plan.read",
            "run.read",
            "run.start",
            "run.tap",
            "run.finish",
            "progress.read",
            "note.read",
            "note.write",
        }
        for action in POLICY:
            for role, expected in (everyone if action in open_to_all else therapists).items():
                self.assertEqual(may(Member(role=role), action), expected, (action, role))

    def test_an_action_without_a_policy_is_open_to_nobody(self) -> None:
        @acting("universe.end")
        def end(member: Member) -> Done[None]:
            return Done(None, member)

        with self.assertRaises(NotAllowed):
            end(make_member("lead"))

    def test_an_assistant_may_run_but_not_plan(self) -> None:
        lead = make_member("lead")
        child = make_child(lead)
        plan = plan_for_child(lead, child)
        helper = Api(make_member("assistant", lead.clinic))
        wish = {
            "minutes": 30,
            "targets": ["grasp"],
            "place": "home",
            "supervision": "arms_reach",
            "home_id": child.home_id,
        }
        self.assertEqual(helper("post", f"/children/{child.pk}/plans", wish)[0], 403)
        self.assertEqual(helper("put", f"/children/{child.pk}", {**profile(), "version": 1})[0], 403)
        self.assertEqual(helper("post", f"/plans/{plan.pk}/runs", {"id": uuid4()})[0], 200)


class WallTest(TestCase):
    def test_another_clinic_finds_nothing_anywhere(self) -> None:
        lead = make_member("lead")
        child = make_child(lead)
        run = run_for_child(lead, child)
        item = child.home.stock.first()
        decision = DecisionRecord.objects.create(
            run=run,
            child=child,
            strand="pinch",
            on=run.on,
            kind="hold",
            words="w",
            evidence=[],
            would_change="c",
            mean_before=1,
            mean_after=1,
            sd_before=1,
            sd_after=1,
        )
        stranger = Api(make_member("lead"))
        for method, path, body in (
            ("get", f"/children/{child.pk}", None),
            ("put", f"/children/{child.pk}", {**profile(), "version": 1}),
            ("post", f"/children/{child.pk}/rungs", {"strand": "pinch", "rung": 2}),
            ("get", f"/children/{child.pk}/progress", None),
            ("get", f"/children/{child.pk}/plans", None),
            ("get", f"/homes/{child.home_id}/cupboard", None),
            ("post", f"/homes/{child.home_id}/cupboard", {"thing_id": "cork", "count": 1}),
            ("put", f"/cupboard-items/{item.pk}", {"count": 1, "version": 1}),
            ("delete", f"/cupboard-items/{item.pk}", None),
            ("get", f"/plans/{run.plan_id}", None),
            ("post", f"/plans/{run.plan_id}/runs", {"id": uuid4()}),
            ("get", f"/runs/{run.pk}", None),
            ("post", f"/runs/{run.pk}/events", []),
            ("post", f"/runs/{run.pk}/finish", None),
            ("get", f"/runs/{run.pk}/results", None),
            ("get", f"/runs/{run.pk}/note", None),
            ("put", f"/runs/{run.pk}/note", {"text": "x", "version": 0}),
            ("post", f"/runs/{run.pk}/note/sign", {"version": 1}),
            ("get", f"/children/{child.pk}/goals", None),
            ("post", f"/children/{child.pk}/goals", {"words": "x", "levels": list("abcde")}),
            ("get", f"/plans/{run.plan_id}/sheet.pdf", None),
            ("get", f"/runs/{run.pk}/today", None),
            ("post", f"/decisions/{decision.pk}/answer", {"answer": "accepted"}),
        ):
            self.assertEqual(stranger(method, path, body)[0], 404, (method, path))
        self.assertEqual(stranger("get", "/caseload"), (200, []))
        self.assertEqual(stranger("get", "/homes"), (200, []))

    def test_nobody_signed_in_gets_nothing(self) -> None:
        nobody = Api()
        for path, item in api.get_openapi_schema()["paths"].items():
            for method in item:
                url = path.removeprefix("/api").replace("{run_id}", str(uuid4())).replace("{plan_id}", str(uuid4()))
                for name in ("child_id", "home_id", "item_id", "decision_id"):
                    url = url.replace(f"{{{name}}}", "1")
                if url != "/session":
                    self.assertEqual(
                        nobody(method, url, {} if method in ("post", "put") else None)[0], 401, (method, url)
                    )

    def test_a_user_outside_every_clinic_is_nobody(self) -> None:
        member = make_member()
        api_of = Api(member)
        member.delete()
        self.assertEqual(api_of("get", "/caseload")[0], 401)


class AuditTest(TestCase):
    def test_reads_and_writes_of_a_child_are_logged(self) -> None:
        lead = make_member()
        child = make_child(lead)
        api = Api(lead)
        api("get", f"/children/{child.pk}")
        api("put", f"/children/{child.pk}", {**profile(first_name="Wynne"), "version": 1})
        log = list(AuditEntry.objects.filter(child=child.pk).order_by("pk").values_list("action", flat=True))
        self.assertEqual(log[0], "child.add")
        self.assertIn("child.read", log)
        self.assertIn("child.edit", log)
        edit = AuditEntry.objects.get(action="child.edit")
        self.assertEqual((edit.detail["before"]["first_name"], edit.detail["after"]["first_name"]), ("Wyn", "Wynne"))

    def test_a_refused_write_leaves_no_trace_of_a_change(self) -> None:
        lead = make_member()
        child = make_child(lead)
        Api(lead)("put", f"/children/{child.pk}", {**profile(first_name=" "), "version": 1})
        child.refresh_from_db()
        self.assertEqual(child.first_name, "Wyn")
        self.assertFalse(AuditEntry.objects.filter(action="child.edit").exists())


class SignInTest(TestCase):
    def test_signs_in_and_out(self) -> None:
        make_member(username="wren")
        api = Api()
        status, me = api("post", "/session", {"username": "wren", "password": "a long enough one"})
        self.assertEqual((status, me["role"]), (200, "lead"))
        self.assertEqual(api("get", "/me")[0], 200)
        api("delete", "/session")
        self.assertEqual(api("get", "/me")[0], 401)

    def test_a_wrong_password_says_what_to_do(self) -> None:
        make_member(username="wren")
        status, problem = Api()("post", "/session", {"username": "wren", "password": "no"})
        self.assertEqual(status, 401)
        self.assertIn("Try again", problem["fields"][0]["remedy"])
