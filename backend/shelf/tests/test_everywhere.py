"""What a clinic made, wherever the application uses an activity, a thing or a format; and what hostile values do."""

import json
from datetime import timedelta
from typing import Any
from unittest.mock import patch
from uuid import uuid4

from django.db import IntegrityError

from clinic.models import AuditEntry, Clinic
from core.library import activity_as_written, blank, thing_as_written
from privacy.actions import remove_demo
from shelf.models import OwnEntry
from testing.builders import TODAY, Api, make_child, make_home, make_member
from testing.own import REEL, OwnTest, pot_drop
from testing.tags import slow

EVERY_PART = ["opener", "warm-up", "main", "stretch", "daily", "tidy"]


class EverywhereTest(OwnTest):
    """One home in which a clinic's own activity, done with its own thing, is all there is."""

    def setUp(self) -> None:
        super().setUp()
        self.reel = self.shared(REEL, "thing")["ref"]
        values = pot_drop(parts=EVERY_PART)
        values["axes"][0]["steps"][0]["needs"] = {}
        self.ref = self.shared(values)["ref"]
        self.home = make_home(self.lead, {"wide_bowl": 2})
        self.home.stock.create(thing_id=self.reel, count=40)
        self.child = make_child(self.lead, self.home, wanted=[], birth_date=TODAY - timedelta(days=3 * 366))

    def planned(self, **wish: Any) -> dict[str, Any]:
        body = {"minutes": 15, "targets": ["grasp"], "home_id": self.home.pk, "format_id": "home", **wish}
        return self.api("post", f"/children/{self.child.pk}/plans", body)[1]

    @slow
    def test_a_plan_its_sheet_its_run_and_its_note(self) -> None:
        plan = self.planned()
        self.assertEqual([b["name"] for b in plan["blocks"]], ["Pot drop"])
        self.assertIn("wooden reels", str(plan["blocks"][0]["quantities"]))
        sheet = self.api.client.get(f"/api/plans/{plan['id']}/sheet").content.decode()
        for words in ("Pot drop", "wooden reels", "Your child picks up one piece"):
            self.assertIn(words, sheet)
        run = self.api("post", f"/plans/{plan['id']}/runs", {"id": uuid4()})[1]
        block = run["blocks"][0]
        self.assertEqual(block["name"], "Pot drop")
        events = [
            {
                "id": str(uuid4()),
                "block": block["id"],
                "kind": "try",
                "at": f"2026-03-02T09:00:{5 * i:02}Z",
                "value": {"outcome": "success", "support": "alone", "grade": block["grade"], "hand": "right"},
            }
            for i in range(6)
        ]
        self.assertEqual(self.api("post", f"/runs/{run['id']}/events", events)[0], 200)
        self.assertEqual(self.api("post", f"/runs/{run['id']}/finish")[0], 200)
        self.assertIn("Pot drop", self.api("get", f"/runs/{run['id']}/note")[1]["text"])
        self.assertIn("Pot drop", str(self.api("get", f"/children/{self.child.pk}/progress")[1]))

    def test_a_home_week_and_its_sheet(self) -> None:
        body = {"starts_on": "2026-03-02", "minutes_by_day": [15] * 7, "targets": ["grasp"]}
        status, week = self.api("post", f"/children/{self.child.pk}/weeks", body)
        self.assertEqual(status, 200, week)
        self.assertIn("Pot drop", str(week))
        self.assertIn("Pot drop", self.api.client.get(f"/api/weeks/{week['id']}/sheet").content.decode())

    @slow
    def test_children_together(self) -> None:
        other = make_child(self.lead, self.home, first_name="Isa", birth_date=TODAY - timedelta(days=3 * 366))
        body = {
            "children": [self.child.pk, other.pk],
            "home_id": self.home.pk,
            "minutes": 20,
            "targets": ["grasp"],
            "supervision": "arms_reach",
        }
        status, group = self.api("post", "/groups", body)
        self.assertEqual(status, 200, group)
        self.assertIn("Pot drop", str(group))

    def test_the_visit_bag(self) -> None:
        self.planned()
        body = {"children": [self.child.pk], "store_id": self.home.pk}
        status, bag = self.api("post", "/bags", body)
        self.assertEqual(status, 200, bag)
        self.assertIn("Wooden reels", str(bag))

    def test_the_demo_clinic_is_removed_with_what_it_made(self) -> None:
        self.planned()
        Clinic.objects.filter(pk=self.lead.clinic_id).update(is_demo=True)
        remove_demo(make_member("lead"), Clinic.objects.get(pk=self.lead.clinic_id))
        self.assertEqual(OwnEntry.objects.count(), 0)


class HostileTest(OwnTest):
    ODD = (None, True, -1, 0, 1e9, 10**30, float("nan"), float("inf"), "", "x" * 500, [], {}, [[]], {"axis": "size"})

    def looked(self, values: dict[str, Any], kind: str) -> None:
        status, _ = self.api("post", "/own-look", {"kind": kind, "values": values})
        is_json = "NaN" not in json.dumps(values) and "Infinity" not in json.dumps(values)
        self.assertIn(status, (200, 422) if is_json else (400,), str(values)[:200])

    @slow
    def test_no_value_of_any_field_breaks_the_look_at_an_activity(self) -> None:
        whole = {**pot_drop(), **{k: v for k, v in activity_as_written("peg_fence").items() if k not in pot_drop()}}
        for field in whole:
            for odd in self.ODD:
                self.looked({**pot_drop(), field: odd}, "activity")

    @slow
    def test_nor_at_a_thing_a_task_or_a_format(self) -> None:
        for field in thing_as_written("cork"):
            for odd in self.ODD:
                self.looked({**REEL, field: odd}, "thing")
        for field in ("name", "steps", "at_home", "parts", "fewest_main"):
            for odd in self.ODD:
                self.looked({"name": "x", field: odd}, "task")
                self.looked({"name": "x", field: odd}, "format")

    @slow
    def test_a_number_of_a_picture_is_drawn_or_refused(self) -> None:
        for kind in ("line", "draw", "palm", "thread", "spoon", "toss", "hold"):
            values = {**blank(kind), "name": "x"}
            for key in values["picture"][0].keys() - {"act"}:
                for odd in (0, -300, 300, 0.001, "nothing", True):
                    frame = {**values["picture"][0], key: odd}
                    self.looked({**values, "picture": [frame]}, "activity")


class ImportTest(OwnTest):
    def file(self, *values: dict[str, Any]) -> dict[str, Any]:
        return {"format": "pollicor own library 1", "entries": [{"kind": "activity", "values": v} for v in values]}

    def test_an_entry_with_a_character_no_text_has_is_refused_and_the_rest_taken_in(self) -> None:
        status, taken = self.api("post", "/own-file", {"file": self.file(pot_drop(name="a\x00b"), pot_drop())})
        self.assertEqual((status, [e["name"] for e in taken["begun"]], len(taken["refused"])), (200, ["Pot drop"], 1))

    def test_the_same_twice_in_a_file_begins_one(self) -> None:
        taken = self.api("post", "/own-file", {"file": self.file(pot_drop(), pot_drop())})[1]
        self.assertEqual((len(taken["begun"]), taken["known"]), (1, ["Pot drop"]))

    def test_an_assistant_may_not_even_where_nothing_would_come_in(self) -> None:
        helper = Api(make_member("assistant", self.lead.clinic))
        self.assertEqual(helper("post", "/own-file", {"file": self.file(pot_drop(seconds=99))})[0], 403)

    def test_what_breaks_in_the_middle_leaves_nothing_behind(self) -> None:
        create = OwnEntry.objects.create

        def second_fails(**values: Any) -> OwnEntry:
            if OwnEntry.objects.exists():
                raise IntegrityError
            return create(**values)

        with patch.object(OwnEntry.objects, "create", second_fails), self.assertRaises(IntegrityError):
            self.api("post", "/own-file", {"file": self.file(pot_drop(), pot_drop(name="Plop"))})
        self.assertEqual(OwnEntry.objects.count(), 0)


class BeginningTest(OwnTest):
    def test_a_blank_and_a_copy_are_of_the_kind_that_is_begun(self) -> None:
        for body in (
            {"kind": "thing", "blank": "piece"},
            {"kind": "activity", "blank": "task"},
            {"kind": "activity", "copy_of": "cork"},
            {"kind": "task", "copy_of": "peg_fence"},
        ):
            status, problem = self.api("post", "/own", body)
            self.assertEqual(status, 422, body)
            self.assertTrue(problem["fields"][0]["remedy"])

    def test_what_is_taken_from_the_library_is_no_change_any_more(self) -> None:
        entry = self.api("post", "/own", {"kind": "activity", "copy_of": "peg_fence"})[1]
        row = OwnEntry.objects.get(pk=entry["id"])
        row.copied_values = {**row.copied_values, "say": "Squeeze."}
        row.draft = {**row.draft, "say": "Squeeze."}
        row.save()
        self.assertEqual(len(self.api("get", f"/own/{entry['id']}")[1]["library_changes"]), 1)
        body = {"values": {**row.draft, "say": activity_as_written("peg_fence")["say"]}, "version": entry["version"]}
        self.assertEqual(self.api("put", f"/own/{entry['id']}", body)[1]["library_changes"], [])

    def test_a_shared_change_says_in_the_audit_log_what_it_changed(self) -> None:
        entry = self.shared({**REEL, "sharp": True}, "thing")
        self.written(entry, REEL)
        self.assertEqual(AuditEntry.objects.latest("pk").detail["changed"], ["sharp"])


class OneNumberTest(OwnTest):
    @slow
    def test_the_list_and_the_page_of_an_activity_expect_the_same(self) -> None:
        child = make_child(self.lead)
        home = f"home_id={child.home_id}"
        for row in self.api("get", f"/children/{child.pk}/library?{home}")[1]:
            if not row["offered"]:
                continue
            block = {"part": row["parts"][0], "activity_id": row["activity_id"], "grade": row["nearest"], "sets": 1}
            page = self.api("post", f"/children/{child.pk}/forecast?{home}", block)[1]["block"]
            self.assertEqual(row["expected_words"], page["expected_words"], row["name"])
