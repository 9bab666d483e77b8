"""Who may do what, and that nobody sees across a clinic's wall."""

import re
from uuid import uuid4

from django.test import TestCase

from caseload.models import Child, LibraryVersion
from clinic.actions import Done, acting
from clinic.links import make_link
from clinic.models import AuditEntry, Member
from clinic.permissions import POLICY, NotAllowed, may
from config.api import api
from planning.models import Batch
from progress.models import DecisionRecord
from testing.builders import Api, make_child, make_member, plan_for_child, profile, run_for_child
from testing.tags import slow
from visits.models import Visit


class PermissionMatrixTest(TestCase):
    def test_user_by_action(self) -> None:
        everyone = {"lead": True, "therapist": True, "assistant": True}
        therapists = {**everyone, "assistant": False}
        open_to_all = {
            "caseload.read",
            "child.read",
            "child.note_mouthing",
            "child.note_meeting",
            "child.note_task",
            "cupboard.read",
            "cupboard.edit",
            "plan.read",
            "run.read",
            "run.start",
            "run.tap",
            "run.finish",
            "progress.read",
            "visit.read",
            "visit.close",
            "note.read",
            "note.write",
            "me.edit",
            "shelf.read",
            "child.love",
        }
        leads = {"lead": True, "therapist": False, "assistant": False}
        for_leads = {
            "clinic.edit",
            "clinic.remove_demo",
            "people.read",
            "people.edit",
            "people.invite",
            "audit.read",
            "upkeep.read",
            "record.delete",
            "library.read_learned",
            "library.learn",
        }
        for action in POLICY:
            allowed = everyone if action in open_to_all else leads if action in for_leads else therapists
            for role, expected in allowed.items():
                self.assertEqual(may(Member(role=role), action), expected, (action, role))

    def test_an_action_without_a_policy_is_open_to_nobody(self) -> None:
        @acting("universe.end")
        def end(member: Member) -> Done[None]:
            return Done(None, member)

        with self.assertRaises(NotAllowed):
            end(make_member("lead"))

    @slow
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
    BLOCK = {"part": "main", "activity_id": "peg_fence", "grade": [0, 0, 0], "sets": 2}
    BODIES: dict[str, dict[str, object]] = {
        "put /people/{member_id}": {"role": "lead", "active": True, "version": 1},
        "put /children/{child_id}": {**profile(), "version": 1},
        "post /children/said": {"words": "can't tie laces"},
        "put /homes/{home_id}": {"name": "x", "version": 1},
        "put /children/{child_id}/places": {"home_id": 1, "also_at": [], "version": 1},
        "put /children/{child_id}/therapist": {"therapist_id": None, "version": 1},
        "post /children/{child_id}/close": {"care": "archived", "version": 1},
        "post /children/{child_id}/reopen": {"version": 1},
        "post /people/{member_id}/hand-over": {"to": 1},
        "post /children/{child_id}/deletion": {"name": "x", "reason": "x"},
        "post /children/{child_id}/rungs": {"strand": "pinch", "rung": 2},
        "post /children/{child_id}/tasks": {"task": "zip", "steps_alone": 1, "place": "home"},
        "post /children/{child_id}/meetings": {"what": "wet", "kind": "texture", "step": 1},
        "post /children/{child_id}/overrides": {"rule": "latex", "reason": "seen by the doctor"},
        "post /children/{child_id}/forecast": BLOCK,
        "post /children/{child_id}/weeks": {
            "starts_on": "2026-03-02",
            "minutes_by_day": [10] * 7,
            "targets": ["grasp"],
        },
        "put /weeks/{week_id}": {"version": 1, "kept": [], "excluded": []},
        "post /children/{child_id}/goals": {"words": "x", "levels": list("abcde")},
        "post /homes/{home_id}/cupboard": {"thing_id": "cork", "count": 1},
        "put /homes/{home_id}/counts": {"counts": {"cork": 1}},
        "post /homes/{home_id}/list": {"text": "cork,1"},
        "put /cupboard-items/{item_id}": {"count": 1, "version": 1},
        "put /cupboard-items/{item_id}/label": {"allergen": "soy", "holds": False},
        "put /visits/{visit_id}": {"home_id": 1, "therapist_id": 1, "on": "2026-03-02", "version": 1},
        "post /visits/{visit_id}/outcome": {"status": "done", "version": 1},
        "put /plans/{plan_id}/blocks": {"version": 1, "blocks": [BLOCK]},
        "post /plans/{plan_id}/again": {"version": 1},
        "put /plans/{plan_id}/name": {"name": "x", "version": 1},
        "post /plans/{plan_id}/forecast": BLOCK,
        "post /plans/{plan_id}/runs": {"id": str(uuid4())},
        "post /runs/{run_id}/next": {},
        "post /groups/{group_id}/runs": {"ids": {}},
        "post /decisions/{decision_id}/answer": {"answer": "accepted"},
        "post /library/learned/{version_id}/answer": {"status": "accepted"},
        "put /runs/{run_id}/note": {"text": "x", "version": 0},
        "post /runs/{run_id}/note/sign": {"version": 1},
        "post /runs/{run_id}/note/amendments": {"text": "x"},
        "post /goals/{goal_id}/scores": {"score": 0},
        "put /children/{child_id}/favourites": {"activity_id": "peg_fence", "whose": "child", "is_favourite": True},
        "put /children/{child_id}/cue": {"activity_id": "peg_fence", "words": "Crocodile!"},
        "put /own/{entry_id}": {"values": {"name": "x"}, "version": 1},
        "post /own/{entry_id}/share": {"version": 1},
        "post /own/{entry_id}/drop-draft": {"version": 1},
        "post /own/{entry_id}/archive": {"version": 1, "is_archived": True},
    }

    @slow
    def test_another_clinic_finds_nothing_on_any_route_that_names_a_thing(self) -> None:
        """Every route of the API with an id in it; one that is new fails here until a body for it is given."""
        lead = make_member("lead")
        ids = self.ids_of(lead, make_child(lead))
        mine = make_child(stranger := make_member("lead"))
        api_of = Api(stranger)
        tried = 0
        for template, item in api.get_openapi_schema()["paths"].items():
            for method in item:
                route = f"{method} {template.removeprefix('/api')}"
                if "{" not in route or "{token}" in route:  # a token names its clinic itself, and is its own key
                    continue
                body = [] if route.endswith("/events") else self.BODIES.get(route)
                if route == "post /children/{child_id}/looks":
                    body = {"id": str(uuid4()), "home_id": mine.home_id}
                if route == "post /children/{child_id}/plans":
                    body = {"minutes": 30, "targets": ["grasp"], "home_id": mine.home_id}
                url = template.removeprefix("/api").format(**ids, rule="balloon")
                if any(word in url for word in ("library", "starter", "forecast", "swaps", "picture")):
                    url += f"?home_id={mine.home_id}&activity_id=peg_fence&activity_ids=peg_fence"
                    url += "&grade=0,0,0&role=item&stock_id=1"
                elif "bring-in" in url:
                    url += "?activity_id=peg_fence"
                elif "recipes" in url:
                    url += f"?child_id={mine.pk}"
                self.assertEqual(api_of(method, url, body)[0], 404, route)
                tried += 1
        self.assertGreater(tried, 40)
        for sheet in ("sheet", "sheet.pdf"):
            self.assertEqual(api_of("get", f"/plans/{ids['plan_id']}/{sheet}")[0], 404)
        self.assertEqual(api_of("get", f"/homes/{ids['home_id']}/checklist")[0], 404)
        self.assertEqual(api_of("get", "/caseload")[1]["children"][0]["id"], mine.pk)
        self.assertEqual([h["id"] for h in api_of("get", "/homes")[1]], [mine.home_id])

    def ids_of(self, lead: Member, child: Child) -> dict[str, object]:
        """One of everything that has an id, all of it this child's."""
        run = run_for_child(lead, child)
        own = Api(lead)
        week = own("post", f"/children/{child.pk}/weeks", self.BODIES["post /children/{child_id}/weeks"])[1]
        goal = own("post", f"/children/{child.pk}/goals", self.BODIES["post /children/{child_id}/goals"])[1]
        other = make_child(lead, child.home, first_name="Isa")
        wish = {"home_id": child.home_id, "minutes": 30, "targets": ["grasp"], "supervision": "arms_reach"}
        group = own("post", "/groups", {**wish, "children": [child.pk, other.pk]})[1]
        version = LibraryVersion.objects.create(clinic=lead.clinic, number=1, findings=[], children=3, tries=90)
        batch = Batch.objects.create(clinic=lead.clinic, asked_by=lead)
        line = batch.lines.create(child=child)
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
        return {
            "entry_id": own("post", "/own", {"kind": "activity", "blank": "piece"})[1]["id"],
            "version_id": version.pk,
            "child_id": child.pk,
            "home_id": child.home_id,
            "item_id": child.home.stock.first().pk,
            "plan_id": run.plan_id,
            "run_id": run.pk,
            "week_id": week["id"],
            "group_id": group["id"],
            "goal_id": goal["goals"][0]["id"],
            "visit_id": Visit.objects.create(
                clinic=lead.clinic, child=child, home=child.home, therapist=lead, on=run.on
            ).pk,
            "line_id": line.pk,
            "decision_id": decision.pk,
            "member_id": lead.pk,
            "device_id": lead.signed_in.create(key="k").pk,
            "link_id": make_link(lead, "invitation", "Tove", "therapist")[0].pk,
        }

    OPEN = {"/session", "/setup", "/join/{token}", "/join/{token}/password"}  # each with a lock of its own

    @slow
    def test_nobody_signed_in_gets_nothing(self) -> None:
        nobody = Api()
        for path, item in api.get_openapi_schema()["paths"].items():
            for method in item:
                url = path.removeprefix("/api").replace("{run_id}", str(uuid4())).replace("{plan_id}", str(uuid4()))
                if path.removeprefix("/api") not in self.OPEN:
                    url = re.sub(r"\{\w+_id\}", "1", url)
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
