"""A child's care: added once however often the form is sent, given to a therapist, ended and begun again; the list."""

from datetime import timedelta
from typing import Any
from uuid import uuid4

from django.test import TestCase

from caseload.models import Child, Home
from clinic.models import AuditEntry
from progress.actions import finish_run
from testing.builders import TODAY, Api, make_child, make_home, make_member, profile, run_for_child, tap_all
from testing.tags import slow


class AddOnceTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.api = Api(self.lead)
        self.body: dict[str, Any] = {
            "first_name": "Nell",
            "mouthing": "never",
            "birth_date": str(TODAY - timedelta(days=1700)),
            "wanted": ["zip", "buttons"],
            "place": {"name": "Nell's home"},
            "request": str(uuid4()),
        }

    def test_six_fields_make_a_child_and_its_home(self) -> None:
        status, child = self.api("post", "/children", self.body)
        self.assertEqual(status, 201, child)
        self.assertEqual((child["home_name"], child["wanted"]), ("Nell's home", ["zip", "buttons"]))
        self.assertEqual((child["therapist_name"], child["care"]), (self.lead.name, "open"))

    def test_the_same_form_sent_twice_makes_one_child_and_one_home(self) -> None:
        first, second = (self.api("post", "/children", self.body) for _ in range(2))
        self.assertEqual((first[0], second[0], first[1]["id"]), (201, 201, second[1]["id"]))
        self.assertEqual((Child.objects.count(), Home.objects.count()), (1, 1))

    def test_a_form_of_its_own_makes_a_child_of_its_own(self) -> None:
        self.api("post", "/children", self.body)
        self.api("post", "/children", {**self.body, "request": str(uuid4())})
        self.assertEqual(Child.objects.count(), 2)

    def test_another_clinics_request_is_no_request_of_ours(self) -> None:
        self.api("post", "/children", self.body)
        self.assertEqual(Api(make_member())("post", "/children", self.body)[0], 201)
        self.assertEqual(Child.objects.count(), 2)

    def test_what_is_wrong_is_said_at_its_field_and_no_home_is_left_behind(self) -> None:
        for change, field in (
            ({"first_name": "  "}, "first_name"),
            ({"birth_date": str(TODAY + timedelta(days=1))}, "birth_date"),
            ({"birth_date": str(TODAY - timedelta(days=40 * 366))}, "birth_date"),
            ({"birth_date": ""}, "birth_date"),
            ({"place": None}, "home_id"),
            ({"place": {"name": "  "}}, "name"),
            ({"place": {"name": "x" * 81}}, "place.name"),
            ({"wanted": ["fly"]}, "wanted"),
            ({"referral": "x" * 501}, "referral"),
        ):
            status, answer = self.api("post", "/children", {**self.body, **change})
            self.assertEqual((status, answer["fields"][0]["field"]), (422, field), change)
        self.assertEqual((Child.objects.count(), Home.objects.count()), (0, 0))


class CareTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.tove = make_member("therapist", self.lead.clinic)
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        self.url = f"/children/{self.child.pk}"

    def close(self, **changes: Any) -> tuple[int, Any]:
        body = {"care": "discharged", "words": "Buttons alone at home.", "version": 1, **changes}
        return self.api("post", f"{self.url}/close", body)

    def test_a_child_is_given_to_a_therapist(self) -> None:
        _, now = self.api("put", f"{self.url}/therapist", {"therapist_id": self.tove.pk, "version": 1})
        self.assertEqual((now["therapist_id"], now["version"]), (self.tove.pk, 2))
        self.assertEqual(self.api("put", f"{self.url}/therapist", {"therapist_id": None, "version": 1})[0], 409)
        _, now = self.api("put", f"{self.url}/therapist", {"therapist_id": None, "version": 2})
        self.assertIsNone(now["therapist_id"])

    def test_only_who_may_plan_looks_after_a_child(self) -> None:
        helper = make_member("assistant", self.lead.clinic)
        gone = make_member("therapist", self.lead.clinic)
        gone.user.is_active = False
        gone.user.save()
        self.assertEqual({t["id"] for t in self.api("get", "/therapists")[1]}, {self.lead.pk, self.tove.pk})
        for who, status in ((helper, 422), (gone, 422), (make_member(), 404)):
            answer = self.api("put", f"{self.url}/therapist", {"therapist_id": who.pk, "version": 1})
            self.assertEqual(answer[0], status)
        self.assertEqual(Api(helper)("put", f"{self.url}/therapist", {"therapist_id": None, "version": 1})[0], 403)

    def test_a_caseload_is_handed_over_whole(self) -> None:
        make_child(self.lead, self.child.home, first_name="Isa")
        _, done = self.api("post", f"/people/{self.lead.pk}/hand-over", {"to": self.tove.pk})
        self.assertEqual(done, {"children": 2})
        self.assertEqual(set(Child.objects.values_list("therapist", flat=True)), {self.tove.pk})
        self.assertEqual(Api(self.tove)("post", f"/people/{self.lead.pk}/hand-over", {"to": self.tove.pk})[0], 403)
        self.assertEqual(self.api("post", f"/people/{self.tove.pk}/hand-over", {"to": make_member().pk})[0], 404)

    def test_a_discharge_keeps_the_record_and_takes_the_child_off_the_list(self) -> None:
        status, now = self.close()
        self.assertEqual((status, now["care"], now["closed_on"]), (200, "discharged", str(TODAY)))
        self.assertEqual(self.api("get", "/caseload")[1]["counts"]["all"], 0)
        self.assertEqual([c["first_name"] for c in self.api("get", "/closed-children")[1]], ["Wyn"])
        self.assertEqual(self.api("get", "/children?letters=wy")[1][0]["care"], "discharged")
        wish = {"minutes": 30, "targets": ["grasp"], "home_id": self.child.home_id}
        status, answer = self.api("post", f"{self.url}/plans", wish)
        self.assertEqual(status, 422)
        self.assertIn("care has ended", answer["detail"])

    def test_a_child_is_brought_back_and_the_summary_stays_in_the_log(self) -> None:
        self.close()
        self.assertEqual(self.close(version=2)[0], 422)
        _, now = self.api("post", f"{self.url}/reopen", {"version": 2})
        self.assertEqual((now["care"], now["closed_on"], now["closing_words"]), ("open", None, ""))
        self.assertEqual(self.api("get", "/caseload")[1]["counts"]["all"], 1)
        kept = AuditEntry.objects.filter(action="child.close").order_by("pk").last()
        assert kept is not None
        self.assertEqual(kept.detail["before"]["words"], "Buttons alone at home.")

    def test_a_discharge_needs_a_summary_an_archive_does_not(self) -> None:
        status, answer = self.close(words=" short ")
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "words"))
        self.assertEqual(self.close(care="open")[0], 422)
        self.assertEqual(self.close(version=7)[0], 409)
        self.assertEqual(self.close(care="archived", words="")[0], 200)

    @slow
    def test_the_summary_is_drafted_from_the_record(self) -> None:
        words = self.api("get", f"{self.url}/summary")[1]["words"]
        self.assertIn("Wyn had no session here.", words)
        run = run_for_child(self.lead, self.child, TODAY)
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        words = self.api("get", f"{self.url}/summary")[1]["words"]
        self.assertIn("Wyn had one session on", words)
        self.assertIn("buttons: not seen yet", words)


class ListTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.tove = make_member("therapist", self.lead.clinic)
        self.home = make_home(self.lead)
        self.api = Api(self.lead)

    def names(self, query: str = "") -> list[str]:
        return [c["first_name"] for c in self.api("get", f"/caseload{query}")[1]["children"]]

    def test_mine_letters_and_order(self) -> None:
        for name, who in (("Wyn", self.lead), ("Ada Bo", self.tove), ("Bo", self.lead)):
            make_child(who, self.home, first_name=name)
        self.assertEqual(self.names("?sort=name"), ["Ada Bo", "Bo", "Wyn"])
        self.assertEqual(self.names("?mine=true&sort=name"), ["Bo", "Wyn"])
        self.assertEqual(self.names("?letters=bo&sort=name"), ["Ada Bo", "Bo"])
        self.assertEqual(self.names("?letters=a%20b"), ["Ada Bo"])
        self.assertEqual(self.names("?show=stuck"), [])
        self.assertEqual(self.api("get", "/caseload?sort=height")[0], 422)

    def test_pages_hold_fifty_and_a_page_too_far_is_the_last(self) -> None:
        Child.objects.bulk_create(
            Child(clinic=self.lead.clinic, home=self.home, **profile(first_name=f"C{n:03}")) for n in range(120)
        )
        _, out = self.api("get", "/caseload?sort=name&page=2")
        self.assertEqual((len(out["children"]), out["children"][0]["first_name"]), (50, "C050"))
        self.assertEqual((out["total"], out["pages"], out["counts"]["recheck"]), (120, 3, 120))
        _, out = self.api("get", "/caseload?sort=name&page=99")
        self.assertEqual((out["page"], len(out["children"])), (3, 20))
        self.assertEqual(self.api("get", "/caseload?page=0")[1]["page"], 1)

    @slow
    def test_the_longest_not_seen_stands_first(self) -> None:
        seen = make_child(self.lead, self.home, first_name="Seen")
        run = run_for_child(self.lead, seen, TODAY - timedelta(days=3))
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        make_child(self.lead, self.home, first_name="Never")
        self.assertEqual(self.names("?sort=seen"), ["Never", "Seen"])
        self.assertEqual(self.names("?sort=due"), ["Never", "Seen"])
